<script setup lang="ts">
import { useBench } from '@/stores/bench'
import { useColours } from '@/stores/colours'
import { groundFor } from '@/units'

const bench = useBench()
const names = useColours()
names.load()
function press(index: number) {
  const on = bench.view.kind === 'sheet' && bench.view.index === index
  bench.show(on ? { kind: 'wipe' } : { kind: 'sheet', index })
}
</script>

<template>
  <aside class="column" aria-label="Sheets: what the machine gets">
    <h3>Sheets</h3>
    <p v-if="bench.sheets.length === 0" class="quiet">none yet</p>
    <button
      v-for="(sheet, index) in bench.sheets"
      :key="sheet.file"
      type="button"
      :class="{ on: bench.view.kind === 'sheet' && bench.view.index === index }"
      :title="`Sheet ${index + 1}, ${names.of(sheet.colour)}: show alone`"
      :aria-label="`Sheet ${index + 1}, ${names.of(sheet.colour)}, ${sheet.pieces} pieces: show alone`"
      :data-sheet="index + 1"
      @click="press(index)"
    >
      <img :src="`/api/preparations/${bench.preparation?.id}/sheets/${index + 1}/picture.svg`" :style="{ background: groundFor(sheet.colour) }" alt="" loading="lazy">
      <span class="foot"><i :style="{ background: sheet.colour, opacity: sheet.opacity }" />{{ sheet.pieces }} pcs</span>
    </button>
  </aside>
</template>

<style scoped>
.column { display: flex; flex-direction: column; gap: 7px; padding: 4px 6px; overflow-y: auto; overflow-x: hidden; }
h3 { font-size: 16px; text-align: center; }
p { text-align: center; font-size: 15px; }
button { border: 1px solid var(--line); background: #fffdf7; border-radius: 4px; padding: 4px; cursor: pointer; font: 14px/1.1 var(--text-face); color: var(--ink-mid); flex: none; }
button.on { border-color: var(--green); box-shadow: inset 0 0 0 1px var(--green); }
img { display: block; width: 100%; height: 56px; object-fit: contain; }
.foot { display: flex; align-items: center; justify-content: center; gap: 5px; margin-top: 3px; white-space: nowrap; }
i { width: 11px; height: 11px; border-radius: 50%; border: 1px solid var(--line-strong); }
</style>
