<script setup lang="ts">
import { number, t } from '@/words/words'
import Choose from '@/fields/Choose.vue'
import WhoMay from '@/fields/WhoMay.vue'
import { api, words } from '@/api/client'
import type { StockItem, Stock } from '@/api/making'
import type { CustomerPage, Job } from '@/api/types'
import { useBench } from '@/stores/bench'
import { useChoices } from '@/stores/choices'
import { refusal } from '@/stores/refusal'
import { ElButton, ElInput, ElOption, ElSelect } from 'element-plus'
import { watchDebounced } from '@vueuse/core'
import { computed, onMounted, ref, watch } from 'vue'
import Drawer from './Drawer.vue'
import SheetMaterials from './SheetMaterials.vue'

const bench = useBench()
const choices = useChoices()
/** Customers that go by what was typed. */
const known = ref<string[]>([])
const fields = ref({ title: '', customer: '', due: '', process: '', unit: 'mm', width: '', line: '', gap: '', more: {} as Record<string, string> })
const trouble = refusal(() => bench.job?.version)
const kept = ref(false)

function fill() {
  const job = bench.job
  if (!job) return
  fields.value = {
    title: job.title,
    customer: job.customer,
    due: job.due ?? '',
    process: job.process,
    unit: job.unit,
    width: `${Number(job.width.toFixed(3))}mm`,
    line: job.ownLimits.line === null ? '' : `${job.ownLimits.line}mm`,
    gap: job.ownLimits.gap === null ? '' : `${job.ownLimits.gap}mm`,
    more: Object.fromEntries(Object.entries(job.moreLimits).map(([name, value]) => [name, name === 'colours' ? `${value}` : `${value}mm`])),
  }
}

/** What the ticket can name for this process, kind by kind. */
const stock = ref<Stock | null>(null)
const named = computed(() => Object.entries(stock.value?.kinds ?? {}).filter(([, kind]) => kind.for.includes(fields.value.process)).map(([key, kind]) => ({ key, one: kind.one, items: stock.value!.items.filter((item) => item.kind === key) })))
/** What the shop has of a kind, and what the ticket names though it is gone. */
function offered(kind: { key: string; items: StockItem[] }) {
  const now = bench.job?.stock[kind.key]
  const gone = now && !kind.items.some((item) => item.id === now.id) ? [{ value: now.id, label: t('{name} (gone)', { name: now.name }) }] : []
  return [{ value: 0, label: t('not set') }, ...kind.items.map((item) => ({ value: item.id, label: item.name })), ...gone]
}
async function take(kind: string, id: number | null) {
  trouble.value = ''
  if (!(await bench.amend({ stock: { [kind]: id } }))) trouble.value = bench.problem
}

const templateName = ref('')
const templateKept = ref('')
async function keepTemplate() {
  trouble.value = templateKept.value = ''
  try {
    templateKept.value = (await api.post<{ name: string }>(`jobs/${bench.job!.id}/template`, { name: templateName.value })).name
    templateName.value = ''
  } catch (refused) {
    trouble.value = words(refused)
  }
}

onMounted(async () => {
  try {
    await choices.load()
    stock.value = await api.get<Stock>('stock')
  } catch (problem) {
    trouble.value = words(problem)
  }
})
watch(() => `${bench.job?.id} ${bench.job?.version} ${bench.job?.title}`, fill, { immediate: true })

async function keep() {
  trouble.value = ''
  kept.value = false
  const job = bench.job
  if (!job) return
  const changes: Record<string, unknown> = { title: fields.value.title, customer: fields.value.customer, due: fields.value.due || null, process: fields.value.process, unit: fields.value.unit, line: fields.value.line || null, gap: fields.value.gap || null, limits: Object.fromEntries(choices.all.limits.map((field) => [field.name, fields.value.more[field.name] ?? ''])) }
  if (fields.value.width !== `${Number(job.width.toFixed(3))}mm`) changes.width = fields.value.width
  if (await bench.amend(changes)) kept.value = true
  else trouble.value = bench.problem
}
watchDebounced(() => fields.value.customer, async (typed) => {
  if (typed.trim() === '' || typed === bench.job?.customer) return
  known.value = await api.get<CustomerPage>(`customers?search=${encodeURIComponent(typed)}`).then((found) => found.customers.map((one) => one.name), () => [])
}, { debounce: 200 })
</script>

