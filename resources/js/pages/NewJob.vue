<script setup lang="ts">
import { api, words } from '@/api/client'
import type { Field, FieldValue, Job } from '@/api/types'
import FieldForm from '@/fields/FieldForm.vue'
import ShopFonts from './ShopFonts.vue'
import { useChoices } from '@/stores/choices'
import { useDebounceFn } from '@vueuse/core'
import { ElButton, ElInput, ElUpload, type UploadFile } from 'element-plus'
import { computed, onMounted, ref, watch } from 'vue'
import { RouterLink, useRouter } from 'vue-router'

const router = useRouter()
const choices = useChoices()
const picked = ref('')
/** The first of those there are, until another is chosen. */
const process = computed({ get: () => picked.value || (choices.all.processes[0]?.value ?? ''), set: (key) => (picked.value = key) })
const title = ref('')
const width = ref('')
const height = ref('')
const empty = ref(false)
const comesTo = ref('')
const file = ref<File | null>(null)
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
    if (text === width.value) comesTo.value = `= ${Number(mm.toFixed(3))} mm`
  } catch (refused) {
    if (text === width.value) comesTo.value = words(refused)
  }
}, 250)
watch(width, ask)

interface Look {
  statesSize: boolean
  page: [number, number]
  box: [number, number, number, number] | null
  outside: boolean
  leftOut: string[]
  picture: string
  /** What can be chosen of how it is taken. */
  fields: Field[]
  says: string
  pages: number
  pagePictures: string[]
}
/** What the file says of its size, and where its art lies; null until it was read. */
const look = ref<Look | null>(null)
const looking = ref(false)
const of = ref<'page' | 'art'>('page')
const picture = computed(() => (look.value ? `data:image/svg+xml;charset=utf-8,${encodeURIComponent(look.value.picture)}` : ''))
const size = (width: number, height: number) => `${Number(width.toFixed(2))} × ${Number(height.toFixed(2))} mm`

/** How a file that can be taken in several ways is to be taken; what was not chosen is as the file proposes. */
const taking = ref<Record<string, FieldValue>>({})
const values = computed(() => ({ ...Object.fromEntries((look.value?.fields ?? []).map((field) => [field.name, field.usual])), ...taking.value }))
const pagePictures = ref<string[]>([])
const needsPage = computed(() => (look.value?.pages ?? 1) > 1 && taking.value.page === undefined)

async function take(picked: UploadFile) {
  file.value = picked.raw ?? null
  taking.value = {}
  pagePictures.value = []
  await lookAt()
}
async function choose(name: string, value: FieldValue) {
  taking.value = { ...taking.value, [name]: value }
  await lookAt(true)
}
function tell(form: FormData) {
  for (const [name, value] of Object.entries(taking.value)) form.set(`taking[${name}]`, value === true ? 'yes' : value === false ? 'no' : String(value))
}
let asked = 0
/** What was seen last stays until the answer is there, where only the way of taking it is another. */
async function lookAt(again = false) {
  problem.value = ''
  if (!again) look.value = null
  if (!file.value) return
  const mine = ++asked
  const form = new FormData()
  form.set('file', file.value)
  tell(form)
  looking.value = true
  try {
    const seen = await api.post<Look>('look', form)
    if (mine !== asked) return
    look.value = seen
    if (seen.pagePictures.length > 0) pagePictures.value = seen.pagePictures
    if (!again) of.value = seen.outside ? 'art' : 'page'
  } catch (refused) {
    if (mine === asked) problem.value = words(refused)
  } finally {
    if (mine === asked) looking.value = false
  }
}
/** Whether page and art are two things: a file without a page has that of its art. */
const partly = computed(() => !!look.value?.box && [0, 1].some((i) => Math.abs(look.value!.page[i]! - look.value!.box![i + 2]!) > 0.01))
const placeholder = computed(() => (empty.value ? '300mm, 12in, 600mm/2' : look.value && !look.value.statesSize ? 'the file states none: type it' : 'as the file states, or 300mm, 12in, 600mm/2'))
const widthOf = computed(() => (empty.value ? 'of the page' : of.value === 'art' || (look.value && !partly.value) ? 'of all that is drawn; the height follows' : 'of the page of the drawing; the height follows'))

async function start() {
  problem.value = ''
  if (!file.value && !empty.value) {
    problem.value = 'Drop a file first, or draw on an empty bench.'
    return
  }
  if (!empty.value && needsPage.value) {
    problem.value = `The file has ${look.value!.pages} pages: choose one.`
    return
  }
  const form = new FormData()
  form.set('title', title.value)
  form.set('process', process.value)
  form.set('width', width.value)
  if (empty.value) form.set('height', height.value)
  else {
    form.set('file', file.value!)
    form.set('of', of.value)
    tell(form)
  }
  sending.value = true
  try {
    const job = await api.post<Job>('jobs', form)
    await router.push(empty.value ? `/jobs/${job.id}/draw` : `/jobs/${job.id}`)
  } catch (refused) {
    problem.value = words(refused)
  } finally {
    sending.value = false
  }
}
</script>

