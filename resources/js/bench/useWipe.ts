import { useBench } from '@/stores/bench'
import type { Ref } from 'vue'

/** The border of the wipe, dragged and moved by keys. `share` tells which share of the page's width a place of the window is at. */
export function useWipe(dragged: Ref<boolean>, share: (event: PointerEvent) => number) {
  const bench = useBench()
  function startWipe(event: PointerEvent) {
    dragged.value = true
    ;(event.target as Element).setPointerCapture(event.pointerId)
    event.stopPropagation()
  }
  function moveWipe(event: PointerEvent) {
    bench.wipeAt = Math.min(1, Math.max(0, share(event)))
  }
  function endWipe() {
    dragged.value = false
  }
  function wipeKey(event: KeyboardEvent) {
    const step = { ArrowLeft: -0.02, ArrowRight: 0.02, Home: -1, End: 1 }[event.key]
    if (step === undefined) return
    event.preventDefault()
    event.stopPropagation()
    bench.wipeAt = Math.min(1, Math.max(0, bench.wipeAt + step))
  }

  return { startWipe, moveWipe, endWipe, wipeKey }
}
