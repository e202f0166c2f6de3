<script setup lang="ts">
import { number } from '@/words/words'
import Tick from '@/fields/Tick.vue'
import { useBench } from '@/stores/bench'
import { useColours } from '@/stores/colours'
import { useMaking } from '@/stores/making'
import { metres } from '@/units'
import { ElButton } from 'element-plus'
import { computed } from 'vue'

/** What the machine will get, each sheet or plate with what would surprise there. */
const bench = useBench()
const making = useMaking()
const names = useColours()
names.load()
const plates = computed(() => making.layouts.some((one) => one.layers.some((layer) => layer.role === 'plate')))
const on = (index: number) => bench.view.kind === 'layout' && bench.view.index === index
function flip(index: number) {
  const next = new Set(making.mixed)
  if (!next.delete(index)) next.add(index)
  making.mixed = next
  bench.show({ kind: 'mix' })
}
</script>

<template>
  <div v-if="plates" class="mix">
    <ElButton size="small" :type="bench.view.kind === 'mix' ? 'primary' : undefined" data-test="show-mix" @click="bench.show({ kind: 'mix' })">All in ink on the cloth</ElButton>
  </div>
  <ul>
    <li v-for="(one, index) in making.layouts" :key="one.name" :class="{ on: on(index) }">
      <button type="button" class="show" :title="$t('Show {title}', { title: one.title })" :data-layout="index" @click="bench.show(on(index) ? { kind: 'source' } : { kind: 'layout', index })">
        <img :src="`/api/v1/jobs/${bench.job?.id}/layouts/${index}/small.webp?v=${making.state}`" alt="" loading="lazy">
        <span class="text">
          <strong>{{ index + 1 }}. {{ names.said(one.layers[0]?.name ?? '') }}</strong>
          <span class="quiet numbers">{{ number(one.width_mm, 0, 0) }} × {{ number(one.height_mm, 0, 0) }} mm<template v-if="one.length_mm > 0"><br>{{ metres(one.length_mm) }} along lines</template><template v-if="one.used !== null"><br>{{ Math.round(100 * one.used) }} % used</template></span>
        </span>
      </button>
      <Tick v-if="plates" class="flip" :value="making.mixed.has(index)" :says="$t('{title} in the mix', { title: one.title })" @keep="flip(index)">in the mix</Tick>
      <p v-for="warns in one.warns" :key="warns" class="says warns">{{ names.said(warns) }}</p>
      <p v-for="says in one.says" :key="says" class="says">{{ names.said(says) }}</p>
    </li>
  </ul>
  <a class="paper" :href="`/api/v1/jobs/${bench.job?.id}/job-sheet.pdf`" target="_blank" rel="noopener" data-test="job-sheet">Job sheet to print</a>
</template>

<style scoped>
ul { list-style: none; margin: 0; padding: 0; }
li { padding: 8px 0; border-top: 1px solid var(--line); }
li:first-child { border-top: 0; }
.show { display: grid; grid-template-columns: 84px 1fr; gap: 11px; width: 100%; text-align: left; border: 0; background: none; font: inherit; color: inherit; padding: 4px; cursor: pointer; border-radius: 4px; line-height: 1.25; }
li.on .show { background: var(--green-pale); }
img { width: 84px; height: 84px; object-fit: contain; background: var(--bed); border: 1px solid var(--line); border-radius: 3px; }
.text { display: flex; flex-direction: column; font-size: 15px; min-width: 0; }
.says { margin: 2px 4px 0; font-size: 14.5px; line-height: 1.25; color: var(--ink-mid); }
.warns { color: var(--coral-deep); }
.flip { font-size: 14.5px; display: flex; gap: 6px; align-items: center; margin: 2px 4px; }
.flip input { accent-color: var(--green); }
.paper { color: var(--green); font-weight: 500; }
.mix { display: flex; }
</style>
