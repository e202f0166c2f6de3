import { api } from '@/api/client'
import type { Chosen, Piece } from '@/api/types'
import { computed, shallowRef, watch } from 'vue'
import type { Session } from './session'

/** What is chosen on the bench, with its frame and details. */
export function useSelection(session: Session) {
  const { job, art, chosen, entered, view } = session
  /** Frame and details of what is chosen; null until they have come. */
  const detail = shallowRef<Chosen | null>(null)
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

  const byId = computed(() => new Map(art.value?.pieces.map((piece) => [piece.id, piece]) ?? []))
  const closedLayers = computed(() => new Set(art.value?.layers.filter((layer) => layer.hidden || layer.locked).map((layer) => layer.id) ?? []))
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

  session.onChanged(refreshDetail)

  return { chosen, detail, refreshDetail, entered, byId, touchable, together, choose, chooseAll, chooseNone }
}
