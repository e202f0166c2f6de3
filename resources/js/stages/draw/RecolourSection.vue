<script setup lang="ts">
import ColourWell from '@/fields/ColourWell.vue'
import TypedWords from '@/fields/TypedWords.vue'
import { useBench } from '@/stores/bench'
import { ElButton } from 'element-plus'
import { computed, ref, watch } from 'vue'
import { count as number } from '@/units'
import Section from './Section.vue'

const bench = useBench()
const from = ref<string | null>(null)
const to = ref('#1d5c46')
const colours = computed(() => {
  const count = new Map<string, number>()
  for (const piece of bench.art?.pieces ?? []) {
    for (const colour of [...(piece.fillGradient ? piece.fillGradient.stops.map((stop) => stop.colour) : [piece.fill]), piece.stroke?.colour]) if (colour) count.set(colour, (count.get(colour) ?? 0) + 1)
  }
  return [...count].sort((a, b) => b[1] - a[1]).slice(0, 30)
})
function attempt(colour: string) {
  to.value = colour
  if (from.value) bench.preview({ kind: 'recolour', colour: from.value, to: colour })
}
async function keep() {
  // A colour that is still being shown is kept all the same.
  if (await bench.draw({ kind: 'recolour', colour: from.value, to: to.value })) from.value = null
}
function leave() {
  from.value = null
  if (bench.view.kind === 'preview') bench.show({ kind: 'source' })
}
watch(() => bench.view.kind, (kind, before) => {
  if (before === 'preview' && kind !== 'preview') from.value = null
})
</script>

<template>
  <Section title="Recolour all" name="recolour" shut :says="number(colours.length, 'colour')">
    <div class="list">
      <button v-for="[colour, count] in colours" :key="colour" type="button" :class="{ on: from === colour }" :data-colour="colour" @click="from = colour"><span class="heard">Recolour everything that is</span><span class="dab" :style="{ background: colour }" />{{ colour }} <i>{{ count }}</i></button>
    </div>
    <template v-if="from">
      <div class="to">to <ColourWell :value="to" says="New colour" data-field="recolourTo" @attempt="attempt" @keep="attempt" /> <TypedWords :value="to" aria-label="New colour by number" @keep="attempt" /></div>
      <div class="row">
        <ElButton type="primary" size="small" :disabled="to === from" data-test="keep-colour" @click="keep">Keep it</ElButton>
        <ElButton size="small" @click="leave">Cancel</ElButton>
      </div>
    </template>
  </Section>
</template>

<style scoped>
.list { display: grid; grid-template-columns: 1fr 1fr; gap: 2px; }
.list button { display: flex; align-items: center; gap: 6px; border: 0; background: none; font: 14px var(--text-face); padding: 2px 4px; min-height: 24px; border-radius: 3px; cursor: pointer; color: var(--ink); }
.list button.on, .list button:hover { background: var(--green-pale); }
.list .dab { width: 15px; height: 15px; border-radius: 50%; border: 1px solid var(--line-strong); flex: none; }
i { color: var(--ink-soft); font-style: normal; }
label { display: flex; gap: 7px; align-items: center; font-size: 15px; }
.row { display: flex; gap: 6px; }
.row .el-button { margin: 0; }
.to { display: flex; align-items: center; gap: 7px; }
.to .el-input { width: 92px; }
</style>
