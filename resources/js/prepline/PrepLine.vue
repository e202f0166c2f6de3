<script setup lang="ts">
import { t } from '@/words/words'
import Choose from '@/fields/Choose.vue'
import WhoMay from '@/fields/WhoMay.vue'
import { timeLeft } from '@/api/works'
import { words } from '@/api/client'
import type { LineStep } from '@/api/types'
import { useBench } from '@/stores/bench'
import { useChoices } from '@/stores/choices'
import { useLine } from '@/stores/line'
import { useMe } from '@/stores/me'
import { count, percent } from '@/units'
import { useUnkept } from '@/stores/unkept'
import { ElButton, ElMessageBox, ElProgress, ElSwitch } from 'element-plus'
import { computed, onMounted, ref } from 'vue'

const bench = useBench()
const unkept = useUnkept()
const line = useLine()
const me = useMe()
const props = defineProps<{ quiet?: boolean }>()
/** While something is drawn the bench has the room, unless the line is unfolded there too. */
const choice = ref<{ quiet: boolean; folded: boolean } | null>(null)
const folded = computed({
  get: () => (choice.value && choice.value.quiet === !!props.quiet ? choice.value.folded : !!props.quiet),
  set: (next) => (choice.value = { quiet: !!props.quiet, folded: next }),
})
const choices = useChoices()
onMounted(() => choices.load().catch((refused) => (bench.problem = words(refused))))
onMounted(line.loadPresets)

const share = computed(() => Math.round(100 * (bench.work?.share ?? 0)))
const left = computed(() => (timeLeft(bench.work) === '' ? '' : `, ${timeLeft(bench.work)}`))
const isShown = (id: string) => bench.view.kind === 'step' && line.indexOf(id) >= 0 && bench.view.index === line.indexOf(id)

/** A card is dragged by itself; where it would come to lie is marked. */
const dragged = ref<string | null>(null)
const over = ref<number | null>(null)
function drop(at: number) {
  const from = line.steps.findIndex((step) => step.id === dragged.value)
  if (dragged.value !== null && from >= 0) line.move(dragged.value, at > from ? at - 1 : at)
  dragged.value = null
  over.value = null
}
function keys(event: KeyboardEvent, step: LineStep, at: number) {
  const act: Record<string, () => unknown> = { Enter: () => unkept.pass(() => line.open(step.id)) }
  if (me.may.draw) {
    act.Delete = () => line.remove(step.id)
    act[' '] = () => line.turn(step.id, !step.on)
    if (event.altKey && event.key === 'ArrowLeft') act.ArrowLeft = () => line.move(step.id, at - 1)
    if (event.altKey && event.key === 'ArrowRight') act.ArrowRight = () => line.move(step.id, at + 1)
  }
  if (act[event.key] && event.target === event.currentTarget) {
    event.preventDefault()
    event.stopPropagation()
    act[event.key]!()
  }
}
function add(what: string) {
  // After the open step where one is open, else where it is proposed.
  const at = line.opened ? line.steps.findIndex((step) => step.id === line.opened!.id) + 1 : null
  line.insert(what, at)
}
/** Which preset the line came from. */
const came = computed(() => (bench.job?.preset ? t('{name}, version {version}{changed, select, yes {, changed since} other {}}', { name: bench.job.preset.called, version: bench.job.preset.version, changed: bench.job.preset.changed ? 'yes' : 'no' }) : t('Presets…')))
async function preset(name: string) {
  if (name === '+') unkept.pass(savePreset)
  else {
    line.close()
    await line.use(name)
    if (bench.preparation) await bench.prepare()
  }
}
async function savePreset() {
  try {
    const { value } = (await ElMessageBox.prompt(t('The line of this job, under a name of the shop. A preset that has the name already goes on as a newer version.'), t('Save as a preset'), { confirmButtonText: t('Save'), cancelButtonText: t('Cancel'), inputPlaceholder: t('Shop window, outdoor'), inputValue: bench.job?.preset && line.presets.some((one) => !one.ships && one.name === bench.job?.preset?.name) ? bench.job.preset.name : '' })) as { value: string }
    if (value.trim() !== '') await line.save(value.trim(), '')
  } catch (refused) {
    if (refused instanceof Error) bench.problem = words(refused)
  }
}
</script>

