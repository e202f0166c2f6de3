<script setup lang="ts">
import { useBench } from '@/stores/bench'
import { useEventListener } from '@vueuse/core'
import { count, inUnit } from '@/units'
import { computed, ref, watch } from 'vue'
import { useColours } from '@/stores/colours'
import { useDraw } from '@/stores/draw'
import ArtLayer from './ArtLayer.vue'
import BenchMenu from './BenchMenu.vue'
import ChosenMarks from './ChosenMarks.vue'
import EditOverlay from './EditOverlay.vue'
import FindingMarks from './FindingMarks.vue'
import ShapeOverlay from './ShapeOverlay.vue'
import { useDrawn } from '@/stores/drawn'
import { useShaping } from '@/stores/shaping'
import GuideLines from './GuideLines.vue'
import { between } from './geometry'
import Ruler from './Ruler.vue'
import TypeOnArt from './TypeOnArt.vue'
import WipeSides from './WipeSides.vue'
import { isTyping, usePanZoom } from './usePanZoom'
import { useGuides } from './useGuides'
import { useSnap } from './useSnap'
import { useTools } from './useTools'

/** Whether the art is drawn on, or only looked at and chosen from. */
const props = defineProps<{ editing: boolean; stage: string }>()

const bench = useBench()
const surface = ref<HTMLElement | null>(null)
const size = computed(() => (bench.art ? { width: bench.art.width, height: bench.art.height } : null))
const pan = usePanZoom(surface, size)
const { width, height, scale, left, top, grabbing, spaceHeld } = pan
const pointer = ref<{ x: number; y: number } | null>(null)
const draw = useDraw()
const drawn = useDrawn()
const names = useColours()
function nextDrawn() {
  const finding = drawn.next()
  if (finding?.at) pan.lookAt({ left: finding.at[0], right: finding.at[0], top: finding.at[1], bottom: finding.at[1] })
}
const snap = useSnap()
const toBench = (event: { clientX: number; clientY: number }) => {
  const box = surface.value!.getBoundingClientRect()
  return { x: (event.clientX - box.left - left.value) / scale.value, y: (event.clientY - box.top - top.value) / scale.value }
}
const tools = useTools(surface, scale, toBench, snap)
const shaping = useShaping()
/** With a tool of shaping in hand that is pressed on the art, presses are for it. */
const shapes = computed(() => props.stage === 'shape' && shaping.hand !== null && shaping.enough && (bench.view.kind === 'source' || bench.view.kind === 'preview'))
const pressed = computed(() => shapes.value && shaping.about?.press !== '')
const drawing = computed(() => props.editing && bench.view.kind === 'source' && !pressed.value)
/** The pressed button and the keys decide: with space or the middle button the bench itself is moved. */
function down(event: PointerEvent) {
  if (drawing.value && !spaceHeld.value && event.button === 0 && event.pointerType !== 'touch') tools.pointerDown(event)
  else if (drawing.value && event.pointerType === 'touch' && event.isPrimary) tools.pointerDown(event)
}
function up(event: PointerEvent) {
  endWipe()
  if (drawing.value) tools.pointerUp(event)
}

const { draft: guideDraft, from: guideFrom, move: guideMove, end: guideEnd } = useGuides(surface, toBench, () => props.editing)
const reference = computed(() => (props.editing && bench.art?.reference && !bench.art.reference.hidden ? bench.art.reference : null))
function grabReference(event: PointerEvent) {
  const now = reference.value
  if (!now || now.locked || draw.tool !== 'arrange') return
  const start = toBench(event)
  let at = { x: now.x, y: now.y }
  tools.grab(event, (to) => {
    at = { x: now.x + to.x - start.x, y: now.y + to.y - start.y }
    referenceAt.value = at
    return `picture at ${at.x.toFixed(1)}, ${at.y.toFixed(1)} mm`
  }, () => bench.draw({ kind: 'reference', ...at }).finally(() => (referenceAt.value = null)))
}
const referenceAt = ref<{ x: number; y: number } | null>(null)

