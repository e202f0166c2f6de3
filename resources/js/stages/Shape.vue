<script setup lang="ts">
import { t } from '@/words/words'
import type { Field, FieldValue } from '@/api/types'
import NetSection from './shape/NetSection.vue'
import { unpulled } from './shape/net'
import FieldForm from '@/fields/FieldForm.vue'
import { useKeys } from '@/keys/useKeys'
import { useBench } from '@/stores/bench'
import { useShaping } from '@/stores/shaping'
import { count } from '@/units'
import { ElButton } from 'element-plus'
import { computed, nextTick, onMounted, onUnmounted, watch } from 'vue'
import Swatches from './draw/Swatches.vue'
import GuideLink from '@/guide/GuideLink.vue'
import Drawer from './Drawer.vue'
import { pictures } from './shape/pictures'

const bench = useBench()
const keys = useKeys()
const shaping = useShaping()
onMounted(() => shaping.load())
onUnmounted(() => shaping.put())
/** A tool that was taken further down is set at the top. */
watch(() => shaping.hand, (kind) => kind && nextTick(() => document.querySelector('[data-test=hand]')?.closest('.drawer')?.querySelector('h2')?.scrollIntoView({ block: 'start' })))

/** In the order of the work: what one wants to do first stands first. */
const order = [t('Join and cut'), t('Cells'), t('Lines'), t('Borders'), t('Clean')]
const headings = computed(() => {
  const out = new Map<string, [string, (typeof shaping.tools)[string]][]>(order.map((heading) => [heading, []]))
  for (const [kind, about] of Object.entries(shaping.tools)) out.set(about.under, [...(out.get(about.under) ?? []), [kind, about]])
  return [...out].filter(([, list]) => list.length > 0)
})
/** What a press, a drag and each key do with the tool in hand. */
const hints: Record<string, string> = {
  'at-once': t('Press on the art; it is made at once, and one undo takes it back.'),
  'cells': t('Choose what a drag over cells does. [ and ] walk through them, Enter does it to one. Press a gap to close it.'),
  'line': t('Draw a line over the pieces; Shift holds it straight. Or type an angle, slices or sectors; a press says where through.'),
  'turn': t('Press a crossing to turn it; [ and ] walk, Enter turns.'),
  '': t('What it would give is on the bench; nothing is kept yet.'),
}
const cellActs = [['join', t('Join'), t('Cells become one piece')], ['drop', t('Drop'), t('Cells are left out')], ['lift', t('Lift'), t('Each cell becomes a piece of its own')]] as const
/** Another frame, or another number of its knots, begins anew: what was pulled belongs to the one before. */
function set(name: string, value: FieldValue) {
  if (shaping.hand === 'wrap' && ['shape', 'across', 'down'].includes(name)) shaping.setAll({ ...unpulled, [name]: value })
  else shaping.set(name, value)
}
const shown = (field: Field) => !['place', 'places', 'path', 'nodes', 'data', 'text'].includes(field.type) && !(shaping.hand === 'fill-enclosed' && field.name === 'fill')
const painted = computed(() => shaping.hand === 'cells' || shaping.hand === 'fill-enclosed')
const pieces = computed(() => [...bench.chosen].map((id) => bench.byId.get(id)).filter((piece) => piece !== undefined).slice(0, 60).map((piece) => ({ id: piece.id, called: piece.called })))
</script>

<template>
  <Drawer :guide="['draw-and-shape', 'shape']" title="Shape" :hint="bench.chosen.size === 0 ? $t('Choose pieces on the bench first; Shift for more than one, or drag a box round them.') : $t('{chosen} chosen.', { chosen: bench.chosen.size })">
    <button v-if="shaping.last && !shaping.hand" type="button" class="again" :disabled="bench.chosen.size === 0" data-test="again-shape" @click="shaping.again()">Once more: {{ shaping.tools[shaping.last.kind]?.label }}<kbd>{{ keys.shown('repeat-shape') }}</kbd></button>
    <section v-if="shaping.about" class="hand" data-test="hand">
      <header>
        <h3>{{ shaping.about.label }}</h3>
        <GuideLink page="reference" :at="`tool-${shaping.hand}`" :about="shaping.about.label" />
        <button v-if="shaping.about.press === 'at-once'" type="button" class="plain" data-test="put" @click="shaping.put()">Done</button>
      </header>
      <p class="quiet">{{ shaping.enough ? hints[shaping.about.press] : $t('Choose {n, plural, one {a piece} other {# pieces} } first.', { n: shaping.about.least }) }}</p>
      <div v-if="shaping.about.press === 'cells'" class="acts" role="radiogroup" aria-label="What a drag over cells does">
        <button v-for="[act, label, says] in cellActs" :key="act" type="button" role="radio" class="quiet-button" :aria-checked="shaping.cellAct === act" :class="{ on: shaping.cellAct === act }" :title="says" :data-act="act" @click="shaping.cellAct = act">{{ label }}</button>
      </div>
      <Swatches v-if="painted" label="Paint" :value="shaping.swatch ?? 'none'" @keep="shaping.swatch = $event === 'none' ? null : $event" />
      <FieldForm :fields="shaping.about.fields" :values="shaping.own" :only="shown" :pieces="pieces" @keep="set" />
      <NetSection v-if="shaping.hand === 'wrap'" />
      <ElButton v-if="shaping.about.press === 'line'" size="small" :disabled="!shaping.enough" data-test="straight" @click="shaping.set('straight', true)">Straight by that angle</ElButton>
      <ElButton v-if="shaping.about.press === 'cells'" size="small" :disabled="shaping.cellsBefore.length === 0" data-test="take-back" @click="shaping.takeBack()">Take back a press</ElButton>
      <p v-if="shaping.why" class="why" role="status" data-test="why">{{ shaping.why }}</p>
      <p v-else-if="shaping.report" class="says" role="status" data-test="report">{{ shaping.report.says }}</p>
      <p v-else-if="shaping.about.press === 'cells' && shaping.cellMarks.length" class="says" data-test="report">{{ count(shaping.cellMarks.length, 'cell') }}.</p>
      <div v-if="shaping.report && shaping.report.leftovers > 0" class="left">
        <ElButton size="small" data-test="drop-leftovers" @click="shaping.set('leftover', '0.3mm'), shaping.set('leftovers', 'drop')">Leave them out</ElButton>
        <ElButton size="small" @click="shaping.set('leftover', '0.3mm'), shaping.set('leftovers', 'neighbour')">Give to neighbours</ElButton>
      </div>
      <div v-if="shaping.about.press !== 'at-once'" class="keep">
        <ElButton type="primary" :disabled="!shaping.canKeep || bench.busy" data-test="keep" @click="shaping.keep()">Keep it</ElButton>
        <ElButton data-test="put" @click="shaping.put()">Cancel</ElButton>
      </div>
    </section>
    <section v-for="[heading, list] in headings" :key="heading">
      <h3>{{ heading }}</h3>
      <ul>
        <li v-for="[kind, one] in list" :key="kind">
          <button type="button" :class="{ on: shaping.hand === kind, long: /\S{11}/.test(one.label) }" :aria-pressed="shaping.hand === kind" :title="keys.titled(one.says, `shape:${kind}`)" :data-test="kind" @click="shaping.take(kind)">
            <!-- eslint-disable-next-line vue/no-v-html -- our own drawings, no words of others -->
            <svg viewBox="0 0 44 30" aria-hidden="true" v-html="pictures[kind] ?? ''" />
            <span>{{ one.label }}</span>
          </button>
        </li>
      </ul>
    </section>
  </Drawer>
