<script setup lang="ts">
import { ElCheckbox } from 'element-plus'

/** Yes or no. */
defineProps<{ value: boolean; disabled?: boolean; says?: string }>()
const emit = defineEmits<{ keep: [value: boolean] }>()
</script>

<template>
  <ElCheckbox class="tick-box" size="small" :model-value="value" :disabled="disabled || undefined" :aria-label="says" @change="emit('keep', Boolean($event))"><slot /></ElCheckbox>
</template>
