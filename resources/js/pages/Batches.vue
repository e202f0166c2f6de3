<script setup lang="ts">
import { useMe } from '@/stores/me'
import { lower, number, t } from '@/words/words'
import { labelled } from '@/fields/options'
import Choose from '@/fields/Choose.vue'
import { api, words } from '@/api/client'
import type { Batch, BatchFile, Preset } from '@/api/types'
import { isOpen } from '@/api/works'
import { useChoices } from '@/stores/choices'
import { useWorks } from '@/stores/works'
import { count } from '@/units'
import { ElButton, ElInput, ElProgress, ElUpload, type UploadFile } from 'element-plus'
import { computed, onMounted, ref, watch } from 'vue'
import { RouterLink, useRouter } from 'vue-router'
import { usePages } from './usePages'

const me = useMe()
const props = defineProps<{ id?: string }>()
const router = useRouter()
const choices = useChoices()
const { rows: batches, more, load: loadBatches, next } = usePages<Batch>('batches')
const showMore = () => next().catch((refused) => (problem.value = words(refused)))
const batch = ref<Batch | null>(null)
const presets = ref<Preset[]>([])
const problem = ref('')
const sending = ref(false)
const files = ref<File[]>([])
const fields = ref({ title: '', preset: '', process: '', width: '', sizes: '' })
const only = ref<'all' | 'person' | 'ready' | 'failed'>('all')

async function load() {
  problem.value = ''
  try {
    const [shelf] = await Promise.all([api.get<Preset[]>('presets'), loadBatches()])
    presets.value = shelf
    fields.value.preset ||= presets.value[0]?.name ?? ''
  } catch (refused) {
    problem.value = words(refused)
  }
}
const works = useWorks()
const work = computed(() => works.of(batch.value?.work))
const runs = computed(() => isOpen(work.value))
async function look() {
  if (!props.id) return
  try {
    batch.value = await api.get<Batch>(`batches/${props.id}`)
  } catch (refused) {
    problem.value = words(refused)
    return
  }
  if (batch.value.work && isOpen(batch.value.work)) void works.ended(batch.value.work)
}
// As often as something came of it.
watch(() => `${work.value?.done} ${work.value?.state}`, () => batch.value && look())
onMounted(() => Promise.all([load(), choices.load().catch(() => undefined)]))
watch(() => props.id, () => ((batch.value = null), look()), { immediate: true })

/** What was dropped and does not go along, each with the reason. */
const aside = ref<string[]>([])
const endingOf = (name: string) => (/\.([^.]+)$/.exec(name)?.[1] ?? '').toLowerCase()
const pathOf = (file: File) => file.webkitRelativePath || file.name
function add(picked: UploadFile) {
  const raw = picked.raw
  if (!raw) return
  if (endingOf(raw.name) !== 'zip' && !choices.all.endings.includes(endingOf(raw.name))) {
    aside.value = [...aside.value, t('{name} is of no format that is read.', { name: raw.name })]
  } else if (files.value.some((file) => pathOf(file) === pathOf(raw) && file.size === raw.size && file.lastModified === raw.lastModified)) {
    aside.value = [...aside.value, t('{name} was dropped twice; it is taken once.', { name: raw.name })]
  } else files.value = [...files.value, raw]
}
/** As many as will be done; of a ZIP it is known only when it was opened. */
const howMany = computed(() => {
  const zips = files.value.filter((file) => endingOf(file.name) === 'zip').length
  const single = files.value.length - zips
  return [...(single > 0 ? [count(single, 'file')] : []), ...(zips > 0 ? [t('what is in {zips}', { zips: count(zips, 'ZIP') })] : [])].join(t(' and '))
})
const folder = ref<HTMLInputElement | null>(null)
function addFolder(event: Event) {
  for (const raw of (event.target as HTMLInputElement).files ?? []) if (!raw.name.startsWith('.')) add({ raw, name: raw.name } as unknown as UploadFile)
}
async function sizes(event: Event) {
  const file = (event.target as HTMLInputElement).files?.[0]
  fields.value.sizes = file ? await file.text() : ''
}
async function start() {
  const form = new FormData()
  for (const [name, value] of Object.entries(fields.value)) form.set(name, value)
  for (const file of files.value) {
    form.append('files[]', file)
    form.append('paths[]', pathOf(file))
  }
  sending.value = true
  problem.value = ''
  try {
    const made = await api.post<Batch>('batches', form)
    files.value = []
    aside.value = []
    await load()
    router.push(`/batches/${made.id}`)
  } catch (refused) {
    problem.value = words(refused)
  } finally {
    sending.value = false
  }
}
async function say(ask: () => Promise<unknown>) {
  problem.value = ''
  try {
    await ask()
    await look()
  } catch (refused) {
    problem.value = words(refused)
  }
}
const again = (body: Record<string, unknown> = {}) => say(() => api.post<Batch>(`batches/${props.id}/again`, body))
const stop = () => say(() => works.tell(work.value!, 'stop'))
async function asJob(row: BatchFile) {
  try {
    const job = await api.post<{ id: number }>(`batches/${props.id}/open`, { file: row.file })
    router.push(`/jobs/${job.id}/check`)
  } catch (refused) {
    problem.value = words(refused)
  }
}
const needs = (row: BatchFile) => row.state === 'done' && !row.ready
const rows = computed(() => (batch.value?.rows ?? []).filter((row) => (only.value === 'all' ? true : only.value === 'failed' ? row.state === 'failed' : only.value === 'ready' ? row.ready : needs(row) || row.state === 'failed')))
const share = computed(() => Math.round((100 * (batch.value?.done ?? 0)) / Math.max(1, batch.value?.files ?? 1)))
const words4: Record<string, string> = { waiting: t('waits'), running: t('at work'), done: t('done'), stopped: t('stopped'), failed: t('broke off'), paused: t('paused') }
</script>

