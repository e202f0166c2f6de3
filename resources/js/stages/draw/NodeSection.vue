<script setup lang="ts">
import TypedValue from '@/fields/TypedValue.vue'
import { useBench } from '@/stores/bench'
import { useDraw } from '@/stores/draw'
import { computed } from 'vue'
import Section from './Section.vue'

const bench = useBench()
const draw = useDraw()
const one = computed(() => (bench.detail?.details.length === 1 ? bench.detail.details[0]! : null))
const nodes = computed(() => [...draw.nodes].map((name) => name.split(' ').map(Number) as [number, number]))
/** The chosen segment, or the one that leads out of each chosen node. */
const segments = computed(() => (draw.segment ? [draw.segment.split(' ').map(Number) as [number, number]] : nodes.value.filter(([k, i]) => i < ((one.value?.contours[k]?.coords.length ?? 2) - 2) / 6)))
async function act(kind: string, more: Record<string, unknown> = {}) {
  await bench.draw({ kind, piece: one.value!.id, ...more })
}
async function away() {
  await act('delete-nodes', { nodes: nodes.value })
  draw.nodes = new Set()
}
const kinds = computed(() => [...new Set(nodes.value.map(([k, i]) => one.value?.contours[k]?.kinds[i]))])
const at = computed(() => {
  const [k, i] = nodes.value[0] ?? [0, 0]
  const c = one.value?.contours[k]?.coords
  return nodes.value.length === 1 && c ? { x: c[6 * i]!, y: c[6 * i + 1]! } : null
})
const move = (name: 'x' | 'y', text: string) => act('move-nodes', { nodes: nodes.value, [name]: `(${text}) - ${Number(at.value![name].toFixed(9))}mm` })
defineExpose({ away })
</script>

<template>
  <Section title="Nodes" name="nodes" :says="nodes.length ? $t('{nodes} chosen', { nodes: nodes.length }) : one ? `${one.contours.reduce((sum, contour) => sum + (contour.coords.length - 2) / 6 + (contour.closed ? 0 : 1), 0)}` : ''">
    <p v-if="!one" class="says">Choose one piece to see its nodes.</p>
    <p v-else-if="!one.editable" class="says">It is still adjustable by its numbers. <button type="button" class="quiet-button" data-test="bake" @click="bench.draw({ kind: 'bake', pieces: [one!.id] })">Turn it into plain curves</button></p>
    <template v-else>
      <div v-if="at" class="pair">
        <TypedValue brief label="Across" name="nodeX" :value="at.x" @keep="move('x', $event)" />
        <TypedValue brief label="Down" name="nodeY" :value="at.y" @keep="move('y', $event)" />
      </div>
      <div class="grid">
        <button v-for="kind in ['corner', 'smooth', 'even'] as const" :key="kind" type="button" class="quiet-button" :disabled="!nodes.length" :aria-pressed="kinds.length === 1 && kinds[0] === kind" :data-test="`node-${kind}`" @click="act('node-kind', { nodes, to: kind })">{{ { corner: $t('Corner'), smooth: $t('Smooth'), even: $t('Even') }[kind] }}</button>
        <button type="button" class="quiet-button" :disabled="!segments.length" @click="act('segment-kind', { segments, to: 'line' })">Straight</button>
        <button type="button" class="quiet-button" :disabled="!segments.length" @click="act('segment-kind', { segments, to: 'curve' })">Curve</button>
        <button type="button" class="quiet-button" :disabled="!segments.length" @click="act('add-node', { segments: [segments[0]], t: 0.5 })">Add in the middle</button>
        <button type="button" class="quiet-button" :disabled="!nodes.length" data-test="delete-nodes" @click="away">Delete</button>
        <button type="button" class="quiet-button" :disabled="!nodes.length" @click="act('break-at', { nodes })">Break here</button>
        <button type="button" class="quiet-button" :disabled="nodes.length < 2" data-test="break-close" @click="act('break-at', { nodes, close: true }), (draw.nodes = new Set())">Break and close each</button>
        <button type="button" class="quiet-button" :disabled="nodes.length !== 2" @click="act('join-ends', { nodes })">Join two ends</button>
        <button type="button" class="quiet-button" :disabled="one.contours.every((contour) => contour.closed)" @click="act('close-line')">Close</button>
        <button type="button" class="quiet-button" :disabled="!segments.length" @click="act('delete-segment', { segments: [segments[0]] })">Delete segment</button>
        <button type="button" class="quiet-button" @click="act('reverse-line')">Reverse</button>
      </div>
      <TypedValue v-if="nodes.length" label="Round these corners by" name="radius" :value="one.corners.find((corner) => draw.nodes.has(`${corner[0]} ${corner[1]}`))?.[2] ?? 0" @keep="act('round-corners', { nodes, radius: $event })" />
    </template>
  </Section>
</template>

<style scoped>
.pair { display: grid; grid-template-columns: 1fr 1fr; gap: 4px 10px; }
.grid { display: flex; flex-wrap: wrap; gap: 5px; }
.says { font-size: 15px; color: var(--ink-mid); line-height: 1.3; }
</style>
