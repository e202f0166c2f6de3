<script setup lang="ts">
import { number, t } from '@/words/words'
import { useBench } from '@/stores/bench'
import { computed, ref, watch } from 'vue'
import type { Point } from './geometry'
import type { useTools } from './useTools'

/** The width stops of a chosen line, on the line itself: each is a bar across it, dragged along the line and away from it. */
const props = defineProps<{ tools: ReturnType<typeof useTools>; scale: number; left: number; top: number }>()
const bench = useBench()
const tools = props.tools
const one = computed(() => tools.one.value)
const stroke = computed(() => bench.byId.get(one.value?.id ?? '')?.stroke ?? null)
const closed = computed(() => one.value?.contours[0]?.closed ?? false)
const now = ref<[number, number][]>([])
watch(() => stroke.value?.stops, (stops) => (now.value = (stops ?? []).map((stop) => [...stop])), { immediate: true })

function onRail(share: number): { at: Point; across: Point } {
  const rail = one.value!.rail
  const place = share * (rail.length - 1)
  const i = Math.min(rail.length - 2, Math.floor(place))
  const [a, b] = [rail[i]!, rail[i + 1]!]
  const t = place - i
  return { at: { x: a[0] + (b[0] - a[0]) * t, y: a[1] + (b[1] - a[1]) * t }, across: { x: -a[3], y: a[2] } }
}
/** The last stop of a closed line is its first. */
const bars = computed(() => {
  if (!one.value || one.value.rail.length < 2 || !stroke.value) return []
  return (closed.value && now.value.length > 1 ? now.value.slice(0, -1) : now.value).map(([share, part], index) => {
    const { at, across } = onRail(share)
    const half = Math.max((part * stroke.value!.width) / 2, 4 / props.scale)
    const px = (side: number) => ({ x: props.left + (at.x + side * across.x * half) * props.scale, y: props.top + (at.y + side * across.y * half) * props.scale })
    return { index, ends: [px(1), px(-1)] as const, says: t('{share} % along, {part} mm wide', { share: Math.round(share * 100), part: number((part * stroke.value!.width), 2, 2) }) }
  })
})
const all = () => {
  const stops = now.value.map((stop) => [...stop] as [number, number])
  if (closed.value && stops.length > 1) stops[stops.length - 1]![1] = stops[0]![1]
  return stops
}

function grab(event: PointerEvent, index: number) {
  const id = one.value?.id
  if (!id) return
  const fields = () => ({ kind: 'stroke', pieces: [id], stops: all() })
  tools.grab(
    event,
    (to) => {
      const rail = one.value?.rail ?? []
      let best = { far: Infinity, share: 0 }
      rail.forEach(([x, y], i) => {
        const far = Math.hypot(x - to.x, y - to.y)
        if (far < best.far) best = { far, share: i / (rail.length - 1) }
      })
      const low = now.value[index - 1]?.[0] ?? 0
      const high = now.value[index + 1]?.[0] ?? 1
      const share = closed.value && index === 0 ? 0 : Math.min(high, Math.max(low, best.share))
      const { at, across } = onRail(share)
      const away = Math.abs((to.x - at.x) * across.x + (to.y - at.y) * across.y)
      const part = Math.min(10, (2 * away) / (stroke.value?.width ?? 1))
      now.value = now.value.map((stop, i) => (i === index ? [share, part] : stop))
      bench.tried(fields()).then((would) => {
        if (would?.pieces[0]) tools.tryPath.value = would.pieces[0].outline ?? would.pieces[0].d
      })
      return t('{share} % along, {part} mm wide', { share: Math.round(share * 100), part: number((part * (stroke.value?.width ?? 0)), 2, 2) })
    },
    () => bench.draw(fields()).finally(() => (tools.tryPath.value = null)),
  )
}
</script>

<template>
  <g v-for="bar in bars" :key="bar.index" class="stop" :data-stop="bar.index" @pointerdown="grab($event, bar.index)" @click.stop>
    <title>{{ bar.says }}</title>
    <line class="wide" :x1="bar.ends[0].x" :y1="bar.ends[0].y" :x2="bar.ends[1].x" :y2="bar.ends[1].y" />
    <line :x1="bar.ends[0].x" :y1="bar.ends[0].y" :x2="bar.ends[1].x" :y2="bar.ends[1].y" />
    <rect v-for="(end, k) in bar.ends" :key="k" :x="end.x - 3.5" :y="end.y - 3.5" width="7" height="7" />
  </g>
</template>

<style scoped>
.stop { pointer-events: auto; cursor: grab; }
line { stroke: var(--coral-deep); stroke-width: 1.6; }
.wide { stroke: transparent; stroke-width: 14; }
rect { fill: var(--sheet); stroke: var(--coral-deep); stroke-width: 1.4; }
</style>
