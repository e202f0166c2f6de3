<script setup lang="ts">
import { number, t } from '@/words/words'
import { useArrived } from '@/arriving/arrived'
import { api, words } from '@/api/client'
import type { Job, OpenedJob, Template } from '@/api/types'
import FileAsTaken from './FileAsTaken.vue'
import ShopFonts from './ShopFonts.vue'
import { useTakenFile } from './useTakenFile'
import { count } from '@/units'
import { useChoices } from '@/stores/choices'
import { useDebounceFn } from '@vueuse/core'
import { ElButton, ElInput, ElRadio, ElRadioGroup, ElUpload } from 'element-plus'
import { computed, onMounted, ref, watch } from 'vue'
import { RouterLink, useRoute, useRouter } from 'vue-router'

const router = useRouter()
const route = useRoute()
const choices = useChoices()
const picked = ref('')
/** The first of those there are, until another is chosen. */
const process = computed({ get: () => picked.value || (choices.all.processes[0]?.value ?? ''), set: (key) => (picked.value = key) })
const title = ref('')
const width = ref('')
const height = ref('')
const empty = ref(false)
const comesTo = ref('')
const taken = useTakenFile()
const problem = ref('')
const sending = ref(false)

onMounted(async () => {
  try {
    await choices.load()
  } catch (refused) {
    problem.value = words(refused)
  }
})

const ask = useDebounceFn(async (text: string) => {
  if (text.trim() === '') {
    comesTo.value = ''
    return
  }
  try {
    const { mm } = await api.post<{ mm: number }>('length', { text })
    if (text === width.value) comesTo.value = `= ${number(mm, 3)} mm`
  } catch (refused) {
    if (text === width.value) comesTo.value = words(refused)
  }
}, 250)
watch(width, ask)
const templates = ref<Template[]>([])
const template = ref(0)
onMounted(async () => {
  templates.value = await api.get<Template[]>('templates').catch(() => [])
  if (route.query.empty === '1') empty.value = true
})
const ofTemplate = computed(() => templates.value.find((one) => one.id === template.value) ?? null)
async function forget(one: Template) {
  await api.delete(`templates/${one.id}`).catch((refused) => (problem.value = words(refused)))
  templates.value = templates.value.filter((other) => other.id !== one.id)
  template.value = 0
}
const arrived = useArrived()
watch(() => arrived.files, (files) => {
  if (files.length === 0) return
  empty.value = false
  void taken.takeAll(arrived.take())
}, { immediate: true })
/** The picture that was given lies under an empty bench, to draw over. */
function drawOver() {
  empty.value = true
  if (title.value === '') title.value = taken.reference!.name.replace(/\.[^.]+$/, '')
}
const traces = ref(false)
/** Of a picture that is traced only the width is asked: it is as high as its dots say. */
let shape = 0
async function traceIt() {
  drawOver()
  traces.value = true
  const url = URL.createObjectURL(taken.reference!)
  try {
    const image = new Image()
    image.src = url
    await image.decode()
    shape = image.naturalHeight / image.naturalWidth
  } catch {
    // The server says what is wrong with it.
    shape = 0
  } finally {
    URL.revokeObjectURL(url)
  }
}
async function heightOf(): Promise<string> {
  if (!traces.value || shape === 0) return height.value
  const { mm } = await api.post<{ mm: number }>('length', { text: width.value })
  return `${Math.max(0.01, mm * shape).toFixed(3)}mm`
}
const opened = ref<OpenedJob | null>(null)
/** A whole job brings its ticket along: nothing of what is asked here is. */
async function openWhole() {
  const form = new FormData()
  form.set('file', taken.whole!)
  sending.value = true
  clear()
  try {
    opened.value = await api.post<OpenedJob>('jobs/whole', form)
    // What did not come along is read before it is gone to.
    if (opened.value.says.length === 0) await router.push(`/jobs/${opened.value.job.id}`)
  } catch (refused) {
    problem.value = words(refused)
  } finally {
    sending.value = false
  }
}
function clear() {
  problem.value = taken.problem = ''
}
const placeholder = computed(() => (empty.value && ofTemplate.value ? t('{width} mm, as the template', { width: number(ofTemplate.value.width, 0, 0) }) : empty.value ? '300mm, 12in, 600mm/2' : taken.look && !taken.look.statesSize ? t('the file states none: type it') : t('as the file states, or 300mm, 12in, 600mm/2')))
const widthOf = computed(() => (empty.value ? t('of the page') : taken.of === 'art' || (taken.look && !taken.partly) ? t('of all that is drawn; the height follows') : t('of the page of the drawing; the height follows')))

