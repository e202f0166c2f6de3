<script setup lang="ts">
import { api } from '@/api/client'
import type { VersionList } from '@/api/types'
import { useBench, type Side } from '@/stores/bench'
import { computed, ref, watch } from 'vue'

/** What the wipe compares: any two of the file, the bench, the art after a step, versions. */
const bench = useBench()
const versions = ref<VersionList['versions']>([])
watch(() => bench.job?.id, async (id) => {
  versions.value = []
  // Without versions there is still all else to compare.
  if (id !== undefined) versions.value = (await api.get<VersionList>(`jobs/${id}/versions`).catch(() => ({ versions: [] }) as unknown as VersionList)).versions
}, { immediate: true })
const sides = computed<{ key: Side; label: string }[]>(() => [
  ...(bench.hasFile ? [{ key: 'file' as const, label: 'the file as it came in' }] : []),
  { key: 'bench', label: 'what lies on the bench' },
  ...(bench.result?.steps ?? []).slice(0, -1).map((step, index) => ({ key: `step ${index}` as const, label: `after: ${step.label}` })),
  { key: 'result', label: 'the result' },
  ...versions.value.map((version) => ({ key: `version ${version.id}` as const, label: `version: ${version.name}` })),
])
const lies = computed(() => ({ before: bench.wipeWith === 'file' && !bench.hasFile ? 'bench' : bench.wipeWith, after: bench.wipeTo }))
const said = { before: 'Left', after: 'Right' }
const choose = (side: 'before' | 'after', event: Event) => bench.wipe(side, (event.target as HTMLSelectElement).value as Side)
</script>

<template>
  <p class="sides">
    <label v-for="(label, side) in said" :key="side">{{ label }}
      <select :value="lies[side]" :data-test="`wipe-${side}`" @click.stop @change="choose(side, $event)">
        <option v-for="one in sides" :key="one.key" :value="one.key" :disabled="one.key === lies[side === 'before' ? 'after' : 'before']">{{ one.label }}</option>
      </select>
    </label>
  </p>
</template>

<style scoped>
.sides { display: flex; gap: 14px; min-width: 0; margin: 0; }
label { display: flex; align-items: center; gap: 5px; color: var(--green); font-weight: 500; min-width: 0; }
select { font: inherit; font-weight: 400; color: var(--ink); background: #fffcf4; border: 1px solid var(--line-strong); border-radius: 3px; max-width: 190px; height: 23px; }
</style>
