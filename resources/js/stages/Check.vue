<script setup lang="ts">
import { useBench } from '@/stores/bench'
import { mm, percent } from '@/units'
import { ElButton } from 'element-plus'
import { nextTick, ref, watch } from 'vue'
import Drawer from './Drawer.vue'

const bench = useBench()
const list = ref<HTMLElement | null>(null)
const names: Record<string, string> = {
  'thin-line': 'Thin line', 'narrow-gap': 'Narrow gap', 'see-through': 'See-through', 'near-black': 'Near-black', 'clip-path': 'Clip', 'path-data': 'Broken path',
  'external-reference': 'Outside the file', 'missing-reference': 'Missing copy', text: 'Text', gradient: 'Gradient', image: 'Picture', mask: 'Mask', filter: 'Filter', pattern: 'Pattern',
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
    <p v-if="bench.result" class="look" data-test="look">Looks {{ percent(bench.result.look_difference.percent) }} different: {{ bench.result.look_difference.area_mm2.toFixed(3) }} mm² of what came in.</p>
    <template v-if="!bench.prepared && !bench.running">
      <p class="quiet">Lines and gaps are measured when the art has been prepared.</p>
      <ElButton type="primary" @click="bench.prepare()">Prepare</ElButton>
    </template>
    <p v-else-if="bench.findings.length === 0 && bench.prepared" class="quiet">Nothing found: every line and gap can be made.</p>
    <ul ref="list">
      <li v-for="(finding, index) in bench.findings" :key="index">
        <button type="button" :class="[finding.severity, { on: bench.finding === index }]" :data-row="index" @click="bench.finding = bench.finding === index ? null : index">
          <span class="kind">{{ names[finding.kind] ?? finding.kind }}</span>
          <span class="value numbers">{{ finding.width_mm !== undefined ? mm(finding.width_mm) : finding.gap_mm !== undefined ? mm(finding.gap_mm) : '' }}</span>
          <span class="says">{{ finding.message }}<template v-if="finding.length_mm"> Over {{ mm(finding.length_mm) }}.</template></span>
        </button>
      </li>
    </ul>
  </Drawer>
</template>

<style scoped>
.look { background: var(--green-pale); padding: 7px 11px; border-radius: 3px; line-height: 1.25; }
ul { list-style: none; margin: 0 -6px; padding: 0; display: flex; flex-direction: column; gap: 3px; }
button:not(.el-button) { display: grid; grid-template-columns: 1fr auto; gap: 0 8px; width: 100%; text-align: left; border: 0; border-left: 4px solid var(--line-strong); background: none; font: inherit; line-height: 1.25; padding: 5px 8px; cursor: pointer; border-radius: 0 3px 3px 0; }
button:not(.el-button):hover { background: var(--paper-deep); }
button.serious { border-left-color: var(--coral); }
button.warning { border-left-color: #eaa795; }
button.on { background: var(--coral-pale); }
.kind, .value { font-weight: 700; }
.says { grid-column: 1 / -1; font-size: 15px; color: var(--ink-mid); }
</style>
