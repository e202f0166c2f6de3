<script setup lang="ts">
import { useDraw } from '@/stores/draw'
import { computed } from 'vue'
import ChosenMarks from './ChosenMarks.vue'
import GradientEnds from './GradientEnds.vue'
import LiveKnobs from './LiveKnobs.vue'
import StopKnobs from './StopKnobs.vue'
import { applied, type Point } from './geometry'
import { knobs, type useTools } from './useTools'

/** What is drawn over the art while it is edited: frame and knobs, nodes and handles, drafts and numbers. Sizes are px at any zoom. */
const props = defineProps<{ tools: ReturnType<typeof useTools>; scale: number; left: number; top: number; caught: { x: number; y: number; name: string } | null }>()
const draw = useDraw()
const tools = props.tools

/** mm of the soft brush; one that is typed in another unit is shown once it is drawn. */
const brush = computed(() => Number.parseFloat(String(draw.soft['paint-clip']?.width ?? 8)) || 8)
const px = (p: Point): Point => ({ x: props.left + p.x * props.scale, y: props.top + p.y * props.scale })
const place = computed(() => `translate(${props.left} ${props.top}) scale(${props.scale})`)
const framed = computed(() => draw.tool === 'arrange' && tools.showing.value && tools.frame.value !== null)
const corners = computed(() => {
  const frame = tools.frame.value
  if (!frame) return []
  // On a small piece they stand off, so that the piece itself can be taken.
  const off = (size: number) => Math.max(0, ROOM / props.scale - size) / 2
  const [x, y] = [off(frame.box.width), off(frame.box.height)]
  const at = (fx: number, fy: number) => px(applied(frame.turn, { x: frame.box.left - x + fx * (frame.box.width + 2 * x), y: frame.box.top - y + fy * (frame.box.height + 2 * y) }))
  return knobs.map((knob) => ({ knob, at: at(knob.fx, knob.fy) }))
})
/** px between the knobs of either side, at least: what is smaller could not be taken between them. */
const ROOM = 52
/** px round the middle of a knob that count as it: more under a finger. */
const reach = computed(() => (draw.byTouch ? 22 : 12))
const outline = computed(() => corners.value.filter(({ knob }) => knob.fx !== 0.5 && knob.fy !== 0.5).map(({ at }) => `${at.x},${at.y}`).join(' '))
const stalk = computed(() => {
  const [top, bottom] = [corners.value.find(({ knob }) => knob.name === 'top')?.at, corners.value.find(({ knob }) => knob.name === 'bottom')?.at]
  if (!top || !bottom) return null
  const long = Math.hypot(top.x - bottom.x, top.y - bottom.y) || 1
  const [x, y] = long > 1 ? [(top.x - bottom.x) / long, (top.y - bottom.y) / long] : [0, -1]
  return { from: top, to: { x: top.x + 26 * x, y: top.y + 26 * y } }
})

/** The place that a piece turns about has its grip outside the frame, under it: what lies there is taken by its middle. */
const grip = computed(() => {
  const [bottom, top] = [corners.value.find(({ knob }) => knob.name === 'bottom')?.at, corners.value.find(({ knob }) => knob.name === 'top')?.at]
  if (!tools.pivot.value || !bottom || !top) return null
  const at = px(tools.pivot.value)
  const long = Math.hypot(bottom.x - top.x, bottom.y - top.y) || 1
  const way = { x: (bottom.x - top.x) / long, y: (bottom.y - top.y) / long }
  // Past the lower edge, wherever along it the place lies.
  const far = Math.max(0, (bottom.x - at.x) * way.x + (bottom.y - at.y) * way.y) + 26
  return { at, to: { x: at.x + far * way.x, y: at.y + far * way.y } }
})

interface ShownNode {
  k: number
  i: number
  at: Point
  kind: string
  on: boolean
  handles: { at: Point; out: boolean }[]
}
const nodes = computed<ShownNode[]>(() => {
  if (draw.tool !== 'nodes') return []
  const out: ShownNode[] = []
  for (const [k, contour] of tools.contours.value.entries()) {
    const c = contour.coords
    const n = (c.length - 2) / 6
    const count = n + (contour.closed ? 0 : 1)
    if (out.length + count > 3000) break
    for (let i = 0; i < count; i++) {
      const at = { x: c[6 * i]!, y: c[6 * i + 1]! }
      const on = draw.nodes.has(`${k} ${i}`)
      const into = i > 0 ? i - 1 : contour.closed ? n - 1 : -1
      const handles: { at: Point; out: boolean }[] = []
      // Handles show at chosen nodes and their neighbours, so that a dense outline stays clear.
      const near = on || draw.nodes.has(`${k} ${(i + 1) % count}`) || draw.nodes.has(`${k} ${(i + count - 1) % count}`) || draw.segment === `${k} ${i}` || draw.segment === `${k} ${into}` || count <= 12
      if (near) {
        const add = (at: number, isOut: boolean) => {
          const h = { x: c[at]!, y: c[at + 1]! }
          if (Math.hypot(h.x - c[6 * i]!, h.y - c[6 * i + 1]!) > 1e-6) handles.push({ at: px(h), out: isOut })
        }
        if (i < n) add(6 * i + 2, true)
        if (into >= 0) add(6 * into + 4, false)
      }
      out.push({ k, i, at: px(at), kind: contour.kinds[i] ?? 'corner', on, handles })
    }
  }
  return out
})

