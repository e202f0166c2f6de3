import { t } from '@/words/words'
import { useBench } from '@/stores/bench'
import { useDraw } from '@/stores/draw'
import { api } from '@/api/client'
import { mmPer } from '@/units'
import { useEventListener } from '@vueuse/core'
import { onUnmounted, type Ref } from 'vue'
import { between, translation } from './geometry'
import { useDragging } from './useDragging'
import type { useTools } from './useTools'

/** So long after the last press of an arrow what was nudged is kept, ms: as one change, however often it was pressed. */
const SETTLES = 280

/** What is chosen follows each press of an arrow at once; what is asked of the core is asked when the presses are over. */
export function useNudge(surface: Ref<HTMLElement | null>, tools: ReturnType<typeof useTools>) {
  const bench = useBench()
  const draw = useDraw()
  const dragging = useDragging(tools.scale)
  /** What waits to be kept: whose, and how many steps across and down. */
  let waits: { pieces: string[]; node: string | null; nodes: [number, number][]; x: number; y: number } | null = null
  let timer = 0
  /** mm of one step, once the core has read it; what cannot be read here is shown when it is kept. */
  const read = new Map<string, number>()
  function step(): number | null {
    const text = (draw.nudge || '1mm').trim()
    const plain = /^(\d+(?:[.,]\d+)?)\s*(mm|cm|in|pt|px)?$/.exec(text)
    const unit = bench.job?.unit ?? 'mm'
    if (plain) return Number(plain[1]!.replace(',', '.')) * mmPer[(plain[2] ?? unit) as typeof unit]!
    if (!read.has(text)) void api.post<{ mm: number }>('length', { text, unit, of: null, any: true, label: t('Nudge'), least: 0, most: 1e5 }).then(({ mm }) => read.set(text, mm), () => {})
    return read.get(text) ?? null
  }

  /** @returns whether there is anything to nudge */
  function by(x: number, y: number): boolean {
    const nodes = draw.tool === 'nodes' && draw.nodes.size > 0 && tools.one.value ? tools.chosenNodes() : []
    const node = nodes.length > 0 ? tools.one.value!.id : null
    if (node === null && bench.chosen.size === 0) return false
    const pieces = [...bench.chosen]
    if (waits && (waits.node !== node || waits.pieces.join(' ') !== pieces.join(' ') || waits.nodes.join(' ') !== nodes.join(' '))) keep()
    if (!waits) {
      waits = { pieces, node, nodes, x: 0, y: 0 }
      if (node === null) {
        tools.showing.value = false
        dragging.begin(surface.value, new Set(pieces))
      }
    }
    waits.x += x
    waits.y += y
    const mm = step()
    if (mm !== null) {
      if (node === null) dragging.show(translation(waits.x * mm, waits.y * mm))
      else tools.nudged(waits.nodes, waits.x * mm, waits.y * mm)
    }
    window.clearTimeout(timer)
    timer = window.setTimeout(keep, SETTLES)
    return true
  }

  /** What waits is kept, as one change. */
  function keep() {
    window.clearTimeout(timer)
    const now = waits
    waits = null
    if (!now) return
    const typed = (steps: number) => `(${draw.nudge || '1mm'}) * ${steps}`
    if (now.node !== null) return void tools.keepNudged({ kind: 'move-nodes', piece: now.node, nodes: now.nodes, x: typed(now.x), y: typed(now.y) })
    const before = bench.detail?.frame
    const version = bench.job!.version
    const kept = bench.draw({ kind: 'move', pieces: now.pieces, x: typed(now.x), y: typed(now.y) }).then((done) => {
      if (done && before && bench.detail) draw.moved(between(before, bench.detail.frame), now.pieces, version, bench.job!.version)
    })
    void dragging.settle(kept)
    tools.showing.value = true
  }
  // Whatever comes next comes after it.
  useEventListener(window, 'pointerdown', keep, { capture: true })
  useEventListener(window, 'keydown', (event: KeyboardEvent) => {
    if (!event.key.startsWith('Arrow') && event.key !== 'Shift') keep()
  }, { capture: true })
  useEventListener(window, 'pagehide', keep)
  onUnmounted(keep)

  return { by, keep }
}
