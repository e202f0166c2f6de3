<script setup lang="ts">
import { t } from '@/words/words'
import { labelled } from '@/fields/options'
import Slide from '@/fields/Slide.vue'
import Tick from '@/fields/Tick.vue'
import Choose from '@/fields/Choose.vue'
import TypedWords from '@/fields/TypedWords.vue'
import TypedValue from '@/fields/TypedValue.vue'
import { useBench } from '@/stores/bench'
import { useChoices } from '@/stores/choices'
import { useDraw } from '@/stores/draw'
import ShopFonts from '@/pages/ShopFonts.vue'
import { ElDialog } from 'element-plus'
import { computed, ref } from 'vue'
import Section from './Section.vue'

const bench = useBench()
const choices = useChoices()
const draw = useDraw()
const one = computed(() => (bench.detail?.details.length === 1 ? bench.detail.details[0]! : null))
/** The chosen text, or how the next one will be set. */
const now = computed(() => one.value?.text ?? { ...draw.text, leading: 1.2, inside: false, stand: 'above', slide: 0.5, distance: 0, onLine: false, follows: null, stops: [] as number[] })
const fonts = ref(false)
const family = computed(() => choices.all.families.find((each) => each.family === now.value.family))
const lines = computed(() => bench.art?.pieces.filter((piece) => bench.touchable(piece) && !piece.live?.includes('text')).slice(-60).reverse() ?? [])
function set(fields: Record<string, unknown>) {
  if (one.value?.text) bench.draw({ kind: 'set-text', pieces: [one.value.id], ...fields })
  else Object.assign(draw.text, fields)
}
const under = computed(() => [{ value: 'none', label: t('A straight line') }, ...(now.value.onLine && !now.value.follows ? [{ value: 'kept', label: t('A line that is gone') }] : []), ...lines.value.map((piece) => ({ value: piece.id, label: piece.called }))])
/** A slide stops by itself near a stop. */
function slide(value: number) {
  const stop = now.value.stops.find((each) => Math.abs(each - value) < 0.012)
  set({ slide: stop ?? value })
}
</script>

<template>
  <Section title="Letters" name="text" :says="one?.text ? $t('still text') : ''">
    <TypedWords :key="one?.id ?? 'next'" :value="now.text" :rows="2" aria-label="The text" data-field="text" @keep="set({ text: $event })" />
    <Choose label="Font" :value="now.family" :options="choices.all.families.map((each) => ({ value: each.family, label: `${each.family} - ${each.character}` }))" data-field="family" @keep="set({ family: $event })" />
    <div class="row">
      <Tick :value="now.bold" :disabled="!family?.bold" data-field="bold" @keep="set({ bold: $event })">Bold</Tick>
      <Tick :value="now.italic" :disabled="!family?.italic" @keep="set({ italic: $event })">Italic</Tick>
      <button type="button" class="quiet-button more" @click="fonts = true">Add fonts</button>
    </div>
    <TypedValue label="Size" name="size" :value="now.size" :local="!one?.text" :least="0.1" @keep="set({ size: $event })" @measured="set({ size: $event, capitals: null })" />
    <TypedValue label="Capitals" name="capitals" :value="now.capitals" :local="!one?.text" :least="0.1" @keep="set({ capitals: $event })" @measured="set({ capitals: $event })" />
    <TypedValue label="Letter spacing" name="spacing" :value="now.spacing" :local="!one?.text" @keep="set({ spacing: $event })" @measured="set({ spacing: $event })" />
    <TypedValue v-if="one?.text" label="Line spacing" name="leading" plain :value="now.leading" @keep="set({ leading: $event })" />
    <Choose label="Aligned" :value="now.align" :options="labelled({ start: $t('At its start'), middle: $t('In the middle'), end: $t('At its end') })" data-field="align" @keep="set({ align: $event })" />
    <Tick v-if="!one?.text" :value="draw.onLine" data-field="onLine" @keep="draw.onLine = $event">The next stands on the line that I press</Tick>
    <template v-if="one?.text">
      <Choose label="Stands on" :value="now.onLine ? (now.follows ?? 'kept') : 'none'" :options="under" data-field="along" @keep="set({ along: $event })" />
      <template v-if="now.onLine">
        <Choose label="Runs" :value="now.inside ? 'in' : 'out'" :options="labelled({ out: $t('Outside it'), in: $t('Inside it') })" data-field="inside" @keep="set({ inside: $event === 'in' })" />
        <Choose label="Stands" :value="now.stand" :options="labelled({ above: $t('Above the line'), on: $t('On the line'), below: $t('Below the line') })" data-field="stand" @keep="set({ stand: $event })" />
        <TypedValue label="From the line" name="distance" :value="now.distance" @keep="set({ distance: $event })" />
        <TypedValue label="Along it, %" name="along-share" plain :value="Number((now.slide * 100).toFixed(2))" @keep="set({ slide: Number($event) / 100 })" />
        <div class="slid"><span>Slid along it</span><Slide says="Slid along it" :value="now.slide" :step="0.002" :marks="now.stops" data-field="slide" @keep="slide" /></div>
      </template>
    </template>
    <ElDialog v-model="fonts" title="Fonts of the shop" width="560" append-to="#over"><ShopFonts open @changed="choices.reload()" /></ElDialog>
  </Section>
</template>

<style scoped>
.choose { grid-template-columns: 76px minmax(0, 1fr); }
.slid { display: grid; grid-template-columns: 90px 1fr; align-items: center; font-size: 15px; }
.row { display: flex; gap: 12px; align-items: center; font-size: 15px; }
.more { margin-left: auto; }
.tick { display: flex; gap: 7px; align-items: center; font-size: 15px; line-height: 1.2; }
.slide { font-size: 15px; display: block; }
.slide input { width: 100%; accent-color: var(--green); }
</style>
