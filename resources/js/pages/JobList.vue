<script setup lang="ts">
import { api, words } from '@/api/client'
import type { ListedJob } from '@/api/types'
import { count } from '@/units'
import { ElButton, ElMessageBox } from 'element-plus'
import { onMounted, ref } from 'vue'
import { RouterLink } from 'vue-router'

const jobs = ref<ListedJob[] | null>(null)
const problem = ref('')

async function load() {
  problem.value = ''
  try {
    jobs.value = await api.get<ListedJob[]>('jobs')
  } catch (refused) {
    problem.value = words(refused)
  }
}
onMounted(load)

interface Trash {
  days: number
  jobs: { id: number; title: string; processLabel: string; deleted: string; gone: string }[]
}
const trash = ref<Trash | null>(null)
const trashOpen = ref(false)
async function loadTrash() {
  try {
    trash.value = await api.get<Trash>('trash')
  } catch (refused) {
    problem.value = words(refused)
  }
}
onMounted(loadTrash)
async function bringBack(id: number) {
  try {
    await api.post(`trash/${id}/restore`)
    await Promise.all([load(), loadTrash()])
  } catch (refused) {
    problem.value = words(refused)
  }
}
async function burn(job: Trash['jobs'][number]) {
  try {
    await ElMessageBox.confirm(`"${job.title}" and everything made of it will be gone for good.`, 'Take it out of the trash?', { confirmButtonText: 'Delete for good', cancelButtonText: 'Leave it' })
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
const day = (text: string) => new Date(text).toLocaleDateString('en-GB', { day: 'numeric', month: 'long' })

function state(job: ListedJob): string {
  if (job.state === 'done') return job.stale ? 'changed since it was prepared' : `${job.verdict?.ready ? 'ready' : 'not ready'}, ${count(job.sheets, 'sheet')}`
  return { new: 'not prepared', waiting: 'waiting', running: 'at work', stopped: 'stopped', failed: 'broke off' }[job.state]
}
async function remove(job: ListedJob) {
  try {
    await ElMessageBox.confirm(`"${job.title}" goes to the trash, and can be brought back from there for ${trash.value?.days ?? 30} days.`, 'Delete this job?', { confirmButtonText: 'To the trash', cancelButtonText: 'Leave it' })
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
  <div class="page">
    <header>
      <img src="/mark.svg" alt="" class="mark">
      <div><h1>Neat Edge</h1><p class="quiet">Artwork in, clean edges out: ready for the blade, the film and the engraver.</p></div>
      <RouterLink v-slot="{ navigate }" to="/new" custom><ElButton type="primary" size="large" data-test="new-job" @click="navigate">New job</ElButton></RouterLink>
    </header>
    <p v-if="problem" class="trouble" role="alert">{{ problem }} <ElButton size="small" @click="load">Try again</ElButton></p>
    <p v-if="jobs === null && !problem" class="quiet">Looking through the jobs…</p>
    <div v-else-if="jobs && jobs.length === 0" class="empty">
      <h2>No jobs yet</h2>
      <p class="quiet">Start one with an SVG of your own. The demo jobs come back with <code>php artisan db:seed</code>.</p>
    </div>
    <ul v-else-if="jobs" class="jobs">
      <li v-for="job in jobs" :key="job.id" data-test="job">
        <RouterLink :to="`/jobs/${job.id}`" class="card">
          <span class="picture"><img :src="`/api/jobs/${job.id}/picture.svg?v=${job.version}`" alt="" loading="lazy"></span>
          <span class="body">
            <strong>{{ job.title }}</strong>
            <span class="quiet">{{ job.processLabel }}<br><span class="numbers">{{ job.width.toFixed(0) }} × {{ job.height.toFixed(0) }} mm</span></span>
            <span class="foot"><span>{{ state(job) }}</span><span v-if="job.findings > 0" class="findings">{{ count(job.findings, 'finding') }}</span></span>
          </span>
        </RouterLink>
        <span class="corner"><span v-if="job.demo" class="demo">demo</span><button type="button" :aria-label="`Delete ${job.title}`" title="Delete" @click="remove(job)">Delete</button></span>
      </li>
    </ul>
    <section v-if="trash && trash.jobs.length > 0" class="trash" aria-label="Trash">
      <button type="button" class="open" :aria-expanded="trashOpen" data-test="trash" @click="trashOpen = !trashOpen">{{ trashOpen ? 'Close the trash' : `Trash: ${count(trash.jobs.length, 'job')}` }}</button>
      <ul v-if="trashOpen">
        <li v-for="job in trash.jobs" :key="job.id" data-test="trashed">
          <span><strong>{{ job.title }}</strong> <span class="quiet">{{ job.processLabel }}, deleted on {{ day(job.deleted) }}, kept until {{ day(job.gone) }}</span></span>
          <span class="acts"><ElButton size="small" data-test="bring-back" @click="bringBack(job.id)">Bring back</ElButton><ElButton size="small" text @click="burn(job)">Delete for good</ElButton></span>
        </li>
      </ul>
    </section>
  </div>
</template>

<style scoped>
.page { max-width: 1180px; margin: 0 auto; padding: 28px 28px 60px; height: 100%; }
header { display: flex; align-items: center; gap: 18px; padding-bottom: 20px; margin-bottom: 24px; border-bottom: 2px solid var(--ink); }
header div { flex: 1; }
.mark { width: 54px; height: 54px; }
.jobs { list-style: none; margin: 0; padding: 0 0 40px; display: grid; grid-template-columns: repeat(auto-fill, minmax(500px, 1fr)); gap: 18px; }
.jobs li { position: relative; }
.card { display: grid; grid-template-columns: 210px 1fr; min-height: 190px; color: inherit; text-decoration: none; background: #fffcf4; border: 1px solid var(--line); border-radius: 5px; overflow: hidden; }
.card:hover { border-color: var(--green); }
.picture { background: var(--tracing); display: grid; place-items: center; padding: 12px; height: 100%; min-height: 0; }
.picture img { width: 100%; height: 165px; object-fit: contain; }
.body { display: flex; flex-direction: column; gap: 6px; padding: 15px 16px 13px; }
.body strong { font: 560 20px/1.2 var(--title-face); padding-right: 40px; }
.foot { margin-top: auto; display: flex; gap: 14px; font-weight: 500; padding-right: 60px; }
.findings { color: var(--coral-deep); }
.corner { position: absolute; right: 14px; top: 13px; bottom: 13px; display: flex; flex-direction: column; justify-content: space-between; align-items: flex-end; pointer-events: none; }
.demo { font-size: 14px; color: var(--green); }
.corner button { pointer-events: auto; border: 0; background: none; font: 15px var(--text-face); color: var(--ink-soft); cursor: pointer; text-decoration: underline; margin-top: auto; }
.corner button:hover { color: var(--coral-deep); }
.trash { border-top: 1px solid var(--line); padding: 12px 0 40px; }
.trash .open { border: 0; background: none; font: 16px var(--text-face); color: var(--ink-mid); text-decoration: underline; cursor: pointer; padding: 0; }
.trash ul { list-style: none; margin: 10px 0 0; padding: 0; }
.trash li { display: flex; justify-content: space-between; align-items: center; gap: 16px; padding: 8px 0; border-top: 1px solid var(--line); line-height: 1.25; }
.acts { white-space: nowrap; }
.empty { text-align: center; padding: 80px 0; }
.empty h2 { margin-bottom: 8px; }
</style>
