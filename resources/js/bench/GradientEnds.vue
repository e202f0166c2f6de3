<script setup lang="ts">
import { number } from '@/words/words'
import { useBench } from '@/stores/bench'
import { useDraw } from '@/stores/draw'
import { computed } from 'vue'
import { applied, type Matrix, type Point } from './geometry'
import type { useTools } from './useTools'

/** The ends of the gradient of the chosen piece, which are dragged on the art itself. Sizes are px at any zoom. */
const props = defineProps<{ tools: ReturnType<typeof useTools>; scale: number; left: number; top: number }>()
const bench = useBench()
const draw = useDraw()
const tools = props.tools

const px = (p: Point): Point => ({ x: props.left + p.x * props.scale, y: props.top + p.y * props.scale })
const gradient = computed(() => {
  const id = bench.chosen.size === 1 ? [...bench.chosen][0]! : ''
  const paint = bench.byId.get(id)?.fillGradient
  if (!paint || draw.tool !== 'arrange') return null
  const m = (paint.transform.match(/-?[\d.]+(?:e-?\d+)?/g) ?? []).map(Number) as unknown as Matrix
  const [x, y, a, b] = paint.axis as [number, number, number, number]
  const ends = paint.kind === 'linear' ? [{ x, y }, { x: a, y: b }] : [{ x, y }, { x: x + a, y }]
  return { id, paint, ends: ends.map((end) => applied(m, end)) as [Point, Point] }
})
function grabEnd(event: PointerEvent, index: number) {
  const now = gradient.value
  if (!now) return
  const ends = [...now.ends] as [Point, Point]
  tools.grab(
    event,
    (to) => {
      // A radial one is carried by its middle.
      if (index === 0 && now.paint.kind === 'radial') ends[1] = { x: now.ends[1].x + to.x - now.ends[0].x, y: now.ends[1].y + to.y - now.ends[0].y }
      ends[index] = to
      return `${number(to.x, 2, 2)}, ${number(to.y, 2, 2)} mm`
    },
    () => bench.draw({ kind: 'fill', pieces: [now.id], gradient: { kind: now.paint.kind, spread: now.paint.spread, axis: [ends[0].x, ends[0].y, ends[1].x, ends[1].y], stops: now.paint.stops } }),
  )
}

</script>

<template>
  <g v-if="gradient" class="gradient">
    <line :x1="px(gradient.ends[0]).x" :y1="px(gradient.ends[0]).y" :x2="px(gradient.ends[1]).x" :y2="px(gradient.ends[1]).y" />
    <circle v-for="(end, index) in gradient.ends" :key="index" :cx="px(end).x" :cy="px(end).y" r="8" :fill="gradient.paint.stops[index === 0 ? 0 : gradient.paint.stops.length - 1]!.colour" :data-gradient="index" @pointerdown="grabEnd($event, index)" @click.stop />
  </g>
</template>

<style scoped>
.gradient circle { pointer-events: auto; stroke: var(--sheet); stroke-width: 2.5; paint-order: stroke; cursor: grab; filter: drop-shadow(0 0 1px var(--ink)); }
.gradient line { stroke: var(--ink); stroke-width: 1.5; stroke-dasharray: 2 3; pointer-events: none; }
</style>
