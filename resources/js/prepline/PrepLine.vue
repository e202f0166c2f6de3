<script setup lang="ts">
import { api, words } from '@/api/client'
import type { LookDifference } from '@/api/types'
import { useBench } from '@/stores/bench'
import { useChoices } from '@/stores/choices'
import { count, percent } from '@/units'
import { ElButton, ElProgress, ElSwitch } from 'element-plus'
import { computed, onMounted, ref, watch } from 'vue'

const bench = useBench()
const props = defineProps<{ quiet?: boolean }>()
/** While something is drawn the bench has the room, unless the line is unfolded there too. */
const choice = ref<{ quiet: boolean; folded: boolean } | null>(null)
const folded = computed({
  get: () => (choice.value && choice.value.quiet === !!props.quiet ? choice.value.folded : !!props.quiet),
  set: (next) => (choice.value = { quiet: !!props.quiet, folded: next }),
})
const choices = useChoices()
const steps = computed(() => choices.all.steps)
const on = ref(new Set<string>())
// The usual steps are on until a preparation says otherwise.
watch(
  () => `${bench.preparation?.id} ${steps.value.length}`,
  () => {
    on.value = new Set(bench.preparation?.steps ?? steps.value.filter((step) => step.usual).map((step) => step.key))
  },
  { immediate: true },
)
onMounted(() => choices.load().catch((refused) => (bench.problem = words(refused))))

const share = computed(() => Math.round(100 * (bench.preparation?.share ?? 0)))
const left = computed(() => (bench.preparation?.left ? `, about ${bench.preparation.left < 90 ? `${bench.preparation.left} s` : `${Math.round(bench.preparation.left / 60)} min`} left` : ''))
/** What a step did to the look is measured when its picture is opened. */
const looks = ref<Record<string, LookDifference>>({})
async function open(key: string) {
  const index = indexOf(key)
  const id = bench.preparation?.id
  await bench.show({ kind: 'step', index })
  if (id === undefined || looks.value[`${id}/${index}`]) return
  try {
    const look = await api.get<LookDifference>(`preparations/${id}/stages/${index}/look`)
    looks.value = { ...looks.value, [`${id}/${index}`]: look }
  } catch (refused) {
    bench.problem = words(refused)
  }
}
const lookOf = (key: string) => looks.value[`${bench.preparation?.id}/${indexOf(key)}`]
const reports = computed(() => (bench.prepared ? (bench.result?.steps ?? []) : []))

function indexOf(key: string) {
  return reports.value.findIndex((report) => report.step === key)
}
function isShown(key: string) {
  const index = indexOf(key)
  return bench.view.kind === 'step' && bench.view.index === index && index >= 0
}
async function turn(key: string, value: boolean) {
  const next = new Set(on.value)
  if (value) next.add(key)
  else next.delete(key)
  if (next.size === 0) return
  on.value = next
  if (bench.preparation) await run()
}
/** What see-through colours are laid on where nothing lies under them; empty for what they are. */
const ground = ref('')
watch(() => bench.preparation?.id, () => (ground.value = bench.preparation?.ground ?? ''), { immediate: true })
const run = () => bench.prepare(steps.value.map((step) => step.key).filter((key) => on.value.has(key)), ground.value || null)
async function lay(colour: string) {
  ground.value = colour
  if (bench.preparation && on.value.has('solid-colours')) await run()
}
</script>