<template>
  <section :class="['line', { folded }]" aria-label="Prep line">
    <div class="head">
      <h2>Prep line</h2>
      <ElButton v-if="!bench.running" class="main" type="primary" :disabled="!me.may.draw" data-test="prepare" @click="unkept.prepare()">{{ bench.preparation ? $t('Prepare again') : $t('Prepare') }}</ElButton>
      <ElButton v-else class="main" :disabled="!me.may.draw" data-test="stop" @click="bench.stop()">Stop</ElButton>
      <template v-if="bench.running">
        <ElProgress class="progress" :percentage="share" :show-text="false" :stroke-width="7" />
        <span class="doing" role="status">{{ bench.work?.doing || (bench.work?.state === 'running' ? $t('At work') : $t('Waiting for its turn')) }}{{ left }}…</span>
      </template>
      <span v-else-if="bench.preparation?.status === 'stopped'" class="quiet" role="status">Stopped; the source art is untouched.</span>
      <span v-else-if="bench.prepared && bench.preparation?.stale" class="stale">Out of date: prepare again</span>
      <span v-else-if="bench.verdict" :class="['verdict', { ready: bench.verdict.ready }]" data-test="verdict" :title="bench.verdict.open.join(' ')"><strong v-if="!bench.verdict.empty">{{ bench.verdict.ready ? $t('Ready.') : $t('Not ready.') }}</strong> {{ bench.verdict.sentence }}.<span v-for="reason in bench.verdict.empty ? [] : bench.verdict.open" :key="reason" class="quiet">{{ ` ${reason}` }}</span></span>
      <span class="push" />
      <WhoMay v-if="!folded" of="draw">
        <Choose class="pick" :value="null" :options="choices.all.steps.map((one) => ({ value: one.kind, label: one.label, title: one.says }))" placeholder="Insert a step…" says="Insert a step" data-test="insert-step" :disabled="bench.busy" @keep="add" />
        <Choose class="pick" :value="null" :options="[...line.presets.map((one) => ({ value: one.name, label: one.called })), { value: '+', label: $t('Save this line as a preset…') }]" :placeholder="came" says="Presets" data-test="preset" :disabled="bench.busy" @keep="preset" />
      </WhoMay>
      <ElButton v-if="bench.prepared" :class="{ lit: bench.view.kind === 'wipe' }" title="Wipe (W)" data-test="show-wipe" @click="bench.show({ kind: 'wipe' })">Wipe before | after</ElButton>
      <ElButton text class="fold" :aria-expanded="!folded" @click="folded = !folded">{{ folded ? $t('Unfold') : $t('Fold away') }}</ElButton>
    </div>
    <ol v-if="!folded">
      <li v-if="bench.job && bench.hasFile" :class="['came', { shown: bench.view.kind === 'file' }]">
        <button type="button" class="picture" title="Show the file as it came in (O)" data-test="show-file" @click="bench.show({ kind: 'file' })">
          <img :src="`/api/v1/jobs/${bench.job.id}/source.svg`" alt="The file as it came in">
        </button>
        <div class="text"><strong>What came in</strong><span class="quiet file" :title="bench.job.sourceName">{{ bench.job.sourceName }}</span></div>
      </li>
      <li :class="['came', { shown: bench.view.kind === 'source' }]">
        <button type="button" class="picture" title="Show what lies on the bench (S)" data-test="show-source" @click="bench.show({ kind: 'source' })">
          <img v-if="bench.job" :src="`/api/v1/jobs/${bench.job.id}/picture.svg?v=${bench.job.version}`" alt="What lies on the bench">
        </button>
        <div class="text"><strong>On the bench</strong><span class="quiet numbers">{{ count(bench.art?.pieces.length ?? 0, 'piece') }}</span></div>
      </li>
      <li
        v-for="(step, at) in line.steps" :key="step.id" :draggable="me.may.draw" tabindex="0" :aria-label="$t('Step {at}, {label}{on, select, yes {} other {, off} }: Enter opens it, space switches it, Alt and an arrow moves it, Delete takes it out', { at: at + 1, label: step.label, on: step.on ? 'yes' : 'no' })"
        :class="{ shown: isShown(step.id), open: line.opened?.id === step.id, off: !step.on, wrong: step.says, target: over === at && dragged !== null }" :data-step="step.kind" :data-step-id="step.id"
        @keydown="keys($event, step, at)" @dragstart="dragged = step.id" @dragend="(dragged = null), (over = null)" @dragover.prevent="over = at" @drop.prevent="drop(at)"
      >
        <button type="button" class="picture" tabindex="-1" :title="$t('Open: {step}', { step: step.label })" @click="unkept.pass(() => line.open(step.id))">
          <img v-if="line.indexOf(step.id) >= 0" draggable="false" :src="`/api/v1/preparations/${bench.preparation?.id}/stages/${line.indexOf(step.id)}/small.webp`" :alt="$t('After: {step}', { step: step.label })">
          <span v-else class="blank">{{ step.on ? (bench.running && bench.work?.doing === step.label ? $t('at work') : $t('not yet')) : $t('off') }}</span>
        </button>
        <ElSwitch class="switch" size="small" :model-value="step.on" :disabled="bench.running || bench.busy || !me.may.draw" :aria-label="$t('{label} on or off', { label: step.label })" @update:model-value="line.turn(step.id, $event === true)" />
        <div class="text">
          <strong>{{ step.label }}</strong>
          <span v-if="step.says" class="says" :title="step.says">in an odd place</span>
          <template v-if="line.reportOf(step.id)">
            <span class="numbers">pieces {{ line.reportOf(step.id)!.pieces.before }}→{{ line.reportOf(step.id)!.pieces.after }}</span>
            <span class="numbers">nodes {{ line.reportOf(step.id)!.nodes.before }}→{{ line.reportOf(step.id)!.nodes.after }}</span>
            <span v-if="line.foundOf(step.id)" class="numbers" data-test="found">findings {{ line.foundOf(step.id)!.before.findings }}→{{ line.foundOf(step.id)!.after.findings }}</span>
            <span v-if="line.reportOf(step.id)!.done || line.reportOf(step.id)!.left?.length" class="numbers">{{ line.reportOf(step.id)!.done ?? 0 }} {{ step.kind === 'touch-up' ? $t('by hand') : $t('cured') }}<template v-if="line.reportOf(step.id)!.left?.length">, {{ line.reportOf(step.id)!.left!.length }} left</template></span>
            <span v-else-if="line.lookOf(step.id)" class="numbers quiet">{{ percent(line.lookOf(step.id)!.percent) }} off</span>
            <span v-else-if="line.reportOf(step.id)!.slivers > 0 && !line.foundOf(step.id)" class="numbers quiet">{{ count(line.reportOf(step.id)!.slivers, 'sliver') }} given away</span>
          </template>
        </div>
      </li>
      <li v-if="dragged !== null" class="end" :class="{ target: over === line.steps.length }" @dragover.prevent="over = line.steps.length" @drop.prevent="drop(line.steps.length)">to the end</li>
    </ol>
  </section>
