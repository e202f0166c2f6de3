<script setup lang="ts">
import { api, words } from '@/api/client'
import type { GuidePage } from '@/api/types'
import { useGuide } from '@/guide/useGuide'
import { nextTick, ref, watch } from 'vue'
import { RouterLink, useRoute } from 'vue-router'

/** The guide, as it ships with the application. */
const props = defineProps<{ page?: string }>()
const guide = useGuide()
guide.load()
const route = useRoute()
const shown = ref<GuidePage | null>(null)
const problem = ref('')
async function go() {
  document.querySelector(`[id="${CSS.escape(route.hash.slice(1))}"]`)?.scrollIntoView({ block: 'start' })
}
watch(() => props.page, async (page) => {
  problem.value = ''
  try {
    shown.value = await api.get<GuidePage>(`guide/${page || 'first-job'}`)
    document.title = `${shown.value.title} · Neat Edge`
    await nextTick()
    if (route.hash) await go()
    else document.getElementById('work')?.scrollIntoView({ block: 'start' })
  } catch (refused) {
    problem.value = words(refused)
  }
}, { immediate: true })
watch(() => route.hash, () => void nextTick(go))
</script>

<template>
  <main id="work" tabindex="-1" class="page">
    <nav aria-label="The guide">
      <RouterLink to="/" class="home"><img src="/mark.svg" alt="">Jobs</RouterLink>
      <h2>Guide</h2>
      <ul>
        <li v-for="one in guide.all.pages" :key="one.page">
          <RouterLink :to="`/guide/${one.page}`" :aria-current="one.page === shown?.page ? 'page' : undefined">{{ one.title }}</RouterLink>
          <ul v-if="one.page === shown?.page"><li v-for="heading in one.headings" :key="heading.id"><RouterLink :to="{ path: `/guide/${one.page}`, hash: `#${heading.id}` }">{{ heading.text }}</RouterLink></li></ul>
        </li>
      </ul>
    </nav>
    <div class="text">
      <p v-if="problem" class="trouble" role="alert">{{ problem }}</p>
      <p v-else-if="!shown" class="quiet">Opening the guide…</p>
      <!-- eslint-disable-next-line vue/no-v-html -- made by the server of Markdown that ships with the application, with nothing but Markdown taken -->
      <article v-else v-html="shown.html" />
    </div>
  </main>
</template>

<style scoped>
.page { display: grid; grid-template-columns: 270px minmax(0, 760px); gap: 44px; max-width: 1140px; margin: 0 auto; padding: 26px 28px 80px; outline: none; }
nav { position: sticky; top: 20px; align-self: start; max-height: calc(100vh - 40px); overflow-y: auto; }
.home { display: flex; align-items: center; gap: 7px; color: var(--ink); text-decoration: none; font-weight: 500; margin-bottom: 14px; }
.home img { width: 30px; }
ul { list-style: none; margin: 6px 0 0; padding: 0; line-height: 1.3; }
nav > ul > li { margin-bottom: 9px; }
nav ul ul { padding-left: 14px; font-size: 15px; }
nav ul ul li { margin-bottom: 4px; }
nav a { color: var(--ink); }
nav a[aria-current] { color: var(--green); font-weight: 700; }
.text :deep(h1) { margin-bottom: 14px; }
.text :deep(h2) { margin: 30px 0 8px; scroll-margin-top: 12px; }
.text :deep(h3) { margin: 20px 0 4px; scroll-margin-top: 12px; font-size: 19px; }
.text :deep(p) { margin: 0 0 12px; max-width: 66ch; }
.text :deep(ul) { list-style: disc; padding-left: 20px; margin: 0 0 10px; font-size: 16px; }
.text :deep(img) { max-width: 100%; height: auto; border: 1px solid var(--line); border-radius: 4px; }
.text :deep(code) { background: var(--paper-deep); padding: 1px 5px; border-radius: 3px; }
@media (max-width: 800px) { .page { grid-template-columns: minmax(0, 1fr); padding: 16px 14px; gap: 18px; } nav { position: static; max-height: none; } }
</style>
