<script setup lang="ts">
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
/** A slide stops by itself near a stop. */
function slide(event: Event) {
  const value = Number((event.target as HTMLInputElement).value)
  const stop = now.value.stops.find((each) => Math.abs(each - value) < 0.012)
  set({ slide: stop ?? value })
}
</script>

<template>
  <Section title="Letters" name="text" :says="one?.text ? 'still text' : ''">
    <TypedWords :key="one?.id ?? 'next'" :value="now.text" :rows="2" aria-label="The text" data-field="text" @keep="set({ text: $event })" />
    <label class="choice"><span>Font</span>
      <select :value="now.family" data-field="family" @change="set({ family: ($event.target as HTMLSelectElement).value })"><option v-for="each in choices.all.families" :key="each.family" :value="each.family">{{ each.family }} - {{ each.character }}</option></select>
    </label>
    <div class="row">
      <label><input type="checkbox" :checked="now.bold" :disabled="!family?.bold" data-field="bold" @change="set({ bold: ($event.target as HTMLInputElement).checked })"> Bold</label>
      <label><input type="checkbox" :checked="now.italic" :disabled="!family?.italic" @change="set({ italic: ($event.target as HTMLInputElement).checked })"> Italic</label>
      <button type="button" class="quiet-button more" @click="fonts = true">Add fonts</button>
    </div>
    <TypedValue label="Size" name="size" :value="now.size" :local="!one?.text" :least="0.1" @keep="set({ size: $event })" @measured="set({ size: $event })" />
    <TypedValue label="Letter spacing" name="spacing" :value="now.spacing" :local="!one?.text" @keep="set({ spacing: $event })" @measured="set({ spacing: $event })" />
    <TypedValue v-if="one?.text" label="Line spacing" name="leading" plain :value="now.leading" @keep="set({ leading: $event })" />
    <label class="choice"><span>Aligned</span>
      <select :value="now.align" data-field="align" @change="set({ align: ($event.target as HTMLSelectElement).value })"><option value="start">At its start</option><option value="middle">In the middle</option><option value="end">At its end</option></select>
    </label>
    <label v-if="!one?.text" class="tick"><input v-model="draw.onLine" type="checkbox" data-field="onLine"> The next stands on the line that I press</label>
    <template v-if="one?.text">
      <label class="choice"><span>Stands on</span>
        <select :value="now.onLine ? (now.follows ?? 'kept') : 'none'" data-field="along" @change="set({ along: ($event.target as HTMLSelectElement).value })">
          <option value="none">A straight line</option>
          <option v-if="now.onLine && !now.follows" value="kept">A line that is gone</option>
          <option v-for="piece in lines" :key="piece.id" :value="piece.id">{{ piece.called }}</option>
        </select>
      </label>
      <template v-if="now.onLine">
        <label class="choice"><span>Runs</span>
          <select :value="now.inside ? 'in' : 'out'" data-field="inside" @change="set({ inside: ($event.target as HTMLSelectElement).value === 'in' })"><option value="out">Outside it</option><option value="in">Inside it</option></select>
        </label>
        <label class="choice"><span>Stands</span>
          <select :value="now.stand" data-field="stand" @change="set({ stand: ($event.target as HTMLSelectElement).value })"><option value="above">Above the line</option><option value="on">On the line</option><option value="below">Below the line</option></select>
        </label>
        <TypedValue label="From the line" name="distance" :value="now.distance" @keep="set({ distance: $event })" />
        <TypedValue label="Along it, %" name="along-share" plain :value="Number((now.slide * 100).toFixed(2))" @keep="set({ slide: Number($event) / 100 })" />
        <label class="slide"><span>Slid along it</span>
          <input type="range" min="0" max="1" step="0.002" :value="now.slide" list="text-stops" data-field="slide" @change="slide">
          <datalist id="text-stops"><option v-for="stop in now.stops" :key="stop" :value="stop" /></datalist>
        </label>
      </template>
    </template>
    <ElDialog v-model="fonts" title="Fonts of the shop" width="560" append-to-body><ShopFonts open @changed="choices.reload()" /></ElDialog>
  </Section>
</template>

<style scoped>
.choice { display: grid; grid-template-columns: 76px minmax(0, 1fr); font-size: 15px; align-items: center; gap: 5px; }
select { font: inherit; border: 1px solid var(--line-strong); border-radius: 3px; background: #fffcf4; padding: 3px 4px; min-width: 0; width: 100%; color: var(--ink); }
.row { display: flex; gap: 12px; align-items: center; font-size: 15px; }
.more { margin-left: auto; }
.tick { display: flex; gap: 7px; align-items: center; font-size: 15px; line-height: 1.2; }
.slide { font-size: 15px; display: block; }
.slide input { width: 100%; accent-color: var(--green); }
</style>
