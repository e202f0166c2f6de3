<script setup lang="ts">
import { number, t } from '@/words/words'
import TypedWords from '@/fields/TypedWords.vue'
import { expectField } from '@/keys/field'
import { useBench } from '@/stores/bench'
import { useDraw } from '@/stores/draw'
import type { Layer, Piece } from '@/api/types'
import Choose from '@/fields/Choose.vue'
import { ElButton, ElInput } from 'element-plus'
import { computed, ref, watch } from 'vue'
import LayerParts from './LayerParts.vue'
import PiecePicture from './PiecePicture.vue'
import { alike, coloursOf, isAsked, kindsOf, nothingAsked } from './pieces'

const bench = useBench()
const draw = useDraw()
const shown = ref(150)
const naming = ref<string | null>(null)
/** What is asked for of them. */
const asked = ref({ ...nothingAsked })
const found = computed(() => (bench.art?.pieces ?? []).filter((piece) => isAsked(piece, asked.value)))
const sifted = computed(() => found.value.length < (bench.art?.pieces.length ?? 0))
const colours = computed(() => coloursOf(bench.art?.pieces ?? []))
const kinds = computed(() => kindsOf(bench.art?.pieces ?? []))
/** Names that several have: those are told apart by where they lie. */
const doubled = computed(() => alike(found.value))
watch(asked, () => (shown.value = 150), { deep: true })
/** The uppermost layer and piece first, as they lie. */
const layers = computed(() => {
  const byLayer = new Map<string, Piece[]>()
  for (let k = found.value.length - 1; k >= 0; k--) {
    const piece = found.value[k]!
    const list = byLayer.get(piece.layer)
    if (list) list.push(piece)
    else byLayer.set(piece.layer, [piece])
  }
  return [...(bench.art?.layers ?? [])].reverse().filter((layer) => asked.value.layer === '' || layer.id === asked.value.layer).map((layer) => ({ layer, pieces: byLayer.get(layer.id) ?? [] }))
})
function chooseFound() {
  bench.chosen = new Set(found.value.filter(bench.touchable).map((piece) => piece.id))
}
const current = computed(() => bench.art?.layers.find((layer) => layer.id === draw.layer)?.id ?? bench.art?.layers.at(-1)?.id)
const change = (layer: Layer, fields: Record<string, unknown>) => bench.draw({ kind: 'change-layer', layer: layer.id, ...fields })
const mark = (piece: Piece, fields: Record<string, unknown>) => bench.draw({ kind: 'mark', pieces: [piece.id], ...fields })
const hasHidden = computed(() => bench.art?.pieces.some((piece) => piece.hidden))
const hasLocked = computed(() => bench.art?.pieces.some((piece) => piece.locked))

