<script setup lang="ts">
import { useBench } from '@/stores/bench'
import { useMe } from '@/stores/me'
import { useUnkept } from '@/stores/unkept'
import { ElButton } from 'element-plus'
import { computed } from 'vue'
import { RouterLink } from 'vue-router'

/** A stage that waits for the art to be prepared, or for any art at all: what belongs there, and the press for it. */
defineProps<{ says: string }>()
const bench = useBench()
const me = useMe()
const unkept = useUnkept()
const isEmpty = computed(() => bench.art !== null && bench.art.pieces.length === 0)
</script>

<template>
  <p v-if="isEmpty" class="quiet" data-test="bench-empty">There is nothing on the bench yet. <RouterLink v-if="bench.job" :to="`/jobs/${bench.job.id}/draw`">Draw</RouterLink> something, or drag a file onto the page.</p>
  <template v-else>
    <p class="quiet">{{ says }}</p>
    <ElButton type="primary" :disabled="bench.running || !me.may.draw" @click="unkept.prepare()">Prepare</ElButton>
  </template>
</template>
