<script setup lang="ts">
import { lower, t } from '@/words/words'
import type { Foretold } from '@/api/types'
import { useBench } from '@/stores/bench'
import { useCure } from '@/stores/cure'
import { ElButton } from 'element-plus'
import { computed } from 'vue'

/** What can be done about some findings of one kind; what a remedy would change is shown before it is made. */
const props = defineProps<{ kind: string; numbers: number[] }>()
const cure = useCure()
const bench = useBench()
/** One sentence of what it comes to. */
function says(one: Foretold): string {
  const all = one.cures + one.leaves
  const cures = one.cures === 0 ? t('cures nothing of it') : one.leaves === 0 ? (all === 1 ? t('cures it') : t('cures all {all}', { all })) : t('cures {cures} of {all}, leaves {leaves}', { cures: one.cures, all, leaves: one.leaves })
  return one.makes.length === 0 ? cures : t('{cures}, makes anew: {kinds}', { cures, kinds: one.makes.map((each) => `${lower(each.label)} (${each.count})`).join(', ') })
}
const ways = computed(() => ([['step', t('As a step')], ['art', t('On the art')]] as const).flatMap(([way, label]) => {
  const one = cure.told[way]
  return one === undefined ? [] : [{ way, bad: typeof one === 'string' || one.cures === 0 || one.makes.length > 0, text: `${label}: ${typeof one === 'string' ? one : says(one)}${typeof one === 'string' ? '' : '.'}` }]
}))
const mine = () => cure.hand !== null && cure.hand.numbers.length === props.numbers.length && cure.hand.numbers[0] === props.numbers[0]
</script>

<template>
  <div v-if="cure.remediesOf(kind).length > 0" class="remedies" role="group" aria-label="Remedies">
    <template v-if="!mine()">
      <ElButton v-for="one in cure.remediesOf(kind)" :key="one.label" size="small" :disabled="bench.running || cure.showing" :data-test="`remedy-${one.step}`" @click="cure.take(one, numbers)">{{ numbers.length > 1 && one.places ? $t('{remedy} all', { remedy: one.label }) : one.label }}</ElButton>
    </template>
    <template v-else-if="cure.hand">
      <p>{{ cure.hand.remedy.label }}: {{ !cure.hand.remedy.onArt ? $t('made of all that is seen, in the line.') : cure.showing ? $t('working it out…') : bench.view.kind === 'preview' ? $t('shown on the bench.') : $t('it cannot be made here.') }}</p>
      <p v-if="ways.length === 0 && !cure.showing" class="quiet" role="status">Counting what it cures…</p>
      <p v-for="one in ways" :key="one.way" :class="{ bad: one.bad }" role="status" :data-test="`told-${one.way}`">{{ one.text }}</p>
      <p v-if="cure.instead" data-test="told-instead">“{{ cure.instead.label }}” would help more: it {{ says(cure.instead) }}.</p>
      <ElButton size="small" :type="cure.hand.remedy.source ? 'default' : 'primary'" :disabled="cure.showing" data-test="cure-step" @click="cure.asStep()">As a step of the line</ElButton>
      <ElButton v-if="cure.hand.remedy.onArt" size="small" :type="cure.hand.remedy.source ? 'primary' : 'default'" :disabled="cure.showing || bench.view.kind !== 'preview'" data-test="cure-art" @click="cure.onArt()">On the art itself</ElButton>
      <ElButton size="small" data-test="cure-leave" @click="cure.put()">Cancel</ElButton>
    </template>
  </div>
</template>

<style scoped>
.remedies { display: flex; flex-wrap: wrap; gap: 5px; }
.remedies .el-button { margin: 0; }
.bad { color: var(--coral-deep); }
p { width: 100%; font-size: 14.5px; line-height: 1.25; color: var(--ink-mid); }
</style>
