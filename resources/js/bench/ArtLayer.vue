<script setup lang="ts">
import type { Art, Piece } from '@/api/types'
import { computed, useId } from 'vue'
import GradientDef from './GradientDef.vue'

const props = defineProps<{ art: Art; wire: boolean; chosen?: Set<string>; pickable?: boolean }>()
defineEmits<{ press: [id: string, more: boolean] }>()

// Ids are the page's own: two layers may show the same piece.
const layer = useId()
const gradients = computed(() =>
  props.wire
    ? []
    : props.art.pieces.flatMap((piece, i) => [
        ...(piece.fillGradient ? [{ id: `${layer}-f${i}`, gradient: piece.fillGradient }] : []),
        ...(piece.strokeGradient ? [{ id: `${layer}-s${i}`, gradient: piece.strokeGradient }] : []),
      ]),
)
function fillOf(piece: Piece, i: number) {
  if (props.wire || piece.picture?.href) return 'none'
  return piece.fillGradient ? `url(#${layer}-f${i})` : (piece.fill ?? 'none')
}
function strokeOf(piece: Piece, i: number) {
  if (props.wire) return 'var(--ink)'
  return piece.strokeGradient ? `url(#${layer}-s${i})` : (piece.stroke?.colour ?? 'none')
}
</script>

<template>
  <g>
    <defs v-if="gradients.length > 0">
      <GradientDef v-for="one in gradients" :id="one.id" :key="one.id" :gradient="one.gradient" />
    </defs>
    <template v-for="(piece, i) in art.pieces" :key="piece.id">
    <template v-if="piece.picture?.href && !wire">
      <clipPath :id="`${layer}-c${i}`"><path :d="piece.d" :clip-rule="piece.rule" /></clipPath>
      <g :clip-path="`url(#${layer}-c${i})`" :opacity="piece.fillOpacity">
        <image :href="piece.picture.href" :width="piece.picture.width" :height="piece.picture.height" :preserveAspectRatio="piece.picture.fit" :transform="piece.picture.transform" />
      </g>
    </template>
    <path
      :data-piece="piece.id"
      :d="piece.d"
      :transform="piece.transform"
      :class="{ pickable }"
      :fill="fillOf(piece, i)"
      :pointer-events="piece.picture?.href ? 'all' : undefined"
      :fill-opacity="piece.fillOpacity"
      :fill-rule="piece.rule"
      :stroke="strokeOf(piece, i)"
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
    </template>
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
