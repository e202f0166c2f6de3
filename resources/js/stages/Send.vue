<script setup lang="ts">
import { useBench } from '@/stores/bench'
import { useColours } from '@/stores/colours'
import { count, groundFor, metres, mm } from '@/units'
import { ElButton } from 'element-plus'
import { computed, ref, watch } from 'vue'
import Drawer from './Drawer.vue'

const bench = useBench()
const names = useColours()
names.load()
const stale = computed(() => bench.preparation?.stale === true)
/** Sheets of an earlier state are not taken by mistake: they are asked for by name. */
const earlier = ref(false)
const asked = computed(() => (stale.value ? '?earlier=1' : ''))
watch(() => bench.preparation?.id, () => (earlier.value = false))
</script>

<template>
  <Drawer title="Sheets" :hint="bench.prepared ? 'SVG in real millimetres, one file for each colour.' : undefined">
    <template v-if="!bench.prepared">
      <p class="quiet">There is nothing to send until the art has been prepared.</p>
      <ElButton type="primary" :disabled="bench.running" @click="bench.prepare()">Prepare</ElButton>
    </template>
    <template v-else>
      <div v-if="stale" class="trouble held" role="alert">
        <p>The job was changed since these sheets were made.</p>
        <ElButton type="primary" :disabled="bench.running" data-test="prepare-stale" @click="bench.prepare()">Prepare again</ElButton>
        <label><input v-model="earlier" type="checkbox" data-test="earlier"> I want the earlier state all the same</label>
      </div>
      <p v-else-if="bench.verdict" :class="['verdict', { open: !bench.verdict.ready }]" data-test="send-verdict"><strong>{{ bench.verdict.ready ? 'Ready.' : 'Not ready.' }}</strong> {{ bench.verdict.sentence }}.<span v-for="reason in bench.verdict.open" :key="reason">{{ ` ${reason}` }}</span></p>
      <a v-if="!stale || earlier" class="all" :href="`/api/preparations/${bench.preparation?.id}/sheets.zip${asked}`" download data-test="all-sheets">Download all as ZIP</a>
      <ul>
        <li v-for="(sheet, index) in bench.sheets" :key="sheet.file">
          <img :src="`/api/preparations/${bench.preparation?.id}/sheets/${index + 1}/picture.svg`" :style="{ background: groundFor(sheet.colour) }" alt="" loading="lazy">
          <div>
            <strong><span class="dab" :style="{ background: sheet.colour, opacity: sheet.opacity }" />{{ index + 1 }}. {{ names.of(sheet.colour) }}</strong>
            <p class="quiet numbers">{{ sheet.width_mm.toFixed(1) }} × {{ mm(sheet.height_mm) }}<br>{{ count(sheet.pieces, 'piece') }}, {{ count(sheet.nodes, 'node') }}<br>{{ metres(sheet.cut_length_mm) }} to cut</p>
            <a v-if="!stale || earlier" :href="`/api/preparations/${bench.preparation?.id}/sheets/${index + 1}.svg${asked}`" download :data-test="`sheet-${index + 1}`">Download SVG</a>
          </div>
        </li>
      </ul>
    </template>
  </Drawer>
</template>

<style scoped>
.held { display: flex; flex-direction: column; gap: 8px; align-items: flex-start; }
.held label { font-size: 15px; display: flex; gap: 6px; }
.verdict { background: var(--green-pale); padding: 7px 11px; border-radius: 3px; line-height: 1.3; font-size: 15.5px; }
.verdict.open { background: var(--coral-pale); }
.verdict strong { font-weight: 600; }
.all { display: block; text-align: center; background: var(--green); color: #fff; text-decoration: none; padding: 8px 14px; border-radius: 4px; font-weight: 500; }
.all:hover { background: var(--green-deep); }
ul { list-style: none; margin: 0; padding: 0; }
li { display: grid; grid-template-columns: 92px 1fr; gap: 12px; padding: 10px 0; border-top: 1px solid var(--line); }
img { width: 92px; height: 84px; object-fit: contain; background: #fffdf7; border: 1px solid var(--line); border-radius: 3px; }
li p { font-size: 15px; line-height: 1.25; }
.dab { display: inline-block; width: 13px; height: 13px; border-radius: 50%; margin-right: 6px; border: 1px solid var(--line-strong); vertical-align: -1px; }
</style>
