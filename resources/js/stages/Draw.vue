<script setup lang="ts">
import { useBench } from '@/stores/bench'
import { ElButton } from 'element-plus'
import { computed, ref } from 'vue'
import Drawer from './Drawer.vue'

const bench = useBench()
const shown = ref(200)
// The uppermost piece first, as it lies.
const pieces = computed(() => [...(bench.art?.pieces ?? [])].reverse())

function describe(box: [number, number, number, number] | null) {
  return box ? `${box[2].toFixed(1)} × ${box[3].toFixed(1)} mm` : ''
}
async function remove() {
  await bench.edit({ kind: 'remove', pieces: [...bench.chosen] })
}
</script>

<template>
  <Drawer title="Pieces" hint="Press a piece here or on the bench; hold Shift for more than one.">
    <div class="row">
      <ElButton size="small" @click="bench.chooseAll()">Choose all</ElButton>
      <ElButton size="small" :disabled="bench.chosen.size === 0" :loading="bench.busy" @click="remove">Remove chosen</ElButton>
    </div>
    <p v-if="pieces.length === 0" class="quiet">There is no piece on the bench. Undo, or start a job with another file.</p>
    <ul>
      <li v-for="piece in pieces.slice(0, shown)" :key="piece.id">
        <button type="button" :class="{ chosen: bench.chosen.has(piece.id) }" :aria-pressed="bench.chosen.has(piece.id)" @click="bench.choose(piece.id, $event.shiftKey || $event.ctrlKey || $event.metaKey)">
          <span class="dab" :style="{ background: piece.fill ?? 'transparent', borderColor: piece.stroke?.colour ?? 'var(--line-strong)' }" />
          <span class="name">{{ piece.name || piece.id }}</span>
          <span class="size numbers">{{ piece.stroke ? `line ${piece.stroke.width.toFixed(2)}` : '' }} {{ describe(piece.box) }}</span>
        </button>
      </li>
    </ul>
    <ElButton v-if="pieces.length > shown" size="small" @click="shown += 500">Show more of {{ pieces.length }}</ElButton>
  </Drawer>
</template>

<style scoped>
.row { display: flex; gap: 6px; }
ul { list-style: none; margin: 0 -6px; padding: 0; }
button:not(.el-button) { display: grid; grid-template-columns: 18px 1fr; gap: 0 9px; width: 100%; align-items: center; border: 0; background: none; padding: 4px 6px; text-align: left; font: inherit; cursor: pointer; border-radius: 3px; }
button:not(.el-button):hover { background: var(--paper-deep); }
button.chosen { background: var(--green-pale); }
.dab { width: 17px; height: 17px; border-radius: 50%; border: 2px solid; }
.name { overflow: hidden; text-overflow: ellipsis; white-space: nowrap; }
.size { grid-column: 2; font-size: 14px; line-height: 1.1; color: var(--ink-mid); }
</style>
