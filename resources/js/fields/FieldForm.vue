<script setup lang="ts">
import type { Field, FieldValue } from '@/api/types'
import TypedValue from './TypedValue.vue'

/** Fields as the core describes them. */
defineProps<{ fields: Field[]; values: Record<string, FieldValue>; only?: (field: Field) => boolean }>()
const emit = defineEmits<{ keep: [name: string, value: FieldValue] }>()
</script>

<template>
  <div class="fields">
    <template v-for="field in fields" :key="field.name">
      <template v-if="!only || only(field)">
        <label v-if="field.type === 'choice'" class="choice">
          <span>{{ field.label }}</span>
          <select :value="values[field.name]" :data-field="field.name" @change="emit('keep', field.name, ($event.target as HTMLSelectElement).value)">
            <option v-for="(label, value) in field.options" :key="value" :value="value">{{ label }}</option>
          </select>
        </label>
        <label v-else-if="field.type === 'flag'" class="flag">
          <input type="checkbox" :checked="Boolean(values[field.name])" :data-field="field.name" @change="emit('keep', field.name, ($event.target as HTMLInputElement).checked)">
          <span>{{ field.label }}</span>
        </label>
        <TypedValue
          v-else
          :label="field.label"
          :name="field.name"
          :value="Number(values[field.name] ?? field.usual)"
          :angle="field.type === 'angle'"
          :plain="['number', 'count', 'share'].includes(field.type)"
          @keep="emit('keep', field.name, $event)"
        />
      </template>
    </template>
  </div>
</template>

<style scoped>
.fields { display: flex; flex-direction: column; gap: 4px; }
.choice { display: grid; grid-template-columns: 1fr 109px; align-items: center; gap: 5px; font-size: 15px; }
.flag { display: flex; gap: 7px; align-items: center; font-size: 15px; }
select { font: inherit; border: 1px solid var(--line-strong); border-radius: 3px; background: #fffcf4; padding: 3px 4px; color: var(--ink); }
</style>
