<script setup lang="ts">
import { useDraw } from '@/stores/draw'
import { computed } from 'vue'
import type { Point } from './geometry'
import type { useTools } from './useTools'

/** What the chosen live piece is adjusted by, as the core tells it: lines beneath the frame, middles and tabs above it. Sizes are px at any zoom. */
const props = defineProps<{ tools: ReturnType<typeof useTools>; scale: number; left: number; top: number; wide?: boolean; /** px, of the frame round the piece, where there is one */ frame?: Point[] }>()
const draw = useDraw()

const px = (p: Point): Point => ({ x: props.left + p.x * props.scale, y: props.top + p.y * props.scale })
/** How far an axis is drawn either way of its place, mm. */
const REACH = 1e4
/** px across, under which a piece has no room for tabs on it: it could not be taken, and a tab would be taken for it. */
const ROOMY = 64
const wideness = computed(() => {
  const box = props.tools.frame.value?.box
  return box ? Math.min(box.width, box.height) * props.scale : Infinity
})
/** Beside the frame, for what lies in the middle of it: a piece is taken by its middle. */
const beside = computed(() => (props.frame?.length ? Math.min(...props.frame.map((at) => at.x)) - 26 : null))
const shown = computed(() => {
  const tabs = draw.tool === 'arrange' && props.tools.showing.value && wideness.value >= ROOMY
  return (props.tools.one.value?.knobs ?? [])
    .filter((knob) => (props.wide ? knob.as === 'axis' : knob.as === 'centre' || (knob.as === 'tab' && tabs)))
    .map((knob) => {
      const turn = (knob.angle * Math.PI) / 180
      const [x, y] = [REACH * Math.cos(turn), REACH * Math.sin(turn)]
      return { ...knob, at: px(knob), from: px({ x: knob.x - x, y: knob.y - y }), to: px({ x: knob.x + x, y: knob.y + y }) }
    })
})
</script>

<template>
  <g v-for="knob in shown" :key="knob.name" :class="knob.as" :data-knob="knob.name" :data-value="knob.says" @pointerdown="tools.grabValue($event, knob.name, knob.says, knob.as === 'centre' ? { x: knob.x, y: knob.y } : null)" @click.stop>
    <title>{{ knob.says }}</title>
    <template v-if="knob.as === 'axis'">
      <line class="broad" :x1="knob.from.x" :y1="knob.from.y" :x2="knob.to.x" :y2="knob.to.y" />
      <line :x1="knob.from.x" :y1="knob.from.y" :x2="knob.to.x" :y2="knob.to.y" />
    </template>
    <template v-else-if="knob.as === 'centre'">
      <path class="mark" :d="`M${knob.at.x - 14} ${knob.at.y}h28M${knob.at.x} ${knob.at.y - 14}v28`" />
      <line v-if="beside !== null" class="thread" :x1="knob.at.x" :y1="knob.at.y" :x2="beside" :y2="knob.at.y" />
      <circle :cx="beside ?? knob.at.x" :cy="knob.at.y" r="9" />
    </template>
    <!-- An upright tab with a slit, unlike the lozenges that size a piece and the corners and rounds of nodes. -->
    <g v-else :transform="`translate(${knob.at.x} ${knob.at.y})`"><rect x="-4.5" y="-8" width="9" height="16" rx="2" /><path d="M0 -4V4" /></g>
  </g>
</template>

<style scoped>
.tab, .axis, .centre { pointer-events: auto; }
.tab { cursor: grab; }
.tab rect { fill: var(--ink); stroke: var(--sheet); stroke-width: 1.4; }
.tab path { stroke: var(--sheet); stroke-width: 1.6; stroke-linecap: round; }
.tab:hover rect { fill: var(--green-deep); }
.axis, .centre { cursor: move; }
.axis line { stroke: var(--coral-deep); stroke-width: 1.5; stroke-dasharray: 14 4 3 4; }
.centre .mark, .thread { pointer-events: none; }
.thread { stroke: var(--coral-deep); stroke-width: 1; stroke-dasharray: 2 3; }
.axis .broad { stroke: transparent; stroke-width: 10; stroke-dasharray: none; }
.centre circle { fill: color-mix(in srgb, var(--sheet) 67%, transparent); stroke: var(--coral-deep); stroke-width: 1.5; }
.centre path { stroke: var(--coral-deep); stroke-width: 1.5; fill: none; }
</style>
