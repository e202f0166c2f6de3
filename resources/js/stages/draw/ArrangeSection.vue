<script setup lang="ts">
import TypedValue from '@/fields/TypedValue.vue'
import { useBench } from '@/stores/bench'
import { computed, ref } from 'vue'
import { commands } from './commands'
import Section from './Section.vue'

const bench = useBench()
const to = ref('selection')
const edges = [['left', 'Left'], ['centre', 'Centre'], ['right', 'Right'], ['top', 'Top'], ['middle', 'Middle'], ['bottom', 'Bottom']] as const
const key = computed(() => [...bench.chosen].map((id) => bench.byId.get(id)).filter((piece) => piece !== undefined).slice(0, 40))
const target = computed(() => (to.value === 'selection' || to.value === 'page' || bench.chosen.has(to.value) ? to.value : 'selection'))
const align = (edge: string) => bench.draw({ kind: 'align', pieces: [...bench.chosen], edge, to: target.value, inside: bench.entered ?? '' })
const spread = (way: string, more: Record<string, unknown> = {}) => bench.draw({ kind: 'distribute', pieces: [...bench.chosen], way, to: target.value === 'page' ? 'page' : 'selection', inside: bench.entered ?? '', ...more })
</script>

<template>
  <Section title="Align and spread" name="align" shut>
    <label class="choice"><span>To</span>
      <select v-model="to" data-field="alignTo"><option value="selection">All that is chosen</option><option value="page">The page</option><option v-for="piece in key" :key="piece.id" :value="piece.id">{{ piece.called }}</option></select>
    </label>
    <div class="three"><button v-for="[edge, label] in edges" :key="edge" type="button" class="quiet-button" :data-test="`align-${edge}`" @click="align(edge)">{{ label }}</button></div>
    <div class="three">
      <button type="button" class="quiet-button" @click="spread('across')">Even gaps across</button>
      <button type="button" class="quiet-button" @click="spread('down')">Even gaps down</button>
      <button type="button" class="quiet-button" @click="spread('across', { of: 'middles' })">Even middles across</button>
      <button type="button" class="quiet-button" @click="spread('down', { of: 'middles' })">Even middles down</button>
    </div>
    <TypedValue label="Set gaps across" name="gap" :value="null" @keep="spread('across', { by: $event })" />
    <TypedValue label="Set gaps down" :value="null" @keep="spread('down', { by: $event })" />
  </Section>
  <Section title="Do" name="commands" shut>
    <div class="three">
      <button v-for="one in commands" :key="one.label" type="button" class="quiet-button" :title="one.keys ? `${one.says} (${one.keys})` : one.says" :disabled="!one.can(bench)" :data-command="one.label" @click="one.run(bench)">{{ one.label }}</button>
    </div>
  </Section>
</template>

<style scoped>
.choice { display: grid; grid-template-columns: 40px minmax(0, 1fr); font-size: 15px; align-items: center; gap: 5px; }
select { font: inherit; border: 1px solid var(--line-strong); border-radius: 3px; background: #fffcf4; padding: 3px 4px; min-width: 0; color: var(--ink); }
.three { display: flex; flex-wrap: wrap; gap: 5px; }
</style>
