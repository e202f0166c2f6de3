import { t } from '@/words/words'
import { useKeyActs, usePlainKeys } from '@/keys/useKeys'
import { useBench } from '@/stores/bench'
import { useDraw } from '@/stores/draw'
import type { Ref } from 'vue'
import { useNudge } from './useNudge'
import type { usePanZoom } from './usePanZoom'
import type { useTools } from './useTools'

/** Keys of the bench itself: looking closer, nudging, choosing the next, ending what is drawn. */
export function useSurfaceKeys(surface: Ref<HTMLElement | null>, drawing: Ref<boolean>, tools: ReturnType<typeof useTools>, pan: ReturnType<typeof usePanZoom>) {
  const bench = useBench()
  const draw = useDraw()
  const nudge = useNudge(surface, tools)

  /** Arrows nudge what is chosen, nodes or pieces, by the typed step; with nothing chosen they move over the bench. */
  const arrow = (x: number, y: number) => (event: KeyboardEvent) => {
    const times = event.shiftKey ? 10 : 1
    if (!drawing.value || !nudge.by(x * times, y * times)) pan.panBy(-60 * x, -60 * y)
  }
  /** The piece, or in the nodes tool the node, before or after the chosen one. */
  function stepChoice(by: number) {
    if (!drawing.value) return false
    const piece = tools.one.value
    if (draw.tool === 'nodes' && piece?.editable) {
      const all = piece.contours.flatMap((contour, k) => Array.from({ length: (contour.coords.length - 2) / 6 + (contour.closed ? 0 : 1) }, (_, i) => `${k} ${i}`))
      const at = all.findIndex((one) => draw.nodes.has(one))
      draw.nodes = new Set([all[(at + by + all.length) % all.length]!])
      return undefined
    }
    const all = bench.art?.pieces.filter(bench.touchable) ?? []
    if (all.length === 0) return t('There is no piece to choose yet.')
    const at = all.findIndex((one) => bench.chosen.has(one.id))
    bench.choose(all[(at + by + all.length) % all.length]!.id, false, true)
    return undefined
  }
  function look() {
    const frame = tools.outline()
    if (!frame) return t('Choose what is to be looked at first.')
    return pan.lookAt({ left: frame.left, top: frame.top, right: frame.left + frame.width, bottom: frame.top + frame.height }, 0.5)
  }
  /** The menu at what is chosen, or in the middle of what is seen of the bench. */
  function menu() {
    if (!drawing.value || !surface.value) return false
    const box = surface.value.getBoundingClientRect()
    const frame = tools.outline()
    const at = frame ? { x: pan.left.value + (frame.left + frame.width / 2) * pan.scale.value, y: pan.top.value + (frame.top + frame.height / 2) * pan.scale.value } : { x: box.width / 2, y: box.height / 2 }
    tools.menu.value = { x: box.left + Math.max(0, Math.min(at.x, box.width)), y: box.top + Math.max(0, Math.min(at.y, box.height)), under: [] }
    return undefined
  }
  function enter() {
    if (!drawing.value) return false
    if (draw.tool === 'shape') return void tools.addShape()
    if (draw.tool === 'text') return void tools.addText()
    return tools.curve.value ? tools.endCurve() : false
  }

  useKeyActs({ 'zoom-in': () => pan.zoomIn(), 'zoom-out': () => pan.zoomOut(), 'fit': () => pan.fit(), 'look': look, 'menu': menu, 'step-back': () => stepChoice(-1), 'step-on': () => stepChoice(1) })
  usePlainKeys({
    Esc: () => (drawing.value && tools.cancel() ? undefined : false),
    Enter: enter,
    Left: arrow(-1, 0),
    Right: arrow(1, 0),
    Up: arrow(0, -1),
    Down: arrow(0, 1),
  })
}
