<script setup lang="ts">
import type { FieldValue } from '@/api/types'
import ColourWell from '@/fields/ColourWell.vue'
import Choose from '@/fields/Choose.vue'
import FieldForm from '@/fields/FieldForm.vue'
import Tick from '@/fields/Tick.vue'
import TypedValue from '@/fields/TypedValue.vue'
import TypedWords from '@/fields/TypedWords.vue'
import { useBench } from '@/stores/bench'
import { useChoices } from '@/stores/choices'
import { useTracing } from '@/stores/tracing'
import { number, t } from '@/words/words'
import { useLocalStorage } from '@vueuse/core'
import { computed, nextTick, onMounted, ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import Section from './Section.vue'

/** The reference picture as few, true curves: its colours, what was meant in it, and how close the curves keep to its dots. */
const bench = useBench()
const choices = useChoices()
const tracing = useTracing()
const usual = computed(() => ({ ...Object.fromEntries(choices.all.trace.map((field) => [field.name, field.usual])), ...tracing.values }))
/** What is not asked for by a list of its own. */
const plain = (field: { name: string }) => !['off', 'part'].includes(field.name)
const meant = computed(() => Object.entries(tracing.known).map(([key, label]) => {
  const found = tracing.outcome?.meant.find((one) => one.key === key)
  return { key, label: found?.label ?? label, on: !tracing.off.includes(key), moves: found ? number(found.moves, 3, 0) : null }
  // What was found in the coarse picture only is not there.
}).filter((one) => one.moves !== null || !one.on))
const count = (colour: string) => t('{pieces, plural, one {# piece} other {# pieces}}', { pieces: tracing.outcome?.colours.find((one) => one.colour === colour)?.pieces ?? 0 })
const says = computed(() => (tracing.outcome ? t('{pieces, plural, one {# piece} other {# pieces}}, {nodes} nodes', { pieces: tracing.outcome.pieces, nodes: tracing.outcome.nodes }) : ''))
const differing = computed(() => t('{n, plural, one {Show one place that differs} other {Show # places that differ}}', { n: tracing.outcome?.differs?.length ?? 0 }))
const picked = ref('#1d5c46')
/** The colour whose name and company are shown. */
const opened = ref<string | null>(null)
const route = useRoute()
const router = useRouter()
const whole = ref<HTMLElement | null>(null)
/** A job that began with a picture to be traced: it is, at once, and where one sees it. */
onMounted(async () => {
  if (route.query.trace !== '1') return
  useLocalStorage('neat-edge-open-trace', true, { serializer: { read: (kept) => kept === '1', write: (is) => (is ? '1' : '0') } }).value = true
  await router.replace({ query: {} })
  tracing.begin()
  await nextTick()
  whole.value?.scrollIntoView({ block: 'start' })
})
const sides = [t('Left'), t('Top'), t('Width'), t('Height')]
/** The box that is kept; until there is one, the whole picture. */
const boxed = computed((): [number, number, number, number] => {
  const under = bench.art?.reference
  return tracing.box ?? [under?.x ?? 0, under?.y ?? 0, under?.width ?? 0, under?.height ?? 0]
})
function boxTo(index: number, mm: number) {
  const next = [...boxed.value] as [number, number, number, number]
  next[index] = mm
  tracing.box = next
}
const set = (name: string, value: FieldValue) => tracing.set(name, value)
/** Of a picture of which a part is asked for, that of the chosen piece, as it lies in the picture. */
function part() {
  const box = bench.detail?.frame
  const under = bench.art?.reference
  if (!box || !under) return
  tracing.set('part', [box.left - under.x, box.top - under.y, box.width, box.height].map((mm) => `${Math.max(0, mm).toFixed(3)}mm`).join(' '))
}
</script>

<template>
  <div ref="whole">
  <Section title="Trace" name="trace" :says="tracing.on ? says : ''">
    <template v-if="!tracing.on">
      <p class="says">Turns the reference picture into few, true curves: straight where straight was meant, round where round.</p>
      <div class="row"><button type="button" class="quiet-button" data-test="trace" @click="tracing.begin()">Trace this picture</button></div>
    </template>
    <template v-else>
      <p v-if="tracing.busy" class="says" role="status" data-test="trace-busy">
        {{ tracing.outcome ? $t('Tracing it finer…') : $t('Tracing…') }} {{ tracing.work?.doing ?? '' }}
      </p>
      <p v-if="tracing.problem" class="wrong" role="alert">{{ tracing.problem }}</p>
      <p v-for="one in tracing.outcome?.says" :key="one" class="says">{{ one }}</p>
      <div class="row">
        <button type="button" class="quiet-button main" data-test="keep-trace" :disabled="!tracing.outcome || tracing.busy || tracing.outcome.pieces === 0" @click="tracing.keep()">Lay the curves on the bench</button>
        <button type="button" class="quiet-button" data-test="leave-trace" @click="tracing.put()">Leave it</button>
      </div>
      <div class="row">
        <button type="button" class="quiet-button" :aria-pressed="tracing.hand === 'box'" data-test="trace-box" :title="$t('Then drag over what is to be kept')" @click="tracing.hand = tracing.hand === 'box' ? null : 'box'">Lay only what lies in a box</button>
        <button v-if="tracing.box" type="button" class="quiet-button" data-test="trace-all" @click="tracing.box = null">All of it</button>
      </div>
      <p v-if="tracing.hand === 'box'" class="says" role="status">Drag over what is to be kept, or type it.</p>
      <div v-if="tracing.hand === 'box' || tracing.box" class="box-fields">
        <TypedValue v-for="(side, index) in sides" :key="index" :label="side" :name="`box-${index}`" :value="boxed[index]!" local brief :least="index < 2 ? undefined : 0.01" @measured="boxTo(index, $event)" />
      </div>
      <div v-if="tracing.outcome && !tracing.busy" class="differences">
        <template v-if="tracing.outcome.differs === null"><p class="says">Whether curves and picture differ was not looked at.</p></template>
        <p v-else-if="tracing.outcome.differs.length === 0" class="says">Nowhere do the curves leave the picture by more than its noise.</p>
        <Tick v-else :value="tracing.showsDifferences" data-field="differs" @keep="tracing.showsDifferences = $event">{{ differing }}</Tick>
      </div>
      <ul v-if="tracing.choices.length > 0" class="inks" aria-label="Colours of the picture">
        <li v-for="(one, index) in tracing.choices" :key="one.colour" :data-ink="one.colour">
          <Tick :value="!one.drop" :data-field="`ink-${index}`" @keep="tracing.choose(index, { drop: !$event })"><i class="ink" :style="{ background: one.colour }" /> {{ one.colour }}</Tick>
          <button type="button" class="more" :aria-expanded="opened === one.colour" :title="$t('Name it, or make it one with another')" :aria-label="$t('More of {colour}', { colour: one.colour })" :data-test="`ink-more-${index}`" @click="opened = opened === one.colour ? null : one.colour">{{ one.name || (one.into ? $t('as {colour}', { colour: one.into }) : $t('more')) }}</button>
          <span class="count">{{ one.drop ? $t('left out') : one.into ? '' : count(one.colour) }}</span>
          <div v-if="opened === one.colour" class="more-of">
            <TypedWords :value="one.name" :placeholder="$t('Material or ink')" :aria-label="$t('Name of {colour}', { colour: one.colour })" @keep="tracing.choose(index, { name: String($event) })" />
            <Choose v-if="tracing.choices.length > 2" :label="$t('Is')" :says="$t('{colour} is one with', { colour: one.colour })" :value="one.into ?? ''" :options="[{ value: '', label: $t('by itself') }, ...tracing.choices.filter((other) => other !== one && !other.into).map((other) => ({ value: other.colour, label: $t('as {colour}', { colour: other.colour }) }))]" @keep="tracing.choose(index, { into: $event === '' ? null : $event })" />
          </div>
        </li>
      </ul>
      <div class="row">
        <ColourWell :value="picked" :says="$t('A colour to add')" @keep="picked = $event" />
        <button type="button" class="quiet-button" @click="tracing.add(picked)">Add this colour</button>
        <button type="button" class="quiet-button" :aria-pressed="tracing.hand === 'colour'" data-test="trace-pick" :title="$t('Then press on the picture')" @click="tracing.hand = tracing.hand === 'colour' ? null : 'colour'">Pick one from the picture</button>
        <button type="button" class="quiet-button" data-test="trace-propose" @click="tracing.propose()">Propose anew</button>
      </div>
      <p v-if="tracing.unpicked" class="wrong" role="alert">{{ tracing.unpicked }}</p>
      <ul v-if="meant.length > 0" class="meant" aria-label="What was meant">
        <li v-for="one in meant" :key="one.key" @mouseenter="tracing.pointed = one.key" @mouseleave="tracing.pointed = null" @focusin="tracing.pointed = one.key" @focusout="tracing.pointed = null">
          <Tick :value="one.on" :data-field="`meant-${one.key}`" @keep="tracing.mean(one.key, $event)">{{ one.label }}</Tick>
          <span class="count">{{ one.on && one.moves !== null ? $t('moved by {mm} mm at most', { mm: one.moves }) : $t('as the dots have it') }}</span>
        </li>
      </ul>
      <FieldForm :fields="choices.all.trace" :values="usual" :only="plain" @keep="set" />
      <div class="row">
        <button type="button" class="quiet-button" :disabled="bench.chosen.size === 0" :title="$t('Choose a piece that lies over that part first')" data-test="trace-part" @click="part">Only what the chosen piece covers</button>
        <button v-if="tracing.values.part" type="button" class="quiet-button" @click="tracing.set('part', '')">The whole picture</button>
      </div>
    </template>
  </Section>
  </div>
</template>

<style scoped>
.row { display: flex; gap: 6px; flex-wrap: wrap; align-items: center; }
.says { font-size: 15px; line-height: 1.25; color: var(--ink-mid); margin: 0; }
.wrong { font-size: 15px; line-height: 1.25; margin: 0; color: var(--coral); }
.inks, .meant { list-style: none; margin: 0; padding: 0; display: flex; flex-direction: column; gap: 3px; }
.inks li { display: grid; grid-template-columns: 104px 1fr 66px; gap: 3px 4px; white-space: nowrap; align-items: center; font-size: 15px; }
.inks .count { text-align: right; }
.more { border: 0; background: none; font: inherit; font-size: 14px; color: var(--green); padding: 3px 4px; min-height: 24px; cursor: pointer; text-decoration: underline; text-underline-offset: 2px; max-width: 92px; overflow: hidden; text-overflow: ellipsis; white-space: nowrap; }
.more-of { grid-column: 1 / -1; display: flex; flex-direction: column; gap: 5px; padding: 0 0 4px 22px; }
.meant li { display: flex; flex-direction: column; font-size: 15px; }
/* What is said of one may take two lines. */
.meant :deep(.el-checkbox), .differences :deep(.el-checkbox) { height: auto; min-height: 24px; }
.meant :deep(.el-checkbox__label), .differences :deep(.el-checkbox__label) { white-space: normal; line-height: 1.2; }
.ink { display: inline-block; width: 15px; height: 15px; border-radius: 3px; border: 1px solid var(--line-strong); vertical-align: -3px; }
.box-fields { display: grid; grid-template-columns: 1fr 1fr; gap: 4px 8px; }
.count { font-size: 14px; color: var(--ink-mid); }
.meant .count { padding-left: 22px; }
</style>
