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
  /** What waits to be kept: whose, and how many steps across and down. */
  let waits: { pieces: string[]; node: string | null; nodes: [number, number][]; x: number; y: number } | null = null
  /** What of these pieces is seen moved: what was kept and has no answer yet, mm, and what waits on top of it. */
  let hand: { pieces: string; dragging: ReturnType<typeof useDragging>; flying: number; x: number; y: number } | null = null
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
        if (hand?.pieces !== pieces.join(' ')) {
          hand = { pieces: pieces.join(' '), dragging: useDragging(tools.scale), flying: 0, x: 0, y: 0 }
          hand.dragging.begin(surface.value, pieces)
        }
      }
    }
    waits.x += x
    waits.y += y
    const mm = step()
    if (mm !== null) {
      if (node === null) hand!.dragging.show(seen())
      else tools.nudged(waits.nodes, waits.x * mm, waits.y * mm)
    }
    window.clearTimeout(timer)
    timer = window.setTimeout(keep, SETTLES)
    return true
  }

  function seen() {
    const mm = step() ?? 0
    return translation(hand!.x + (waits?.x ?? 0) * mm, hand!.y + (waits?.y ?? 0) * mm)
  }

  /** The answer to what was kept is drawn: what was pressed since stays where it is seen. */
  async function settle(work: (taken: () => void) => Promise<unknown>, mine: NonNullable<typeof hand>, x: number, y: number) {
    mine.flying++
    mine.x += x
    mine.y += y
    await mine.dragging.settle(work)
    mine.flying--
    mine.x -= x
    mine.y -= y
    if (mine === hand && !waits && mine.flying === 0) hand = null
    if (!hand) return
    if (hand !== mine) await hand.dragging.end()
    hand.dragging.begin(surface.value, hand.pieces.split(' '))
    hand.dragging.show(seen(), true)
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
    const kept = (taken: () => void) => bench.draw({ kind: 'move', pieces: now.pieces, x: typed(now.x), y: typed(now.y) }, false, taken).then((done) => {
      if (done && before && bench.detail) draw.moved(between(before, bench.detail.frame), now.pieces, version, bench.job!.version)
    })
    const mm = step() ?? 0
    if (hand) void settle(kept, hand, now.x * mm, now.y * mm)
    else void kept(() => {})
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
