<script setup lang="ts">
import { useBench } from '@/stores/bench'
import { count, groundFor, metres, mm } from '@/units'
import { ElButton } from 'element-plus'
import Drawer from './Drawer.vue'

const bench = useBench()
</script>

<template>
  <Drawer title="Sheets" :hint="bench.prepared ? 'SVG in real millimetres, one file for each colour.' : undefined">
    <template v-if="!bench.prepared">
      <p class="quiet">There is nothing to send until the art has been prepared.</p>
      <ElButton type="primary" :disabled="bench.running" @click="bench.prepare()">Prepare</ElButton>
    </template>
    <template v-else>
      <p v-if="bench.preparation?.stale" class="trouble">The job was changed since; prepare it again before sending.</p>
      <a class="all" :href="`/api/preparations/${bench.preparation?.id}/sheets.zip`" download data-test="all-sheets">Download all as ZIP</a>
      <ul>
        <li v-for="(sheet, index) in bench.sheets" :key="sheet.file">
          <img :src="`/api/preparations/${bench.preparation?.id}/sheets/${index + 1}/picture.svg`" :style="{ background: groundFor(sheet.colour) }" alt="" loading="lazy">
          <div>
            <strong><span class="dab" :style="{ background: sheet.colour, opacity: sheet.opacity }" />{{ index + 1 }}. {{ sheet.colour }}</strong>
            <p class="quiet numbers">{{ mm(sheet.width_mm) }} × {{ mm(sheet.height_mm) }}<br>{{ count(sheet.pieces, 'piece') }}, {{ count(sheet.nodes, 'node') }}<br>{{ metres(sheet.cut_length_mm) }} to cut</p>
            <a :href="`/api/preparations/${bench.preparation?.id}/sheets/${index + 1}.svg`" download :data-test="`sheet-${index + 1}`">Download SVG</a>
          </div>
        </li>
      </ul>
    </template>
  </Drawer>
</template>

<style scoped>
.all { display: block; text-align: center; background: var(--green); color: #fff; text-decoration: none; padding: 8px 14px; border-radius: 4px; font-weight: 500; }
.all:hover { background: var(--green-deep); }
ul { list-style: none; margin: 0; padding: 0; }
li { display: grid; grid-template-columns: 92px 1fr; gap: 12px; padding: 10px 0; border-top: 1px solid var(--line); }
img { width: 92px; height: 84px; object-fit: contain; background: #fffdf7; border: 1px solid var(--line); border-radius: 3px; }
li p { font-size: 15px; line-height: 1.25; }
.dab { display: inline-block; width: 13px; height: 13px; border-radius: 50%; margin-right: 6px; border: 1px solid var(--line-strong); vertical-align: -1px; }
</style>
