<script setup lang="ts">
import TypedWords from '@/fields/TypedWords.vue'
import { useBench } from '@/stores/bench'
import { useDraw } from '@/stores/draw'
import type { Layer, Piece } from '@/api/types'
import { ElButton } from 'element-plus'
import { computed, ref } from 'vue'

const bench = useBench()
const draw = useDraw()
const shown = ref(150)
const naming = ref<string | null>(null)
/** The uppermost layer and piece first, as they lie. */
const layers = computed(() => [...(bench.art?.layers ?? [])].reverse().map((layer) => ({ layer, pieces: (bench.art?.pieces ?? []).filter((piece) => piece.layer === layer.id).reverse() })))
const current = computed(() => bench.art?.layers.find((layer) => layer.id === draw.layer)?.id ?? bench.art?.layers.at(-1)?.id)
const change = (layer: Layer, fields: Record<string, unknown>) => bench.draw({ kind: 'change-layer', layer: layer.id, ...fields })
const mark = (piece: Piece, fields: Record<string, unknown>) => bench.draw({ kind: 'mark', pieces: [piece.id], ...fields })
const hasHidden = computed(() => bench.art?.pieces.some((piece) => piece.hidden))
const hasLocked = computed(() => bench.art?.pieces.some((piece) => piece.locked))

function describe(piece: Piece) {
  const parts = []
  if (piece.stroke) parts.push(`line ${piece.stroke.width.toFixed(2)}`)
  if (piece.box) parts.push(`${piece.box[2].toFixed(1)} × ${piece.box[3].toFixed(1)}`)
  if (piece.groups.length > 0) parts.push(bench.art?.groups[piece.groups[0]!] ?? 'group')
  return parts.join(' · ')
}
function press(piece: Piece, event: MouseEvent) {
  bench.choose(piece.id, event.shiftKey || event.ctrlKey || event.metaKey, event.altKey || piece.hidden || piece.locked)
}
function renamed(layer: Layer, words: string) {
  naming.value = null
  if (words.trim() !== layer.name) change(layer, { name: words })
}
function named(piece: Piece, words: string) {
  naming.value = null
  const name = words.trim()
  if (name !== piece.name) mark(piece, { name })
}
</script>

