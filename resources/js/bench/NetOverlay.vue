<script setup lang="ts">
import { at, called, knotOf, linePath, meeting, spots, type Spot } from '@/stages/shape/net'
import { useNet } from '@/stages/shape/useNet'
import { useShaping } from '@/stores/shaping'
import { useEventListener } from '@vueuse/core'
import { computed } from 'vue'

/** The net of a wrap on the art: knots and handles to pull, lines that a press lays another through. Sizes are px at any zoom. */
const props = defineProps<{ scale: number; left: number; top: number; moving: boolean; toBench: (event: { clientX: number; clientY: number }) => { x: number; y: number } }>()
const net = useNet()
const shaping = useShaping()
const place = computed(() => `translate(${props.left} ${props.top}) scale(${props.scale})`)
const px = (spot: Spot) => {
  const { x, y } = at(net.net!, spot)
  return { x: props.left + x * props.scale, y: props.top + y * props.scale }
}
const all = computed(() => (net.net ? spots(net.net) : { knots: [], handles: [] }))
/** Handles of the chosen knot alone: those of all would hide the art. */
const handles = computed(() => {
  const chosen = net.knot
  if (!net.net || !chosen) return []
  const knots = meeting(net.net, chosen)
  return all.value.handles.filter((spot) => knots.some((knot) => knotOf(spot).line === knot.line && knotOf(spot).point === knot.point))
})
const grid = computed(() => shaping.marks.find((mark) => mark.kind === 'grid')?.d ?? '')
const isChosen = (spot: Spot) => net.knot?.line === spot.line && net.knot.point === spot.point

let held: Spot | null = null
let from: { x: number; y: number } | null = null
function grab(event: PointerEvent, spot: Spot) {
  if (props.moving || event.button !== 0) return
  event.stopPropagation()
  net.choose(spot)
  held = spot
  from = props.toBench(event)
}
function pull(event: PointerEvent) {
  const to = props.toBench(event)
  // A knot that is only pressed stays where it is.
  if (held && from && Math.hypot(to.x - from.x, to.y - from.y) * props.scale > 3) {
    from = { x: Infinity, y: Infinity }
    net.pull(held, to)
  }
}
function letGo() {
  if (held) net.letGo()
  held = from = null
}
// A knot that is pressed shows its handles: what is drawn anew under the pointer is not to end the pull.
useEventListener(window, 'pointermove', pull)
useEventListener(window, 'pointerup', letGo)
useEventListener(window, 'pointercancel', () => {
  if (held) net.put()
  held = from = null
})
function press(event: PointerEvent, line: number) {
  if (props.moving || event.button !== 0 || !net.net) return
  event.stopPropagation()
  net.ask(line < net.net.across ? 'column' : 'row', props.toBench(event))
}
function step(event: KeyboardEvent, spot: Spot) {
  const by = event.shiftKey ? 5 : 0.5
  const way = ({ ArrowLeft: [-by, 0], ArrowRight: [by, 0], ArrowUp: [0, -by], ArrowDown: [0, by] } as Record<string, [number, number]>)[event.key]
  if (!way || !net.net) return
  event.preventDefault()
  event.stopPropagation()
  const { x, y } = at(net.net, spot)
  net.move(spot, { x: x + way[0], y: y + way[1] })
}
</script>

<template>
  <g v-if="net.net" data-test="net">
    <g :transform="place">
      <path v-if="grid" :d="grid" class="grid" vector-effect="non-scaling-stroke" data-test="net-grid" />
      <template v-for="(line, i) in net.net.lines" :key="i">
        <path :d="linePath(line)" class="line" vector-effect="non-scaling-stroke" />
        <path :d="linePath(line)" class="reach" vector-effect="non-scaling-stroke" :data-line="i" @pointerdown="press($event, i)"><title>Press to lay a line through here</title></path>
      </template>
    </g>
    <template v-for="spot in handles" :key="`h${spot.line}-${spot.point}`">
      <line class="arm" :x1="px(spot).x" :y1="px(spot).y" :x2="px(knotOf(spot)).x" :y2="px(knotOf(spot)).y" />
      <path class="knob" d="M-6 0A6 6 0 0 1 6 0z" :transform="`translate(${px(spot).x} ${px(spot).y})`" :data-handle="`${spot.line}-${spot.point}`" @pointerdown="grab($event, spot)" />
    </template>
    <path
      v-for="spot in all.knots"
      :key="`k${spot.line}-${spot.point}`"
      :class="['knob', 'corner', { chosen: isChosen(spot) }]"
      d="M-7 7V-7H7z"
      :transform="`translate(${px(spot).x} ${px(spot).y})`"
      :data-knot="`${called(spot).row}-${called(spot).column}`"
      role="button"
      tabindex="0"
      :aria-label="$t('Knot {column} of line {row}', called(spot))"
      :aria-pressed="isChosen(spot)"
      @focus="net.choose(spot)"
      @keydown="step($event, spot)"
      @pointerdown="grab($event, spot)"
    />
  </g>
</template>

<style scoped>
.line { fill: none; stroke: var(--green); stroke-width: 1.5; pointer-events: none; }
.reach { fill: none; stroke: transparent; stroke-width: 10; pointer-events: stroke; cursor: copy; }
.grid { fill: none; stroke: var(--coral); stroke-width: 1; stroke-dasharray: 1 3; pointer-events: none; }
.knob { fill: var(--card); stroke: var(--green); stroke-width: 2; pointer-events: all; cursor: grab; }
.knob.corner { fill: var(--green); }
.knob.chosen { fill: var(--coral); }
.knob:focus-visible { outline: 2px solid var(--ink); outline-offset: 3px; }
.arm { stroke: var(--green); stroke-width: 1; stroke-dasharray: 2 3; }
</style>