async function start() {
  clear()
  if (!empty.value && taken.whole && !taken.file) return openWhole()
  if (!empty.value && !taken.file && taken.reference) {
    problem.value = t('A picture has no outlines to cut. Draw over it on an empty bench, or choose a drawing.')
    return
  }
  if (!taken.file && !empty.value) {
    problem.value = t('Choose a file first, or draw on an empty bench.')
    return
  }
  if (!empty.value && taken.needsPage) {
    problem.value = t('The file has {pages} pages: choose one.', { pages: taken.look!.pages })
    return
  }
  sending.value = true
  if (empty.value && ofTemplate.value) {
    try {
      const job = await api.post<Job>(`templates/${ofTemplate.value.id}/jobs`, { title: title.value, width: width.value, height: height.value })
      await router.push(`/jobs/${job.id}/draw`)
    } catch (refused) {
      problem.value = words(refused)
    } finally {
      sending.value = false
    }
    return
  }
  try {
    const job = await begin(empty.value ? null : taken.file!)
    if (empty.value && taken.reference) await layUnder(job)
    if (empty.value || taken.others.length === 0) return void await router.push(empty.value ? `/jobs/${job.id}/draw${traces.value && taken.reference ? '?trace=1' : ''}` : `/jobs/${job.id}`)
    const failed: string[] = []
    for (const file of taken.others) await begin(file, true).catch((refused) => failed.push(`${file.name}: ${words(refused)}`))
    if (failed.length === 0) return void await router.push('/')
    taken.others = []
    taken.file = null
    taken.look = null
    problem.value = t('{n, plural, one {One file was} other {# files were}} not taken; the others are jobs now. {why}', { n: failed.length, why: failed.join(' ') })
  } catch (refused) {
    problem.value = words(refused)
  } finally {
    sending.value = false
  }
}
/** One job; of several files each is called after its own, and is as large as it states unless a width was typed for all. */
async function begin(file: File | null, further = false): Promise<Job> {
  const form = new FormData()
  form.set('title', taken.others.length > 0 && !empty.value ? '' : title.value)
  form.set('process', process.value)
  form.set('width', width.value)
  if (file === null) form.set('height', await heightOf())
  else {
    form.set('file', file)
    form.set('of', taken.of)
    if (!further) taken.tell(form)
  }
  return api.post<Job>('jobs', form)
}
async function layUnder(job: Job) {
  const form = new FormData()
  form.append('file', taken.reference!)
  const picture = await api.post<{ file: string; name: string }>(`jobs/${job.id}/reference`, form)
  await api.post(`jobs/${job.id}/edits`, { version: job.version, key: `${Date.now()}`, edit: { kind: 'reference', picture } })
}
</script>

