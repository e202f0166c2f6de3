<script setup lang="ts">
import type { Art } from '@/api/types'

defineProps<{ art: Art; wire: boolean; chosen?: Set<string>; pickable?: boolean }>()
defineEmits<{ press: [id: string, more: boolean] }>()
</script>

<template>
  <g>
    <path
      v-for="piece in art.pieces"
      :key="piece.id"
      :data-piece="piece.id"
      :d="piece.d"
      :transform="piece.transform"
      :class="{ pickable }"
      :fill="wire ? 'none' : (piece.fill ?? 'none')"
      :fill-opacity="piece.fillOpacity"
      :fill-rule="piece.rule"
      :stroke="wire ? 'var(--ink)' : (piece.stroke?.colour ?? 'none')"
      :stroke-width="wire ? 1 : piece.stroke?.width"
      :vector-effect="wire ? 'non-scaling-stroke' : undefined"
      :stroke-opacity="wire ? 1 : piece.stroke?.opacity"
      :stroke-linecap="piece.stroke?.cap"
      :stroke-linejoin="piece.stroke?.join"
      :stroke-miterlimit="piece.stroke?.miter"
      :stroke-dasharray="wire ? undefined : piece.stroke?.dashes || undefined"
      :stroke-dashoffset="piece.stroke?.offset"
      @click.stop="pickable && $emit('press', piece.id, $event.shiftKey || $event.ctrlKey || $event.metaKey)"
    />
    <template v-if="chosen && chosen.size > 0">
      <path
        v-for="piece in art.pieces.filter((one) => chosen!.has(one.id))"
        :key="`chosen-${piece.id}`"
        class="chosen"
        :d="piece.d"
        :transform="piece.transform"
      />
    </template>
  </g>
</template>

<style scoped>
.pickable { cursor: pointer; }
.chosen { fill: none; stroke: var(--green); stroke-width: 2.5; vector-effect: non-scaling-stroke; stroke-dasharray: 7 4; pointer-events: none; }
</style>
