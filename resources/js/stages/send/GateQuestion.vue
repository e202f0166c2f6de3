<script setup lang="ts">
import { useBench } from '@/stores/bench'
import { useGate } from '@/stores/gate'
import { useMe } from '@/stores/me'
import { ElButton, ElDialog, ElInput } from 'element-plus'

/** Asks before what is not ready leaves: it names what is open, and keeps who let it go and why. */
const bench = useBench()
const gate = useGate()
const me = useMe()
</script>

<template>
  <ElDialog :model-value="gate.held !== null" title="This job is not ready" width="520" append-to="#over" @close="gate.leave()">
    <form data-test="gate" @submit.prevent="gate.letGo()" @keydown.stop>
      <p>{{ bench.verdict?.sentence }}.</p>
      <ul><li v-for="one in bench.verdict?.open" :key="one">{{ one }}</li></ul>
      <p v-if="me.name" data-test="gate-me">{{ $t('{name} lets it go.', { name: me.name }) }}</p>
      <label v-else>Who lets it go <ElInput v-model="gate.by" maxlength="80" data-test="gate-by" /></label>
      <label>Why it may go as it is <ElInput v-model="gate.reason" maxlength="200" data-test="gate-reason" /></label>
      <p class="quiet">Both are kept with the job, for this state of it alone.</p>
      <p v-if="gate.problem" class="trouble" role="alert">{{ gate.problem }}</p>
      <div class="acts">
        <ElButton data-test="gate-leave" @click="gate.leave()">Keep it here</ElButton>
        <ElButton type="primary" native-type="submit" :loading="gate.sending" data-test="gate-go">Let it go</ElButton>
      </div>
    </form>
  </ElDialog>
</template>

<style scoped>
form { display: flex; flex-direction: column; gap: 10px; }
p, ul { margin: 0; line-height: 1.35; }
ul { padding-left: 20px; color: var(--coral-deep); }
label { display: flex; flex-direction: column; gap: 3px; font-weight: 500; }
.acts { display: flex; justify-content: flex-end; }
</style>
