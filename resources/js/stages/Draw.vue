<script setup lang="ts">
import { t } from '@/words/words'
import Choose from '@/fields/Choose.vue'
import FieldForm from '@/fields/FieldForm.vue'
import Tick from '@/fields/Tick.vue'
import TypedValue from '@/fields/TypedValue.vue'
import { useKeys } from '@/keys/useKeys'
import { words } from '@/api/client'
import { useBench } from '@/stores/bench'
import { useChoices } from '@/stores/choices'
import { tools, useDraw } from '@/stores/draw'
import { computed, onMounted, watch } from 'vue'
import ArrangeSection from './draw/ArrangeSection.vue'
import LiveSection from './draw/LiveSection.vue'
import NodeSection from './draw/NodeSection.vue'
import PaintSection from './draw/PaintSection.vue'
import PieceList from './draw/PieceList.vue'
import PlaceSection from './draw/PlaceSection.vue'
import RecolourSection from './draw/RecolourSection.vue'
import SoftSection from './draw/SoftSection.vue'
import StrokeSection from './draw/StrokeSection.vue'
import TextSection from './draw/TextSection.vue'
import TraceSection from './draw/TraceSection.vue'
import UnderSection from './draw/UnderSection.vue'

const bench = useBench()
const keys = useKeys()
const draw = useDraw()
const choices = useChoices()
onMounted(() => choices.load().catch((refused) => (bench.problem = words(refused))))
const now = computed(() => tools.find((one) => one.tool === draw.tool))
const isText = computed(() => draw.tool === 'text' || draw.opening !== null || (bench.detail?.details.length === 1 && bench.detail.details[0]?.text !== null && bench.detail.details[0]?.text !== undefined))
const shape = computed(() => choices.all.shapes.find((one) => one.kind === draw.shape) ?? null)
const shapeValues = computed(() => ({ ...Object.fromEntries(shape.value?.fields.map((field) => [field.name, field.usual]) ?? []), ...draw.shapeValues[draw.shape] }))
/** What is said of the soft brush; the places are drawn. */
const brush = computed(() => choices.all.soft.find((one) => one.kind === 'paint-clip')?.fields.filter((field) => field.name !== 'points') ?? [])
function setBrush(name: string, value: number | string | boolean) {
  draw.soft['paint-clip'] = { ...draw.soft['paint-clip'], [name]: value }
}
function setShape(name: string, value: number | string | boolean) {
  const own = draw.shapeValues[draw.shape] ?? {}
  const field = shape.value?.fields.find((one) => one.name === name)
  // What is no plain number is kept as it was typed: the core reads it.
  draw.shapeValues[draw.shape] = { ...own, [name]: field && ['share', 'count', 'number'].includes(field.type) && Number.isFinite(Number(value)) ? Number(value) : value }
}
/** What the drawer says is what the next piece gets: while something is drawn, it takes on what it shows of the chosen piece. */
watch(
  () => [draw.tool, bench.detail] as const,
  ([tool, detail]) => {
    if (!['shape', 'curve', 'brush'].includes(tool) || !detail || detail.details.length !== 1) return
    const piece = bench.byId.get(detail.details[0]!.id)
    if (!piece || piece.live?.includes('text')) return
    if (!piece.fillGradient) draw.fill = piece.fill ?? 'none'
    draw.line = piece.stroke?.colour ?? 'none'
    if (piece.stroke && tool !== 'brush') [draw.lineWidth, draw.side] = [piece.stroke.widths[1], piece.stroke.side]
    const own = detail.details[0]!.shape
    if (own && own.kind !== 'line' && own.kind === draw.shape) draw.shapeValues[own.kind] = { ...own.values }
  },
)
const says = computed(() => {
  if (draw.tool === 'measure') return t('Drag along a distance on the reference picture.')
  if (draw.tool === 'arrange' && bench.entered) return t('Inside a group: pieces are chosen one by one. Esc leaves it.')
  return now.value?.says ?? ''
})
</script>