const place = computed(() => `translate(${left.value} ${top.value}) scale(${scale.value})`)
/** Left, top, width and height of the customer's file, where it is to be seen. */
const fileAt = computed(() => (bench.view.kind === 'file' || bench.wipesFile ? (bench.job?.file ?? null) : null))
const wiping = computed(() => bench.shown.before !== null || bench.wipesFile !== null)
const wipeX = computed(() => left.value + bench.wipeAt * (size.value?.width ?? 0) * scale.value)
/** A sheet alone shows the findings on it alone. */
const onSheet = computed(() => (bench.view.kind === 'sheet' && bench.shown.after ? new Set(bench.shown.after.pieces.map((piece) => piece.id)) : null))
const marksShown = computed(() => bench.view.kind !== 'preview' && !bench.running)

/** Where the bench was before a finding was looked at, and where each stage left it. */
let before: ReturnType<typeof pan.view> | null = null
const leftAt = new Map<string, ReturnType<typeof pan.view>>()
watch(
  () => bench.finding,
  (index, was) => {
    if (index === null) {
      if (before) pan.goTo(before)
      before = null
      return
    }
    const finding = bench.findings[index]
    if (!finding?.at) return
    if (was === null) before = pan.view()
    const all = [finding.at, ...(finding.ribbon ?? []).flat()]
    pan.lookAt({ left: Math.min(...all.map(([x]) => x)), right: Math.max(...all.map(([x]) => x)), top: Math.min(...all.map(([, y]) => y)), bottom: Math.max(...all.map(([, y]) => y)) })
  },
)
watch(
  () => props.stage,
  (next, last) => {
    leftAt.set(last, before ?? pan.view())
    before = null
    if (bench.finding !== null && next !== 'check') bench.finding = null
    const to = leftAt.get(next)
    if (to) pan.goTo(to)
  },
)
watch(() => bench.job?.id, () => leftAt.clear())
watch(() => bench.spot, (place) => place && pan.lookAt({ left: place.x, right: place.x + place.width, top: place.y, bottom: place.y + place.height }))
const chosenGroup = computed(() => (bench.group === null ? null : new Set(bench.groups[bench.group]?.findings ?? [])))

function track(event: PointerEvent) {
  const box = surface.value!.getBoundingClientRect()
  pointer.value = { x: (event.clientX - box.left - left.value) / scale.value, y: (event.clientY - box.top - top.value) / scale.value }
  if (dragging) moveWipe(event)
  else if (drawing.value && !grabbing.value) tools.pointerMove(event)
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
  if (!spaceHeld.value && !props.editing) bench.choose(id, more)
}

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
defineExpose({ cancel: tools.cancel, endCurve: tools.endCurve })

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
</script>

