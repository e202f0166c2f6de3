<script setup lang="ts">
import { number, t } from '@/words/words'
import type { FieldValue } from '@/api/types'
import FieldForm from '@/fields/FieldForm.vue'
import TypedValue from '@/fields/TypedValue.vue'
import { useBench } from '@/stores/bench'
import { useChoices } from '@/stores/choices'
import { computed } from 'vue'
import Section from './Section.vue'

/** What of the chosen piece is still adjustable: its shape, a mirrored half, a repeat, rounded corners. */
const bench = useBench()
const choices = useChoices()
const one = computed(() => (bench.detail?.details.length === 1 ? bench.detail.details[0]! : null))
const details = computed(() => bench.detail?.details ?? [])
const ids = () => [...bench.chosen]
const mirror = computed(() => details.value.find((detail) => detail.mirror)?.mirror ?? null)
const repeat = computed(() => details.value.find((detail) => detail.repeat)?.repeat ?? null)

function setMirror(fields: Record<string, unknown>) {
  const usual = { x: bench.art!.width / 2, y: bench.art!.height / 2, angle: 90, reach: 1 }
  bench.draw({ kind: 'mirror-half', pieces: ids(), ...usual, ...(mirror.value ?? {}), ...fields })
}
function setRepeat(name: string, value: FieldValue) {
  const box = bench.detail?.box
  const usual = Object.fromEntries(choices.all.repeat.map((field) => [field.name, field.usual]))
  const step = box ? { stepX: box[2] + 5, centreX: bench.art!.width / 2, centreY: bench.art!.height / 2 } : {}
  const laid = { ...usual, ...step, ...(repeat.value ?? {}), [name]: value } as Record<string, FieldValue>
  // Laid out otherwise, copies stand side by side, with their own size for a step: what was set for a ring says nothing of rows.
  const [wide, high] = repeat.value ? [Number(repeat.value.ownWidth), Number(repeat.value.ownHeight)] : [box?.[2] ?? 0, box?.[3] ?? 0]
  const other = name === 'as' && (!repeat.value || repeat.value.as !== value)
  const steps = other && laid.as === 'grid' ? { stepX: wide + 5, stepY: high + 5, ...(repeat.value?.as === 'ring' ? { count: 4, rows: 3 } : {}) } : other && laid.as === 'row' ? { stepX: wide + 5, stepY: 0 } : {}
  bench.draw({ kind: 'repeat', pieces: ids(), ...laid, ...steps })
}
/** A grid counts columns, all else copies. */
const fields = computed(() => choices.all.repeat.map((field) => (field.name === 'count' && repeat.value?.as === 'grid' ? { ...field, label: t('Columns') } : field)))
const says = computed(() => (repeat.value ? (repeat.value.as === 'grid' ? t('grid, {count} × {rows}', { count: repeat.value.count, rows: repeat.value.rows }) : `${repeat.value.as}, ${repeat.value.count}`) : ''))
const shown = computed(() => {
  const kind = repeat.value?.as
  return (field: { name: string }) => field.name === 'as' || field.name === 'count' || (kind === 'ring' ? ['centreX', 'centreY', 'sweep', 'turning'].includes(field.name) : ['stepX', 'stepY'].includes(field.name) || (kind === 'grid' && field.name === 'rows'))
})
</script>

<template>
  <Section v-if="one?.shape" :title="one.shape.label" name="shape-values" says="adjustable">
    <FieldForm :fields="one.shape.fields" :values="one.shape.values" @keep="(name, value) => bench.draw({ kind: 'shape-values', pieces: ids(), [name]: value })" />
  </Section>
  <Section title="Mirrored half" name="mirror" shut :says="mirror ? 'on' : ''">
    <template v-if="mirror">
      <TypedValue label="Axis, across" name="axisX" :value="mirror.x" @keep="setMirror({ x: $event })" />
      <TypedValue label="Axis, down" name="axisY" :value="mirror.y" @keep="setMirror({ y: $event })" />
      <TypedValue label="Angle" name="axisAngle" angle :value="mirror.angle" @keep="setMirror({ angle: $event })" />
      <TypedValue label="Ends drawn on within" name="reach" :value="mirror.reach" @keep="setMirror({ reach: $event })" />
      <button type="button" class="quiet-button" @click="bench.draw({ kind: 'mirror-half', pieces: ids(), off: true })">Only the half again</button>
    </template>
    <div v-else class="row">
      <button type="button" class="quiet-button" data-test="mirror-upright" @click="setMirror({ angle: 90 })">Upright axis</button>
      <button type="button" class="quiet-button" @click="setMirror({ angle: 0 })">Level axis</button>
    </div>
  </Section>
  <Section title="Step and repeat" name="repeat" shut :says="says">
    <template v-if="repeat">
      <p v-if="Number(repeat.stacked) > 0" class="warn" data-test="stacked">{{ $t('{n, plural, one {# copy lies} other {# copies lie} } exactly on another: nobody sees more of them, and each is cut again.', { n: Number(repeat.stacked) }) }}</p>
      <FieldForm :fields="fields" :values="repeat" :only="shown" @keep="setRepeat" />
      <button type="button" class="quiet-button" data-test="repeat-off" @click="bench.draw({ kind: 'repeat', pieces: ids(), off: true })">Only the first again</button>
    </template>
    <div v-else class="row">
      <button type="button" class="quiet-button" data-test="repeat-row" @click="setRepeat('as', 'row')">Row</button>
      <button type="button" class="quiet-button" data-test="repeat-grid" @click="setRepeat('as', 'grid')">Grid</button>
      <button type="button" class="quiet-button" data-test="repeat-ring" @click="setRepeat('as', 'ring')">Ring</button>
    </div>
  </Section>
  <Section v-if="one && (one.editable || one.shape)" title="Rounded corners" name="corners" shut :says="one.corners.length ? $t('{corners} corners', { corners: one.corners.length }) : ''">
    <TypedValue label="All corners" name="allCorners" :value="one.corners[0]?.[2] ?? 0" @keep="bench.draw({ kind: 'round-corners', piece: one!.id, radius: $event })" />
    <TypedValue v-for="corner in one.corners.slice(0, 30)" :key="`${corner[0]} ${corner[1]}`" :label="$t('Corner at {x}, {y}', { x: number(corner[3], 1, 1), y: number(corner[4], 1, 1) })" :value="corner[2]" @keep="bench.draw({ kind: 'round-corners', piece: one!.id, nodes: [[corner[0], corner[1]]], radius: $event })" />
    <p class="says">Chosen corners only: choose their nodes with the Nodes tool. 0 makes them sharp again.</p>
  </Section>
</template>

<style scoped>
.row { display: flex; gap: 6px; flex-wrap: wrap; }
.warn { font-size: 15px; line-height: 1.2; color: var(--coral-deep); }
.says { font-size: 14px; color: var(--ink-mid); line-height: 1.2; }
</style>
