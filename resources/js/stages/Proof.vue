<script setup lang="ts">
import { lower, number, t } from '@/words/words'
import { useBench } from '@/stores/bench'
import { ElButton } from 'element-plus'
import { ref } from 'vue'
import Count from '@/fields/Count.vue'
import NotYet from './NotYet.vue'
import Drawer from './Drawer.vue'
import CustomerSection from './proof/CustomerSection.vue'
import ThingSection from './proof/ThingSection.vue'

const bench = useBench()
const grounds = [
  { name: t('Night cloth'), colour: '#20242f' },
  { name: t('River blue'), colour: '#24516b' },
  { name: t('Brass'), colour: '#b8923f' },
  { name: t('Lantern paper'), colour: '#f1e4c3' },
  { name: t('Window'), colour: '#cfdcdc' },
]
/** What the art is shown on: what was made is judged on its material first. */
const tab = ref<'thing' | 'material'>('material')
const ground = ref(grounds[0]!)
const pixels = ref(1600)
const file = (format: string) => `/api/v1/preparations/${bench.preparation?.id}/proof.${format}?ground=${encodeURIComponent(ground.value.colour)}&pixels=${pixels.value}`
/** On a page of its own: the art on its ground, the title and the size; paper is chosen where one prints. */
function print() {
  document.body.classList.add('prints-proof')
  window.addEventListener('afterprint', () => document.body.classList.remove('prints-proof'), { once: true })
  window.print()
}
</script>

<template>
  <Drawer :guide="['proofs', 'proof']" title="Proof">
    <div class="tabs" role="tablist">
      <button type="button" role="tab" :aria-selected="tab === 'thing'" :class="{ on: tab === 'thing' }" data-test="proof-thing" @click="tab = 'thing'">On a thing</button>
      <button type="button" role="tab" :aria-selected="tab === 'material'" :class="{ on: tab === 'material' }" data-test="proof-material" @click="tab = 'material'">On the material</button>
    </div>
    <template v-if="tab === 'thing'">
      <ThingSection />
      <CustomerSection :ground="ground.colour" on-thing />
    </template>
    <NotYet v-else-if="!bench.prepared" :says="$t('A proof shows the prepared art.')" />
    <template v-else>
      <div class="swatches">
        <button v-for="one in grounds" :key="one.name" type="button" :aria-pressed="one === ground" :class="{ on: one === ground }" @click="ground = one">
          <span :style="{ background: one.colour }" />{{ one.name }}
        </button>
      </div>
      <figure class="proof-figure" :style="{ background: ground.colour }">
        <img :src="`/api/v1/preparations/${bench.preparation?.id}/stages/${bench.lastStep}/picture.svg`" :alt="$t('The prepared art on {name}', { name: lower(ground.name) })">
      </figure>
      <ElButton data-test="print-proof" @click="print">Print it</ElButton>
      <p class="files">
        <span>Download, <Count :value="pixels" :least="50" :most="8000" says="Dots across" @keep="pixels = $event" /> dots wide:</span>
        <a :href="file('png')" download data-test="proof-png">PNG</a> <a :href="file('pdf')" download data-test="proof-pdf">PDF at true size</a>
      </p>
      <p class="quiet numbers">{{ number(bench.job?.width ?? 0, 1, 1) }} × {{ number(bench.job?.height ?? 0, 1, 1) }} mm</p>
      <CustomerSection :ground="ground.colour" />
    </template>
  </Drawer>
</template>

<style scoped>
.tabs { display: flex; gap: 16px; border-bottom: 1px solid var(--line); }
.tabs button { border: 0; border-bottom: 3px solid transparent; background: none; font: 500 16px var(--text-face); color: var(--ink-mid); padding: 2px 0 6px; cursor: pointer; }
.tabs button.on { color: var(--green); border-bottom-color: var(--green); }
.files { display: flex; gap: 8px; flex-wrap: wrap; font-size: 15px; align-items: center; }
.files span { display: flex; gap: 6px; align-items: center; flex-wrap: wrap; }
.files a { color: var(--green); }
.swatches { display: flex; flex-direction: column; gap: 2px; }
.swatches button { display: flex; align-items: center; gap: 9px; border: 0; background: none; font: inherit; padding: 4px 6px; cursor: pointer; border-radius: 3px; color: var(--ink); }
.swatches button.on { background: var(--green-pale); }
.swatches span { width: 26px; height: 18px; border-radius: 3px; border: 1px solid var(--line-strong); }
figure { margin: 0; padding: 14px; border-radius: 4px; }
figure img { display: block; width: 100%; max-height: 300px; object-fit: contain; }
</style>
