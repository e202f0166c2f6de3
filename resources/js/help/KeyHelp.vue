<script setup lang="ts">
import { t } from '@/words/words'
import { comboOf, isHeld, written } from '@/keys/combos'
import { useKeys } from '@/keys/useKeys'
import type { KeyAct } from '@/keys/acts'
import { useShaping } from '@/stores/shaping'
import { ElButton, ElDialog, ElSwitch } from 'element-plus'
import { computed, ref, watch } from 'vue'

/** Every key with what it does; each can be changed, or taken away, by whoever sits here. */
const open = defineModel<boolean>({ required: true })
const keys = useKeys()
const shaping = useShaping()
watch(open, (is) => is && shaping.load())
const parts = [
  { part: 'bench', title: t('On the bench') },
  { part: 'stages', title: t('Stages') },
  { part: 'draw', title: t('Tools of Draw') },
  { part: 'shape', title: t('Tools of Shape') },
] as const
const lists = computed(() => parts.map((one) => ({ ...one, acts: keys.all.filter((act) => act.part === one.part) })))
/** What the pointer and the keys that cannot be changed do. */
const fixed = [
  [t('Ctrl K'), t('search everything')],
  [t('Wheel, two fingers'), t('zoom; two fingers move over the bench too')],
  [t('Space and drag'), t('move over the bench')],
  [t('Arrows'), t('nudge what is chosen, Shift: ten times; with nothing chosen, move over the bench')],
  [t('Press and hold, right button'), t('what can be done here, and what lies beneath')],
  [t('Alt and drag'), t('a copy')],
  [t('Double press'), t('enter a group; type letters; add a node; lay a shape')],
  [t('Shift'), t('choose more; straight, equal sides, 15°')],
  [t('Ctrl held'), t('no snapping while it is held')],
  ['Enter', t('keep, end a curve, lay a shape or letters in the middle')],
  ['Esc', t('out of a comparison, a finding, its group, what is chosen')],
  [t('[ and ] with a tool of Shape'), t('walk through cells, crossings and gaps; Enter presses one')],
  [t('On a step: Enter, Space'), t('open it, switch it')],
  [t('On a step: Alt and an arrow'), t('earlier or later in the line')],
]
const print = () => window.print()
const changes = ref<string | null>(null)
const why = ref('')
watch(open, () => (changes.value = null))
function ask(act: KeyAct) {
  why.value = ''
  changes.value = changes.value === act.name ? null : act.name
}
function press(event: KeyboardEvent, act: KeyAct) {
  if (changes.value !== act.name || isHeld(event.key) || event.key === 'Tab') return
  event.preventDefault()
  event.stopPropagation()
  if (event.key === 'Escape') return void (changes.value = null)
  why.value = keys.set(act, ['Delete', 'Backspace'].includes(event.key) ? '' : comboOf(event))
  if (why.value === '') changes.value = null
}
</script>

<template>
  <ElDialog v-model="open" title="Keys" width="860" append-to="#over" class="keys-dialog">
    <div class="top">
      <label><ElSwitch v-model="keys.single" aria-label="Single letters and signs as keys" data-test="single-keys" /> Single letters and signs do something</label>
      <ElButton size="small" data-test="print-keys" @click="print">Print the key card</ElButton>
      <ElButton size="small" data-test="reset-keys" @click="keys.reset()">All as they were</ElButton>
    </div>
    <p class="quiet">Press a key in the list to give that act another; Delete takes its key away. Your keys stay in this browser.</p>
    <p v-if="why" class="trouble" role="alert" data-test="key-why">{{ why }}</p>
    <div class="scrolls" tabindex="0" role="region" aria-label="The list of keys">
<div class="all">
      <section v-for="list in lists" :key="list.part">
        <h3>{{ list.title }}</h3>
        <ul>
          <li v-for="act in list.acts" :key="act.name">
            <span v-if="act.fixed" class="key fixed">{{ written(act.usual) }}</span>
            <button v-else type="button" class="key" :class="{ asks: changes === act.name, none: keys.shown(act.name) === '' }" :aria-label="$t('Key for {label}: {what}. Press to change it.', { label: act.label, what: written(keys.of(act)) || $t('none') })" :data-key="act.name" @click="ask(act)" @keydown="press($event, act)">{{ changes === act.name ? $t('press a key') : written(keys.of(act)) || $t('none') }}</button>
            <span>{{ act.label }}</span>
          </li>
        </ul>
      </section>
      <section>
        <h3>Always</h3>
        <ul><li v-for="[key, what] in fixed" :key="key"><span class="key fixed">{{ key }}</span><span>{{ what }}</span></li></ul>
      </section>
    </div>
</div>
  </ElDialog>
</template>

<style scoped>
.top .el-button { margin: 0; }
.top label { flex: 1; }
.top { display: flex; align-items: center; gap: 12px; }
.top label { display: flex; gap: 10px; align-items: center; }
.quiet { margin: 4px 0 8px; }
.scrolls { max-height: 58vh; overflow-y: auto; padding: 2px; }
.all { columns: 2; column-gap: 30px; }
section { break-inside: avoid-column; margin-bottom: 12px; }
section:first-child { break-inside: auto; }
h3 { font-size: 17px; margin: 0 0 6px; }
ul { list-style: none; margin: 0; padding: 0; display: flex; flex-direction: column; gap: 3px; }
li { display: grid; grid-template-columns: 122px 1fr; gap: 12px; align-items: center; line-height: 1.2; color: var(--ink-mid); break-inside: avoid; }
.key { font: 600 15px var(--text-face); color: var(--ink); text-align: left; border: 1px solid var(--line-strong); border-radius: 4px; background: var(--card); padding: 2px 8px; min-height: 26px; cursor: pointer; }
.key.fixed { border-color: transparent; background: none; cursor: default; padding-left: 1px; }
.key.none { color: var(--ink-mid); font-weight: 400; }
.key.asks { border-color: var(--green); background: var(--green-pale); color: var(--green-deep); }
.trouble { margin: 0 0 8px; }
</style>
