<script setup lang="ts">
import WhoMay from '@/fields/WhoMay.vue'
import { api, words } from '@/api/client'
import type { ChangedState, VersionList } from '@/api/types'
import { useBench } from '@/stores/bench'
import { refusal } from '@/stores/refusal'
import { useUnkept } from '@/stores/unkept'
import { moment } from '@/words/words'
import { ElButton, ElDrawer, ElInput } from 'element-plus'
import { ref, watch } from 'vue'

/** Named versions of a job, to be compared and gone back to; and what was done last. */
const open = defineModel<boolean>({ required: true })
const bench = useBench()
const unkept = useUnkept()
const list = ref<VersionList | null>(null)
const name = ref('')
const trouble = refusal(name)

async function load(work: () => Promise<VersionList>) {
  trouble.value = ''
  try {
    list.value = await work()
  } catch (refused) {
    trouble.value = words(refused)
  }
}
watch(open, (now) => {
  if (now && bench.job) load(() => api.get(`jobs/${bench.job!.id}/versions`))
})
const keep = () => unkept.pass(save)
async function save() {
  await load(() => api.post(`jobs/${bench.job!.id}/versions`, { name: name.value }))
  if (!trouble.value) name.value = ''
}
function compare(id: number, called: string) {
  open.value = false
  bench.compare(id, called)
}
async function back(id: number) {
  open.value = false
  await bench.changeBy((version, key) => api.post<ChangedState>(`jobs/${bench.job!.id}/versions/${id}/back`, { version, key }))
}
const when = (text: string) => moment(`${text.replace(' ', 'T')}Z`)
</script>

<template>
  <ElDrawer v-model="open" title="Versions" size="400" append-to="#over">
    <WhoMay of="draw">
<form @submit.prevent="keep">
      <ElInput v-model="name" placeholder="Name what is on the bench now" maxlength="120" aria-label="Name of the version" data-test="version-name" />
      <ElButton type="primary" native-type="submit" :disabled="!name.trim()" data-test="keep-version">Keep</ElButton>
    </form>
</WhoMay>
    <p v-if="trouble" class="trouble" role="alert">{{ trouble }}</p>
    <p v-if="list && list.versions.length === 0" class="quiet">No version has a name yet. A named one can be compared with the bench and laid on it again.</p>
    <ul>
      <li v-for="version in list?.versions" :key="version.id">
        <strong>{{ version.name }}</strong><span class="quiet">{{ when(version.made) }}{{ version.by ? `, ${version.by}` : '' }}</span>
        <div><ElButton size="small" data-test="compare-version" @click="compare(version.id, version.name)">Compare</ElButton><WhoMay of="draw"><ElButton size="small" @click="back(version.id)">Go back to it</ElButton><ElButton size="small" text @click="load(() => api.delete(`jobs/${bench.job!.id}/versions/${version.id}`) as unknown as Promise<VersionList>)">Forget</ElButton></WhoMay></div>
      </li>
    </ul>
    <h3>What was done</h3>
    <ol>
      <li v-for="step in list?.steps.slice(0, 60)" :key="step.number" :class="{ here: step.current }"><span>{{ step.label }}</span><span class="quiet">{{ when(step.made) }}{{ step.by ? `, ${step.by}` : '' }}</span></li>
    </ol>
  </ElDrawer>
</template>

<style scoped>
form { display: flex; gap: 8px; margin-bottom: 12px; }
ul, ol { list-style: none; margin: 0 0 16px; padding: 0; }
ul li { display: grid; grid-template-columns: 1fr auto; gap: 3px 8px; padding: 8px 0; border-top: 1px solid var(--line); }
ul div { grid-column: 1 / -1; display: flex; gap: 6px; }
ul .el-button { margin: 0; }
ol li { display: flex; justify-content: space-between; gap: 10px; padding: 2px 6px; font-size: 15px; border-radius: 3px; }
ol .here { background: var(--green-pale); font-weight: 500; }
h3 { font-size: 17px; margin-bottom: 5px; }
</style>
