import type { NodeContour, PieceDetail } from '@/api/types'
import { useBench } from '@/stores/bench'
import { inUnit } from '@/units'
import { computed, ref, shallowRef, type Ref } from 'vue'
import type { Box, Point } from './geometry'
import type { useSnap } from './useSnap'

export interface Drag {
  move: (at: Point, event: PointerEvent) => void
  end: (event: PointerEvent) => void
}

/** What every tool works with: the drag that is under way, where it began, and what is shown of it. Places are mm on the bench. */
export function useHand(surface: Ref<HTMLElement | null>, scale: Ref<number>, toBench: (event: { clientX: number; clientY: number }) => Point, snap: ReturnType<typeof useSnap>) {
  const bench = useBench()
  const said = ref<{ at: Point; text: string } | null>(null)
  const box = ref<Box | null>(null)
  const draft = ref('')
  /** Contours as they lie while nodes are dragged. */
  const dragged = shallowRef<NodeContour[] | null>(null)
  const tryPath = ref<string | null>(null)
  const hover = ref<Point>({ x: 0, y: 0 })
  const drag = shallowRef<Drag | null>(null)
  const start = ref<Point>({ x: 0, y: 0 })
  let startEvent: PointerEvent | null = null
  let lastPress = { x: 0, y: 0, time: 0 }
  let double = false

  const one = computed<PieceDetail | null>(() => (bench.detail?.details.length === 1 ? bench.detail.details[0]! : null))
  const contours = computed<NodeContour[]>(() => dragged.value ?? one.value?.contours ?? [])

  function begin(event: PointerEvent, next: Drag) {
    drag.value = next
    start.value = toBench(event)
    startEvent = event
    surface.value?.setPointerCapture(event.pointerId)
    // What lies under the pointer does not matter while something is dragged: among thousands it is costly to ask.
    surface.value?.classList.add('at-work')
  }

  function release(): Drag | null {
    const done = drag.value
    drag.value = null
    surface.value?.classList.remove('at-work')
    return done
  }

  /** A press begins: whether it follows another at once, on the same spot. */
  function pressed(event: PointerEvent) {
    startEvent = event
    double = performance.now() - lastPress.time < 450 && Math.hypot(event.clientX - lastPress.x, event.clientY - lastPress.y) < 4
  }
  /** It ends: one that was dragged is no half of a double press, nor is a third. */
  function lifted(event: PointerEvent) {
    const still = startEvent !== null && !far(event) && !double
    lastPress = { x: event.clientX, y: event.clientY, time: still ? performance.now() : 0 }
  }
  const again = () => double

  /** Whether the drag that is under way is that of this pointer. */
  const isHeldBy = (event: PointerEvent) => startEvent?.pointerId === event.pointerId

  const far = (event: PointerEvent) => startEvent !== null && Math.hypot(event.clientX - startEvent.clientX, event.clientY - startEvent.clientY) > 3
  const free = (event: PointerEvent) => event.ctrlKey || event.metaKey
  const tell = (at: Point, text: string) => (said.value = { at, text })
  const size = (mm: number) => inUnit(mm, bench.job?.unit ?? 'mm')

  return { surface, scale, toBench, snap, said, box, draft, dragged, tryPath, hover, drag, start, one, contours, begin, release, pressed, lifted, again, isHeldBy, far, free, tell, size }
}

export type Hand = ReturnType<typeof useHand>