</template>

<style scoped>
.line { border-top: 1px solid var(--line); background: var(--paper); padding: 7px 14px 9px; }
.head { display: flex; align-items: center; gap: 10px; min-height: 34px; }
.head h2 { font-size: 19px; white-space: nowrap; }
.progress { width: 150px; }
.push { flex: 1; }
.main { width: 128px; }
.fold { width: 96px; }
.pick { width: 138px; flex: none; }
.verdict, .doing { min-width: 0; overflow: hidden; text-overflow: ellipsis; white-space: nowrap; }
.verdict strong { color: var(--coral-deep); font-weight: 600; }
.verdict.ready strong { color: var(--green); }
.stale { color: var(--coral-deep); font-weight: 500; }
.lit { border-color: var(--green); color: var(--green); }
ol { display: flex; gap: 7px; list-style: none; margin: 7px 0 0; padding: 0 0 2px; overflow-x: auto; }
li { flex: 1 0 192px; max-width: 230px; display: grid; grid-template: 62px 20px / 58px minmax(0, 1fr); gap: 3px 7px; padding: 6px; border: 1px solid var(--line); border-radius: 4px; background: var(--card); min-width: 0; position: relative; cursor: grab; }
li.shown { border-color: var(--green); box-shadow: inset 0 0 0 1px var(--green); }
li.open { background: var(--green-pale); }
li.wrong { border-color: var(--coral); }
li.target { box-shadow: -4px 0 0 var(--green); }
li.came { flex: 0 0 122px; grid-template-columns: 42px minmax(0, 1fr); cursor: default; }
li.off:not(:has(img)) { flex: 0 0 138px; grid-template-columns: 36px minmax(0, 1fr); }
li.off { border-style: dashed; background: none; color: var(--ink-mid); }
li.off img { opacity: .6; }
li.end { flex: 0 0 70px; display: flex; align-items: center; color: var(--ink-soft); font-size: 14px; border-style: dashed; }
.picture { padding: 0; border: 0; background: var(--tracing); cursor: pointer; height: 62px; border-radius: 3px; overflow: hidden; }
.picture img { width: 100%; height: 100%; object-fit: contain; padding: 3px; }
.blank { color: var(--ink-soft); font-size: 15px; }
.came .picture { grid-row: 1 / 3; height: 85px; }
.text { grid-column: 2; grid-row: 1 / 3; display: flex; flex-direction: column; font-size: 13.5px; line-height: 1.25; min-width: 0; }
.text strong { font-size: 15px; line-height: 1.15; }
.text span { white-space: nowrap; overflow: hidden; text-overflow: ellipsis; }
.says { color: var(--coral-deep); }
.switch { grid-column: 1; justify-self: center; height: 20px; }
@media (max-width: 820px) {
  .line { min-width: 0; }
  .head { flex-wrap: wrap; }
  .verdict, .doing { white-space: normal; flex: 1 1 100%; order: 9; }
}
</style>
