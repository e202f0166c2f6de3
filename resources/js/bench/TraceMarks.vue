<script setup lang="ts">
import { useBench } from '@/stores/bench'
import { useTracing } from '@/stores/tracing'
import { computed } from 'vue'

/** Where on the art that is which was meant by dots: what is pointed at in the list. */
defineProps<{ scale: number; left: number; top: number }>()
const bench = useBench()
const tracing = useTracing()
const places = computed(() => {
  const under = bench.art?.reference
  const found = tracing.outcome?.meant.find((one) => one.key === tracing.pointed)
  return under && found ? found.at.map(([x, y]): [number, number] => [under.x + tracing.outcome!.left + x, under.y + tracing.outcome!.top + y]) : []
})
</script>

<template>
  <circle v-for="([x, y], index) in places" :key="index" class="meant" :cx="x * scale + left" :cy="y * scale + top" r="7" data-test="meant-mark" />
</template>

<style scoped>
.meant { fill: none; stroke: var(--coral); stroke-width: 3; pointer-events: none; }
</style>