<template>
  <div class="page" @input="problem = ''">
    <RouterLink to="/" class="back">All jobs</RouterLink>
    <h1>New job</h1>
    <form @submit.prevent="start">
      <fieldset>
        <legend>How is it made?</legend>
        <div class="processes">
          <label v-for="one in choices.all.processes" :key="one.value" :class="{ on: process === one.value }">
            <input v-model="process" type="radio" name="process" :value="one.value">
            <strong>{{ one.label }}</strong>
            <span>{{ one.says }}</span>
            <span class="numbers">lines from {{ one.line }} mm, gaps from {{ one.gap }} mm</span>
          </label>
        </div>
      </fieldset>
      <div class="starts" role="radiogroup" aria-label="What it begins with">
        <button type="button" role="radio" :aria-checked="!empty" :class="{ on: !empty }" @click="empty = false">From a file</button>
        <button type="button" role="radio" :aria-checked="empty" :class="{ on: empty }" data-test="empty" @click="empty = true">On an empty bench</button>
      </div>
      <div class="two">
        <label>Finished width
          <ElInput v-model="width" :placeholder="placeholder" size="large" data-test="width" />
          <span class="quiet numbers">{{ comesTo || widthOf }}</span>
        </label>
        <label v-if="empty">Finished height
          <ElInput v-model="height" placeholder="200mm" size="large" data-test="height" />
        </label>
        <label>Title
          <ElInput v-model="title" placeholder="the file's name, if left empty" maxlength="120" size="large" data-test="title" />
        </label>
      </div>
      <ElUpload v-if="!empty" class="drop" drag :auto-upload="false" :show-file-list="false" :accept="choices.all.endings.map((ending) => `.${ending}`).join()" :on-change="take">
        <p v-if="file" class="file">{{ file.name }} <span class="quiet numbers">{{ (file.size / 1000).toFixed(1) }} kB</span></p>
        <p v-else class="file">Drop the SVG, PDF, DXF, PLT or PostScript here</p>
        <p class="quiet">or press to look for it. It is read on this machine and never changed.</p>
      </ElUpload>
      <section v-if="look && !empty && pagePictures.length > 0" class="pages" data-test="pages">
        <p :class="{ asks: needsPage }">{{ look.says }} {{ needsPage ? 'Choose the one that is to be made.' : `Page ${taking.page} is taken.` }}</p>
        <div role="radiogroup" aria-label="Page">
          <button v-for="(png, index) in pagePictures" :key="index" type="button" role="radio" :aria-checked="String(taking.page) === String(index + 1)" :class="{ on: String(taking.page) === String(index + 1) }" :data-test="`page-${index + 1}`" @click="choose('page', String(index + 1))"><img :src="png" :alt="`Page ${index + 1}`"><span class="numbers">{{ index + 1 }}</span></button>
        </div>
        <label v-if="look.pages > pagePictures.length" class="more">or page <ElInput :model-value="String(taking.page ?? '')" placeholder="number" @change="choose('page', $event)" /> of {{ look.pages }}</label>
      </section>
      <section v-if="look && !empty && !needsPage" class="look" data-test="look">
        <div class="sheet"><img :src="picture" alt="The drawing as it was understood"></div>
        <div class="facts">
          <p v-if="!look.statesSize" class="asks" data-test="asks"><strong>The file states no size.</strong> Type the finished width; its own numbers would come to {{ size(...look.page) }}.</p>
          <fieldset v-if="partly" class="of">
            <legend>The finished width is that of</legend>
            <label><input v-model="of" type="radio" value="page"> the page<span class="numbers quiet">{{ look.statesSize ? size(...look.page) : 'as large as you say' }}</span></label>
            <label v-if="look.box"><input v-model="of" type="radio" value="art" data-test="of-art"> the art alone<span class="numbers quiet">{{ look.statesSize ? size(look.box[2], look.box[3]) : 'the box of all that is drawn' }}</span></label>
          </fieldset>
          <p v-if="look.outside" class="asks">Some of the art lies outside the page of the file.</p>
          <fieldset v-if="look.fields.some((field) => field.name !== 'page')" class="taking" data-test="taking">
            <legend>How its lines are taken</legend>
            <FieldForm :fields="look.fields" :values="values" :only="(field) => field.name !== 'page' && (field.name !== 'width' || values.lines === 'drawn')" @keep="choose" />
            <p class="quiet numbers">{{ look.says }}<template v-for="field in look.fields.filter((one) => one.help !== '' && ['gap', 'asleep'].includes(one.name))" :key="field.name">; {{ field.name === 'gap' ? `${Number(field.usual)} mm is proposed: ` : 'not drawn: ' }}{{ field.help }}</template>.</p>
          </fieldset>
          <details v-if="look.leftOut.length > 0"><summary>{{ look.leftOut.length === 1 ? '1 remark' : `${look.leftOut.length} remarks` }} on what was read</summary><ul><li v-for="(one, index) in look.leftOut.slice(0, 30)" :key="index">{{ one }}</li></ul></details>
        </div>
      </section>
      <p v-else-if="looking" class="quiet" role="status">Reading the file…</p>
      <ShopFonts @changed="lookAt()" />
      <p v-if="problem" class="trouble" role="alert" data-test="problem">{{ problem }}</p>
      <ElButton type="primary" size="large" native-type="submit" :loading="sending" data-test="start">Lay it on the bench</ElButton>
    </form>
  </div>
