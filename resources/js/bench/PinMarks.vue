<script setup lang="ts">
import { useApprovals } from '@/stores/approvals'

/** Places on the art that a customer marked, numbered as they were. */
defineProps<{ scale: number; left: number; top: number }>()
const approvals = useApprovals()
</script>

<template>
  <g
    v-for="pin in approvals.pins"
    :key="pin.key"
    :class="['pin', { on: pin.key === approvals.at }]"
    :transform="`translate(${pin.x * scale + left} ${pin.y * scale + top})`"
    role="button"
    tabindex="0"
    :aria-label="$t('Pin {number}: {words}', { number: pin.number, words: pin.words })"
    :aria-pressed="pin.key === approvals.at"
    :data-pin="pin.key"
    @click.stop="approvals.look(pin.key)"
    @pointerdown.stop
    @keydown.enter.prevent.stop="approvals.look(pin.key)"
    @keydown.space.prevent.stop="approvals.look(pin.key)"
  >
    <title>{{ pin.words }}</title>
    <circle class="grip" r="16" />
    <path d="M0 0C-4 -9 -11 -13 -11 -21A11 11 0 0 1 11 -21C11 -13 4 -9 0 0Z" />
    <text y="-17" text-anchor="middle">{{ pin.number }}</text>
  </g>
</template>

<style scoped>
.pin { cursor: pointer; outline: none; }
.grip { fill: transparent; }
path { fill: var(--green); stroke: var(--card); stroke-width: 1.5; }
.pin.on path { fill: var(--coral); }
.pin:focus-visible path { stroke: var(--ink); stroke-width: 3; }
text { font: 700 13px var(--text-face); fill: var(--on-green); pointer-events: none; }
</style>
