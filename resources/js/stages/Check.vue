<script setup lang="ts">
import { number as written, t } from '@/words/words'
import Tick from '@/fields/Tick.vue'
import WhoMay from '@/fields/WhoMay.vue'
import GuideLink from '@/guide/GuideLink.vue'
import type { FindingGroup } from '@/api/types'
import { nameOf } from '@/findings'
import { useBench } from '@/stores/bench'
import { useChoices } from '@/stores/choices'
import { useColours } from '@/stores/colours'
import { useCure } from '@/stores/cure'
import { count, mm, percent } from '@/units'
import { ElButton, ElInput } from 'element-plus'
import { computed, nextTick, onMounted, ref, watch } from 'vue'
import CureButtons from './check/CureButtons.vue'
import FontCure from './check/FontCure.vue'
import NotYet from './NotYet.vue'
import Drawer from './Drawer.vue'

/** How many of a group are listed at first. */
const SOME = 25
const bench = useBench()
const choices = useChoices()
const names = useColours()
names.load()
onMounted(() => choices.load())
const cure = useCure()
const list = ref<HTMLElement | null>(null)
/** What the reader said comes first. */
const leftOut = computed(() => (bench.state?.notices ?? []).filter((one) => one.severity !== 'note').length)
/** Fonts for which others stand in. */
const replaced = computed(() => (bench.state?.notices ?? []).filter((one) => one.kind === 'missing-font' && one.sheet && one.cured !== 'added').map((one) => one.sheet!))
/** What is said of a kind of finding; nothing of what only a file has. */
const about = (kind: string) => choices.all.findings.find((one) => one.kind === kind)
const isNotice = (index: number) => index < (bench.state?.notices.length ?? 0)
const reason = ref('')
const more = ref(SOME)
const words = { small: t('Small ones too'), done: t('Seen and accepted too'), serious: t('Serious only') }

const key = (one: FindingGroup) => `${one.kind} ${one.sheet}`
function enter(index: number) {
  bench.group = bench.group === index ? null : index
  const own = bench.group === null ? [] : bench.listed(bench.groups[index]!)
  // One alone is looked at at once.
  bench.finding = own.length === 1 ? own[0]! : null
  more.value = SOME
  reason.value = ''
}
function press(number: number) {
  bench.finding = bench.finding === number ? null : number
}
async function accept(numbers: number[]) {
  const said = reason.value.trim()
  reason.value = ''
  for (const number of numbers.filter(isNotice)) await bench.accept(number, said)
  await bench.judge(numbers.filter((number) => !isNotice(number)), { accepted: said })
}
async function reopen(number: number) {
  if (isNotice(number)) await bench.accept(number, null)
  else await bench.judge([number], { open: true })
}
/** How many of a group are still open, of all. */
function tally(one: FindingGroup) {
  const open = one.findings.filter((number) => !bench.findings[number]?.seen && bench.findings[number]?.accepted === undefined).length
  return open === one.findings.length ? `${open}` : t('{found} of {all}', { found: open, all: one.findings.length })
}
const isWidth = (kind: string) => ['thin-line', 'narrow-gap'].includes(kind)
const isColour = (sheet: string | null) => !!sheet?.startsWith('#')
const canAccept = (number: number) => !isNotice(number) || (bench.findings[number]!.severity !== 'note' && bench.findings[number]!.kind !== 'no-size')

// Whatever finding is chosen, on the art or by key, its group is open and its row in view.
watch(
  () => bench.finding,
  async (number) => {
    cure.put()
    if (number === null) return
    const at = bench.groups.findIndex((one) => one.findings.includes(number))
    if (at >= 0 && at !== bench.group) bench.group = at
    const place = at >= 0 ? bench.listed(bench.groups[at]!).indexOf(number) : -1
    if (place >= more.value) more.value = place + SOME
    await nextTick()
    list.value?.querySelector(`[data-row="${number}"]`)?.scrollIntoView({ block: 'nearest' })
  },
)
</script>