<template>
  <div class="frame">
    <div class="corner">{{ bench.job?.unit ?? 'mm' }}</div>
    <Ruler across :class="{ gives: editing }" :length="width" :offset="left" :scale="scale" :unit="bench.job?.unit ?? 'mm'" @pointerdown="guideFrom(false, $event)" @pointermove="guideMove" @pointerup="guideEnd" />
    <Ruler :across="false" :class="{ gives: editing }" :length="height" :offset="top" :scale="scale" :unit="bench.job?.unit ?? 'mm'" @pointerdown="guideFrom(true, $event)" @pointermove="guideMove" @pointerup="guideEnd" />
    <div
      ref="surface"
      :class="['surface', { grabbing, grab: spaceHeld }]"
      :style="{ cursor: drawing && !spaceHeld && !grabbing ? tools.cursor.value : undefined }"
      data-test="surface"
      @pointermove="track"
      @pointerleave="pointer = null"
      @pointerdown="down"
      @pointerup="up"
      @dragstart.prevent
      @pointercancel="tools.cancel()"
      @contextmenu="drawing && tools.contextMenu($event)"
      @click="!editing && bench.chooseNone()"
    >
      <svg :width="width" :height="height" role="img" :aria-label="bench.job ? `The bench with ${bench.job.title}` : 'The bench'">
        <defs>
          <clipPath id="wipe-before"><rect x="-10000" y="-10000" :width="10000 + wipeX" height="30000" /></clipPath>
          <clipPath id="wipe-after"><rect :x="wipeX" y="-10000" width="40000" height="30000" /></clipPath>
        </defs>
        <g v-if="size" :transform="place">
          <rect class="page" :width="size.width" :height="size.height" />
          <image
            v-if="reference"
            class="reference"
            :href="`/api/v1/reference/${reference.file}`"
            :x="referenceAt?.x ?? reference.x"
            :y="referenceAt?.y ?? reference.y"
            :width="reference.width"
            :height="reference.height"
            :opacity="reference.strength"
            :class="{ locked: reference.locked }"
            preserveAspectRatio="none"
            data-test="reference"
            @pointerdown="grabReference"
          />
        </g>
        <g v-if="fileAt" :clip-path="bench.wipesFile ? `url(#wipe-${bench.wipesFile})` : undefined">
          <!-- The customer's file as the browser draws it: a picture, which runs nothing and fetches nothing. -->
          <g :transform="place">
            <image class="file" :href="`/api/v1/jobs/${bench.job!.id}/source.svg`" :x="fileAt[0]" :y="fileAt[1]" :width="fileAt[2]" :height="fileAt[3]" preserveAspectRatio="none" data-test="file" />
          </g>
        </g>
        <g v-if="bench.shown.before" clip-path="url(#wipe-before)">
          <g :transform="place" data-test="art-before"><ArtLayer :scale="scale" :art="bench.shown.before" :wire="bench.wire" /></g>
        </g>
        <g v-if="bench.shown.after" :clip-path="wiping ? 'url(#wipe-after)' : undefined">
          <g :transform="place" data-test="art">
            <ArtLayer