<template>
  <main id="work" tabindex="-1" class="page" @input="problem = ''">
    <header>
      <RouterLink to="/" class="home"><img src="/mark.svg" alt="">Jobs</RouterLink>
      <div><h1>{{ batch ? batch.title : $t('Batches') }}</h1><p class="quiet">{{ batch ? batch.width ? $t('{preset}, {process}, {width} wide', { preset: batch.preset, process: lower(batch.processLabel), width: batch.width }) : `${batch.preset}, ${lower(batch.processLabel)}` : $t('Many files through one preset.') }}</p></div>
      <RouterLink v-if="id" to="/batches">All batches</RouterLink>
    </header>
    <p v-if="problem" class="trouble" role="alert">{{ problem }}</p>
    <template v-if="id">
      <p v-if="!batch && !problem" class="quiet">Opening the batch…</p>
      <template v-if="batch">
        <div class="bar">
          <ElProgress class="progress" :percentage="share" :show-text="false" :stroke-width="9" />
          <span class="numbers" role="status" data-test="batch-state">{{ batch.done }} of {{ count(batch.files, 'file') }}, {{ words4[work?.state ?? 'stopped'] }}</span>
          <Choose class="inline" label="Show" :value="only" :options="labelled({ all: $t('all'), person: $t('what needs a person'), ready: $t('what is ready'), failed: $t('what failed') })" data-test="batch-only" @keep="only = $event" />
          <span class="push" />
          <ElButton v-if="runs" :disabled="!me.may.draw" data-test="batch-stop" @click="stop">Stop</ElButton>
          <ElButton v-else-if="(batch.done ?? 0) < batch.files || batch.rows?.some((row) => row.state === 'failed')" :disabled="!me.may.draw" data-test="batch-again" @click="again()">Go on</ElButton>
          <a v-if="(batch.done ?? 0) > 0" class="all" :href="`/api/v1/batches/${batch.id}/all.zip`" download>Download all as ZIP</a>
        </div>
        <p v-if="work?.error" class="trouble">{{ work.error }}</p>
        <p v-if="batch.notTaken?.length" class="person" data-test="not-taken">{{ $t('Not taken, as {n, plural, one {it is} other {they are} } of no format that is read: {names}{more, plural, =0 {} other { and # more} }.', { n: batch.notTaken.length, names: batch.notTaken.slice(0, 8).join(', '), more: Math.max(0, batch.notTaken.length - 8) }) }}</p>
        <table>
          <thead><tr><th /><th>File</th><th>Size</th><th>Sheets</th><th>Findings</th><th>Verdict</th><th /></tr></thead>
          <tbody>
            <tr v-for="row in rows" :key="row.file" data-test="batch-row">
              <td class="small"><img v-if="row.state !== 'failed'" :src="`/api/v1/batches/${batch.id}/picture/${encodeURIComponent(row.file)}`" alt="" loading="lazy"></td>
              <td>{{ row.file }}</td>
              <td class="numbers">{{ row.width_mm ? `${number(row.width_mm, 1, 1)} × ${number(row.height_mm!, 1, 1)} mm` : '' }}</td>
              <td class="numbers">{{ row.sheets || '' }}</td>
              <td class="numbers">{{ row.state === 'done' ? `${row.findings}${row.serious ? $t(', {serious} serious', { serious: row.serious }) : ''}` : '' }}</td>
              <td :class="{ ready: row.ready, person: needs(row) || row.state === 'failed' }">{{ row.state === 'failed' ? row.error : row.state === 'waiting' ? $t('waits') : `${row.ready ? $t('Ready') : $t('Needs a person')}. ${row.verdict}.` }}</td>
              <td class="acts"><button v-if="row.state === 'done' && me.may.draw" type="button" data-test="as-job" @click="asJob(row)">Open as a job</button><button v-if="row.state === 'failed' && !runs && me.may.draw" type="button" @click="again({ file: row.file })">Try again</button></td>
            </tr>
          </tbody>
        </table>
        <p v-if="rows.length === 0" class="quiet">None is like that. <button type="button" class="quiet-button" @click="only = 'all'">Show all</button></p>
      </template>
    </template>
    <template v-else>
      <form v-if="me.may.draw" class="new" @submit.prevent="start">
        <ElUpload drag multiple :auto-upload="false" :show-file-list="false" :accept="[...choices.all.endings, 'zip'].map((ending) => `.${ending}`).join()" :on-change="add" data-test="batch-files">
          <p>Drag drawings or a ZIP of them here <span class="quiet numbers">{{ howMany }}</span></p>
          <p class="quiet">SVG, PDF, DXF, PLT, PostScript.</p>
        </ElUpload>
        <div class="beside">
          <button type="button" class="link" @click="folder?.click()">Take a whole folder</button>
          <ul v-if="aside.length > 0" class="aside" data-test="batch-aside"><li v-for="(one, index) in aside.slice(0, 12)" :key="index">{{ one }}</li><li v-if="aside.length > 12">and {{ aside.length - 12 }} more</li></ul>
        </div>
        <input ref="folder" type="file" webkitdirectory multiple hidden @change="addFolder">
        <div class="fields">
          <div class="field">Preset <Choose says="Preset" :value="fields.preset" :options="presets.map((preset) => ({ value: preset.name, label: preset.called }))" data-test="batch-preset" @keep="fields.preset = $event" /></div>
          <div class="field">Process <Choose says="Process" :value="fields.process" :options="[{ value: '', label: $t('as the preset is for') }, ...choices.all.processes]" @keep="fields.process = $event" /></div>
          <label>Finished width <ElInput v-model="fields.width" placeholder="as each file states" data-test="batch-width" /></label>
          <label>Title <ElInput v-model="fields.title" maxlength="120" /></label>
          <label>Table of sizes, CSV <input type="file" accept=".csv,text/csv" @change="sizes"></label>
          <ElButton type="primary" native-type="submit" :disabled="files.length === 0" :loading="sending" data-test="batch-start">{{ howMany ? $t('Prepare {them}', { them: howMany }) : $t('Prepare them') }}</ElButton>
        </div>
      </form>
      <ul class="list">
        <li v-for="one in batches ?? []" :key="one.id"><RouterLink :to="`/batches/${one.id}`">{{ one.title }}</RouterLink> <span class="quiet numbers">{{ count(one.files, 'file') }}, {{ one.preset }}, {{ words4[works.of(one.work)?.state ?? 'stopped'] }}</span></li>
      </ul>
      <ElButton v-if="more" size="small" data-test="more" @click="showMore">Show more</ElButton>
    </template>
  </main>
