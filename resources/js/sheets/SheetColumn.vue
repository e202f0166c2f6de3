<script setup lang="ts">
import { t } from '@/words/words'
import { useBench } from '@/stores/bench'
import { useColours } from '@/stores/colours'
import { useUnkept } from '@/stores/unkept'
import { useMaking } from '@/stores/making'
import { count, groundFor } from '@/units'
import { computed, watch } from 'vue'

/** What the machine gets, at all stages: each sheet or plate on its bed once it can be laid out, before that each colour by itself. */
const bench = useBench()
const making = useMaking()
const unkept = useUnkept()
const names = useColours()
names.load()
watch(() => (bench.prepared ? bench.preparation?.id : null), (id) => id && making.load(), { immediate: true })
const laid = computed(() => making.layouts)
const older = computed(() => bench.preparation?.stale === true)
const on = (kind: 'sheet' | 'layout', index: number) => bench.view.kind === kind && bench.view.index === index
function press(kind: 'sheet' | 'layout', index: number) {
  bench.show(on(kind, index) ? { kind: kind === 'layout' ? 'source' : 'wipe' } : { kind, index })
}
/** A colour that nothing of the shop stands for is told in words, and that nothing does. */
function called(index: number) {
  const layer = laid.value[index]!.layers[0]
  return names.said((layer?.name ?? '').replace(/ #[0-9a-f]{6}$/, `, ${layer?.role === 'plate' ? t('no ink chosen') : t('no film chosen')}`))
}
const told = (index: number) => [laid.value[index]!.title, ...laid.value[index]!.warns].map((text) => names.said(text)).join('. ').replace(/\.\./g, '.')
</script>

<template>
  <aside class="column" aria-label="Sheets: what the machine gets">
    <h2>Sheets</h2>
    <p v-if="older && laid.length > 0" class="older">out of date</p>
    <template v-if="bench.sheets.length === 0"><p class="quiet">What the machine gets stands here.</p><button v-if="bench.job && !bench.prepared && !bench.running" type="button" class="quiet-button" data-test="prepare-sheets" @click="unkept.prepare()">Prepare</button></template>
    <template v-if="laid.length > 0">
      <button v-for="(one, index) in laid" :key="one.name" type="button" :class="{ on: on('layout', index), older }" :title="told(index)" :data-sheet="index + 1" @click="press('layout', index)">
        <img :src="`/api/v1/jobs/${bench.job?.id}/layouts/${index}/small.webp?v=${making.state}`" alt="" loading="lazy">
        <span class="name">{{ index + 1 }}. {{ called(index) }}</span>
        <span v-if="one.warns.length > 0" class="warns" data-test="warns">{{ count(one.warns.length, 'warning') }}</span>
      </button>
    </template>
    <template v-else>
      <button
        v-for="(sheet, index) in bench.sheets"
        :key="sheet.file"
        type="button"
        :class="{ on: on('sheet', index) }"
        :title="$t('Sheet {index}, {what}: show alone', { index: index + 1, what: names.of(sheet.colour) })"
        :data-sheet="index + 1"
        @click="press('sheet', index)"
      >
        <img :src="`/api/v1/preparations/${bench.preparation?.id}/sheets/${index + 1}/small.webp`" :style="{ background: groundFor(sheet.colour) }" alt="" loading="lazy">
        <span class="foot"><span class="heard">Sheet {{ index + 1 }}, {{ names.of(sheet.colour) }},</span> <i :style="{ background: sheet.colour, opacity: sheet.opacity }" />{{ count(sheet.pieces, 'piece') }}</span>
      </button>
    </template>
  </aside>
</template>

<style scoped>
.column { display: flex; flex-direction: column; gap: 7px; padding: 4px 6px; overflow-y: auto; overflow-x: hidden; }
h2 { font-size: 16px; text-align: center; }
p { text-align: center; font-size: 15px; }
.older { font-size: 13.5px; line-height: 1.1; color: var(--coral-deep); margin: 0; }
button { border: 1px solid var(--line); background: var(--card); border-radius: 4px; padding: 4px; cursor: pointer; font: 14px/1.1 var(--text-face); color: var(--ink-mid); flex: none; text-align: left; }
button.on { border-color: var(--green); box-shadow: inset 0 0 0 1px var(--green); }
button.older img { opacity: 0.5; }
img { display: block; width: 100%; height: 56px; object-fit: contain; background: var(--bed); }
.name { display: block; margin-top: 3px; overflow-wrap: anywhere; hyphens: auto; }
.warns { display: inline-block; margin-top: 2px; padding: 0 5px; border-radius: 8px; background: var(--coral-pale); color: var(--coral-deep); }
.foot { display: flex; align-items: center; justify-content: center; gap: 5px; margin-top: 3px; white-space: nowrap; }
i { width: 11px; height: 11px; border-radius: 50%; border: 1px solid var(--line-strong); }
</style>
