import { api, words } from '@/api/client'
import type { Art, Changes, Piece } from '@/api/types'
import { computed, ref, shallowRef } from 'vue'
import type { Session } from './session'
import { patched } from './session'

/** What the bench shows: the source, the art after a step, the wipe over both, or one sheet alone. */
export type View =
  | { kind: 'source' }
  | { kind: 'file' }
  | { kind: 'step'; index: number }
  | { kind: 'wipe' }
  | { kind: 'sheet'; index: number }
  | { kind: 'preview'; beside?: boolean }
  | { kind: 'version'; name: string }
  | { kind: 'layout'; index: number }
  | { kind: 'mix' }
  | { kind: 'hands'; sheet: string }
  | { kind: 'shown' }

/** One side of the wipe. */
export type Side = 'file' | 'bench' | 'result' | `step ${number}` | `version ${number}`

/** What is looked at: the bench, the art after a step, the wipe over two of them, a sheet, a layout, what is not kept. */
export function useView(session: Session) {
  const { job, art, preparation, problem, view, lastStep, sheets } = session
  const stepArt = shallowRef<Record<string, Art>>({})
  const previewArt = shallowRef<Art | null>(null)
  const versionArt = shallowRef<Art | null>(null)
  const wire = ref(false)
  const wipeAt = ref(0.5)
  /** A place that is looked at, mm: it is framed and brought into view. */
  const spot = ref<{ x: number; y: number; width: number; height: number } | null>(null)
  /** What the wipe shows on its left and on its right: the customer's file as a browser draws it, the bench, the result, the art after a step, a version. */
  const wipeWith = ref<Side>('file')
  const wipeTo = ref<Side>('result')
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
  function artAfter(index: number): Art | null {
    return stepArt.value[`${preparation.value?.id}/${index}`] ?? null
  }

  /** Art to draw, and for the wipe the art that lies beneath on the left. */
  const shown = computed<{ after: Art | null; before: Art | null }>(() => {
    const here = view.value
    if (here.kind === 'preview') return { after: previewArt.value, before: here.beside ? art.value : null }
    if (here.kind === 'version') return { after: art.value, before: versionArt.value }
    if (here.kind === 'step') return { after: artAfter(here.index), before: null }
    if (here.kind === 'file' || here.kind === 'layout' || here.kind === 'mix' || here.kind === 'hands' || here.kind === 'shown') return { after: null, before: null }
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
  session.onChange(() => asking?.abort())
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
  function showPreview(changes: Changes, beside = false) {
    if (!art.value) return
    previewArt.value = patched(art.value, changes)
    view.value = { kind: 'preview', beside }
  }

  // Another job is looked at anew.
  session.onOpen(() => {
    stepArt.value = {}
    versionArts.value = {}
    view.value = { kind: 'source' }
    wipeWith.value = 'file'
    wipeTo.value = 'result'
  })
  // What was prepared anew has other steps, and is shown beside the file.
  session.onPrepared(async () => {
    if (wipeWith.value.startsWith('step')) wipeWith.value = 'file'
    if (wipeTo.value.startsWith('step')) wipeTo.value = 'result'
    // Whose hands are on the result keeps it on the bench.
    if (session.touching.value === null) await show({ kind: 'wipe' })
  })

  return { view, shown, wire, wipeAt, spot, hasFile, wipesFile, wipeWith, wipeTo, wipe, show, compare, versionArt, preview, showPreview, showArt }
}
