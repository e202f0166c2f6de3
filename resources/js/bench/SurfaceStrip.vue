<script setup lang="ts">
import { useKeys } from '@/keys/useKeys'
import { useBench } from '@/stores/bench'
import { useColours } from '@/stores/colours'
import { useDraw } from '@/stores/draw'
import { useDrawn } from '@/stores/drawn'
import { count, inUnit } from '@/units'
import { around } from './geometry'
import type { usePanZoom } from './usePanZoom'
import { computed } from 'vue'
import WipeSides from './WipeSides.vue'

/** Beneath the bench: where the pointer is, what is looked at, and how large. */
const props = defineProps<{ pan: ReturnType<typeof usePanZoom>; pointer: { x: number; y: number } | null; drawing: boolean }>()
const bench = useBench()
const keys = useKeys()
const drawn = useDrawn()
const draw = useDraw()
const names = useColours()

const percentage = computed(() => Math.round((props.pan.scale.value / (96 / 25.4)) * 100))
function look() {
  const box = around([...bench.chosen].map((id) => bench.byId.get(id)?.box ?? null))
  if (box) props.pan.lookAt({ left: box.left, top: box.top, right: box.left + box.width, bottom: box.top + box.height }, 0.5)
}
function nextDrawn() {
  const finding = drawn.next()
  if (finding?.at) props.pan.lookAt({ left: finding.at[0], right: finding.at[0], top: finding.at[1], bottom: finding.at[1] })
}
</script>

<template>
  <div class="strip">
    <p class="place numbers">{{ pointer ? `${inUnit(pointer.x, bench.job?.unit ?? 'mm')}, ${inUnit(pointer.y, bench.job?.unit ?? 'mm')}` : '' }}</p>
    <p v-if="bench.view.kind === 'file'" class="viewing">The file as it came in, drawn by the browser</p>
    <WipeSides v-if="bench.view.kind === 'wipe'" />
    <button v-if="drawing && drawn.findings.length > 0" type="button" class="drawn" data-test="drawn-next" title="Look at the next" @click.stop="nextDrawn"><strong>{{ count(drawn.findings.length, 'finding') }}</strong> {{ drawn.at >= 0 ? names.said(drawn.findings[drawn.at]!.message) : $t('where you drew') }}</button>
    <p v-if="bench.view.kind === 'version'" class="viewing">Left: {{ bench.view.name }}. Right: as it is now.</p>
    <p v-if="bench.view.kind === 'step'" class="viewing">After: {{ bench.result?.steps[bench.view.index]?.label }}</p>
    <p v-if="bench.view.kind === 'preview'" class="viewing">Preview: not kept yet</p>
    <p v-if="bench.view.kind === 'sheet'" class="viewing">Sheet {{ bench.view.index + 1 }} alone</p>
    <button v-if="drawing" type="button" class="adds" :class="{ on: draw.adding }" :aria-pressed="draw.adding" title="Presses add to what is chosen, as with Shift" data-test="adding" @click.stop="draw.adding = !draw.adding">Choose more</button>
    <button v-if="drawing && bench.chosen.size > 0" type="button" class="adds" :title="keys.titled($t('Look at what is chosen, close'), 'look')" data-test="look" @click.stop="look">Look closer</button>
    <div class="zoom">
      <button type="button" aria-label="Zoom out" :title="keys.titled($t('Zoom out'), 'zoom-out')" @click.stop="pan.zoomOut()">−</button>
      <button type="button" :aria-label="$t('{percentage} %: fit the art', { percentage })" :title="keys.titled($t('Fit'), 'fit')" data-test="fit" @click.stop="pan.fit()">{{ percentage }} %</button>
      <button type="button" aria-label="Zoom in" :title="keys.titled($t('Zoom in'), 'zoom-in')" @click.stop="pan.zoomIn()">+</button>
    </div>
  </div>
</template>

<style scoped>
.strip { grid-column: 1 / 3; display: flex; align-items: center; gap: 12px; border-top: 1px solid var(--line); background: var(--paper); padding-left: 9px; font-size: 14px; color: var(--ink-mid); min-width: 0; }
.strip p { margin: 0; white-space: nowrap; }
.place { width: 168px; flex: none; }
.viewing { flex: 1; overflow: hidden; text-overflow: ellipsis; }
.viewing { color: var(--green); font-weight: 500; }
.drawn { border: 0; background: none; font: inherit; color: var(--coral-deep); cursor: pointer; white-space: nowrap; overflow: hidden; text-overflow: ellipsis; min-width: 0; padding: 0; text-align: left; }
.drawn strong { font-weight: 600; text-decoration: underline; }
.adds { border: 0; background: none; font: inherit; color: var(--green-deep); cursor: pointer; padding: 2px 6px; border-radius: 3px; white-space: nowrap; }
.adds.on { background: var(--green); color: var(--on-green); }
.zoom { display: flex; margin-left: auto; border-left: 1px solid var(--line); height: 100%; }
.zoom button:nth-child(2) { width: 78px; }
.zoom button { border: 0; background: none; min-width: 34px; font-variant-numeric: lining-nums tabular-nums !important; height: 100%; padding: 0 8px; font: 15px var(--text-face); color: var(--ink); cursor: pointer; }
.zoom button:hover { background: var(--paper-deep); }
</style>
