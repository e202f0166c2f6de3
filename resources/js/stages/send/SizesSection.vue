<script setup lang="ts">
import { number, t } from '@/words/words'
import { words } from '@/api/client'
import type { SizeGroup, SizeRow, Sizes } from '@/api/making'
import { isOpen, type Work } from '@/api/works'
import { nameOf } from '@/findings'
import { useBench } from '@/stores/bench'
import { useGate } from '@/stores/gate'
import { useColours } from '@/stores/colours'
import { refusal } from '@/stores/refusal'
import { useWorks } from '@/stores/works'
import { mm } from '@/units'
import { ElButton } from 'element-plus'
import { computed, onMounted, ref } from 'vue'

/** The same art at other finished sizes, each checked at its own: they are worked off one after the other, and what is done stays when the rest is stopped. */
const bench = useBench()
const gate = useGate()
const names = useColours()
names.load()
const text = ref(bench.job ? [0.5, 0.75, 1].map((share) => `${Math.round(bench.job!.width * share)}mm`).join('\n') : '')
const works = useWorks()
const work = computed(() => (works.last.sizes as Work<Sizes> | undefined) ?? null)
const run = computed(() => work.value?.outcome ?? null)
const problem = refusal(text)
const open = ref<number | null>(null)
const busy = computed(() => isOpen(work.value))
const older = computed(() => run.value !== null && !busy.value && run.value.version !== bench.job?.version)
async function attempt(what: () => Promise<unknown>) {
  problem.value = ''
  try {
    await what()
  } catch (refused) {
    problem.value = words(refused)
  }
}
onMounted(() => attempt(async () => {
  await works.loadLast(bench.job!.id)
  if (busy.value) void works.ended(work.value!)
  if (run.value) text.value = run.value.rows.map((row) => row.typed).join('\n')
}))
const check = () => attempt(() => works.ask(bench.job!.id, 'sizes', { widths: text.value.split(/[\n;]+/).map((one) => one.trim()).filter(Boolean) }))
const stop = () => attempt(() => works.tell(work.value!, 'stop'))
const says = (row: SizeRow) => (row.error ? t('not checked') : row.verdict ? (row.verdict.ready ? t('ready') : t('not ready')) : busy.value ? '…' : t('not reached'))
function show(group: SizeGroup) {
  if (!group.at) return
  bench.show({ kind: 'source' })
  bench.spot = { x: group.at[0] - 2, y: group.at[1] - 2, width: 4, height: 4 }
}
</script>

<template>
  <label class="widths">Finished widths, one a line
    <textarea v-model="text" rows="4" spellcheck="false" data-test="sizes" @keydown.stop />
  </label>
  <ElButton v-if="!busy" type="primary" :disabled="text.trim() === ''" data-test="check-sizes" @click="check">Check each</ElButton>
  <ElButton v-else data-test="stop-sizes" @click="stop">Stop</ElButton>
  <p v-if="busy && work?.doing" class="quiet" role="status">{{ work.doing }}</p>
  <p v-if="problem" class="trouble" role="alert">{{ problem }}</p>
  <p v-if="work?.state === 'failed'" class="trouble" role="alert">{{ work.error }}</p>
  <p v-if="older" class="quiet">Of before the last change.</p>
  <ul>
    <li v-for="(row, index) in run?.rows ?? []" :key="index" :class="{ bad: row.error || row.verdict?.ready === false, open: !row.error && !row.verdict }">
      <button type="button" class="head" :disabled="!row.groups" :aria-expanded="open === index" :data-size="index" @click="open = open === index ? null : index">
        <strong class="numbers">{{ row.height ? `${number(row.width!, 1, 1)} × ${mm(row.height)}` : row.typed }}</strong>
        <span>{{ says(row) }}</span>
      </button>
      <p v-if="row.error" class="why">{{ row.error }}</p>
      <template v-if="open === index && row.groups">
        <p v-for="reason in row.verdict?.open" :key="reason" class="why">{{ reason }}</p>
        <button v-for="(group, k) in row.groups" :key="k" type="button" class="why group" :disabled="!group.at" :title="group.at ? $t('Look at the worst place') : undefined" @click="show(group)">{{ nameOf(group.kind) }}<template v-if="group.sheet?.startsWith('#')"> in {{ names.of(group.sheet) }}</template>: {{ group.count }}<template v-if="group.least_mm !== null">, least {{ mm(group.least_mm) }}</template>. {{ names.said(group.message) }}</button>
        <p v-if="row.groups.length === 0" class="why">Nothing found at this size.</p>
        <a :href="`/api/v1/jobs/${bench.job?.id}/sizes.zip?width=${encodeURIComponent(row.typed)}&format=svg`" download @click="gate.follow">Its sheets as ZIP</a>
      </template>
    </li>
  </ul>
</template>

<style scoped>
.widths { display: flex; flex-direction: column; font-size: 15px; gap: 3px; }
textarea { font: inherit; border: 1px solid var(--line-strong); border-radius: 3px; background: var(--card); padding: 4px 6px; resize: vertical; }
ul { list-style: none; margin: 0; padding: 0; }
li { border-left: 4px solid var(--green); padding: 3px 0 5px 8px; margin-top: 5px; }
li.bad { border-left-color: var(--coral); }
li.open { border-left-color: var(--line-strong); }
.head { display: flex; justify-content: space-between; width: 100%; border: 0; background: none; font: inherit; color: inherit; padding: 0; cursor: pointer; }
.why { display: block; margin: 2px 0; font-size: 14.5px; line-height: 1.25; color: var(--ink-mid); }
.group { border: 0; background: none; padding: 0; font-family: inherit; text-align: left; cursor: pointer; text-decoration: underline dotted; text-underline-offset: 3px; }
.group:disabled { cursor: default; text-decoration: none; }
a { color: var(--green); font-size: 15px; }
</style>
