<script setup lang="ts">
import { t } from '@/words/words'
import { useBench } from '@/stores/bench'
import { useGate } from '@/stores/gate'
import { useMaking } from '@/stores/making'
import { useUnkept } from '@/stores/unkept'
import { ElButton } from 'element-plus'
import { computed, ref } from 'vue'
import NotYet from './NotYet.vue'
import Drawer from './Drawer.vue'
import FilesSection from './send/FilesSection.vue'
import GateQuestion from './send/GateQuestion.vue'
import LayingSection from './send/LayingSection.vue'
import MachineSection from './send/MachineSection.vue'
import SheetsSection from './send/SheetsSection.vue'
import SizesSection from './send/SizesSection.vue'

const bench = useBench()
const unkept = useUnkept()
const making = useMaking()
const gate = useGate()
const tabs = [['sheets', t('Sheets')], ['laying', t('Lay out')], ['files', t('Files')], ['machine', t('Machine')], ['sizes', t('Sizes')]] as const
const tab = ref<(typeof tabs)[number][0]>('sheets')
const lastFormat = computed(() => making.making?.formats.find((one) => one.key === making.files.format)?.label ?? '')
const stale = computed(() => bench.preparation?.stale === true)
</script>

<template>
  <Drawer :guide="['machines-and-shop', 'send-to-a-machine']" title="Send">
    <NotYet v-if="!bench.prepared" :says="$t('There is nothing to send until the art has been prepared.')" />
    <template v-else>
      <div v-if="stale" class="trouble held" role="alert">
        <p>The job was changed since these sheets were made.</p>
        <ElButton type="primary" :disabled="bench.running" data-test="prepare-stale" @click="unkept.prepare()">Prepare again</ElButton>
      </div>
      <p v-else-if="bench.verdict?.empty" class="verdict" data-test="send-verdict">{{ bench.verdict.sentence }}.</p>
      <p v-else-if="bench.verdict" :class="['verdict', { open: !bench.verdict.ready }]" data-test="send-verdict"><strong>{{ bench.verdict.ready ? $t('Ready.') : $t('Not ready.') }}</strong> {{ bench.verdict.sentence }}.<span v-for="reason in bench.verdict.open" :key="reason">{{ ` ${reason}` }}</span><span v-if="gate.released" data-test="released"> Let go as it is by {{ gate.released.by }}: {{ gate.released.reason }}.</span></p>
      <p v-if="making.making?.files && !stale" class="again"><a :href="making.zip()" download data-test="same-again" @click="gate.follow">The same files again</a> <span class="quiet">{{ making.files.together ? $t('{format}, all in one, as a ZIP', { format: lastFormat }) : $t('{format}, a file a sheet, as a ZIP', { format: lastFormat }) }}</span></p>
      <div class="tabs" role="tablist">
        <button v-for="[key, label] in tabs" :key="key" type="button" role="tab" :aria-selected="tab === key" :class="{ on: tab === key }" :data-test="`send-${key}`" @click="tab = key">{{ label }}</button>
      </div>
      <p v-if="making.problem" class="trouble" role="alert" data-test="making-problem">{{ making.problem }}</p>
      <p v-if="making.loading && !making.making" class="quiet" role="status">Laying out…</p>
      <template v-if="making.making">
        <SheetsSection v-if="tab === 'sheets'" />
        <LayingSection v-else-if="tab === 'laying'" />
        <FilesSection v-else-if="tab === 'files'" :stale="stale" />
        <MachineSection v-else-if="tab === 'machine'" :stale="stale" />
      </template>
      <SizesSection v-if="tab === 'sizes'" />
      <GateQuestion />
    </template>
  </Drawer>
</template>

<style scoped>
.again { font-size: 15px; line-height: 1.3; margin: 0; }
.held { display: flex; flex-direction: column; gap: 8px; align-items: flex-start; }
.verdict { background: var(--green-pale); padding: 7px 11px; border-radius: 3px; line-height: 1.3; font-size: 15.5px; }
.verdict.open { background: var(--coral-pale); }
.verdict strong { font-weight: 600; }
.tabs { display: flex; flex-wrap: wrap; gap: 0 11px; border-bottom: 1px solid var(--line); }
.tabs button { border: 0; border-bottom: 3px solid transparent; background: none; font: 500 15.5px var(--text-face); color: var(--ink-mid); padding: 3px 0 5px; cursor: pointer; white-space: nowrap; }
.tabs button.on { border-bottom-color: var(--green); color: var(--green); }
</style>
