<script setup lang="ts">
import SearchAll from '@/search/SearchAll.vue'
import { useLight } from '@/stores/light'
import WorkStrip from '@/works/WorkStrip.vue'
import { useDropped } from '@/arriving/useDropped'
import { RouterView, useRoute } from 'vue-router'

const route = useRoute()
const over = useDropped()
useLight()
function toWork() {
  document.getElementById('work')?.focus()
}
</script>

<template>
  <a class="skip" href="#work" @click.prevent="toWork">To the work</a>
  <RouterView />
  <div v-if="over" class="arriving" data-test="arriving"><p>{{ route.name === 'bench' ? 'Let go: it lands on the bench' : 'Let go: a job begins with it' }}</p></div>
  <SearchAll />
  <!-- The bench has a place of its own for it. -->
  <WorkStrip v-if="route.name !== 'bench'" />
</template>

<style scoped>
.arriving { position: fixed; inset: 10px; z-index: 90; display: grid; place-items: center; border: 2px dashed var(--green); border-radius: 6px; background: color-mix(in srgb, var(--paper) 78%, transparent); pointer-events: none; }
.arriving p { font: 560 26px var(--title-face); color: var(--green-deep); }
</style>
