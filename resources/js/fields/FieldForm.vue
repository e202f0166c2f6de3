<script setup lang="ts">
import ColourWell from './ColourWell.vue'
import { labelled } from '@/fields/options'
import Tick from '@/fields/Tick.vue'
import Choose from '@/fields/Choose.vue'
import TypedWords from '@/fields/TypedWords.vue'
import type { Field, FieldValue } from '@/api/types'
import TypedValue from './TypedValue.vue'

/** Fields as the core describes them. */
const props = defineProps<{ fields: Field[]; values: Record<string, FieldValue>; only?: (field: Field) => boolean; pieces?: { id: string; called: string }[] }>()
const emit = defineEmits<{ keep: [name: string, value: FieldValue] }>()
const now = (field: Field) => props.values[field.name] ?? field.usual
/** Whether it says anything, as the others are. */
const says = (field: Field) => {
  const other = field.where && props.fields.find((one) => one.name === field.where![0])
  return !other || field.where![1].includes(String(now(other)))
}
const number = (field: Field) => (Number.isFinite(Number(now(field))) ? Number(now(field)) : null)
const numeric = (field: Field) => ['length', 'angle', 'number', 'count', 'share'].includes(field.type)
const asTyped = (field: Field) => (number(field) === null && typeof now(field) === 'string' ? String(now(field)) : undefined)
</script>

<template>
  <div class="fields">
    <template v-for="field in fields" :key="field.name">
      <template v-if="says(field) && (!only || only(field))">
        <Choose v-if="field.type === 'choice'" :label="field.label" :title="field.help" :value="String(values[field.name] ?? field.usual)" :options="labelled(field.options)" :data-field="field.name" @keep="emit('keep', field.name, $event)" />
        <Tick v-else-if="field.type === 'flag'" :title="field.help" :value="Boolean(values[field.name])" :data-field="field.name" @keep="emit('keep', field.name, $event)">{{ field.label }}</Tick>
        <Choose v-else-if="field.type === 'piece'" :label="field.label" :title="field.help" :value="String(values[field.name] ?? '')" :options="[{ value: '', label: $t('As they lie') }, ...(pieces ?? []).map((piece) => ({ value: piece.id, label: piece.called }))]" :data-field="field.name" @keep="emit('keep', field.name, $event)" />
        <label v-else-if="field.type === 'colour'" class="choice" :title="field.help">
          <span>{{ field.label }}</span>
          <span class="colour">
          <button v-if="field.usual === ''" type="button" :aria-pressed="!values[field.name]" :class="{ on: !values[field.name] }" @click.prevent="emit('keep', field.name, '')">None</button>
          <ColourWell :off="!values[field.name] && field.usual === ''" :value="String(values[field.name] || '#26231d')" :says="field.label" :data-field="field.name" @keep="emit('keep', field.name, $event)" />
          </span>
        </label>
        <label v-else-if="!numeric(field)" class="words" :title="field.help">
          <span>{{ field.label }}</span>
          <TypedWords :value="String(values[field.name] ?? '')" :placeholder="field.help" :data-field="field.name" @keep="emit('keep', field.name, $event)" />
        </label>
        <TypedValue
          v-else
          :label="field.label"
          :name="field.name"
          :value="number(field)"
          :typed="asTyped(field)"
          :local="field.type === 'length'"
          :least="field.least"
          :most="field.most"
          :angle="field.type === 'angle'"
          :plain="['number', 'count', 'share'].includes(field.type)"
          @keep="emit('keep', field.name, $event)"
          @measured="emit('keep', field.name, $event)"
        />
      </template>
    </template>
  </div>
</template>

<style scoped>
.fields { display: flex; flex-direction: column; gap: 4px; }
.choice { display: grid; grid-template-columns: 1fr 109px; align-items: center; gap: 5px; font-size: 15px; }
.words { display: flex; flex-direction: column; font-size: 15px; }
.colour { display: flex; gap: 4px; }
.colour button { font: inherit; font-size: 14px; border: 1px solid var(--line-strong); border-radius: 3px; background: var(--card); color: var(--ink-mid); cursor: pointer; padding: 0 6px; }
.colour button.on { border-color: var(--green); color: var(--green); background: var(--green-pale); }
input.off { opacity: .35; }
</style>
