<script setup lang="ts">
import type { Piece } from '@/api/types'
import { groundFor } from '@/units'
import { computed } from 'vue'

/** A piece, small, on a ground that it can be seen on. One with very many nodes is shown by its colour alone. */
const props = defineProps<{ piece: Piece }>()
const MANY = 1500
const frame = computed(() => {
  const box = props.piece.box
  if (!box || props.piece.nodes > MANY) return null
  const line = props.piece.stroke?.width ?? 0
  const side = Math.max(box[2], box[3], 1e-3) + line
  return `${box[0] + box[2] / 2 - side / 2} ${box[1] + box[3] / 2 - side / 2} ${side} ${side}`
})
const colour = computed(() => props.piece.fill ?? props.piece.stroke?.colour ?? '#26231d')
</script>

<template>
  <svg class="small" width="26" height="26" :viewBox="frame ?? '0 0 26 26'" :style="{ background: groundFor(colour) }" aria-hidden="true">
    <rect v-if="frame === null" width="26" height="26" :fill="colour" />
    <path v-else-if="piece.outline" :d="piece.outline" :fill="piece.stroke?.colour" />
    <path v-else :d="piece.d" :transform="piece.transform" :fill="piece.fill ?? 'none'" :fill-rule="piece.rule" :stroke="piece.stroke?.colour ?? 'none'" :stroke-width="piece.stroke?.width ?? 0" />
  </svg>
</template>

<style scoped>
.small { border: 1px solid var(--line); border-radius: 3px; padding: 2px; box-sizing: border-box; }
</style>
