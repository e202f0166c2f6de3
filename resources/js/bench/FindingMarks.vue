<script setup lang="ts">
import type { Finding } from '@/api/types'
import { labelWidth, nameOf } from '@/findings'
import { computed } from 'vue'

const props = defineProps<{ findings: Finding[]; selected: number | null; scale: number; left: number; top: number; width: number; height: number; quiet?: boolean; pieces?: Set<string> | null; first?: number }>()
defineEmits<{ select: [index: number] }>()

/** Marks in view, the chosen one last so that it lies on top; a number that would cover another is left out. */
const marks = computed(() => {
  const taken: { x: number; y: number }[] = []
  const out = props.findings
    .map((finding, index) => ({ finding, index, x: (finding.at?.[0] ?? 0) * props.scale + props.left, y: (finding.at?.[1] ?? 0) * props.scale + props.top }))
    .filter(({ finding, index, x, y }) => finding.at && index < (props.first ?? Infinity) && (!props.pieces || (finding.piece !== undefined && props.pieces.has(finding.piece))) && x > -50 && y > -50 && x < props.width + 50 && y < props.height + 50)
    .sort((a, b) => Number(b.index === props.selected) - Number(a.index === props.selected))
    .map((mark) => {
      const free = taken.every((other) => Math.abs(other.x - mark.x) > 62 || Math.abs(other.y - mark.y) > 19)
      if (free) taken.push(mark)
      const value = mark.finding.width_mm
      const ribbon = mark.finding.ribbon?.map(([x, y]) => `${x * props.scale + props.left - mark.x},${y * props.scale + props.top - mark.y}`).join(' ')
      return { ...mark, ribbon, text: value !== undefined ? `${value.toFixed(2)} mm` : nameOf(mark.finding.kind), labelled: free && (!props.quiet || mark.index === props.selected) }
    })
  return out.reverse()
})
</script>

<template>
  <g class="marks">
    <g
      v-for="mark in marks"
      :key="mark.index"
      :class="['mark', mark.finding.severity, { selected: mark.index === selected }]"
      :transform="`translate(${mark.x} ${mark.y})`"
      role="button"
      tabindex="0"
      :aria-label="mark.finding.message"
      :data-finding="mark.index"
      @click.stop="$emit('select', mark.index)"
      @keydown.enter.stop="$emit('select', mark.index)"
    >
      <title>{{ mark.finding.message }}</title>
      <polygon v-if="mark.ribbon" class="ribbon" :points="mark.ribbon" />
      <circle class="grip" r="13" />
      <path class="caret" d="M0 -3L-7 -15H7Z" />
      <circle class="spot" r="2.5" />
      <template v-if="mark.labelled">
        <rect :x="-labelWidth(mark.text) / 2" y="-35" :width="labelWidth(mark.text)" height="19" rx="3" />
        <text y="-21" text-anchor="middle">{{ mark.text }}</text>
      </template>
    </g>
  </g>
</template>

<style scoped>
.mark { cursor: pointer; outline: none; }
.grip { fill: transparent; }
.ribbon { fill: var(--coral); fill-opacity: .35; stroke: var(--coral); stroke-width: 1.5; stroke-linejoin: round; vector-effect: non-scaling-stroke; pointer-events: none; }
.mark.selected .ribbon { fill-opacity: .7; }
.caret { fill: var(--coral); }
.spot { fill: var(--paper); stroke: var(--coral); stroke-width: 2; }
.mark rect { fill: var(--coral); }
.mark text { font: 500 12.5px var(--text-face); fill: #fff; }
.mark.warning rect { fill: var(--paper); stroke: var(--coral); }
.mark.warning text { fill: var(--coral-deep); }
.mark.note .caret, .mark.note rect { fill: var(--ink-mid); }
.mark.selected rect, .mark:focus-visible rect { stroke: var(--ink); stroke-width: 2; }
.mark.selected .spot { r: 5px; }
</style>
