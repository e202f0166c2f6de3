<script setup lang="ts">
import { t } from '@/words/words'
import Slide from '@/fields/Slide.vue'
import { usePanZoom } from '@/bench/usePanZoom'
import { useKeyActs, useKeys } from '@/keys/useKeys'
import { useBench } from '@/stores/bench'
import { useColours } from '@/stores/colours'
import { useMaking } from '@/stores/making'
import { metres } from '@/units'
import { useRafFn } from '@vueuse/core'
import { ElButton } from 'element-plus'
import { computed, ref, watch } from 'vue'
import ZoomButtons from './ZoomButtons.vue'
import { passed, say, type Passed } from './passed'

/** A sheet, plate or mix of plates at its true proportions on its bed, and what the head will do there, in its order and time. */
const bench = useBench()
const making = useMaking()
const keys = useKeys()
const surface = ref<HTMLElement | null>(null)
const names = useColours()
names.load()
const number = computed(() => (bench.view.kind === 'layout' ? bench.view.index : 0))
const mixing = computed(() => bench.view.kind === 'mix')
const layout = computed(() => making.layouts[number.value] ?? null)
const size = computed(() => (layout.value ? { width: layout.value.width_mm, height: layout.value.height_mm } : null))
const { scale, left, top, width, height, fit, zoomIn, zoomOut } = usePanZoom(surface, size)
watch([size, width], ([now, wide], before) => (now && wide > 10 && (now.width !== before?.[0]?.width || now.height !== before?.[0]?.height)) && fit(), { immediate: true })
const picture = computed(() => (mixing.value ? `/api/v1/jobs/${bench.job?.id}/layouts/mix.svg?on=${[...making.mixed].sort((a, b) => a - b).join(',')}&v=${making.state}` : `/api/v1/jobs/${bench.job?.id}/layouts/${number.value}/picture.svg?v=${making.state}`))

/** Seconds of the machine's time that are shown; nought before the first press. */
const time = ref(0)
const runs = ref(false)
const pace = ref(10)
const motion = computed(() => (mixing.value ? null : (making.moves[number.value] ?? null)))
const now = computed<Passed | null>(() => (motion.value && time.value > 0 ? passed(motion.value, time.value) : null))
const { pause, resume } = useRafFn(({ delta }) => {
  if (!motion.value) return
  time.value = Math.min(motion.value.seconds, time.value + (delta / 1000) * pace.value)
  if (time.value >= motion.value.seconds) stop()
}, { immediate: false })
function stop() {
  runs.value = false
  pause()
}
async function play() {
  if (runs.value) return stop()
  await making.loadMoves(number.value)
  if (!motion.value || motion.value.seconds <= 0) return
  if (time.value >= motion.value.seconds) time.value = 0
  // As fast as it takes to see all of it in about twenty seconds.
  pace.value = Math.max(1, motion.value.seconds / 20)
  runs.value = true
  resume()
}
async function scrub(share: number) {
  stop()
  await making.loadMoves(number.value)
  time.value = share * (motion.value?.seconds ?? 0)
}
watch([number, mixing, () => making.state], () => {
  stop()
  time.value = 0
})
const clock = (seconds: number) => `${Math.floor(seconds / 60)}:${String(Math.floor(seconds % 60)).padStart(2, '0')}`
/** What is known of it stands beside it: what would surprise at the machine first. */
const told = computed(() => (mixing.value || !layout.value ? [] : [
  ...layout.value.warns.map((text) => ({ text, warns: true })), ...layout.value.says.map((text) => ({ text, warns: false })),
  ...(soFar.value ? [{ text: t('Drawn in green: the {done} of {of} blocks that are done.', { done: making.doneSoFar!.done, of: making.doneSoFar!.of }), warns: false }] : []),
]))
const soFar = computed(() => (!mixing.value && making.doneSoFar?.number === number.value ? making.doneSoFar.ways.map((way) => say(way)).join('') : ''))
/** Each role of lines with how it is drawn. */
const legend = computed(() => (mixing.value ? [] : (layout.value?.layers ?? []).filter((layer, index, all) => layer.lines > 0 && all.findIndex((other) => other.role === layer.role) === index)))
const hasPaths = computed(() => !mixing.value && (layout.value?.length_mm ?? 0) > 0)
useKeyActs({ 'zoom-in': zoomIn, 'zoom-out': zoomOut, 'fit': fit, 'play': () => (hasPaths.value ? void play() : t('This sheet has no lines that a machine goes along.')) })
</script>

