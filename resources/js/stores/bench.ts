import { api, isAway, Refused, words, workOn } from '@/api/client'
import type { Art, ChangedState, Changes, Chosen, Finding, FindingGroup, JobState, Piece, Preparation, Previewed } from '@/api/types'
import { isOpen } from '@/api/works'
import { useDrawn } from './drawn'
import { lane } from './lane'
import { refusal } from './refusal'
import { useWorks } from './works'
import { defineStore } from 'pinia'
import { computed, nextTick, reactive, ref, shallowRef, watch } from 'vue'

/** What the bench shows: the source, the art after a step, the wipe over both, or one sheet alone. */
export type View =
  | { kind: 'source' }
  | { kind: 'file' }
  | { kind: 'step'; index: number }
  | { kind: 'wipe' }
  | { kind: 'sheet'; index: number }
  | { kind: 'preview' }
  | { kind: 'version'; name: string }
  | { kind: 'layout'; index: number }
  | { kind: 'mix' }
  | { kind: 'hands'; sheet: string }

/** One side of the wipe. */
export type Side = 'file' | 'bench' | 'result' | `step ${number}` | `version ${number}`

/** Art with what an answer says is otherwise in it; pieces that were not changed stay the same objects. */
export function patched(art: Art, changes: Changes): Art {
  if (changes.pieces.length === 0 && changes.gone.length === 0 && !changes.order && !changes.frame) return art
  const byId = new Map(art.pieces.map((piece) => [piece.id, piece]))
  for (const id of changes.gone) byId.delete(id)
  for (const piece of changes.pieces) byId.set(piece.id, piece)
  const pieces = changes.order ? changes.order.map((id) => byId.get(id)!) : art.pieces.map((piece) => byId.get(piece.id)!)
  return { ...art, ...(changes.frame ?? {}), pieces }
}

/** Those numbers of findings that pass a sieve. */
export function sifted(numbers: number[], findings: Finding[], sieve: { small: boolean; done: boolean; serious: boolean }): number[] {
  return numbers.filter((number) => {
    const one = findings[number]
    return !!one && (sieve.small || !one.minor) && (sieve.done || (!one.seen && one.accepted === undefined)) && (!sieve.serious || one.severity === 'serious')
  })
}

