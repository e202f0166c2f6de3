<script setup lang="ts">
import { isTyping } from '@/bench/usePanZoom'
import Surface from '@/bench/Surface.vue'
import KeyHelp from '@/help/KeyHelp.vue'
import HandsView from '@/making/HandsView.vue'
import LayoutView from '@/making/LayoutView.vue'
import PrepLine from '@/prepline/PrepLine.vue'
import StepDrawer from '@/prepline/StepDrawer.vue'
import SheetColumn from '@/sheets/SheetColumn.vue'
import StageLine from '@/stages/StageLine.vue'
import { stages } from '@/stages/stages'
import { commands, cut, paste, take } from '@/stages/draw/commands'
import { useBench } from '@/stores/bench'
import { tools, useDraw, type Tool } from '@/stores/draw'
import { useLine } from '@/stores/line'
import { useShaping } from '@/stores/shaping'
import { useUnkept } from '@/stores/unkept'
import { useEventListener } from '@vueuse/core'
import { ElButton } from 'element-plus'
import { computed, nextTick, onUnmounted, ref, watch } from 'vue'
import { RouterLink, useRouter } from 'vue-router'
import WorkStrip from '@/works/WorkStrip.vue'
import UnkeptQuestion from './UnkeptQuestion.vue'
import VersionDrawer from './VersionDrawer.vue'

const props = defineProps<{ id: string; stage?: string }>()
const bench = useBench()
const router = useRouter()
const help = ref(false)
const versions = ref(false)
const draw = useDraw()
/** Draw and Shape are worked in with the same hands: choice, keys and menu. */
const hands = computed(() => current.value.key === 'draw' || current.value.key === 'shape')
const shaping = useShaping()
const line = useLine()
const unkept = useUnkept()
const current = computed(() => stages.find((stage) => stage.key === props.stage) ?? stages[0]!)

watch(() => Number(props.id), (id) => bench.open(id), { immediate: true })
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
onUnmounted(() => bench.source())

function enter(key: string) {
  unkept.pass(() => {
    line.close()
    router.replace({ name: 'bench', params: { id: props.id, stage: key } })
  })
}
/** The next finding of those that are shown: of the chosen group first, then of the one after it. */
async function stepFinding(by: number) {
  const all = bench.openFindings
  if (all.length === 0) return
  if (current.value.key !== 'check') {
    enter('check')
    await nextTick()
  }
  const own = bench.group === null ? [] : bench.listed(bench.groups[bench.group]!)
  const at = bench.finding === null ? -1 : all.indexOf(bench.finding)
  const first = own.length > 0 ? all.indexOf(by > 0 ? own[0]! : own[own.length - 1]!) : by > 0 ? 0 : all.length - 1
  bench.finding = all[at < 0 ? first : (at + by + all.length) % all.length]!
}

/** Chosen nodes go first, then pieces. */
function remove() {
  if (current.value.key === 'draw' && draw.tool === 'nodes' && bench.detail?.details.length === 1) {
    const piece = bench.detail.details[0]!
    if (draw.nodes.size > 0) {
      const nodes = [...draw.nodes].map((name) => name.split(' ').map(Number))
      draw.nodes = new Set()
      return bench.draw({ kind: 'delete-nodes', piece: piece.id, nodes })
    }
    if (draw.segment) {
      const segments = [draw.segment.split(' ').map(Number)]
      draw.segment = null
      return bench.draw({ kind: 'delete-segment', piece: piece.id, segments })
    }
  }
  if (bench.chosen.size > 0) return current.value.key === 'draw' ? bench.draw({ kind: 'remove', pieces: [...bench.chosen] }) : bench.edit({ kind: 'remove', pieces: [...bench.chosen] })
}
// A gesture back, or a closed window, must not cut off what is being stored.
useEventListener(window, 'beforeunload', (event) => {
  if (bench.busy) event.preventDefault()
})