:scale="scale"
              :art="bench.shown.after"
              :wire="bench.wire"
              :pickable="bench.view.kind === 'source'"
              @press="press"
            />
            <ChosenMarks v-if="bench.view.kind === 'source' && !drawing" />
          </g>
        </g>
        <FindingMarks
          v-if="marksShown && !drawing"
          :findings="bench.findings"
          :shown="bench.openFindings"
          :group="chosenGroup"
          :selected="bench.finding"
          :scale="scale"
          :left="left"
          :top="top"
          :width="width"
          :height="height"
          :pieces="onSheet"
          :first="bench.view.kind === 'file' ? bench.state?.notices.length : undefined"
          @select="bench.finding = $event"
        />
        <rect v-if="bench.spot" class="looked" data-test="spot" :x="bench.spot.x * scale + left - 5" :y="bench.spot.y * scale + top - 5" :width="bench.spot.width * scale + 10" :height="bench.spot.height * scale + 10" rx="3" />
        <g
          v-if="wiping"
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
      <!-- On a sheet of its own: what changes with every step of the pointer must not lay out thousands of pieces anew. -->
      <svg v-if="drawing" class="over" :width="width" :height="height">
        <GuideLines
          v-if="drawing && size"
          :scale="scale"
          :left="left"
          :top="top"
          :width="width"
          :height="height"
          :draft="guideDraft"
          @grab="(id, upright, event) => guideFrom(upright, event, id)"
          @pointermove="guideMove"
          @pointerup="guideEnd"
        />
        <FindingMarks v-if="drawn.findings.length > 0" :findings="drawn.findings" :shown="drawn.findings.map((_, index) => index)" :group="null" :selected="drawn.at < 0 ? null : drawn.at" :scale="scale" :left="left" :top="top" :width="width" :height="height" data-test="drawn" />
        <EditOverlay v-if="drawing" :tools="tools" :scale="scale" :left="left" :top="top" :caught="snap.caught.value" />
      </svg>
       <svg v-if="shapes" class="over" :width="width" :height="height" data-test="shape-marks">
        <ShapeOverlay :scale="scale" :left="left" :top="top" :width="width" :height="height" :moving="spaceHeld || grabbing" :to-bench="toBench" />
      </svg>
      <svg v-if="drawing" class="lift" data-lift :width="width" :height="height" aria-hidden="true"><g :transform="place" /></svg>
      <TypeOnArt v-if="drawing && (draw.typing || draw.opening)" :tools="tools" :scale="scale" :left="left" :top="top" :width="width" :height="height" />
      <BenchMenu v-if="tools.menu.value" :at="tools.menu.value" @close="tools.menu.value = null" />
    </div>
    <div class="strip">
      <p class="place numbers">{{ pointer ? `${inUnit(pointer.x, bench.job?.unit ?? 'mm')}, ${inUnit(pointer.y, bench.job?.unit ?? 'mm')}` : '' }}</p>
      <p v-if="bench.view.kind === 'file'" class="viewing">The file as it came in, drawn by the browser</p>
      <WipeSides v-if="bench.view.kind === 'wipe'" />
      <button v-if="drawing && drawn.findings.length > 0" type="button" class="drawn" data-test="drawn-next" title="Look at the next" @click.stop="nextDrawn"><strong>{{ count(drawn.findings.length, 'finding') }}</strong> {{ drawn.at >= 0 ? names.said(drawn.findings[drawn.at]!.message) : 'where you drew' }}</button>
      <p v-if="bench.view.kind === 'version'" class="viewing">Left: {{ bench.view.name }}. Right: as it is now.</p>
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
.frame { display: grid; grid-template: 24px minmax(0, 1fr) 27px / 24px minmax(0, 1fr); min-width: 0; min-height: 0; height: 100%; border: 1px solid var(--line); border-radius: 4px; overflow: hidden; background: var(--paper-deep); }
.corner { font: 10px/24px var(--text-face); color: var(--ink-soft); text-align: center; }
.surface { position: relative; overflow: hidden; touch-action: none; overscroll-behavior: none; user-select: none; background: var(--tracing); background-image: radial-gradient(var(--grain) 1px, transparent 1px); background-size: 14px 14px; }
.surface > svg { display: block; position: absolute; inset: 0; }
.surface.at-work > svg { pointer-events: none; }
.surface > svg.over { pointer-events: none; }
.surface > svg.lift { pointer-events: none; will-change: transform; overflow: visible; }
.surface.grab { cursor: grab; }
.gives { cursor: copy; touch-action: none; }
.reference.locked { pointer-events: none; }
.reference { cursor: move; }
.surface.grabbing { cursor: grabbing; }
.page { fill: #fffdf7; stroke: var(--line-strong); stroke-width: 1; vector-effect: non-scaling-stroke; }
.wipe { cursor: ew-resize; outline: none; }
.wipe line { stroke: var(--green); stroke-width: 2; }
.wipe line.wide { stroke: transparent; stroke-width: 18; }
.wipe rect { fill: var(--green); }
.wipe:focus-visible rect { stroke: var(--ink); stroke-width: 2; }
.wipe text { font: 500 14px var(--text-face); fill: #fff; }
.strip { grid-column: 1 / 3; display: flex; align-items: center; gap: 12px; border-top: 1px solid var(--line); background: var(--paper); padding-left: 9px; font-size: 14px; color: var(--ink-mid); min-width: 0; }
.strip p { margin: 0; white-space: nowrap; }
.place { width: 168px; flex: none; }
.viewing { flex: 1; overflow: hidden; text-overflow: ellipsis; }
.viewing { color: var(--green); font-weight: 500; }
.drawn { border: 0; background: none; font: inherit; color: var(--coral-deep); cursor: pointer; white-space: nowrap; overflow: hidden; text-overflow: ellipsis; min-width: 0; padding: 0; text-align: left; }
.drawn strong { font-weight: 600; text-decoration: underline; }
.zoom { display: flex; margin-left: auto; border-left: 1px solid var(--line); height: 100%; }
.zoom button:nth-child(2) { width: 78px; font-variant-numeric: tabular-nums; }
.zoom button { border: 0; background: none; min-width: 34px; height: 100%; padding: 0 8px; font: 15px var(--text-face); color: var(--ink); cursor: pointer; }
.zoom button:hover { background: var(--paper-deep); }
.looked { fill: none; stroke: var(--coral); stroke-width: 2; stroke-dasharray: 5 4; pointer-events: none; }
</style>
