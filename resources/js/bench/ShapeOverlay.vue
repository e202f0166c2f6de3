<script setup lang="ts">
import type { Mark } from '@/api/types'
import { frameOf, framePath, held15, pathOf, pulled, type Act } from '@/stages/shape/presses'
import { isTyping } from '@/keys/field'
import { useBench } from '@/stores/bench'
import { useShaping } from '@/stores/shaping'
import { useEventListener } from '@vueuse/core'
import { computed, ref, watch } from 'vue'

/** What a tool of shaping shows on the art, and what presses and keys do there. Sizes are px at any zoom. */
const props = defineProps<{ scale: number; left: number; top: number; width: number; height: number; moving: boolean; toBench: (event: { clientX: number; clientY: number }) => { x: number; y: number } }>()
const bench = useBench()
const shaping = useShaping()

const place = computed(() => `translate(${props.left} ${props.top}) scale(${props.scale})`)
const px = (mark: { x: number; y: number }) => ({ x: props.left + mark.x * props.scale, y: props.top + mark.y * props.scale })
const press = computed(() => shaping.about?.press ?? '')
const cells = computed(() => (press.value === 'cells' ? shaping.cellMarks : []))
const stretches = computed(() => shaping.marks.filter((mark) => mark.d !== '' && (mark.kind === 'stretch' || (mark.kind === 'cell' && press.value === 'at-once'))))
const ends = computed(() => shaping.marks.filter((mark) => mark.kind === 'gap' || mark.kind === 'sticks-out').map((mark) => ({ mark, at: px(mark), to: px({ x: Number(mark.state.split(',')[0]), y: Number(mark.state.split(',')[1]) }) })))
const crossings = computed(() => shaping.marks.filter((mark) => mark.kind === 'crossing'))
const faults = computed(() => shaping.marks.filter((mark) => mark.kind === 'fault'))
const nodes = computed(() => shaping.marks.filter((mark) => mark.kind === 'node').slice(0, 2000))

function stateOf(i: number): string {
  const group = shaping.cells.of[i]
  return group === undefined ? '' : group === 'dropped' ? 'dropped' : 'joined'
}
function colourOf(i: number): string | undefined {
  const group = shaping.cells.of[i]
  if (typeof group !== 'number') return undefined
  const first = Number(Object.entries(shaping.cells.of).find(([, one]) => one === group)?.[0])
  return shaping.cells.colours[group] ?? (shaping.cellMarks[first]?.state || '#8a8374')
}

/** Cells that the pressed pointer passed over. */
const passed = ref<number[]>([])
let act: Act | null = null
function begin(event: PointerEvent, i: number) {
  if (props.moving || event.button !== 0) return
  event.stopPropagation()
  ;(event.target as Element).releasePointerCapture?.(event.pointerId)
  act = shaping.cellAct
  passed.value = [i]
}
function pass(i: number) {
  if (act && !passed.value.includes(i)) passed.value = [...passed.value, i]
}
useEventListener(window, 'pointerup', () => {
  if (act && passed.value.length > 0) shaping.press(act, passed.value)
  act = null
  passed.value = []
})

/** A line that is being drawn. */
const line = ref<{ x: number; y: number }[]>([])
let straight = false
function drawFrom(event: PointerEvent) {
  if (props.moving || event.button !== 0) return
  event.stopPropagation()
  ;(event.currentTarget as Element).setPointerCapture(event.pointerId)
  const at = props.toBench(event)
  if (press.value === 'line') line.value = [at]
  else if (press.value === 'at-once') shaping.atOnce(at.x, at.y)
}
function drawOn(event: PointerEvent) {
  const at = props.toBench(event)
  if (line.value.length > 0) {
    straight = event.shiftKey
    const first = line.value[0]!
    const last = line.value.at(-1)!
    if (straight) line.value = [first, held15(first, at)]
    else if (Math.hypot(at.x - last.x, at.y - last.y) * props.scale > 3) line.value = [...line.value, at]
  } else if (press.value === 'at-once' && ['trim', 'extend', 'fill-enclosed'].includes(shaping.hand!)) {
    if (event.buttons === 1) sweep(at)
    else shaping.hovered(at.x, at.y)
  }
}
function drawEnd() {
  // A press without a drag says the place: what a straight line goes through, or the middle of sectors.
  if (line.value.length === 1) shaping.set('at', `${line.value[0]!.x.toFixed(4)},${line.value[0]!.y.toFixed(4)}`)
  if (line.value.length > 1) {
    shaping.set('smooth', straight ? 0 : `${Math.max(0.05, 1.5 / props.scale).toFixed(3)}mm`)
    shaping.set('line', pathOf(line.value))
  }
  line.value = []
}
/** Dragged over several stretches, one after the other goes. */
let swept: { x: number; y: number } | null = null
function sweep(at: { x: number; y: number }) {
  if (shaping.hand !== 'trim' || (swept && Math.hypot(at.x - swept.x, at.y - swept.y) * props.scale < 24)) return
  swept = at
  if (!bench.busy) shaping.atOnce(at.x, at.y)
}