<template>
  <div class="frame" data-test="layout-view">
    <ul v-if="legend.length > 0" class="legend" aria-label="What the lines are" data-test="legend"><li v-for="one in legend" :key="one.label"><svg width="34" height="8" aria-hidden="true"><line x1="1" y1="4" x2="33" y2="4" :stroke="one.stroke[0]" :stroke-width="one.stroke[1]" :stroke-dasharray="one.stroke[2]" /></svg>{{ one.label }}</li></ul>
    <div ref="surface" class="surface">
      <svg v-if="layout" :width="width" :height="height" role="img" :aria-label="mixing ? $t('Plates over each other on the cloth') : layout.title">
        <g :transform="`translate(${left} ${top}) scale(${scale})`">
          <image :href="picture" :width="layout.width_mm" :height="layout.height_mm" preserveAspectRatio="none" :opacity="now || soFar ? 0.35 : 1" />
          <rect class="bed" :width="layout.width_mm" :height="layout.height_mm" />
          <path v-if="soFar" class="so-far" :d="soFar" data-test="so-far" />
          <template v-if="now">
            <path class="air" :d="now.air" />
            <path class="cut" :d="now.cut" />
            <circle class="head" :class="{ up: !now.down }" :cx="now.x" :cy="now.y" :r="5 / scale" />
          </template>
        </g>
      </svg>
      <p v-else class="none">{{ making.loading ? $t('Laying out…') : $t('Nothing is laid out yet.') }}</p>
    </div>
    <ul v-if="told.length > 0" class="told" data-test="told">
      <li v-for="one in told" :key="one.text" :class="{ warns: one.warns }">{{ names.said(one.text) }}</li>
    </ul>
    <div class="strip">
      <p v-if="layout" class="what">{{ mixing ? $t('{mixed} of {layouts} plates in ink on the cloth', { mixed: making.mixed.size, layouts: making.layouts.length }) : layout.title }}</p>
      <template v-if="hasPaths">
        <ElButton size="small" data-test="simulate" :title="keys.titled($t('Play the cut'), 'play')" @click="play">{{ runs ? $t('Pause') : $t('Play the cut') }}</ElButton>
        <Slide class="scrub" says="Time at the machine" :value="motion && motion.seconds > 0 ? time / motion.seconds : 0" :step="0.001" data-test="scrub" @move="scrub" />
        <span v-if="motion" class="numbers" data-test="clock">{{ now ? $t('{time} of {all}, {cut} of {whole}, {air} in the air', { time: clock(time), all: clock(motion.seconds), cut: metres(now.length), whole: metres(motion.cut_mm), air: metres(motion.air_mm) }) : $t('{time} of {all}, {cut}, {air} in the air', { time: clock(time), all: clock(motion.seconds), cut: metres(motion.cut_mm), air: metres(motion.air_mm) }) }}</span>
      </template>
      <ZoomButtons says="Fit the sheet" @out="zoomOut()" @fit="fit()" @in="zoomIn()" />
    </div>
  </div>
</template>

<style scoped>
.legend { position: absolute; z-index: 2; right: 12px; top: 10px; margin: 0; padding: 4px 10px; list-style: none; font-size: 14px; line-height: 1.4; background: color-mix(in srgb, var(--card) 88%, transparent); border: 1px solid var(--line); border-radius: 4px; pointer-events: none; }
.legend svg { margin-right: 8px; vertical-align: 1px; background: #fffdf7; }
.frame { position: relative; }
.frame { display: grid; grid-template-rows: minmax(0, 1fr) auto 33px; min-width: 0; min-height: 0; height: 100%; border: 1px solid var(--line); border-radius: 4px; overflow: hidden; background: var(--paper-deep); }
.surface { position: relative; overflow: hidden; touch-action: none; overscroll-behavior: none; user-select: none; background: var(--bed); }
.surface svg { position: absolute; inset: 0; }
.bed { fill: none; stroke: var(--ink-mid); stroke-width: 1; vector-effect: non-scaling-stroke; }
.cut { fill: none; stroke: var(--green-deep); stroke-width: 1.6; vector-effect: non-scaling-stroke; stroke-linejoin: round; }
.so-far { fill: none; stroke: var(--green); stroke-width: 3; vector-effect: non-scaling-stroke; stroke-linejoin: round; stroke-linecap: round; opacity: 0.8; }
.told { margin: 0; padding: 4px 9px 5px 24px; max-height: 74px; overflow-y: auto; border-top: 1px solid var(--line); background: var(--paper); font-size: 14.5px; line-height: 1.25; color: var(--ink-mid); columns: 2 240px; }
.told .warns { color: var(--coral-deep); }
.air { fill: none; stroke: #7f8f96; stroke-width: 0.8; stroke-dasharray: 4 3; vector-effect: non-scaling-stroke; }
.head { fill: var(--coral); }
.head.up { fill: none; stroke: var(--coral); stroke-width: 2; vector-effect: non-scaling-stroke; }
.none { margin: auto; padding: 40px; text-align: center; color: var(--ink-mid); }
.strip { grid-row: 3; display: flex; align-items: center; gap: 10px; border-top: 1px solid var(--line); background: var(--paper); padding-left: 9px; font-size: 14px; color: var(--ink-mid); min-width: 0; }
.what { margin: 0; color: var(--green); font-weight: 500; white-space: nowrap; overflow: hidden; text-overflow: ellipsis; min-width: 0; flex: 1; }
.strip input { width: 150px; accent-color: var(--green); }
.strip .numbers { white-space: nowrap; }
</style>
