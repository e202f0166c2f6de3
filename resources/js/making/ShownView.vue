<script setup lang="ts">
import { usePanZoom } from '@/bench/usePanZoom'
import { useWipe } from '@/bench/useWipe'
import WipeLine from '@/bench/WipeLine.vue'
import { useKeyActs } from '@/keys/useKeys'
import { useBench } from '@/stores/bench'
import { useShowing } from '@/stores/showing'
import { useEventListener } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import ZoomButtons from './ZoomButtons.vue'

/** The art on a thing, as large as the bench. */
const bench = useBench()
const showing = useShowing()
const surface = ref<HTMLElement | null>(null)
const size = computed(() => (showing.showing ? { width: showing.showing.width, height: showing.showing.height } : null))
const { scale, left, top, width, height, fit, zoomIn, zoomOut } = usePanZoom(surface, size)
watch([() => showing.showing?.thing, width], ([now, wide], before) => now && wide > 10 && (now !== before?.[0] || !before?.[1]) && fit(), { immediate: true })
const thing = computed(() => showing.things.find((one) => one.key === showing.showing?.thing))
const called = computed(() => thing.value?.label || thing.value?.title)
/** Left of the border lies the picture without its light, or without the art. */
const wiping = ref(false)
const { startWipe, moveWipe, endWipe, wipeKey } = useWipe(wiping, (event) => (event.clientX - (surface.value?.getBoundingClientRect().left ?? 0) - left.value) / scale.value / (size.value?.width ?? 1))
useEventListener(window, 'pointermove', (event: PointerEvent) => wiping.value && moveWipe(event))
useEventListener(window, 'pointerup', endWipe)
const failed = ref(false)
watch(() => [showing.picture, showing.bare], () => (failed.value = false))
useKeyActs({ 'zoom-in': zoomIn, 'zoom-out': zoomOut, 'fit': fit })
</script>

<template>
  <div class="frame" data-test="shown-view">
    <div ref="surface" class="surface">
      <svg v-if="size" :width="width" :height="height" role="img" aria-label="The art on the thing">
        <g :transform="`translate(${left} ${top}) scale(${scale})`">
          <image :href="showing.picture" :width="size.width" :height="size.height" data-test="shown-picture" @error="failed = true" />
          <g v-if="showing.bare" clip-path="url(#shown-bare)">
            <rect class="bed" :width="size.width" :height="size.height" />
            <image :href="showing.bare" :width="size.width" :height="size.height" data-test="shown-bare" @error="failed = true" />
          </g>
        </g>
        <template v-if="showing.bare">
          <clipPath id="shown-bare" clipPathUnits="userSpaceOnUse"><rect x="0" y="0" :width="bench.wipeAt * size.width" :height="size.height" /></clipPath>
          <WipeLine :x="left + bench.wipeAt * size.width * scale" :height="height" :left="$t('without')" :right="$t('with')" @pointerdown.stop="startWipe" @keydown="wipeKey" />
        </template>
      </svg>
      <p v-if="failed" class="none" role="alert">The picture cannot be shown now. Choose something else, or try again.</p>
      <p v-else-if="!size" class="none" role="status">Showing it…</p>
    </div>
    <div class="strip">
      <p class="what">{{ called }}</p>
      <ZoomButtons says="Fit the picture" @out="zoomOut()" @fit="fit()" @in="zoomIn()" />
    </div>
  </div>
</template>

<style scoped>
.frame { display: grid; grid-template-rows: minmax(0, 1fr) 33px; min-width: 0; min-height: 0; height: 100%; border: 1px solid var(--line); border-radius: 4px; overflow: hidden; background: var(--paper-deep); }
.surface { position: relative; overflow: hidden; touch-action: none; overscroll-behavior: none; user-select: none; background: var(--bed); }
.surface svg { position: absolute; inset: 0; }
.bed { fill: var(--bed); }
.none { margin: auto; padding: 40px; text-align: center; color: var(--ink-mid); position: relative; }
.strip { display: flex; align-items: center; border-top: 1px solid var(--line); background: var(--paper); padding-left: 9px; font-size: 14px; }
.what { margin: 0; color: var(--green); font-weight: 500; }
</style>
