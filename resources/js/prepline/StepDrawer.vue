<script setup lang="ts">
import { number } from '@/words/words'
import Tick from '@/fields/Tick.vue'
import WhoMay from '@/fields/WhoMay.vue'
import { api, words } from '@/api/client'
import FieldForm from '@/fields/FieldForm.vue'
import Drawer from '@/stages/Drawer.vue'
import { useBench } from '@/stores/bench'
import { useLine } from '@/stores/line'
import { count, percent } from '@/units'
import { ElButton } from 'element-plus'
import { computed, ref, watch } from 'vue'

const bench = useBench()
const line = useLine()
const report = computed(() => line.tried ?? (line.opened ? line.reportOf(line.opened.id) : undefined))
const at = computed(() => line.steps.findIndex((step) => step.id === line.opened?.id))
interface Kept { edit: { kind: string }; on: boolean }
const edits = computed(() => ((line.opened?.values.edits as unknown as Kept[] | undefined) ?? []))
const names = computed(() => Object.fromEntries(Object.entries(catalogue.value).map(([kind, one]) => [kind, one.label])))
const catalogue = ref<Record<string, { label: string }>>({})
const emit = defineEmits<{ work: [] }>()
watch(() => line.opened?.kind === 'touch-up', async (is) => {
  if (is && Object.keys(catalogue.value).length === 0) catalogue.value = await api.get<Record<string, { label: string }>>('catalogue').catch(() => ({}))
}, { immediate: true })
const turn = (at: number, on: boolean) => bench.edit({ kind: 'line-set', step: line.opened!.id, values: { edits: edits.value.map((one, i) => (i === at ? { ...one, on } : one)) } })
async function work() {
  const id = line.opened!.id
  // Said while it is still there: with the step it goes.
  emit('work')
  line.close()
  await bench.touch(id)
}
const dirty = computed(() => Object.keys(line.typed).length > 0)

/** Places where the step changed the look, to step through. */
const places = ref<{ x: number; y: number; width: number; height: number; area: number }[] | null>(null)
const place = ref(-1)
watch(() => `${bench.preparation?.id} ${line.opened?.id}`, () => {
  places.value = null
  place.value = -1
  bench.spot = null
})
async function seek(by: number) {
  const index = line.opened ? line.indexOf(line.opened.id) : -1
  if (index < 0) return
  try {
    places.value ??= await api.get(`preparations/${bench.preparation!.id}/stages/${index}/changes`)
  } catch (refused) {
    bench.problem = words(refused)
  }
  const all = places.value ?? []
  if (all.length === 0) return
  place.value = (place.value + by + all.length) % all.length
  bench.spot = all[place.value]!
}
function look(x: number, y: number) {
  bench.spot = { x: x - 4, y: y - 4, width: 8, height: 8 }
}
</script>

