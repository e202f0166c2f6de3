<script setup lang="ts">
import type { Art, Piece } from '@/api/types'
import { computed, useId } from 'vue'
import GradientDef from './GradientDef.vue'
import SoftPiece from './SoftPiece.vue'

const props = defineProps<{ art: Art; wire: boolean; pickable?: boolean; scale?: number }>()
const emit = defineEmits<{ press: [id: string, more: boolean] }>()
/** One listener for all pieces. */
function press(event: MouseEvent) {
  const id = props.pickable ? (event.target as Element).closest('[data-piece]')?.getAttribute('data-piece') : null
  if (!id) return
  event.stopPropagation()
  emit('press', id, event.shiftKey || event.ctrlKey || event.metaKey)
}
const isPlain = (piece: Piece) => !piece.stroke && !piece.fillGradient && !piece.clip && !piece.picture && !piece.outline && !piece.transform && piece.blend === 'normal' && !piece.soft && !piece.drawn

// Ids are the page's own: two layers may show the same piece.
const layer = useId()
const closed = computed(() => new Set(props.art.layers?.filter((one) => one.locked).map((one) => one.id)))
const dark = computed(() => new Set(props.art.layers?.filter((one) => one.hidden).map((one) => one.id)))
const seen = computed(() => props.art.pieces.filter((piece) => !piece.hidden && !dark.value.has(piece.layer)))
const touchable = (piece: Piece) => props.pickable && !piece.locked && !closed.value.has(piece.layer)

function fillOf(piece: Piece) {
  if (props.wire || piece.picture?.href || piece.soft || piece.drawn) return 'none'
  return piece.fillGradient ? `url(#${layer}-f-${piece.id})` : (piece.fill ?? 'none')
}
function strokeOf(piece: Piece) {
  if (props.wire) return 'var(--ink)'
  if (piece.outline || piece.soft || piece.drawn) return 'none'
  return lineOf(piece)
}
function lineOf(piece: Piece) {
  return piece.strokeGradient ? `url(#${layer}-s-${piece.id})` : (piece.stroke?.colour ?? 'none')
}
</script>

<template>
  <g @click="press">
    <!-- In the wire view each node is shown, and where an outline begins and which way it runs; as large at any zoom. -->
    <defs v-if="wire">
      <marker :id="`${layer}-node`" markerUnits="userSpaceOnUse" :markerWidth="5 / (scale ?? 1)" :markerHeight="5 / (scale ?? 1)" viewBox="0 0 5 5" refX="2.5" refY="2.5"><rect x="0.7" y="0.7" width="3.6" height="3.6" class="node" /></marker>
      <marker :id="`${layer}-start`" orient="auto" markerUnits="userSpaceOnUse" :markerWidth="13 / (scale ?? 1)" :markerHeight="13 / (scale ?? 1)" viewBox="0 0 13 13" refX="3" refY="6.5"><path d="M3 2L12 6.5L3 11Z" class="begin" /></marker>
    </defs>
    <!-- Each piece is drawn anew only when it is another object, so that one edit among thousands costs one piece; most are one path and nothing else. -->
    <g
      v-for="piece in seen"
      :key="piece.id"
      v-memo="[piece, wire, touchable(piece)]"
      :data-move="piece.id"
      :style="piece.blend !== 'normal' && !wire ? { mixBlendMode: piece.blend as 'multiply' } : undefined"
    >
      <path
        v-if="isPlain(piece)"
        :data-piece="piece.id"
        :d="piece.d"
        :class="{ pickable: touchable(piece), untouchable: pickable && !touchable(piece) }"
        :fill="wire ? 'none' : (piece.fill ?? 'none')"
        :fill-opacity="piece.fillOpacity === 1 ? undefined : piece.fillOpacity"
        :fill-rule="piece.rule"
        :stroke="wire ? 'var(--ink)' : undefined"
        :stroke-width="wire ? 1 : undefined"
        :vector-effect="wire ? 'non-scaling-stroke' : undefined"
        :marker-start="wire ? `url(#${layer}-start)` : undefined"
        :marker-mid="wire ? `url(#${layer}-node)` : undefined"
      />
      <template v-else>
        <GradientDef v-if="piece.fillGradient && !wire" :id="`${layer}-f-${piece.id}`" :gradient="piece.fillGradient" />
        <GradientDef v-if="piece.strokeGradient && !wire" :id="`${layer}-s-${piece.id}`" :gradient="piece.strokeGradient" />
        <clipPath v-if="piece.clip && !wire" :id="`${layer}-k-${piece.id}`"><path :d="piece.clip.d" :clip-rule="piece.clip.rule" /></clipPath>
        <g :clip-path="piece.clip && !wire ? `url(#${layer}-k-${piece.id})` : undefined">
          <template v-if="piece.picture?.href && !piece.soft && !wire">
            <clipPath :id="`${layer}-c-${piece.id}`"><path :d="piece.d" :clip-rule="piece.rule" /></clipPath>
            <g :clip-path="`url(#${layer}-c-${piece.id})`" :opacity="piece.fillOpacity">
              <image :href="piece.picture.href" :width="piece.picture.width" :height="piece.picture.height" :preserveAspectRatio="piece.picture.fit" :transform="piece.picture.transform" />
            </g>
          </template>
          <SoftPiece v-if="(piece.soft || piece.drawn) && !wire" :id="`${layer}-w-${piece.id}`" :piece="piece" />
          <path
            :data-piece="piece.id"
            :d="piece.d"
            :transform="piece.transform"
            :class="{ pickable: touchable(piece), untouchable: pickable && !touchable(piece) }"
            :fill="fillOf(piece)"
            :pointer-events="piece.picture?.href ? 'all' : piece.soft || piece.drawn ? (piece.fill ? 'all' : 'stroke') : undefined"
            :fill-opacity="piece.fillOpacity"
            :fill-rule="piece.rule"
            :stroke="strokeOf(piece)"
            :stroke-width="wire ? 1 : piece.stroke?.cut ? 1.6 : piece.stroke?.width"
            :vector-effect="wire || piece.stroke?.cut ? 'non-scaling-stroke' : undefined"
            :marker-start="wire ? `url(#${layer}-start)` : undefined"
            :marker-mid="wire ? `url(#${layer}-node)` : undefined"
            :stroke-opacity="wire ? 1 : piece.stroke?.opacity"
            :stroke-linecap="piece.stroke?.cap"
            :stroke-linejoin="piece.stroke?.join"
            :stroke-miterlimit="piece.stroke?.miter"
            :stroke-dasharray="wire ? undefined : piece.stroke?.cut ? '7 3 1.5 3' : piece.stroke?.dashes || undefined"
            :stroke-dashoffset="piece.stroke?.offset"
          />
          <path v-if="piece.outline && !piece.soft && !wire" :data-piece="piece.id" :d="piece.outline" :fill="lineOf(piece)" :fill-opacity="piece.stroke?.opacity" :class="{ pickable: touchable(piece) }" />
        </g>
      </template>
    </g>
  </g>
</template>

<style scoped>
.node { fill: var(--paper); stroke: var(--ink); stroke-width: 1; }
.begin { fill: var(--green); }
.pickable { cursor: pointer; }
.untouchable { pointer-events: none; }
</style>
