<script setup lang="ts">
import Tick from '@/fields/Tick.vue'
import Choose from '@/fields/Choose.vue'
import type { FieldValue } from '@/api/types'
import GuideLink from '@/guide/GuideLink.vue'
import FieldForm from '@/fields/FieldForm.vue'
import { useBench } from '@/stores/bench'
import { useGate } from '@/stores/gate'
import { useMaking } from '@/stores/making'
import { computed, ref, watch } from 'vue'

const props = defineProps<{ stale: boolean }>()
const bench = useBench()
const making = useMaking()
const gate = useGate()
const chosen = computed(() => making.files.format)
const earlier = ref(false)
watch(() => bench.preparation?.id, () => (earlier.value = false))
const format = computed(() => making.making?.formats.find((one) => one.key === chosen.value) ?? null)
const values = computed(() => ({ ...Object.fromEntries((format.value?.fields ?? []).map((field) => [field.name, field.usual])), ...making.files.values[chosen.value] }))
const set = (name: string, value: FieldValue) => making.keepFiles({ values: { ...making.files.values, [chosen.value]: { ...making.files.values[chosen.value], [name]: value } } })
/** What was written last can be written again in one press. */
const written = () => making.keepFiles({})
const query = computed(() => making.query(props.stale))
</script>

<template>
  <Choose label="Format" :value="chosen" :options="(making.making?.formats ?? []).map((one) => ({ value: one.key, label: one.label }))" data-test="format" @keep="making.keepFiles({ format: $event })" />
  <p v-if="format" class="quiet">{{ format.says }} <GuideLink page="reference" :at="`output-${format.key}`" :about="format.label" /></p>
  <FieldForm v-if="format && format.fields.length > 0" :fields="format.fields" :values="values" @keep="set" />
  <Tick v-if="format?.several" :value="making.files.together" data-test="together" @keep="making.keepFiles({ together: $event })">All in one file</Tick>
  <Tick v-if="stale" :value="earlier" data-test="earlier" @keep="earlier = $event">Use the earlier state anyway</Tick>
  <template v-if="!stale || earlier">
    <a class="all" :href="making.zip(stale)" download data-test="all-files" @click="gate.follow($event), written()">Download all as ZIP</a>
    <ul>
      <li v-for="(one, index) in making.layouts" :key="one.name"><a :href="`/api/v1/jobs/${bench.job?.id}/files/${index}.${chosen}?${query}`" download :data-test="`file-${index}`" @click="gate.follow">{{ one.name }}.{{ format?.extension }}</a></li>
    </ul>
    <a class="page" :href="`/api/v1/preparations/${bench.preparation?.id}/sheets.zip${stale ? '?earlier=1' : ''}`" download data-test="all-sheets" @click="gate.follow">Each colour as it lies on the page, SVG</a>
  </template>
</template>

<style scoped>
.all { display: block; text-align: center; background: var(--green); color: var(--on-green); text-decoration: none; padding: 8px 14px; border-radius: 4px; font-weight: 500; }
.all:hover { background: var(--green-deep); }
ul { list-style: none; margin: 0; padding: 0; font-size: 15px; display: flex; flex-direction: column; gap: 3px; }
li { overflow: hidden; text-overflow: ellipsis; white-space: nowrap; }
li a, .page { color: var(--green); font-size: 15px; }
</style>
