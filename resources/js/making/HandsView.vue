<script setup lang="ts">
import { usePanZoom } from '@/bench/usePanZoom'
import { useBench } from '@/stores/bench'
import { useMaking } from '@/stores/making'
import { useEventListener } from '@vueuse/core'
import { ElButton } from 'element-plus'
import { computed, onMounted, ref, watch } from 'vue'

/** Copies on a bed, moved and turned by hand; what would lie on another goes back to where it was. */
const bench = useBench()
const making = useMaking()
onMounted(making.loadCopies)
// What is chosen beside it changes how many there are, and where.
watch(() => making.state, making.loadCopies)
const surface = ref<HTMLElement | null>(null)
const bed = computed(() => making.copies?.find((one) => bench.view.kind === 'hands' && one.sheet === bench.view.sheet) ?? making.copies?.[0] ?? null)
const page = ref(0)
const shown = computed(() => (bed.value?.copies ?? []).map((copy, index) => ({ copy, index })).filter(({ copy }) => copy.sheet === page.value))
const pages = computed(() => 1 + Math.max(0, ...(bed.value?.copies ?? []).map((copy) => copy.sheet)))
const wide = computed(() => (bed.value ? bed.value.width || 600 : 1))
const size = computed(() => (bed.value ? { width: wide.value, height: bed.value.height } : null))
const { scale, left, top, width, height, fit } = usePanZoom(surface, size)
const chosen = ref<number | null>(null)
const drag = ref<{ index: number; x: number; y: number; dx: number; dy: number } | null>(null)
function down(event: PointerEvent, index: number) {
  chosen.value = index
  drag.value = { index, x: event.clientX, y: event.clientY, dx: 0, dy: 0 }
  ;(event.currentTarget as Element).setPointerCapture(event.pointerId)
  event.stopPropagation()
}
function move(event: PointerEvent) {
  if (drag.value) drag.value = { ...drag.value, dx: (event.clientX - drag.value.x) / scale.value, dy: (event.clientY - drag.value.y) / scale.value }
}
async function up() {
  const by = drag.value
  drag.value = null
  const copy = by && bed.value?.copies[by.index]
  if (by && copy && Math.hypot(by.dx, by.dy) > 0.2) await making.move(bed.value!.sheet, by.index, copy.x + by.dx, copy.y + by.dy, copy.turn)
}
const turn = (by: number) => {
  const copy = chosen.value === null ? null : bed.value?.copies[chosen.value]
  if (copy) making.move(bed.value!.sheet, chosen.value!, copy.x, copy.y, (copy.turn + by + 360) % 360)
}
const nudge = (x: number, y: number) => {
  const copy = chosen.value === null ? null : bed.value?.copies[chosen.value]
  if (copy) making.move(bed.value!.sheet, chosen.value!, copy.x + x, copy.y + y, copy.turn)
}
useEventListener(window, 'keydown', (event: KeyboardEvent) => {
  const step = event.shiftKey ? 10 : 1
  const act: Record<string, () => void> = { ArrowLeft: () => nudge(-step, 0), ArrowRight: () => nudge(step, 0), ArrowUp: () => nudge(0, -step), ArrowDown: () => nudge(0, step), ']': () => turn(15), '[': () => turn(-15) }
  if (chosen.value !== null && act[event.key] && !(event.target instanceof HTMLInputElement)) {
    event.preventDefault()
    act[event.key]!()
  }
})
</script>

<template>
  <div class="frame" data-test="hands-view">
    <div ref="surface" class="surface" @pointermove="move" @pointerup="up" @pointerdown="chosen = null">
      <svg v-if="bed" :width="width" :height="height">
        <g :transform="`translate(${left} ${top}) scale(${scale})`">
          <rect class="bed" :width="wide" :height="bed.height" />
          <g v-for="{ copy, index } in shown" :key="index" :transform="drag?.index === index ? `translate(${drag.dx} ${drag.dy})` : undefined">
            <path :class="['copy', { on: chosen === index, kept: copy.kept }]" :transform="`matrix(${copy.matrix.join(' ')})`" :d="bed.designs[copy.design]" :data-copy="index" tabindex="0" role="button" :aria-label="`Copy ${index + 1}${copy.kept ? ', laid by hand' : ''}`" @pointerdown="down($event, index)" @focus="chosen = index" />
          </g>
        </g>
      </svg>
    </div>
    <div class="strip">
      <p v-if="making.problem" class="bad" role="alert" data-test="hands-problem">{{ making.problem }}</p>
      <p v-else>Drag a copy, or move it by arrows; [ and ] turn it. What is laid by hand stays there when the rest is searched anew.</p>
      <template v-if="pages > 1"><button v-for="one in pages" :key="one" type="button" :class="{ on: page === one - 1 }" @click="page = one - 1">{{ one }}</button></template>
      <ElButton size="small" @click="turn(90)">Turn by a quarter</ElButton>
      <ElButton size="small" @click="fit()">Fit</ElButton>
    </div>
  </div>
</template>

<style scoped>
.frame { display: grid; grid-template-rows: minmax(0, 1fr) 33px; min-width: 0; min-height: 0; height: 100%; border: 1px solid var(--line); border-radius: 4px; overflow: hidden; }
.surface { position: relative; overflow: hidden; touch-action: none; user-select: none; background: #e6e0d0; }
.surface svg { position: absolute; inset: 0; }
.bed { fill: #fffdf7; stroke: var(--ink-mid); stroke-width: 1; vector-effect: non-scaling-stroke; }
.copy { fill: #9db3a6; stroke: var(--green-deep); stroke-width: 1; vector-effect: non-scaling-stroke; cursor: move; outline: none; }
.copy.kept { fill: #d9c9a0; }
.copy.on { stroke: var(--coral); stroke-width: 2; }
.strip { display: flex; align-items: center; gap: 8px; border-top: 1px solid var(--line); background: var(--paper); padding: 0 9px; font-size: 14px; color: var(--ink-mid); }
.strip p { margin: 0; flex: 1; white-space: nowrap; overflow: hidden; text-overflow: ellipsis; }

.strip .bad { color: var(--coral-deep); }
.strip button.on { color: var(--green); }
</style>