export const useBench = defineStore('bench', () => {
  const drawn = useDrawn()
  const works = useWorks()
  const state = shallowRef<JobState | null>(null)
  const preparation = shallowRef<Preparation | null>(null)
  const stepArt = shallowRef<Record<string, Art>>({})
  const previewArt = shallowRef<Art | null>(null)
  const view = ref<View>({ kind: 'source' })
  const chosen = ref<Set<string>>(new Set())
  const finding = ref<number | null>(null)
  /** The group of findings that is looked at. */
  const group = ref<number | null>(null)
  const sieve = reactive({ small: false, done: false, serious: false })
  /** Frame and details of what is chosen; null until they have come. */
  const detail = shallowRef<Chosen | null>(null)
  const versionArt = shallowRef<Art | null>(null)
  const wire = ref(false)
  const wipeAt = ref(0.5)
  /** A place that is looked at, mm: it is framed and brought into view. */
  const spot = ref<{ x: number; y: number; width: number; height: number } | null>(null)
  /** What the wipe shows on its left and on its right: the customer's file as a browser draws it, the bench, the result, the art after a step, a version. */
  const wipeWith = ref<Side>('file')
  const wipeTo = ref<Side>('result')
  const problem = refusal(chosen, finding, () => view.value.kind)
  const loading = ref(false)
  const busy = ref(false)

  const job = computed(() => state.value?.job ?? null)
  /** The step of touching up that is worked on, and the result as it is after it; null while the source is. */
  const touching = ref<string | null>(null)
  const touched = shallowRef<Art | null>(null)
  const art = computed(() => (touching.value ? touched.value : (state.value?.art ?? null)))
  const result = computed(() => preparation.value?.result ?? null)
  /** What prepares it, or prepared it last. */
  const work = computed(() => works.of(preparation.value?.work))
  /** Until what it gave is here. */
  const running = computed(() => preparation.value !== null && isOpen({ state: preparation.value.status }))
  const prepared = computed(() => preparation.value?.status === 'done' && result.value !== null)
  const lastStep = computed(() => (result.value?.steps.length ?? 0) - 1)
  const findings = computed<Finding[]>(() => [...(state.value?.notices ?? []), ...(result.value?.findings ?? [])])
  const groups = computed<FindingGroup[]>(() => preparation.value?.groups ?? state.value?.groups ?? [])
  /** What there is to work through in a group: small findings, and those that were seen or accepted, only when they are asked for. */
  const listed = (one: FindingGroup) => {
    const numbers = sifted(one.findings, findings.value, sieve)
    // What is looked at stays, also when it was judged just now.
    return finding.value !== null && one.findings.includes(finding.value) && !numbers.includes(finding.value) ? one.findings.filter((number) => number === finding.value || numbers.includes(number)) : numbers
  }
  /** Numbers of the findings that are shown, group by group. */
  const openFindings = computed(() => groups.value.flatMap(listed))
  const sheets = computed(() => result.value?.sheets ?? [])

  const hasFile = computed(() => job.value?.file != null)
  /** The side of the wipe on which the customer's file lies. */
  const wipesFile = computed(() => (view.value.kind !== 'wipe' || !hasFile.value ? null : wipeWith.value === 'file' ? 'before' : wipeTo.value === 'file' ? 'after' : null))
  const versionArts = shallowRef<Record<number, Art>>({})
  function sideArt(side: Side): Art | null {
    const [kind, number] = side.split(' ')
    if (kind === 'step') return artAfter(Number(number))
    if (kind === 'version') return versionArts.value[Number(number)] ?? null
    if (kind === 'result') return artAfter(lastStep.value)
    return kind === 'file' && hasFile.value ? null : art.value
  }
  /** Chooses what lies on a side of the wipe. */
  async function wipe(side: 'before' | 'after', what: Side) {
    const [kind, number] = what.split(' ')
    try {
      if (kind === 'step') await loadStep(Number(number))
      if (kind === 'version' && !versionArts.value[Number(number)]) versionArts.value = { ...versionArts.value, [Number(number)]: await api.get<Art>(`jobs/${job.value!.id}/versions/${number}`) }
      if (side === 'before') wipeWith.value = what
      else wipeTo.value = what
    } catch (refused) {
      problem.value = words(refused)
    }
  }
  const verdict = computed(() => preparation.value?.verdict ?? null)

  function artAfter(index: number): Art | null {
    return stepArt.value[`${preparation.value?.id}/${index}`] ?? null
  }

  /** Art to draw, and for the wipe the art that lies beneath on the left. */
  const shown = computed<{ after: Art | null; before: Art | null }>(() => {
    const here = view.value
    if (here.kind === 'preview') return { after: previewArt.value, before: null }
    if (here.kind === 'version') return { after: art.value, before: versionArt.value }
    if (here.kind === 'step') return { after: artAfter(here.index), before: null }
    if (here.kind === 'file' || here.kind === 'layout' || here.kind === 'mix' || here.kind === 'hands') return { after: null, before: null }
    if (here.kind === 'wipe') return { after: sideArt(wipeTo.value), before: sideArt(wipeWith.value) }
    if (here.kind === 'sheet') {
      const whole = artAfter(lastStep.value)
      const sheet = sheets.value[here.index]
      if (!whole || !sheet) return { after: null, before: null }
      const on = (piece: Piece) => piece.paint === sheet.key
      return { after: { ...whole, pieces: whole.pieces.filter(on) }, before: null }
    }
    return { after: art.value, before: null }
  })

  function take(next: JobState | ChangedState) {
    state.value = 'art' in next ? next : { ...next, art: patched(state.value!.art, next.changes) }
    const ids = new Set(state.value.art.pieces.map((piece) => piece.id))
    if (!touching.value && [...chosen.value].some((id) => !ids.has(id))) chosen.value = new Set([...chosen.value].filter((id) => ids.has(id)))
    const known = preparation.value
    if (known === null || next.preparation === null || next.preparation.id >= known.id) {
      // With an edit comes only how a preparation stands; what it made is known.
      preparation.value = next.preparation && known?.id === next.preparation.id && next.preparation.result === undefined ? { ...known, ...next.preparation } : next.preparation
    }
  }

  /** Where the job stands in its states, after a change that left the art alone. */
  function stands(history: JobState['history']) {
    if (state.value) state.value = { ...state.value, history }
  }

  async function open(id: number) {
    if (job.value?.id !== id) {
      source()
      state.value = null
      preparation.value = null
      stepArt.value = {}
      view.value = { kind: 'source' }
      chosen.value = new Set()
      finding.value = null
      group.value = null
      detail.value = null
      entered.value = null
      versionArts.value = {}
      drawn.forget()
      wipeWith.value = 'file'
      wipeTo.value = 'result'
    }
    problem.value = ''
    loading.value = true
    try {
      take(await api.get<JobState>(`jobs/${id}`))
      if (prepared.value) await loadStep(lastStep.value)
    } catch (refused) {
      problem.value = words(refused)
    } finally {
      loading.value = false
    }
  }

  async function loadStep(index: number) {
    const id = preparation.value?.id
    const key = `${id}/${index}`
    if (id === undefined || index < 0 || stepArt.value[key]) return
    const loaded = await api.get<Art>(`preparations/${id}/stages/${index}`)
    stepArt.value = { ...stepArt.value, [key]: loaded }
  }

  async function loadTouched() {
    if (!job.value || !touching.value) return
    // A step that was taken out, or undone, is worked on no more.
    if (!state.value?.art.line.some((step) => step.id === touching.value)) return source()
    touched.value = await api.get<Art>(`jobs/${job.value.id}/touch-up/${touching.value}`)
    const ids = new Set(touched.value.pieces.map((piece) => piece.id))
    if ([...chosen.value].some((id) => !ids.has(id))) chosen.value = new Set([...chosen.value].filter((id) => ids.has(id)))
  }
  /** From now on hands work on what the line gives; what they do becomes part of a step of it. */
  async function touch(step: string) {
    chosen.value = new Set()
    detail.value = null
    try {
      const result = await api.get<Art>(`jobs/${job.value!.id}/touch-up/${step}`)
      touched.value = result
      touching.value = step
      workOn(step)
      view.value = { kind: 'source' }
    } catch (refused) {
      problem.value = words(refused)
    }
  }
  /** Back to the source. */
  function source() {
    if (touching.value === null) return
    touching.value = null
    touched.value = null
    workOn(null)
    chosen.value = new Set()
    detail.value = null
    view.value = { kind: 'source' }
  }

  async function show(next: View) {
    problem.value = ''
    try {
      if (next.kind === 'step') await loadStep(next.index)
      if (next.kind === 'wipe' || next.kind === 'sheet') await loadStep(lastStep.value)
      view.value = next
    } catch (refused) {
      problem.value = words(refused)
    }
  }

  /** By the line as it is now. */
  async function prepare() {
    if (!job.value) return
    problem.value = ''
    try {
      preparation.value = await api.post<Preparation>(`jobs/${job.value.id}/preparations`)
      finding.value = null
      group.value = null
      drawn.forget()
      view.value = { kind: 'source' }
      if (prepared.value) await show({ kind: 'wipe' })
    } catch (refused) {
      problem.value = words(refused)
    }
  }

  /** Until it has ended; then what it gave is taken. */
  async function follow() {
    const id = preparation.value?.id
    if (id === undefined || following === id) return
    following = id
    if (preparation.value?.work) await works.ended(preparation.value.work)
    following = null
    if (preparation.value?.id !== id) return
    for (let wait = 500; ; wait = Math.min(4000, 2 * wait)) {
      try {
        const next: Preparation = await api.get<Preparation>(`preparations/${id}`)
        if (preparation.value?.id !== id) return
        preparation.value = next
        if (wipeWith.value.startsWith('step')) wipeWith.value = 'file'
        if (wipeTo.value.startsWith('step')) wipeTo.value = 'result'
        if (prepared.value) await show({ kind: 'wipe' })
        else if (next.status === 'failed') problem.value = next.work?.error || 'The preparation broke off.'
        return
      } catch (refused) {
        problem.value = words(refused)
        await new Promise((go) => window.setTimeout(go, wait))
      }
    }
  }
  let following: number | null = null
  // Whoever asked for it - this page, another window, an edit - and whatever else came with an answer: it is waited for.
  watch(() => (running.value ? preparation.value?.id : null), (id) => void (id != null && follow()))

  /** Somebody can do without what was left out, for a reason; or cannot, after all. */
  async function accept(notice: number, reason: string | null) {
    if (!job.value || !state.value) return
    problem.value = ''
    try {
      const answer = await api.patch<Omit<JobState, 'art'>>(`jobs/${job.value.id}/notices/${notice}`, { accepted: reason })
      state.value = { ...answer, art: state.value.art }
      preparation.value = answer.preparation
    } catch (refused) {
      problem.value = words(refused)
    }
  }

  /** Findings of the last preparation are looked at, accepted with a reason, or open again. */
  async function judge(numbers: number[], say: { accepted?: string; open?: boolean }) {
    const first = state.value?.notices.length ?? 0
    const own = numbers.filter((number) => number >= first).map((number) => number - first)
    if (!job.value || !state.value || !preparation.value || own.length === 0) return
    problem.value = ''
    try {
      const answer = await api.patch<Omit<JobState, 'art'>>(`jobs/${job.value.id}/findings`, { preparation: preparation.value.id, findings: own, ...say })
      state.value = { ...answer, art: state.value.art }
      preparation.value = answer.preparation
    } catch (refused) {
      problem.value = words(refused)
    }
  }

  async function stop() {
    if (!preparation.value?.work) return
    try {
      await works.tell(preparation.value.work, 'stop')
    } catch (refused) {
      problem.value = words(refused)
    }
  }

  type Send = (version: number, key: string) => Promise<JobState | ChangedState>
  /** Changes that wait for a server that does not answer, in order; how many. */
  const away = ref(0)
  const waiting = ref(0)
  const newKey = () => `${Date.now().toString(36)}-${Math.random().toString(36).slice(2, 12)}`

  /** Sends a change, and again until the server is back. One that arrived although its answer was lost is known by its key. */
  async function sent(send: Send, key: string): Promise<JobState | ChangedState> {
    for (let wait = 500, lost = false; ; wait = Math.min(4000, wait * 2)) {
      try {
        const answer = await send(job.value!.version, key)
        away.value = 0
        return answer
      } catch (refused) {
        if (lost && refused instanceof Refused && refused.status === 409 && (refused.body as unknown as JobState).history?.key === key) {
          away.value = 0
          return refused.body as unknown as JobState
        }
        if (!isAway(refused)) {
          away.value = 0
          throw refused
        }
        lost = true
        away.value = waiting.value
        await new Promise((go) => window.setTimeout(go, wait))
        if (!job.value) throw refused
      }
    }
  }

  /** Makes a change; when another window was faster, its state is shown and nothing is overwritten. */
  async function change(send: Send, kind = ''): Promise<Changes | null> {
    if (!job.value) return null
    problem.value = ''
    again.value = null
    // A preview that is on its way must not come over what is kept.
    asking?.abort()
    busy.value = true
    try {
      const before = preparation.value
      const answer = await sent(send, newKey())
      take(answer)
      if (touching.value) await loadTouched()
      await refreshDetail()
      const onArt = !('changes' in answer) || answer.changes.pieces.length > 0 || answer.changes.gone.length > 0 || answer.changes.order !== null || answer.changes.frame !== null
      if (onArt && view.value.kind !== 'source' && view.value.kind !== 'version') view.value = { kind: 'source' }
      // While something is drawn the sheets wait; after a tool of preparation they follow at once.
      if (!kind.startsWith('draw:') && before && before.status === 'done' && preparation.value?.stale) await prepare()
      if ('changes' in answer && kind.startsWith('draw:') && !touching.value) drawn.changed(answer.job.id, answer.changes)
      return 'changes' in answer ? answer.changes : { pieces: [], gone: [], order: null, frame: null }
    } catch (refused) {
      if (refused instanceof Refused && refused.status === 409) {
        take(refused.body as unknown as JobState)
        again.value = () => change(send, kind)
        await refreshDetail()
        await nextTick()
      }
      // Said last: with what was chosen before it would have gone.
      problem.value = words(refused)
      return null
    } finally {
      busy.value = false
    }
  }

  /** An edit that a faster window held up, to be made on top of its newer state. */
  const again = shallowRef<null | (() => Promise<Changes | null>)>(null)

  // One after the other: each must know the version that the one before made.
  let line: Promise<unknown> = Promise.resolve()
  function queued<T>(work: () => Promise<T>): Promise<T> {
    waiting.value++
    if (away.value > 0) away.value = waiting.value
    const next = line.then(work, work)
    line = next
    return next.finally(() => waiting.value--)
  }

  const changeBy = (send: Send) => queued(() => change(send, 'draw:'))
  const changed = (path: string, body: () => Record<string, unknown>, kind = '') =>
    queued(() => change((version, key) => api.post<ChangedState>(`jobs/${job.value!.id}/${path}`, { version, key, ...body() }), kind))
  type Fields = Record<string, unknown>
  const edit = (fields: Fields | (() => Fields), kind = '') => changed('edits', () => ({ edit: typeof fields === 'function' ? fields() : fields }), kind)
  /** An edit of the Draw stage; ids of the pieces that are new by it are chosen. */
  async function draw(fields: Fields | (() => Fields), chooseNew = false): Promise<Changes | null> {
    let known = new Set<string>()
    const changes = await edit(() => {
      known = new Set(art.value?.pieces.map((piece) => piece.id))
      return typeof fields === 'function' ? fields() : fields
    }, 'draw:')
    const fresh = changes?.pieces.filter((piece) => !known.has(piece.id)).map((piece) => piece.id) ?? []
    if (chooseNew && fresh.length > 0) {
      chosen.value = new Set(fresh)
      await refreshDetail()
    }
    return changes
  }
  const undo = () => (state.value?.history.canUndo ? changed('undo', () => ({}), 'draw:undo') : Promise.resolve(null))
  const redo = () => (state.value?.history.canRedo ? changed('redo', () => ({}), 'draw:redo') : Promise.resolve(null))
  const amend = (fields: Record<string, unknown>) => queued(() => change((version, key) => api.patch<JobState | ChangedState>(`jobs/${job.value!.id}`, { version, key, ...fields })))

  let looking: AbortController | null = null
  async function refreshDetail() {
    looking?.abort()
    if (!job.value || chosen.value.size === 0 || chosen.value.size > 5000) {
      detail.value = null
      return
    }
    looking = new AbortController()
    try {
      detail.value = await api.post<Chosen>(`jobs/${job.value.id}/pieces`, { pieces: [...chosen.value] }, looking.signal)
    } catch (refused) {
      if (!(refused instanceof DOMException)) detail.value = null
    }
  }
  watch(chosen, (now, before) => {
    if (now.size !== before.size || [...now].some((id) => !before.has(id))) {
      detail.value = null
      refreshDetail()
    }
  })

  async function compare(id: number, name: string) {
    if (!job.value) return
    try {
      versionArt.value = await api.get<Art>(`jobs/${job.value.id}/versions/${id}`)
      view.value = { kind: 'version', name }
    } catch (refused) {
      problem.value = words(refused)
    }
  }

  let asking: AbortController | null = null
  async function preview(fields: Record<string, unknown>) {
    if (!job.value) return
    asking?.abort()
    asking = new AbortController()
    problem.value = ''
    try {
      const changes = await api.post<Changes>(`jobs/${job.value.id}/previews`, { what: 'edit', edit: fields }, asking.signal)
      previewArt.value = patched(art.value!, changes)
      view.value = { kind: 'preview' }
    } catch (refused) {
      if (refused instanceof DOMException) return
      problem.value = words(refused)
    }
  }

  /** Shows art that is not kept: what a step would give. */
  function showArt(next: Art) {
    previewArt.value = next
    view.value = { kind: 'preview' }
  }

  /** Shows what an edit would give, as it was told. */
  function showPreview(changes: Changes) {
    if (!art.value) return
    previewArt.value = patched(art.value, changes)
    view.value = { kind: 'preview' }
  }

  /** What a drag would give, while it lasts: one question at a time, for the server would work on each that was given up. */
  const tried = lane((fields: Record<string, unknown>) => api.post<Previewed>(`jobs/${job.value!.id}/previews`, { what: 'edit', edit: fields }))

  const byId = computed(() => new Map(art.value?.pieces.map((piece) => [piece.id, piece]) ?? []))
  const closedLayers = computed(() => new Set(art.value?.layers.filter((layer) => layer.hidden || layer.locked).map((layer) => layer.id) ?? []))
  /** The group that was entered: presses inside it choose its pieces one by one. */
  const entered = ref<string | null>(null)

  function touchable(piece: Piece | undefined): boolean {
    return !!piece && !piece.hidden && !piece.locked && !closedLayers.value.has(piece.layer)
  }

  /** A piece with all that moves with it: its group, unless that was entered. */
  function together(id: string): string[] {
    const piece = byId.value.get(id)
    if (!piece || !art.value) return [id]
    const depth = entered.value ? piece.groups.indexOf(entered.value) + 1 : 0
    const group = piece.groups[depth]
    return group === undefined ? [id] : art.value.pieces.filter((one) => one.groups.includes(group)).map((one) => one.id)
  }

  function choose(id: string, more: boolean, alone = false) {
    const unit = alone ? [id] : together(id)
    const next = new Set(more ? chosen.value : [])
    const off = more && chosen.value.has(id)
    for (const one of unit) {
      if (off) next.delete(one)
      else next.add(one)
    }
    if (entered.value && !byId.value.get(id)?.groups.includes(entered.value)) entered.value = null
    chosen.value = next
  }

  function chooseAll() {
    chosen.value = new Set(art.value?.pieces.filter(touchable).map((piece) => piece.id) ?? [])
  }

  function chooseNone() {
    entered.value = null
    chosen.value = new Set()
    if (view.value.kind === 'preview') view.value = { kind: 'source' }
  }

  function leave() {
    source()
  }

  return {
    state, job, art, preparation, work, result, running, prepared, lastStep, findings, sheets, hasFile, wipesFile, wipeWith, wipeTo, wipe, verdict, accept, view, shown, chosen, away, waiting, finding, group, groups, sieve, listed, openFindings, judge, wire, wipeAt,
    detail, spot, touching, touch, source, changeBy, entered, byId, again, touchable, together, draw, tried, refreshDetail, compare, versionArt,
    problem, loading, busy, open, stands, show, prepare, stop, edit, undo, redo, amend, preview, showPreview, showArt, choose, chooseAll, chooseNone, leave,
  }
})
