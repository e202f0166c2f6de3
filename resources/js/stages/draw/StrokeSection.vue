<script setup lang="ts">
import { labelled } from '@/fields/options'
import Choose from '@/fields/Choose.vue'
import TypedWords from '@/fields/TypedWords.vue'
import TypedValue from '@/fields/TypedValue.vue'
import { useBench } from '@/stores/bench'
import { useChoices } from '@/stores/choices'
import { useShaping } from '@/stores/shaping'
import { useDraw } from '@/stores/draw'
import { inUnit } from '@/units'
import { computed } from 'vue'
import Section from './Section.vue'
import Swatches from './Swatches.vue'
import WidthStops from './WidthStops.vue'

const bench = useBench()
const choices = useChoices()
const draw = useDraw()
const shaping = useShaping()
shaping.load()
const piece = computed(() => [...bench.chosen].map((id) => bench.byId.get(id)).find((one) => one?.stroke) ?? null)
const stroke = computed(() => piece.value?.stroke ?? null)
const closed = computed(() => bench.detail?.details.find((detail) => detail.id === piece.value?.id)?.contours[0]?.closed ?? false)
/** As the edit describes them. */
const ends = computed(() => Object.entries(shaping.edits.stroke?.fields.find((field) => field.name === 'start')?.options ?? {}).map(([value, label]) => ({ value, label })))
const set = (fields: Record<string, unknown>) => bench.draw({ kind: 'stroke', pieces: [...bench.chosen], ...fields })
function colour(text: string) {
  draw.line = text
  if (bench.chosen.size > 0) set({ colour: text, ...(stroke.value || text === 'none' ? {} : { width: draw.lineWidth }) })
}
/** As it is on the art: a line that was stretched with its piece has two widths. */
const uneven = computed(() => stroke.value !== null && stroke.value.widths[1] - stroke.value.widths[0] > 1e-6 * stroke.value.widths[1])
const widths = computed(() => {
  if (!stroke.value) return ''
  const [least, greatest] = stroke.value.widths.map((one) => Number(one.toFixed(3)))
  return uneven.value ? `${least} to ${greatest} mm` : `${greatest} mm`
})
async function width(text: string) {
  await set({ width: text })
  if (stroke.value) draw.lineWidth = stroke.value.widths[1]
}
/** Dashes in the unit of the job, as the fields beside them are. */
const dashes = computed(() => (stroke.value?.dashes ?? '').split(' ').filter((part) => part !== '').map((part) => inUnit(Number(part), bench.job?.unit ?? 'mm').replace(' ', '')).join(' '))
</script>

<template>
  <Section title="Stroke" name="stroke" :says="stroke?.cut ? $t('cut once') : stroke ? widths : bench.chosen.size === 0 && draw.line !== 'none' ? inUnit(draw.lineWidth, bench.job?.unit ?? 'mm') : $t('none')">
    <Swatches label="Stroke" :value="bench.chosen.size > 0 ? (stroke?.colour ?? 'none') : draw.line" @keep="colour" />
    <TypedValue v-if="!stroke?.cut" label="Width" name="strokeWidth" :value="stroke?.widths[1] ?? draw.lineWidth" :local="bench.chosen.size === 0" :least="0.001" @keep="width" @measured="draw.lineWidth = $event" />
    <Choose v-if="!stroke" label="Side" :value="draw.side" :options="labelled({ centre: $t('Centre'), inside: $t('Inside'), outside: $t('Outside') })" data-field="nextSide" @keep="draw.side = $event" />
    <template v-if="stroke">
      <Choose label="The line is" :value="stroke.cut ? 'cut' : 'drawn'" :options="labelled({ drawn: $t('Drawn'), cut: $t('Cut once') })" data-field="use" @keep="set({ use: $event })" />
      <p v-if="stroke.cut" class="says">A tool follows it once, on the sheet of its colour. It paints nothing, and no step changes it.</p>
    </template>
    <template v-if="stroke && !stroke.cut">
      <p v-if="uneven" class="says" data-test="uneven">Stretched with its piece: {{ widths }} wide. A typed width makes it even again.</p>
      <TypedValue label="Opacity" name="strokeOpacity" plain :value="stroke.opacity" @keep="set({ opacity: $event })" />
      <Choose label="Ends" :value="stroke.cap" :options="labelled({ butt: $t('Cut off'), round: $t('Round'), square: $t('Square') })" data-field="cap" @keep="set({ cap: $event })" />
      <template v-if="!closed">
        <Choose label="Begins with" :value="stroke.ends?.[0] ?? 'plain'" :options="ends" data-field="start" @keep="set({ start: $event })" />
        <Choose label="Ends with" :value="stroke.ends?.[1] ?? 'plain'" :options="ends" data-field="finish" @keep="set({ finish: $event })" />
        <TypedValue v-if="stroke.ends" label="Size, in widths" name="endSize" plain :value="stroke.ends[2]" @keep="set({ endSize: $event })" />
      </template>
      <Choose label="Corners" :value="stroke.join" :options="labelled({ miter: $t('Mitred'), round: $t('Round'), bevel: $t('Bevelled') })" data-field="join" @keep="set({ join: $event })" />
      <TypedValue v-if="stroke.join === 'miter'" label="Mitre limit" name="miter" plain :value="stroke.miter" @keep="set({ miter: $event })" />
      <Choose label="Side" :value="stroke.side" :options="labelled({ centre: $t('Centre'), inside: $t('Inside'), outside: $t('Outside') })" data-field="side" @keep="set({ side: $event })" />
      <label class="choice"><span>Dashes</span><TypedWords :value="dashes" placeholder="4mm 2mm" data-field="dashes" @keep="set({ dashes: $event })" /></label>
      <Choose label="Width along it" :value="stroke.stops ? '' : 'even'" :options="[...(stroke.stops ? [{ value: '', label: $t('As set') }] : []), ...Object.entries(choices.all.profiles).map(([value, profile]) => ({ value, label: profile.label }))]" data-field="profile" @keep="set({ profile: $event })" />
      <WidthStops v-if="stroke.stops" :stops="stroke.stops" :width="stroke.width" :closed="closed" @keep="set({ stops: $event })" />
    </template>
  </Section>
</template>

<style scoped>
.says { font-size: 14px; color: var(--coral-deep); line-height: 1.2; }
.choice { display: grid; grid-template-columns: 1fr 109px; font-size: 15px; align-items: center; gap: 5px; }
</style>
