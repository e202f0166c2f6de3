<script setup lang="ts">
import { t } from '@/words/words'
import Tick from '@/fields/Tick.vue'
import TypedWords from '@/fields/TypedWords.vue'
import TypedValue from '@/fields/TypedValue.vue'
import { useBench } from '@/stores/bench'
import { useDraw } from '@/stores/draw'
import { about, applied, between, rotation } from '@/bench/geometry'
import { computed, ref } from 'vue'
import Section from './Section.vue'

const bench = useBench()
const draw = useDraw()
const origin = ref<[number, number]>([0.5, 0.5])
const names = [[t('top left'), t('top'), t('top right')], [t('left'), t('middle'), t('right')], [t('bottom left'), t('bottom'), t('bottom right')]]
const frame = computed(() => bench.detail?.frame ?? null)
const at = computed(() => {
  const f = frame.value
  return f ? applied(rotation(f.turn), { x: f.left + origin.value[0] * f.width, y: f.top + origin.value[1] * f.height }) : null
})
/** Where a turn is about. */
const turnsAt = computed(() => {
  const f = frame.value
  return f ? (draw.pivot ?? applied(rotation(f.turn), { x: f.left + f.width / 2, y: f.top + f.height / 2 })) : null
})
const pieces = () => [...bench.chosen]
/** What a typed value did is what "Repeat the last" does again. */
async function place(name: string, text: string, ratio = draw.keepRatio) {
  const before = frame.value
  const turning = name === 'angle' && draw.pivot && before
  if (turning) {
    // A typed angle turns about the place that the centre was carried to.
    const degrees = Number(text)
    if (!Number.isFinite(degrees)) return (bench.problem = t('Type the angle as a plain number of degrees, such as 30.'))
    draw.lastTransform = about(draw.pivot!, rotation(degrees - before.turn))
    return bench.draw({ kind: 'transform', pieces: pieces(), matrix: draw.lastTransform })
  }
  const [whose, version] = [pieces(), bench.job!.version]
  const done = await bench.draw({ kind: 'place', pieces: whose, originX: origin.value[0], originY: origin.value[1], ratio, strokes: draw.strokesScale, outer: draw.outer, [name]: text })
  const after = frame.value
  if (done && before && after && name !== 'skew') draw.moved(between(before, after), whose, version, bench.job!.version)
}
const named = (words: string) => bench.draw({ kind: 'mark', pieces: pieces(), name: words.trim() })
const only = computed(() => (bench.chosen.size === 1 ? (bench.byId.get([...bench.chosen][0]!) ?? null) : null))
const size = computed(() => (draw.outer && bench.detail?.outer ? { width: bench.detail.outer[0], height: bench.detail.outer[1] } : frame.value))
/** Strokes in what is chosen that would not grow along. */
const warns = computed(() => !draw.strokesScale && [...bench.chosen].some((id) => bench.byId.get(id)?.stroke))
</script>

<template>
  <Section title="Place and size" name="place">
    <label v-if="only" class="named"><span>Name</span><TypedWords :key="only.id" :value="only.name" :placeholder="only.called" maxlength="80" data-field="name" @keep="named" /></label>
    <div class="two">
      <div class="origin" role="radiogroup" aria-label="Origin of the numbers">
        <template v-for="(row, y) in names" :key="y">
          <button v-for="(name, x) in row" :key="name" type="button" role="radio" :aria-checked="origin[0] === x / 2 && origin[1] === y / 2" :aria-label="name" :title="$t('Measured at: {name}', { name })" :class="{ on: origin[0] === x / 2 && origin[1] === y / 2 }" @click="origin = [x / 2, y / 2]" />
        </template>
      </div>
      <div>
        <TypedValue brief label="Across" name="x" :value="at?.x ?? null" @keep="place('x', $event)" />
        <TypedValue brief label="Down" name="y" :value="at?.y ?? null" @keep="place('y', $event)" />
      </div>
    </div>
    <div class="pair">
      <TypedValue brief label="Wide" name="width" :value="size?.width ?? null" @keep="place('width', $event)" />
      <TypedValue brief label="High" name="height" :value="size?.height ?? null" @keep="place('height', $event)" />
      <TypedValue brief label="Angle °" name="angle" angle :value="frame?.turn ?? null" @keep="place('angle', $event)" />
      <TypedValue brief label="Skew °" name="skew" angle :value="0" @keep="place('skew', $event)" />
      <TypedValue brief label="Scale %" name="scale" plain :value="100" @keep="place('width', `${$event}%`, true)" />
    </div>
    <div v-if="turnsAt" class="pair about">
      <span>Turns about</span><button type="button" class="quiet-button" :disabled="!draw.pivot" @click="draw.pivot = null">Its middle</button>
      <TypedValue brief label="Across" name="pivotX" local :value="turnsAt.x" @measured="draw.pivot = { x: $event, y: turnsAt.y }" />
      <TypedValue brief label="Down" name="pivotY" local :value="turnsAt.y" @measured="draw.pivot = { x: turnsAt.x, y: $event }" />
    </div>
    <Tick title="Sizes count the strokes, as the machine will see them" :value="draw.outer" data-field="outer" @keep="draw.outer = $event">Sizes with the strokes</Tick>
    <Tick :value="draw.keepRatio" @keep="draw.keepRatio = $event">Keep the ratio</Tick>
    <Tick title="Sized unlike ways, a line is stretched with its piece, and then has two widths" :value="draw.strokesScale" data-field="strokesScale" @keep="draw.strokesScale = $event">Strokes grow with the piece</Tick>
    <p v-if="warns" class="warn">Strokes will keep their width while the pieces change size.</p>
    <div class="pair">
      <label class="nudge">Nudge <TypedWords :value="draw.nudge" data-field="nudge" @keep="draw.nudge = $event" /></label>
      <button type="button" class="quiet-button" title="The last move, size or turn once more" data-test="repeat-last" :disabled="!draw.lastTransform" @click="bench.draw({ kind: 'transform', pieces: [...bench.chosen], matrix: draw.lastTransform })">Repeat the last</button>
    </div>
  </Section>
</template>

<style scoped>
.two { display: grid; grid-template-columns: auto 1fr; gap: 10px; align-items: center; }
.origin { display: grid; grid-template-columns: repeat(3, 24px); border: 1px solid var(--line-strong); border-radius: 3px; width: max-content; }
.origin button { width: 24px; height: 24px; padding: 0; border: 0; background: none; cursor: pointer; display: grid; place-items: center; }
.origin button::before { content: ''; width: 13px; height: 13px; border: 1px solid var(--line-strong); background: var(--card); transform: rotate(45deg); }
.origin button.on::before { background: var(--green); border-color: var(--green); }
.pair { display: grid; grid-template-columns: 1fr 1fr; gap: 4px 10px; align-items: center; }
/* Room for six digits; the unit stands above. */
.pair :deep(.typed.brief) { grid-template-columns: auto minmax(0, 1fr); }
.pair :deep(.typed.brief i) { display: none; }
label { display: flex; gap: 7px; align-items: center; font-size: 15px; line-height: 1.2; }
.named { display: grid; grid-template-columns: auto minmax(0, 1fr); }
.nudge input { width: 62px; border: 1px solid var(--line-strong); border-radius: 3px; background: var(--card); font: inherit; padding: 3px 5px; }
.warn { font-size: 15px; line-height: 1.2; color: var(--coral-deep); }
</style>
