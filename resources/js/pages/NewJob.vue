<script setup lang="ts">
import { api, words } from '@/api/client'
import type { Job } from '@/api/types'
import ShopFonts from './ShopFonts.vue'
import { useChoices } from '@/stores/choices'
import { useDebounceFn } from '@vueuse/core'
import { ElButton, ElInput, ElUpload, type UploadFile } from 'element-plus'
import { onMounted, ref, watch } from 'vue'
import { RouterLink, useRouter } from 'vue-router'

const router = useRouter()
const choices = useChoices()
const process = ref('cut-vinyl')
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

function take(picked: UploadFile) {
  file.value = picked.raw ?? null
  problem.value = ''
}

async function start() {
  problem.value = ''
  if (!file.value && !empty.value) {
    problem.value = 'Drop an SVG file first, or draw on an empty bench.'
    return
  }
  const form = new FormData()
  form.set('title', title.value)
  form.set('process', process.value)
  form.set('width', width.value)
  if (empty.value) form.set('height', height.value)
  else form.set('file', file.value!)
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
  <div class="page">
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
          <ElInput v-model="width" :placeholder="empty ? '300mm, 12in, 600mm/2' : 'as drawn, or 300mm, 12in, 600mm/2'" size="large" data-test="width" />
          <span class="quiet numbers">{{ comesTo || (empty ? 'of the page' : 'of the page of the drawing; the height follows') }}</span>
        </label>
        <label v-if="empty">Finished height
          <ElInput v-model="height" placeholder="200mm" size="large" data-test="height" />
        </label>
        <label>Title
          <ElInput v-model="title" placeholder="the file's name, if left empty" maxlength="120" size="large" data-test="title" />
        </label>
      </div>
      <ElUpload v-if="!empty" class="drop" drag :auto-upload="false" :show-file-list="false" accept=".svg,.svgz,image/svg+xml" :on-change="take">
        <p v-if="file" class="file">{{ file.name }} <span class="quiet numbers">{{ (file.size / 1000).toFixed(1) }} kB</span></p>
        <p v-else class="file">Drop the SVG here</p>
        <p class="quiet">or press to look for it. It is read on this machine and never changed.</p>
      </ElUpload>
      <ShopFonts />
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
.file { font: 560 20px var(--title-face); }
</style>
