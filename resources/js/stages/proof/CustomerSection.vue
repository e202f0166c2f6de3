<script setup lang="ts">
import { useMe } from '@/stores/me'
import WhoMay from '@/fields/WhoMay.vue'
import Count from '@/fields/Count.vue'
import { useApprovals } from '@/stores/approvals'
import { useBench } from '@/stores/bench'
import { moment, t } from '@/words/words'
import { ElButton, ElInput } from 'element-plus'
import { nextTick, onUnmounted, ref, watch } from 'vue'
import type { Approval } from '@/api/types'

const me = useMe()
/** The proof is shown to the customer by a link; what they say comes back here. */
const props = defineProps<{ ground: string; onThing?: boolean }>()
const bench = useBench()
const approvals = useApprovals()
const days = ref(30)
const to = ref('')
const copied = ref(false)
watch(() => bench.job?.id, () => {
  approvals.all = null
  approvals.link = ''
  approvals.at = null
  void approvals.load()
}, { immediate: true })
// A customer answers while the page is open.
const timer = window.setInterval(() => !document.hidden && void approvals.load(), 15_000)
onUnmounted(() => window.clearInterval(timer))

async function share() {
  copied.value = false
  if (!(await approvals.share(props.ground, days.value, to.value, props.onThing === true))) return
  to.value = ''
  await nextTick()
  document.querySelector('[data-test=link]')?.scrollIntoView({ block: 'center' })
}
async function copy() {
  try {
    await navigator.clipboard.writeText(approvals.link)
    copied.value = true
  } catch {
    // The field is there to be copied from by hand.
  }
}
const isNow = (one: Approval) => one.shows === approvals.all?.state
function stands(one: Approval): string {
  if (!one.live) return new Date(one.ends) < new Date() ? t('ended') : t('taken back')
  return one.seen ? t('seen, not answered') : t('not seen yet')
}
</script>

<template>
  <section class="customer" aria-label="The customer" data-test="customer">
    <h3>The customer</h3>
    <p v-if="!bench.prepared" class="quiet">Prepare the job before it is shown to anybody.</p>
    <p v-else-if="bench.preparation?.stale" class="quiet">The job was changed since it was prepared. Prepare it again before it is shown.</p>
    <WhoMay v-else of="draw">
<form class="share" @submit.prevent="share">
      <label>Mail, if you want the link sent <ElInput v-model="to" size="small" type="email" maxlength="200" placeholder="name@example.test" data-test="share-to" /></label>
      <span class="days">Leads there for <Count :value="days" :most="365" says="Days" @keep="days = $event" /> days</span>
      <ElButton type="primary" native-type="submit" :loading="approvals.busy" data-test="share">Make a link</ElButton>
    </form>
</WhoMay>
    <p v-if="approvals.problem" class="trouble" role="alert">{{ approvals.problem }}</p>
    <div v-if="approvals.link" class="link" role="status">
      <label>Whoever has this link sees this proof, and nothing else. It is shown here once. <input :value="approvals.link" readonly data-test="link" @focus="($event.target as HTMLInputElement).select()"></label>
      <ElButton size="small" data-test="copy-link" @click="copy">{{ copied ? $t('Copied') : $t('Copy') }}</ElButton>
    </div>
    <p v-if="approvals.all && approvals.all.approvals.length === 0 && !approvals.link" class="quiet">Nobody was shown this job yet.</p>
    <ul v-if="approvals.all" class="shown">
      <li v-for="one in approvals.all.approvals" :key="one.id" :data-approval="one.id">
        <p class="head"><strong>{{ moment(one.at) }}</strong><span v-if="one.to" class="quiet"> {{ one.to }}</span><span v-if="!isNow(one)" class="earlier">earlier state</span><button v-if="one.live" type="button" class="quiet-button" :disabled="approvals.busy || !me.may.draw" data-test="take-back" @click="approvals.takeBack(one)">Take back</button></p>
        <p v-if="one.unsent" class="trouble" data-test="unsent">{{ $t('The mail to {to} was not sent: {why}', { to: one.to, why: one.unsent }) }}</p>
        <p v-if="one.answers.length === 0" class="quiet">{{ stands(one) }}</p>
        <div v-for="answer in one.answers" :key="answer.id" :class="['answer', answer.kind, { settled: answer.settled }]" :data-answer="answer.id">
          <p><strong>{{ answer.kind === 'approved' ? $t('Approved by {by}', { by: answer.by }) : $t('{by} asks for a change', { by: answer.by }) }}</strong> <span class="quiet">{{ moment(answer.at) }}</span></p>
          <p v-if="answer.words" class="words">{{ answer.words }}</p>
          <ol v-if="answer.pins.length > 0">
            <li v-for="(pin, index) in answer.pins" :key="index"><button type="button" class="quiet-button" :disabled="answer.settled || pin.beside" :title="pin.beside ? $t('On the thing, beside the art') : undefined" :aria-pressed="approvals.at === `${answer.id}-${index}`" :data-look="`${answer.id}-${index}`" @click="approvals.look(`${answer.id}-${index}`)">{{ pin.words || $t('a place without words') }}</button></li>
          </ol>
          <button v-if="answer.kind === 'changes'" type="button" class="quiet-button" :disabled="approvals.busy || !me.may.draw" data-test="settle" @click="approvals.settle(answer, !answer.settled)">{{ answer.settled ? $t('Not done after all') : $t('That is done') }}</button>
          <span v-if="answer.settled && answer.settledBy" class="quiet" data-test="settled-by"> {{ $t('done, says {by}', { by: answer.settledBy }) }}</span>
        </div>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.customer { display: flex; flex-direction: column; gap: 10px; border-top: 1px solid var(--line); padding-top: 12px; }
.share, .share label, .link, .link label { display: flex; flex-direction: column; gap: 5px; font-size: 15px; line-height: 1.25; align-items: stretch; }
.days { display: flex; align-items: center; gap: 6px; font-size: 15px; flex-wrap: wrap; }
.link { background: var(--green-pale); padding: 9px 11px; border-radius: 3px; }
.link input { font: 14px var(--text-face); padding: 4px 6px; border: 1px solid var(--line-strong); border-radius: 3px; background: var(--card); color: var(--ink); width: 100%; }
ul, ol { margin: 0; padding: 0; list-style: none; display: flex; flex-direction: column; gap: 8px; }
ol { list-style: decimal; padding-left: 22px; gap: 2px; margin: 3px 0; }
.head { display: flex; gap: 7px; align-items: baseline; flex-wrap: wrap; font-size: 15px; }
.head button { margin-left: auto; }
.earlier { font-size: 14px; color: var(--ink-mid); border: 1px solid var(--line-strong); border-radius: 9px; padding: 0 7px; }
.answer { border-left: 4px solid var(--coral); padding: 3px 0 3px 9px; font-size: 15px; line-height: 1.3; }
.answer.approved { border-left-color: var(--green); }
.answer.settled { border-left-color: var(--line-strong); color: var(--ink-mid); }
.words { white-space: pre-wrap; overflow-wrap: anywhere; }
</style>
