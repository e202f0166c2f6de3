<script setup lang="ts" generic="Value extends string | number | boolean">
import { ElOption, ElSelect } from 'element-plus'

/** One of several, by what they are called. Which field it is goes along as data-field or data-test. */
defineOptions({ inheritAttrs: false })
defineProps<{ value: Value | null | undefined; options: readonly { value: Value; label: string; disabled?: boolean; title?: string }[]; label?: string; says?: string; placeholder?: string; disabled?: boolean }>()
const emit = defineEmits<{ keep: [value: Value] }>()
</script>

<template>
  <span :class="['choose', $attrs.class]">
    <span v-if="label" class="of">{{ label }}</span>
    <ElSelect
      size="small"
      :model-value="value ?? undefined"
      :disabled="disabled || undefined"
      :placeholder="placeholder ?? ''"
      :aria-label="says ?? label"
      :persistent="false"
      :fit-input-width="false"
      :show-arrow="false"
      :offset="2"
      placement="bottom-start"
      append-to="#over"
      v-bind="{ ...$attrs, class: undefined }"
      @change="emit('keep', $event)"
      @keydown.stop
    >
      <ElOption v-for="one in options" :key="String(one.value)" :value="one.value" :label="one.label" :disabled="one.disabled" :title="one.title" :data-option="String(one.value)" />
    </ElSelect>
  </span>
</template>