</template>

<style scoped>
.page { max-width: 1180px; margin: 0 auto; padding: 24px 28px 60px; }
header { display: flex; align-items: center; gap: 22px; padding-bottom: 16px; margin-bottom: 18px; border-bottom: 2px solid var(--ink); }
header div { flex: 1; }
.home { display: flex; align-items: center; gap: 7px; color: var(--ink); text-decoration: none; font-weight: 500; }
.home img { width: 40px; }
.bar { display: flex; align-items: center; gap: 16px; padding-bottom: 12px; }
.progress { width: 220px; }
.push { flex: 1; }
.all { background: var(--green); color: var(--on-green); text-decoration: none; padding: 6px 14px; border-radius: 4px; font-weight: 500; }
table { width: 100%; border-collapse: collapse; line-height: 1.25; }
th { text-align: left; font-weight: 500; color: var(--ink-mid); font-size: 15px; }
td, th { padding: 5px 12px 5px 0; border-bottom: 1px solid var(--line); }
td.small { width: 66px; }
td img { width: 54px; height: 44px; object-fit: contain; background: var(--tracing); border: 1px solid var(--line); border-radius: 3px; padding: 2px; }
.ready { color: var(--green); }
.person { color: var(--coral-deep); }
.acts button { border: 0; background: none; font: 15px var(--text-face); color: var(--ink-mid); text-decoration: underline; cursor: pointer; padding: 0; white-space: nowrap; }
.link { border: 0; background: none; font: inherit; color: var(--green); text-decoration: underline; cursor: pointer; padding: 0; }
.aside { margin: 8px auto 0; padding: 0; list-style: none; color: var(--coral-deep); font-size: 15px; max-width: 420px; }
.new { display: grid; grid-template-columns: 1fr 360px; gap: 26px; align-items: start; }
.beside { grid-column: 1; }
.fields { grid-column: 2; grid-row: 1 / 3; display: flex; flex-direction: column; gap: 9px; }
.fields label { display: flex; flex-direction: column; gap: 2px; font-weight: 500; }
.list { list-style: none; padding: 0; margin: 26px 0 0; }
.list li { border-top: 1px solid var(--line); padding: 8px 2px; }
@media (max-width: 900px) {
  .new { grid-template-columns: minmax(0, 1fr); }
  .fields { grid-column: 1; grid-row: auto; }
}
@media (max-width: 700px) {
  .page { padding: 16px 14px 40px; }
  header { flex-wrap: wrap; gap: 8px 14px; }
}
</style>
