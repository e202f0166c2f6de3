<script setup lang="ts">
import { ElColorPicker } from 'element-plus'

/** A colour by its look, kept when the chooser is put away and tried while a hand moves in it. */
defineProps<{ value: string; says: string; off?: boolean }>()
const emit = defineEmits<{ keep: [colour: string]; attempt: [colour: string] }>()
</script>

<template>
  <ElColorPicker
    :class="['colour-well', { off }]"
    size="small"
    color-format="hex"
    :model-value="value"
    :aria-label="says"
    :title="says"
    @active-change="$event && emit('attempt', $event)"
    @change="$event && emit('keep', $event)"
    @keydown.stop
  />
</template>
