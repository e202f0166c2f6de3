import { nextTick, type Ref } from 'vue'
import { written, type Matrix } from './geometry'

/** From this many pieces on, what is dragged is lifted onto a sheet of its own, so that the rest is not painted anew with every step. */
const MANY = 400

/** Moves the drawn pieces themselves while a drag lasts: nothing is computed or rendered anew until it is let go. */
export function useDragging(scale: Ref<number>) {
  let moved: SVGElement[] = []
  let sheet: SVGSVGElement | null = null
  let frame = 0

  function begin(root: Element | null, ids: Iterable<string>) {
    const wanted = new Set(ids)
    const all = [...(root?.querySelectorAll<SVGElement>('[data-move]') ?? [])]
    moved = all.filter((element) => wanted.has(element.getAttribute('data-move')!))
    for (const element of moved) if (!element.hasAttribute('data-was')) element.setAttribute('data-was', element.getAttribute('transform') ?? '')
    const lift = root?.querySelector<SVGSVGElement>('[data-lift]') ?? null
    if (lift && all.length > MANY && moved.length < all.length / 2) {
      sheet = lift
      for (const element of moved) {
        lift.firstElementChild!.append(element.cloneNode(true))
        element.style.display = 'none'
      }
    }
  }

  /** @param  now  before the picture that is next, not within it */
  function show(matrix: Matrix, now = false) {
    cancelAnimationFrame(frame)
    const draw = () => {
      const text = written(matrix)
      if (sheet) {
        const only = matrix[0] === 1 && matrix[1] === 0 && matrix[2] === 0 && matrix[3] === 1
        sheet.style.transform = only ? `translate(${matrix[4] * scale.value}px, ${matrix[5] * scale.value}px)` : ''
        if (!only) for (const element of sheet.firstElementChild!.children) element.setAttribute('transform', `${text} ${element.getAttribute('data-was') ?? ''}`.trim())
        return
      }
      for (const element of moved) element.setAttribute('transform', `${text} ${element.getAttribute('data-was')}`.trim())
    }
    if (now) draw()
    else frame = requestAnimationFrame(draw)
  }

  async function end() {
    await nextTick()
    cancelAnimationFrame(frame)
    for (const element of moved) {
      const was = element.getAttribute('data-was')
      if (was) element.setAttribute('transform', was)
      else element.removeAttribute('transform')
      element.removeAttribute('data-was')
      element.style.display = ''
    }
    moved = []
    if (sheet) {
      sheet.firstElementChild!.replaceChildren()
      sheet.style.transform = ''
      sheet = null
    }
  }

  /** Keeps what is seen where it was let go until the answer is drawn: with the picture that has it where it belongs now, not one later. */
  async function settle(work: (taken: () => void) => Promise<unknown>) {
    await new Promise<void>((taken) => void work(taken).then(() => taken(), () => taken()))
    await end()
  }

  return { begin, show, end, settle }
}
