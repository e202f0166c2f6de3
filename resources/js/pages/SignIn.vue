<script setup lang="ts">
import { api, words } from '@/api/client'
import type { Me } from '@/api/types'
import { refusal } from '@/stores/refusal'
import { ElButton, ElInput } from 'element-plus'
import { ref } from 'vue'

/** Who comes in says who they are; who forgot their password is sent a link. */
const address = ref('')
const password = ref('')
const problem = refusal(address, password)
const busy = ref(false)
const forgot = ref(false)
const sent = ref(false)
/** Only to places of our own. */
function wanted(): string {
  const to = new URLSearchParams(location.search).get('to') ?? '/'
  return /^\/(?![/\\])/.test(to) ? to : '/'
}
async function submit() {
  busy.value = true
  problem.value = ''
  try {
    if (forgot.value) {
      await api.post('password/forgot', { address: address.value })
      sent.value = true
    } else {
      await api.post<Me>('sign-in', { address: address.value, password: password.value })
      // Anew, so that nothing is left on the page of whoever was here before.
      location.assign(wanted())
    }
  } catch (refused) {
    problem.value = words(refused)
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <main id="work" tabindex="-1" class="door">
    <img src="/mark.svg" alt="" class="mark">
    <h1>{{ forgot ? $t('Another password') : $t('Sign in') }}</h1>
    <form v-if="!sent" novalidate @submit.prevent="submit">
      <label>Address <ElInput v-model="address" type="email" name="email" autocomplete="username" maxlength="200" autofocus data-test="address" /></label>
      <label v-if="!forgot">Password <ElInput v-model="password" type="password" name="password" show-password autocomplete="current-password" maxlength="200" data-test="password" /></label>
      <p v-if="problem" class="trouble" role="alert" data-test="problem">{{ problem }}</p>
      <ElButton type="primary" size="large" native-type="submit" :loading="busy" data-test="sign-in">{{ forgot ? $t('Send me a link') : $t('Sign in') }}</ElButton>
      <button type="button" class="quiet-button" data-test="forgot" @click="(forgot = !forgot), (problem = '')">{{ forgot ? $t('I know my password') : $t('I forgot my password') }}</button>
    </form>
    <p v-else role="status" data-test="sent">If the shop knows that address, a link is on its way to it. With it you choose another password.</p>
  </main>
</template>

<style scoped>
.door { max-width: 380px; margin: 0 auto; padding: 12vh 20px 40px; outline: none; display: flex; flex-direction: column; gap: 14px; }
.mark { width: 52px; height: 52px; }
form { display: flex; flex-direction: column; gap: 14px; }
label { display: flex; flex-direction: column; gap: 4px; font-weight: 500; }
.quiet-button { align-self: flex-start; }
</style>
