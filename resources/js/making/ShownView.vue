<script setup lang="ts">
import { usePanZoom } from '@/bench/usePanZoom'
import { useKeyActs } from '@/keys/useKeys'
import { useShowing } from '@/stores/showing'
import { computed, ref, watch } from 'vue'
import ZoomButtons from './ZoomButtons.vue'

/** The art on a thing, as large as the bench. */
const showing = useShowing()
const surface = ref<HTMLElement | null>(null)
const size = computed(() => (showing.showing ? { width: showing.showing.width, height: showing.showing.height } : null))
const { scale, left, top, width, height, fit, zoomIn, zoomOut } = usePanZoom(surface, size)
watch([() => showing.showing?.thing, width], ([now, wide], before) => now && wide > 10 && (now !== before?.[0] || !before?.[1]) && fit(), { immediate: true })
const thing = computed(() => showing.things.find((one) => one.key === showing.showing?.thing))
const called = computed(() => thing.value?.label || thing.value?.title)
const failed = ref(false)
watch(() => showing.picture, () => (failed.value = false))
useKeyActs({ 'zoom-in': zoomIn, 'zoom-out': zoomOut, 'fit': fit })
</script>

<template>
  <div class="frame" data-test="shown-view">
    <div ref="surface" class="surface">
      <svg v-if="size" :width="width" :height="height" role="img" aria-label="The art on the thing">
        <g :transform="`translate(${left} ${top}) scale(${scale})`">
          <image :href="showing.picture" :width="size.width" :height="size.height" data-test="shown-picture" @error="failed = true" />
        </g>
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
.none { margin: auto; padding: 40px; text-align: center; color: var(--ink-mid); position: relative; }
.strip { display: flex; align-items: center; border-top: 1px solid var(--line); background: var(--paper); padding-left: 9px; font-size: 14px; }
.what { margin: 0; color: var(--green); font-weight: 500; }
</style>