<template>
  <main id="work" tabindex="-1" class="page" @input="clear">
    <RouterLink to="/" class="back">All jobs</RouterLink>
    <h1>New job</h1>
    <form @submit.prevent="start">
      <fieldset v-if="!(empty && ofTemplate)">
        <legend>How is it made?</legend>
        <ElRadioGroup v-model="process" class="pick processes" aria-label="How is it made?">
          <ElRadio v-for="one in choices.all.processes" :key="one.value" :value="one.value" :data-test="`process-${one.value}`">
            <strong>{{ one.label }}</strong>
            <span class="says">{{ one.says }}</span>
            <span class="says numbers">lines from {{ one.line }} mm, gaps from {{ one.gap }} mm</span>
          </ElRadio>
        </ElRadioGroup>
      </fieldset>
      <ElRadioGroup v-model="empty" class="pick" aria-label="What it begins with" @change="traces = false">
        <ElRadio :value="false">From a file</ElRadio>
        <ElRadio :value="true" data-test="empty">On an empty bench</ElRadio>
      </ElRadioGroup>
      <fieldset v-if="empty && templates.length > 0" class="templates">
        <legend>Begin with a template</legend>
        <ElRadioGroup v-model="template" class="plain-pick" aria-label="Template">
          <ElRadio :value="0">None: an empty page</ElRadio>
          <ElRadio v-for="one in templates" :key="one.id" :value="one.id" :data-test="`template-${one.id}`">{{ one.name }}<span class="quiet numbers">{{ one.processLabel }}, {{ number(one.width, 0) }} × {{ number(one.height, 0) }} mm<template v-if="one.guides > 0">, {{ count(one.guides, 'guide') }}</template></span></ElRadio>
        </ElRadioGroup>
        <button v-if="ofTemplate" type="button" class="quiet-button" @click="forget(ofTemplate)">Delete this template</button>
      </fieldset>
      <div class="two">
        <label>Finished width
          <ElInput v-model="width" :placeholder="placeholder" size="large" data-test="width" />
          <span class="quiet numbers">{{ comesTo || widthOf }}</span>
        </label>
        <label v-if="empty && !traces">Finished height
          <ElInput v-model="height" :placeholder="ofTemplate ? $t('{height} mm, as the template', { height: number(ofTemplate.height, 0, 0) }) : '200mm'" size="large" data-test="height" />
        </label>
        <label>Title
          <ElInput v-model="title" placeholder="the file's name, if left empty" maxlength="120" size="large" data-test="title" />
        </label>
      </div>
      <ElUpload v-if="!empty" class="drop" drag :auto-upload="false" :show-file-list="false" :accept="[...choices.all.endings, 'zip'].map((ending) => `.${ending}`).join()" :on-change="taken.take" multiple>
        <p v-if="taken.file" class="file" data-test="taken">{{ taken.file.name }} <span class="quiet numbers">{{ number((taken.file.size / 1000), 1, 1) }} kB</span></p>
        <p v-else class="file">Drag the SVG, PDF, DXF, PLT or PostScript here</p>
        <p class="quiet">or press to browse. The file itself is never changed.</p>
      </ElUpload>
      <div v-if="!empty && taken.others.length > 0" class="others" data-test="others">
        <p><strong>{{ taken.others.length + 1 }} files</strong>: each becomes a job of its own, called after its file and made the same way.</p>
        <ul><li v-for="(one, index) in taken.others" :key="`${index} ${one.name}`">{{ one.name }} <button type="button" class="quiet-button" :aria-label="$t('Leave out {name}', { name: one.name })" @click="taken.others = taken.others.filter((other) => other !== one)">Leave out</button></li></ul>
      </div>
      <div v-if="taken.whole" class="others" data-test="whole-job">
        <template v-if="opened">
          <p role="status"><strong>{{ opened.job.title }}</strong> is a job of this shop now, but for this:</p>
          <ul><li v-for="one in opened.says" :key="one">{{ one }}</li></ul>
          <RouterLink :to="`/jobs/${opened.job.id}`" data-test="go-to-it">Go to it</RouterLink>
        </template>
        <template v-else>
          <p><strong>{{ taken.whole.name }} is a whole job</strong> with a ticket of its own: its bench, versions, pictures and the customer’s file come along. Its history begins anew.</p>
          <ElButton data-test="open-whole" :loading="sending" @click="openWhole">Open it</ElButton>
        </template>
      </div>
      <div v-if="taken.reference" class="others" data-test="picture">
        <p><strong>{{ taken.reference.name }} is a picture</strong>, not a drawing: it has no outlines to cut. It can be traced to curves, or lie under an empty bench as a reference to draw over.</p>
        <template v-if="!empty">
          <ElButton data-test="trace-it" @click="traceIt">Trace it</ElButton>
          <ElButton data-test="draw-over" @click="drawOver">Draw over it</ElButton>
        </template>
        <p v-else-if="traces" class="quiet">It will lie under the bench and be traced there, at the width that you type; the height follows.</p>
        <p v-else class="quiet">It will lie under the bench. Type the finished width and height.</p>
      </div>
      <FileAsTaken v-if="!empty" :taken="taken" />
      <ShopFonts @changed="taken.lookAt()" />
      <p v-if="problem || taken.problem" class="trouble" role="alert" data-test="problem">{{ problem || taken.problem }}</p>
      <ElButton type="primary" size="large" native-type="submit" :loading="sending" data-test="start">{{ !empty && taken.others.length > 0 ? $t('Start {others} jobs', { others: taken.others.length + 1 }) : $t('Start the job') }}</ElButton>
    </form>
  </main>
</template>

<style scoped>
.page { max-width: 900px; margin: 0 auto; padding: 26px 28px 50px; }
h1 { margin: 4px 0 18px; }
form { display: flex; flex-direction: column; gap: 20px; align-items: stretch; }
form > .el-button { align-self: flex-start; }
fieldset { border: 0; padding: 0; margin: 0; }
legend { font: 560 19px var(--title-face); margin-bottom: 9px; padding: 0; }
.processes.el-radio-group { display: grid; grid-template-columns: repeat(3, 1fr); gap: 10px; }
.processes :deep(.el-radio) { padding: 10px 13px; }
.processes .says { font-size: 15px; color: var(--ink-mid); }
.two { display: grid; grid-template-columns: 1fr 1fr; gap: 18px; }
.two label { display: flex; flex-direction: column; gap: 4px; font-weight: 500; }
.two .quiet { font-weight: 400; font-size: 15px; }
.others { border: 1px solid var(--line); border-radius: 4px; background: var(--card); padding: 12px 14px; display: flex; flex-direction: column; gap: 8px; align-items: flex-start; }
.others ul { list-style: none; margin: 0; padding: 0; display: flex; flex-direction: column; gap: 4px; }
@media (max-width: 700px) {
  .page { padding: 16px 14px 40px; }
  .processes.el-radio-group, .two { grid-template-columns: minmax(0, 1fr); }
}
.file { font: 560 20px var(--title-face); }
</style>
