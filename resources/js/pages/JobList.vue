<script setup lang="ts">
import { customerSays } from '@/stages/stages'
import { number, region, t } from '@/words/words'
import { labelled } from '@/fields/options'
import Choose from '@/fields/Choose.vue'
import TypedWords from '@/fields/TypedWords.vue'
import { api, words } from '@/api/client'
import type { JobPage, ListedJob, TrashedJob } from '@/api/types'
import { useChoices } from '@/stores/choices'
import { count } from '@/units'
import { ElButton, ElInput, ElMessageBox } from 'element-plus'
import { useSessionStorage, watchDebounced } from '@vueuse/core'
import { lane } from '@/stores/lane'
import { onMounted, ref, watch } from 'vue'
import { asked, orders, states, type JobOrder, type JobState } from './jobs'
import { RouterLink } from 'vue-router'
import StartHere from '@/start/StartHere.vue'
import { useWalk } from '@/start/useWalk'
import { usePages } from './usePages'
import { useMe } from '@/stores/me'

const jobs = ref<ListedJob[] | null>(null)
const counts = ref({ found: 0, all: 0 })
/** Whether there is a job besides the demo. */
const own = ref(true)
const walk = useWalk()
const me = useMe()
const problem = ref('')
const loading = ref(false)
const search = useSessionStorage('neat-edge-search', '')
const order = useSessionStorage<JobOrder>('neat-edge-order', 'updated')
const only = useSessionStorage<JobState>('neat-edge-only', 'all')
/** Pages that are shown, one under the other. */
const pages = ref(1)

/** Of several questions only the latest is answered. */
const ask = lane(async (page: number) => {
  const path = asked(search.value, only.value, order.value, page)
  try {
    return { path, answer: await api.get<JobPage>(path) }
  } catch (refused) {
    return { path, answer: words(refused) }
  }
})
async function page(number: number) {
  loading.value = true
  const got = await ask(number)
  if (got === null) return
  loading.value = false
  if (typeof got.answer === 'string') {
    problem.value = got.answer
    return
  }
  // What was typed meanwhile is asked for already.
  if (got.path !== asked(search.value, only.value, order.value, number)) return
  problem.value = ''
  const before = number === 1 ? [] : (jobs.value ?? [])
  const known = new Set(before.map((job) => job.id))
  jobs.value = [...before, ...got.answer.jobs.filter((job) => !known.has(job.id))]
  counts.value = { found: got.answer.found, all: got.answer.all }
  own.value = got.answer.own
  pages.value = number
}
/** The same pages once more, after something was changed. */
async function load() {
  const many = pages.value
  for (let number = 1; number <= many; number++) await page(number)
}
/** Above a thousand what is found is not counted any more. */
const many = (found: number) => (found > 1000 ? t('over 1,000') : number(found, 0))
const more = () => page(pages.value + 1)
onMounted(load)
watchDebounced(search, () => page(1), { debounce: 180 })
watch([order, only], () => page(1))

const choices = useChoices()
choices.load().catch((refused) => (problem.value = words(refused)))
const { rows: trash, more: moreTrash, load: loadPages, next: nextTrash } = usePages<TrashedJob>('trash')
const trashOpen = ref(false)
const loadTrash = () => loadPages().catch((refused) => (problem.value = words(refused)))
const showTrash = () => nextTrash().catch((refused) => (problem.value = words(refused)))
onMounted(loadTrash)
async function bringBack(id: number) {
  try {
    await api.post(`trash/${id}/restore`)
    await Promise.all([load(), loadTrash()])
  } catch (refused) {
    problem.value = words(refused)
  }
}
async function burn(job: TrashedJob) {
  try {
    await ElMessageBox.confirm(t('"{title}" and everything made of it will be gone for good.', { title: job.title }), t('Delete for good?'), { confirmButtonText: t('Delete for good'), cancelButtonText: t('Cancel'), appendTo: '#over' })
  } catch {
    return
  }
  try {
    await api.delete(`trash/${job.id}`)
    await loadTrash()
  } catch (refused) {
    problem.value = words(refused)
  }
}
const day = (text: string) => new Date(text).toLocaleDateString(region, { day: 'numeric', month: 'long' })