useEventListener(window, 'keydown', (event: KeyboardEvent) => {
  if (isTyping(event) && event.key !== 'Escape') return
  const held = event.ctrlKey || event.metaKey
  const key = event.key.toLowerCase()
  const drawing = hands.value
  const done = (label: string) => () => {
    const one = commands.find((each) => each.label === label)!
    if (one.can(bench)) one.run(bench)
  }
  const act: Record<string, () => unknown> = held
    ? {
        z: () => (event.shiftKey ? bench.redo() : bench.undo()),
        y: () => bench.redo(),
        a: () => bench.chooseAll(),
        ...(drawing
          ? { c: () => take(bench), x: () => cut(bench), v: () => paste(bench, event.shiftKey), d: done('Duplicate'), g: done(event.shiftKey ? 'Ungroup' : 'Group') }
          : {}),
      }
    : {
        p: () => !bench.running && unkept.prepare(),
        w: () => bench.prepared && bench.show({ kind: 'wipe' }),
        s: () => bench.show({ kind: 'source' }),
        o: () => bench.hasFile && bench.show({ kind: 'file' }),
        e: () => (bench.wire = !bench.wire),
        n: () => stepFinding(1),
        b: () => stepFinding(-1),
        '?': () => (help.value = true),
        // One thing at a time: out of what is looked at, then of the finding, its group, what is chosen.
        escape: () => {
          if (line.opened) return line.close()
          if (bench.view.kind !== 'source') return bench.show({ kind: 'source' })
          if (bench.finding !== null) return (bench.finding = null)
          if (current.value.key === 'check' && bench.group !== null) return (bench.group = null)
          bench.chooseNone()
        },
        delete: remove,
        backspace: remove,
        v: () => (versions.value = true),
        ...(drawing
          ? {
              pageup: done('Forward'),
              pagedown: done('Back'),
              r: () => draw.lastTransform && bench.chosen.size > 0 && bench.draw({ kind: 'transform', pieces: [...bench.chosen], matrix: draw.lastTransform, copies: true }, true),
              g: () => bench.art?.reference && bench.draw({ kind: 'reference', hidden: !bench.art.reference.hidden }),
              i: () => (draw.snap.on = !draw.snap.on),
              ...(current.value.key === 'draw' ? Object.fromEntries(tools.map((one) => [one.key, () => draw.use(one.tool)])) : {}),
            }
          : {}),
      }
  // The tools of shaping, with Shift, in both stages; what they are called comes with them.
  if (!held && drawing && event.shiftKey && key.length === 1) {
    const kind = Object.entries(shaping.tools).find(([, one]) => one.key.toLowerCase() === key)?.[0]
    if (kind) {
      event.preventDefault()
      if (current.value.key !== 'shape') enter('shape')
      return void nextTick(() => shaping.take(kind))
    }
  }
  if (!held && current.value.key === 'shape') {
    act['.'] = () => shaping.again()
    if (shaping.hand) {
      act.enter = () => shaping.keep()
      act.escape = () => shaping.put()
    }
  }
  if (held && key === 'z' && shaping.hand && shaping.takeBack()) return event.preventDefault()
  const digit = Number(event.key)
  if (!held && digit >= 1 && digit <= stages.length) act[key] = () => enter(stages[digit - 1]!.key)
  const doIt = act[key]
  if (doIt) {
    event.preventDefault()
    doIt()
  }
})
</script>

