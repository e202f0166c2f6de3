<script setup lang="ts">
import { t } from '@/words/words'
import { useBench } from '@/stores/bench'
import { computed, nextTick, ref } from 'vue'
import { useDraw } from '@/stores/draw'
import ArtLayer from './ArtLayer.vue'
import BenchMenu from './BenchMenu.vue'
import ChosenMarks from './ChosenMarks.vue'
import EditOverlay from './EditOverlay.vue'
import FindingMarks from './FindingMarks.vue'
import NetOverlay from './NetOverlay.vue'
import ShapeOverlay from './ShapeOverlay.vue'
import { useDrawn } from '@/stores/drawn'
import { useTold } from '@/stores/told'
import { useShaping } from '@/stores/shaping'
import GuideLines from './GuideLines.vue'
import HeldMarks from './HeldMarks.vue'
import PinMarks from './PinMarks.vue'
import TraceMarks from './TraceMarks.vue'
import Ruler from './Ruler.vue'
import SurfaceStrip from './SurfaceStrip.vue'
import Told from './Told.vue'
import TypeOnArt from './TypeOnArt.vue'
import { useLooking } from './useLooking'
import { usePanZoom } from './usePanZoom'
import { useReference } from './useReference'
import { useSurfaceKeys } from './useSurfaceKeys'
import { useWipe } from './useWipe'
import WipeLine from './WipeLine.vue'
import { useFingers } from './useFingers'
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
/** A text is being typed on the art: the press that opened its field must not take the keys away again. */
const typesOnArt = computed(() => drawing.value && (draw.typing !== null || draw.opening !== null))
/** The pressed button and the keys decide: with space or the middle button the bench itself is moved. */
const { fingers, fingerDown, fingerMove, fingerUp } = useFingers(tools.cancel, (event) => drawing.value && tools.contextMenu(event))
function down(event: PointerEvent) {
  draw.byTouch = event.pointerType === 'touch'
  if (!fingerDown(event)) return
  if (props.editing && event.button === 0 && !spaceHeld.value && bench.view.kind !== 'source' && bench.view.kind !== 'preview' && !(event.target as Element).closest('[role=button], [role=slider], [role=option]')) {
    // What is compared is looked at; a press of a hand is for the art again, and is not lost.
    bench.show({ kind: 'source' })
    useTold().tell(t('Back on the bench.'))
    return void nextTick(() => drawing.value && tools.pointerDown(event))
  }
  if (drawing.value && !spaceHeld.value && event.button === 0) tools.pointerDown(event)
}
function up(event: PointerEvent) {
  endWipe()
  if (fingerUp(event) && drawing.value) tools.pointerUp(event)
}

const { draft: guideDraft, from: guideFrom, move: guideMove, end: guideEnd } = useGuides(surface, toBench, () => props.editing)
const { reference, referenceAt, grabReference } = useReference(() => props.editing, tools, toBench)

const place = computed(() => `translate(${left.value} ${top.value}) scale(${scale.value})`)
/** Left, top, width and height of the customer's file, where it is to be seen. */
const fileAt = computed(() => (bench.view.kind === 'file' || bench.wipesFile ? (bench.job?.file ?? null) : null))
const wiping = computed(() => bench.shown.before !== null || bench.wipesFile !== null)
const wipeX = computed(() => left.value + bench.wipeAt * (size.value?.width ?? 0) * scale.value)
/** A sheet alone shows the findings on it alone. */
const onSheet = computed(() => (bench.view.kind === 'sheet' && bench.shown.after ? new Set(bench.shown.after.pieces.map((piece) => piece.id)) : null))
const marksShown = computed(() => bench.view.kind !== 'preview' && !bench.running)

useLooking(pan, () => props.stage)
const chosenGroup = computed(() => (bench.group === null ? null : new Set(bench.groups[bench.group]?.findings ?? [])))

function track(event: PointerEvent) {
  const box = surface.value!.getBoundingClientRect()
  pointer.value = { x: (event.clientX - box.left - left.value) / scale.value, y: (event.clientY - box.top - top.value) / scale.value }
  fingerMove(event)
  if (dragging.value) moveWipe(event)
  else if (drawing.value && !grabbing.value && fingers.value < 2) tools.pointerMove(event)
}

const dragging = ref(false)
const { startWipe, moveWipe, endWipe, wipeKey } = useWipe(dragging, (event) => toBench(event).x / (size.value?.width ?? 1))

function press(id: string, more: boolean) {
  if (!spaceHeld.value && !props.editing) bench.choose(id, more)
}

useSurfaceKeys(surface, drawing, tools, pan)
defineExpose({ cancel: tools.cancel, endCurve: tools.endCurve })

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
      @pointerenter="editing && (snap.armed.value = true)"
      @pointerleave="pointer = null"
      @pointerdown="down"
      @pointerup="up"
      @mousedown="typesOnArt && $event.preventDefault()"
      @dragstart.prevent
      @pointercancel="fingerUp($event), tools.cancel()"
      @lostpointercapture="tools.lost($event)"
      @contextmenu="drawing && tools.contextMenu($event)"
      @click="!editing && bench.chooseNone()"
    >
      <svg :width="width" :height="height" role="group" :aria-label="bench.job ? $t('The bench with {title}', { title: bench.job.title }) : $t('The bench')">
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
            <HeldMarks v-if="bench.view.kind === 'source'" />
            <ChosenMarks v-if="bench.view.kind === 'source' && !drawing" />
          </g>
        </g>
        <FindingMarks
          v-if="marksShown && !drawing && stage !== 'proof'"
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
        <PinMarks v-if="stage === 'proof' && bench.view.kind === 'source'" :scale="scale" :left="left" :top="top" />
        <rect v-if="bench.spot" class="looked" data-test="spot" :x="bench.spot.x * scale + left - 5" :y="bench.spot.y * scale + top - 5" :width="bench.spot.width * scale + 10" :height="bench.spot.height * scale + 10" rx="3" />
        <WipeLine v-if="wiping" :x="wipeX" :height="height" :left="bench.view.kind === 'preview' ? $t('picture') : $t('before')" :right="bench.view.kind === 'preview' ? $t('curves') : $t('after')" @pointerdown.stop="startWipe" @keydown="wipeKey" />
        <TraceMarks :scale="scale" :left="left" :top="top" :width="width" :height="height" />
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
        <NetOverlay :scale="scale" :left="left" :top="top" :moving="spaceHeld || grabbing" :to-bench="toBench" />
        <ShapeOverlay :scale="scale" :left="left" :top="top" :width="width" :height="height" :moving="spaceHeld || grabbing" :to-bench="toBench" />
      </svg>
      <svg v-if="drawing" class="lift" data-lift :width="width" :height="height" aria-hidden="true"><g :transform="place" /></svg>
      <TypeOnArt v-if="typesOnArt" :key="draw.typing ?? 'new'" :tools="tools" :scale="scale" :left="left" :top="top" :width="width" :height="height" />
      <Told :at="pointer && { x: pointer.x * scale + left, y: pointer.y * scale + top }" :width="width" :height="height" />
      <BenchMenu v-if="tools.menu.value" :at="tools.menu.value" @close="tools.menu.value = null" />
    </div>
    <SurfaceStrip :pan="pan" :pointer="pointer" :drawing="drawing" />
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
.page { fill: var(--sheet); stroke: var(--line-strong); stroke-width: 1; vector-effect: non-scaling-stroke; }
.looked { fill: none; stroke: var(--coral); stroke-width: 2; stroke-dasharray: 5 4; pointer-events: none; }
</style>
