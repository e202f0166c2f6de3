<script setup lang="ts">
import { useBench } from '@/stores/bench'
import { useCompany } from '@/stores/company'
import { computed } from 'vue'

/** The outlines of what others have in hand, so that nobody takes it out of them unaware. */
const bench = useBench()
const company = useCompany()
const pieces = computed(() => [...company.held].slice(0, 400).map(([id, by]) => ({ piece: bench.byId.get(id), by })).filter((one) => one.piece !== undefined))
</script>

<template>
  <g class="held-marks">
    <path v-for="{ piece, by } in pieces" :key="piece!.id" :data-held="piece!.id" :d="piece!.d" :transform="piece!.transform"><title>{{ by }}</title></path>
  </g>
</template>

<style scoped>
path { fill: none; stroke: var(--coral); stroke-width: 2; vector-effect: non-scaling-stroke; stroke-dasharray: 2 4; pointer-events: none; }
</style>
