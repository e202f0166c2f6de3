<script setup lang="ts">
defineProps<{ title: string; hint?: string }>()
</script>

<template>
  <section class="drawer" :aria-label="title">
    <h2>{{ title }}</h2>
    <p v-if="hint" class="quiet hint">{{ hint }}</p>
    <slot />
  </section>
</template>

<style scoped>
.drawer { display: flex; flex-direction: column; gap: 12px; padding: 14px 16px; height: 100%; overflow-y: auto; }
.hint { font-size: 16px; line-height: 1.3; }
</style>
