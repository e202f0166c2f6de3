<script setup lang="ts">
import { useTold } from '@/stores/told'
import { computed } from 'vue'

/** What a key or a press is answered with, beside the pointer where it is on the bench; it takes no presses and goes by itself. */
const props = defineProps<{ at: { x: number; y: number } | null; width: number; height: number }>()
const told = useTold()
const place = computed(() => {
  const at = props.at ?? { x: props.width / 2, y: props.height - 60 }
  return { left: `${Math.max(8, Math.min(props.width - 320, at.x + 18))}px`, top: `${Math.max(8, Math.min(props.height - 48, at.y + 22))}px` }
})
</script>

<template>
  <div class="told" role="status" :style="place" data-test="told"><span v-if="told.text">{{ told.text }}</span></div>
</template>

<style scoped>
.told { position: absolute; z-index: 5; max-width: 310px; pointer-events: none; }
span { display: inline-block; padding: 5px 11px; border-radius: 4px; background: var(--ink); color: var(--sheet); font-size: 15px; line-height: 1.25; }
</style>