</template>

<style scoped>
.page { max-width: 900px; margin: 0 auto; padding: 26px 28px 50px; }
h1 { margin: 4px 0 18px; }
form { display: flex; flex-direction: column; gap: 20px; align-items: stretch; }
form > .el-button { align-self: flex-start; }
fieldset { border: 0; padding: 0; margin: 0; }
legend { font: 560 19px var(--title-face); margin-bottom: 9px; padding: 0; }
.processes { display: grid; grid-template-columns: repeat(3, 1fr); gap: 10px; }
.processes label { display: flex; flex-direction: column; line-height: 1.25; padding: 10px 13px; border: 1px solid var(--line-strong); border-radius: 4px; background: #fffcf4; cursor: pointer; }
.processes label.on { border-color: var(--green); background: var(--green-pale); box-shadow: inset 0 0 0 1px var(--green); }
.processes label:focus-within { outline: 2px solid var(--green); outline-offset: 2px; }
.processes input { position: absolute; opacity: 0; }
.processes span { font-size: 15px; color: var(--ink-mid); }
.starts { display: flex; gap: 8px; }
.starts button { border: 1px solid var(--line-strong); border-radius: 4px; background: #fffcf4; font: 500 17px var(--text-face); padding: 7px 16px; cursor: pointer; color: var(--ink); }
.starts button.on { border-color: var(--green); background: var(--green-pale); box-shadow: inset 0 0 0 1px var(--green); }
.two { display: grid; grid-template-columns: 1fr 1fr; gap: 18px; }
.two label { display: flex; flex-direction: column; gap: 4px; font-weight: 500; }
.two .quiet { font-weight: 400; font-size: 15px; }
.look { display: grid; grid-template-columns: 220px 1fr; gap: 20px; align-items: start; border: 1px solid var(--line); border-radius: 4px; background: #fffcf4; padding: 14px; }
.sheet { background: var(--tracing); border-radius: 3px; padding: 8px; }
.sheet img { display: block; width: 100%; max-height: 180px; object-fit: contain; background: #fffdf7; outline: 1px solid var(--line-strong); }
.facts { display: flex; flex-direction: column; gap: 10px; line-height: 1.3; }
.facts label { display: flex; align-items: baseline; gap: 8px; }
.of legend, .taking legend { font: 500 17px var(--text-face); }
.of .quiet { font-size: 15px; }
.taking { max-width: 420px; }
.taking p { font-size: 15px; margin: 6px 0 0; }
.pages { border: 1px solid var(--line); border-radius: 4px; background: #fffcf4; padding: 14px; }
.pages p { margin: 0 0 10px; }
.pages [role='radiogroup'] { display: flex; flex-wrap: wrap; gap: 10px; max-height: 330px; overflow-y: auto; padding: 2px; }
.pages button { border: 1px solid var(--line-strong); border-radius: 4px; background: var(--tracing); padding: 7px; cursor: pointer; display: flex; flex-direction: column; align-items: center; gap: 3px; font: 15px var(--text-face); color: var(--ink); }
.pages button.on { border-color: var(--green); box-shadow: inset 0 0 0 1px var(--green); background: var(--green-pale); }
.pages img { max-width: 130px; max-height: 130px; background: #fff; outline: 1px solid var(--line-strong); }
.more { display: flex; align-items: center; gap: 8px; margin-top: 10px; }
.more .el-input { width: 90px; }
.asks { color: var(--coral-deep); }
.facts ul { margin: 6px 0 0; padding-left: 18px; font-size: 15px; max-height: 130px; overflow-y: auto; }
.file { font: 560 20px var(--title-face); }
</style>
