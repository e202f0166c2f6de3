<script setup lang="ts">
import Choose from '@/fields/Choose.vue'
import { spoken, t } from '@/words/words'
import { api, words } from '@/api/client'
import type { FieldValue, Settings } from '@/api/types'
import FieldForm from '@/fields/FieldForm.vue'
import { light, type Light } from '@/stores/light'
import { wantsNotes } from '@/works/useEndings'
import { ElRadio, ElRadioGroup, ElSwitch } from 'element-plus'
import { onMounted, ref } from 'vue'
import { RouterLink } from 'vue-router'
import BackupLines from './BackupLines.vue'
import { useMe } from '@/stores/me'

/** What the shop has its own way in, and by which light this browser shows the page. */
const me = useMe()
const settings = ref<Settings | null>(null)
const problem = ref('')
const saved = ref(false)
onMounted(async () => {
  try {
    settings.value = await api.get<Settings>('settings')
  } catch (refused) {
    problem.value = words(refused)
  }
})
async function keep(name: string, value: FieldValue) {
  problem.value = ''
  saved.value = false
  try {
    settings.value = await api.put<Settings>('settings', { values: { [name]: String(value) } })
    saved.value = true
  } catch (refused) {
    problem.value = words(refused)
  }
}
const refusedNotes = ref(false)
async function note(on: string | number | boolean) {
  refusedNotes.value = false
  const allowed = on === true && typeof Notification !== 'undefined' ? await Notification.requestPermission() : 'denied'
  wantsNotes.value = on === true && allowed === 'granted'
  refusedNotes.value = on === true && !wantsNotes.value
}
const languages = [{ value: 'any', label: t('As the browser has it') }, ...Object.entries(spoken).map(([value, label]) => ({ value, label }))]
/** Which one is said to the server, with every request; the page is loaded anew in it. */
const chosen = /(?:^|; )language=([a-z]*)/.exec(document.cookie)?.[1] || 'any'
function speak(value: string) {
  document.cookie = `language=${value}; path=/; max-age=${value === 'any' ? 0 : 31536000}; samesite=lax`
  location.reload()
}
const lights: [Light, string][] = [['system', t('As the system has it')], ['day', t('Daylight')], ['lamp', t('Lamplight, for a dark room')]]
</script>

<template>
  <main id="work" tabindex="-1" class="page">
    <RouterLink to="/" class="back">All jobs</RouterLink>
    <h1>Settings</h1>
    <p v-if="problem" class="trouble" role="alert">{{ problem }}</p>
    <section>
      <h2>The shop</h2>
      <p v-if="!settings && !problem" class="quiet">Loading…</p>
      <p v-if="settings && !me.may.settings" class="quiet">What the shop has its own way in is its owner's to say.</p>
      <FieldForm v-else-if="settings" :fields="settings.fields" :values="settings.values" @keep="keep" />
      <p v-if="saved" class="quiet" role="status">Saved.</p>
      <BackupLines v-if="me.known && me.may.people" />
      <RouterLink v-if="me.may.people" to="/people" data-test="people">Who works here</RouterLink>
      <RouterLink v-if="me.may.account" to="/account" data-test="account">Your account</RouterLink>
      <RouterLink to="/mailbox">The mailbox of the shop</RouterLink>
    </section>
    <section>
      <h2>This browser</h2>
      <Choose label="Language" :value="chosen" :options="languages" data-test="language" @keep="speak" />
      <ElRadioGroup v-model="light" class="plain-pick" aria-label="Light">
        <ElRadio v-for="[value, label] in lights" :key="value" :value="value" :data-test="`light-${value}`">{{ label }}</ElRadio>
      </ElRadioGroup>
      <label class="tick"><ElSwitch :model-value="wantsNotes" aria-label="Tell me when long work ends" data-test="notes" @change="note" /> Tell me when long work ends while I am elsewhere</label>
      <p v-if="refusedNotes" class="quiet" role="status">This browser does not let the page do that; allow notifications for it first.</p>
      <p class="quiet">Keys are changed where they are listed: on a bench, under <em>Keys</em>.</p>
    </section>
  </main>
</template>

<style scoped>
.tick { display: flex; gap: 10px; align-items: center; }
.page { max-width: 620px; margin: 0 auto; padding: 26px 28px 50px; outline: none; }
h1 { margin: 4px 0 20px; }
section { margin-bottom: 28px; display: flex; flex-direction: column; gap: 10px; }
</style>
