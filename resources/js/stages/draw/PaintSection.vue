<script setup lang="ts">
import ColourWell from '@/fields/ColourWell.vue'
import { labelled } from '@/fields/options'
import Slide from '@/fields/Slide.vue'
import Choose from '@/fields/Choose.vue'
import TypedValue from '@/fields/TypedValue.vue'
import { useBench } from '@/stores/bench'
import { useDraw } from '@/stores/draw'
import type { GradientPaint } from '@/api/types'
import { computed } from 'vue'
import Section from './Section.vue'
import Swatches from './Swatches.vue'

const bench = useBench()
const draw = useDraw()
const piece = computed(() => (bench.chosen.size > 0 ? (bench.byId.get([...bench.chosen][0]!) ?? null) : null))
const ids = () => [...bench.chosen]
const fill = computed(() => (piece.value ? (piece.value.fillGradient ? 'gradient' : (piece.value.fill ?? 'none')) : draw.fill))

function setFill(colour: string) {
  draw.fill = colour
  if (bench.chosen.size > 0) bench.draw({ kind: 'fill', pieces: ids(), colour })
}
function gradient(kind: 'linear' | 'radial') {
  const box = piece.value?.box
  if (!box) return
  const from = piece.value?.fill ?? '#1f6f8b'
  const axis = kind === 'linear' ? [box[0], box[1] + box[3] / 2, box[0] + box[2], box[1] + box[3] / 2] : [box[0] + box[2] / 2, box[1] + box[3] / 2, box[0] + box[2], box[1] + box[3] / 2]
  bench.draw({ kind: 'fill', pieces: ids(), gradient: { kind, axis, stops: [{ at: 0, colour: from }, { at: 1, colour: '#faf6ec' }] } })
}
const now = computed<GradientPaint | null>(() => piece.value?.fillGradient ?? null)
function axisOf(paint: GradientPaint): number[] {
  const m = (paint.transform.match(/-?[\d.]+(?:e-?\d+)?/g) ?? []).map(Number)
  const at = (x: number, y: number) => [m[0]! * x + m[2]! * y + m[4]!, m[1]! * x + m[3]! * y + m[5]!]
  const a = paint.axis
  return paint.kind === 'linear' ? [...at(a[0]!, a[1]!), ...at(a[2]!, a[3]!)] : [...at(a[0]!, a[1]!), ...at(a[0]! + a[2]!, a[1]!)]
}
function setStops(stops: GradientPaint['stops']) {
  if (!now.value) return
  const sorted = [...stops].sort((a, b) => a.at - b.at)
  bench.draw({ kind: 'fill', pieces: ids(), gradient: { kind: now.value.kind, spread: now.value.spread, axis: axisOf(now.value), stops: sorted } })
}
function addStop() {
  const stops = now.value!.stops
  const [a, b] = [stops[stops.length - 2]!, stops[stops.length - 1]!]
  setStops([...stops, { at: (a.at + b.at) / 2, colour: a.colour, opacity: 1 }])
}
</script>

<template>
  <Section title="Fill" name="fill" :says="fill === 'none' ? 'none' : fill">
    <Swatches label="Fill" :value="fill" @keep="setFill" />
    <template v-if="piece">
      <div class="row">
        <button type="button" class="quiet-button" data-test="linear" @click="gradient('linear')">Linear gradient</button>
        <button type="button" class="quiet-button" @click="gradient('radial')">Radial</button>
      </div>
      <template v-if="now">
        <div v-for="(stop, index) in now.stops" :key="index" class="stop">
          <ColourWell :value="stop.colour" :says="$t('Colour {index} of the gradient', { index: index + 1 })" @keep="setStops(now.stops.map((one, i) => (i === index ? { ...one, colour: $event } : one)))" />
          <Slide :value="stop.at" :says="$t('Place of colour {index}', { index: index + 1 })" @keep="setStops(now.stops.map((one, i) => (i === index ? { ...one, at: $event } : one)))" />
          <button type="button" class="quiet-button" :disabled="now.stops.length < 3" :aria-label="$t('Remove colour {index}', { index: index + 1 })" @click="setStops(now.stops.filter((_, i) => i !== index))">×</button>
        </div>
        <button type="button" class="quiet-button" @click="addStop">Add a colour</button>
        <p class="says">Drag the ends of the gradient on the art.</p>
      </template>
      <TypedValue label="Opacity" name="opacity" plain :value="piece.fillGradient ? (piece.fillGradient.stops[0]?.opacity ?? 1) : piece.fillOpacity" @keep="bench.draw({ kind: 'fill', pieces: ids(), opacity: $event })" />
      <Choose label="Blend" :value="piece.blend" :options="labelled({ normal: $t('Normal'), multiply: $t('Multiply'), screen: $t('Screen'), darken: $t('Darken'), lighten: $t('Lighten') })" data-field="blend" @keep="bench.draw({ kind: 'blend', pieces: ids(), blend: $event })" />
    </template>
  </Section>
</template>

<style scoped>
.row { display: flex; gap: 6px; }
.stop { display: grid; grid-template-columns: 34px 1fr 26px; gap: 6px; align-items: center; }
.says { font-size: 14px; color: var(--ink-mid); line-height: 1.2; }
</style>
