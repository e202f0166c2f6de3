<script setup lang="ts">
import Choose from '@/fields/Choose.vue'
import FieldForm from '@/fields/FieldForm.vue'
import { labelled } from '@/fields/options'
import type { FieldValue, Layer } from '@/api/types'
import { useBench } from '@/stores/bench'
import { useChoices } from '@/stores/choices'
import { computed } from 'vue'
import Section from './Section.vue'

/** Any bench becomes a thing that art is shown on: its layers say what they are of it. */
const bench = useBench()
const choices = useChoices()
const fields = computed(() => choices.all.soft.find((one) => one.kind === 'layer-part')?.fields ?? [])
const parts = computed(() => fields.value.find((field) => field.name === 'part')?.options ?? {})
const place = computed(() => fields.value.filter((field) => !['layer', 'part'].includes(field.name)))
const valuesOf = (layer: Layer) => (layer.place ?? {}) as Record<string, FieldValue>
const set = (layer: Layer, more: Record<string, unknown>) => bench.draw({ kind: 'layer-part', layer: layer.id, part: layer.part || 'none', ...valuesOf(layer), ...more })
const some = computed(() => bench.art?.layers.some((layer) => layer.part) ?? false)
</script>

<template>
  <Section title="A thing to show art on" name="layer-parts" shut :says="some ? $t('has parts') : ''">
    <p class="quiet">Say what each layer is of a thing: then art of any job can be shown on it in Proof. The first filled piece of a place is where art lies.</p>
    <template v-for="layer in bench.art?.layers ?? []" :key="layer.id">
      <Choose :label="layer.name" :value="layer.part || 'none'" :options="labelled(parts)" :data-part-of="layer.id" @keep="set(layer, { part: $event })" />
      <FieldForm v-if="layer.part === 'place'" class="place" :fields="place.map((field) => ({ ...field, where: field.where?.[0] === 'part' ? null : field.where }))" :values="valuesOf(layer)" @keep="(name, value) => set(layer, { [name]: value })" />
    </template>
  </Section>
</template>

<style scoped>
.place { border-left: 3px solid var(--line); padding-left: 8px; }
.quiet { font-size: 15px; line-height: 1.3; }
</style>
