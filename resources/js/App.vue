<script setup lang="ts">
import { useNewer } from '@/pages/useNewer'
import { useEndings } from '@/works/useEndings'
import SearchAll from '@/search/SearchAll.vue'
import { useLight } from '@/stores/light'
import WorkStrip from '@/works/WorkStrip.vue'
import { useDropped } from '@/arriving/useDropped'
import { computed } from 'vue'
import { RouterView, useRoute, useRouter } from 'vue-router'
import { isAtDoor, whenSignedOut } from '@/api/client'
import { useMe } from '@/stores/me'

const route = useRoute()
const router = useRouter()
const me = useMe()
const atDoor = computed(() => isAtDoor(route.path))
whenSignedOut(() => {
  if (!atDoor.value && route.name) void router.push({ name: 'sign-in', query: route.fullPath === '/' ? {} : { to: route.fullPath } })
})
// Who is here is asked once; where that fails, every other question says why.
void router.isReady().then(async () => {
  if (!atDoor.value) await me.load().catch(() => {})
})
const over = useDropped()
useLight()
useEndings()
const { newer, load } = useNewer()
function toWork() {
  document.getElementById('work')?.focus()
}
</script>

<template>
  <a class="skip" href="#work" @click.prevent="toWork">To the work</a>
  <RouterView />
  <div v-if="over" class="arriving" data-test="arriving"><p>{{ route.name === 'bench' ? $t('Let go: it lands on the bench') : $t('Let go: a job begins with it') }}</p></div>
  <SearchAll v-if="!atDoor" />
  <p v-if="newer" class="newer" role="status" data-test="newer">A newer version of this page is ready. <button type="button" class="quiet-button" @click="load">Load it</button> <button type="button" class="quiet-button" @click="newer = false">Later</button></p>
  <!-- The bench has a place of its own for it. -->
  <WorkStrip v-if="route.name !== 'bench' && !atDoor" />
</template>

<style scoped>
.arriving { position: fixed; inset: 10px; z-index: 90; display: grid; place-items: center; border: 2px dashed var(--green); border-radius: 6px; background: color-mix(in srgb, var(--paper) 78%, transparent); pointer-events: none; }
.newer { position: fixed; left: 16px; bottom: 14px; z-index: 60; padding: 8px 14px; background: var(--card); border: 1px solid var(--line-strong); border-radius: 4px; box-shadow: 0 3px 14px var(--shade); }
.arriving p { font: 560 26px var(--title-face); color: var(--green-deep); }
</style>
