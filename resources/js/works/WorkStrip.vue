<script setup lang="ts">
import { t } from '@/words/words'
import { words } from '@/api/client'
import { isOpen, timeLeft, type Work } from '@/api/works'
import { useMe } from '@/stores/me'
import { useWorks } from '@/stores/works'
import { ElButton } from 'element-plus'
import { computed, onMounted, ref, watch } from 'vue'
import { RouterLink } from 'vue-router'

/** What runs, waits and has just ended in the shop, on every page: folded to one line, opened to a list. */
const works = useWorks()
const me = useMe()
/** ms that something has to be at work before it is told of: most is done before. */
const SOON = 700
const unfolded = ref(false)
const since = ref<Record<number, number>>({})
const now = ref(Date.now())
const away = ref<Set<number>>(new Set())
const problem = ref('')
onMounted(() => works.look())
watch(() => works.all, (all) => {
  now.value = Date.now()
  since.value = Object.fromEntries(Object.keys(all).map((id) => [id, since.value[Number(id)] ?? now.value]))
})
/** Seen at work here, or broken off: what ended before this page was opened is nobody's news. */
const told = computed(() => Object.values(works.all).filter((work) => !away.value.has(work.id) && work.state !== 'stopped' && (isOpen(work) ? now.value - (since.value[work.id] ?? 0) >= SOON : follows.value.has(work.id))))
const follows = ref<Set<number>>(new Set())
watch(told, (all) => {
  const seen = all.filter(isOpen).map((work) => work.id).filter((id) => !follows.value.has(id))
  if (seen.length > 0) follows.value = new Set([...follows.value, ...seen])
})
const running = computed(() => told.value.filter((work) => work.state === 'running'))
const broken = computed(() => told.value.filter((work) => work.state === 'failed'))
const says = (work: Work) => ({ waiting: work.error || t('waits for its turn'), running: work.asked ? t('ends…') : [work.doing, timeLeft(work)].filter(Boolean).join(', ') || t('at work'), paused: t('paused'), stopped: t('stopped'), done: t('done'), failed: work.error || t('broke off') })[work.state]
const line = computed(() => {
  const one = running.value[0] ?? told.value[0]
  if (broken.value.length > 0 && running.value.length === 0) return t('{label}: broke off', { label: broken.value[0]!.label })
  if (running.value.length > 1) return t('{n} works run', { n: running.value.length })
  return one ? `${one.label}: ${one.state === 'running' ? `${Math.round(100 * one.share)} %` : says(one)}` : ''
})
const stages: Record<string, string> = { prepare: 'check', 'lay-out': 'send', nest: 'send', sizes: 'send', send: 'send' }
const toIt = (work: Work) => (work.job !== null ? `/jobs/${work.job}/${stages[work.kind] ?? 'check'}` : '/batches')
async function tell(work: Work, what: 'stop' | 'pause' | 'go') {
  problem.value = ''
  try {
    await works.tell(work, what)
  } catch (refused) {
    problem.value = words(refused)
  }
}
function clear() {
  away.value = new Set([...away.value, ...told.value.filter((work) => !isOpen(work)).map((work) => work.id)])
  unfolded.value = false
}
</script>

<template>
  <section v-if="told.length > 0" class="works" aria-label="What is at work" data-test="works">
    <div v-if="unfolded" id="works-list" class="list">
      <p v-if="problem" class="trouble" role="alert">{{ problem }}</p>
      <ul>
        <li v-for="work in told" :key="work.id" :class="work.state" :data-work="work.kind" :data-state="work.state">
          <div class="what"><strong>{{ work.label }}</strong> <RouterLink :to="toIt(work)">{{ work.title }}</RouterLink><span v-if="work.by && work.by !== me.name" class="quiet by" data-test="work-by"> {{ $t('for {by}', { by: work.by }) }}</span></div>
          <span class="meter" aria-hidden="true"><span :style="{ width: `${100 * work.share}%` }" /></span>
          <p class="numbers">{{ says(work) }}</p>
          <span class="acts">
            <ElButton v-if="work.pauses && isOpen(work)" size="small" @click="tell(work, 'pause')">Pause</ElButton>
            <ElButton v-if="work.goesOn && work.state !== 'done'" size="small" @click="tell(work, 'go')">Go on</ElButton>
            <ElButton v-if="isOpen(work) && work.asked === ''" size="small" data-test="stop-work" @click="tell(work, 'stop')">Stop</ElButton>
          </span>
        </li>
      </ul>
      <ElButton v-if="told.some((work) => !isOpen(work))" size="small" text @click="clear">Put away what has ended</ElButton>
    </div>
    <button type="button" class="fold" :aria-expanded="unfolded" aria-controls="works-list" data-test="works-fold" @click="unfolded = !unfolded">
      <i :class="{ turns: running.length > 0, bad: broken.length > 0 }" aria-hidden="true" />{{ line }}
    </button>
  </section>
</template>

<style scoped>
.works { position: fixed; right: 16px; bottom: 14px; z-index: 30; width: 300px; display: flex; flex-direction: column; align-items: flex-end; gap: 4px; font-size: 15px; pointer-events: none; }
.works > * { pointer-events: auto; }
.list { width: 100%; max-height: 46vh; overflow-y: auto; padding: 8px 10px; background: var(--card); border: 1px solid var(--line-strong); border-radius: 4px; box-shadow: 0 3px 14px var(--shade); }
ul { list-style: none; margin: 0; padding: 0; }
li { padding: 5px 0 6px; border-bottom: 1px solid var(--line); }
li:last-child { border-bottom: 0; }
.what { overflow: hidden; text-overflow: ellipsis; white-space: nowrap; }
.what a { color: var(--green); }
.meter { display: block; height: 4px; margin: 4px 0 2px; background: var(--line); border-radius: 2px; overflow: hidden; }
.meter span { display: block; height: 100%; background: var(--green); }
.failed .meter span { background: var(--coral); }
p { margin: 0; line-height: 1.25; color: var(--ink-mid); }
.failed p { color: var(--coral-deep); }
.acts { display: flex; gap: 4px; margin-top: 3px; }
.acts .el-button { margin: 0; }
.fold { display: flex; align-items: center; gap: 8px; max-width: 100%; padding: 3px 12px 4px; font: inherit; color: var(--ink); background: var(--card); border: 1px solid var(--line-strong); border-radius: 4px; cursor: pointer; overflow: hidden; text-overflow: ellipsis; white-space: nowrap; }
i { flex: none; width: 10px; height: 10px; border-radius: 2px; background: var(--green); }
i.bad { background: var(--coral); }
i.turns { animation: turns 1.6s linear infinite; }
@keyframes turns { to { transform: rotate(180deg); } }
@media (prefers-reduced-motion: reduce) { i.turns { animation: none; } }
</style>
