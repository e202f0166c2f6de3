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

const px = (p: Point): Point => ({ x: props.left + p.x * props.scale, y: props.top + p.y * props.scale })
const place = computed(() => `translate(${props.left} ${props.top}) scale(${props.scale})`)
const framed = computed(() => draw.tool === 'arrange' && tools.showing.value && tools.frame.value !== null)
const corners = computed(() => {
  const frame = tools.frame.value
  if (!frame) return []
  const at = (fx: number, fy: number) => px(applied(frame.turn, { x: frame.box.left + fx * frame.box.width, y: frame.box.top + fy * frame.box.height }))
  return knobs.map((knob) => ({ knob, at: at(knob.fx, knob.fy) }))
})
const outline = computed(() => corners.value.filter(({ knob }) => knob.fx !== 0.5 && knob.fy !== 0.5).map(({ at }) => `${at.x},${at.y}`).join(' '))
const stalk = computed(() => {
  const [top, bottom] = [corners.value.find(({ knob }) => knob.name === 'top')?.at, corners.value.find(({ knob }) => knob.name === 'bottom')?.at]
  if (!top || !bottom) return null
  const long = Math.hypot(top.x - bottom.x, top.y - bottom.y) || 1
  const [x, y] = long > 1 ? [(top.x - bottom.x) / long, (top.y - bottom.y) / long] : [0, -1]
  return { from: top, to: { x: top.x + 26 * x, y: top.y + 26 * y } }
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
      <path v-if="tools.draft.value" class="draft" :d="tools.draft.value" />
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
        <circle class="knob turn" data-knob="turn" :cx="stalk.to.x" :cy="stalk.to.y" r="6" @pointerdown="tools.grabKnob($event, { name: 'turn', fx: 0.5, fy: 0, turns: true })" @click.stop><title>Turn: drag; Shift holds 15°</title></circle>
      </template>
      <path
        v-for="{ knob, at } in corners"
        :key="knob.name"
        class="knob"
        :data-knob="knob.name"
        :d="`M${at.x - 6} ${at.y}L${at.x} ${at.y - 6}L${at.x + 6} ${at.y}L${at.x} ${at.y + 6}Z`"
        @pointerdown="tools.grabKnob($event, knob)"
        @click.stop
      >
<title>Size: drag; Shift keeps the ratio, Alt from the middle</title>
</path>
    </template>
    <g v-if="framed && tools.pivot.value && stalk" class="pivot" data-knob="pivot" :transform="`translate(${px(tools.pivot.value).x} ${px(tools.pivot.value).y})`" @pointerdown="tools.grabPivot" @click.stop><title>Turns about this place: drag it; a double press takes it back to the middle</title><circle r="9" class="wide" /><path d="M-6 0H6M0 -6V6" /><circle r="3" /></g>
    <!-- Above the place that a piece turns about: the two lie on each other where a ring is as wide as it is high. -->
    <LiveKnobs :tools="tools" :left="left" :top="top" :scale="scale" />
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
.knob, .pivot, .node, circle.handle { pointer-events: auto; }
.try { fill: color-mix(in srgb, var(--green) 14%, transparent); stroke: var(--green); stroke-width: 2; vector-effect: non-scaling-stroke; pointer-events: none; }
.draft { fill: none; stroke: var(--green); stroke-width: 2; vector-effect: non-scaling-stroke; pointer-events: none; }
.draft.loose { stroke-dasharray: 3 4; }
.box { fill: color-mix(in srgb, var(--green) 10%, transparent); stroke: var(--green); stroke-width: 1.5; vector-effect: non-scaling-stroke; pointer-events: none; }
.measure { stroke: var(--coral); stroke-width: 2.5; vector-effect: non-scaling-stroke; pointer-events: none; }
.frame { fill: none; stroke: var(--green); stroke-width: 1; pointer-events: none; }
.knob { fill: #fffdf7; stroke: var(--green); stroke-width: 1.6; cursor: grab; }
.knob:hover { fill: var(--green-pale); }
.pivot { cursor: move; }
.pivot path { stroke: var(--green); stroke-width: 1.2; }
.pivot circle { fill: #fffdf7; stroke: var(--green); stroke-width: 1.2; }
.pivot .wide { fill: transparent; stroke: none; }
.side { fill: none; stroke: var(--coral); stroke-width: 3.5; stroke-linecap: round; vector-effect: non-scaling-stroke; pointer-events: none; }
.node { fill: #fffdf7; stroke: var(--ink); stroke-width: 1.5; cursor: grab; }
.node.on { fill: var(--green); stroke: var(--green-deep); }
.even { fill: var(--ink); pointer-events: none; }
.node.on + .even { fill: #fffdf7; }
line.handle { stroke: var(--ink-mid); stroke-width: 1; pointer-events: none; }
circle.handle { fill: var(--ink-mid); stroke: #fffdf7; stroke-width: 1.5; cursor: grab; }
.first { fill: none; stroke: var(--green); stroke-width: 2; pointer-events: none; }
.caught circle { fill: none; stroke: var(--coral); stroke-width: 2; pointer-events: none; }
.caught text, .said text { font: 500 15px var(--text-face); fill: var(--ink); paint-order: stroke; stroke: #fffdf7; stroke-width: 4; pointer-events: none; font-variant-numeric: tabular-nums; }
.caught text { fill: var(--coral-deep); }
</style>