</template>

<style scoped>
h3 { font-size: 15px; font-weight: 700; margin: 0; color: var(--ink-mid); }
section { display: flex; flex-direction: column; gap: 6px; }
ul { list-style: none; margin: 0; padding: 0; display: grid; grid-template-columns: repeat(3, minmax(0, 1fr)); gap: 6px; }
li button { display: flex; flex-direction: column; align-items: center; gap: 2px; width: 100%; min-height: 66px; font: 14px/1.1 var(--text-face); padding: 5px 2px 4px; overflow-wrap: anywhere; border: 1px solid var(--line-strong); border-radius: 4px; background: var(--card); cursor: pointer; color: var(--ink); }
li button.long { font-size: 13px; padding-inline: 0; }
li button:hover { border-color: var(--green); }
li button.on { background: var(--green-pale); border-color: var(--green); font-weight: 700; }
svg { width: 44px; height: 30px; flex: none; }
svg :deep(.g) { fill: var(--green); }
svg :deep(.c) { fill: #d9a441; }
svg :deep(.ink) { fill: var(--ink); }
svg :deep(.hole) { fill: var(--card); }
svg :deep(.ghost) { fill: none; stroke: var(--ink-soft); stroke-dasharray: 2 2; }
svg :deep(.line) { fill: none; stroke: var(--ink); stroke-width: 1.4; }
svg :deep(.gone) { fill: none; stroke: var(--coral); stroke-width: 1.8; stroke-dasharray: 3 2; }
svg :deep(.new) { fill: none; stroke: var(--green); stroke-width: 2.4; }
svg :deep(.band), svg :deep(.band2) { fill: none; stroke: var(--green); stroke-width: 6; }
svg :deep(.band2) { stroke: #d9a441; }
svg :deep(.gapband) { fill: none; stroke: var(--card); stroke-width: 10; }
svg :deep(.dots) { fill: var(--green); }
.hand { border: 1px solid var(--green); border-radius: 4px; background: var(--card); padding: 8px 10px 0; gap: 7px; }
.hand :deep(.choose) { grid-template-columns: 1fr 128px; line-height: 1.1; }
.hand header { display: flex; justify-content: space-between; align-items: baseline; }
.hand h3 { font-size: 17px; color: var(--ink); }
.hand p { margin: 0; font-size: 15px; line-height: 1.25; }
.plain { border: 0; background: none; font: inherit; font-size: 14px; text-decoration: underline; cursor: pointer; color: var(--ink-mid); padding: 0; }
.why { color: var(--coral-deep, #a33a2a); }
.says { color: var(--green); font-weight: 500; }
.acts { display: grid; grid-template-columns: repeat(3, 1fr); gap: 5px; }
.acts .on { background: var(--green); border-color: var(--green); color: var(--on-green); }
.left { display: flex; gap: 6px; }
.left .el-button { margin: 0; }
.again { display: flex; justify-content: space-between; font: inherit; font-size: 15px; padding: 5px 10px; border: 1px solid var(--line-strong); border-radius: 4px; background: var(--card); cursor: pointer; color: var(--ink); }
kbd { font: 13px var(--text-face); color: var(--ink-soft); }
.keep { display: flex; gap: 8px; position: sticky; bottom: -14px; margin: 0 -10px; padding: 8px 10px; background: var(--card); border-top: 1px solid var(--line); border-radius: 0 0 4px 4px; }
.keep .el-button { margin: 0; }
</style>