/** The side of an outline that is chosen. */
const segment = computed(() => {
  if (draw.tool !== 'nodes' || !draw.segment) return ''
  const [k, i] = draw.segment.split(' ').map(Number) as [number, number]
  const c = tools.contours.value[k]?.coords
  return c && c[6 * i + 7] !== undefined ? `M${c[6 * i]} ${c[6 * i + 1]}C${c.slice(6 * i + 2, 6 * i + 8).join(' ')}` : ''
})

const label = computed(() => (tools.said.value ? px(tools.said.value.at) : null))
</script>

<template>
  <g class="edit">
    <g :transform="place">
      <ChosenMarks :hide="!tools.showing.value" />
      <path v-if="tools.tryPath.value !== null" class="try" :d="tools.tryPath.value" />
      <path v-if="tools.draft.value && draw.tool === 'paint'" class="broad" :d="tools.draft.value" :stroke-width="brush" />
      <path v-else-if="tools.draft.value" class="draft" :d="tools.draft.value" />
      <path v-for="d in tools.pending.value" :key="d" class="draft" :d="d" />
      <path v-if="segment" class="side" :d="segment" data-test="side" />
      <path v-if="tools.rubber.value" class="draft loose" :d="tools.rubber.value" />
      <rect v-if="tools.box.value" class="box" :x="tools.box.value.left" :y="tools.box.value.top" :width="tools.box.value.width" :height="tools.box.value.height" />
      <line v-if="draw.marks" class="measure" :x1="draw.marks[0]" :y1="draw.marks[1]" :x2="draw.marks[2]" :y2="draw.marks[3]" />
    </g>
    <LiveKnobs :tools="tools" :left="left" :top="top" :scale="scale" wide />
    <template v-if="framed">
      <polygon class="frame" :points="outline" />
      <template v-if="stalk">
        <line class="frame" :x1="stalk.from.x" :y1="stalk.from.y" :x2="stalk.to.x" :y2="stalk.to.y" />
        <g class="knob turn" data-knob="turn" @pointerdown="tools.grabKnob($event, { name: 'turn', fx: 0.5, fy: 0, turns: true })" @click.stop><title>Turn: drag; Shift holds 15°</title><circle class="hit" :cx="stalk.to.x" :cy="stalk.to.y" :r="reach" /><circle :cx="stalk.to.x" :cy="stalk.to.y" r="6" /></g>
      </template>
      <g v-for="{ knob, at } in corners" :key="knob.name" class="knob" :data-knob="knob.name" @pointerdown="tools.grabKnob($event, knob)" @click.stop>
        <title>Size: drag; Shift keeps the ratio, Alt from the middle</title>
        <circle class="hit" :cx="at.x" :cy="at.y" :r="reach" />
        <path :d="`M${at.x - 6} ${at.y}L${at.x} ${at.y - 6}L${at.x + 6} ${at.y}L${at.x} ${at.y + 6}Z`" />
      </g>
    </template>
    <template v-if="framed && grip">
      <g class="pivot" :transform="`translate(${grip.at.x} ${grip.at.y})`"><path d="M-6 0H6M0 -6V6" /><circle r="3" /></g>
      <line class="frame thread" :x1="grip.at.x" :y1="grip.at.y" :x2="grip.to.x" :y2="grip.to.y" />
      <g class="pivot grip" data-knob="pivot" :transform="`translate(${grip.to.x} ${grip.to.y})`" @pointerdown="tools.grabPivot" @click.stop><title>Moves the place that it turns about; a double press takes it back to the middle</title><circle :r="reach" class="hit" /><circle r="6" /><path d="M-3.5 0H3.5M0 -3.5V3.5" /></g>
    </template>
    <LiveKnobs :tools="tools" :left="left" :top="top" :scale="scale" :frame="corners.map(({ at }) => at)" />
    <StopKnobs v-if="draw.tool === 'arrange' && tools.showing.value && tools.one.value?.rail.length" :tools="tools" :scale="scale" :left="left" :top="top" />
    <GradientEnds :tools="tools" :left="left" :top="top" :scale="scale" />
    <g v-for="node in nodes" :key="`${node.k} ${node.i}`">
      <template v-for="handle in node.handles" :key="String(handle.out)">
        <line class="handle" :x1="node.at.x" :y1="node.at.y" :x2="handle.at.x" :y2="handle.at.y" />
        <circle class="handle" :cx="handle.at.x" :cy="handle.at.y" r="4.5" :data-handle="`${node.k} ${node.i} ${handle.out ? 'out' : 'in'}`" @pointerdown="tools.grabHandle($event, node.k, node.i, handle.out)" @click.stop />
      </template>
      <path
        :class="['node', { on: node.on }]"
        :data-node="`${node.k} ${node.i}`"
        :d="node.kind === 'corner' ? `M${node.at.x - 6} ${node.at.y + 5}L${node.at.x} ${node.at.y - 6}L${node.at.x + 6} ${node.at.y + 5}Z` : `M${node.at.x - 5.5} ${node.at.y}a5.5 5.5 0 1 0 11 0a5.5 5.5 0 1 0 -11 0Z`"
        @pointerdown="tools.grabNode($event, node.k, node.i)"
        @click.stop
      />
      <circle v-if="draw.byTouch" class="hit" :cx="node.at.x" :cy="node.at.y" :r="reach" @pointerdown="tools.grabNode($event, node.k, node.i)" @click.stop />
      <circle v-if="node.kind === 'even'" class="even" :cx="node.at.x" :cy="node.at.y" r="1.8" />
    </g>
    <circle v-if="tools.curve.value?.first" class="first" :cx="px(tools.curve.value.first).x" :cy="px(tools.curve.value.first).y" r="7" />
    <g v-if="caught" class="caught">
      <circle :cx="px(caught).x" :cy="px(caught).y" r="7" />
      <text :x="px(caught).x + 12" :y="px(caught).y - 10" data-test="caught">{{ caught.name }}</text>
    </g>
    <g v-if="label && tools.said.value" class="said" :transform="`translate(${label.x + 16} ${label.y + 26})`">
      <text data-test="said">{{ tools.said.value.text }}</text>
    </g>
  </g>
