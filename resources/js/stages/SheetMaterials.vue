<script setup lang="ts">
import Choose from '@/fields/Choose.vue'
import { useBench } from '@/stores/bench'
import { useColours } from '@/stores/colours'
import { useMaking } from '@/stores/making'
import { t } from '@/words/words'
import { computed, watch } from 'vue'

/** At the ticket, beside what the whole job is made of: what single colours are cut from, where each is a sheet of its own. */
const bench = useBench()
const making = useMaking()
const names = useColours()
names.load()
watch(() => (bench.prepared ? bench.preparation?.id : null), (id) => id && making.load(), { immediate: true })
const chosen = computed(() => making.making?.materials ?? {})
/** Colours that are sheets of their own, and what was chosen for all sheets before the ticket said it. */
const sheets = computed(() => (making.making?.values.arrange === undefined ? [] : [...new Set([...(bench.job?.sheetsByColour ? making.layouts.map((one) => one.layers[0]?.colour ?? '') : []), ...Object.keys(chosen.value)])]))
const called = (sheet: string) => (sheet === 'all' ? t('All sheets') : names.of(sheet))
const usual = computed(() => bench.job?.stock.material?.name)
const offered = computed(() => [{ value: 0, label: usual.value ? t('as the job: {name}', { name: usual.value }) : t('as the job') }, ...making.materials.map((one) => ({ value: one.id, label: one.name }))])
</script>

<template>
  <details v-if="sheets.length > 0" class="materials" data-test="sheet-materials" :open="Object.keys(chosen).length > 0">
    <summary>Materials of single colours</summary>
    <div v-for="sheet in sheets" :key="sheet" class="one">
      <span><i v-if="sheet !== 'all'" :style="{ background: sheet }" />{{ called(sheet) }}</span>
      <Choose :value="chosen[sheet] ?? 0" :options="offered" :says="$t('Material of {sheet}', { sheet: called(sheet) })" :data-material="sheet" @keep="making.material(sheet, $event || null)" />
    </div>
  </details>
</template>

<style scoped>
summary { cursor: pointer; font-weight: 500; padding-bottom: 6px; }
.one { display: grid; grid-template-columns: minmax(0, 1fr) 110px; gap: 6px; align-items: center; font-size: 15px; margin-bottom: 5px; }
span { overflow: hidden; text-overflow: ellipsis; white-space: nowrap; }
i { display: inline-block; width: 12px; height: 12px; border-radius: 2px; border: 1px solid var(--line-strong); margin-right: 6px; vertical-align: -1px; }
</style>
