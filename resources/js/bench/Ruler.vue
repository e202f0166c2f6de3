<script setup lang="ts">
import { digits } from '@/words/words'
import { mmPer } from '@/units'
import { computed } from 'vue'

const props = defineProps<{ across: boolean; length: number; offset: number; scale: number; unit: string }>()
/** px per unit of the job */
const per = computed(() => props.scale * (mmPer[props.unit] ?? 1))

/** The smallest step of 1, 2 or 5 that leaves room for its number. */
const step = computed(() => {
  for (let power = -3; power < 6; power++) {
    for (const first of [1, 2, 5]) {
      const value = first * 10 ** power
      if (value * per.value >= 58) return value
    }
  }
  return 1e6
})

const ticks = computed(() => {
  const small = step.value / 10
  const from = Math.floor(-props.offset / per.value / small)
  const to = Math.ceil((props.length - props.offset) / per.value / small)
  const out: { at: number; size: number; text: string }[] = []
  for (let k = from; k <= to; k++) {
    const main = k % 10 === 0
    out.push({ at: k * small * per.value + props.offset, size: main ? 22 : k % 5 === 0 ? 9 : 5, text: main ? digits(Number((k * small).toFixed(3))) : '' })
  }
  return out
})
</script>

<template>
  <svg :class="['ruler', across ? 'across' : 'down']" :width="across ? length : 24" :height="across ? 24 : length" aria-hidden="true">
    <g v-for="tick in ticks" :key="tick.at">
      <template v-if="across">
        <line :x1="tick.at" :x2="tick.at" y1="24" :y2="24 - tick.size" />
        <text v-if="tick.text" :x="tick.at + 3" y="10">{{ tick.text }}</text>
      </template>
      <template v-else>
        <line :y1="tick.at" :y2="tick.at" x1="24" :x2="24 - tick.size" />
        <text v-if="tick.text" :transform="`translate(10 ${tick.at - 3}) rotate(-90)`">{{ tick.text }}</text>
      </template>
    </g>
  </svg>
</template>

<style scoped>
.ruler { display: block; background: var(--paper-deep); }
.ruler line { stroke: var(--ink-soft); stroke-width: 1; shape-rendering: crispEdges; }
.ruler text { font: 11px var(--text-face); fill: var(--ink-mid); }
</style>
