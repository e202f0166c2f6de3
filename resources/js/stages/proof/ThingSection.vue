<script setup lang="ts">
import WhoMay from '@/fields/WhoMay.vue'
import ColourWell from '@/fields/ColourWell.vue'
import Choose from '@/fields/Choose.vue'
import Count from '@/fields/Count.vue'
import FieldForm from '@/fields/FieldForm.vue'
import Tick from '@/fields/Tick.vue'
import { api } from '@/api/client'
import type { FieldValue, JobPage, VersionList } from '@/api/types'
import { useBench } from '@/stores/bench'
import { useShowing } from '@/stores/showing'
import { number } from '@/words/words'
import { onMounted, onUnmounted, ref, watch } from 'vue'
import { useRouter } from 'vue-router'

/** The art on a thing: which, in which colours, how large and how far round, with its light or without. */
const bench = useBench()
const showing = useShowing()
const router = useRouter()
const pixels = ref(1600)
const jobs = ref<{ id: number; title: string }[]>([])
watch(() => `${bench.job?.id} ${bench.job?.version}`, () => showing.load(), { immediate: true })
onMounted(async () => {
  bench.show({ kind: 'shown' })
  jobs.value = (await api.get<JobPage>('jobs').catch(() => null))?.jobs.map((one) => ({ id: one.id, title: one.title })) ?? []
})
onUnmounted(() => bench.view.kind === 'shown' && bench.show({ kind: 'source' }))
/** Named states of the jobs whose art lies somewhere, by job. */
const versions = ref<Record<number, { id: number; name: string }[]>>({})
const whose = (place: { job: number | null }) => place.job ?? bench.job?.id ?? 0
const versionsOf = (place: { job: number | null }) => versions.value[whose(place)] ?? []
watch(() => [...new Set(showing.showing?.places.map(whose) ?? [])].join(' '), async (ids) => {
  for (const id of ids.split(' ').map(Number).filter((one) => one > 0)) {
    // Without versions there is its art of now to show.
    const list = (await api.get<VersionList>(`jobs/${id}/versions`).catch(() => null))?.versions ?? []
    versions.value = { ...versions.value, [id]: list.map((one) => ({ id: one.id, name: one.name })) }
  }
}, { immediate: true })
/** It can be drawn on like any other bench, and is in the list of things from then on. */
async function open() {
  const id = await showing.open()
  if (id !== null) await router.push(`/jobs/${id}/draw`)
}
const set = (layer: string, name: string, value: FieldValue) => showing.choose({ arts: { [layer]: { [name]: value } } })
const file = (format: string) => `/api/v1/jobs/${bench.job?.id}/showing.${format}?pixels=${pixels.value}`
</script>

<template>
  <p v-if="showing.problem" class="trouble" role="alert" data-test="showing-problem">{{ showing.problem }}</p>
  <p v-if="!showing.showing && !showing.problem" class="quiet" role="status">Looking for things to show it on…</p>
  <template v-if="showing.showing">
    <WhoMay of="draw">
    <Choose label="Shown on" :value="showing.showing.thing" :options="showing.things.map((one) => ({ value: one.key, label: one.label || one.title, title: one.says }))" data-test="thing" @keep="showing.choose({ thing: $event })" />
    <p class="quiet">{{ showing.things.find((one) => one.key === showing.showing!.thing)?.says }} <button v-if="!showing.showing.thing.startsWith('job-')" type="button" class="quiet-button" data-test="thing-as-job" @click="open">Open it as a job</button></p>
    <section v-for="place in showing.showing.places" :key="place.layer" class="place" :aria-label="place.label">
      <h3>{{ place.label }}</h3>
      <Choose label="Art of" :value="place.job ?? -1" :options="[{ value: -1, label: $t('this job') }, { value: 0, label: $t('nothing') }, ...jobs.filter((one) => one.id !== bench.job?.id).map((one) => ({ value: one.id, label: one.title }))]" :data-place="place.layer" @keep="showing.choose({ arts: { [place.layer]: { job: $event < 0 ? null : $event } } })" />
      <Choose v-if="versionsOf(place).length > 0 || place.version !== null" label="State" :value="place.version ?? 0" :options="[{ value: 0, label: $t('as it is now') }, ...versionsOf(place).map((one) => ({ value: one.id, label: $t('as it was at “{name}”', { name: one.name }) }))]" :data-version="place.layer" @keep="showing.choose({ arts: { [place.layer]: { version: $event === 0 ? null : $event } } })" />
      <FieldForm :fields="place.fields" :values="{ ...place.values, width: Number(place.values.width) || (place.size?.[0] ?? 0) }" :only="(field) => field.name !== 'turn' || place.turns" @keep="(name, value) => set(place.layer, name, value)" />
      <p v-if="place.size" class="quiet numbers" data-test="shown-size">{{ $t('{wide} × {high} mm on the thing', { wide: number(place.size[0], 1, 1), high: number(place.size[1], 1, 1) }) }}</p>
    </section>
    <p v-for="says in showing.showing.says" :key="says" class="says" data-test="shown-says">{{ says }}</p>
    <section class="place" aria-label="Colours of the thing">
      <h3>Colours</h3>
      <div v-for="part in showing.showing.parts" :key="part.layer" class="part">
        <span>{{ part.label }}</span>
        <ColourWell :off="part.colour === null" :value="part.colour ?? part.drawn" :says="part.label" :data-part="part.label" @keep="showing.choose({ colours: { [part.layer]: $event } })" />
        <button v-if="part.colour !== null" type="button" class="quiet-button" :aria-label="$t('{part} as it is drawn', { part: part.label })" @click="showing.choose({ colours: { [part.layer]: null } })">As drawn</button>
      </div>
    </section>
    <Tick :value="showing.showing.lights" data-field="lights" @keep="showing.choose({ lights: $event })">Shade and light</Tick>
    </WhoMay>
    <Choose label="Wipe, without" :value="showing.without" :options="[{ value: '', label: $t('no wipe') }, { value: 'light', label: $t('its light') }, { value: 'art', label: $t('the art') }]" data-test="shown-wipe" @keep="showing.without = $event" />
    <p class="files">
      <span>Download, <Count :value="pixels" :least="50" :most="8000" says="Dots across" @keep="pixels = $event" /> dots wide:</span>
      <a :href="file('png')" download data-test="shown-png">PNG</a> <a :href="file('pdf')" download data-test="shown-pdf">PDF</a>
    </p>
  </template>
</template>

<style scoped>
h3 { font: 560 17px/1.2 var(--title-face); margin: 0; }
.place { display: flex; flex-direction: column; gap: 6px; border-top: 1px solid var(--line); padding-top: 8px; }
.part { display: grid; grid-template-columns: minmax(0, 1fr) auto auto; gap: 8px; align-items: center; }
.part span { overflow-wrap: anywhere; }
.says { color: var(--coral-deep); font-size: 15px; line-height: 1.3; }
.files { display: flex; gap: 8px; flex-wrap: wrap; font-size: 15px; align-items: center; border-top: 1px solid var(--line); padding-top: 8px; }
.files span { display: flex; gap: 6px; align-items: center; flex-wrap: wrap; }
.files a { color: var(--green); }
</style>
