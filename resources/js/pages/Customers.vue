<script setup lang="ts">
import { api, words } from '@/api/client'
import type { Customer, CustomerPage, CustomersTaken } from '@/api/types'
import { lane } from '@/stores/lane'
import { useMe } from '@/stores/me'
import { count } from '@/units'
import { t } from '@/words/words'
import { watchDebounced } from '@vueuse/core'
import { ElButton, ElInput } from 'element-plus'
import { onMounted, ref } from 'vue'
import { RouterLink, useRouter } from 'vue-router'
import { useAttempt } from './useAttempt'

/** Who jobs are made for. */
const me = useMe()
const router = useRouter()
const found = ref<CustomerPage | null>(null)
const search = ref('')
const fresh = ref('')
const problem = ref('')
const chooser = ref<HTMLInputElement>()
const ask = lane((page: number) => api.get<CustomerPage>(`customers?search=${encodeURIComponent(search.value)}&page=${page}`))
async function load(page = 1) {
  try {
    const got = await ask(page)
    if (got !== null) found.value = page === 1 || !found.value ? got : { ...got, customers: [...found.value.customers, ...got.customers] }
  } catch (refused) {
    problem.value = words(refused)
  }
}
onMounted(load)
watchDebounced(search, () => load(), { debounce: 180 })
const { attempt, said } = useAttempt(problem)
const add = () => attempt(async () => {
  const customer = await api.post<Customer>('customers', { name: fresh.value })
  await router.push(`/customers/${customer.id}`)
})
const take = (event: Event) => attempt(async () => {
  const file = (event.target as HTMLInputElement).files?.[0]
  if (!file) return
  const form = new FormData()
  form.append('file', file)
  ;(event.target as HTMLInputElement).value = ''
  const came = await api.post<CustomersTaken>('customers/import', form)
  said.value = t('{new, plural, =0 {Nobody is} one {# customer is} other {# customers are}} new, {known} known before, {passed, plural, =0 {no row} one {# row} other {# rows}} without a name passed over.', came)
  await load()
})
</script>

<template>
  <main id="work" tabindex="-1" class="page" @input="problem = ''">
    <header>
      <RouterLink to="/" class="home"><img src="/mark.svg" alt="">Jobs</RouterLink>
      <h1>Customers</h1>
    </header>
    <p v-if="problem" class="trouble" role="alert" data-test="problem">{{ problem }}</p>
    <p v-if="said" class="quiet" role="status" data-test="said">{{ said }}</p>
    <div class="line">
      <ElInput v-model="search" type="search" class="search" placeholder="Search by name" aria-label="Search the customers" data-test="search" />
      <span class="push" />
      <a class="quiet-button" href="/api/v1/customers.csv" download data-test="csv">All as a table (CSV)</a>
      <template v-if="me.may.draw">
        <button type="button" class="quiet-button" @click="chooser?.click()">Take in a table</button>
        <input ref="chooser" type="file" accept=".csv,text/csv" hidden @change="take">
      </template>
    </div>
    <p v-if="!found && !problem" class="quiet">Loading…</p>
    <p v-if="found && found.found === 0" class="quiet" data-test="none">{{ search ? $t('Nobody is called so.') : $t('Nobody yet. Whoever stands on the ticket of a job is kept here.') }}</p>
    <ul v-if="found">
      <li v-for="one in found.customers" :key="one.id" data-test="customer">
        <RouterLink :to="`/customers/${one.id}`">{{ one.name }}</RouterLink>
        <span class="quiet reach">{{ [one.email, one.phone].filter((each) => each !== '').join(', ') }}</span>
        <span class="quiet numbers">{{ count(one.jobs, 'job') }}</span>
      </li>
    </ul>
    <ElButton v-if="found && found.customers.length < found.found" @click="load(found.page + 1)">More</ElButton>
    <form v-if="me.may.draw" @submit.prevent="add">
      <ElInput v-model="fresh" maxlength="120" placeholder="Name of a new customer" aria-label="Name of a new customer" data-test="new-name" />
      <ElButton native-type="submit" type="primary" :disabled="fresh.trim() === ''" data-test="add">Add</ElButton>
    </form>
  </main>
</template>

<style scoped>
.page { max-width: 860px; margin: 0 auto; padding: 16px 20px 40px; display: flex; flex-direction: column; gap: 14px; outline: none; }
header { display: flex; align-items: center; gap: 20px; }
.home { display: flex; align-items: center; gap: 7px; color: var(--ink); text-decoration: none; font-weight: 500; }
.home img { width: 28px; height: 28px; }
h1 { font-size: 26px; }
.line { display: flex; flex-wrap: wrap; gap: 10px; align-items: center; }
.line a { text-decoration: none; }
.search { max-width: 320px; }
.push { flex: 1; }
ul { list-style: none; margin: 0; padding: 0; }
li { display: grid; grid-template-columns: minmax(0, 1fr) minmax(0, 1.2fr) auto; gap: 14px; padding: 8px 0; border-top: 1px solid var(--line); }
li a { font-weight: 500; overflow-wrap: anywhere; }
.reach { overflow-wrap: anywhere; }
form { display: flex; gap: 8px; max-width: 420px; }
@media (max-width: 700px) { li { grid-template-columns: 1fr; gap: 2px; } }
</style>
