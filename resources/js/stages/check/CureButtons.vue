<script setup lang="ts">
import { useBench } from '@/stores/bench'
import { useCure } from '@/stores/cure'
import { ElButton } from 'element-plus'

/** What can be done about some findings of one kind; what a remedy would change is shown before it is made. */
const props = defineProps<{ kind: string; numbers: number[] }>()
const cure = useCure()
const bench = useBench()
const mine = () => cure.hand !== null && cure.hand.numbers.length === props.numbers.length && cure.hand.numbers[0] === props.numbers[0]
</script>

<template>
  <div v-if="cure.remediesOf(kind).length > 0" class="remedies" role="group" aria-label="Remedies">
    <template v-if="!mine()">
      <ElButton v-for="one in cure.remediesOf(kind)" :key="one.label" size="small" :disabled="bench.running || cure.showing" :data-test="`remedy-${one.step}`" @click="cure.take(one, numbers)">{{ one.label }}{{ numbers.length > 1 && one.places ? ' all' : '' }}</ElButton>
    </template>
    <template v-else-if="cure.hand">
      <p>{{ cure.hand.remedy.label }}: {{ !cure.hand.remedy.onArt ? 'made of all that is seen, in the line.' : cure.showing ? 'working it out…' : bench.view.kind === 'preview' ? 'shown on the bench.' : 'it cannot be made here.' }}</p>
      <ElButton size="small" :type="cure.hand.remedy.source ? 'default' : 'primary'" :disabled="cure.showing" data-test="cure-step" @click="cure.asStep()">As a step of the line</ElButton>
      <ElButton v-if="cure.hand.remedy.onArt" size="small" :type="cure.hand.remedy.source ? 'primary' : 'default'" :disabled="cure.showing || bench.view.kind !== 'preview'" data-test="cure-art" @click="cure.onArt()">On the art itself</ElButton>
      <ElButton size="small" data-test="cure-leave" @click="cure.put()">Leave it</ElButton>
    </template>
  </div>
</template>

<style scoped>
.remedies { display: flex; flex-wrap: wrap; gap: 5px; }
.remedies .el-button { margin: 0; }
p { width: 100%; font-size: 14.5px; line-height: 1.25; color: var(--ink-mid); }
</style>