<template>
  <div class="row">
    <ElButton size="small" @click="bench.chooseAll()">Choose all</ElButton>
    <ElButton size="small" @click="bench.draw({ kind: 'add-layer' })">Add a layer</ElButton>
    <ElButton v-if="hasHidden" size="small" @click="bench.draw({ kind: 'mark', pieces: [], hidden: false })">Show all</ElButton>
    <ElButton v-if="hasLocked" size="small" @click="bench.draw({ kind: 'mark', pieces: [], locked: false })">Unlock all</ElButton>
    <ElButton v-if="bench.chosen.size > 0" size="small" @click="bench.draw({ kind: 'mark', pieces: [...bench.chosen], alone: true })">Show alone</ElButton>
  </div>
  <p v-if="bench.art?.pieces.length === 0" class="quiet">The bench is empty. Take a tool and draw, or lay a reference picture under the work.</p>
  <section v-for="{ layer, pieces } in layers" :key="layer.id" :data-layer="layer.id" :class="{ dim: layer.hidden }">
    <header :class="{ current: layer.id === current }">
      <button type="button" class="layer" :aria-pressed="layer.id === current" :title="`New pieces lie on ${layer.name}`" @click="draw.layer = layer.id" @dblclick="naming = layer.id">
        <TypedWords v-if="naming === layer.id" at-once :value="layer.name" aria-label="Name of the layer" @click.stop @left="renamed(layer, $event)" />
        <template v-else>{{ layer.name }} <i>{{ pieces.length }}</i></template>
      </button>
      <span class="acts">
        <button type="button" :aria-label="`${layer.hidden ? 'Show' : 'Hide'} the layer ${layer.name}`" @click="change(layer, { hidden: !layer.hidden })">{{ layer.hidden ? 'show' : 'hide' }}</button>
        <button type="button" :aria-label="`${layer.locked ? 'Unlock' : 'Lock'} the layer ${layer.name}`" @click="change(layer, { locked: !layer.locked })">{{ layer.locked ? 'unlock' : 'lock' }}</button>
        <template v-if="layers.length > 1">
          <button type="button" :aria-label="`Show ${layer.name} alone`" @click="change(layer, { alone: true })">alone</button>
          <button type="button" :aria-label="`Move ${layer.name} up`" @click="bench.draw({ kind: 'order-layer', layer: layer.id, way: 'up' })">up</button>
          <button v-if="bench.chosen.size > 0" type="button" :aria-label="`Lay what is chosen on ${layer.name}`" @click="bench.draw({ kind: 'to-layer', pieces: [...bench.chosen], layer: layer.id })">lay here</button>
          <button type="button" :aria-label="`Remove the layer ${layer.name}`" @click="bench.draw({ kind: 'remove-layer', layer: layer.id })">remove</button>
        </template>
      </span>
    </header>
    <ul>
      <li v-for="piece in pieces.slice(0, shown)" :key="piece.id" :class="{ chosen: bench.chosen.has(piece.id), dim: piece.hidden }">
        <button type="button" class="piece" :aria-pressed="bench.chosen.has(piece.id)" :data-row="piece.id" @click="press(piece, $event)" @dblclick="naming = piece.id">
          <span class="dab" :style="{ background: piece.fill ?? 'transparent', borderColor: piece.stroke?.colour ?? 'var(--line-strong)', marginLeft: `${piece.groups.length * 8}px` }" />
          <TypedWords v-if="naming === piece.id" at-once :value="piece.name" aria-label="Name of the piece" @click.stop @left="named(piece, $event)" />
          <span v-else class="name">{{ piece.called }}</span>
          <span class="size numbers">{{ describe(piece) }}</span>
        </button>
        <span class="acts">
          <button type="button" :aria-label="`${piece.hidden ? 'Show' : 'Hide'} ${piece.called}`" @click="mark(piece, { hidden: !piece.hidden })">{{ piece.hidden ? 'show' : 'hide' }}</button>
          <button type="button" :aria-label="`${piece.locked ? 'Unlock' : 'Lock'} ${piece.called}`" @click="mark(piece, { locked: !piece.locked })">{{ piece.locked ? 'unlock' : 'lock' }}</button>
        </span>
      </li>
    </ul>
    <ElButton v-if="pieces.length > shown" size="small" @click="shown += 500">Show more of {{ pieces.length }}</ElButton>
  </section>
</template>

<style scoped>
.row { display: flex; flex-wrap: wrap; gap: 5px; }
.row .el-button { margin: 0; }
section.dim ul, li.dim { opacity: .5; }
header { border-top: 1px solid var(--line); padding: 4px 0 2px; }
header.current .layer { color: var(--green); }
.layer { border: 0; background: none; font: 560 16px/1.2 var(--title-face); padding: 0; cursor: pointer; color: var(--ink); }
.layer i { font: 400 14px var(--text-face); color: var(--ink-soft); }
ul { list-style: none; margin: 0; padding: 0; }
li { display: grid; grid-template-columns: minmax(0, 1fr) auto; align-items: center; border-radius: 3px; }
li.chosen { background: var(--green-pale); }
.piece { display: grid; grid-template-columns: auto minmax(0, 1fr); gap: 0 8px; align-items: center; border: 0; background: none; padding: 2px 4px; text-align: left; font: inherit; cursor: pointer; color: var(--ink); }
.dab { width: 14px; height: 14px; border-radius: 50%; border: 2px solid; }
.name { overflow: hidden; text-overflow: ellipsis; white-space: nowrap; font-size: 16px; line-height: 1.2; }
.size { grid-column: 2; font-size: 13px; line-height: 1.1; color: var(--ink-mid); white-space: nowrap; overflow: hidden; text-overflow: ellipsis; }
.acts { display: flex; flex-wrap: wrap; gap: 0 8px; }
.acts button { border: 0; background: none; font: 14px var(--text-face); color: var(--green); padding: 0; cursor: pointer; text-decoration: underline; text-decoration-color: transparent; }
.acts button:hover { text-decoration-color: currentColor; }
li .acts { opacity: 0; flex-direction: column; line-height: 1; }
li:hover .acts, li:focus-within .acts, li.dim .acts { opacity: 1; }
</style>
