import { useLocalStorage } from '@vueuse/core'
import { defineStore } from 'pinia'
import { computed } from 'vue'
import { stretches } from './walk'

/** The walk through a job: on which one, how far, and whether it was left for now. */
export const useWalk = defineStore('walk', () => {
  const kept = useLocalStorage<{ job: number; at: number; left: boolean } | null>('neat-edge-walk', null, { writeDefaults: false, onError: () => {}, serializer: { read: (text) => JSON.parse(text), write: (value) => JSON.stringify(value) } })
  const now = computed(() => (kept.value && !kept.value.left ? (stretches[kept.value.at] ?? null) : null))
  const begin = (job: number) => (kept.value = { job, at: 0, left: false })
  function go(at: number) {
    if (kept.value) kept.value = at >= stretches.length ? null : { ...kept.value, at: Math.max(0, at) }
  }
  function leave() {
    if (kept.value) kept.value = { ...kept.value, left: true }
  }
  function find() {
    if (kept.value) kept.value = { ...kept.value, left: false }
  }
  return { kept, now, begin, go, leave, find }
})
