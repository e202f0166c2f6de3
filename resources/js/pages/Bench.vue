<script setup lang="ts">
import { number } from '@/words/words'
import Surface from '@/bench/Surface.vue'
import { useKeys } from '@/keys/useKeys'
import KeyHelp from '@/help/KeyHelp.vue'
import HandsView from '@/making/HandsView.vue'
import LayoutView from '@/making/LayoutView.vue'
import PrepLine from '@/prepline/PrepLine.vue'
import StepDrawer from '@/prepline/StepDrawer.vue'
import SheetColumn from '@/sheets/SheetColumn.vue'
import StageLine from '@/stages/StageLine.vue'
import { stagesFor } from '@/stages/stages'
import { useBench } from '@/stores/bench'
import { useDraw, type Tool } from '@/stores/draw'
import { useLine } from '@/stores/line'
import { useMe } from '@/stores/me'
import { useShaping } from '@/stores/shaping'
import { useUnkept } from '@/stores/unkept'
import { useEventListener } from '@vueuse/core'
import { ElButton } from 'element-plus'
import { computed, defineAsyncComponent, onUnmounted, ref, watch } from 'vue'
import { RouterLink, useRouter } from 'vue-router'
import WorkStrip from '@/works/WorkStrip.vue'
import Heard from './Heard.vue'
import UnkeptQuestion from './UnkeptQuestion.vue'
import { useBring } from '@/arriving/useBring'
import { useClipboard } from '@/arriving/useClipboard'
import { useBenchKeys } from './useBenchKeys'
import ActsList from './ActsList.vue'
import WalkCard from '@/start/WalkCard.vue'
import VersionDrawer from './VersionDrawer.vue'
import { useCompany } from '@/stores/company'
import CompanyLine from './CompanyLine.vue'

const props = defineProps<{ id: string; stage?: string }>()
const ShownView = defineAsyncComponent(() => import('@/making/ShownView.vue'))
const bench = useBench()
const router = useRouter()
const keys = useKeys()
const help = ref(false)
const versions = ref(false)
const draw = useDraw()
/** Draw and Shape are worked in with the same hands: choice, keys and menu. */
const hands = computed(() => current.value.key === 'draw' || current.value.key === 'shape')
const shaping = useShaping()
const line = useLine()
const unkept = useUnkept()
const me = useMe()
const open = computed(() => stagesFor(me.may.draw))
const current = computed(() => open.value.find((stage) => stage.key === props.stage) ?? open.value[0]!)

const company = useCompany()
watch(() => Number(props.id), (id) => {
  bench.open(id)
  company.come(id)
}, { immediate: true })
/** What was in hand in Draw is so again after a visit to Shape, where pieces are chosen and moved. */
let inDraw: Tool = 'arrange'
watch(() => current.value.key, (key, before) => {
  if (key === 'shape') {
    inDraw = before === 'draw' ? draw.tool : inDraw
    draw.use('arrange')
  } else if (before === 'shape') draw.use(inDraw)
  if (key === 'shape' || key === 'draw') shaping.load()
}, { immediate: true })
watch(() => bench.job?.title, (title) => {
  if (title) document.title = `${title} · Neat Edge`
})
onUnmounted(() => {
  bench.source()
  company.leave()
})

function enter(key: string) {
  unkept.pass(() => {
    line.close()
    router.replace({ name: 'bench', params: { id: props.id, stage: key } })
  })
}
// A gesture back, or a closed window, must not cut off what is being stored.
useEventListener(window, 'beforeunload', (event) => {
  if (bench.busy) event.preventDefault()
})

const bring = useBring(() => enter('draw'))
useClipboard(hands, bring.files)
useBenchKeys(computed(() => current.value.key), enter, { help, versions })
</script>

