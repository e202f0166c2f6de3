<script setup lang="ts">
import { useBench } from '@/stores/bench'
import { useTracing } from '@/stores/tracing'
import { computed, ref } from 'vue'

/** What is marked on the art while a picture is traced: what was meant, where curves and picture differ, and the box in which curves are kept. */
const props = defineProps<{ scale: number; left: number; top: number; width: number; height: number }>()
const bench = useBench()
const tracing = useTracing()
const under = computed(() => bench.art?.reference ?? null)
const places = computed(() => {
  const found = tracing.outcome?.meant.find((one) => one.key === tracing.pointed)
  return under.value && found ? found.at.map(([x, y]): [number, number] => [under.value!.x + tracing.outcome!.left + x, under.value!.y + tracing.outcome!.top + y]) : []
})
const differs = computed(() => {
  if (!tracing.showsDifferences || !under.value || !tracing.outcome?.differs) return []
  const [x, y] = [under.value.x + tracing.outcome.left, under.value.y + tracing.outcome.top]
  return tracing.outcome.differs.flat().map(([left, top, width, height]) => ({
    x: (x + left) * props.scale + props.left - 4, y: (y + top) * props.scale + props.top - 4, width: width * props.scale + 8, height: height * props.scale + 8,
  }))
})
/** Where a press is, mm on the page. */
function at(event: PointerEvent): [number, number] {
  const box = (event.currentTarget as SVGElement).ownerSVGElement!.getBoundingClientRect()
  return [(event.clientX - box.left - props.left) / props.scale, (event.clientY - box.top - props.top) / props.scale]
}
const from = ref<[number, number] | null>(null)
function down(event: PointerEvent) {
  if (event.button !== 0) return
  if (tracing.hand === 'colour') return void tracing.pick(...at(event))
  ;(event.currentTarget as Element).setPointerCapture(event.pointerId)
  from.value = at(event)
}
function move(event: PointerEvent) {
  if (!from.value) return
  const [x, y] = at(event)
  const [u, v] = from.value
  tracing.box = [Math.min(x, u), Math.min(y, v), Math.abs(x - u), Math.abs(y - v)]
}
function up() {
  from.value = null
  // A press without a drag is no box.
  if (tracing.box && Math.min(tracing.box[2], tracing.box[3]) * props.scale < 3) tracing.box = null
  else if (tracing.box) tracing.hand = null
}
const box = computed(() => tracing.box && { x: tracing.box[0] * props.scale + props.left, y: tracing.box[1] * props.scale + props.top, width: tracing.box[2] * props.scale, height: tracing.box[3] * props.scale })
</script>

<template>
  <rect v-for="(one, index) in differs" :key="`d${index}`" class="differs" v-bind="one" rx="4" data-test="differs-mark" />
  <circle v-for="([x, y], index) in places" :key="index" class="meant" :cx="x * scale + left" :cy="y * scale + top" r="7" data-test="meant-mark" />
  <rect v-if="box" class="box" v-bind="box" data-test="kept-box" />
  <rect v-if="tracing.on && tracing.hand" class="taker" x="0" y="0" :width="width" :height="height" data-test="trace-hand" @pointerdown.stop="down" @pointermove.stop="move" @pointerup.stop="up" @pointercancel="from = null" />
</template>

<style scoped>
.meant { fill: none; stroke: var(--coral); stroke-width: 3; pointer-events: none; }
.differs { fill: none; stroke: var(--coral); stroke-width: 2; stroke-dasharray: 2 3; pointer-events: none; }
.box { fill: none; stroke: var(--green); stroke-width: 1.5; stroke-dasharray: 6 3; pointer-events: none; }
.taker { fill: transparent; cursor: crosshair; touch-action: none; }
</style>