<template>
  <Drawer :guide="['first-job', 'start-the-job']" title="Job ticket" hint="Changing the size or the process checks everything again.">
    <WhoMay of="draw" :says="$t('The ticket is written by those who draw.')">
    <form class="form" @submit.prevent="keep">
      <label>Title <ElInput v-model="fields.title" maxlength="120" /></label>
      <label>Customer <ElInput v-model="fields.customer" maxlength="120" list="customers-known" autocomplete="off" data-test="customer" /></label>
      <datalist id="customers-known"><option v-for="one in known" :key="one" :value="one" /></datalist>
      <label>Due <ElInput v-model="fields.due" type="date" data-test="due" /></label>
      <label>Process
        <ElSelect v-model="fields.process" aria-label="Process">
          <ElOption v-for="one in choices.all.processes" :key="one.value" :value="one.value" :label="one.label" />
        </ElSelect>
      </label>
      <label>Unit of the bench
        <ElSelect v-model="fields.unit" aria-label="Unit of the bench" data-test="unit">
          <ElOption v-for="one in ['mm', 'cm', 'in', 'pt', 'px']" :key="one" :value="one" :label="one" />
        </ElSelect>
      </label>
      <label>Finished width <ElInput v-model="fields.width" data-test="width" /></label>
      <p v-if="bench.job" class="quiet small">Height follows: {{ number(bench.job.height, 2, 2) }} mm. Units mm, cm, in, pt, px; sums such as 4in - 2*3mm.</p>
      <div class="pair">
        <label>Least line <ElInput v-model="fields.line" :placeholder="`${bench.job?.limits.line} mm`" /></label>
        <label>Least gap <ElInput v-model="fields.gap" :placeholder="`${bench.job?.limits.gap} mm`" /></label>
      </div>
      <div class="named">
        <div v-for="kind in named" :key="kind.key" class="one">
{{ kind.one }}
          <Choose :value="bench.job?.stock[kind.key]?.id ?? 0" :options="offered(kind)" :says="kind.one" :data-stock="kind.key" @keep="take(kind.key, $event || null)" />
          <span v-if="bench.job?.stock[kind.key]?.changed" class="quiet small">The shop has changed it since. <button type="button" :data-test="`renew-${kind.key}`" @click="take(kind.key, bench.job!.stock[kind.key]!.id)">Update it</button></span>
        </div>
      </div>
      <SheetMaterials />
      <p v-if="named.length > 0" class="quiet small">What it is made from and with sets the limits that are not typed.</p>
      <details>
        <summary>More limits</summary>
        <div class="pair">
          <label v-for="field in choices.all.limits" :key="field.name" :title="field.help">{{ field.label }} <ElInput v-model="fields.more[field.name]" :placeholder="`${bench.job?.limits[field.name as keyof Job['limits']] || $t('none')}`" :data-test="`limit-${field.name}`" /></label>
        </div>
      </details>
      <p v-if="trouble" class="trouble" role="alert">{{ trouble }}</p>
      <ElButton type="primary" native-type="submit" :loading="bench.busy">Save ticket</ElButton>
      <p v-if="kept" class="quiet small" role="status">Saved.</p>
    </form>
    <form class="as-template" @submit.prevent="keepTemplate">
      <ElInput v-model="templateName" size="small" maxlength="80" placeholder="Name of a template" aria-label="Name of a template of this job" data-test="template-name" />
      <ElButton size="small" native-type="submit" :disabled="templateName.trim() === ''" data-test="keep-template">Save as template</ElButton>
    </form>
    </WhoMay>
    <p v-if="templateKept" class="quiet small" role="status">New jobs can begin with “{{ templateKept }}”: this ticket, its guides and its line, without the art.</p>
    <p class="quiet small"><a :href="`/api/v1/jobs/${bench.job?.id}/whole.zip`" download data-test="whole">Save the whole job as a file</a>, for another shop or for later: bench, ticket, versions, pictures and the customer’s file.</p>
    <p class="quiet small">{{ bench.job?.sourceName ? $t('From {sourceName}', { sourceName: bench.job.sourceName }) : $t('Drawn on the bench') }}</p>
  </Drawer>
</template>

<style scoped>
.form { display: flex; flex-direction: column; gap: 11px; }
label { display: flex; flex-direction: column; gap: 3px; font-weight: 500; min-width: 0; }
.pair { display: grid; grid-template-columns: 1fr 1fr; gap: 10px; }
.named { display: grid; grid-template-columns: 1fr 1fr; gap: 8px 10px; }
.named .one { display: flex; flex-direction: column; gap: 3px; font-weight: 500; min-width: 0; }
.named .one .quiet { font-weight: 400; }
.named button { border: 0; background: none; padding: 0; font: inherit; color: var(--green); text-decoration: underline; cursor: pointer; }
.as-template { display: flex; gap: 6px; border-top: 1px solid var(--line); padding-top: 10px; }
.as-template .el-button { margin: 0; }
.small { font-size: 15px; line-height: 1.3; overflow-wrap: anywhere; }
summary { cursor: pointer; font-weight: 500; padding-bottom: 6px; }
</style>
