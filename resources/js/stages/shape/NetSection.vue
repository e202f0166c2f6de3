<script setup lang="ts">
import TypedValue from '@/fields/TypedValue.vue'
import { ElButton } from 'element-plus'
import { computed } from 'vue'
import { at, called } from './net'
import { useNet } from './useNet'

/** The chosen knot of a net by number, and what a press does to it. */
const net = useNet()
const place = computed(() => (net.net && net.knot ? at(net.net, net.knot) : null))
function move(to: { x?: number; y?: number }) {
  if (net.knot && place.value) net.move(net.knot, { ...place.value, ...to })
}
</script>

<template>
  <div v-if="net.net" class="net" data-test="net-section">
    <p v-if="!net.knot || !place" class="quiet">Pull a knot. A press on a line lays another through it.</p>
    <template v-else>
      <p class="quiet">{{ $t('Knot {column} of line {row}', called(net.knot)) }}</p>
      <div class="places">
        <TypedValue label="X" local :value="place.x" name="knot-x" @measured="move({ x: $event })" />
        <TypedValue label="Y" local :value="place.y" name="knot-y" @measured="move({ y: $event })" />
        <ElButton size="small" data-test="smooth-knot" @click="net.ask('smooth', place)">Smooth</ElButton>
      </div>
    </template>
  </div>
</template>

<style scoped>
.places { display: flex; flex-wrap: wrap; gap: 8px 14px; align-items: center; }
</style>
