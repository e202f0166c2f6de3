<script setup lang="ts">
import { api } from '@/api/client'
import type { Person } from '@/api/types'
import { labelled } from '@/fields/options'
import Choose from '@/fields/Choose.vue'
import TypedWords from '@/fields/TypedWords.vue'
import { roles, useMe } from '@/stores/me'
import { moment, t } from '@/words/words'
import { ElButton, ElInput, ElMessageBox } from 'element-plus'
import { computed, onMounted, ref } from 'vue'
import { RouterLink } from 'vue-router'
import { useAttempt } from './useAttempt'

/** Who works in the shop, for its owner. */
const me = useMe()
const people = ref<Person[] | null>(null)
const problem = ref('')
const fresh = ref({ name: '', address: '', role: 'artist' as Person['role'] })
const load = async () => (people.value = await api.get<Person[]>('people'))
const { attempt, said, busy } = useAttempt(problem, load)
onMounted(() => attempt(async () => undefined))
const first = computed(() => people.value?.filter((one) => !one.left).length === 1)
const welcome = () => attempt(async () => {
  await api.post('people', fresh.value)
  fresh.value = { name: '', address: '', role: 'artist' }
}, t('A link to choose a password is on its way to them.'))
const change = (person: Person, values: Partial<Person>) => attempt(async () => {
  await api.patch(`people/${person.id}`, values)
  if (person.id === me.me.person?.id) await me.load()
})
const link = (person: Person) => attempt(() => api.post(`people/${person.id}/link`), t('A link to choose a password is on its way to them.'))
async function leave(person: Person) {
  try {
    await ElMessageBox.confirm(t('{name} is signed out everywhere, and tokens of their programs end. What they did stays in the history.', { name: person.name }), t('Does {name} leave the shop?', { name: person.name }), { confirmButtonText: t('They leave'), cancelButtonText: t('Cancel'), appendTo: '#over' })
  } catch {
    return
  }
  await change(person, { left: true })
}
const signOut = (person: Person) => attempt(() => api.delete(`people/${person.id}/sign-ins`), t('{name} is signed out everywhere.', { name: person.name }))
</script>

<template>
  <main id="work" tabindex="-1" class="page" @input="problem = ''">
    <RouterLink to="/settings" class="back">Settings</RouterLink>
    <h1>People</h1>
    <p class="quiet">An owner may do everything. An artist has the jobs; an operator looks at them, lays them out and sends them, and keeps the machines.</p>
    <p v-if="problem" class="trouble" role="alert" data-test="problem">{{ problem }}</p>
    <p v-if="said" class="quiet" role="status" data-test="said">{{ said }}</p>
    <p v-if="!people && !problem" class="quiet">Loading…</p>
    <ul v-if="people">
      <li v-for="one in people" :key="one.id" :class="{ left: one.left }" :data-person="one.address">
        <TypedWords class="name" :value="one.name" maxlength="80" :aria-label="$t('Name of {address}', { address: one.address })" @keep="$event.trim() !== one.name && change(one, { name: $event })" />
        <span class="address">{{ one.address }}</span>
        <Choose class="role" :says="$t('What {name} does', { name: one.name })" :value="one.role" :options="labelled(roles)" :data-test="`role-${one.id}`" @keep="change(one, { role: $event })" />
        <span class="quiet">{{ one.left ? $t('left the shop') : !one.ready ? $t('has chosen no password yet') : one.seen ? $t('here {when}', { when: moment(one.seen) }) : $t('not signed in') }}</span>
        <span class="acts">
          <template v-if="!one.left">
            <ElButton size="small" :disabled="busy" @click="link(one)">Send a link</ElButton>
            <ElButton v-if="one.seen" size="small" :disabled="busy" @click="signOut(one)">Sign them out</ElButton>
            <ElButton v-if="one.id !== me.me.person?.id" size="small" :disabled="busy" data-test="leave" @click="leave(one)">They leave</ElButton>
          </template>
          <ElButton v-else size="small" :disabled="busy" data-test="back" @click="change(one, { left: false })">They are back</ElButton>
        </span>
      </li>
    </ul>
    <form v-if="people" @submit.prevent="welcome">
      <h2>Somebody new</h2>
      <p v-if="first" class="quiet">With a second person everybody signs in, you as well.</p>
      <div class="fields">
        <label>Name <ElInput v-model="fresh.name" maxlength="80" data-test="new-name" /></label>
        <label>Address that mail reaches <ElInput v-model="fresh.address" type="email" maxlength="200" data-test="new-address" /></label>
        <label>What they do <Choose :says="$t('What they do')" :value="fresh.role" :options="labelled(roles)" data-test="new-role" @keep="fresh.role = $event" /></label>
      </div>
      <ElButton native-type="submit" type="primary" :disabled="busy || fresh.name.trim() === '' || fresh.address.trim() === ''" data-test="welcome">Welcome them</ElButton>
    </form>
  </main>
</template>

<style scoped>
.page { max-width: 860px; margin: 0 auto; padding: 26px 28px 50px; outline: none; display: flex; flex-direction: column; gap: 14px; }
ul { list-style: none; margin: 0; padding: 0; }
li { display: grid; grid-template-columns: minmax(150px, 1fr) minmax(180px, 1.3fr) 150px; gap: 4px 14px; align-items: center; padding: 10px 0; border-top: 1px solid var(--line); }
li.left { color: var(--ink-mid); }
.address { overflow-wrap: anywhere; }
li .quiet { grid-column: 1 / span 1; font-size: 15px; }
.acts { grid-column: 2 / -1; display: flex; flex-wrap: wrap; gap: 6px; justify-content: flex-end; }
.acts .el-button { margin: 0; }
form { display: flex; flex-direction: column; gap: 12px; align-items: flex-start; border-top: 1px solid var(--line-strong); padding-top: 16px; }
.fields { display: grid; grid-template-columns: 1fr 1.3fr 170px; gap: 14px; width: 100%; align-items: end; }
label { display: flex; flex-direction: column; gap: 3px; }
@media (max-width: 700px) { li, .fields { grid-template-columns: 1fr; } li .quiet, .acts { grid-column: 1; justify-content: flex-start; } }
</style>
