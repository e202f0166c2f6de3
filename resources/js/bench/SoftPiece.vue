<script setup lang="ts">
import type { Piece } from '@/api/types'
import { plain, softened } from './soft'

/** What is painted of a soft piece; it is pressed by its outline, which lies above it unseen. */
const props = defineProps<{ piece: Piece; id: string }>()
/** They are told as pieces are; a description cannot hold itself. */
const parts = () => (props.piece.drawn?.pieces ?? []) as unknown as Piece[]
/** Once it is prepared it is seen within its outline; on the bench it has none but its own. */
const Painted = () => (props.piece.drawn
  ? softened(parts().flatMap((one, i) => plain(one, `${props.id}-p${i}`)), parts(), props.piece.drawn.soft, props.id)
  : plain(props.piece, props.id))
</script>

<template>
  <clipPath v-if="piece.drawn" :id="`${id}-k`"><path :d="piece.d" :clip-rule="piece.rule" /></clipPath>
  <g :clip-path="piece.drawn ? `url(#${id}-k)` : undefined" :opacity="piece.drawn ? piece.fillOpacity : undefined" pointer-events="none"><Painted /></g>
</template>