<template>
  <Drawer :guide="['first-job', 'check']" title="Findings">
    <p v-if="bench.job" class="quiet">Lines under {{ mm(bench.job.limits.line) }} and gaps under {{ mm(bench.job.limits.gap) }}, for {{ bench.job.processLabel }}.</p>
    <div v-if="bench.verdict" :class="['look', { open: (!bench.verdict.ready && !bench.verdict.empty) || bench.preparation?.stale }]" data-test="look">
      <p><strong v-if="!bench.verdict.empty">{{ bench.verdict.ready && !bench.preparation?.stale ? $t('Ready.') : $t('Not ready.') }}</strong> {{ bench.verdict.sentence }}.</p>
      <p v-if="bench.preparation?.stale" class="reason">The job was changed since it was prepared.</p>
      <p v-for="open in bench.verdict.empty ? [] : bench.verdict.open.slice(bench.verdict.stale && bench.preparation?.stale ? 1 : 0)" :key="open" class="reason">{{ open }}</p>
      <p v-if="bench.result && !bench.verdict.empty" class="reason numbers">{{ leftOut > 0 ? $t('Measured of what was taken alone: {area} mm², {percent}; {n, plural, one {what was left out is} other {the # things left out are} } not in it', { area: written(bench.result.look_difference.area_mm2, 3, 3), percent: percent(bench.result.look_difference.percent), n: leftOut }) : $t('Measured: {area} mm², {percent}', { area: written(bench.result.look_difference.area_mm2, 3, 3), percent: percent(bench.result.look_difference.percent) }) }}<template v-if="replaced.length > 0">; letters that stood for {{ replaced.map((name) => `“${name}”`).join(', ') }} differ, and are measured as they are set here</template></p>
      <details v-if="bench.result?.changes?.length" class="reason" data-test="changes"><summary>{{ $t('{n, plural, one {# thing} other {# things} } that the line changed', { n: bench.result.changes.length }) }}</summary><ul><li v-for="one in bench.result.changes" :key="one">{{ names.said(one) }}</li></ul></details>
    </div>
    <NotYet v-if="!bench.prepared && !bench.running" :says="$t('Lines and gaps are measured when the art has been prepared.')" />
    <p v-else-if="bench.findings.length === 0 && bench.prepared" class="quiet">Nothing found: every line and gap can be made.</p>
    <div v-if="bench.findings.length > 0" class="sieve" role="group" aria-label="Which findings are shown">
      <Tick v-for="(label, name) in words" :key="name" :value="bench.sieve[name]" :data-test="`sieve-${name}`" @keep="bench.sieve[name] = $event">{{ label }}</Tick>
    </div>
    <ul ref="list" class="groups">
      <li v-for="(one, index) in bench.groups" :key="key(one)" :class="{ open: bench.group === index }" :data-group="one.kind">
        <button type="button" :class="['head', one.severity, { on: bench.group === index, done: bench.listed(one).length === 0 }]" :aria-expanded="bench.group === index" @click="enter(index)">
          <span class="kind"><i v-if="isColour(one.sheet)" class="dab" :style="{ background: one.sheet! }" />{{ nameOf(one.kind) }}<em v-if="isColour(one.sheet) && names.all[one.sheet!]">{{ names.of(one.sheet!) }}</em></span>
          <span class="value numbers">{{ tally(one) }}</span>
          <span v-if="one.least_mm !== null" class="says numbers">{{ isWidth(one.kind) ? $t('narrowest {width}', { width: mm(one.least_mm) }) : $t('smallest {width}', { width: mm(one.least_mm) }) }}<template v-if="one.findings.length > 1 && one.typical_mm !== null">, mostly {{ mm(one.typical_mm) }}</template><template v-if="one.length_mm">, {{ mm(one.length_mm) }} long</template></span>
          <span v-else-if="one.findings.length === 1 && bench.group !== index" class="says">{{ names.said(bench.findings[one.findings[0]!]?.message ?? '') }}</span>
        </button>
        <template v-if="bench.group === index">
          <p v-if="about(one.kind)" class="about quiet">{{ about(one.kind)!.says }} <GuideLink page="reference" :at="`finding-${one.kind}`" :about="nameOf(one.kind)" /></p>
          <p v-if="bench.listed(one).length === 0" class="none">{{ one.minor === one.findings.length ? $t('All of these are small.') : $t('All of these are small, seen or accepted.') }}</p>
          <WhoMay of="draw"><CureButtons v-if="bench.finding === null && bench.listed(one).length > 1" class="ofall" :kind="one.kind" :numbers="bench.listed(one).filter((number) => !isNotice(number))" /></WhoMay>
          <ol>
            <li v-for="number in bench.listed(one).slice(0, more)" :key="number">
              <button type="button" :class="['row', { on: bench.finding === number, seen: bench.findings[number]!.seen || bench.findings[number]!.accepted !== undefined }]" :data-row="number" @click="press(number)">
                <span class="value numbers">{{ bench.findings[number]!.width_mm !== undefined ? mm(bench.findings[number]!.width_mm!) : '' }}</span>
                <span class="says">{{ bench.finding === number || bench.findings[number]!.length_mm === undefined ? names.said(bench.findings[number]!.message) : $t('over {length_mm}', { length_mm: mm(bench.findings[number]!.length_mm!) }) }}</span>
                <span v-if="bench.findings[number]!.accepted !== undefined" class="says accepted">Accepted{{ bench.findings[number]!.accepted ? `: ${bench.findings[number]!.accepted}` : '' }}</span>
              </button>
              <WhoMay v-if="bench.finding === number" of="draw">
