<script setup lang="ts">
import { api, words } from '@/api/client'
import type { Letters } from '@/api/types'
import { moment } from '@/words/words'
import { onMounted, ref } from 'vue'
import { RouterLink } from 'vue-router'

/** The stand-in mailbox: mail that would have gone out, where no server of mail is set. */
const box = ref<Letters | null>(null)
const problem = ref('')
onMounted(async () => {
  try {
    box.value = await api.get<Letters>('letters')
  } catch (refused) {
    problem.value = words(refused)
  }
})
</script>

<template>
  <main id="work" tabindex="-1" class="page">
    <RouterLink to="/settings" class="back">Settings</RouterLink>
    <h1>Mailbox</h1>
    <p v-if="problem" class="trouble" role="alert">{{ problem }}</p>
    <p v-if="!box && !problem" class="quiet">Looking into it…</p>
    <template v-if="box">
      <p class="quiet">{{ box.stand_in ? $t('Mail ends here and does not leave the shop, until a server of mail is set (docs/running.md).') : $t('Mail goes out by the server that is set; here lies what it did not take, and what came before.') }}</p>
      <p v-if="box.letters.length === 0" class="quiet">There is no mail yet. Links to proofs and what customers say of them are told by mail.</p>
      <article v-for="one in box.letters" :key="one.id" data-test="letter">
        <h2>{{ one.subject }}</h2>
        <p class="quiet">{{ $t('To {to}, {when}', { to: one.to, when: moment(one.at) }) }}</p>
        <p v-if="one.unsent" class="trouble" data-test="letter-unsent">{{ $t('It was not sent: {why}', { why: one.unsent }) }}</p>
        <p v-else class="words">{{ one.words }}</p>
      </article>
    </template>
  </main>
</template>

<style scoped>
.page { max-width: 720px; margin: 0 auto; padding: 26px 28px 50px; outline: none; display: flex; flex-direction: column; gap: 14px; }
article { border: 1px solid var(--line); border-radius: 4px; background: var(--card); padding: 12px 16px; }
h2 { font-size: 19px; overflow-wrap: anywhere; }
.words { white-space: pre-wrap; overflow-wrap: anywhere; }
</style>
