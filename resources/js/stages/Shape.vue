<script setup lang="ts">
import { words } from '@/api/client'
import { useBench } from '@/stores/bench'
import { useChoices } from '@/stores/choices'
import { ElButton } from 'element-plus'
import { onMounted, ref, watch } from 'vue'
import Drawer from './Drawer.vue'

const bench = useBench()
const choices = useChoices()
onMounted(() => choices.load().catch((refused) => (bench.problem = words(refused))))
const trying = ref<string | null>(null)

async function attempt(kind: string) {
  trying.value = kind
  await bench.preview({ kind, pieces: [...bench.chosen] })
  if (bench.view.kind !== 'preview') trying.value = null
}
async function keep() {
  if (trying.value && (await bench.edit({ kind: trying.value, pieces: [...bench.chosen] }))) trying.value = null
}
function drop() {
  trying.value = null
  bench.show({ kind: 'source' })
}
watch(
  () => bench.view.kind,
  (kind) => {
    if (kind !== 'preview') trying.value = null
  },
)
</script>

<template>
  <Drawer title="Combine" :hint="bench.chosen.size === 0 ? 'Choose pieces on the bench first; hold Shift for more than one.' : `${bench.chosen.size} chosen. Each tool shows its outcome before it is kept.`">
    <ul>
      <li v-for="tool in choices.all.combine" :key="tool.kind">
        <button type="button" :disabled="bench.chosen.size < tool.least" :class="{ on: trying === tool.kind }" :data-test="tool.kind" @click="attempt(tool.kind)">
          <strong>{{ tool.label }}</strong><span>{{ tool.says }}</span>
        </button>
      </li>
    </ul>
    <div v-if="trying && bench.view.kind === 'preview'" class="keep">
      <ElButton type="primary" :loading="bench.busy" data-test="keep" @click="keep">Keep it</ElButton>
      <ElButton @click="drop">Leave as it was</ElButton>
    </div>
  </Drawer>
</template>

<style scoped>
ul { list-style: none; margin: 0; padding: 0; display: flex; flex-direction: column; gap: 7px; }
li button { display: block; width: 100%; text-align: left; font: inherit; line-height: 1.25; padding: 8px 11px; border: 1px solid var(--line-strong); border-radius: 4px; background: #fffcf4; cursor: pointer; color: var(--ink); }
li button:hover:not(:disabled) { border-color: var(--green); }
li button.on { background: var(--green-pale); border-color: var(--green); }
li button:disabled { opacity: .55; cursor: default; }
li strong { display: block; font-weight: 700; }
li span { font-size: 15px; color: var(--ink-mid); }
/* Always in view, however low the window. */
.keep { display: flex; flex-wrap: wrap; gap: 8px; position: sticky; bottom: -14px; margin: 0 -16px -14px; padding: 10px 16px; background: var(--paper); border-top: 1px solid var(--line); }
.keep .el-button { margin: 0; }
</style>
