import { t } from '@/words/words'
import type { FieldValue } from '@/api/types'
import { combined, type Matrix } from '@/bench/geometry'
import { defineStore } from 'pinia'
import { reactive, ref, shallowRef } from 'vue'

export type Tool = 'arrange' | 'nodes' | 'shape' | 'curve' | 'brush' | 'text' | 'paint' | 'pick' | 'measure'

export interface ToolWords {
  tool: Tool
  key: string
  label: string
  says: string
}

/** The tools of the Draw stage, each with a key of ours. */
export const tools: ToolWords[] = [
  { tool: 'arrange', key: 'q', label: t('Arrange'), says: t('Press a piece to choose it; drag to move, drag a knob to size or turn.') },
  { tool: 'nodes', key: 'd', label: t('Nodes'), says: t('Drag nodes, handles or the line itself; double press adds a node.') },
  { tool: 'shape', key: 'h', label: t('Shapes'), says: t('Drag from corner to corner; a double press lays one of the size below. Shift: equal sides. Alt: from the middle.') },
  { tool: 'curve', key: 'c', label: t('Curve'), says: t('Press for a corner, drag for a smooth node. Shift holds the angle. Press the first node to close; Enter ends.') },
  { tool: 'brush', key: 'f', label: t('Brush line'), says: t('Draw with the button down; the line is smoothed when you let go.') },
  { tool: 'text', key: 'l', label: t('Letters'), says: t('Press where the text begins and type on the art. Enter keeps it, Shift Enter begins a line.') },
  { tool: 'paint', key: 'y', label: t('Soft brush'), says: t('Paint away what is not to be seen of the chosen pieces, or bring it back. Each stroke stays a line of its own.') },
  { tool: 'pick', key: 'k', label: t('Pick colour'), says: t('Press a piece to take its colour for what is chosen.') },
]

export const useDraw = defineStore('draw', () => {
  const tool = ref<Tool>('arrange')
  const shape = ref('rectangle')
  const shapeValues = reactive<Record<string, Record<string, FieldValue>>>({})
  const fill = ref('#1f6f8b')
  const line = ref('none')
  const lineWidth = ref(1)
  const side = ref('centre')
  /** Where a turn is about, once it was moved off the middle; and whether sizes count strokes. */
  const pivot = ref<{ x: number; y: number } | null>(null)
  const outer = ref(false)
  /** Whether the next text stands on the line that is pressed. */
  const onLine = ref(false)
  /** The text that is being typed on the art. */
  const typing = ref<string | null>(null)
  /** Where a new text is being typed that nobody has kept yet, and the edit that lays it. */
  const opening = shallowRef<{ x: number; y: number; edit: Record<string, unknown> } | null>(null)
  const brushWidth = ref(2)
  /** The soft brush, and what the forms of soft looks say, by kind of edit. */
  const soft = reactive<Record<string, Record<string, FieldValue>>>({ 'paint-clip': { does: 'takes', width: 8, hardness: 0, strength: 100 }, 'soft-clip': { edge: 2 }, 'fade': {}, 'harden': {} })
  /** Whether a pen that tells how it is pressed sets the width of a brush line. */
  const byPressure = ref(true)
  const profile = ref('fold')
  const smoothing = ref(0.4)
  const layer = ref('')
  const text = reactive({ text: 'Lantern', family: 'Fraunces', bold: false, italic: false, size: 14, capitals: null as number | null, spacing: 0, align: 'start' })
  /** Whether presses add to what is chosen, as with Shift: for hands without a keyboard. */
  const adding = ref(false)
  /** Whether the last press was a finger's: what is pressed is larger then. */
  const byTouch = ref(false)
  const nudge = ref('1mm')
  const strokesScale = ref(true)
  const keepRatio = ref(false)
  const snap = reactive({ on: true, nodes: true, midpoints: true, centres: true, crossings: true, edges: true, guides: true, grid: false })
  const grid = ref(10)
  /** Chosen nodes as "contour node". */
  const nodes = ref<Set<string>>(new Set())
  /** A chosen segment as "contour segment". */
  const segment = ref<string | null>(null)
  /** Both ends of a distance marked on the reference picture. */
  const marks = ref<[number, number, number, number] | null>(null)
  const lastTransform = ref<number[] | null>(null)
  /** Whose the last move was, and at which state of the job it ended: what follows on it at once belongs to it. */
  let ended = { of: '', version: -1 }
  const pane = ref<'tools' | 'pieces'>('tools')

  /** Notes a move, to be done again: one that follows at once on that of the same pieces - another value, one more step of an arrow - is a part of it. */
  function moved(matrix: number[], pieces: string[], before: number, after: number) {
    const of = [...pieces].sort().join(' ')
    lastTransform.value = lastTransform.value && ended.of === of && ended.version === before ? combined(matrix as Matrix, lastTransform.value as Matrix) : matrix
    ended = { of, version: after }
  }
  function use(next: Tool) {
    tool.value = next
    pane.value = 'tools'
    nodes.value = new Set()
    segment.value = null
    typing.value = opening.value = null
    if (next !== 'measure') marks.value = null
  }

  return { tool, shape, shapeValues, fill, line, lineWidth, side, pivot, outer, onLine, typing, opening, brushWidth, soft, profile, smoothing, layer, text, adding, byTouch, byPressure, nudge, strokesScale, keepRatio, snap, grid, nodes, segment, marks, lastTransform, moved, pane, use }
})
