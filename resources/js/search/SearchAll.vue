<script setup lang="ts">
import { t } from '@/words/words'
import { api } from '@/api/client'
import type { JobPage } from '@/api/types'
import { expectField } from '@/keys/field'
import { useGuide } from '@/guide/useGuide'
import { useKeys } from '@/keys/useKeys'
import { stages } from '@/stages/stages'
import { useBench } from '@/stores/bench'
import { lane } from '@/stores/lane'
import { ElDialog, ElInput } from 'element-plus'
import { computed, nextTick, ref, watch } from 'vue'
import { useEventListener } from '@vueuse/core'
import { useRoute, useRouter } from 'vue-router'
import { found, type Place } from './found'

/** One search over jobs, tools, steps, findings, settings and the guide. */
const open = ref(false)
const words = ref('')
const at = ref(0)
const jobs = ref<Place[]>([])
/** What the jobs were looked for by: until those for what is typed now are there, only such of them as have it. */
const askedFor = ref('')
const router = useRouter()
const route = useRoute()
const guide = useGuide()
const keys = useKeys()
const bench = useBench()
const field = ref<InstanceType<typeof ElInput>>()
const list = ref<HTMLElement | null>(null)

useEventListener(window, 'keydown', (event: KeyboardEvent) => {
  if (!(event.ctrlKey || event.metaKey) || event.altKey || event.shiftKey || event.key.toLowerCase() !== 'k') return
  event.preventDefault()
  show()
}, { capture: true })
// What is typed before the dialog has given the keys to its field is typed all the same.
useEventListener(window, 'keydown', (event: KeyboardEvent) => {
  if (!open.value || event.key.length !== 1 || event.ctrlKey || event.metaKey || event.altKey || (event.target instanceof HTMLElement && event.target.matches('input'))) return
  event.preventDefault()
  event.stopPropagation()
  words.value += event.key
  field.value?.focus()
}, { capture: true })
function show() {
  words.value = ''
  at.value = 0
  open.value = true
  expectField()
  // The dialog takes the keys when it is there, and is asked for them then.
  void nextTick(() => {
    field.value?.focus()
    requestAnimationFrame(() => field.value?.focus())
  })
  guide.load()
  void ask('')
}
const askJobs = lane((search: string) => api.get<JobPage>(`jobs?${new URLSearchParams({ search, only: 'all', order: 'updated', page: '1' })}`))
async function ask(search: string) {
  const answer = await askJobs(search)
  if (!answer || search !== words.value.trim()) return
  askedFor.value = search
  jobs.value = answer.jobs.slice(0, 7).map((job) => ({ sort: t('Jobs'), label: job.title, says: `${job.processLabel}${job.customer ? `, ${job.customer}` : ''}`, to: `/jobs/${job.id}` }))
}
watch(words, (text) => {
  at.value = 0
  void ask(text.trim())
})
const sorts: Record<string, string> = { tool: t('Tools'), step: t('Steps'), finding: t('Findings'), output: t('Files'), process: t('Processes') }
const onBench = computed(() => route.name === 'bench' && bench.job !== null)
const here = computed<Place[]>(() => [
  ...(onBench.value
    ? [
        ...stages.map((stage) => ({ sort: t('Stages'), label: stage.label, says: t('Enter this stage'), to: `/jobs/${bench.job!.id}/${stage.key}` })),
        ...keys.all.filter((act) => act.part !== 'stages').map((act) => ({ sort: t('Keys and tools'), label: act.label.replace(/^./, (first) => first.toUpperCase()), says: keys.shown(act.name), run: () => keys.run(act.name) })),
      ]
    : []),
  { sort: t('Pages'), label: t('New job'), says: t('From a file, a template or an empty bench'), to: '/new' },
  { sort: t('Pages'), label: t('All jobs'), says: t('The list of jobs'), to: '/' },
  { sort: t('Pages'), label: t('Batches'), says: t('Many files by one preset'), to: '/batches' },
  { sort: t('Pages'), label: t('Presets'), says: t('Lines of the shop'), to: '/presets' },
  { sort: t('Pages'), label: t('Shop stock'), says: t('Materials, inks, screens, blades, machines'), to: '/stock' },
  { sort: t('Settings'), label: t('Settings'), says: t('Unit, currency, paper, days, light'), to: '/settings' },
  { sort: t('Pages'), label: t('Mailbox'), says: t('Mail about proofs'), to: '/mailbox' },
  ...guide.all.entries.map((entry) => ({ sort: sorts[entry.sort] ?? entry.sort, label: entry.label, says: entry.says, to: `/guide/reference#${entry.id}` })),
  ...guide.all.pages.flatMap((page) => [{ sort: t('Guide'), label: page.title, says: t('A page of the guide'), to: `/guide/${page.page}` }, ...page.headings.map((heading) => ({ sort: t('Guide'), label: heading.text, says: page.title, to: `/guide/${page.page}#${heading.id}` }))]),
])
const results = computed(() => [...(askedFor.value === words.value.trim() ? jobs.value : found(words.value, jobs.value)), ...(words.value.trim() === '' ? here.value.filter((one) => [t('Pages'), t('Settings'), t('Stages')].includes(one.sort)) : found(words.value, here.value, 5))])
async function go(place: Place) {
  open.value = false
  await nextTick()
  if (place.to) await router.push(place.to)
  place.run?.()
}
function key(event: Event | KeyboardEvent) {
  const pressed = (event as KeyboardEvent).key
  const n = results.value.length
  event.stopPropagation()
  if (pressed === 'ArrowDown' || pressed === 'ArrowUp') {
    if (n > 0) at.value = (at.value + (pressed === 'ArrowDown' ? 1 : n - 1)) % n
    event.preventDefault()
    void nextTick(() => list.value?.querySelector('[aria-selected=true]')?.scrollIntoView({ block: 'nearest' }))
  } else if (pressed === 'Enter' && results.value[at.value]) void go(results.value[at.value]!)
  else if (pressed === 'Escape') open.value = false
}
defineExpose({ show })
</script>

