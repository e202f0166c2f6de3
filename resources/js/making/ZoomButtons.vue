<script setup lang="ts">
/** Nearer, farther and all of it, at the end of a strip. */
defineProps<{ says: string }>()
const emit = defineEmits<{ out: []; fit: []; in: [] }>()
</script>

<template>
  <div class="zoom">
    <button type="button" aria-label="Zoom out" @click="emit('out')">−</button>
    <button type="button" :aria-label="says" @click="emit('fit')">Fit</button>
    <button type="button" aria-label="Zoom in" @click="emit('in')">+</button>
  </div>
</template>

<style scoped>
.zoom { display: flex; margin-left: auto; border-left: 1px solid var(--line); height: 100%; }
.zoom button { border: 0; background: none; min-width: 34px; padding: 0 8px; font: 15px var(--text-face); color: var(--ink); cursor: pointer; }
</style>
