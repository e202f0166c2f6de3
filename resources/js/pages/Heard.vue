<script setup lang="ts">
import { t } from '@/words/words'
import { useBench } from '@/stores/bench'
import { count } from '@/units'
import { computed, ref, watch } from 'vue'

/** What changes without the focus going there is said: what is chosen, how far a preparation is, and what came of it. */
const bench = useBench()
const text = ref('')
const chosen = computed(() => {
  if (bench.chosen.size === 0) return ''
  if (bench.chosen.size > 1) return t('{chosen} chosen', { chosen: count(bench.chosen.size, 'piece') })
  return t('{called} chosen', { called: bench.byId.get([...bench.chosen][0]!)?.called ?? t('One piece') })
})
watch(chosen, (now, before) => (text.value = now || (before ? t('Nothing chosen') : '')))
/** By quarters: each percent would be talk. */
watch(() => (bench.running ? Math.floor(4 * (bench.work?.share ?? 0)) : null), (quarter) => {
  if (quarter !== null && quarter > 0) text.value = t('Prepared to {share} %', { share: 25 * quarter })
})
watch(() => (bench.prepared ? bench.preparation?.id : null), (id, before) => {
  if (id !== null && id !== before && bench.verdict) text.value = bench.verdict.ready ? t('Prepared. Ready. {sentence}.', { sentence: bench.verdict.sentence }) : t('Prepared. Not ready. {sentence}.', { sentence: bench.verdict.sentence })
})
</script>

<template>
  <p class="heard" role="status" data-test="heard">{{ text }}</p>
</template>
