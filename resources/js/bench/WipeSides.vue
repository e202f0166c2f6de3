<script setup lang="ts">
import { t } from '@/words/words'
import Choose from '@/fields/Choose.vue'
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
  ...(bench.hasFile ? [{ key: 'file' as const, label: t('the file as it came in') }] : []),
  { key: 'bench', label: t('what lies on the bench') },
  ...(bench.result?.steps ?? []).slice(0, -1).map((step, index) => ({ key: `step ${index}` as const, label: t('after: {step}', { step: step.label }) })),
  { key: 'result', label: t('the result') },
  ...versions.value.map((version) => ({ key: `version ${version.id}` as const, label: t('version: {name}', { name: version.name }) })),
])
const lies = computed(() => ({ before: bench.wipeWith === 'file' && !bench.hasFile ? 'bench' : bench.wipeWith, after: bench.wipeTo }))
const said = { before: t('Left'), after: t('Right') }
</script>

<template>
  <p class="sides">
    <Choose v-for="(label, side) in said" class="inline side" :key="side" :label="label" :value="lies[side]" :options="sides.map((one) => ({ value: one.key, label: one.label, disabled: one.key === lies[side === 'before' ? 'after' : 'before'] }))" :data-test="`wipe-${side}`" @keep="bench.wipe(side, $event)" @click.stop />
  </p>
</template>

<style scoped>
.sides { display: flex; gap: 14px; min-width: 0; margin: 0; }
.side { color: var(--green); font-weight: 500; max-width: 240px; min-height: 0; }
</style>
