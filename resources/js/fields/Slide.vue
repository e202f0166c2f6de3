<script setup lang="ts">
import { ElSlider } from 'element-plus'
import { ref, watch } from 'vue'

/** A share that is dragged; told as it moves, and kept when it is let go. */
const props = defineProps<{ value: number; least?: number; most?: number; step?: number; says: string; /** Places where it holds. */ marks?: number[] }>()
const emit = defineEmits<{ move: [value: number]; keep: [value: number] }>()
const now = ref(props.value)
watch(() => props.value, (next) => (now.value = next))
function move(value: number | number[]) {
  now.value = Number(value)
  emit('move', now.value)
}
</script>

<template>
  <ElSlider
    class="slide"
    size="small"
    :model-value="now"
    :min="least ?? 0"
    :max="most ?? 1"
    :step="step ?? 0.01"
    :show-tooltip="false"
    :aria-label="says"
    :marks="Object.fromEntries((marks ?? []).map((at) => [at, '']))"
    @input="move"
    @change="emit('keep', Number($event))"
    @keydown.stop
  />
</template>
