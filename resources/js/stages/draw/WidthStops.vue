<script setup lang="ts">
import TypedValue from '@/fields/TypedValue.vue'
import { ref, watch } from 'vue'

/** The width along a line as a profile whose stops are dragged; a press between them adds one, Delete takes one away. */
const props = defineProps<{ stops: [number, number][]; width: number; closed?: boolean }>()
const emit = defineEmits<{ keep: [stops: [number, number][]] }>()
const W = 236
const H = 56
const now = ref<[number, number][]>(props.stops.map((stop) => [...stop]))
const on = ref<number | null>(null)
const svg = ref<SVGSVGElement | null>(null)
let dragging = false
watch(() => props.stops, (next) => {
  now.value = next.map((stop) => [...stop])
})
const most = () => Math.max(1, ...now.value.map((stop) => stop[1]))
const x = (stop: [number, number]) => 6 + stop[0] * (W - 12)
const y = (stop: [number, number], side: number) => H / 2 + (side * stop[1] * (H / 2 - 6)) / most()
function at(event: PointerEvent): [number, number] {
  const box = svg.value!.getBoundingClientRect()
  return [Math.min(1, Math.max(0, (event.clientX - box.left - 6) / (W - 12))), Math.min(10, Math.max(0, (Math.abs(event.clientY - box.top - H / 2) / (H / 2 - 6)) * most()))]
}
function press(event: PointerEvent) {
  const place = at(event)
  let index = now.value.findIndex((stop) => Math.abs(x(stop) - (6 + place[0] * (W - 12))) < 8)
  if (index < 0) {
    now.value = [...now.value, place].sort((a, b) => a[0] - b[0])
    index = now.value.indexOf(now.value.find((stop) => stop[0] === place[0])!)
  }
  on.value = index
  dragging = true
  svg.value!.setPointerCapture(event.pointerId)
}
function move(event: PointerEvent) {
  if (!dragging || on.value === null) return
  const place = at(event)
  const low = now.value[on.value - 1]?.[0] ?? 0
  const high = now.value[on.value + 1]?.[0] ?? 1
  now.value = now.value.map((stop, i) => (i === on.value ? [Math.min(high, Math.max(low, place[0])), place[1]] : stop))
}
function end() {
  if (dragging) emit('keep', now.value)
  dragging = false
}
/** On a closed line the last stop is the first. */
const listed = () => (props.closed && now.value.length > 1 && now.value.at(-1)![0] === 1 ? now.value.slice(0, -1) : now.value)
function typed(index: number, part: 0 | 1, value: number) {
  if (!Number.isFinite(value)) return
  now.value = now.value.map((stop, i) => (i === index ? (part === 0 ? [Math.min(1, Math.max(0, value)), stop[1]] : [stop[0], Math.min(10, Math.max(0, value))]) : stop))
  emit('keep', now.value)
}
function key(event: KeyboardEvent) {
  if (on.value === null) return
  const stop = now.value[on.value]
  if (!stop) return
  if ((event.key === 'Delete' || event.key === 'Backspace') && now.value.length > 1) {
    now.value = now.value.filter((_, i) => i !== on.value)
    on.value = null
  } else if (event.key.startsWith('Arrow')) {
    const [dx, dy] = { ArrowLeft: [-0.02, 0], ArrowRight: [0.02, 0], ArrowUp: [0, 0.05], ArrowDown: [0, -0.05] }[event.key] ?? [0, 0]
    now.value = now.value.map((one, i) => (i === on.value ? [Math.min(1, Math.max(0, one[0] + dx!)), Math.max(0, one[1] + dy!)] : one))
  } else return
  event.preventDefault()
  event.stopPropagation()
  emit('keep', now.value)
}
const border = (side: number) => now.value.map((stop, i) => `${i === 0 ? 'M' : 'L'}${x(stop)} ${y(stop, side)}`).join('')
</script>

<template>
  <svg ref="svg" :width="W" :height="H" tabindex="0" role="group" :aria-label="$t('Width stops: {stops}', { stops: now.map((stop) => $t('{share} % along, {part} % wide', { share: Math.round(stop[0] * 100), part: Math.round(stop[1] * 100) })).join('; ') })" data-test="stops" @pointerdown="press" @pointermove="move" @pointerup="end" @keydown="key">
    <line x1="6" :x2="W - 6" :y1="H / 2" :y2="H / 2" />
    <path :d="border(-1)" /><path :d="border(1)" />
    <circle v-for="(stop, i) in now" :key="i" :cx="x(stop)" :cy="y(stop, -1)" r="5" :class="{ on: i === on }" />
  </svg>
  <p class="says">Press to add a stop, drag it here or on the line, Delete takes it away.</p>
  <div v-for="(stop, i) in listed()" :key="i" class="stop">
    <TypedValue brief label="At %" :name="`stopAt${i}`" plain :value="Number((stop[0] * 100).toFixed(1))" :disabled="closed && i === 0" @keep="typed(i, 0, Number($event) / 100)" />
    <TypedValue brief label="Wide" :name="`stopWidth${i}`" :value="stop[1] * width" local :least="0" @measured="typed(i, 1, $event / width)" />
  </div>
</template>

<style scoped>
svg { background: var(--card); border: 1px solid var(--line-strong); border-radius: 3px; touch-action: none; cursor: crosshair; }
line { stroke: var(--line-strong); stroke-dasharray: 3 3; }
path { fill: none; stroke: var(--ink); stroke-width: 1.5; }
circle { fill: var(--sheet); stroke: var(--green); stroke-width: 1.6; }
circle.on { fill: var(--green); }
.stop { display: grid; grid-template-columns: 84px 1fr; gap: 8px; }
.says { font-size: 14px; color: var(--ink-mid); line-height: 1.2; }
</style>
