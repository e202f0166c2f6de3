<script setup lang="ts">
import { useBench } from '@/stores/bench'
import { useColours } from '@/stores/colours'
import { useDrawn } from '@/stores/drawn'
import { count, inUnit } from '@/units'
import type { usePanZoom } from './usePanZoom'
import WipeSides from './WipeSides.vue'

/** Beneath the bench: where the pointer is, what is looked at, and how large. */
const props = defineProps<{ pan: ReturnType<typeof usePanZoom>; pointer: { x: number; y: number } | null; drawing: boolean }>()
const bench = useBench()
const drawn = useDrawn()
const names = useColours()

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
    <button v-if="drawing && drawn.findings.length > 0" type="button" class="drawn" data-test="drawn-next" title="Look at the next" @click.stop="nextDrawn"><strong>{{ count(drawn.findings.length, 'finding') }}</strong> {{ drawn.at >= 0 ? names.said(drawn.findings[drawn.at]!.message) : 'where you drew' }}</button>
    <p v-if="bench.view.kind === 'version'" class="viewing">Left: {{ bench.view.name }}. Right: as it is now.</p>
    <p v-if="bench.view.kind === 'step'" class="viewing">After: {{ bench.result?.steps[bench.view.index]?.label }}</p>
    <p v-if="bench.view.kind === 'preview'" class="viewing">Preview: not kept yet</p>
    <p v-if="bench.view.kind === 'sheet'" class="viewing">Sheet {{ bench.view.index + 1 }} alone</p>
    <div class="zoom">
      <button type="button" aria-label="Zoom out" title="Zoom out (-)" @click.stop="pan.zoomOut()">−</button>
      <button type="button" aria-label="Fit the art" title="Fit (0)" data-test="fit" @click.stop="pan.fit()">{{ Math.round((pan.scale.value / (96 / 25.4)) * 100) }} %</button>
      <button type="button" aria-label="Zoom in" title="Zoom in (+)" @click.stop="pan.zoomIn()">+</button>
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
.zoom { display: flex; margin-left: auto; border-left: 1px solid var(--line); height: 100%; }
.zoom button:nth-child(2) { width: 78px; font-variant-numeric: tabular-nums; }
.zoom button { border: 0; background: none; min-width: 34px; height: 100%; padding: 0 8px; font: 15px var(--text-face); color: var(--ink); cursor: pointer; }
.zoom button:hover { background: var(--paper-deep); }
</style>