/** The frame of a wrap, while one of its places is pulled. */
const pulling = ref<{ x: number; y: number }[] | null>(null)
/** A flat thing seen at an angle has corners and no bent sides. */
const flat = computed(() => shaping.own.shape === 'flat')
const frame = computed(() => pulling.value ?? frameOf(shaping.marks.find((mark) => mark.kind === 'frame')?.state ?? ''))
let knob = -1
function grab(event: PointerEvent, i: number) {
  if (props.moving || event.button !== 0) return
  event.stopPropagation()
  ;(event.currentTarget as Element).setPointerCapture(event.pointerId)
  knob = i
  pulling.value = frame.value
}
function pull(event: PointerEvent) {
  if (knob >= 0 && pulling.value) pulling.value = pulled(pulling.value, knob, props.toBench(event))
}
function letGo() {
  if (knob >= 0 && pulling.value) shaping.setAll({ shape: flat.value ? 'flat' : 'drawn', frame: framePath(pulling.value) })
  knob = -1
}
watch(() => shaping.marks, () => (pulling.value = null))

function close(mark: Mark, event: PointerEvent) {
  if (props.moving) return
  event.stopPropagation()
  shaping.atOnce(mark.x, mark.y, 'extend')
}
function turn(mark: Mark, event: PointerEvent) {
  if (props.moving || event.button !== 0) return
  event.stopPropagation()
  shaping.turn(mark)
}

/** So many marks can have their words beside them; of more, only the one that is pointed at. */
const FEW = 12
/** The fault whose sentence stands beside it. */
const said = ref<number | null>(0)
watch(() => faults.value.length, (many) => (said.value = many > FEW ? null : 0))

/** What can be walked through by keys. */
const walk = computed(() => (press.value === 'cells' ? cells.value : press.value === 'turn' ? crossings.value : ends.value.map((end) => end.mark)))
watch(walk, (all) => {
  if (shaping.at !== null && shaping.at >= all.length) shaping.at = null
})
useEventListener(window, 'keydown', (event: KeyboardEvent) => {
  if (isTyping(event) || event.ctrlKey || event.metaKey || walk.value.length === 0) return
  const n = walk.value.length
  const now = shaping.at
  const done = () => {
    event.preventDefault()
    event.stopImmediatePropagation()
  }
  if (event.key === ']' || event.key === '[') {
    shaping.at = now === null ? (event.key === ']' ? 0 : n - 1) : (now + (event.key === ']' ? 1 : n - 1)) % n
    return done()
  }
  if (now === null) return
  if (press.value === 'cells') {
    if (event.key === 'Enter') return shaping.press(shaping.cellAct, [now]), done()
  } else if (event.key === 'Enter') {
    const mark = walk.value[now]!
    if (press.value === 'turn') shaping.turn(mark)
    else shaping.atOnce(mark.x, mark.y)
    done()
  }
}, { capture: true })
const walked = computed(() => (shaping.at === null ? null : (walk.value[shaping.at] ?? null)))
</script>