</template>

<style scoped>
.knob, .grip, .node, circle.handle { pointer-events: auto; }
.thread { stroke-dasharray: 2 3; }
.try { fill: color-mix(in srgb, var(--green) 14%, transparent); stroke: var(--green); stroke-width: 2; vector-effect: non-scaling-stroke; pointer-events: none; }
.draft { fill: none; stroke: var(--green); stroke-width: 2; vector-effect: non-scaling-stroke; pointer-events: none; }
.broad { fill: none; stroke: var(--green); stroke-opacity: .35; stroke-linecap: round; stroke-linejoin: round; pointer-events: none; }
.draft.loose { stroke-dasharray: 3 4; }
.box { fill: color-mix(in srgb, var(--green) 10%, transparent); stroke: var(--green); stroke-width: 1.5; vector-effect: non-scaling-stroke; pointer-events: none; }
.measure { stroke: var(--coral); stroke-width: 2.5; vector-effect: non-scaling-stroke; pointer-events: none; }
.frame { fill: none; stroke: var(--green); stroke-width: 1; pointer-events: none; }
.hit { fill: transparent !important; stroke: none !important; pointer-events: auto; }
.knob { fill: var(--sheet); stroke: var(--green); stroke-width: 1.6; cursor: grab; }
.knob:hover { fill: var(--green-pale); }
.pivot { pointer-events: none; }
.pivot.grip { cursor: move; pointer-events: auto; }
.pivot path { stroke: var(--green); stroke-width: 1.2; }
.pivot circle { fill: var(--sheet); stroke: var(--green); stroke-width: 1.2; }
.side { fill: none; stroke: var(--coral); stroke-width: 3.5; stroke-linecap: round; vector-effect: non-scaling-stroke; pointer-events: none; }
.node { fill: var(--sheet); stroke: var(--ink); stroke-width: 1.5; cursor: grab; }
.node.on { fill: var(--green); stroke: var(--green-deep); }
.even { fill: var(--ink); pointer-events: none; }
.node.on + .even { fill: var(--sheet); }
line.handle { stroke: var(--ink-mid); stroke-width: 1; pointer-events: none; }
circle.handle { fill: var(--ink-mid); stroke: var(--sheet); stroke-width: 1.5; cursor: grab; }
.first { fill: none; stroke: var(--green); stroke-width: 2; pointer-events: none; }
.caught circle { fill: none; stroke: var(--coral); stroke-width: 2; pointer-events: none; }
.caught text, .said text { font: 500 15px var(--text-face); fill: var(--ink); paint-order: stroke; stroke: var(--sheet); stroke-width: 4; pointer-events: none; font-variant-numeric: tabular-nums; }
.caught text { fill: var(--coral-deep); }
</style>
