<script setup lang="ts">
import { number } from '@/words/words'
import Count from '@/fields/Count.vue'
import TypedWords from '@/fields/TypedWords.vue'
import WhoMay from '@/fields/WhoMay.vue'
import { api, words } from '@/api/client'
import type { Palette } from '@/api/types'
import { useBench } from '@/stores/bench'
import { useColours } from '@/stores/colours'
import { useLine } from '@/stores/line'
import { useMe } from '@/stores/me'
import { ElButton } from 'element-plus'
import { computed, ref, watch } from 'vue'
import NotYet from './NotYet.vue'
import Drawer from './Drawer.vue'

const bench = useBench()
const line = useLine()
const names = useColours()
const me = useMe()
const palette = ref<Palette | null>(null)
const busy = ref(false)
const naming = ref<string | null>(null)

/** By what lies on the bench: also before anything is prepared. */
async function load() {
  if (!bench.job) return
  busy.value = true
  try {
    palette.value = await api.get<Palette>(`jobs/${bench.job.id}/colours`)
  } catch (refused) {
    bench.problem = words(refused)
  } finally {
    busy.value = false
  }
}
watch(() => `${bench.job?.id} ${bench.job?.version}`, load, { immediate: true })
names.load()

const sheetOf = (hex: string) => bench.sheets.findIndex((sheet) => sheet.colour === hex && sheet.paint === 'flat' && sheet.opacity === 1)
function press(hex: string) {
  const index = sheetOf(hex)
  if (index < 0) return
  const on = bench.view.kind === 'sheet' && bench.view.index === index
  bench.show(on ? { kind: 'wipe' } : { kind: 'sheet', index })
}
async function name(hex: string, words: string) {
  naming.value = null
  await names.name(hex, words)
}
/** Near ones that are proposed to become one: those that one can hardly tell apart come first. */
const near = computed(() => palette.value?.near.slice(0, 8) ?? [])
function join(from: string, to: string) {
  return bench.edit({ kind: 'recolour', colour: from, to })
}
const shown = ref<string | null>(null)
async function look(from: string, to: string) {
  shown.value = shown.value === from ? null : from
  if (shown.value) await bench.preview({ kind: 'recolour', colour: from, to })
  else bench.show({ kind: 'source' })
}
const down = ref(0)
const kept = computed(() => palette.value?.colours.length ?? 0)
watch(kept, (many) => (down.value = Math.min(many, bench.job?.limits.colours || many)))
const merges = computed(() => (palette.value ? [...palette.value.down].reverse().slice(0, Math.max(0, kept.value - down.value)) : []))
async function cut() {
  const there = line.steps.find((step) => step.kind === 'reduce-colours')
  if (there) {
    await bench.edit({ kind: 'line-set', step: there.id, values: { count: down.value } }, 'draw:line')
    if (!there.on) await line.turn(there.id, true)
    else if (bench.preparation) await bench.prepare()
  } else await bench.edit({ kind: 'line-insert', what: 'reduce-colours', values: { count: down.value } })
}
/** How the colours lie on each other, as the line has it. */
const stack = computed(() => line.steps.find((step) => step.kind === 'stack'))
</script>

