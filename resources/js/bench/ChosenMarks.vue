<script setup lang="ts">
import { useBench } from '@/stores/bench'
import { computed } from 'vue'

/** The outlines of what is chosen, as dashes that are as wide at any zoom. */
const props = defineProps<{ hide?: boolean }>()
const bench = useBench()
const pieces = computed(() => (props.hide ? [] : [...bench.chosen].slice(0, 400).map((id) => bench.byId.get(id)).filter((piece) => piece !== undefined)))
</script>

<template>
  <g class="chosen-marks">
    <path v-for="piece in pieces" :key="piece.id" :data-move="piece.id" :data-chosen="piece.id" :d="piece.d" :transform="piece.transform" />
  </g>
</template>

<style scoped>
path { fill: none; stroke: var(--green); stroke-width: 1.3; vector-effect: non-scaling-stroke; stroke-dasharray: 5 3; pointer-events: none; }
</style>