<template>
  <section :class="['line', { folded }]" aria-label="Prep line">
    <div class="head">
      <h2>Prep line</h2>
      <ElButton v-if="!bench.running" class="main" type="primary" data-test="prepare" @click="run">{{ bench.preparation ? 'Prepare again' : 'Prepare' }}</ElButton>
      <ElButton v-else class="main" data-test="stop" @click="bench.stop()">Stop</ElButton>
      <template v-if="bench.running">
        <ElProgress class="progress" :percentage="share" :show-text="false" :stroke-width="7" />
        <span class="doing" role="status">{{ bench.preparation?.doing || 'Waiting for its turn' }}{{ left }}…</span>
      </template>
      <span v-else-if="bench.preparation?.status === 'stopped'" class="quiet" role="status">Stopped; the source art is untouched.</span>
      <span v-else-if="bench.prepared && bench.preparation?.stale" class="stale">Made of an earlier state of the job</span>
      <span v-else-if="bench.verdict" :class="['verdict', { ready: bench.verdict.ready }]" data-test="verdict" :title="bench.verdict.open.join(' ')"><strong>{{ bench.verdict.ready ? 'Ready.' : 'Not ready.' }}</strong> {{ bench.verdict.sentence }}.<span v-for="reason in bench.verdict.open" :key="reason" class="quiet">{{ ` ${reason}` }}</span></span>
      <span class="push" />
      <ElButton v-if="bench.prepared" :class="{ lit: bench.view.kind === 'wipe' }" title="Wipe (W)" data-test="show-wipe" @click="bench.show({ kind: 'wipe' })">Wipe before | after</ElButton>
      <ElButton text class="fold" :aria-expanded="!folded" @click="folded = !folded">{{ folded ? 'Unfold' : 'Fold away' }}</ElButton>
    </div>
    <ol v-if="!folded">
      <li v-if="bench.job && bench.hasFile" :class="['came', { shown: bench.view.kind === 'file' }]">
        <button type="button" class="picture" title="Show the file as it came in (O)" data-test="show-file" @click="bench.show({ kind: 'file' })">
          <img :src="`/api/jobs/${bench.job.id}/source.svg`" alt="The file as it came in">
        </button>
        <div class="text"><strong>What came in</strong><span class="quiet file" :title="bench.job.sourceName">{{ bench.job.sourceName }}</span></div>
      </li>
      <li :class="['came', { shown: bench.view.kind === 'source' }]">
        <button type="button" class="picture" title="Show what lies on the bench (S)" data-test="show-source" @click="bench.show({ kind: 'source' })">
          <img v-if="bench.job" :src="`/api/jobs/${bench.job.id}/picture.svg?v=${bench.job.version}`" alt="What lies on the bench">
        </button>
        <div class="text"><strong>On the bench</strong><span class="quiet numbers">{{ count(bench.art?.pieces.length ?? 0, 'piece') }}</span></div>
      </li>
      <li v-for="step in steps" :key="step.key" :class="{ shown: isShown(step.key), off: !on.has(step.key) }" :data-step="step.key">
        <button type="button" class="picture" :disabled="indexOf(step.key) < 0" :title="`Show the art after: ${step.label}`" @click="open(step.key)">
          <img v-if="indexOf(step.key) >= 0" :src="`/api/preparations/${bench.preparation?.id}/stages/${indexOf(step.key)}/picture.svg`" :alt="`After: ${step.label}`">
          <span v-else class="blank">{{ on.has(step.key) ? (bench.running && bench.preparation?.doing === step.label ? 'at work' : 'not yet') : 'off' }}</span>
        </button>
        <ElSwitch class="switch" size="small" :model-value="on.has(step.key)" :disabled="bench.running" :aria-label="`${step.label} on or off`" @update:model-value="turn(step.key, $event === true)" />
        <div class="text">
          <strong>{{ step.label }}</strong>
          <template v-if="indexOf(step.key) >= 0">
            <span class="numbers">pieces {{ reports[indexOf(step.key)]!.pieces.before }}→{{ reports[indexOf(step.key)]!.pieces.after }}</span>
            <span class="numbers">nodes {{ reports[indexOf(step.key)]!.nodes.before }}→{{ reports[indexOf(step.key)]!.nodes.after }}</span>
            <span class="numbers quiet">{{ lookOf(step.key) ? `${percent(lookOf(step.key)!.percent)} off` : isShown(step.key) ? 'measuring the look…' : '' }}</span>
            <span v-if="reports[indexOf(step.key)]!.slivers > 0" class="numbers quiet">{{ count(reports[indexOf(step.key)]!.slivers, 'sliver') }} given away</span>
          </template>
          <label v-if="step.key === 'solid-colours'" class="ground" title="What see-through colours are laid on where nothing lies under them">
            <input type="checkbox" :checked="ground !== ''" :disabled="bench.running" data-test="on-ground" @change="lay(($event.target as HTMLInputElement).checked ? '#ffffff' : '')"> ground
            <input v-if="ground !== ''" type="color" :value="ground" :disabled="bench.running" aria-label="Colour of the ground" @change="lay(($event.target as HTMLInputElement).value)">
          </label>
        </div>
      </li>
    </ol>
  </section>
</template>

<style scoped>
.line { border-top: 1px solid var(--line); background: var(--paper); padding: 7px 14px 9px; }
.head { display: flex; align-items: center; gap: 12px; min-height: 34px; }
.head h2 { font-size: 19px; }
.progress { width: 180px; }
.push { flex: 1; }
.main { width: 128px; }
.fold { width: 96px; }
.verdict { min-width: 0; overflow: hidden; text-overflow: ellipsis; white-space: nowrap; }
.verdict strong { color: var(--coral-deep); font-weight: 600; }
.verdict.ready strong { color: var(--green); }
.ground { display: flex; align-items: center; gap: 4px; font-size: 14px; white-space: nowrap; }
.ground input[type='color'] { width: 26px; height: 18px; padding: 0; border: 1px solid var(--line-strong); }
.stale { color: var(--coral-deep); font-weight: 500; }
.lit { border-color: var(--green); color: var(--green); }
ol { display: flex; gap: 7px; list-style: none; margin: 7px 0 0; padding: 0 0 2px; overflow-x: auto; }
li { flex: 1 0 150px; display: grid; grid-template: 62px 20px / 42px minmax(0, 1fr); gap: 3px 7px; padding: 6px; border: 1px solid var(--line); border-radius: 4px; background: #fffcf4; min-width: 0; position: relative; }
li.shown { border-color: var(--green); box-shadow: inset 0 0 0 1px var(--green); }
li.came { flex: 0 0 130px; }
li.off:not(:has(img)) { flex: 0 0 128px; }
li.off { opacity: .6; }
.picture { padding: 0; border: 0; background: var(--tracing); cursor: pointer; height: 62px; border-radius: 3px; overflow: hidden; }
.picture:disabled { cursor: default; }
.picture img { width: 100%; height: 100%; object-fit: contain; padding: 3px; }
.blank { color: var(--ink-soft); font-size: 15px; }
.came .picture { grid-row: 1 / 3; height: 85px; }
.text { grid-column: 2; grid-row: 1 / 3; display: flex; flex-direction: column; font-size: 13.5px; line-height: 1.25; min-width: 0; }
.text strong { font-size: 15px; }
.text span { white-space: nowrap; overflow: hidden; text-overflow: ellipsis; }
.switch { grid-column: 1; justify-self: center; height: 20px; }
</style>
