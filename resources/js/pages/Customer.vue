<script setup lang="ts">
import { api } from '@/api/client'
import type { Customer, CustomerPage } from '@/api/types'
import Choose from '@/fields/Choose.vue'
import TypedWords from '@/fields/TypedWords.vue'
import { useMe } from '@/stores/me'
import { moment, t } from '@/words/words'
import { ElButton, ElMessageBox } from 'element-plus'
import { computed, ref, watch } from 'vue'
import { RouterLink, useRouter } from 'vue-router'
import { useAttempt } from './useAttempt'
import DueJobs from './DueJobs.vue'

/** One customer: how they are reached, their jobs and colours. */
const props = defineProps<{ id: string }>()
const me = useMe()
const router = useRouter()
const customer = ref<Customer | null>(null)
const others = ref<CustomerPage['customers']>([])
const problem = ref('')
const { attempt } = useAttempt(problem)
watch(() => props.id, (id) => attempt(async () => {
  customer.value = await api.get<Customer>(`customers/${id}`)
  document.title = `${customer.value.name} · Neat Edge`
}), { immediate: true })
const keep = (values: Partial<Customer>) => attempt(async () => {
  customer.value = await api.patch<Customer>(`customers/${props.id}`, values)
})
/** Whom it may be one with: asked for when somebody wants to choose. */
const candidates = () => attempt(async () => {
  if (others.value.length > 0) return
  const all: CustomerPage['customers'] = []
  for (let page = 1, found = 1; all.length < found && page <= 50; page++) {
    const got = await api.get<CustomerPage>(`customers?page=${page}`)
    all.push(...got.customers)
    found = got.found
  }
  others.value = all
})
const choices = computed(() => others.value.filter((one) => one.id !== customer.value?.id).map((one) => ({ value: one.id, label: one.name })))
async function sure(question: string, title: string, yes: string): Promise<boolean> {
  try {
    await ElMessageBox.confirm(question, title, { confirmButtonText: yes, cancelButtonText: t('Cancel'), appendTo: '#over' })
    return true
  } catch {
    return false
  }
}
async function join(into: number) {
  const other = others.value.find((one) => one.id === into)
  if (!other || !(await sure(t('Jobs of {name} are those of {other} from now on; what is known of both is kept.', { name: customer.value!.name, other: other.name }), t('Are the two one?'), t('Join them')))) return
  await attempt(async () => {
    await api.post(`customers/${props.id}/merge`, { into })
    await router.replace(`/customers/${into}`)
  })
}
async function forget() {
  if (!(await sure(t('Name, address, number and note go, also from proofs and mail. The jobs stay, as those of nobody, with what was asked of the work.'), t('Forget {name}?', { name: customer.value!.name }), t('Forget them')))) return
  await attempt(async () => {
    await api.delete(`customers/${props.id}`)
    await router.replace('/customers')
  })
}
</script>

<template>
  <main id="work" tabindex="-1" class="page" @input="problem = ''">
    <RouterLink to="/customers" class="back">Customers</RouterLink>
    <h1>{{ customer?.name ?? $t('Customer') }}</h1>
    <p v-if="problem" class="trouble" role="alert" data-test="problem">{{ problem }}</p>
    <template v-if="customer">
      <section v-if="me.may.draw">
        <label class="line">Name <TypedWords :value="customer.name" maxlength="120" data-test="name" @keep="$event.trim() !== customer.name && keep({ name: $event })" /></label>
        <label class="line">Address <TypedWords :value="customer.email" maxlength="200" data-test="email" @keep="keep({ email: $event })" /></label>
        <label class="line">Telephone <TypedWords :value="customer.phone" maxlength="60" data-test="phone" @keep="keep({ phone: $event })" /></label>
        <label class="line">Note <TypedWords :value="customer.note" :rows="3" maxlength="2000" data-test="note" @keep="keep({ note: $event })" /></label>
      </section>
      <p v-else class="quiet">{{ [customer.email, customer.phone, customer.note].filter((one) => one !== '').join(', ') }}</p>
      <section>
        <h2>Jobs</h2>
        <p v-if="customer.jobs.length === 0" class="quiet">None.</p>
        <DueJobs :jobs="customer.jobs" dated />
      </section>
      <section v-if="customer.proofs.length > 0">
        <h2>Proofs they were shown</h2>
        <ul class="proofs">
          <li v-for="one in customer.proofs" :key="one.id" data-test="proof">
            <span><RouterLink :to="`/jobs/${one.job}/proof`">{{ one.title }}</RouterLink><br><span class="quiet">{{ one.at && moment(one.at) }}</span></span>
            <span>
              <template v-for="(answer, index) in one.answers" :key="index"><strong :class="answer.kind">{{ answer.kind === 'approved' ? $t('Approved by {by}', { by: answer.by }) : $t('{by} asks for a change', { by: answer.by }) }}</strong> <span class="quiet">{{ answer.at && moment(answer.at) }}{{ answer.settled ? `, ${$t('done')}` : '' }}</span><br><template v-if="answer.words"><span class="words">{{ answer.words }}</span><br></template></template>
              <span v-if="one.answers.length === 0" class="quiet">{{ !one.live ? $t('The link leads there no more') : one.seen ? $t('Seen {when}, not answered', { when: moment(one.seen) }) : $t('Not seen yet') }}</span>
            </span>
          </li>
        </ul>
      </section>
      <section v-if="customer.colours.length > 0">
        <h2>Colours of their jobs</h2>
        <ul class="colours"><li v-for="one in customer.colours" :key="one.colour"><i :style="{ background: one.colour }" />{{ one.name || one.colour }}</li></ul>
      </section>
      <section v-if="me.may.draw" class="more">
        <h2>More</h2>
        <span @pointerdown="candidates" @focusin="candidates"><Choose label="The same as" :value="null" :options="choices" :placeholder="$t('Choose')" data-test="join" @keep="join" /></span>
        <template v-if="me.may.people">
          <a class="quiet-button" :href="`/api/v1/customers/${customer.id}/data.json`" download data-test="data">All that is known of them (JSON)</a>
          <ElButton data-test="forget" @click="forget">Forget them…</ElButton>
        </template>
      </section>
    </template>
  </main>
</template>

<style scoped>
.page { max-width: 760px; margin: 0 auto; padding: 26px 28px 50px; outline: none; }
h1 { margin: 4px 0 18px; overflow-wrap: anywhere; }
section { margin-bottom: 26px; display: flex; flex-direction: column; gap: 9px; }
.line { display: grid; grid-template-columns: 130px minmax(0, 1fr); align-items: center; }
.colours { list-style: none; margin: 0; padding: 0; display: flex; flex-wrap: wrap; gap: 6px 18px; }
.colours i { display: inline-block; width: 18px; height: 18px; border-radius: 3px; border: 1px solid var(--line-strong); vertical-align: -3px; margin-right: 8px; }
ul.proofs { list-style: none; margin: 0; padding: 0; }
.proofs li { display: grid; grid-template-columns: minmax(0, 1fr) minmax(0, 1.5fr); gap: 14px; padding: 8px 0; border-top: 1px solid var(--line); }
.proofs a { font-weight: 500; overflow-wrap: anywhere; }
.proofs .approved { color: var(--green-deep); }
.proofs .changes { color: var(--coral-deep); }
.proofs .words { overflow-wrap: anywhere; }
.more { align-items: flex-start; }
.more a { text-decoration: none; }
.more :deep(.choose) { grid-template-columns: 130px 220px; }
@media (max-width: 600px) { .line { grid-template-columns: 1fr; } }
</style>