<template>
  <div class="bench" :data-version="bench.job?.version" :data-busy="bench.busy">
    <header>
      <RouterLink to="/" class="home" title="All jobs"><img src="/mark.svg" alt="">Jobs</RouterLink>
      <div class="title">
        <h1>{{ bench.job?.title ?? (bench.loading ? $t('Opening…') : $t('Job')) }}</h1>
        <p v-if="bench.job" class="quiet numbers" data-test="size">{{ bench.job.processLabel }} · {{ number(bench.job.width, 1, 1) }} × {{ number(bench.job.height, 1, 1) }} mm</p>
      </div>
      <StageLine class="stage-line" :current="current.key" @enter="enter" />
    </header>
    <div class="drawer"><WalkCard :stage="current.key" @enter="enter" /><StepDrawer v-if="bench.job && line.opened" @work="enter('draw')" /><component :is="current.drawer" v-else-if="bench.job" /></div>
    <main id="work" tabindex="-1">
      <div class="tools">
        <ElButton size="small" :disabled="!me.may.draw || !bench.state?.history.canUndo || bench.busy" :title="$t('Undo{a} (Ctrl Z)', { a: bench.state?.history.canUndo ? `: ${bench.state.history.label}` : '' })" class="step" data-test="undo" @click="bench.undo()"><span>Undo{{ bench.state?.history.canUndo ? `: ${bench.state.history.label}` : '' }}</span></ElButton>
        <ActsList />
        <ElButton size="small" :disabled="!me.may.draw || !bench.state?.history.canRedo || bench.busy" :title="$t('Redo{a} (Ctrl Shift Z)', { a: bench.state?.history.nextLabel ? `: ${bench.state.history.nextLabel}` : '' })" class="step" @click="bench.redo()"><span>Redo{{ bench.state?.history.nextLabel ? `: ${bench.state.history.nextLabel}` : '' }}</span></ElButton>
        <ElButton size="small" :aria-pressed="bench.wire" :class="{ lit: bench.wire }" :title="keys.titled($t('Bare lines'), 'bare')" data-test="bare" @click="bench.wire = !bench.wire">Bare lines</ElButton>
        <ElButton v-if="bench.view.kind !== 'source'" size="small" :title="keys.titled($t('Back to the bench'), 'source')" data-test="to-bench" @click="bench.show({ kind: 'source' })">Back to the bench</ElButton>
        <span v-if="bench.touching" class="touching" role="status" data-test="touching">Touching up the result <ElButton size="small" type="primary" data-test="to-source" @click="bench.source(), bench.preparation && bench.prepare()">Done: back to the source</ElButton></span>
        <span class="push" />
        <CompanyLine />
        <span v-if="bench.job" class="saved quiet" data-test="saved">{{ bench.away > 0 ? $t('Not saved yet') : bench.busy ? $t('Saving…') : $t('Saved') }}</span>
        <ElButton size="small" text :title="keys.titled($t('Versions'), 'versions')" data-test="versions" @click="versions = true">Versions</ElButton>
        <ElButton size="small" text data-test="keys" @click="help = true">Keys{{ keys.shown('keys') && ` ${keys.shown('keys')}` }}</ElButton>
      </div>
      <p v-if="bench.problem" class="trouble" role="alert" data-test="problem">{{ bench.problem }} <button v-if="bench.again" type="button" data-test="again" @click="bench.again?.()">Make my change on top of it</button> <button type="button" @click="bench.problem = ''">Close</button></p>
      <p v-if="bench.away > 0" class="trouble" role="status" data-test="away">The server does not answer. {{ bench.away === 1 ? $t('1 change waits') : $t('{away} changes wait', { away: bench.away }) }} and will be sent, in order, when it is back; leave this page open.</p>
      <p v-if="bench.loading && !bench.job" class="waiting">Laying the art on the bench…</p>
      <LayoutView v-if="bench.job && (bench.view.kind === 'layout' || bench.view.kind === 'mix')" class="over" />
      <HandsView v-else-if="bench.job && bench.view.kind === 'hands'" class="over" />
      <ShownView v-else-if="bench.job && bench.view.kind === 'shown'" class="over" />
      <Surface v-if="bench.art" v-show="!['layout', 'mix', 'hands', 'shown'].includes(bench.view.kind)" :editing="hands" :stage="current.key" />
      <p v-if="!bench.loading && !bench.job" class="waiting"><RouterLink to="/">Back to the jobs</RouterLink></p>
      <WorkStrip class="works" />
    </main>
    <SheetColumn />
    <PrepLine v-if="bench.job" class="prep" :quiet="hands" />
    <KeyHelp v-model="help" />
    <VersionDrawer v-model="versions" />
    <UnkeptQuestion />
    <Heard />
  </div>