<template>
  <div class="bench" :data-version="bench.job?.version" :data-busy="bench.busy">
    <header>
      <RouterLink to="/" class="home" title="All jobs"><img src="/mark.svg" alt="">Jobs</RouterLink>
      <div class="title">
        <h1>{{ bench.job?.title ?? (bench.loading ? 'Opening…' : 'Job') }}</h1>
        <p v-if="bench.job" class="quiet numbers" data-test="size">{{ bench.job.processLabel }} · {{ bench.job.width.toFixed(1) }} × {{ bench.job.height.toFixed(1) }} mm</p>
      </div>
      <StageLine class="stage-line" :current="current.key" @enter="enter" />
    </header>
    <div class="drawer"><StepDrawer v-if="bench.job && line.opened" @work="enter('draw')" /><component :is="current.drawer" v-else-if="bench.job" /></div>
    <main>
      <div class="tools">
        <ElButton size="small" :disabled="!bench.state?.history.canUndo || bench.busy" :title="`Undo${bench.state?.history.canUndo ? `: ${bench.state.history.label}` : ''} (Ctrl Z)`" class="step" data-test="undo" @click="bench.undo()"><span>Undo{{ bench.state?.history.canUndo ? `: ${bench.state.history.label}` : '' }}</span></ElButton>
        <ElButton size="small" :disabled="!bench.state?.history.canRedo || bench.busy" title="Do again (Ctrl Shift Z)" class="step" @click="bench.redo()"><span>Do again{{ bench.state?.history.nextLabel ? `: ${bench.state.history.nextLabel}` : '' }}</span></ElButton>
        <ElButton size="small" :aria-pressed="bench.wire" :class="{ lit: bench.wire }" title="Wire view (E)" @click="bench.wire = !bench.wire">Wire view</ElButton>
        <ElButton v-if="bench.view.kind !== 'source'" size="small" title="Back to the bench (S)" data-test="to-bench" @click="bench.show({ kind: 'source' })">Back to the bench</ElButton>
        <span v-if="bench.touching" class="touching" role="status" data-test="touching">Touching up the result <ElButton size="small" type="primary" data-test="to-source" @click="bench.source(), bench.preparation && bench.prepare()">Done: back to the source</ElButton></span>
        <span class="push" />
        <ElButton size="small" text title="Versions (V)" data-test="versions" @click="versions = true">Versions</ElButton>
        <ElButton size="small" text @click="help = true">Keys ?</ElButton>
      </div>
      <p v-if="bench.problem" class="trouble" role="alert" data-test="problem">{{ bench.problem }} <button v-if="bench.again" type="button" data-test="again" @click="bench.again?.()">Make my change on top of it</button> <button type="button" @click="bench.problem = ''">Close</button></p>
      <p v-if="bench.away > 0" class="trouble" role="status" data-test="away">The server does not answer. {{ bench.away === 1 ? '1 change waits' : `${bench.away} changes wait` }} and will be sent, in order, when it is back; leave this page open.</p>
      <p v-if="bench.loading && !bench.job" class="waiting">Laying the art on the bench…</p>
      <LayoutView v-if="bench.job && (bench.view.kind === 'layout' || bench.view.kind === 'mix')" class="over" />
      <HandsView v-else-if="bench.job && bench.view.kind === 'hands'" class="over" />
      <Surface v-if="bench.art" v-show="!['layout', 'mix', 'hands'].includes(bench.view.kind)" :editing="hands" :stage="current.key" />
      <p v-if="!bench.loading && !bench.job" class="waiting"><RouterLink to="/">Back to the jobs</RouterLink></p>
      <WorkStrip class="works" />
    </main>
    <SheetColumn />
    <PrepLine v-if="bench.job" class="prep" :quiet="hands" />
    <KeyHelp v-model="help" />
    <VersionDrawer v-model="versions" />
    <UnkeptQuestion />
  </div>
</template>

<style scoped>
.bench { display: grid; height: 100%; grid-template: auto minmax(0, 1fr) auto / 276px minmax(0, 1fr) 96px; grid-template-areas: 'head head head' 'drawer main sheets' 'prep prep prep'; overflow: hidden; }
header { grid-area: head; display: grid; grid-template-columns: auto minmax(180px, 300px) minmax(0, 1fr); gap: 18px; align-items: center; padding: 8px 16px 7px; border-bottom: 1px solid var(--line); }
.home { display: flex; align-items: center; gap: 7px; color: var(--ink); text-decoration: none; font-weight: 500; }
.home img { width: 28px; height: 28px; }
.title { min-width: 0; }
.title h1 { font-size: 19px; white-space: nowrap; overflow: hidden; text-overflow: ellipsis; }
.title p { font-size: 15px; white-space: nowrap; overflow: hidden; text-overflow: ellipsis; }
.drawer { grid-area: drawer; border-right: 1px solid var(--line); min-height: 0; }
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
.lit { border-color: var(--green); color: var(--green); background: var(--green-pale); }
.works { position: absolute; right: 16px; bottom: 44px; }
.waiting { margin: auto; color: var(--ink-mid); }
.trouble button { border: 0; background: none; font: inherit; text-decoration: underline; cursor: pointer; color: inherit; }
aside { grid-area: sheets; border-left: 1px solid var(--line); }
.prep { grid-area: prep; }
</style>
