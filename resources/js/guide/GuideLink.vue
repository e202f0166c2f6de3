<script setup lang="ts">
import { RouterLink } from 'vue-router'

/** Leads to the place of the guide that is about what one looks at, beside the work. */
defineProps<{ page: string; at?: string; about: string }>()
</script>

<template>
  <RouterLink class="guide-link" :to="{ path: `/guide/${page}`, hash: at ? `#${at}` : '' }" target="_blank" :aria-label="$t('Guide: {about}', { about })" :title="$t('Guide: {about}', { about })">?</RouterLink>
</template>

<style scoped>
.guide-link { display: inline-grid; place-items: center; width: 24px; height: 24px; border: 1px solid var(--line-strong); border-radius: 50%; font: 600 15px var(--text-face); color: var(--green-deep); text-decoration: none; flex: none; }
.guide-link:hover { background: var(--green-pale); }
</style>