</template>

<style scoped>
main:focus { outline: none; }
.bench { display: grid; height: 100%; grid-template: auto minmax(0, 1fr) auto / 276px minmax(0, 1fr) 96px; grid-template-areas: 'head head head' 'drawer main sheets' 'prep prep prep'; overflow: hidden; }
header { grid-area: head; display: grid; grid-template-columns: auto minmax(180px, 300px) minmax(0, 1fr); gap: 18px; align-items: center; padding: 8px 16px 7px; border-bottom: 1px solid var(--line); }
.home { display: flex; align-items: center; gap: 7px; color: var(--ink); text-decoration: none; font-weight: 500; }
.home img { width: 28px; height: 28px; }
.title { min-width: 0; }
.title h1 { font-size: 19px; white-space: nowrap; overflow: hidden; text-overflow: ellipsis; }
.title p { font-size: 15px; white-space: nowrap; overflow: hidden; text-overflow: ellipsis; }
.drawer { grid-area: drawer; border-right: 1px solid var(--line); min-height: 0; display: flex; flex-direction: column; }
.drawer > :deep(section.drawer) { flex: 1; min-height: 0; }
/* Over the row of buttons: neither is the bench moved nor the work covered when something is said. */
main > .trouble { position: absolute; left: 8px; right: 8px; top: 5px; z-index: 6; min-height: 28px; padding: 4px 10px; line-height: 1.2; }
main { position: relative; grid-area: main; display: flex; flex-direction: column; min-width: 0; min-height: 0; padding: 7px 8px 8px; gap: 6px; }
main :deep(.frame) { flex: 1; min-height: 0; }
.tools { display: flex; align-items: center; gap: 6px; }
.tools .el-button { margin: 0; }
.step { width: 156px; justify-content: flex-start; }
.step :deep(> span) { min-width: 0; max-width: 100%; }
.step span span { overflow: hidden; text-overflow: ellipsis; }
.touching { display: flex; align-items: center; gap: 8px; color: var(--green); font-weight: 500; font-size: 15px; white-space: nowrap; }
.push { flex: 1; }
.saved { width: 86px; text-align: right; font-size: 14px; white-space: nowrap; }
.lit { border-color: var(--green); color: var(--green); background: var(--green-pale); }
.works { position: absolute; right: 16px; bottom: 44px; }
.waiting { margin: auto; color: var(--ink-mid); }
.trouble button { border: 0; background: none; font: inherit; text-decoration: underline; cursor: pointer; color: inherit; }
aside { grid-area: sheets; border-left: 1px solid var(--line); }
.prep { grid-area: prep; }
/* Much room: names are whole, drawers are wide. */
@media (min-width: 1700px) {
  .bench { grid-template-columns: 340px minmax(0, 1fr) 190px; }
}
@media (max-width: 1100px) {
  .bench { grid-template-columns: 250px minmax(0, 1fr) 88px; }
  header { grid-template-columns: auto minmax(120px, 220px) minmax(0, 1fr); gap: 12px; padding: 6px 10px 5px; }
  .step { width: 120px; }
}
/* Little room - a phone, or letters twice as large: one under the other, and the page is moved. */
@media (max-width: 820px), (max-height: 520px) {
  .bench { height: auto; min-height: 100%; overflow: visible; grid-template: auto minmax(300px, 70vh) auto auto auto / minmax(0, 1fr); grid-template-areas: 'head' 'main' 'drawer' 'sheets' 'prep'; }
  header { grid-template-columns: auto minmax(0, 1fr); row-gap: 4px; }
  .stage-line { grid-column: 1 / -1; overflow-x: auto; }
  .stage-line :deep(li) { min-width: 84px; }
  .drawer { border-right: 0; border-top: 1px solid var(--line); }
  .drawer :deep(section.drawer) { height: auto; overflow: visible; }
  .tools { flex-wrap: wrap; }
  .step { width: auto; max-width: 46%; }
  aside { border-left: 0; border-top: 1px solid var(--line); flex-direction: row !important; overflow-x: auto !important; }
  aside :deep(button) { width: 96px; }
  .bench > * { min-width: 0; }
  .works { bottom: 14px; position: fixed; }
}
</style>
