<script setup lang="ts">
import { useBench } from '@/stores/bench'
import { ElButton } from 'element-plus'
import { computed, onUnmounted, watch, watchPostEffect } from 'vue'
import { useWalk } from './useWalk'
import { stretches } from './walk'

/** Beside the work: the one thing to do next. It can be left, and found again in the search and in the list of jobs. */
const props = defineProps<{ stage: string }>()
const emit = defineEmits<{ enter: [stage: string] }>()
const walk = useWalk()
const bench = useBench()
const here = computed(() => (walk.now && walk.kept?.job === bench.job?.id ? walk.now : null))
watch(() => (here.value && props.stage === here.value.stage ? here.value.done(bench as never) : false), (done, before) => {
  if (done && before === false) walk.go(walk.kept!.at + 1)
})
watch(() => here.value?.stage, (stage) => stage && stage !== props.stage && emit('enter', stage))
let ringed: Element | null = null
const free = () => ringed?.classList.remove('walked-to')
watchPostEffect(() => {
  const wanted = here.value && props.stage === here.value.stage ? here.value.press : null
  // What is to be pressed may come with an answer.
  void [bench.prepared, bench.group, bench.view.kind]
  free()
  setTimeout(() => {
    free()
    if (wanted !== (here.value && props.stage === here.value.stage ? here.value.press : null)) return
    ringed = wanted ? document.querySelector(wanted) : null
    ringed?.classList.add('walked-to')
  }, 250)
})
onUnmounted(free)
</script>

<template>
  <section v-if="here" class="walk" aria-label="The walk through a job" data-test="walk">
    <p class="how numbers">{{ walk.kept!.at + 1 }} of {{ stretches.length }}</p>
    <p role="status">{{ here.says }}</p>
    <div class="acts">
      <ElButton v-if="stage !== here.stage" size="small" type="primary" @click="emit('enter', here.stage)">Go there</ElButton>
      <ElButton size="small" :disabled="walk.kept!.at === 0" @click="walk.go(walk.kept!.at - 1)">Back</ElButton>
      <ElButton size="small" data-test="walk-on" @click="walk.go(walk.kept!.at + 1)">{{ walk.kept!.at + 1 === stretches.length ? $t('Done') : $t('Next') }}</ElButton>
      <ElButton size="small" text data-test="walk-leave" @click="walk.leave()">Leave the walk</ElButton>
    </div>
  </section>
</template>

<style scoped>
.walk { margin: 10px 12px 0; padding: 9px 12px 10px; border: 2px solid var(--green); border-radius: 5px; background: var(--card); line-height: 1.28; flex: none; }
.how { float: right; font-size: 14px; color: var(--ink-mid); margin-left: 8px; }
.acts { display: flex; flex-wrap: wrap; gap: 5px; margin-top: 7px; }
.acts .el-button { margin: 0; }
</style>
