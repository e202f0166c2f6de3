<script setup lang="ts">
import { api, words } from '@/api/client'
import { refusal } from '@/stores/refusal'
import { ElButton, ElInput } from 'element-plus'
import { ref } from 'vue'
import { RouterLink } from 'vue-router'

/** A password, chosen with a link that came by mail. */
const props = defineProps<{ token: string }>()
const address = new URLSearchParams(location.search).get('address') ?? ''
const password = ref('')
const problem = refusal(password)
const busy = ref(false)
const done = ref(false)
async function submit() {
  busy.value = true
  problem.value = ''
  try {
    await api.post('password/choose', { address, token: props.token, password: password.value })
    done.value = true
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
    <h1>Choose a password</h1>
    <template v-if="done">
      <p role="status">Your password holds from now on.</p>
      <RouterLink to="/sign-in" data-test="to-sign-in">Sign in with it</RouterLink>
    </template>
    <form v-else @submit.prevent="submit">
      <!-- For what keeps passwords: whose this one is. -->
      <input type="email" name="email" autocomplete="username" class="heard" tabindex="-1" :value="address" readonly :aria-label="$t('Address')">
      <p class="whose">{{ $t('For {address}.', { address }) }}</p>
      <label>Password <ElInput v-model="password" type="password" name="password" show-password autocomplete="new-password" maxlength="200" data-test="password" /></label>
      <p class="quiet">At least 10 letters; several words that you remember do well.</p>
      <p v-if="problem" class="trouble" role="alert" data-test="problem">{{ problem }}</p>
      <ElButton type="primary" size="large" native-type="submit" :loading="busy" data-test="choose">Keep it</ElButton>
    </form>
  </main>
</template>

<style scoped>
.door { max-width: 380px; margin: 0 auto; padding: 12vh 20px 40px; outline: none; display: flex; flex-direction: column; gap: 14px; }
.mark { width: 52px; height: 52px; }
form { display: flex; flex-direction: column; gap: 14px; }
label { display: flex; flex-direction: column; gap: 4px; font-weight: 500; }
.whose { overflow-wrap: anywhere; }
</style>
