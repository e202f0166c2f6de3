import { useBench } from '@/stores/bench'
import { ref, type Ref } from 'vue'

/** Guides drawn out of the rulers, moved, and carried back onto them. Places are mm on the bench. */
export function useGuides(surface: Ref<HTMLElement | null>, toBench: (event: { clientX: number; clientY: number }) => { x: number; y: number }, allowed: () => boolean) {
  const bench = useBench()
  const draft = ref<{ id: string; upright: boolean; at: number } | null>(null)
  function from(upright: boolean, event: PointerEvent, id = '') {
    if (!allowed()) return
    const at = toBench(event)
    draft.value = { id, upright, at: upright ? at.x : at.y }
    ;(event.currentTarget as Element).setPointerCapture(event.pointerId)
  }
  function move(event: PointerEvent) {
    if (!draft.value) return
    const at = toBench(event)
    const value = draft.value.upright ? at.x : at.y
    draft.value = { ...draft.value, at: event.ctrlKey ? value : Math.round(value * 2) / 2 }
  }
  async function end(event: PointerEvent) {
    const laid = draft.value
    draft.value = null
    if (!laid) return
    const box = surface.value!.getBoundingClientRect()
    const back = laid.upright ? event.clientX < box.left : event.clientY < box.top
    const before = bench.art?.guides.find((guide) => guide.id === laid.id)
    if (before && Math.abs(before.at - laid.at) < 0.3) return
    // Carried back onto its ruler, a guide is taken away.
    if (back) {
      if (laid.id) await bench.draw({ kind: 'remove-guide', guide: laid.id })
      return
    }
    await bench.draw({ kind: 'guide', guide: laid.id, upright: laid.upright, at: laid.at })
  }

  return { draft, from, move, end }
}
