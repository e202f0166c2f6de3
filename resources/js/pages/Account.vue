<script setup lang="ts">
import { api } from '@/api/client'
import type { Me, ProgramToken, SignIn } from '@/api/types'
import Choose from '@/fields/Choose.vue'
import TypedWords from '@/fields/TypedWords.vue'
import { roles, scopes, useMe } from '@/stores/me'
import { refusal } from '@/stores/refusal'
import { moment, t } from '@/words/words'
import { ElButton, ElInput } from 'element-plus'
import { computed, onMounted, ref } from 'vue'
import { RouterLink } from 'vue-router'
import { useAttempt } from './useAttempt'

/** What is one's own: name, password, where one is signed in, tokens of programs. */
const me = useMe()
const signIns = ref<SignIn[]>([])
const tokens = ref<ProgramToken[]>([])
const current = ref('')
const next = ref('')
const problem = refusal(current, next)
const given = ref<ProgramToken | null>(null)
const fresh = ref({ name: '', scope: 'look' as ProgramToken['scope'], days: '90' })
const load = async () => {
  if (me.me.person) [signIns.value, tokens.value] = await Promise.all([api.get<SignIn[]>('account/sign-ins'), api.get<ProgramToken[]>('account/tokens')])
}
const { attempt, said } = useAttempt(problem, load)
onMounted(() => attempt(() => me.load()))
const rename = (name: string) => name.trim() !== me.name && attempt(async () => me.take(await api.patch<Me>('account', { name })))
const change = () => attempt(async () => {
  await api.put('account/password', { current: current.value, password: next.value })
  current.value = next.value = ''
}, t('Your password is another now; elsewhere you are signed out.'))
const give = () => attempt(async () => {
  given.value = await api.post<ProgramToken>('account/tokens', { ...fresh.value, days: fresh.value.days.trim() === '' ? null : fresh.value.days })
  fresh.value.name = ''
})
const takeBack = (token: ProgramToken) => attempt(async () => {
  await api.delete(`account/tokens/${token.id}`)
  if (given.value?.id === token.id) given.value = null
})
const copy = () => navigator.clipboard.writeText(given.value!.token!).then(() => (said.value = t('Copied.')))
const may = computed(() => me.me.scopes.map((scope) => ({ value: scope, label: scopes[scope] })))
/** What a browser calls itself is long; which one it is, is enough. */
function browser(tells: string): string {
  const name = /(Firefox|Edg|OPR|Chrome|Safari)\/(\d+)/.exec(tells)
  const on = /(Windows|Mac OS X|Android|iPhone|iPad|Linux)/.exec(tells)
  return [name ? `${name[1]} ${name[2]}` : '', on?.[1] ?? ''].filter((one) => one !== '').join(', ') || tells.slice(0, 60) || t('a browser')
}
</script>

<template>
  <main id="work" tabindex="-1" class="page">
    <RouterLink to="/settings" class="back">Settings</RouterLink>
    <h1>Your account</h1>
    <p v-if="problem" class="trouble" role="alert" data-test="problem">{{ problem }}</p>
    <p v-if="said" class="quiet" role="status" data-test="said">{{ said }}</p>
    <p v-if="me.known && !me.me.person" class="quiet" data-test="nobody">On this machine nobody is asked who they are.</p>
    <template v-if="me.me.person">
    <section>
      <label class="line">Name <TypedWords :value="me.me.person.name" maxlength="80" data-test="name" @keep="rename" /></label>
      <p class="quiet">{{ me.me.person.address }}, {{ roles[me.me.person.role] }}</p>
    </section>
    <section>
      <h2>Password</h2>
      <form @submit.prevent="change">
        <input type="email" name="email" autocomplete="username" class="heard" tabindex="-1" :value="me.me.person?.address" readonly :aria-label="$t('Address')">
        <label class="line">As it is now <ElInput v-model="current" type="password" autocomplete="current-password" maxlength="200" data-test="current" /></label>
        <label class="line">From now on <ElInput v-model="next" type="password" autocomplete="new-password" maxlength="200" data-test="next" /></label>
        <ElButton native-type="submit" :disabled="current === '' || next === ''" data-test="change-password">Change it</ElButton>
      </form>
    </section>
    <section>
      <h2>Where you are signed in</h2>
      <p v-if="signIns.length === 0" class="quiet">Nowhere: you work alone at this machine.</p>
      <ul>
        <li v-for="one in signIns" :key="one.id" data-test="sign-in">
          <span><strong>{{ browser(one.with) }}</strong> <em v-if="one.here">this one</em><br><span class="quiet">{{ $t('from {from}, since {since}, used {seen}', { from: one.from, since: moment(one.since), seen: moment(one.seen) }) }}</span></span>
          <ElButton v-if="!one.here" size="small" data-test="end" @click="attempt(() => api.delete(`account/sign-ins/${one.id}`))">Sign out there</ElButton>
        </li>
      </ul>
    </section>
    <section>
      <h2>Tokens for programs</h2>
      <p class="quiet">A program that comes with a token acts in your name, and does no more than is said here (docs/api.md).</p>
      <p v-if="given?.token" class="given" role="status" data-test="given">{{ $t('The token of {name}, told this once:', { name: given.name }) }}<br><code>{{ given.token }}</code> <ElButton size="small" @click="copy">Copy</ElButton></p>
      <ul>
        <li v-for="one in tokens" :key="one.id" data-test="token">
          <span><strong>{{ one.name }}</strong>: {{ scopes[one.scope] }}<br><span class="quiet">{{ one.used ? $t('used {when}', { when: moment(one.used) }) : $t('not used yet') }}, {{ one.ends ? $t('until {when}', { when: moment(one.ends) }) : $t('until it is taken back') }}</span></span>
          <ElButton size="small" data-test="take-back" @click="takeBack(one)">Take it back</ElButton>
        </li>
      </ul>
      <form @submit.prevent="give">
        <label class="line">What it is for <ElInput v-model="fresh.name" maxlength="80" data-test="token-name" /></label>
        <Choose label="What it may do" :value="fresh.scope" :options="may" data-test="token-scope" @keep="fresh.scope = $event" />
        <label class="line">For how many days <ElInput v-model="fresh.days" inputmode="numeric" maxlength="4" :placeholder="$t('until it is taken back')" data-test="token-days" /></label>
        <ElButton native-type="submit" :disabled="fresh.name.trim() === ''" data-test="give">Make a token</ElButton>
      </form>
    </section>
    </template>
  </main>
</template>

<style scoped>
.page { max-width: 620px; margin: 0 auto; padding: 26px 28px 50px; outline: none; }
h1 { margin: 4px 0 16px; }
section { margin: 0 0 28px; display: flex; flex-direction: column; gap: 10px; }
form { display: flex; flex-direction: column; gap: 10px; align-items: flex-start; }
.line { display: grid; grid-template-columns: 170px minmax(0, 1fr); align-items: center; width: 100%; }
form :deep(.choose) { width: 100%; grid-template-columns: 170px minmax(0, 1fr); }
ul { list-style: none; margin: 0; padding: 0; }
li { display: flex; justify-content: space-between; gap: 14px; align-items: center; padding: 8px 0; border-top: 1px solid var(--line); }
em { color: var(--green); font-style: normal; }
.given { padding: 10px 14px; border: 1px solid var(--green); border-radius: 4px; background: var(--green-pale); }
code { overflow-wrap: anywhere; font-size: 15px; }
@media (max-width: 600px) { .line { grid-template-columns: 1fr; } }
</style>
