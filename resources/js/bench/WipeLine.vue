<script setup lang="ts">
import { useBench } from '@/stores/bench'

/** The border between what lies on the left and on the right; a drag or the arrow keys move it. Sizes are px. */
defineProps<{ x: number; height: number; left: string; right: string }>()
const bench = useBench()
</script>

<template>
  <g
    class="wipe"
    role="slider"
    tabindex="0"
    :aria-label="$t('Wipe between {left} and {right}', { left, right })"
    :aria-valuenow="Math.round(bench.wipeAt * 100)"
    aria-valuemin="0"
    aria-valuemax="100"
    data-test="wipe"
    @click.stop
  >
    <line class="wide" :x1="x" :x2="x" y1="0" :y2="height" />
    <line :x1="x" :x2="x" y1="0" :y2="height" />
    <g :transform="`translate(${x} ${height - 30})`">
      <rect x="-64" y="-14" width="128" height="28" rx="14" />
      <text x="-10" y="5" text-anchor="end">{{ left }}</text>
      <text x="10" y="5">{{ right }}</text>
    </g>
  </g>
</template>

<style scoped>
.wipe { cursor: ew-resize; outline: none; }
.wipe line { stroke: var(--green); stroke-width: 2; }
.wipe line.wide { stroke: transparent; stroke-width: 18; }
.wipe rect { fill: var(--green); }
.wipe:focus-visible rect { stroke: var(--ink); stroke-width: 2; }
.wipe text { font: 500 14px var(--text-face); fill: var(--on-green); }
</style>