<template>
  <Drawer :guide="['colours-and-sheets', 'colours']" title="Colours" hint="What is seen of each colour, by area. Give each its material or ink; press one to see its sheet.">
    <p v-if="busy && !palette" class="quiet">Measuring the colours…</p>
    <NotYet v-else-if="bench.art?.pieces.length === 0" says="" />
    <p v-else-if="palette && palette.colours.length === 0" class="quiet">There is no flat colour on the bench yet.</p>
    <ul v-if="palette" class="list">
      <li v-for="one in palette.colours" :key="one.hex" :data-colour="one.hex">
        <button type="button" :class="{ on: bench.view.kind === 'sheet' && bench.view.index === sheetOf(one.hex) }" :disabled="sheetOf(one.hex) < 0" :aria-label="$t('{what}: show its sheet', { what: names.of(one.hex) })" @click="press(one.hex)"><span class="swatch" :style="{ background: one.hex }" /></button>
        <span class="what">
          <TypedWords v-if="naming === one.hex" at-once :value="names.all[one.hex] ?? ''" maxlength="80" :placeholder="$t('material or ink for {hex}', { hex: one.hex })" :aria-label="$t('Material or ink for {hex}', { hex: one.hex })" data-test="colour-name" @left="name(one.hex, $event)" />
          <button v-else type="button" class="name" :disabled="!me.may.draw" :title="$t('{hex}: give it a name', { hex: one.hex })" data-test="name-colour" @click="naming = one.hex">{{ names.of(one.hex) }}</button>
        </span>
        <span class="share numbers">{{ number((100 * one.share), 1, 1) }} %</span>
        <span class="bar"><span :style="{ width: `${100 * one.share}%`, background: one.hex }" /></span>
      </li>
    </ul>
    <div v-if="palette && palette.blended.length > 0" class="part" role="group" aria-label="Colours that are flat nowhere" data-test="blended">
      <p class="quiet">{{ $t('{n, plural, one {# more colour is} other {# more colours are} } flat nowhere; a step makes such colours flat before there are sheets of them.', { n: palette.blended.length }) }}</p>
      <ul class="list">
        <li v-for="one in palette.blended" :key="one.hex" :data-colour="one.hex"><span class="swatch" :style="{ background: one.hex }" /><span class="what">{{ names.of(one.hex) }}</span><span class="share quiet">{{ one.of === 'gradient' ? $t('in gradients') : $t('seen through') }}</span></li>
      </ul>
    </div>
    <WhoMay of="draw">
    <div v-if="near.length > 0" class="part" role="group" aria-label="Near colours">
      <h3>Hardly told apart</h3>
      <ul>
        <li v-for="one in near" :key="one.from + one.to" class="near" data-test="near">
          <i :style="{ background: one.from }" /><i :style="{ background: one.to }" /><span class="numbers">{{ number(one.distance, 1, 1) }}</span>
          <ElButton size="small" :class="{ lit: shown === one.from }" @click="look(one.from, one.to)">{{ shown === one.from ? $t('Shown') : $t('Show') }}</ElButton>
          <ElButton size="small" data-test="join-colours" :disabled="bench.busy" @click="join(one.from, one.to)">Join</ElButton>
        </li>
      </ul>
    </div>
    <div v-if="kept > 1" class="part" role="group" aria-label="Cut down">
      <h3>Cut down</h3>
      <span class="down">to <Count :value="down" :most="kept" says="How many colours stay" data-test="down-to" @keep="down = $event" /> of {{ kept }} <ElButton size="small" :disabled="down >= kept || bench.busy" data-test="cut-down" @click="cut">As a step</ElButton></span>
      <p v-if="merges.length > 0" class="merges"><span v-for="one in merges.slice(0, 12)" :key="one.from"><i :style="{ background: one.from }" />→<i :style="{ background: one.to }" /></span></p>
    </div>
    <div class="part" role="group" aria-label="How they lie">
      <h3>How they lie on each other</h3>
      <p class="quiet small">{{ stack && stack.on ? `${stack.values.how === 'butt' ? $t('Cut along each other') : stack.values.how === 'stack' ? $t('Stacked whole') : $t('Underlapped by {by} mm', { by: number(Number(stack.values.by), 2, 2) })}${stack.values.pairs ? $t(', with pairs of their own') : ''}.` : $t('Butted: cut exactly along each other.') }}</p>
      <ElButton size="small" data-test="lay" @click="stack ? line.open(stack.id) : line.insert('stack')">{{ stack ? $t('Set how they lie') : $t('Underlap or stack') }}</ElButton>
    </div>
    </WhoMay>
    <ElButton v-if="bench.view.kind === 'sheet'" @click="bench.show({ kind: 'wipe' })">All sheets again</ElButton>
  </Drawer>
</template>

<style scoped>
ul { list-style: none; margin: 0 -4px; padding: 0; }
.list li { display: grid; grid-template-columns: 36px minmax(0, 1fr) auto; gap: 2px 8px; align-items: center; padding: 4px; line-height: 1.2; }
.list li > button { border: 0; background: none; padding: 0; cursor: pointer; border-radius: 50% 50% 50% 8px; }
.list li > button.on { box-shadow: 0 0 0 3px var(--green); }
.list li > button:disabled { cursor: default; }
.swatch { display: block; width: 32px; height: 32px; border-radius: 50% 50% 50% 8px; border: 1px solid var(--line-strong); }
.name { border: 0; background: none; font: inherit; font-weight: 500; padding: 2px 4px; text-align: left; cursor: text; color: var(--ink); max-width: 100%; overflow: hidden; text-overflow: ellipsis; white-space: nowrap; border-radius: 3px; }
.name:hover { background: var(--paper-deep); }
.bar { grid-column: 1 / -1; height: 4px; background: var(--paper-deep); border-radius: 2px; overflow: hidden; }
.bar span { display: block; height: 100%; }
.part { display: flex; flex-direction: column; gap: 6px; border-top: 1px solid var(--line); padding-top: 9px; align-items: flex-start; }
h3 { font-size: 17px; }
.near { display: flex; align-items: center; gap: 6px; padding: 3px 4px; }
.near .el-button { margin: 0; }
.near .numbers { width: 34px; font-size: 15px; }
i { display: inline-block; width: 18px; height: 18px; border-radius: 50%; border: 1px solid var(--line-strong); vertical-align: -3px; }
.lit { border-color: var(--green); color: var(--green); }
.down { display: flex; align-items: center; gap: 7px; }
.down input { width: 56px; font: inherit; border: 1px solid var(--line-strong); border-radius: 3px; background: var(--card); padding: 2px 4px; }
.merges { display: flex; flex-wrap: wrap; gap: 4px 12px; font-size: 15px; }
.small { font-size: 15px; line-height: 1.3; }
</style>
