<script setup lang="ts">
import { useBench } from '@/stores/bench'
import { mm } from '@/units'
import { ElButton } from 'element-plus'
import { computed } from 'vue'
import Drawer from './Drawer.vue'

const bench = useBench()
const whole = computed(() => bench.sheets.reduce((sum, sheet) => sum + sheet.area_mm2, 0))
</script>

<template>
  <Drawer title="Colours" :hint="bench.prepared ? 'What is seen of each colour, by area. Press one to see its sheet alone.' : undefined">
    <template v-if="!bench.prepared">
      <p class="quiet">Colours are counted when the art has been prepared.</p>
      <ElButton type="primary" :disabled="bench.running" @click="bench.prepare()">Prepare</ElButton>
    </template>
    <ul v-else>
      <li v-for="(sheet, index) in bench.sheets" :key="sheet.file">
        <button type="button" :class="{ on: bench.view.kind === 'sheet' && bench.view.index === index }" @click="bench.show({ kind: 'sheet', index })">
          <span class="swatch" :style="{ background: sheet.colour, opacity: sheet.opacity }" />
          <span class="what"><strong>{{ sheet.paint === 'flat' ? sheet.colour : sheet.paint }}</strong>{{ sheet.opacity < 1 ? ` at ${Math.round(sheet.opacity * 100)} %` : '' }}<br>
            <span class="quiet numbers">{{ sheet.width_mm.toFixed(1) }} × {{ mm(sheet.height_mm) }}</span></span>
          <span class="share numbers">{{ ((100 * sheet.area_mm2) / whole).toFixed(1) }} %</span>
          <span class="bar"><span :style="{ width: `${(100 * sheet.area_mm2) / whole}%`, background: sheet.colour }" /></span>
        </button>
      </li>
    </ul>
    <ElButton v-if="bench.view.kind === 'sheet'" @click="bench.show({ kind: 'wipe' })">All sheets again</ElButton>
  </Drawer>
</template>

<style scoped>
ul { list-style: none; margin: 0 -6px; padding: 0; }
li button { display: grid; grid-template-columns: 34px 1fr auto; gap: 2px 10px; align-items: center; width: 100%; border: 0; background: none; padding: 6px; font: inherit; line-height: 1.2; text-align: left; cursor: pointer; border-radius: 4px; }
li button:hover { background: var(--paper-deep); }
li button.on { background: var(--green-pale); }
.swatch { width: 34px; height: 34px; border-radius: 50% 50% 50% 8px; border: 1px solid var(--line-strong); }
.what .quiet { font-size: 15px; }
.bar { grid-column: 1 / -1; height: 4px; background: var(--paper-deep); border-radius: 2px; overflow: hidden; }
.bar span { display: block; height: 100%; }
</style>
