<script setup lang="ts">
import type { Me } from '@/api/types'
import { useMe } from '@/stores/me'
import { formContextKey, type FormContext } from 'element-plus'
import { computed, provide, reactive } from 'vue'

/** What only some may change: the others see it, and can press nothing of it. Links stay. */
const props = defineProps<{ of: keyof Me['may']; says?: string }>()
const me = useMe()
const may = computed(() => me.may[props.of])
// Fields that are drawn by hand hear it as those of a form do.
provide(formContextKey, reactive({ disabled: computed(() => !may.value) }) as unknown as FormContext)
</script>

<template>
  <fieldset :disabled="!may" :data-may="may ? undefined : 'no'">
    <p v-if="!may && says" class="quiet" data-test="not-yours">{{ says }}</p>
    <slot />
  </fieldset>
</template>

<style scoped>
/* Nothing of its own is seen: what it holds lies where it lay. */
fieldset { display: contents; }
fieldset:disabled :deep(button:not(.is-disabled)) { opacity: .55; cursor: not-allowed; }
</style>
