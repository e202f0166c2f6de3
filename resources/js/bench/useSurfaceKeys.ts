import { useBench } from '@/stores/bench'
import { useDraw } from '@/stores/draw'
import { useEventListener } from '@vueuse/core'
import type { Ref } from 'vue'
import { between } from './geometry'
import { isTyping, type usePanZoom } from './usePanZoom'
import type { useTools } from './useTools'

/** Keys of the bench itself: looking closer, nudging, choosing the next, ending what is drawn. */
export function useSurfaceKeys(drawing: Ref<boolean>, tools: ReturnType<typeof useTools>, pan: ReturnType<typeof usePanZoom>) {
  const bench = useBench()
  const draw = useDraw()
  /** Arrows nudge what is chosen, nodes or pieces, by the typed step; with nothing chosen they move over the bench. */
  function arrow(x: number, y: number, event: KeyboardEvent) {
    const times = event.shiftKey ? 10 : 1
    const by = (way: number) => `(${draw.nudge || '1mm'}) * ${way * times}`
    if (drawing.value && draw.tool === 'nodes' && draw.nodes.size > 0 && tools.one.value) {
      bench.draw({ kind: 'move-nodes', piece: tools.one.value.id, nodes: tools.chosenNodes(), x: by(x), y: by(y) })
    } else if (drawing.value && bench.chosen.size > 0) {
      const before = bench.detail?.frame
      const [pieces, version] = [[...bench.chosen], bench.job!.version]
      bench.draw({ kind: 'move', pieces: [...bench.chosen], x: by(x), y: by(y) }).then((done) => {
        if (done && before && bench.detail) draw.moved(between(before, bench.detail.frame), pieces, version, bench.job!.version)
      })
    }
    else pan.panBy(-60 * x, -60 * y)
  }
  /** The piece, or in the nodes tool the node, before or after the chosen one. */
  function stepChoice(by: number) {
    const piece = tools.one.value
    if (draw.tool === 'nodes' && piece?.editable) {
      const all = piece.contours.flatMap((contour, k) => Array.from({ length: (contour.coords.length - 2) / 6 + (contour.closed ? 0 : 1) }, (_, i) => `${k} ${i}`))
      const at = all.findIndex((one) => draw.nodes.has(one))
      draw.nodes = new Set([all[(at + by + all.length) % all.length]!])
      return
    }
    const all = bench.art?.pieces.filter(bench.touchable) ?? []
    if (all.length === 0) return
    const at = all.findIndex((one) => bench.chosen.has(one.id))
    bench.choose(all[(at + by + all.length) % all.length]!.id, false, true)
  }

  useEventListener(window, 'keydown', (event: KeyboardEvent) => {
    if (event.key === 'Escape' && !isTyping(event) && drawing.value && tools.cancel()) {
      event.stopImmediatePropagation()
      return
    }
    if (isTyping(event) || event.ctrlKey || event.metaKey || event.altKey) return
    const act: Record<string, () => void> = {
      '+': pan.zoomIn,
      '=': pan.zoomIn,
      '-': pan.zoomOut,
      '0': pan.fit,
      ArrowLeft: () => arrow(-1, 0, event),
      ArrowRight: () => arrow(1, 0, event),
      ArrowUp: () => arrow(0, -1, event),
      ArrowDown: () => arrow(0, 1, event),
    }
    if (drawing.value) {
      act.Enter = () => (draw.tool === 'shape' ? tools.addShape() : draw.tool === 'text' ? tools.addText() : tools.endCurve())
      act['['] = () => stepChoice(-1)
      act[']'] = () => stepChoice(1)
    }
    const doIt = act[event.key]
    if (doIt) {
      event.preventDefault()
      doIt()
    }
  })
}
