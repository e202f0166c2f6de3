<script setup lang="ts">
import { useBench } from '@/stores/bench'
import { useEventListener } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import ArtLayer from './ArtLayer.vue'
import FindingMarks from './FindingMarks.vue'
import Ruler from './Ruler.vue'
import { isTyping, usePanZoom } from './usePanZoom'

const bench = useBench()
const surface = ref<HTMLElement | null>(null)
const size = computed(() => (bench.art ? { width: bench.art.width, height: bench.art.height } : null))
const pan = usePanZoom(surface, size)
const { width, height, scale, left, top, grabbing, spaceHeld } = pan
const pointer = ref<{ x: number; y: number } | null>(null)

const place = computed(() => `translate(${left.value} ${top.value}) scale(${scale.value})`)
const wipeX = computed(() => left.value + bench.wipeAt * (size.value?.width ?? 0) * scale.value)
/** A sheet alone shows the findings on it alone. */
const onSheet = computed(() => (bench.view.kind === 'sheet' && bench.shown.after ? new Set(bench.shown.after.pieces.map((piece) => piece.id)) : null))
const marksShown = computed(() => bench.view.kind !== 'preview' && !bench.running)

watch(
  () => bench.finding,
  (index) => {
    const at = index === null ? undefined : bench.findings[index]?.at
    if (at) pan.lookAt(at[0], at[1])
  },
)

function track(event: PointerEvent) {
  const box = surface.value!.getBoundingClientRect()
  pointer.value = { x: (event.clientX - box.left - left.value) / scale.value, y: (event.clientY - box.top - top.value) / scale.value }
  if (dragging) moveWipe(event)
}

let dragging = false
function startWipe(event: PointerEvent) {
  dragging = true
  ;(event.target as Element).setPointerCapture(event.pointerId)
  event.stopPropagation()
}
function moveWipe(event: PointerEvent) {
  const box = surface.value!.getBoundingClientRect()
  bench.wipeAt = Math.min(1, Math.max(0, (event.clientX - box.left - left.value) / scale.value / (size.value?.width ?? 1)))
}
function endWipe() {
  dragging = false
}
function wipeKey(event: KeyboardEvent) {
  const step = { ArrowLeft: -0.02, ArrowRight: 0.02, Home: -1, End: 1 }[event.key]
  if (step === undefined) return
  event.preventDefault()
  event.stopPropagation()
  bench.wipeAt = Math.min(1, Math.max(0, bench.wipeAt + step))
}

function press(id: string, more: boolean) {
  if (!spaceHeld.value) bench.choose(id, more)
}

useEventListener(window, 'keydown', (event: KeyboardEvent) => {
  if (isTyping(event) || event.ctrlKey || event.metaKey || event.altKey) return
  const act: Record<string, () => void> = {
    '+': pan.zoomIn,
    '=': pan.zoomIn,
    '-': pan.zoomOut,
    '0': pan.fit,
    ArrowLeft: () => pan.panBy(60, 0),
    ArrowRight: () => pan.panBy(-60, 0),
    ArrowUp: () => pan.panBy(0, 60),
    ArrowDown: () => pan.panBy(0, -60),
  }
  const doIt = act[event.key]
  if (doIt) {
    event.preventDefault()
    doIt()
  }
})
</script>