<div class="cure">
                <template v-if="canAccept(number)">
                  <ElButton v-if="bench.findings[number]!.accepted !== undefined" size="small" data-test="unaccept" @click="reopen(number)">Not accepted after all</ElButton>
                  <form v-else @submit.prevent="accept([number])">
                    <ElInput v-model="reason" size="small" maxlength="200" placeholder="why it can stay so" aria-label="Why it can stay so" data-test="reason" @keydown.stop />
                    <ElButton size="small" native-type="submit" :disabled="reason.trim() === ''" data-test="accept">Accept</ElButton>
                  </form>
                </template>
                <FontCure v-if="one.kind === 'missing-font' && one.sheet" :key="one.sheet" :missing="one.sheet" />
                <CureButtons v-if="!isNotice(number)" :kind="one.kind" :numbers="[number]" />
                <ElButton v-if="!isNotice(number) && bench.findings[number]!.accepted === undefined" size="small" :data-test="bench.findings[number]!.seen ? 'unseen' : 'seen'" @click="bench.judge([number], bench.findings[number]!.seen ? { open: true } : {})">{{ bench.findings[number]!.seen ? $t('Open again') : $t('Seen') }}</ElButton>
              </div>
</WhoMay>
            </li>
          </ol>
          <button v-if="bench.listed(one).length > more" type="button" class="quiet-button" @click="more += 100">Show {{ Math.min(100, bench.listed(one).length - more) }} more of {{ count(bench.listed(one).length, 'finding') }}</button>
          <WhoMay v-if="bench.finding === null && bench.listed(one).length > 1" of="draw">
<div class="cure all">
            <form v-if="bench.listed(one).some(canAccept)" @submit.prevent="accept(bench.listed(one).filter(canAccept))">
              <ElInput v-model="reason" size="small" maxlength="200" placeholder="why they can all stay so" aria-label="Why they can all stay so" data-test="reason-all" @keydown.stop />
              <ElButton size="small" native-type="submit" :disabled="reason.trim() === ''" data-test="accept-all">Accept all</ElButton>
            </form>
            <ElButton v-if="bench.listed(one).some((number) => !isNotice(number))" size="small" data-test="seen-all" @click="bench.judge(bench.listed(one), {})">All seen</ElButton>
          </div>
</WhoMay>
        </template>
      </li>
    </ul>
  </Drawer>
</template>

<style scoped>
.look { background: var(--green-pale); padding: 7px 11px; border-radius: 3px; line-height: 1.25; display: flex; flex-direction: column; gap: 4px; }
.look.open { background: var(--coral-pale); }
.look strong { font-weight: 600; }
.reason { font-size: 15px; color: var(--ink-mid); }
.accepted { font-style: italic; }
.sieve { display: flex; flex-wrap: wrap; gap: 2px 12px; font-size: 14px; color: var(--ink-mid); }
.sieve label { display: flex; align-items: center; gap: 5px; }
.sieve input { margin: 0; accent-color: var(--green); }
.cure { display: flex; flex-direction: column; align-items: flex-start; gap: 6px; padding: 4px 8px 8px 12px; }
.cure .el-button { margin: 0; }
.cure form { display: flex; gap: 6px; width: 100%; }
.cure input[type='text'] { flex: 1; min-width: 0; font: inherit; font-size: 15px; border: 1px solid var(--line-strong); border-radius: 3px; background: var(--card); padding: 2px 6px; }
.all { padding: 6px 0 8px 4px; }
.ofall { padding: 4px 8px 6px 12px; }
ul, ol { list-style: none; margin: 0; padding: 0; }
.groups { margin: 0 -6px; display: flex; flex-direction: column; gap: 4px; }
.groups > li.open { background: var(--card); border-radius: 3px; box-shadow: 0 0 0 1px var(--line); }
.head, .row { display: grid; grid-template-columns: minmax(0, 1fr) auto; gap: 0 8px; width: 100%; text-align: left; border: 0; border-left: 4px solid var(--line-strong); background: none; font: inherit; line-height: 1.25; padding: 5px 8px; cursor: pointer; border-radius: 0 3px 3px 0; color: var(--ink); }
.head:hover, .row:hover { background: var(--paper-deep); }
.head.serious { border-left-color: var(--coral); }
.head.warning { border-left-color: #eaa795; }
.head.done { opacity: .6; }
.row { border-left-color: transparent; grid-template-columns: 62px minmax(0, 1fr); padding: 3px 8px; }
.row .says { grid-column: 2; }
.row.on { background: var(--coral-pale); }
.row.seen { opacity: .65; }
.kind em { font-weight: 400; font-style: normal; font-size: 15px; color: var(--ink-mid); }
.kind { display: flex; align-items: center; gap: 7px; }
.dab { width: 13px; height: 13px; border: 1px solid var(--line-strong); border-radius: 2px; flex: none; }
.kind, .value { font-weight: 700; }
.row .value { font-weight: 500; font-size: 15px; }
.says { grid-column: 1 / -1; font-size: 15px; color: var(--ink-mid); }
.none, .about { font-size: 15px; color: var(--ink-mid); padding: 3px 12px 6px; }
</style>
