<script setup lang="ts">
import { t } from '@/words/words'
import { labelled } from '@/fields/options'
import Choose from '@/fields/Choose.vue'
import TypedValue from '@/fields/TypedValue.vue'
import { useKeys } from '@/keys/useKeys'
import { useBench } from '@/stores/bench'
import { computed, ref } from 'vue'
import { commands } from './commands'
import Section from './Section.vue'

const bench = useBench()
const keys = useKeys()
const to = ref('selection')
const edges = [['left', t('Left')], ['centre', t('Centre')], ['right', t('Right')], ['top', t('Top')], ['middle', t('Middle')], ['bottom', t('Bottom')]] as const
const key = computed(() => [...bench.chosen].map((id) => bench.byId.get(id)).filter((piece) => piece !== undefined).slice(0, 40))
const target = computed(() => (to.value === 'selection' || to.value === 'page' || bench.chosen.has(to.value) ? to.value : 'selection'))
const align = (edge: string) => bench.draw({ kind: 'align', pieces: [...bench.chosen], edge, to: target.value, inside: bench.entered ?? '' })
const spread = (way: string, more: Record<string, unknown> = {}) => bench.draw({ kind: 'distribute', pieces: [...bench.chosen], way, to: target.value === 'page' ? 'page' : 'selection', inside: bench.entered ?? '', ...more })
</script>

<template>
  <Section title="Align and spread" name="align" shut>
    <Choose label="To" :value="target" :options="[...labelled({ selection: $t('All that is chosen'), page: $t('The page') }), ...key.map((piece) => ({ value: piece.id, label: piece.called }))]" data-field="alignTo" @keep="to = $event" />
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
      <button v-for="one in commands" :key="one.label" type="button" class="quiet-button" :title="one.act && keys.shown(one.act) ? `${one.says} (${keys.shown(one.act)})` : one.says" :disabled="!one.can(bench)" :data-command="one.label" @click="one.run(bench)">{{ one.label }}</button>
    </div>
  </Section>
</template>

<style scoped>
.three { display: flex; flex-wrap: wrap; gap: 5px; }
</style>
