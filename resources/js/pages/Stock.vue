<script setup lang="ts">
import { lower, number, t } from '@/words/words'
import TypedWords from '@/fields/TypedWords.vue'
import { api } from '@/api/client'
import type { Stock, StockItem } from '@/api/making'
import type { FieldValue } from '@/api/types'
import FieldForm from '@/fields/FieldForm.vue'
import { ElButton, ElInput, ElMessageBox } from 'element-plus'
import { computed, onMounted, ref } from 'vue'
import { RouterLink } from 'vue-router'
import { useAttempt } from './useAttempt'

/** What the shop has, kind by kind as they describe themselves. */
const stock = ref<Stock | null>(null)
const problem = ref('')
const kind = ref('material')
const open = ref<number | null>(null)
const fresh = ref('')
const { attempt } = useAttempt(problem, async () => (stock.value = await api.get<Stock>('stock')))
onMounted(() => attempt(async () => undefined))
const items = computed(() => stock.value?.items.filter((one) => one.kind === kind.value) ?? [])
const about = computed(() => stock.value?.kinds[kind.value] ?? null)
const add = () => attempt(async () => {
  const made = await api.post<StockItem>('stock', { kind: kind.value, name: fresh.value, values: {} })
  fresh.value = ''
  open.value = made.id
})
const keep = (item: StockItem, name: string, value: FieldValue) => attempt(() => api.patch(`stock/${item.id}`, { values: { [name]: value } }))
const rename = (item: StockItem, name: string) => name.trim() !== item.name && attempt(() => api.patch(`stock/${item.id}`, { name, values: {} }))
const remove = (item: StockItem) => attempt(async () => {
  await ElMessageBox.confirm(t('"{name}" will be gone from the shop; jobs that were laid out on it go back to the default width.', { name: item.name }), t('Delete for good?'), { confirmButtonText: t('Delete for good'), cancelButtonText: t('Cancel'), appendTo: '#over' })
  await api.delete(`stock/${item.id}`)
})
/** What tells one from another, as its kind says. */
function brief(item: StockItem) {
  const of = stock.value!.kinds[item.kind]!
  return of.brief.map((name) => {
    const field = of.fields.find((one) => one.name === name)!
    const value = item.values[name] ?? field.usual
    return field.type === 'choice' ? field.options[String(value)] : `${lower(field.label)} ${typeof value === 'number' ? number(value, 4) : value}${field.type === 'length' ? ' mm' : ''}`
  }).join(', ')
}
</script>

<template>
  <main id="work" tabindex="-1" class="page" @input="problem = ''">
    <header>
      <RouterLink to="/" class="home"><img src="/mark.svg" alt="">Jobs</RouterLink>
      <h1>Shop stock</h1>
    </header>
    <p v-if="problem" class="trouble" role="alert">{{ problem }}</p>
    <nav v-if="stock" aria-label="Kinds">
      <button v-for="(one, key) in stock.kinds" :key="key" type="button" :class="{ on: kind === key }" :data-kind="key" @click="(kind = String(key)), (open = null)">{{ one.label }}</button>
    </nav>
    <p v-if="about" class="quiet">{{ about.says }}</p>
    <ul>
      <li v-for="item in items" :key="item.id" :class="{ open: open === item.id }">
        <button type="button" class="head" :aria-expanded="open === item.id" :data-item="item.name" @click="open = open === item.id ? null : item.id">
          <i v-if="item.values.colour" :style="{ background: String(item.values.colour) }" /><strong>{{ item.name }}</strong><span class="quiet numbers">{{ brief(item) }}</span>
        </button>
        <div v-if="open === item.id && about" class="open-item">
          <fieldset :disabled="!about.changes">
          <label class="name">Name <TypedWords :value="item.name" maxlength="80" @keep="rename(item, $event)" /></label>
          <FieldForm :fields="about.fields" :values="item.values" @keep="(name, value) => keep(item, name, value)" />
          </fieldset>
          <ElButton v-if="about.changes" size="small" @click="remove(item)">Delete for good</ElButton>
        </div>
      </li>
    </ul>
    <p v-if="stock && items.length === 0" class="quiet" data-test="none">The shop has none yet. Give the first a name below; what it is like is typed then.</p>
    <p v-if="about && !about.changes" class="quiet" data-test="not-yours">What there is of this is the owner's to say.</p>
    <form v-if="about?.changes" @submit.prevent="add">
      <ElInput v-model="fresh" size="small" maxlength="80" :placeholder="$t('Name of a new {one}', { one: lower(about.one) })" :aria-label="$t('Name of a new {one}', { one: lower(about.one) })" data-test="new-name" />
      <ElButton native-type="submit" type="primary" :disabled="fresh.trim() === ''" data-test="add">Add</ElButton>
    </form>
  </main>
</template>

<style scoped>
.page { max-width: 760px; margin: 0 auto; padding: 16px 20px 40px; display: flex; flex-direction: column; gap: 12px; }
header { display: flex; align-items: center; gap: 20px; }
.home { display: flex; align-items: center; gap: 7px; color: var(--ink); text-decoration: none; font-weight: 500; }
.home img { width: 28px; height: 28px; }
h1 { font-size: 26px; }
nav { display: flex; gap: 18px; border-bottom: 1px solid var(--line); }
nav button { border: 0; border-bottom: 3px solid transparent; background: none; font: 500 17px var(--text-face); color: var(--ink-mid); padding: 4px 0 6px; cursor: pointer; }
nav button.on { border-bottom-color: var(--green); color: var(--green); }
ul { list-style: none; margin: 0; padding: 0; display: flex; flex-direction: column; gap: 4px; }
li { border: 1px solid var(--line); border-radius: 4px; background: var(--card); }
.head { display: flex; align-items: center; gap: 10px; width: 100%; text-align: left; border: 0; background: none; font: inherit; color: inherit; padding: 8px 12px; cursor: pointer; }
.head span { margin-left: auto; font-size: 15px; }
i { width: 16px; height: 16px; border-radius: 3px; border: 1px solid var(--line-strong); }
.open-item { padding: 4px 12px 12px; max-width: 420px; display: flex; flex-direction: column; gap: 8px; align-items: stretch; }
.open-item .el-button { align-self: flex-start; }
fieldset { border: 0; margin: 0; padding: 0; display: flex; flex-direction: column; gap: 8px; }
.name { display: grid; grid-template-columns: 1fr 220px; align-items: center; font-size: 15px; }
form input[type='text'] { font: inherit; border: 1px solid var(--line-strong); border-radius: 3px; background: var(--card); padding: 4px 7px; }
form { display: flex; gap: 8px; }
form input { width: 320px; }
@media (max-width: 700px) {
  .page { padding: 16px 14px 40px; }
  header { flex-wrap: wrap; gap: 8px 14px; }
  form, nav { flex-wrap: wrap; min-width: 0; }
}
</style>