<template>
  <ElDialog v-model="open" width="620" append-to="#over" :show-close="false" class="search-all" aria-label="Search everything" @opened="field?.focus()">
    <template #header><h2 class="heard">Search everything</h2></template>
    <ElInput ref="field" v-model="words" size="large" placeholder="Jobs, tools, steps, findings, settings, guide" role="combobox" aria-label="Search everything" aria-expanded="true" aria-controls="found-all" :aria-activedescendant="results.length > 0 ? `found-${at}` : undefined" autocomplete="off" data-test="search-all" @keydown="key" />
    <ul id="found-all" ref="list" role="listbox" aria-label="What was found">
      <li v-for="(place, index) in results" :id="`found-${index}`" :key="`${place.sort} ${place.label} ${index}`" role="option" :aria-selected="index === at" :class="{ on: index === at }" @pointermove="at = index" @click="go(place)">
        <span class="sort">{{ place.sort }}</span><span class="label">{{ place.label }}</span><span class="says">{{ place.says }}</span>
      </li>
    </ul>
    <p v-if="results.length === 0" class="quiet" role="status">Nothing is called so.</p>
  </ElDialog>
</template>

<style>
.search-all .el-dialog__header { padding: 0; }
</style>

<style scoped>
ul { list-style: none; margin: 10px 0 0; padding: 0; max-height: 52vh; overflow-y: auto; }
li { display: grid; grid-template-columns: 108px minmax(0, auto) minmax(0, 1fr); gap: 10px; align-items: baseline; padding: 5px 8px; border-radius: 3px; cursor: pointer; }
li.on { background: var(--green-pale); }
.sort { font-size: 14px; color: var(--ink-mid); }
.label { font-weight: 500; }
.says { font-size: 15px; color: var(--ink-mid); overflow: hidden; text-overflow: ellipsis; white-space: nowrap; }
</style>
