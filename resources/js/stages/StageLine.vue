<script setup lang="ts">
import { useBench } from '@/stores/bench'
import { useMe } from '@/stores/me'
import { computed } from 'vue'
import { stagesFor } from './stages'

defineProps<{ current: string }>()
defineEmits<{ enter: [key: string] }>()
const bench = useBench()
const me = useMe()
const open = computed(() => stagesFor(me.may.draw))
</script>

<template>
  <nav class="stages" aria-label="Stages of the work">
    <ol>
      <li v-for="(stage, index) in open" :key="stage.key" :class="{ here: stage.key === current }">
        <button type="button" :aria-current="stage.key === current ? 'step' : undefined" :title="`${stage.label} (${index + 1})`" :data-stage="stage.key" @click="$emit('enter', stage.key)">
          <span class="name">{{ stage.label }}</span>
          <span :class="['state', { alarming: stage.alarming?.(bench) }]">{{ stage.state(bench) || ' ' }}</span>
        </button>
      </li>
    </ol>
  </nav>
</template>

<style scoped>
ol { display: flex; list-style: none; margin: 0; padding: 0; }
li { position: relative; flex: 1 1 0; min-width: 0; }
/* One line runs through all stages, with a knot at each. */
li::before { content: ''; position: absolute; left: 0; right: 0; top: 9px; height: 2px; background: var(--line-strong); }
li:first-child::before { left: 50%; }
li:last-child::before { right: 50%; }
button { position: relative; width: 100%; border: 0; background: none; padding: 19px 4px 2px; cursor: pointer; text-align: center; color: var(--ink-mid); font: inherit; border-radius: 4px; }
button::before { content: ''; position: absolute; left: 50%; top: 4px; width: 12px; height: 12px; margin-left: -6px; border-radius: 50%; background: var(--paper); border: 2px solid var(--line-strong); }
button:hover .name { color: var(--green); }
.here button::before { background: var(--green); border-color: var(--green); }
.name { display: block; font: 560 17px/1.15 var(--title-face); color: var(--ink); }
.here .name { color: var(--green); }
.state { display: block; font-size: 14px; line-height: 1.2; white-space: nowrap; overflow: hidden; text-overflow: ellipsis; }
.state.alarming { color: var(--coral-deep); font-weight: 500; }
</style>
