<script setup lang="ts">
import { t } from '@/words/words'
import Slide from '@/fields/Slide.vue'
import Tick from '@/fields/Tick.vue'
import Choose from '@/fields/Choose.vue'
import { api, words } from '@/api/client'
import TypedValue from '@/fields/TypedValue.vue'
import { useBench } from '@/stores/bench'
import { useDraw } from '@/stores/draw'
import { computed, ref } from 'vue'
import Section from './Section.vue'

/** What lies under the work and is no part of it: a reference picture, guides, the grid, and what is snapped to. */
const bench = useBench()
const draw = useDraw()
const reference = computed(() => bench.art?.reference ?? null)
const sending = ref(false)
const set = (fields: Record<string, unknown>) => bench.draw({ kind: 'reference', ...fields })
async function add(event: Event) {
  const input = event.target as HTMLInputElement
  const file = input.files?.[0]
  if (!file || !bench.job) return
  sending.value = true
  try {
    const form = new FormData()
    form.append('file', file)
    const picture = await api.post<{ file: string; name: string }>(`jobs/${bench.job.id}/reference`, form)
    await set({ picture })
  } catch (refused) {
    bench.problem = words(refused)
  } finally {
    sending.value = false
    input.value = ''
  }
}
async function trueSize(length: string) {
  if (!draw.marks) return
  const done = await bench.draw({ kind: 'true-size', marks: draw.marks, length })
  if (done) draw.use('arrange')
}
const kinds = [['nodes', t('nodes')], ['midpoints', t('midpoints')], ['centres', t('centres')], ['crossings', t('crossings')], ['edges', t('edges')], ['guides', t('guides and page')], ['grid', t('grid')]] as const
const upright = ref(true)
</script>

<template>
  <Section title="Reference picture" name="reference" shut :says="reference ? (reference.hidden ? $t('hidden') : reference.locked ? $t('locked') : $t('free')) : ''">
    <label v-if="!reference" class="file">Lay a picture under the work <input type="file" accept="image/png,image/jpeg,image/svg+xml" data-field="reference" :disabled="sending" @change="add"></label>
    <template v-else>
      <div class="row">
        <button type="button" class="quiet-button" :aria-pressed="reference.locked" @click="set({ locked: !reference.locked })">{{ reference.locked ? $t('Unlock') : $t('Lock') }}</button>
        <button type="button" class="quiet-button" :aria-pressed="reference.hidden" title="G" @click="set({ hidden: !reference.hidden })">{{ reference.hidden ? $t('Show') : $t('Hide') }}</button>
        <button type="button" class="quiet-button" @click="set({ remove: true })">Remove</button>
      </div>
      <div class="dim">Seen <Slide says="How much of it is seen" :value="reference.strength" :least="0.05" :step="0.05" @keep="set({ strength: $event })" /></div>
      <TypedValue label="Wide" name="referenceWidth" :value="reference.width" :disabled="reference.locked" @keep="set({ width: $event })" />
      <button type="button" class="quiet-button" :aria-pressed="draw.tool === 'measure'" data-test="mark" @click="draw.use('measure')">Set true size: mark a distance</button>
      <template v-if="draw.tool === 'measure'">
        <p class="says">{{ draw.marks ? $t('Type what the marked distance really is:') : $t('Drag along something on the picture whose length you know.') }}</p>
        <TypedValue v-if="draw.marks" label="It is" name="trueLength" :value="Math.hypot(draw.marks[2] - draw.marks[0], draw.marks[3] - draw.marks[1])" @keep="trueSize" />
      </template>
    </template>
  </Section>
  <Section title="Guides and snapping" name="guides" shut :says="draw.snap.on ? '' : $t('off')">
    <div class="row">
      <button type="button" class="quiet-button" data-test="centre-lines" @click="bench.draw({ kind: 'centre-lines' })">Centre lines</button>
      <button v-if="bench.art?.guides.length" type="button" class="quiet-button" @click="bench.draw({ kind: 'remove-guide' })">Remove all</button>
    </div>
    <div class="row">
      <Choose class="way" says="Which way the guide runs" :value="upright" :options="[{ value: true, label: $t('Upright at') }, { value: false, label: $t('Level at') }]" @keep="upright = $event" />
      <TypedValue brief label="" name="guideAt" :value="null" @keep="bench.draw({ kind: 'guide', upright, at: $event })" />
    </div>
    <div v-for="guide in bench.art?.guides" :key="guide.id" class="guide">
      <TypedValue :label="guide.upright ? $t('Upright at') : $t('Level at')" :value="guide.at" @keep="bench.draw({ kind: 'guide', guide: guide.id, at: $event })" />
      <button type="button" class="quiet-button" aria-label="Remove this guide" @click="bench.draw({ kind: 'remove-guide', guide: guide.id })">×</button>
    </div>
    <Tick :value="draw.snap.on" data-field="snap" @keep="draw.snap.on = $event">Snap to (Ctrl held: not)</Tick>
    <div class="kinds">
      <Tick v-for="[key, label] in kinds" :key="key" :value="draw.snap[key]" :disabled="!draw.snap.on" :data-field="`snap-${key}`" @keep="draw.snap[key] = $event">{{ label }}</Tick>
    </div>
    <TypedValue v-if="draw.snap.grid" label="Grid step" :value="draw.grid" local :least="0.1" @measured="draw.grid = $event" />
    <p class="says">Guides are also dragged out of the rulers, and back.</p>
  </Section>
</template>

<style scoped>
.row { display: flex; gap: 6px; flex-wrap: wrap; align-items: center; }
.row .typed { flex: 1; }
.guide { display: grid; grid-template-columns: 1fr 26px; gap: 5px; }
.kinds { display: grid; grid-template-columns: 1fr 1fr; gap: 2px 8px; padding-left: 20px; }
label:not(.typed) { display: flex; gap: 6px; align-items: center; font-size: 15px; line-height: 1.2; }
.file { flex-direction: column; align-items: flex-start !important; }
.file input { font: 14px var(--text-face); width: 100%; }
.way { width: 112px; }
.dim { display: flex; gap: 12px; align-items: center; font-size: 15px; padding-right: 8px; }
.says { font-size: 14px; color: var(--ink-mid); line-height: 1.2; }
</style>
