<script setup lang="ts">
import { number, t } from '@/words/words'
import Count from '@/fields/Count.vue'
import Choose from '@/fields/Choose.vue'
import { isOpen } from '@/api/works'
import FieldForm from '@/fields/FieldForm.vue'
import { useBench } from '@/stores/bench'
import { useColours } from '@/stores/colours'
import { useMaking } from '@/stores/making'
import { ElButton } from 'element-plus'
import { computed, ref } from 'vue'

/** How copies lie and what the process promises: fields as the core describes them. */
const bench = useBench()
const making = useMaking()
const names = useColours()
names.load()
const cut = computed(() => bench.job?.sheetsByColour ?? false)
const sheets = computed(() => (cut.value ? [...new Set(making.layouts.map((one) => one.layers[0]?.colour ?? ''))] : ['all']))
/** What the sheets lie on, as the ticket has it. */
const on = computed(() => bench.job?.stock.material?.name ?? '')
const own = computed(() => {
  const own = Object.keys(making.making?.materials ?? {}).length
  return own > 0 ? t('{own, plural, one {# colour has a material of its own.} other {# colours have materials of their own.}}', { own }) : ''
})
const laid = computed(() => making.making?.values.arrange !== undefined)
const nests = computed(() => laid.value && making.making?.values.arrange !== 'drawn')
const along = computed(() => making.making?.along ?? [])
const others = computed(() => making.making?.others ?? [])
const free = computed(() => others.value.filter((one) => !along.value.some((other) => other.job === one.id)))
const titleOf = (id: number) => others.value.find((one) => one.id === id)?.title ?? t('a job that is gone')
/** So many copies of another job lie with it; none takes it off. */
function lay(job: number, copies: number) {
  const rest = along.value.filter((one) => one.job !== job)
  making.layAlong(copies < 1 ? rest : along.value.some((one) => one.job === job) ? along.value.map((one) => (one.job === job ? { job, copies } : one)) : [...rest, { job, copies }])
}
const seconds = ref(20)
const running = computed(() => isOpen(making.nesting))
const told = computed(() => Object.entries(making.nesting?.outcome?.progress ?? {}).map(([sheet, one]) => `${sheet === 'all' ? '' : `${names.of(sheet)}: `}${t('{long} mm after {tries, plural, one {# try} other {# tries}}', { long: number(one.length, 0), tries: one.tried })}`).join(', '))
</script>

<template>
  <p v-if="laid" class="on" data-test="laid-on">{{ on ? $t('On {name}.', { name: on }) : $t('No material is set: sheets have the default width.') }} {{ own }} <RouterLink :to="`/jobs/${bench.job?.id}/set-up`" data-test="to-ticket">{{ on ? $t('Change it at the ticket') : $t('Set it at the ticket') }}</RouterLink></p>
  <div v-if="laid" class="along">
    <div v-for="one in along" :key="one.job" class="other">
      <span>{{ titleOf(one.job) }}</span>
      <Count :value="one.copies" :most="2000" :says="$t('Copies of {titleOf}', { titleOf: titleOf(one.job) })" :data-along="one.job" @keep="lay(one.job, $event)" />
      <button type="button" :aria-label="$t('Lay {titleOf} by itself', { titleOf: titleOf(one.job) })" @click="lay(one.job, 0)">Remove</button>
    </div>
    <Choose v-if="free.length > 0" :value="null" :options="free.map((one) => ({ value: one.id, label: one.ready ? one.title : $t('{title} (not prepared)', { title: one.title }), disabled: !one.ready }))" placeholder="Lay another job with it…" says="Lay another job with it" data-test="lay-along" @keep="lay($event, 1)" />
  </div>
  <FieldForm v-if="making.making" :fields="making.making.fields" :values="making.making.values" @keep="(name, value) => making.change(name, value)" />
  <div v-if="nests" class="search">
    <span class="for">Search for <Count :value="seconds" :most="600" says="Seconds" @keep="seconds = $event" /> seconds</span>
    <ElButton v-if="!running" data-test="nest" @click="making.nest(seconds)">Nest tighter</ElButton>
    <ElButton v-else data-test="stop-nesting" @click="making.stopNesting()">Keep the best so far</ElButton>
    <p v-if="told" class="quiet" role="status" data-test="nesting">{{ told }}</p>
  </div>
  <ElButton v-if="laid" data-test="hands" @click="bench.show({ kind: 'hands', sheet: sheets[0] ?? 'all' })">Move copies by hand</ElButton>
</template>

<style scoped>
.on { margin: 0; font-size: 15px; line-height: 1.3; }
.search { display: flex; flex-direction: column; gap: 5px; }
.search { border-top: 1px solid var(--line); padding-top: 8px; font-size: 15px; }
.for { display: flex; gap: 6px; align-items: center; }
.along { display: flex; flex-direction: column; gap: 5px; font-size: 15px; }
.along .other { display: grid; grid-template-columns: minmax(0, 1fr) 84px auto; gap: 6px; align-items: center; }
.along span { overflow: hidden; text-overflow: ellipsis; white-space: nowrap; }
.along button { border: 0; background: none; font: inherit; color: var(--green); cursor: pointer; padding: 0; }
</style>
