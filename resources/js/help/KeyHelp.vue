<script setup lang="ts">
import { tools } from '@/stores/draw'
import { useShaping } from '@/stores/shaping'
import { ElDialog } from 'element-plus'
import { computed } from 'vue'

const open = defineModel<boolean>({ required: true })
const shaping = useShaping()
const shaped = computed(() => Object.values(shaping.tools).filter((one) => one.key !== ''))
const keys = [
  ['1 to 7', 'enter a stage'],
  ['P', 'prepare'],
  ['W', 'wipe before | after'],
  ['K', 'go through a sheet as its machine will'],
  ['S', 'back to the bench'],
  ['O', 'show the file as it came in'],
  ['E', 'wire view: edges, nodes, where each begins and its way'],
  ['N / B', 'next finding / the one before'],
  ['Wheel, pinch, + and -', 'zoom'],
  ['0', 'fit the art'],
  ['Space and drag, arrows', 'move over the bench'],
  ['Ctrl A', 'choose all pieces'],
  ['Esc', 'out of a comparison, a finding, its group, what is chosen'],
  ['Delete', 'remove what is chosen'],
  ['Ctrl Z, Ctrl Shift Z', 'undo, do again'],
  ['V', 'versions of this job'],
  ['On a step: Enter, Space', 'open it, switch it'],
  ['On a step: Alt and an arrow', 'earlier or later in the line'],
  ['On a step: Delete', 'take it out of the line'],
  ['?', 'this list'],
]
const drawKeys = [
  ...tools.map((one) => [one.key.toUpperCase(), one.label.toLowerCase()]),
  ['Arrows', 'nudge what is chosen (Shift: ten times)'],
  ['[ and ]', 'choose the piece or node before, after'],
  ['Alt press', 'choose what lies beneath'],
  ['Alt drag', 'a copy'],
  ['Double press', 'enter a group; type letters; add a node; lay a shape'],
  ['Shift', 'straight, equal sides, 15°'],
  ['Ctrl held', 'no snapping while it is held'],
  ['Enter', 'end a curve; lay a shape or letters in the middle'],
  ['R', 'repeat the last transform on a copy'],
  ['PgUp, PgDn', 'forward, back'],
  ['Ctrl C, X, V', 'copy, cut, paste'],
  ['Ctrl Shift V', 'paste in place'],
  ['Ctrl D, Ctrl G', 'duplicate, group'],
  ['G', 'reference picture hidden or shown'],
  ['I', 'snapping on or off'],
]
</script>

<template>
  <ElDialog v-model="open" title="Keys" width="820">
    <div class="both">
      <dl>
        <template v-for="[key, what] in keys" :key="key"><dt>{{ key }}</dt><dd>{{ what }}</dd></template>
      </dl>
      <section>
        <h3>In Draw</h3>
        <dl>
          <template v-for="[key, what] in drawKeys" :key="key"><dt>{{ key }}</dt><dd>{{ what }}</dd></template>
        </dl>
        <h3>Shaping, in Draw and Shape</h3>
        <dl>
          <template v-for="one in shaped" :key="one.key"><dt>Shift {{ one.key }}</dt><dd>{{ one.label.toLowerCase() }}</dd></template>
          <dt>.</dt><dd>the last operation once more, on what is chosen</dd>
          <dt>[ and ], Enter</dt><dd>walk through cells, crossings and gaps; press one</dd>
        </dl>
      </section>
    </div>
  </ElDialog>
</template>

<style scoped>
.both { display: grid; grid-template-columns: 1fr 1fr; gap: 30px; max-height: 62vh; overflow-y: auto; }
h3 { font-size: 17px; margin: 0 0 6px; }
dl + h3 { margin-top: 14px; }
dl { display: grid; align-content: start; grid-template-columns: auto 1fr; gap: 7px 18px; margin: 0; }
dt { font-weight: 700; }
dd { margin: 0; color: var(--ink-mid); }
</style>
