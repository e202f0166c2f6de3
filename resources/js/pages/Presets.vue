<script setup lang="ts">
import { useMe } from '@/stores/me'
import { t } from '@/words/words'
import Choose from '@/fields/Choose.vue'
import { api, words } from '@/api/client'
import type { Preset } from '@/api/types'
import { count } from '@/units'
import { ElButton, ElMessageBox, ElUpload, type UploadFile } from 'element-plus'
import { computed, onMounted, ref, watch } from 'vue'
import { RouterLink } from 'vue-router'

const me = useMe()
const presets = ref<Preset[] | null>(null)
const problem = ref('')
const one = ref('')
const other = ref('')
interface Difference { what: string; step: string; here: string; there: string }
const differences = ref<Difference[] | null>(null)

async function load() {
  problem.value = ''
  try {
    presets.value = await api.get<Preset[]>('presets')
  } catch (refused) {
    problem.value = words(refused)
  }
}
onMounted(load)
async function take(picked: UploadFile) {
  if (!picked.raw) return
  const form = new FormData()
  form.set('file', picked.raw)
  try {
    await api.post('presets/import', form)
    await load()
  } catch (refused) {
    problem.value = words(refused)
  }
}
async function remove(preset: Preset) {
  try {
    await ElMessageBox.confirm(t('"{name}" will be gone from the shelf; jobs that were made with it keep their lines.', { name: preset.name }), t('Delete this preset?'), { confirmButtonText: t('Delete it'), cancelButtonText: t('Cancel'), appendTo: '#over' })
    await api.delete(`presets/${encodeURIComponent(preset.name)}`)
    await load()
  } catch (refused) {
    if (refused instanceof Error) problem.value = words(refused)
  }
}
watch([one, other], async () => {
  differences.value = null
  if (!one.value || !other.value || one.value === other.value) return
  try {
    differences.value = await api.get<Difference[]>(`presets/compare?one=${encodeURIComponent(one.value)}&other=${encodeURIComponent(other.value)}`)
  } catch (refused) {
    problem.value = words(refused)
  }
})
const names = computed(() => presets.value?.map((preset) => ({ value: preset.name, label: preset.called })) ?? [])
</script>

<template>
  <main id="work" tabindex="-1" class="page" @input="problem = ''">
    <header>
      <RouterLink to="/" class="home"><img src="/mark.svg" alt="">Jobs</RouterLink>
      <div><h1>Presets</h1><p class="quiet">Lines of preparation with a name, to be used on any job and in batches. Save one from a job's prep line.</p></div>
    </header>
    <p v-if="problem" class="trouble" role="alert">{{ problem }}</p>
    <p v-if="presets === null && !problem" class="quiet">Looking at the shelf…</p>
    <ul v-if="presets" class="shelf">
      <li v-for="preset in presets" :key="preset.name" data-test="preset-row">
        <div><strong>{{ preset.called }}</strong> <span class="quiet">version {{ preset.version }}{{ preset.ships ? $t(', built in') : '' }}</span><p v-if="preset.note" class="quiet">{{ preset.note }}</p></div>
        <p class="steps"><span v-for="(step, i) in preset.steps" :key="i" :class="{ off: !step.on }">{{ step.label }}</span></p>
        <span class="acts"><a :href="`/api/v1/presets/${encodeURIComponent(preset.name)}.json`" download>Export</a><button v-if="!preset.ships && me.may.draw" type="button" @click="remove(preset)">Delete</button></span>
      </li>
    </ul>
    <div class="below">
      <ElUpload v-if="me.may.draw" drag :auto-upload="false" :show-file-list="false" accept=".json" :on-change="take" data-test="import"><p>Drag a preset file here <span class="quiet">JSON, as it is exported</span></p></ElUpload>
      <section v-if="names.length > 1" aria-label="Compare">
        <h2>Compare two</h2>
        <div class="pair">
          <Choose says="One preset" :value="one || null" :options="names" placeholder="one…" data-test="compare-one" @keep="one = $event" />
          <Choose says="The other preset" :value="other || null" :options="names" placeholder="the other…" data-test="compare-other" @keep="other = $event" />
        </div>
        <p v-if="differences && differences.length === 0" class="quiet">They are the same.</p>
        <table v-else-if="differences"><caption class="quiet">{{ count(differences.length, 'difference') }}</caption><tbody><tr v-for="(row, i) in differences" :key="i"><td>{{ row.step || $t('Order') }}<span class="quiet"> {{ row.what === 'step' ? '' : row.what }}</span></td><td>{{ row.here || '–' }}</td><td>{{ row.there || '–' }}</td></tr></tbody></table>
        <ElButton v-if="one && other" size="small" @click="[one, other] = [other, one]">Turn round</ElButton>
      </section>
    </div>
  </main>
</template>

<style scoped>
.page { max-width: 1180px; margin: 0 auto; padding: 24px 28px 60px; }
header { display: flex; align-items: center; gap: 22px; padding-bottom: 16px; margin-bottom: 18px; border-bottom: 2px solid var(--ink); }
.home { display: flex; align-items: center; gap: 7px; color: var(--ink); text-decoration: none; font-weight: 500; }
.home img { width: 40px; }
h2 { font-size: 20px; }
.shelf { list-style: none; margin: 0; padding: 0; }
.shelf li { display: grid; grid-template-columns: 260px minmax(0, 1fr) auto; gap: 20px; align-items: center; border-top: 1px solid var(--line); padding: 10px 4px; line-height: 1.25; }
.shelf strong { font: 560 18px/1.2 var(--title-face); }
.shelf p { font-size: 15px; }
.steps { display: flex; flex-wrap: wrap; gap: 4px; }
.steps span { border: 1px solid var(--line); border-radius: 10px; background: var(--card); padding: 0 9px; font-size: 14.5px; }
.steps .off { opacity: .5; text-decoration: line-through; }
.acts { display: flex; gap: 14px; font-size: 15px; }
.acts button { border: 0; background: none; font: inherit; color: var(--ink-mid); text-decoration: underline; cursor: pointer; padding: 0; }
.below { display: grid; grid-template-columns: 340px 1fr; gap: 28px; margin-top: 22px; align-items: start; }
.pair { display: flex; gap: 10px; margin: 8px 0; }
table { border-collapse: collapse; margin-bottom: 8px; }
caption { text-align: left; font-size: 15px; }
td { border-top: 1px solid var(--line); padding: 4px 18px 4px 0; font-size: 15.5px; }
@media (max-width: 700px) {
  .page { padding: 16px 14px 40px; }
  header { flex-wrap: wrap; gap: 8px 14px; }
}
</style>
