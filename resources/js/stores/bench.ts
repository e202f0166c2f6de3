import { api, Refused, words } from '@/api/client'
import type { Art, Finding, JobState, Piece, Preparation } from '@/api/types'
import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'

/** What the bench shows: the source, the art after a step, the wipe over both, or one sheet alone. */
export type View = { kind: 'source' } | { kind: 'step'; index: number } | { kind: 'wipe' } | { kind: 'sheet'; index: number } | { kind: 'preview' }

export const useBench = defineStore('bench', () => {
  const state = shallowRef<JobState | null>(null)
  const preparation = shallowRef<Preparation | null>(null)
  const stepArt = shallowRef<Record<string, Art>>({})
  const previewArt = shallowRef<Art | null>(null)
  const view = ref<View>({ kind: 'source' })
  const chosen = ref<Set<string>>(new Set())
  const finding = ref<number | null>(null)
  const wire = ref(false)
  const wipeAt = ref(0.5)
  const problem = ref('')
  const loading = ref(false)
  const busy = ref(false)
  let poll = 0

  const job = computed(() => state.value?.job ?? null)
  const art = computed(() => state.value?.art ?? null)
  const result = computed(() => preparation.value?.result ?? null)
  const running = computed(() => preparation.value?.status === 'running' || preparation.value?.status === 'waiting')
  const prepared = computed(() => preparation.value?.status === 'done' && result.value !== null)
  const lastStep = computed(() => (result.value?.steps.length ?? 0) - 1)
  const findings = computed<Finding[]>(() => [...(state.value?.notices ?? []), ...(result.value?.findings ?? [])])
  const sheets = computed(() => result.value?.sheets ?? [])

  function artAfter(index: number): Art | null {
    return stepArt.value[`${preparation.value?.id}/${index}`] ?? null
  }

  /** Art to draw, and for the wipe the art that lies beneath on the left. */
  const shown = computed<{ after: Art | null; before: Art | null }>(() => {
    const here = view.value
    if (here.kind === 'preview') return { after: previewArt.value, before: null }
    if (here.kind === 'step') return { after: artAfter(here.index), before: null }
    if (here.kind === 'wipe') return { after: artAfter(lastStep.value), before: art.value }
    if (here.kind === 'sheet') {
      const whole = artAfter(lastStep.value)
      const sheet = sheets.value[here.index]
      if (!whole || !sheet) return { after: null, before: null }
      const on = (piece: Piece) => piece.paint === sheet.key
      return { after: { ...whole, pieces: whole.pieces.filter(on) }, before: null }
    }
    return { after: art.value, before: null }
  })

  function take(next: JobState) {
    state.value = next
    const ids = new Set(next.art.pieces.map((piece) => piece.id))
    chosen.value = new Set([...chosen.value].filter((id) => ids.has(id)))
    if (preparation.value === null || next.preparation === null || next.preparation.id >= preparation.value.id) {
      preparation.value = next.preparation
    }
  }

  async function open(id: number) {
    window.clearTimeout(poll)
    if (job.value?.id !== id) {
      state.value = null
      preparation.value = null
      stepArt.value = {}
      view.value = { kind: 'source' }
      chosen.value = new Set()
      finding.value = null
    }
    problem.value = ''
    loading.value = true
    try {
      take(await api.get<JobState>(`jobs/${id}`))
      if (running.value) follow()
      else if (prepared.value) await loadStep(lastStep.value)
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

  async function prepare(steps?: string[]) {
    if (!job.value) return
    problem.value = ''
    try {
      preparation.value = await api.post<Preparation>(`jobs/${job.value.id}/preparations`, steps ? { steps } : {})
      finding.value = null
      view.value = { kind: 'source' }
      follow()
    } catch (refused) {
      problem.value = words(refused)
    }
  }

  function follow() {
    window.clearTimeout(poll)
    const id = preparation.value?.id
    if (id === undefined) return
    poll = window.setTimeout(async () => {
      try {
        const next = await api.get<Preparation>(`preparations/${id}`)
        if (preparation.value?.id !== id) return
        preparation.value = next
        if (running.value) follow()
        else if (prepared.value) await show({ kind: 'wipe' })
        else if (next.status === 'failed') problem.value = next.error ?? 'The preparation broke off.'
      } catch (refused) {
        problem.value = words(refused)
        follow()
      }
    }, 250)
  }

  async function stop() {
    if (!preparation.value) return
    try {
      preparation.value = await api.post<Preparation>(`preparations/${preparation.value.id}/stop`)
    } catch (refused) {
      problem.value = words(refused)
    }
  }

  /** Sends a change; when another window was faster, its state is shown and nothing is overwritten. */
  async function change(send: (version: number) => Promise<JobState>): Promise<boolean> {
    if (!job.value) return false
    problem.value = ''
    busy.value = true
    try {
      const before = preparation.value
      take(await send(job.value.version))
      if (view.value.kind !== 'source') view.value = { kind: 'source' }
      if (before && before.status === 'done' && preparation.value?.stale) await prepare(before.steps)
      return true
    } catch (refused) {
      problem.value = words(refused)
      if (refused instanceof Refused && refused.status === 409) take(refused.body as unknown as JobState)
      return false
    } finally {
      busy.value = false
    }
  }

  const edit = (fields: Record<string, unknown>) => change((version) => api.post<JobState>(`jobs/${job.value!.id}/edits`, { version, edit: fields }))
  const undo = () => (state.value?.history.canUndo ? change((version) => api.post<JobState>(`jobs/${job.value!.id}/undo`, { version })) : Promise.resolve(false))
  const redo = () => (state.value?.history.canRedo ? change((version) => api.post<JobState>(`jobs/${job.value!.id}/redo`, { version })) : Promise.resolve(false))
  const amend = (fields: Record<string, unknown>) => change((version) => api.patch<JobState>(`jobs/${job.value!.id}`, { version, ...fields }))

  let asking: AbortController | null = null
  async function preview(fields: Record<string, unknown>) {
    if (!job.value) return
    asking?.abort()
    asking = new AbortController()
    problem.value = ''
    try {
      previewArt.value = (await api.post<{ art: Art }>(`jobs/${job.value.id}/edits/preview`, { edit: fields }, asking.signal)).art
      view.value = { kind: 'preview' }
    } catch (refused) {
      if (refused instanceof DOMException) return
      problem.value = words(refused)
    }
  }

  function choose(id: string, more: boolean) {
    const next = new Set(more ? chosen.value : [])
    if (more && chosen.value.has(id)) next.delete(id)
    else next.add(id)
    chosen.value = next
  }

  function chooseAll() {
    chosen.value = new Set(art.value?.pieces.map((piece) => piece.id) ?? [])
  }

  function chooseNone() {
    chosen.value = new Set()
    if (view.value.kind === 'preview') view.value = { kind: 'source' }
  }

  function leave() {
    window.clearTimeout(poll)
  }

  return {
    state, job, art, preparation, result, running, prepared, lastStep, findings, sheets, view, shown, chosen, finding, wire, wipeAt,
    problem, loading, busy, open, show, prepare, stop, edit, undo, redo, amend, preview, choose, chooseAll, chooseNone, leave,
  }
})
