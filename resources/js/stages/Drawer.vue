<script setup lang="ts">
import GuideLink from '@/guide/GuideLink.vue'

defineProps<{ title: string; hint?: string; guide?: [page: string, at: string] }>()
</script>

<template>
  <section class="drawer" :aria-label="title">
    <div class="title"><h2>{{ title }}</h2><GuideLink v-if="guide" :page="guide[0]" :at="guide[1]" :about="title" /></div>
    <p v-if="hint" class="quiet hint">{{ hint }}</p>
    <slot />
  </section>
</template>

<style scoped>
.drawer { display: flex; flex-direction: column; gap: 12px; padding: 14px 16px; height: 100%; overflow-y: auto; }
.title { display: flex; justify-content: space-between; align-items: center; }
.hint { font-size: 16px; line-height: 1.3; }
</style>
