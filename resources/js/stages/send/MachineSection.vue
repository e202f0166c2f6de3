<script setup lang="ts">
import { region, t } from '@/words/words'
import Choose from '@/fields/Choose.vue'
import type { Work } from '@/api/works'
import { useBench } from '@/stores/bench'
import { useGate } from '@/stores/gate'
import { useMaking } from '@/stores/making'
import { ElButton, ElProgress } from 'element-plus'
import { computed, ref } from 'vue'
import { RouterLink } from 'vue-router'

/** A sheet goes to a machine: how far it is, what went wrong, and on from there. */
defineProps<{ stale: boolean }>()
const bench = useBench()
const making = useMaking()
const gate = useGate()
/** Only machines that make what the process wants are offered. */
const offered = computed(() => making.machines.filter((one) => one.fits))
/** The one that was chosen last for this job; else that of the ticket, or the first. */
const machine = computed(() => (offered.value.find((one) => one.id === making.files.machine) ?? offered.value.find((one) => one.id === bench.job?.stock.machine?.id) ?? offered.value[0])?.id ?? null)
const latest = making.sendingOf
/** The sheet is shown while it is made: what is done is drawn on it. */
const send = (number: number) => gate.pass(async () => {
  bench.show({ kind: 'layout', index: number })
  await making.send(machine.value!, number)
})
const way = (index: number) => making.wayOf(latest(index)!)
const words: Record<string, string> = { waiting: t('waiting for the machine'), running: t('being sent'), paused: t('paused'), failed: t('failed'), done: t('done'), stopped: t('cancelled') }
const share = (one: Work) => (one.of > 0 ? Math.round((100 * one.done) / one.of) : 0)
const open = ref<number | null>(null)
</script>

<template>
  <p v-if="making.machines.length === 0" class="quiet">The shop has no machine yet. <RouterLink to="/stock">Add one</RouterLink>.</p>
  <p v-else-if="offered.length === 0" class="quiet" data-test="no-machine">No machine of the shop makes {{ bench.job?.processLabel.toLowerCase() }}. <RouterLink to="/stock">Add one</RouterLink>.</p>
  <Choose v-else label="Machine" :value="machine" :options="offered.map((one) => ({ value: one.id, label: one.name }))" data-test="machine" @keep="making.keepFiles({ machine: $event })" />
  <div v-if="making.asked" class="trouble" role="alert" data-test="asked">
    <p>{{ making.asked.says }}</p>
    <ElButton size="small" data-test="send-again" @click="making.send(making.asked.machine, making.asked.number, true)">Send it once more</ElButton>
    <ElButton size="small" text @click="making.asked = null">Cancel</ElButton>
  </div>
  <ul>
    <li v-for="(one, index) in making.layouts" :key="one.name">
      <div class="head">
        <strong>{{ index + 1 }}. {{ one.layers[0]?.name }}</strong>
        <ElButton size="small" :disabled="machine === null || stale || making.loading" :data-send="index" @click="send(index)">Send</ElButton>
      </div>
      <template v-if="latest(index)">
        <ElProgress :percentage="share(way(index))" :stroke-width="6" :status="way(index).state === 'done' ? 'success' : way(index).state === 'failed' ? 'exception' : undefined" />
        <p class="state" role="status" :data-sending="index"><span>{{ words[way(index).state] }}</span>, {{ way(index).done }} of {{ way(index).of }} blocks at {{ latest(index)!.machine }}</p>
        <p v-if="way(index).error" class="error" role="alert" data-test="sending-error">{{ way(index).error }}</p>
        <div class="acts">
          <ElButton v-if="way(index).state === 'running'" size="small" data-test="pause" @click="making.tell(latest(index)!, 'pause')">Pause</ElButton>
          <ElButton v-if="['paused', 'failed'].includes(way(index).state)" size="small" type="primary" data-test="go-on" @click="making.tell(latest(index)!, 'go')">Continue from there</ElButton>
          <ElButton v-if="['waiting', 'running', 'paused', 'failed'].includes(way(index).state)" size="small" data-test="cancel" @click="making.tell(latest(index)!, 'stop')">Cancel</ElButton>
          <ElButton v-if="way(index).state !== 'done'" size="small" text :data-test="`so-far-${index}`" @click="bench.show({ kind: 'layout', index })">On the sheet</ElButton>
          <ElButton size="small" text @click="open = open === latest(index)!.id ? null : latest(index)!.id">Log</ElButton>
        </div>
        <ol v-if="open === latest(index)!.id"><li v-for="(row, k) in latest(index)!.log" :key="k">{{ new Date(row.at).toLocaleTimeString(region) }} {{ row.what }}</li></ol>
      </template>
    </li>
  </ul>
</template>

<style scoped>
ul { list-style: none; margin: 0; padding: 0; }
ul > li { padding: 8px 0; border-top: 1px solid var(--line); }
.head { display: flex; justify-content: space-between; align-items: center; gap: 8px; }
.head strong { overflow: hidden; text-overflow: ellipsis; white-space: nowrap; }
.state, .error { margin: 2px 0; font-size: 14.5px; line-height: 1.25; }
.error { color: var(--coral-deep); }
.acts { display: flex; flex-wrap: wrap; gap: 4px; }
.acts .el-button { margin: 0; }
ol { margin: 4px 0; padding-left: 20px; font-size: 14px; color: var(--ink-mid); }
</style>
