<script setup lang="ts">
import { useLocalStorage } from '@vueuse/core'

/** A named part of the drawer that folds. */
const props = defineProps<{ title: string; says?: string; shut?: boolean; name: string }>()
const open = useLocalStorage(`neat-edge-open-${props.name}`, !props.shut, { writeDefaults: false, serializer: { read: (kept) => kept === '1', write: (is) => (is ? '1' : '0') } })
function toggle(event: Event) {
  open.value = (event.target as HTMLDetailsElement).open
}
</script>

<template>
  <details :open="open" :data-section="name" @toggle="toggle">
    <summary><strong>{{ title }}</strong><span>{{ says }}</span></summary>
    <div v-if="open" class="inside"><slot /></div>
  </details>
</template>

<style scoped>
details { border-top: 1px solid var(--line); padding: 6px 0 2px; }
summary { cursor: pointer; list-style: none; display: flex; gap: 8px; align-items: baseline; padding: 2px 0; border-radius: 3px; }
summary::before { content: ''; width: 7px; height: 7px; border: solid var(--ink-mid); border-width: 0 2px 2px 0; transform: rotate(-45deg) translate(-1px, -1px); flex: none; }
details[open] > summary::before { transform: rotate(45deg) translate(-2px, -2px); }
strong { font: 560 17px/1.2 var(--title-face); }
summary span { font-size: 14px; color: var(--ink-mid); white-space: nowrap; overflow: hidden; text-overflow: ellipsis; }
.inside { display: flex; flex-direction: column; gap: 6px; padding: 6px 0 10px; }
</style>
