<script setup lang="ts">
import ColourWell from '@/fields/ColourWell.vue'
import TypedWords from '@/fields/TypedWords.vue'
import { useBench } from '@/stores/bench'
import { computed } from 'vue'

/** The job's own inks: the colours in use, most used first; and any other by its number. */
defineProps<{ label: string; value: string }>()
const emit = defineEmits<{ keep: [colour: string] }>()
const bench = useBench()
const colours = computed(() => {
  const count = new Map<string, number>()
  for (const piece of bench.art?.pieces ?? []) {
    for (const colour of [piece.fillGradient ? null : piece.fill, piece.stroke?.colour ?? null]) if (colour) count.set(colour, (count.get(colour) ?? 0) + 1)
  }
  return [...count].sort((a, b) => b[1] - a[1]).slice(0, 20).map(([colour]) => colour)
})
function typed(words: string) {
  const text = words.trim()
  emit('keep', text.startsWith('#') || text === 'none' ? text : `#${text}`)
}
</script>

<template>
  <div class="swatches" role="radiogroup" :aria-label="label">
    <button type="button" role="radio" class="none" :aria-checked="value === 'none'" :class="{ on: value === 'none' }" title="None" aria-label="None" @click="emit('keep', 'none')" />
    <button v-for="colour in colours" :key="colour" type="button" role="radio" :aria-checked="value === colour" :class="{ on: value === colour }" :style="{ background: colour }" :title="colour" :aria-label="colour" @click="emit('keep', colour)" />
    <ColourWell :value="value.startsWith('#') ? value : '#26231d'" :says="$t('{label}: another colour', { label })" @keep="emit('keep', $event)" />
    <TypedWords class="number" :value="value" :aria-label="$t('{label}: colour by number', { label })" :data-field="`${label} colour`" @keep="typed" />
  </div>
</template>

<style scoped>
.swatches { display: flex; flex-wrap: wrap; gap: 4px; align-items: center; }
button { width: 24px; height: 20px; border: 1px solid var(--line-strong); border-radius: 10px 10px 10px 2px; padding: 0; cursor: pointer; }
button.on { outline: 2px solid var(--green); outline-offset: 1px; }
.none { background: linear-gradient(to top right, var(--card) 46%, var(--coral) 46% 54%, var(--card) 54%); }
.number { width: 86px; }
</style>
