<script setup lang="ts">
import { api, words } from '@/api/client'
import type { Finding, FindingGroup } from '@/api/types'
import { nameOf } from '@/findings'
import { useBench } from '@/stores/bench'
import { useColours } from '@/stores/colours'
import { mm } from '@/units'
import { ElButton } from 'element-plus'
import { ref } from 'vue'

/** The same art at other finished sizes, each checked at its own. */
interface Row { typed: string; width?: number; height?: number; sheets?: number; verdict?: { ready: boolean; sentence: string; open: string[] }; groups?: FindingGroup[]; findings?: Finding[]; error?: string }
const bench = useBench()
const names = useColours()
names.load()
const text = ref(bench.job ? [0.5, 0.75, 1].map((share) => `${Math.round(bench.job!.width * share)}mm`).join('\n') : '')
const rows = ref<Row[]>([])
const busy = ref(false)
const open = ref<number | null>(null)
async function check() {
  const job = bench.job
  if (!job) return
  rows.value = text.value.split(/[\n;]+/).map((one) => one.trim()).filter(Boolean).slice(0, 40).map((typed) => ({ typed }))
  busy.value = true
  for (const [index, row] of rows.value.entries()) {
    try {
      rows.value[index] = { typed: row.typed, ...(await api.post<Omit<Row, 'typed'>>(`jobs/${job.id}/sizes`, { width: row.typed })) }
    } catch (refused) {
      rows.value[index] = { typed: row.typed, error: words(refused) }
    }
  }
  busy.value = false
}
</script>

<template>
  <label class="widths">Finished widths, one a line
    <textarea v-model="text" rows="4" spellcheck="false" data-test="sizes" @keydown.stop />
  </label>
  <ElButton type="primary" :disabled="busy || text.trim() === ''" data-test="check-sizes" @click="check">{{ busy ? 'Checking…' : 'Check each' }}</ElButton>
  <ul>
    <li v-for="(row, index) in rows" :key="index" :class="{ bad: row.error || row.verdict?.ready === false }">
      <button type="button" class="head" :disabled="!row.groups" :aria-expanded="open === index" :data-size="index" @click="open = open === index ? null : index">
        <strong class="numbers">{{ row.width ? `${row.width.toFixed(1)} × ${mm(row.height!)}` : row.typed }}</strong>
        <span>{{ row.error ? 'not checked' : row.verdict ? (row.verdict.ready ? 'ready' : 'not ready') : '…' }}</span>
      </button>
      <p v-if="row.error" class="why">{{ row.error }}</p>
      <template v-if="open === index && row.groups">
        <p v-for="reason in row.verdict?.open" :key="reason" class="why">{{ reason }}</p>
        <p v-for="(group, k) in row.groups" :key="k" class="why">{{ nameOf(group.kind) }}<template v-if="group.sheet?.startsWith('#')"> in {{ names.of(group.sheet) }}</template>: {{ group.findings.length }}<template v-if="group.least_mm !== null">, least {{ mm(group.least_mm) }}</template>. {{ names.said(row.findings![group.findings[0]!]?.message ?? '') }}</p>
        <p v-if="row.groups.length === 0" class="why">Nothing found at this size.</p>
        <a :href="`/api/jobs/${bench.job?.id}/sizes.zip?width=${encodeURIComponent(row.typed)}&format=svg`" download>Its sheets as ZIP</a>
      </template>
    </li>
  </ul>
</template>

<style scoped>
.widths { display: flex; flex-direction: column; font-size: 15px; gap: 3px; }
textarea { font: inherit; border: 1px solid var(--line-strong); border-radius: 3px; background: #fffcf4; padding: 4px 6px; resize: vertical; }
ul { list-style: none; margin: 0; padding: 0; }
li { border-left: 4px solid var(--green); padding: 3px 0 5px 8px; margin-top: 5px; }
li.bad { border-left-color: var(--coral); }
.head { display: flex; justify-content: space-between; width: 100%; border: 0; background: none; font: inherit; color: inherit; padding: 0; cursor: pointer; }
.why { margin: 2px 0; font-size: 14.5px; line-height: 1.25; color: var(--ink-mid); }
a { color: var(--green); font-size: 15px; }
</style>