<template>
  <g :class="['shape-over', { moving }]">
    <rect v-if="press === 'line' || press === 'at-once'" class="sheet" :width="width" :height="height" data-test="shape-sheet" @pointerdown="drawFrom" @pointermove="drawOn" @pointerup="drawEnd" />
    <g :transform="place">
      <path
        v-for="(cell, i) in cells"
        :key="i"
        :d="cell.d"
        fill-rule="evenodd"
        :class="['cell', stateOf(i), { passing: passed.includes(i), walked: walked === cell }]"
        :style="{ fill: colourOf(i) }"
        :data-cell="i"
        role="button"
        :aria-label="$t('Cell {i}{of, select, none {} other { of {of} }}{state, select, joined {, joined} dropped {, dropped} other {} }', { i: i + 1, of: cell.says || 'none', state: stateOf(i) })"
        vector-effect="non-scaling-stroke"
        @pointerdown="begin($event, i)"
        @pointerenter="pass(i)"
      />
      <path v-for="(mark, i) in stretches" :key="`s${i}`" :d="mark.d" :class="mark.kind === 'cell' ? 'would' : 'stretch'" vector-effect="non-scaling-stroke" data-test="stretch" />
      <path v-if="line.length > 1" :d="pathOf(line)" class="stretch" vector-effect="non-scaling-stroke" />
    </g>
    <g v-for="({ mark, at, to }, i) in ends" :key="`e${i}`" :class="['end', { walked: walked === mark, out: mark.kind === 'sticks-out' }]" :data-test="mark.kind" @pointerdown="close(mark, $event)">
      <line :x1="at.x" :y1="at.y" :x2="to.x" :y2="to.y" />
      <circle :cx="at.x" :cy="at.y" r="7" />
      <title>{{ mark.says }}</title>
      <text v-if="ends.length <= FEW || walked === mark" :x="at.x + 10" :y="at.y - 8">{{ mark.says }}</text>
    </g>
    <g v-for="(mark, i) in crossings" :key="`c${i}`" :class="['crossing', { walked: walked === mark }]" :transform="`translate(${px(mark).x} ${px(mark).y})`" :data-crossing="i" role="button" :aria-label="mark.says" @pointerdown="turn(mark, $event)">
      <title>{{ mark.says }}</title>
      <path :d="crossings.length > 80 ? 'M0-6L6 0L0 6L-6 0z' : 'M0-11L11 0L0 11L-11 0z'" />
      <template v-if="crossings.length <= 80"><path class="under" d="M-5-5L5 5" /><path class="upper" d="M-5 5L5-5" /></template>
    </g>
    <g v-for="(mark, i) in faults" :key="`f${i}`" class="fault" @pointerenter="said = i" @pointerleave="said = faults.length > FEW ? null : 0" :transform="`translate(${px(mark).x} ${px(mark).y})`" data-test="fault">
      <circle :r="faults.length > FEW ? 6 : 11" />
      <text v-if="faults.length <= FEW" y="5" text-anchor="middle">!</text>
      <title>{{ mark.says }}</title>
      <text v-if="i === said" class="says" x="15" y="5">{{ mark.says }}</text>
    </g>
    <g v-if="frame.length" data-test="frame">
      <path :d="framePath(frame)" class="frame" vector-effect="non-scaling-stroke" :transform="place" />
      <template v-for="(at, i) in frame" :key="`k${i}`">
        <line v-if="i % 3 !== 0 && !flat" class="arm" :x1="px(at).x" :y1="px(at).y" :x2="px(frame[(i % 3 === 1 ? i - 1 : i + 1) % 12]!).x" :y2="px(frame[(i % 3 === 1 ? i - 1 : i + 1) % 12]!).y" />
        <path v-if="i % 3 === 0 || !flat" :class="['knob', { corner: i % 3 === 0 }]" :transform="`translate(${px(at).x} ${px(at).y})`" :d="i % 3 === 0 ? 'M-7 7V-7H7z' : 'M-6 0A6 6 0 0 1 6 0z'" :data-knob="i" role="button" :aria-label="i % 3 === 0 ? $t('Corner {i} of the frame', { i: i / 3 + 1 }) : $t('Handle {i} of the frame', { i })" @pointerdown="grab($event, i)" @pointermove="pull" @pointerup="letGo" />
      </template>
    </g>
    <path v-for="(mark, i) in nodes" :key="`n${i}`" class="node" :transform="`translate(${px(mark).x} ${px(mark).y})`" d="M-3.5-3.5l7 7M3.5-3.5l-7 7" data-test="needless" />
  </g>
</template>

<style scoped>
.moving { pointer-events: none; }
.sheet { fill: transparent; pointer-events: all; cursor: crosshair; }
.cell { fill: transparent; stroke: var(--ink-mid); stroke-width: 1; stroke-dasharray: 3 3; pointer-events: all; cursor: pointer; }
.cell:hover, .cell.passing { fill: color-mix(in srgb, var(--green) 25%, transparent) !important; stroke: var(--green); stroke-width: 2; stroke-dasharray: none; }
.cell.joined { stroke: var(--green); stroke-width: 2.5; stroke-dasharray: none; }
.cell.dropped { fill: color-mix(in srgb, var(--card) 88%, transparent); stroke: var(--coral); stroke-width: 2; }
.cell.walked { stroke: var(--ink); stroke-width: 3.5; stroke-dasharray: none; }
.stretch { fill: none; stroke: var(--coral); stroke-width: 3.5; pointer-events: none; }
.would { fill: color-mix(in srgb, var(--green) 33%, transparent); stroke: var(--green); stroke-width: 1.5; pointer-events: none; }
.end { cursor: pointer; pointer-events: all; }
.end line { stroke: var(--coral); stroke-width: 2; stroke-dasharray: 3 2; }
.end circle { fill: var(--card); stroke: var(--coral); stroke-width: 2; }
.end.out circle { fill: var(--coral-pale); }
.end.walked circle { stroke-width: 4; }
text { font: 500 14px var(--text-face); fill: var(--ink); paint-order: stroke; stroke: var(--card); stroke-width: 3px; pointer-events: none; }
.crossing { cursor: pointer; pointer-events: all; }
.crossing path:first-of-type { fill: var(--card); stroke: var(--ink-mid); stroke-width: 1.2; }
.crossing .under, .crossing .upper { fill: none; stroke: var(--ink-soft); stroke-width: 2.5; }
.crossing .upper { stroke: var(--green); stroke-width: 4; }
.crossing:hover path:first-of-type, .crossing.walked path:first-of-type { stroke: var(--green); stroke-width: 3; }
.fault { pointer-events: all; }
.fault circle { fill: var(--coral); }
.fault text { fill: var(--on-coral); stroke: none; font-weight: 700; }
.fault .says { fill: var(--coral-deep); stroke: var(--card); }
/* Ours: a folded corner and a half moon. */
.knob { fill: var(--card); stroke: var(--green); stroke-width: 2; pointer-events: all; cursor: grab; }
.knob.corner { fill: var(--green); }
.arm { stroke: var(--green); stroke-width: 1; stroke-dasharray: 2 3; }
.frame { fill: none; stroke: var(--green); stroke-width: 1.5; }
.node { fill: none; stroke: var(--coral); stroke-width: 2; }
</style>