<template>
  <div class="frame">
    <div class="corner">mm</div>
    <Ruler across :length="width" :offset="left" :scale="scale" />
    <Ruler :across="false" :length="height" :offset="top" :scale="scale" />
    <div
      ref="surface"
      :class="['surface', { grabbing, grab: spaceHeld }]"
      data-test="surface"
      @pointermove="track"
      @pointerleave="pointer = null"
      @pointerup="endWipe"
      @click="bench.chooseNone()"
    >
      <svg :width="width" :height="height" role="img" :aria-label="bench.job ? `The bench with ${bench.job.title}` : 'The bench'">
        <defs>
          <clipPath id="wipe-before"><rect x="-10000" y="-10000" :width="10000 + wipeX" height="30000" /></clipPath>
          <clipPath id="wipe-after"><rect :x="wipeX" y="-10000" width="40000" height="30000" /></clipPath>
        </defs>
        <g v-if="size" :transform="place"><rect class="page" :width="size.width" :height="size.height" /></g>
        <g v-if="bench.shown.before" clip-path="url(#wipe-before)">
          <g :transform="place" data-test="art-before"><ArtLayer :art="bench.shown.before" :wire="bench.wire" /></g>
        </g>
        <g v-if="bench.shown.after" :clip-path="bench.shown.before ? 'url(#wipe-after)' : undefined">
          <g :transform="place" data-test="art">
            <ArtLayer
              :art="bench.shown.after"
              :wire="bench.wire"
              :pickable="bench.view.kind === 'source'"
              :chosen="bench.view.kind === 'source' ? bench.chosen : undefined"
              @press="press"
            />
          </g>
        </g>
        <FindingMarks
          v-if="marksShown"
          :findings="bench.findings"
          :selected="bench.finding"
          :scale="scale"
          :left="left"
          :top="top"
          :width="width"
          :height="height"
          :quiet="bench.view.kind === 'wipe'"
          :pieces="onSheet"
          @select="bench.finding = $event"
        />
        <g
          v-if="bench.shown.before"
          class="wipe"
          role="slider"
          tabindex="0"
          aria-label="Wipe between before and after"
          :aria-valuenow="Math.round(bench.wipeAt * 100)"
          aria-valuemin="0"
          aria-valuemax="100"
          data-test="wipe"
          @pointerdown="startWipe"
          @keydown="wipeKey"
          @click.stop
        >
          <line class="wide" :x1="wipeX" :x2="wipeX" y1="0" :y2="height" />
          <line :x1="wipeX" :x2="wipeX" y1="0" :y2="height" />
          <g :transform="`translate(${wipeX} ${height - 30})`">
            <rect x="-64" y="-14" width="128" height="28" rx="14" />
            <text x="-10" y="5" text-anchor="end">before</text>
            <text x="10" y="5">after</text>
          </g>
        </g>
      </svg>
      <p v-if="pointer" class="place">{{ pointer.x.toFixed(2) }}, {{ pointer.y.toFixed(2) }} mm</p>
      <p v-if="bench.view.kind === 'step'" class="viewing">After: {{ bench.result?.steps[bench.view.index]?.label }}</p>
      <p v-if="bench.view.kind === 'preview'" class="viewing">Preview: not kept yet</p>
      <p v-if="bench.view.kind === 'sheet'" class="viewing">Sheet {{ bench.view.index + 1 }} alone</p>
      <div class="zoom">
        <button type="button" aria-label="Zoom out" title="Zoom out (-)" @click.stop="pan.zoomOut()">−</button>
        <button type="button" aria-label="Fit the art" title="Fit (0)" data-test="fit" @click.stop="pan.fit()">{{ Math.round((scale / (96 / 25.4)) * 100) }} %</button>
        <button type="button" aria-label="Zoom in" title="Zoom in (+)" @click.stop="pan.zoomIn()">+</button>
      </div>
    </div>
  </div>
</template>

<style scoped>
.frame { display: grid; grid-template: 24px minmax(0, 1fr) / 24px minmax(0, 1fr); min-width: 0; min-height: 0; height: 100%; border: 1px solid var(--line); border-radius: 4px; overflow: hidden; background: var(--paper-deep); }
.corner { font: 10px/24px var(--text-face); color: var(--ink-soft); text-align: center; }
.surface { position: relative; overflow: hidden; touch-action: none; overscroll-behavior: none; background: var(--tracing); background-image: radial-gradient(var(--grain) 1px, transparent 1px); background-size: 14px 14px; }
.surface > svg { display: block; position: absolute; inset: 0; }
.surface.grab { cursor: grab; }
.surface.grabbing { cursor: grabbing; }
.page { fill: #fffdf7; stroke: var(--line-strong); stroke-width: 1; vector-effect: non-scaling-stroke; }
.wipe { cursor: ew-resize; outline: none; }
.wipe line { stroke: var(--green); stroke-width: 2; }
.wipe line.wide { stroke: transparent; stroke-width: 18; }
.wipe rect { fill: var(--green); }
.wipe:focus-visible rect { stroke: var(--ink); stroke-width: 2; }
.wipe text { font: 500 14px var(--text-face); fill: #fff; }
.place, .viewing { position: absolute; margin: 0; padding: 2px 9px; background: color-mix(in srgb, var(--paper) 88%, transparent); border-radius: 3px; font-size: 14px; color: var(--ink-mid); pointer-events: none; }
.place { left: 8px; bottom: 8px; font-variant-numeric: tabular-nums; }
.viewing { left: 8px; top: 8px; color: var(--green); font-weight: 500; }
.zoom { position: absolute; right: 8px; bottom: 8px; display: flex; background: var(--paper); border: 1px solid var(--line); border-radius: 4px; overflow: hidden; }
.zoom button { border: 0; background: none; min-width: 34px; height: 30px; padding: 0 8px; font: 15px var(--text-face); color: var(--ink); cursor: pointer; }
.zoom button:hover { background: var(--paper-deep); }
</style>
