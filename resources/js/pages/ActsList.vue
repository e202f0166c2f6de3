<script setup lang="ts">
import { api, words } from '@/api/client'
import type { Acts } from '@/api/types'
import { useBench } from '@/stores/bench'
import { useMe } from '@/stores/me'
import { ElButton, ElPopover } from 'element-plus'
import { ref, watch } from 'vue'

/** What was done, and what was taken back: each can be gone to. */
const bench = useBench()
const me = useMe()
const open = ref(false)
const acts = ref<Acts['acts']>([])
const loading = ref(false)
watch(() => [open.value, bench.state?.history.number], async ([is]) => {
  if (!is || !bench.job) return
  loading.value = acts.value.length === 0
  try {
    acts.value = (await api.get<Acts>(`jobs/${bench.job.id}/acts`)).acts
  } catch (refused) {
    bench.problem = words(refused)
    open.value = false
  } finally {
    loading.value = false
  }
})
function go(number: number) {
  bench.goTo(number)
}
</script>

<template>
  <ElPopover v-model:visible="open" trigger="click" placement="bottom-start" :width="300" append-to="#over" popper-class="acts-popper">
    <template #reference>
      <ElButton size="small" class="more" aria-label="All that was done" title="All that was done" :aria-expanded="open" data-test="acts"><svg width="10" height="7" aria-hidden="true"><path d="M1 1L5 5L9 1" fill="none" stroke="currentColor" stroke-width="1.6" /></svg></ElButton>
    </template>
    <div class="acts" role="group" aria-label="All that was done, the newest first">
      <p v-if="loading" class="quiet">Looking it up…</p>
      <p v-else-if="acts.length <= 1" class="quiet">Nothing was done yet.</p>
      <ol v-else>
        <li v-for="act in acts" :key="act.number">
          <button type="button" :class="act.state" :aria-current="act.state === 'now' ? 'step' : undefined" :disabled="bench.busy || !me.may.draw" :data-act="act.number" @click="go(act.number)">{{ act.label }}<i v-if="act.state === 'undone'"> undone</i><i v-if="act.by && act.by !== me.name" class="by"> {{ act.by }}</i></button>
        </li>
      </ol>
    </div>
  </ElPopover>
</template>

<style scoped>
.more { padding: 0 7px; margin: 0; }
.acts { max-height: 50vh; overflow-y: auto; }
ol { list-style: none; margin: 0; padding: 0; }
ol button { display: block; width: 100%; text-align: left; border: 0; border-left: 3px solid transparent; background: none; font: 15px/1.25 var(--text-face); color: var(--ink); padding: 3px 8px; cursor: pointer; }
ol button:hover { background: var(--green-pale); }
ol button.now { border-left-color: var(--green); font-weight: 700; color: var(--green-deep); }
ol button.undone { color: var(--ink-mid); }
i { font-size: 13px; }
</style>
