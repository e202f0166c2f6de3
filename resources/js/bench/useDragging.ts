import { nextTick } from 'vue'
import { written, type Matrix } from './geometry'

/** Moves the drawn pieces themselves while a drag lasts: nothing is computed or rendered anew until it is let go. */
export function useDragging() {
  let moved: Element[] = []
  let frame = 0

  function begin(root: Element | null, ids: Iterable<string>) {
    const wanted = new Set(ids)
    moved = [...(root?.querySelectorAll('[data-move]') ?? [])].filter((element) => wanted.has(element.getAttribute('data-move')!))
    for (const element of moved) if (!element.hasAttribute('data-was')) element.setAttribute('data-was', element.getAttribute('transform') ?? '')
  }

  function show(matrix: Matrix) {
    cancelAnimationFrame(frame)
    frame = requestAnimationFrame(() => {
      const text = written(matrix)
      for (const element of moved) element.setAttribute('transform', `${text} ${element.getAttribute('data-was')}`.trim())
    })
  }

  async function end() {
    await nextTick()
    cancelAnimationFrame(frame)
    for (const element of moved) {
      const was = element.getAttribute('data-was')
      if (was) element.setAttribute('transform', was)
      else element.removeAttribute('transform')
      element.removeAttribute('data-was')
    }
    moved = []
  }

  /** Keeps what is seen where it was let go until the answer is drawn. */
  async function settle(work: Promise<unknown>) {
    try {
      await work
    } finally {
      await end()
    }
  }

  return { begin, show, end, settle }
}