<template>
  <section class="drawer" aria-label="Draw">
    <div class="panes" role="tablist">
      <button type="button" role="tab" :aria-selected="draw.pane === 'tools'" @click="draw.pane = 'tools'">Tools</button>
      <button type="button" role="tab" :aria-selected="draw.pane === 'pieces'" data-test="pieces" @click="draw.pane = 'pieces'">Pieces and layers</button>
    </div>
    <PieceList v-if="draw.pane === 'pieces'" />
    <template v-else>
      <div class="tools" role="radiogroup" aria-label="Tool">
        <button v-for="one in tools" :key="one.tool" type="button" role="radio" :aria-checked="draw.tool === one.tool" :class="{ on: draw.tool === one.tool }" :data-tool="one.tool" @click="draw.use(one.tool)">{{ one.label }} <kbd>{{ keys.shown(`tool:${one.tool}`) }}</kbd></button>
      </div>
      <p class="says">{{ says }}</p>
      <div v-if="draw.tool === 'shape'" class="kinds" role="radiogroup" aria-label="Shape">
        <button v-for="one in choices.all.shapes" :key="one.kind" type="button" role="radio" :aria-checked="draw.shape === one.kind" :class="{ on: draw.shape === one.kind }" :data-shape="one.kind" @click="draw.shape = one.kind">{{ one.label }}</button>
      </div>
      <FieldForm v-if="draw.tool === 'shape' && shape && bench.chosen.size === 0" :fields="shape.fields" :values="shapeValues" @keep="setShape" />
      <template v-if="draw.tool === 'brush'">
        <Choose label="Profile" :value="draw.profile" :options="Object.entries(choices.all.profiles).map(([value, profile]) => ({ value, label: profile.label }))" data-field="brushProfile" @keep="draw.profile = $event" />
        <Tick :value="draw.byPressure" data-field="byPressure" @keep="draw.byPressure = $event">A pen sets the width by its pressure</Tick>
        <TypedValue label="Widest" name="brushWidth" :value="draw.brushWidth" local :least="0.01" @measured="draw.brushWidth = $event" />
        <TypedValue label="Smoothing" name="smoothing" :value="draw.smoothing" local :least="0" @measured="draw.smoothing = $event" />
      </template>
      <FieldForm v-if="draw.tool === 'paint'" :fields="brush" :values="draw.soft['paint-clip']!" @keep="setBrush" />
      <NodeSection v-if="draw.tool === 'nodes'" />
      <TextSection v-if="isText" />
      <template v-if="bench.chosen.size > 0">
        <PlaceSection v-if="draw.tool !== 'nodes'" />
        <PaintSection />
        <StrokeSection />
        <SoftSection />
        <LiveSection />
        <ArrangeSection />
      </template>
      <template v-else>
        <PaintSection />
        <StrokeSection />
      </template>
      <RecolourSection v-if="bench.art && bench.art.pieces.length > 0" />
      <UnderSection />
      <TraceSection v-if="bench.art?.reference" />
    </template>
  </section>
</template>

<style scoped>
.drawer { display: flex; flex-direction: column; gap: 8px; padding: 10px 14px 16px 16px; height: 100%; overflow-y: auto; }
.panes { display: grid; grid-template-columns: auto 1fr; gap: 16px; border-bottom: 1px solid var(--line); flex: none; }
.panes button { border: 0; background: none; padding: 2px 0 6px; font: 560 18px/1.1 var(--title-face); color: var(--ink-mid); cursor: pointer; border-bottom: 3px solid transparent; justify-self: start; }
.panes button[aria-selected='true'] { color: var(--green); border-bottom-color: var(--green); }
.tools { display: grid; grid-template-columns: 1fr 1fr; gap: 5px; flex: none; }
.tools button { display: flex; justify-content: space-between; align-items: center; border: 1px solid var(--line-strong); border-radius: 4px; background: var(--card); font: 16px/1.2 var(--text-face); padding: 5px 9px; cursor: pointer; color: var(--ink); }
.tools button.on { background: var(--green); border-color: var(--green); color: var(--on-green); }
kbd { font: 13px var(--text-face); opacity: .65; }
.says { font-size: 15px; line-height: 1.25; color: var(--ink-mid); }
.kinds { display: flex; flex-wrap: wrap; gap: 4px; flex: none; }
.kinds button { border: 1px solid var(--line-strong); border-radius: 12px; background: var(--card); font: 15px/1.2 var(--text-face); padding: 2px 9px; cursor: pointer; color: var(--ink); }
.kinds button.on { background: var(--green-pale); border-color: var(--green); color: var(--green-deep); }
</style>
