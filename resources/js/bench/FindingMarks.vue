<script setup lang="ts">
import { number } from '@/words/words'
import type { Finding } from '@/api/types'
import { labelWidth, nameOf } from '@/findings'
import { useColours } from '@/stores/colours'
import { computed, ref, useId, watch } from 'vue'

const props = defineProps<{ findings: Finding[]; shown: number[]; group: Set<number> | null; selected: number | null; scale: number; left: number; top: number; width: number; height: number; pieces?: Set<string> | null; first?: number }>()
const names = useColours()
names.load()
const emit = defineEmits<{ select: [index: number] }>()
const own = useId()
/** The mark that the keys are at: all of them are one stop, walked through by arrows. */
const at = ref<number | null>(null)
watch(() => props.selected, (now) => (at.value = now))
function key(event: KeyboardEvent) {
  const all = [...marks.value].sort((a, b) => a.index - b.index)
  const now = all.findIndex((mark) => mark.index === at.value)
  const next = { ArrowRight: now + 1, ArrowDown: now + 1, ArrowLeft: now - 1, ArrowUp: now - 1, Home: 0, End: all.length - 1 }[event.key]
  if (event.key === 'Enter' || event.key === ' ') {
    if (at.value !== null) emit('select', at.value)
  } else if (next === undefined) return
  else at.value = all[(next + all.length) % all.length]!.index
  event.preventDefault()
  event.stopPropagation()
}

/** Marks in view: small ones, and those of the chosen group with their widths, as far as they do not cover each other. The chosen one lies on top. */
const marks = computed(() => {
  const taken: { x: number; y: number }[] = []
  const numbers = props.selected === null || props.shown.includes(props.selected) ? props.shown : [...props.shown, props.selected]
  return numbers
    .map((index) => ({ finding: props.findings[index]!, index, x: (props.findings[index]?.at?.[0] ?? 0) * props.scale + props.left, y: (props.findings[index]?.at?.[1] ?? 0) * props.scale + props.top }))
    .filter(({ finding, index, x, y }) => finding?.at && index < (props.first ?? Infinity) && (!props.pieces || (finding.piece !== undefined && props.pieces.has(finding.piece))) && x > -50 && y > -50 && x < props.width + 50 && y < props.height + 50)
    .sort((a, b) => Number(b.index === props.selected) - Number(a.index === props.selected))
    .map((mark) => {
      const named = mark.index === props.selected || !!props.group?.has(mark.index)
      const free = named && taken.every((other) => Math.abs(other.x - mark.x) > 62 || Math.abs(other.y - mark.y) > 19)
      if (free) taken.push(mark)
      const value = mark.finding.width_mm
      // The stretch is drawn for the chosen one and its group; of all others only the place.
      const ribbon = named ? mark.finding.ribbon?.map((ring) => `M${ring.map(([x, y]) => `${(x * props.scale + props.left - mark.x).toFixed(1)} ${(y * props.scale + props.top - mark.y).toFixed(1)}`).join('L')}Z`).join('') : undefined
      return { ...mark, ribbon, small: !named, text: value !== undefined ? `${number(value, 2, 2)} mm` : nameOf(mark.finding.kind), labelled: free }
    })
    .reverse()
})
</script>

<template>
  <g v-if="marks.length > 0" class="marks" role="listbox" tabindex="0" aria-label="Findings on the art" :aria-activedescendant="at === null ? undefined : `${own}-${at}`" @keydown="key" @focus="at ??= selected ?? marks[0]!.index">
    <g
      v-for="mark in marks"
      :key="mark.index"
      :class="['mark', mark.finding.severity, { selected: mark.index === selected, small: mark.small, at: mark.index === at }]"
      :transform="`translate(${mark.x} ${mark.y})`"
      :id="`${own}-${mark.index}`"
      role="option"
      :aria-selected="mark.index === selected"
      :aria-label="names.said(mark.finding.message)"
      :data-finding="mark.index"
      @click.stop="emit('select', mark.index)"
    >
      <title>{{ names.said(mark.finding.message) }}</title>
      <path v-if="mark.ribbon" class="ribbon" :d="mark.ribbon" />
      <circle class="grip" :r="mark.small ? 8 : 13" />
      <path v-if="mark.small" class="caret" d="M0 0L-4 -7H4Z" />
      <template v-else>
        <path class="caret" d="M0 -3L-7 -15H7Z" />
        <circle class="spot" r="2.5" />
      </template>
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
.small .caret { stroke: var(--sheet); stroke-width: 1; paint-order: stroke; }
.spot { fill: var(--paper); stroke: var(--coral); stroke-width: 2; }
.mark rect { fill: var(--coral); }
.mark text { font: 500 12.5px var(--text-face); fill: var(--on-coral); }
.mark.warning rect { fill: var(--paper); stroke: var(--coral); }
.mark.warning text { fill: var(--coral-deep); }
.mark.note .caret, .mark.note rect { fill: var(--ink-mid); }
.marks { outline: none; }
.mark.selected rect, .marks:focus-visible .at rect { stroke: var(--ink); stroke-width: 2; }
.marks:focus-visible .at .caret { stroke: var(--ink); stroke-width: 2.5; }
.marks:focus-visible .at .grip { stroke: var(--ink); stroke-width: 2; }
.mark.selected .spot { r: 5px; }
</style>