function state(job: ListedJob): string {
  if (job.state === 'done') return job.stale ? t('changed since it was prepared') : t('{ready, select, yes {ready} other {not ready}}, {sheets}', { ready: job.ready ? 'yes' : 'no', sheets: count(job.sheets, 'sheet') })
  return { new: t('not prepared'), waiting: t('waiting'), running: t('in progress'), paused: t('paused'), stopped: t('stopped'), failed: t('failed') }[job.state]
}

const today = new Date().toISOString().slice(0, 10)

const edit = (id: number) => (naming.value = id)
const naming = ref<number | null>(null)
async function rename(job: ListedJob, typed: string) {
  const title = typed.trim()
  naming.value = null
  if (title === '' || title === job.title) return
  try {
    await api.patch(`jobs/${job.id}`, { version: job.version, title })
    await load()
  } catch (refused) {
    problem.value = words(refused)
  }
}
async function duplicate(job: ListedJob) {
  try {
    await api.post(`jobs/${job.id}/copy`)
    await load()
  } catch (refused) {
    problem.value = words(refused)
  }
}
/** Out of the way, or back; nothing of it goes. */
async function putAway(job: ListedJob) {
  try {
    await api.post(`jobs/${job.id}/${only.value === 'archived' ? 'unarchive' : 'archive'}`)
    await load()
  } catch (refused) {
    problem.value = words(refused)
  }
}
async function remove(job: ListedJob) {
  try {
    await ElMessageBox.confirm(t('"{title}" goes to the trash, and can be restored from there for {trashDays} days.', { title: job.title, trashDays: choices.all.trashDays }), t('Delete this job?'), { confirmButtonText: t('To the trash'), cancelButtonText: t('Cancel'), appendTo: '#over' })
  } catch {
    return
  }
  try {
    await api.delete(`jobs/${job.id}`)
    await Promise.all([load(), loadTrash()])
  } catch (refused) {
    problem.value = words(refused)
  }
}
</script>

