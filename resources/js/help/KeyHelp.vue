<script setup lang="ts">
import { ElDialog } from 'element-plus'

const open = defineModel<boolean>({ required: true })
const keys = [
  ['1 to 7', 'enter a stage'],
  ['P', 'prepare'],
  ['W', 'wipe before | after'],
  ['S', 'show what came in'],
  ['E', 'wire view: edges only'],
  ['N / B', 'next finding / the one before'],
  ['Wheel, pinch, + and -', 'zoom'],
  ['0', 'fit the art'],
  ['Space and drag, arrows', 'move over the bench'],
  ['Ctrl A, Esc', 'choose all pieces, none'],
  ['Delete', 'remove what is chosen'],
  ['Ctrl Z, Ctrl Shift Z', 'undo, do again'],
  ['?', 'this list'],
]
</script>

<template>
  <ElDialog v-model="open" title="Keys" width="460">
    <dl>
      <template v-for="[key, what] in keys" :key="key"><dt>{{ key }}</dt><dd>{{ what }}</dd></template>
    </dl>
  </ElDialog>
</template>

<style scoped>
dl { display: grid; grid-template-columns: auto 1fr; gap: 7px 18px; margin: 0; }
dt { font-weight: 700; }
dd { margin: 0; color: var(--ink-mid); }
</style>
