<script setup lang="ts">
import type { FieldValue } from '@/api/types'
import FieldForm from '@/fields/FieldForm.vue'
import TypedValue from '@/fields/TypedValue.vue'
import { useBench } from '@/stores/bench'
import { useChoices } from '@/stores/choices'
import { useDraw } from '@/stores/draw'
import { number, t } from '@/words/words'
import { computed } from 'vue'
import Section from './Section.vue'

/** How softly the chosen pieces are seen: their edge, how they fade, what they are seen through, and what was painted on that by hand. */
const bench = useBench()
const choices = useChoices()
const draw = useDraw()
const ids = () => [...bench.chosen]
const chosen = computed(() => (bench.art?.pieces ?? []).filter((piece) => bench.chosen.has(piece.id)))
const soft = computed(() => chosen.value.find((piece) => piece.soft)?.soft ?? null)
const edge = computed(() => soft.value?.edge ?? 0)
const clips = computed(() => soft.value?.clips.length ?? 0)
const strokes = computed(() => (soft.value?.clips ?? []).reduce((all, clip) => all + clip.length - 1, 0))
const says = computed(() => [edge.value > 0 ? t('edge {mm} mm', { mm: number(edge.value, 2, 0) }) : '', soft.value?.fade ? t('fades') : '', clips.value > 0 ? t('{clips, plural, one {# clip} other {# clips}}', { clips: clips.value }) : ''].filter((one) => one !== '').join(', '))
/** An outline without a fill encloses what it could clip by, once it is filled. */
const unfilled = computed(() => {
  const upper = chosen.value[chosen.value.length - 1]
  return chosen.value.length > 1 && upper !== undefined && upper.fill === null && !upper.fillGradient
})
const fields = (kind: string) => choices.all.soft.find((one) => one.kind === kind)?.fields ?? []
const usual = (kind: string) => ({ ...Object.fromEntries(fields(kind).filter((field) => ['choice', 'number', 'length'].includes(field.type)).map((field) => [field.name, field.usual])), ...draw.soft[kind] })
function set(kind: string, name: string, value: FieldValue) {
  draw.soft[kind] = { ...draw.soft[kind], [name]: value }
}
const make = (kind: string, more: Record<string, unknown> = {}) => bench.draw({ kind, pieces: ids(), ...usual(kind), ...more })
function fade(name: string, value: FieldValue) {
  set('fade', name, value)
  make('fade')
}
</script>

<template>
  <Section title="Soft look" name="soft" shut :says="says">
    <TypedValue label="Soft edge" name="softEdge" :value="edge" :least="0" @keep="bench.draw({ kind: 'soften', pieces: ids(), edge: $event })" />
    <FieldForm v-if="soft?.fade" :fields="fields('fade')" :values="usual('fade')" @keep="fade" />
    <div class="row">
      <button v-if="!soft?.fade" type="button" class="quiet-button" data-test="fade" @click="make('fade', { way: 'along' })">Let it fade</button>
      <button v-if="!soft?.fade" type="button" class="quiet-button" data-test="fade-out" @click="set('fade', 'way', 'outwards'), make('fade')">Fade outwards</button>
      <button v-if="soft?.fade" type="button" class="quiet-button" data-test="no-fade" @click="set('fade', 'way', 'along'), make('fade', { way: 'none' })">No fade</button>
    </div>
    <template v-if="chosen.length > 1">
      <FieldForm :fields="fields('soft-clip')" :values="usual('soft-clip')" :only="(field) => field.name === 'edge'" @keep="(name, value) => set('soft-clip', name, value)" />
      <div class="row">
        <button type="button" class="quiet-button" data-test="soft-clip" :title="$t('The others are seen through the uppermost')" @click="make('soft-clip')">Clip softly by the uppermost</button>
        <button v-if="unfilled" type="button" class="quiet-button" data-test="fill-and-clip" @click="make('soft-clip', { fill: true })">Fill it and clip</button>
      </div>
    </template>
    <p v-if="clips > 0" class="says">{{ $t('Seen through {clips, plural, one {# clip} other {# clips} } with {strokes, plural, =0 {nothing} one {# stroke} other {# strokes} } painted on.', { clips, strokes }) }}</p>
    <div class="row">
      <button v-if="clips > 0" type="button" class="quiet-button" data-test="release-soft" @click="bench.draw({ kind: 'release-soft', pieces: ids() })">Release the last clip</button>
      <button type="button" class="quiet-button" data-test="paint" @click="draw.use('paint')">Paint by hand</button>
    </div>
    <template v-if="soft">
      <FieldForm :fields="fields('harden')" :values="usual('harden')" @keep="(name, value) => set('harden', name, value)" />
      <button type="button" class="quiet-button" data-test="harden" @click="make('harden')">Harden</button>
    </template>
  </Section>
</template>

<style scoped>
.row { display: flex; gap: 6px; flex-wrap: wrap; }
.says { font-size: 15px; line-height: 1.25; color: var(--ink-mid); }
</style>
