<script setup lang="ts">
import { useBench } from '@/stores/bench'
import { useDraw } from '@/stores/draw'
import { computed } from 'vue'

/** Grid and guides, in px of the surface. */
const props = defineProps<{ scale: number; left: number; top: number; width: number; height: number; draft: { upright: boolean; at: number } | null }>()
defineEmits<{ grab: [id: string, upright: boolean, event: PointerEvent] }>()
const bench = useBench()
const draw = useDraw()

const place = (upright: boolean, at: number) => (upright ? props.left : props.top) + at * props.scale
const grid = computed(() => {
  if (!draw.snap.grid || !bench.art) return []
  let step = draw.grid
  while (step * props.scale < 7) step *= 10
  const out: { upright: boolean; at: number }[] = []
  for (const upright of [true, false]) {
    const size = upright ? bench.art.width : bench.art.height
    for (let at = 0; at <= size + 1e-9 && out.length < 800; at += step) out.push({ upright, at })
  }
  return out
})
</script>

<template>
  <g>
    <line
      v-for="one in grid"
      :key="`${one.upright}${one.at}`"
      class="grid"
      :x1="one.upright ? place(true, one.at) : left"
      :x2="one.upright ? place(true, one.at) : left + (bench.art?.width ?? 0) * scale"
      :y1="one.upright ? top : place(false, one.at)"
      :y2="one.upright ? top + (bench.art?.height ?? 0) * scale : place(false, one.at)"
    />
    <g v-for="guide in bench.art?.guides" :key="guide.id" :class="['guide', guide.upright ? 'upright' : 'level', { free: draw.tool === 'arrange' }]" :data-guide="guide.id" @pointerdown.stop="$emit('grab', guide.id, guide.upright, $event)" @click.stop>
      <line class="wide" :x1="guide.upright ? place(true, guide.at) : 0" :x2="guide.upright ? place(true, guide.at) : width" :y1="guide.upright ? 0 : place(false, guide.at)" :y2="guide.upright ? height : place(false, guide.at)" />
      <line :x1="guide.upright ? place(true, guide.at) : 0" :x2="guide.upright ? place(true, guide.at) : width" :y1="guide.upright ? 0 : place(false, guide.at)" :y2="guide.upright ? height : place(false, guide.at)" />
    </g>
    <line
      v-if="draft"
      class="draft"
      :x1="draft.upright ? place(true, draft.at) : 0"
      :x2="draft.upright ? place(true, draft.at) : width"
      :y1="draft.upright ? 0 : place(false, draft.at)"
      :y2="draft.upright ? height : place(false, draft.at)"
    />
  </g>
</template>

<style scoped>
.guide.free { pointer-events: auto; }
.grid { stroke: #26231d; stroke-opacity: .1; stroke-width: 1; pointer-events: none; }
.guide line { stroke: var(--green); stroke-width: 1; stroke-dasharray: 10 3 2 3; }
.guide .wide { stroke: transparent; stroke-width: 9; stroke-dasharray: none; }
.guide.upright { cursor: ew-resize; }
.guide.level { cursor: ns-resize; }
.draft { stroke: var(--green); stroke-width: 1.5; }
</style>
