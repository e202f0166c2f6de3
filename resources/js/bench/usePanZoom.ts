import { isTyping } from '@/keys/field'
import { useElementSize, useEventListener } from '@vueuse/core'
import { computed, ref, watch, type Ref } from 'vue'

/** Where the page of art lies on the screen: px per mm, and the screen place of its corner. */
export function usePanZoom(surface: Ref<HTMLElement | null>, size: Ref<{ width: number; height: number } | null>) {
  const { width, height } = useElementSize(surface)
  const scale = ref(1)
  const left = ref(0)
  const top = ref(0)
  const grabbing = ref(false)
  const spaceHeld = ref(false)
  let fitted = false

  const limits = computed(() => {
    const longest = Math.max(size.value?.width ?? 1, size.value?.height ?? 1)
    return { least: 20 / longest, most: 20_000 }
  })

  function fit() {
    if (!size.value || width.value < 10 || height.value < 10) return
    const margin = 36
    scale.value = Math.min((width.value - 2 * margin) / size.value.width, (height.value - 2 * margin) / size.value.height)
    left.value = (width.value - size.value.width * scale.value) / 2
    top.value = (height.value - size.value.height * scale.value) / 2
    fitted = true
  }

  function zoomAt(x: number, y: number, factor: number) {
    const next = Math.min(limits.value.most, Math.max(limits.value.least, scale.value * factor))
    left.value = x - ((x - left.value) * next) / scale.value
    top.value = y - ((y - top.value) * next) / scale.value
    scale.value = next
  }

  const zoomIn = () => zoomAt(width.value / 2, height.value / 2, 1.25)
  const zoomOut = () => zoomAt(width.value / 2, height.value / 2, 0.8)

  function panBy(dx: number, dy: number) {
    left.value += dx
    top.value += dy
  }

  /** Brings a box into view, whole, near enough to see it, and not nearer than so many mm across. */
  function lookAt(box: { left: number; top: number; right: number; bottom: number }, across = 12) {
    const close = Math.min(width.value / Math.max(across, 1.6 * (box.right - box.left)), height.value / Math.max(across, 1.6 * (box.bottom - box.top)))
    scale.value = Math.min(limits.value.most, Math.max(limits.value.least, close))
    left.value = width.value / 2 - ((box.left + box.right) / 2) * scale.value
    top.value = height.value / 2 - ((box.top + box.bottom) / 2) * scale.value
  }

  const view = () => ({ scale: scale.value, left: left.value, top: top.value })
  function goTo(to: { scale: number; left: number; top: number }) {
    ;[scale.value, left.value, top.value] = [to.scale, to.left, to.top]
  }

  // The wheel and a pinch must never scroll or zoom the page itself.
  useEventListener(
    surface,
    'wheel',
    (event: WheelEvent) => {
      event.preventDefault()
      const box = surface.value!.getBoundingClientRect()
      const speed = event.ctrlKey ? 0.01 : event.deltaMode === 1 ? 0.05 : 0.0016
      zoomAt(event.clientX - box.left, event.clientY - box.top, Math.exp(-event.deltaY * speed))
    },
    { passive: false },
  )

  const touches = new Map<number, { x: number; y: number }>()

  useEventListener(surface, 'pointerdown', (event: PointerEvent) => {
    if (event.pointerType === 'touch') touches.set(event.pointerId, { x: event.clientX, y: event.clientY })
    if (event.button === 1 || (event.button === 0 && spaceHeld.value)) {
      event.preventDefault()
      grabbing.value = true
      surface.value!.setPointerCapture(event.pointerId)
    }
  })
  useEventListener(surface, 'pointermove', (event: PointerEvent) => {
    if (touches.has(event.pointerId)) {
      const before = [...touches.values()]
      touches.set(event.pointerId, { x: event.clientX, y: event.clientY })
      const after = [...touches.values()]
      const [a, b] = before
      const [c, d] = after
      if (a && b && c && d) {
        const box = surface.value!.getBoundingClientRect()
        panBy((c.x + d.x - a.x - b.x) / 2, (c.y + d.y - a.y - b.y) / 2)
        const spread = Math.hypot(a.x - b.x, a.y - b.y)
        if (spread > 0) zoomAt((c.x + d.x) / 2 - box.left, (c.y + d.y) / 2 - box.top, Math.hypot(c.x - d.x, c.y - d.y) / spread)
      }
      return
    }
    if (grabbing.value) panBy(event.movementX, event.movementY)
  })
  for (const end of ['pointerup', 'pointercancel'] as const) {
    useEventListener(surface, end, (event: PointerEvent) => {
      touches.delete(event.pointerId)
      grabbing.value = false
    })
  }
  useEventListener(window, 'keydown', (event: KeyboardEvent) => {
    if (event.code === 'Space' && !isTyping(event)) {
      event.preventDefault()
      spaceHeld.value = true
    }
  })
  useEventListener(window, 'keyup', (event: KeyboardEvent) => {
    if (event.code === 'Space') spaceHeld.value = false
  })

  watch([width, height], () => {
    if (!fitted) fit()
  })
  watch(
    () => (size.value ? `${size.value.width} ${size.value.height}` : ''),
    () => fit(),
  )

  return { width, height, scale, left, top, grabbing, spaceHeld, fit, zoomIn, zoomOut, panBy, lookAt, view, goTo }
}
