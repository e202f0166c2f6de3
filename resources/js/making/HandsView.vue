<script setup lang="ts">
import { usePanZoom } from '@/bench/usePanZoom'
import { isTyping } from '@/keys/field'
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
/** Numbers of the copies that are moved together. */
const chosen = ref<Set<number>>(new Set())
const drag = ref<{ x: number; y: number; dx: number; dy: number } | null>(null)
watch([page, () => bed.value?.copies.length], () => (chosen.value = new Set()))
// What was refused of others is said no more.
watch([chosen, drag], () => (making.problem = ''))
function choose(index: number, more: boolean) {
  if (!more) chosen.value = chosen.value.has(index) ? chosen.value : new Set([index])
  else chosen.value = new Set(chosen.value.has(index) ? [...chosen.value].filter((one) => one !== index) : [...chosen.value, index])
}
const chooseAll = () => (chosen.value = new Set(shown.value.map(({ index }) => index)))
function down(event: PointerEvent, index: number) {
  choose(index, event.shiftKey)
  drag.value = { x: event.clientX, y: event.clientY, dx: 0, dy: 0 }
  ;(event.currentTarget as Element).setPointerCapture(event.pointerId)
  event.stopPropagation()
}
function move(event: PointerEvent) {
  if (drag.value) drag.value = { ...drag.value, dx: (event.clientX - drag.value.x) / scale.value, dy: (event.clientY - drag.value.y) / scale.value }
}
/** Those that are chosen, all by as much. */
async function by(dx: number, dy: number, turn = 0) {
  const copies = bed.value?.copies
  if (!copies || chosen.value.size === 0) return
  const moved = [...chosen.value].map((copy) => ({ copy, x: copies[copy]!.x + dx, y: copies[copy]!.y + dy, turn: (copies[copy]!.turn + turn + 360) % 360 }))
  await making.move(bed.value!.sheet, moved)
}
async function up() {
  const way = drag.value
  drag.value = null
  if (way && Math.hypot(way.dx, way.dy) > 0.2) await by(way.dx, way.dy)
}
useEventListener(window, 'keydown', (event: KeyboardEvent) => {
  if (isTyping(event)) return
  const step = event.shiftKey ? 10 : 1
  const act: Record<string, () => unknown> = { ArrowLeft: () => by(-step, 0), ArrowRight: () => by(step, 0), ArrowUp: () => by(0, -step), ArrowDown: () => by(0, step), ']': () => by(0, 0, 15), '[': () => by(0, 0, -15) }
  const run = event.ctrlKey || event.metaKey ? (event.key.toLowerCase() === 'a' ? chooseAll : null) : chosen.value.size === 0 ? null : event.key === 'Escape' ? () => (chosen.value = new Set()) : (act[event.key] ?? null)
  if (!run) return
  // A press here is about copies, and about the art no more.
  event.preventDefault()
  event.stopImmediatePropagation()
  run()
}, { capture: true })
</script>

<template>
  <div class="frame" data-test="hands-view">
    <div ref="surface" class="surface" @pointermove="move" @pointerup="up" @pointerdown="chosen = new Set()">
      <svg v-if="bed" :width="width" :height="height">
        <g :transform="`translate(${left} ${top}) scale(${scale})`">
          <rect class="bed" :width="wide" :height="bed.height" />
          <g v-for="{ copy, index } in shown" :key="index" :transform="drag && chosen.has(index) ? `translate(${drag.dx} ${drag.dy})` : undefined">
            <path :class="['copy', { on: chosen.has(index), kept: copy.kept }]" :transform="`matrix(${copy.matrix.join(' ')})`" :d="bed.designs[copy.design]" :data-copy="index" tabindex="0" role="button" :aria-label="copy.kept ? $t('Copy {index}, laid by hand', { index: index + 1 }) : $t('Copy {index}', { index: index + 1 })" @pointerdown="down($event, index)" :aria-pressed="chosen.has(index)" @focus="choose(index, false)" />
          </g>
        </g>
      </svg>
    </div>
    <div class="strip">
      <p v-if="making.problem" class="bad" role="alert" data-test="hands-problem">{{ making.problem }}</p>
      <p v-else>Drag copies, or move them by arrows; [ and ] turn. Shift takes more than one. What is laid by hand stays.</p>
      <template v-if="pages > 1"><button v-for="one in pages" :key="one" type="button" :class="{ on: page === one - 1 }" @click="page = one - 1">{{ one }}</button></template>
      <ElButton size="small" title="All on this sheet (Ctrl A), to lay them on what is left of one" data-test="hands-all" @click="chooseAll()">Take all</ElButton>
      <ElButton size="small" :disabled="chosen.size === 0" @click="by(0, 0, 90)">Turn by a quarter</ElButton>
      <ElButton size="small" @click="fit()">Fit</ElButton>
    </div>
  </div>
</template>

<style scoped>
.frame { display: grid; grid-template-rows: minmax(0, 1fr) 33px; min-width: 0; min-height: 0; height: 100%; border: 1px solid var(--line); border-radius: 4px; overflow: hidden; }
.surface { position: relative; overflow: hidden; touch-action: none; user-select: none; background: var(--bed); }
.surface svg { position: absolute; inset: 0; }
.bed { fill: var(--sheet); stroke: var(--ink-mid); stroke-width: 1; vector-effect: non-scaling-stroke; }
.copy { fill: #9db3a6; stroke: var(--green-deep); stroke-width: 1; vector-effect: non-scaling-stroke; cursor: move; outline: none; }
.copy.kept { fill: #d9c9a0; }
.copy.on { stroke: var(--coral); stroke-width: 1.4; }
.strip { display: flex; align-items: center; gap: 8px; border-top: 1px solid var(--line); background: var(--paper); padding: 0 9px; font-size: 14px; color: var(--ink-mid); }
.strip p { margin: 0; flex: 1; min-width: 0; white-space: nowrap; overflow: hidden; text-overflow: ellipsis; }

.strip .bad { color: var(--coral-deep); }
.strip button.on { color: var(--green); }
</style>