function describe(piece: Piece) {
  const parts = []
  if (piece.stroke) parts.push(t('line {width}', { width: number(piece.stroke.width, 2, 2) }))
  if (piece.box) parts.push(`${number(piece.box[2], 1, 1)} × ${number(piece.box[3], 1, 1)}`)
  if (piece.box && doubled.value.has(piece.called)) parts.push(t('at {x}, {y}', { x: number(piece.box[0], 1, 1), y: number(piece.box[1], 1, 1) }))
  if (piece.groups.length > 0) parts.push(bench.art?.groups[piece.groups[0]!] ?? t('group'))
  return parts.join(' · ')
}
function press(piece: Piece, event: MouseEvent) {
  bench.choose(piece.id, event.shiftKey || event.ctrlKey || event.metaKey || draw.adding, event.altKey || piece.hidden || piece.locked)
}
/** The field has the keys before the press is over. */
function name(id: string) {
  expectField()
  naming.value = id
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
  <div v-if="(bench.art?.pieces.length ?? 0) > 1" class="find" role="search" aria-label="Find pieces">
    <ElInput v-model="asked.words" size="small" clearable placeholder="Name or letters" aria-label="Name or letters" data-test="find-words" @keydown.stop />
    <Choose label="Colour" placeholder="any" :value="asked.colour" :options="[{ value: '', label: $t('any') }, ...colours]" data-field="find-colour" @keep="asked.colour = $event" />
    <Choose label="Kind" placeholder="any" :value="asked.kind" :options="[{ value: '', label: $t('any') }, ...kinds]" data-field="find-kind" @keep="asked.kind = $event" />
    <Choose v-if="(bench.art?.layers.length ?? 0) > 1" label="Layer" placeholder="any" :value="asked.layer" :options="[{ value: '', label: $t('any') }, ...bench.art!.layers.map((layer) => ({ value: layer.id, label: layer.name }))]" data-field="find-layer" @keep="asked.layer = $event" />
    <p v-if="sifted" class="quiet" role="status" data-test="found">
{{ found.length === 0 ? $t('No piece is so.') : $t('{found} of {all}', { found: found.length, all: bench.art?.pieces.length ?? 0 }) }}
      <button v-if="found.length > 0" type="button" class="quiet-button" data-test="choose-found" @click="chooseFound">Choose these</button>
      <button type="button" class="quiet-button" @click="asked = { ...nothingAsked }">Show all again</button>
    </p>
  </div>
  <p v-if="bench.art?.pieces.length === 0" class="quiet">The bench is empty. Take a tool and draw, or lay a reference picture under the work.</p>
  <section v-for="{ layer, pieces } in layers" :key="layer.id" :data-layer="layer.id" :class="{ dim: layer.hidden }">
    <header :class="{ current: layer.id === current }">
      <TypedWords v-if="naming === layer.id" at-once :value="layer.name" aria-label="Name of the layer" data-test="layer-name" @left="renamed(layer, $event)" />
      <button v-else type="button" class="layer" :aria-pressed="layer.id === current" :title="$t('New pieces lie on {name}; a double press renames it', { name: layer.name })" @click="draw.layer = layer.id" @dblclick="name(layer.id)" @keydown.f2="name(layer.id)">{{ layer.name }} <i>{{ pieces.length }}</i></button>
      <span class="acts">
        <button type="button" :aria-label="layer.hidden ? $t('Show the layer {name}', { name: layer.name }) : $t('Hide the layer {name}', { name: layer.name })" @click="change(layer, { hidden: !layer.hidden })">{{ layer.hidden ? $t('show') : $t('hide') }}</button>
        <button type="button" :aria-label="layer.locked ? $t('Unlock the layer {name}', { name: layer.name }) : $t('Lock the layer {name}', { name: layer.name })" @click="change(layer, { locked: !layer.locked })">{{ layer.locked ? $t('unlock') : $t('lock') }}</button>
        <template v-if="layers.length > 1">
          <button type="button" :aria-label="$t('Show {name} alone', { name: layer.name })" @click="change(layer, { alone: true })">alone</button>
          <button type="button" :aria-label="$t('Move {name} up', { name: layer.name })" @click="bench.draw({ kind: 'order-layer', layer: layer.id, way: 'up' })">up</button>
          <button v-if="bench.chosen.size > 0" type="button" :aria-label="$t('Lay what is chosen on {name}', { name: layer.name })" @click="bench.draw({ kind: 'to-layer', pieces: [...bench.chosen], layer: layer.id })">lay here</button>
          <button type="button" :aria-label="$t('Remove the layer {name}', { name: layer.name })" @click="bench.draw({ kind: 'remove-layer', layer: layer.id })">remove</button>
        </template>
      </span>
    </header>
    <ul>
      <li v-for="piece in pieces.slice(0, shown)" :key="piece.id" :class="{ chosen: bench.chosen.has(piece.id), dim: piece.hidden }">
        <div v-if="naming === piece.id" class="piece">
          <PiecePicture :piece="piece" />
          <TypedWords at-once :value="piece.name" aria-label="Name of the piece" data-test="piece-name" @left="named(piece, $event)" />
        </div>
        <button v-else type="button" class="piece" :aria-pressed="bench.chosen.has(piece.id)" :data-row="piece.id" :style="{ marginLeft: `${piece.groups.length * 8}px` }" title="A double press renames it" @click="press(piece, $event)" @dblclick="name(piece.id)" @keydown.f2="name(piece.id)">
          <PiecePicture :piece="piece" />
          <span class="name">{{ piece.called }}</span>
          <span class="size numbers">{{ describe(piece) }}</span>
        </button>
        <span class="acts">
          <button type="button" :aria-label="piece.hidden ? $t('Show {piece}', { piece: piece.called }) : $t('Hide {piece}', { piece: piece.called })" @click="mark(piece, { hidden: !piece.hidden })">{{ piece.hidden ? $t('show') : $t('hide') }}</button>
          <button type="button" :aria-label="piece.locked ? $t('Unlock {piece}', { piece: piece.called }) : $t('Lock {piece}', { piece: piece.called })" @click="mark(piece, { locked: !piece.locked })">{{ piece.locked ? $t('unlock') : $t('lock') }}</button>
        </span>
      </li>
    </ul>
    <ElButton v-if="pieces.length > shown" size="small" @click="shown += 500">Show more of {{ pieces.length }}</ElButton>
  </section>
  <LayerParts />
</template>

<style scoped>
.row { display: flex; flex-wrap: wrap; gap: 5px; }
.row .el-button { margin: 0; }
section.dim ul, li.dim { opacity: .5; }
header { border-top: 1px solid var(--line); padding: 4px 0 2px; }
header.current .layer { color: var(--green); }
.layer { min-height: 26px; border: 0; background: none; font: 560 16px/1.2 var(--title-face); padding: 0; cursor: pointer; color: var(--ink); }
.layer i { font: 400 14px var(--text-face); color: var(--ink-soft); }
ul { list-style: none; margin: 0; padding: 0; }
li { display: grid; grid-template-columns: minmax(0, 1fr) auto; align-items: center; border-radius: 3px; }
li.chosen { background: var(--green-pale); }
.piece :deep(svg) { grid-row: 1 / 3; }
.piece { display: grid; grid-template-columns: auto minmax(0, 1fr); gap: 0 8px; align-items: center; border: 0; background: none; padding: 2px 4px; text-align: left; font: inherit; cursor: pointer; color: var(--ink); }
.find { display: flex; flex-direction: column; gap: 4px; }
.find .quiet { display: flex; flex-wrap: wrap; gap: 4px 10px; align-items: baseline; font-size: 15px; }
.name { overflow: hidden; text-overflow: ellipsis; white-space: nowrap; font-size: 16px; line-height: 1.2; }
.size { grid-column: 2; font-size: 13px; line-height: 1.1; color: var(--ink-mid); white-space: nowrap; overflow: hidden; text-overflow: ellipsis; }
.acts { display: flex; flex-wrap: wrap; gap: 0 8px; }
.acts button { min-height: 24px; min-width: 24px; border: 0; background: none; font: 14px var(--text-face); color: var(--green); padding: 0; cursor: pointer; text-decoration: underline; text-decoration-color: transparent; }
.acts button:hover { text-decoration-color: currentColor; }
li .acts { opacity: 0; line-height: 1; }
li:hover .acts, li:focus-within .acts, li.dim .acts { opacity: 1; }
</style>
