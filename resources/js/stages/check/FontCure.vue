<script setup lang="ts">
import { api, words } from '@/api/client'
import type { ChangedState } from '@/api/types'
import ShopFonts from '@/pages/ShopFonts.vue'
import { useBench } from '@/stores/bench'
import { useChoices } from '@/stores/choices'
import { refusal } from '@/stores/refusal'
import { ElButton, ElDialog, ElOption, ElSelect } from 'element-plus'
import { computed, onMounted, onUnmounted, ref } from 'vue'

/** A font that was not at hand: the letters are shown large enough to be read, and set in it once it is here, or in another. */
const props = defineProps<{ missing: string }>()
const bench = useBench()
const choices = useChoices()
const fonts = ref(false)
const busy = ref(false)
const family = ref('')
const trouble = refusal(family)
const stay = ref(0)
const known = computed(() => choices.all.families.find((one) => one.family.toLowerCase() === props.missing.toLowerCase())?.family ?? null)

onMounted(async () => {
  try {
    const { box, stay: others } = await api.get<{ box: { x: number; y: number; width: number; height: number } | null; stay: number }>(`jobs/${bench.job!.id}/letters?missing=${encodeURIComponent(props.missing)}`)
    stay.value = others
    if (box) bench.spot = box
  } catch (refused) {
    trouble.value = words(refused)
  }
})
onUnmounted(() => (bench.spot = null))
async function set(name: string) {
  busy.value = true
  await bench.changeBy((version, key) => api.post<ChangedState>(`jobs/${bench.job!.id}/letters`, { version, key, missing: props.missing, family: name }))
  trouble.value = bench.problem
  busy.value = false
}
</script>

<template>
  <div class="font" data-test="font-cure">
    <ElButton v-if="known" size="small" type="primary" :loading="busy" data-test="font-known" @click="set(known)">Set them in “{{ known }}”</ElButton>
    <ElButton v-else size="small" data-test="font-add" @click="fonts = true">Add the font…</ElButton>
    <div class="row">
      <ElSelect v-model="family" size="small" placeholder="another font" aria-label="Another font" data-test="font-other">
        <ElOption v-for="one in choices.all.families" :key="one.family" :value="one.family" :label="`${one.family} - ${one.character}`" />
      </ElSelect>
      <ElButton size="small" :disabled="family === ''" :loading="busy" data-test="font-set" @click="set(family)">Set them in it</ElButton>
    </div>
    <p v-if="stay > 0" class="quiet">{{ $t('{n, plural, one {# of them was} other {# of them were} } changed by hand since and would stay.', { n: stay }) }}</p>
    <p v-if="trouble" class="trouble" role="alert">{{ trouble }}</p>
    <ElDialog v-model="fonts" title="Fonts of the shop" width="560" append-to="#over"><ShopFonts open @changed="choices.reload()" /></ElDialog>
  </div>
</template>

<style scoped>
.font { display: flex; flex-direction: column; align-items: flex-start; gap: 6px; width: 100%; }
.font .el-button { margin: 0; }
.row { display: grid; grid-template-columns: minmax(0, 1fr) auto; gap: 6px; width: 100%; }
p { font-size: 14.5px; line-height: 1.25; }
</style>