<template>
  <Drawer v-if="line.opened && line.about" :title="line.opened.label" :hint="line.about.says" :guide="['reference', `step-${line.opened.kind}`]">
    <p v-if="line.opened.says" class="warn" role="note" data-test="order">{{ line.opened.says }}</p>
    <WhoMay of="draw">
    <FieldForm v-if="line.fields.length > 0" :fields="line.fields" :values="line.values" @keep="line.type" />
    <template v-else-if="line.opened.kind === 'touch-up'">
      <ol v-if="edits.length > 0" class="edits"><li v-for="(one, i) in edits" :key="i"><Tick :value="one.on" @keep="turn(i, $event)">{{ names[one.edit.kind] ?? one.edit.kind }}</Tick></li></ol>
      <p v-else class="quiet">Nothing has been done by hand yet.</p>
      <ElButton type="primary" data-test="touch" @click="work">Work on the result</ElButton>
    </template>
    <p v-else class="quiet">It has nothing to set.</p>
    <div v-if="dirty" class="row">
      <ElButton type="primary" data-test="keep-values" @click="line.keep()">Keep these values</ElButton>
      <ElButton data-test="leave-values" @click="line.leave()">As they were</ElButton>
    </div>
    </WhoMay>
    <p v-if="line.why" class="warn" role="alert" data-test="step-why">{{ line.why }}</p>
    <p v-if="line.trying" class="quiet" role="status">Working it out…</p>
    <dl v-if="report" class="numbers" data-test="step-report">
      <dt>Pieces</dt><dd>{{ report.pieces.before }} → {{ report.pieces.after }}</dd>
      <dt>Nodes</dt><dd>{{ report.nodes.before }} → {{ report.nodes.after }}</dd>
      <template v-if="report.slivers > 0"><dt>Slivers</dt><dd>{{ report.slivers }} given to neighbours</dd></template>
      <template v-if="report.done || report.left?.length"><dt>{{ line.opened.kind === 'touch-up' ? $t('By hand') : $t('Cured') }}</dt><dd>{{ report.done ?? 0 }}<template v-if="report.left?.length">, {{ report.left.length }} left</template></dd></template>
      <template v-if="!line.tried && line.lookOf(line.opened.id)"><dt>Look</dt><dd>{{ percent(line.lookOf(line.opened.id)!.percent) }} off</dd></template>
    </dl>
    <p v-else class="quiet">{{ line.opened.on ? $t('What it does is seen when the art has been prepared.') : $t('It is switched off.') }}</p>
    <div v-if="report && !line.tried" class="row">
      <ElButton size="small" data-test="measure-look" @click="line.measure(line.opened.id)">Measure the look</ElButton>
      <ElButton size="small" data-test="seek" @click="seek(1)">{{ places === null ? $t('Show what looks otherwise') : places.length === 0 ? $t('Nothing looks otherwise') : $t('Place {place} of {places}', { place: place + 1, places: count(places.length, 'place') }) }}</ElButton>
    </div>
    <details v-if="line.left.length > 0" open>
      <summary>What was left, and why</summary>
      <ul>
        <li v-for="(deed, i) in line.left.slice(0, 60)" :key="i"><button type="button" @click="deed.at && look(...deed.at)"><strong v-if="deed.measured !== null" class="numbers">{{ number(deed.measured, 2, 2) }} mm</strong> {{ deed.how }}</button></li>
      </ul>
    </details>
    <WhoMay of="draw">
<div class="row foot">
      <ElButton size="small" :disabled="at <= 0" data-test="earlier-step" title="Alt and the left arrow on its card do the same" @click="line.move(line.opened.id, at - 1)">Earlier</ElButton>
      <ElButton size="small" :disabled="at >= line.steps.length - 1" data-test="later-step" @click="line.move(line.opened.id, at + 1)">Later</ElButton>
      <ElButton size="small" data-test="copy-step" @click="line.copy(line.opened.id)">Copy</ElButton>
      <ElButton size="small" data-test="remove-step" @click="line.remove(line.opened.id)">Remove from the line</ElButton>
    </div>
</WhoMay>
    <ElButton data-test="close-step" @click="line.close()">Back to the stage</ElButton>
  </Drawer>
</template>

<style scoped>
.row { display: flex; flex-wrap: wrap; gap: 6px; }
.row .el-button { margin: 0; }
.warn { background: var(--coral-pale); padding: 6px 10px; border-radius: 3px; font-size: 15px; line-height: 1.3; }
.edits { margin: 0; padding-left: 20px; font-size: 15px; }
dl { display: grid; grid-template-columns: auto 1fr; gap: 2px 12px; margin: 0; font-size: 15.5px; }
dt { color: var(--ink-mid); }
dd { margin: 0; }
summary { cursor: pointer; font-weight: 500; }
ul { list-style: none; margin: 4px 0 0; padding: 0; }
li button { border: 0; background: none; text-align: left; font: inherit; font-size: 14.5px; line-height: 1.25; padding: 3px 0; cursor: pointer; color: var(--ink); }
li button:hover { color: var(--green); }
</style>