<template>
  <main id="work" tabindex="-1" class="page">
    <header>
      <img src="/mark.svg" alt="" class="mark">
      <div><h1>Neat Edge</h1><p class="quiet">Artwork in, clean edges out: ready for the blade, the film and the engraver.</p></div>
      <nav aria-label="The shop">
        <RouterLink to="/today">To do</RouterLink>
        <RouterLink to="/customers">Customers</RouterLink>
        <RouterLink to="/batches">Batches</RouterLink>
        <RouterLink to="/presets">Presets</RouterLink>
        <RouterLink to="/stock">Shop stock</RouterLink>
        <RouterLink to="/settings">Settings</RouterLink>
        <RouterLink to="/guide">Guide</RouterLink>
      </nav>
      <RouterLink v-if="me.asks && me.me.person" to="/account" class="me" data-test="me">{{ me.name }}</RouterLink>
      <button v-if="me.asks && me.me.person" type="button" class="quiet-button" data-test="sign-out" @click="me.signOut()">Sign out</button>
      <RouterLink v-if="me.may.draw" v-slot="{ navigate }" to="/new" custom><ElButton type="primary" size="large" data-test="new-job" @click="navigate">New job</ElButton></RouterLink>
    </header>
    <p v-if="problem" class="trouble" role="alert">{{ problem }} <ElButton size="small" @click="load">Try again</ElButton></p>
    <p v-if="jobs === null && !problem" class="quiet">Loading the jobs…</p>
    <div v-else-if="jobs && counts.all === 0 && only !== 'archived'" class="empty">
      <StartHere :jobs="jobs" @problem="problem = $event" />
      <h2>No jobs yet</h2>
      <p class="quiet">Drag a file anywhere onto this page, or begin with one of the three above.</p>
    </div>
    <template v-else-if="jobs">
      <StartHere v-if="!own && me.may.draw && only !== 'archived' && search === ''" :jobs="jobs" @problem="problem = $event" />
      <p v-else-if="walk.kept" class="quiet walk">A walk through a job was begun. <RouterLink :to="`/jobs/${walk.kept.job}`" data-test="walk-again" @click="walk.find()">Go on with it</RouterLink> <button type="button" class="quiet-button" @click="walk.kept = null">Not any more</button></p>
      <div class="sieve" role="search">
        <ElInput v-model="search" type="search" class="search" placeholder="Search title, customer, process" aria-label="Search the jobs" data-test="search" />
        <Choose class="inline" label="Show" :value="only" :options="labelled(states)" data-test="only" @keep="only = $event" />
        <Choose class="inline" label="By" :value="order" :options="labelled(orders)" data-test="order" @keep="order = $event" />
        <span class="quiet numbers" data-test="found">{{ counts.found === counts.all ? counts.all === 1 ? count(1, 'job') : $t('{many} jobs', { many: many(counts.all) }) : $t('{found} of {all} jobs', { found: many(counts.found), all: many(counts.all) }) }}</span>
      </div>
      <p v-if="jobs.length === 0" class="quiet">No job matches. <button type="button" class="quiet-button" @click="(search = ''), (only = 'all')">Show all</button></p>
      <ul class="jobs">
        <li v-for="job in jobs" :key="job.id" data-test="job">
          <RouterLink :to="`/jobs/${job.id}`" class="picture" tabindex="-1" aria-hidden="true"><img :src="`/api/v1/jobs/${job.id}/picture.svg?v=${job.version}`" alt="" loading="lazy" decoding="async"></RouterLink>
          <div class="body">
            <TypedWords v-if="naming === job.id" at-once :value="job.title" maxlength="120" aria-label="Title of the job" data-test="rename-field" @keydown.escape="naming = null" @left="naming === job.id && rename(job, $event)" />
            <RouterLink v-else :to="`/jobs/${job.id}`" class="title">{{ job.title }}</RouterLink>
            <span class="quiet">{{ job.processLabel }}, <span class="numbers">{{ number(job.width, 0, 0) }} × {{ number(job.height, 0, 0) }} mm</span><template v-if="job.demo"> · demo</template></span>
          </div>
          <span class="who"><span>{{ job.customer || '–' }}</span><span v-if="job.due" :class="['numbers', { late: job.due < today }]">due {{ day(job.due) }}</span></span>
          <span class="how"><span>{{ state(job) }}</span><span v-if="job.customerSays !== 'none'" :class="['says', job.customerSays]" data-test="customer-says">{{ customerSays(job.customerSays) }}</span><span v-if="job.findings > 0" class="findings">{{ count(job.findings, 'open finding') }}</span></span>
          <span class="when numbers quiet">{{ day(job.updated) }}</span>
          <span v-if="me.may.draw" class="acts">
            <button type="button" :aria-label="$t('Rename {title}', { title: job.title })" data-test="rename" @click="edit(job.id)">Rename</button>
            <button type="button" :aria-label="$t('Duplicate {title}', { title: job.title })" data-test="duplicate" @click="duplicate(job)">Duplicate</button>
            <button type="button" :aria-label="`${only === 'archived' ? $t('Unarchive') : $t('Archive')} ${job.title}`" data-test="archive" @click="putAway(job)">{{ only === 'archived' ? $t('Unarchive') : $t('Archive') }}</button>
            <button type="button" :aria-label="$t('Delete {title}', { title: job.title })" title="Delete" @click="remove(job)">Delete</button>
          </span>
        </li>
      </ul>
      <ElButton v-if="counts.found > jobs.length" data-test="more" :loading="loading" @click="more">Show more</ElButton>
    </template>
    <section v-if="trash.length > 0 && me.may.draw" class="trash" aria-label="Trash">
      <button type="button" class="open" :aria-expanded="trashOpen" data-test="trash" @click="trashOpen = !trashOpen">{{ trashOpen ? $t('Close the trash') : moreTrash ? $t('Trash: over {jobs}', { jobs: count(trash.length, 'job') }) : $t('Trash: {jobs}', { jobs: count(trash.length, 'job') }) }}</button>
      <ul v-if="trashOpen">
        <li v-for="job in trash" :key="job.id" data-test="trashed">
          <span><strong>{{ job.title }}</strong> <span class="quiet">{{ job.processLabel }}, deleted on {{ day(job.deleted) }}, kept until {{ day(job.gone) }}</span></span>
          <span class="acts"><ElButton size="small" data-test="bring-back" @click="bringBack(job.id)">Restore</ElButton><ElButton size="small" text @click="burn(job)">Delete for good</ElButton></span>
        </li>
      </ul>
      <ElButton v-if="trashOpen && moreTrash" size="small" data-test="more-trash" @click="showTrash">Show more</ElButton>
    </section>
  </main>
