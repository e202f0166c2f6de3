<script setup lang="ts">
import { ElInputNumber } from 'element-plus'

/** How many. */
defineProps<{ value: number; least?: number; most?: number; says: string }>()
const emit = defineEmits<{ keep: [value: number] }>()
</script>

<template>
  <ElInputNumber class="count" size="small" controls-position="right" :model-value="value" :min="least ?? 1" :max="most" :precision="0" :aria-label="says" @change="emit('keep', Number($event))" @keydown.stop />
</template>
