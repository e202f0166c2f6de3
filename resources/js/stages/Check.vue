<script setup lang="ts">
import { nameOf } from '@/findings'
import { useBench } from '@/stores/bench'
import { mm, percent } from '@/units'
import { ElButton } from 'element-plus'
import { nextTick, ref, watch } from 'vue'
import Drawer from './Drawer.vue'

const bench = useBench()
const list = ref<HTMLElement | null>(null)
/** What the reader said comes first in the list. */
const isNotice = (index: number) => index < (bench.state?.notices.length ?? 0)
const cures: Record<string, string> = { 'solid-colours': 'Lay it on what is under it', 'join-near-blacks': 'Join near-blacks first' }
const reason = ref('')
const ground = ref('#ffffff')
async function accept(index: number) {
  await bench.accept(index, reason.value)
  reason.value = ''
}

watch(
  () => bench.finding,
  async (index) => {
    await nextTick()
    list.value?.querySelector(`[data-row="${index}"]`)?.scrollIntoView({ block: 'nearest' })
  },
)
</script>

<template>
  <Drawer title="Findings">
    <p v-if="bench.job" class="quiet">Lines under {{ mm(bench.job.limits.line) }} and gaps under {{ mm(bench.job.limits.gap) }}, for {{ bench.job.processLabel.toLowerCase() }}.</p>
    <div v-if="bench.verdict" :class="['look', { open: !bench.verdict.ready }]" data-test="look">
      <p><strong>{{ bench.verdict.ready ? 'Ready.' : 'Not ready.' }}</strong> {{ bench.verdict.sentence }}.</p>
      <p v-for="open in bench.verdict.open" :key="open" class="reason">{{ open }}</p>
      <p v-if="bench.result" class="reason numbers">Measured: {{ bench.result.look_difference.area_mm2.toFixed(3) }} mm², {{ percent(bench.result.look_difference.percent) }}</p>
    </div>
    <template v-if="!bench.prepared && !bench.running">
      <p class="quiet">Lines and gaps are measured when the art has been prepared.</p>
      <ElButton type="primary" @click="bench.prepare()">Prepare</ElButton>
    </template>
    <p v-else-if="bench.findings.length === 0 && bench.prepared" class="quiet">Nothing found: every line and gap can be made.</p>
    <ul ref="list">
      <li v-for="(finding, index) in bench.findings" :key="index">
        <button type="button" :class="[finding.severity, { on: bench.finding === index }]" :data-row="index" @click="bench.finding = bench.finding === index ? null : index">
          <span class="kind">{{ nameOf(finding.kind) }}</span>
          <span class="value numbers">{{ finding.width_mm !== undefined ? mm(finding.width_mm) : '' }}</span>
          <span class="says">{{ finding.message }}<template v-if="finding.length_mm"> Over {{ mm(finding.length_mm) }}.</template></span>
          <span v-if="finding.accepted !== undefined" class="says accepted">Accepted{{ finding.accepted ? `: ${finding.accepted}` : '' }}</span>
        </button>
        <div v-if="bench.finding === index && (isNotice(index) || finding.step)" class="cure">
          <template v-if="isNotice(index) && finding.severity !== 'note' && finding.kind !== 'no-size'">
            <ElButton v-if="finding.accepted !== undefined" size="small" data-test="unaccept" @click="bench.accept(index, null)">Not accepted after all</ElButton>
            <form v-else @submit.prevent="accept(index)">
              <input v-model="reason" type="text" maxlength="200" placeholder="why we can do without it" aria-label="Why we can do without it" data-test="reason" @keydown.stop>
              <ElButton size="small" native-type="submit" :disabled="reason.trim() === ''" data-test="accept">Accept</ElButton>
            </form>
          </template>
          <template v-if="finding.step">
            <label v-if="finding.step === 'solid-colours'" class="ground">Ground <input v-model="ground" type="color" aria-label="Colour of the ground"></label>
            <ElButton size="small" type="primary" :disabled="bench.running" data-test="cure" @click="bench.prepareWith(finding.step, finding.step === 'solid-colours' ? ground : null)">{{ cures[finding.step] ?? 'Mend it' }}</ElButton>
          </template>
        </div>
      </li>
    </ul>
  </Drawer>
</template>

<style scoped>
.look { background: var(--green-pale); padding: 7px 11px; border-radius: 3px; line-height: 1.25; display: flex; flex-direction: column; gap: 4px; }
.look.open { background: var(--coral-pale); }
.look strong { font-weight: 600; }
.reason { font-size: 15px; color: var(--ink-mid); }
.accepted { font-style: italic; }
.cure { display: flex; flex-direction: column; align-items: flex-start; gap: 6px; padding: 4px 8px 8px 12px; }
.cure form { display: flex; gap: 6px; width: 100%; }
.cure input[type='text'] { flex: 1; min-width: 0; font: inherit; font-size: 15px; border: 1px solid var(--line-strong); border-radius: 3px; background: #fffcf4; padding: 2px 6px; }
.ground { display: flex; align-items: center; gap: 6px; font-size: 15px; }
.ground input { width: 34px; height: 22px; padding: 0; border: 1px solid var(--line-strong); }
ul { list-style: none; margin: 0 -6px; padding: 0; display: flex; flex-direction: column; gap: 3px; }
button:not(.el-button) { display: grid; grid-template-columns: 1fr auto; gap: 0 8px; width: 100%; text-align: left; border: 0; border-left: 4px solid var(--line-strong); background: none; font: inherit; line-height: 1.25; padding: 5px 8px; cursor: pointer; border-radius: 0 3px 3px 0; }
button:not(.el-button):hover { background: var(--paper-deep); }
button.serious { border-left-color: var(--coral); }
button.warning { border-left-color: #eaa795; }
button.on { background: var(--coral-pale); }
.kind, .value { font-weight: 700; }
.says { grid-column: 1 / -1; font-size: 15px; color: var(--ink-mid); }
</style>
