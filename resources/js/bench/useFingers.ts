import { ref } from 'vue'

/** So long a finger rests before it asks what can be done here, ms. */
const LONG = 550
/** px that a resting finger may wander. */
const STILL = 9

/**
 * Fingers on the bench: the first works as a hand does; a second takes back what the first began, and together they move and zoom; until all are off again
 * none of them works. One that rests opens the menu.
 */
export function useFingers(cancel: () => unknown, menu: (event: PointerEvent) => unknown) {
  const down = new Map<number, { x: number; y: number }>()
  const fingers = ref(0)
  let spoilt = false
  let timer = 0
  const rest = () => window.clearTimeout(timer)

  /** @returns whether the press is for the tool in hand */
  function fingerDown(event: PointerEvent): boolean {
    if (event.pointerType === 'mouse') return true
    down.set(event.pointerId, { x: event.clientX, y: event.clientY })
    fingers.value = down.size
    rest()
    if (down.size > 1) {
      spoilt = true
      cancel()
      return false
    }
    spoilt = false
    timer = window.setTimeout(() => {
      spoilt = true
      cancel()
      menu(event)
    }, LONG)
    return true
  }
  function fingerMove(event: PointerEvent) {
    const from = down.get(event.pointerId)
    if (from && Math.hypot(event.clientX - from.x, event.clientY - from.y) > STILL) rest()
  }
  /** @returns whether what the finger did counts */
  function fingerUp(event: PointerEvent): boolean {
    if (event.pointerType === 'mouse') return true
    rest()
    down.delete(event.pointerId)
    fingers.value = down.size
    return !spoilt
  }

  return { fingers, fingerDown, fingerMove, fingerUp }
}