</template>

<style scoped>
.page { max-width: 1180px; margin: 0 auto; padding: 28px 28px 60px; height: 100%; }
header { display: flex; align-items: center; gap: 18px; padding-bottom: 20px; margin-bottom: 24px; border-bottom: 2px solid var(--ink); }
header div { flex: 1; min-width: 170px; }
header nav { display: flex; flex-wrap: wrap; gap: 4px 16px; justify-content: flex-end; max-width: 640px; }
.mark { width: 54px; height: 54px; }
.sieve { display: flex; align-items: center; gap: 16px; padding-bottom: 14px; }
.search { flex: 1; max-width: 380px; }
.sieve .quiet { margin-left: auto; white-space: nowrap; }
.jobs { list-style: none; margin: 0; padding: 0 0 24px; }
.jobs li { display: grid; grid-template-columns: 96px minmax(0, 1fr) 164px 168px 92px auto; gap: 16px; align-items: center; padding: 9px 4px; border-top: 1px solid var(--line); line-height: 1.25; content-visibility: auto; contain-intrinsic-size: auto 90px; }
.jobs li:hover { background: var(--card); }
.picture { background: var(--tracing); border: 1px solid var(--line); border-radius: 3px; width: 96px; height: 72px; display: grid; place-items: center; padding: 5px; }
.picture img { width: 100%; height: 100%; min-height: 0; object-fit: contain; }
.body, .who, .how { display: flex; flex-direction: column; min-width: 0; }
.title { font: 560 19px/1.2 var(--title-face); color: var(--ink); text-decoration: none; overflow: hidden; text-overflow: ellipsis; white-space: nowrap; }
.title:hover { color: var(--green); }
.body .typed-words { --el-input-height: 26px; font: 560 19px/1.2 var(--title-face); }
.body :deep(.el-input__inner) { font: inherit; }
.who span { overflow: hidden; text-overflow: ellipsis; white-space: nowrap; }
.late, .findings, .says.changes, .says.earlier { color: var(--coral-deep); }
.says.approved { color: var(--green-deep); font-weight: 700; }
.acts { display: flex; gap: 12px; white-space: nowrap; }
.jobs .acts button { border: 0; background: none; font: 15px var(--text-face); color: var(--ink-mid); cursor: pointer; text-decoration: underline; padding: 0; }
.jobs .acts button:hover { color: var(--green); }
.trash { border-top: 1px solid var(--line); padding: 12px 0 40px; }
.trash .open { border: 0; background: none; font: 16px var(--text-face); color: var(--ink-mid); text-decoration: underline; cursor: pointer; padding: 0; }
.trash ul { list-style: none; margin: 10px 0 0; padding: 0; }
.trash li { display: flex; justify-content: space-between; align-items: center; gap: 16px; padding: 8px 0; border-top: 1px solid var(--line); line-height: 1.25; }
@media (max-width: 1000px) {
  .jobs li { grid-template-columns: 96px minmax(0, 1fr) 168px; }
  .jobs .when, .jobs .who { display: none; }
  .jobs .acts { grid-column: 2 / -1; }
}
@media (max-width: 640px) {
  .page { padding: 16px 14px 60px; }
  header { flex-wrap: wrap; gap: 10px 16px; }
  header div { flex: 1 1 100%; order: -1; }
  .mark { display: none; }
  .sieve { flex-wrap: wrap; }
  .search { flex: 1 1 100%; max-width: none; }
  .jobs li { grid-template-columns: 64px minmax(0, 1fr); gap: 6px 12px; }
  .jobs .how, .jobs .acts { grid-column: 2; }
  .picture { width: 64px; height: 52px; }
  .title { white-space: normal; }
}
.walk { margin-bottom: 14px; }
.empty { text-align: center; padding: 80px 0; }
.empty h2 { margin-bottom: 8px; }
</style>
