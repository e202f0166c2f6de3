import { t } from '@/words/words'
import { api, isAway, Refused, words, workOn } from '@/api/client'
import type { Art, ChangedState, Changes, JobState, Preparation, Previewed } from '@/api/types'
import { isOpen } from '@/api/works'
import { useDrawn } from '../drawn'
import { lane } from '../lane'
import { refusal } from '../refusal'
import { useWorks } from '../works'
import { computed, nextTick, ref, shallowRef, watch } from 'vue'
import type { View } from './view'

/** Art with what an answer says is otherwise in it; pieces that were not changed stay the same objects. */
export function patched(art: Art, changes: Changes): Art {
  if (changes.pieces.length === 0 && changes.gone.length === 0 && !changes.order && !changes.frame) return art
  const byId = new Map(art.pieces.map((piece) => [piece.id, piece]))
  for (const id of changes.gone) byId.delete(id)
  for (const piece of changes.pieces) byId.set(piece.id, piece)
  const pieces = changes.order ? changes.order.map((id) => byId.get(id)!) : art.pieces.map((piece) => byId.get(piece.id)!)
  return { ...art, ...(changes.frame ?? {}), pieces }
}

export type Session = ReturnType<typeof useSession>

type Hook = () => unknown
/** What the other parts of the bench do when something happened here. */
function hooks() {
  const all: Hook[] = []
  return { on: (hook: Hook) => void all.push(hook), tell: async () => { for (const hook of all) await hook() } }
}

/** The job that is open: its state, its preparation, and changes of it, sent one after the other. */
export function useSession() {
  const drawn = useDrawn()
  const works = useWorks()
  const [opened, loaded, changing, madeChange, wasPrepared] = [hooks(), hooks(), hooks(), hooks(), hooks()]
  const state = shallowRef<JobState | null>(null)
  const preparation = shallowRef<Preparation | null>(null)
  const view = ref<View>({ kind: 'source' })
  const chosen = ref<Set<string>>(new Set())
  /** The group that was entered: presses inside it choose its pieces one by one. */
  const entered = ref<string | null>(null)
  const finding = ref<number | null>(null)
  /** The group of findings that is looked at. */
  const group = ref<number | null>(null)
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
  const sheets = computed(() => result.value?.sheets ?? [])
  const verdict = computed(() => preparation.value?.verdict ?? null)

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
      view.value = { kind: 'source' }
      chosen.value = new Set()
      finding.value = null
      group.value = null
      entered.value = null
      drawn.forget()
      await opened.tell()
    }
    problem.value = ''
    loading.value = true
    try {
      take(await api.get<JobState>(`jobs/${id}`))
      await loaded.tell()
    } catch (refused) {
      problem.value = words(refused)
    } finally {
      loading.value = false
    }
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
    view.value = { kind: 'source' }
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
      if (prepared.value) await wasPrepared.tell()
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
        if (prepared.value) await wasPrepared.tell()
        else if (next.status === 'failed') problem.value = next.work?.error || t('The preparation broke off.')
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
  async function change(send: Send, kind = '', taken = () => {}): Promise<Changes | null> {
    if (!job.value) return null
    problem.value = ''
    again.value = null
    // A preview that is on its way must not come over what is kept.
    busy.value = true
    await changing.tell()
    try {
      const before = preparation.value
      const answer = await sent(send, newKey())
      take(answer)
      taken()
      if (touching.value) await loadTouched()
      await madeChange.tell()
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
        await madeChange.tell()
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
  const changed = (path: string, body: () => Record<string, unknown>, kind = '', taken = () => {}) =>
    queued(() => change((version, key) => api.post<ChangedState>(`jobs/${job.value!.id}/${path}`, { version, key, ...body() }), kind, taken))
  type Fields = Record<string, unknown>
  const edit = (fields: Fields | (() => Fields), kind = '', taken = () => {}) => changed('edits', () => ({ edit: typeof fields === 'function' ? fields() : fields }), kind, taken)
  /** An edit of the Draw stage; ids of the pieces that are new by it are chosen. `taken` is called when the art of the answer is the one that is drawn next: more is asked after it. */
  async function draw(fields: Fields | (() => Fields), chooseNew = false, taken = () => {}): Promise<Changes | null> {
    let known = new Set<string>()
    const changes = await edit(() => {
      known = new Set(art.value?.pieces.map((piece) => piece.id))
      return typeof fields === 'function' ? fields() : fields
    }, 'draw:', taken)
    const fresh = changes?.pieces.filter((piece) => !known.has(piece.id)).map((piece) => piece.id) ?? []
    if (chooseNew && fresh.length > 0) {
      chosen.value = new Set(fresh)
      await madeChange.tell()
    }
    return changes
  }
  /** Whether there is something to go back on is asked when it is its turn: what is on its way counts. */
  const gone = (way: 'undo' | 'redo', more: () => Record<string, unknown> = () => ({})) => queued(() => {
    const history = state.value?.history
    if (!(way === 'undo' ? history?.canUndo : history?.canRedo)) return Promise.resolve(null)
    return change((version, key) => api.post<ChangedState>(`jobs/${job.value!.id}/${way}`, { version, key, ...more() }), `draw:${way}`)
  })
  const undo = () => gone('undo')
  const redo = () => gone('redo')
  /** To the state after an act of the list. */
  const goTo = (number: number) => queued(() => change((version, key) => api.post<ChangedState>(`jobs/${job.value!.id}/act`, { version, key, number }), 'draw:undo'))
  const amend = (fields: Record<string, unknown>) => queued(() => change((version, key) => api.patch<JobState | ChangedState>(`jobs/${job.value!.id}`, { version, key, ...fields })))

  /** What a drag would give, while it lasts: one question at a time, for the server would work on each that was given up. */
  const tried = lane((fields: Record<string, unknown>) => api.post<Previewed>(`jobs/${job.value!.id}/previews`, { what: 'edit', edit: fields }))

  return {
    state, job, art, preparation, work, result, running, prepared, lastStep, sheets, verdict, view, chosen, entered, finding, group, touching, touch, source, problem, loading, busy, away, waiting,
    again, open, stands, prepare, stop, changeBy, edit, draw, undo, redo, goTo, amend, tried,
    onOpen: opened.on, onLoaded: loaded.on, onChange: changing.on, onChanged: madeChange.on, onPrepared: wasPrepared.on,
  }
}
