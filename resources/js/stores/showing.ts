import { api, words } from '@/api/client'
import type { FieldValue, Showing, Thing } from '@/api/types'
import { useBench } from '@/stores/bench'
import { defineStore } from 'pinia'
import { computed, ref, shallowRef, watch } from 'vue'

/** The job's art on a thing: what was chosen is kept with the job as it is chosen, and the picture follows the art. */
export const useShowing = defineStore('showing', () => {
  const bench = useBench()
  const things = shallowRef<Thing[]>([])
  const showing = shallowRef<Showing | null>(null)
  const problem = ref('')
  const busy = ref(false)
  /** Names the state that the picture shows. */
  const state = ref(0)
  const picture = computed(() => `/api/v1/jobs/${bench.job?.id}/showing.svg?v=${bench.job?.version}-${state.value}`)

  /** What is left away on the left of the wipe; empty without one. */
  const without = ref<'' | 'light' | 'art'>('')
  const bare = computed(() => (without.value === '' ? '' : `${picture.value}&without=${without.value}`))

  async function load() {
    const id = bench.job?.id
    if (id === undefined) return
    try {
      if (things.value.length === 0) things.value = (await api.get<{ things: Thing[] }>('things')).things
      const answer = await api.get<Showing>(`jobs/${id}/showing`)
      if (bench.job?.id === id) showing.value = answer
      problem.value = ''
    } catch (refused) {
      problem.value = words(refused)
    }
  }
  async function choose(what: { thing?: string; colours?: Record<string, string | null>; arts?: Record<string, Record<string, FieldValue | null>>; lights?: boolean }) {
    busy.value = true
    try {
      showing.value = await api.put<Showing>(`jobs/${bench.job!.id}/showing`, what)
      problem.value = ''
      state.value++
    } catch (refused) {
      problem.value = words(refused)
    } finally {
      busy.value = false
    }
  }
  /** A thing that ships, as a job of the shop's own: what is drawn there is a thing again. */
  async function open(): Promise<number | null> {
    try {
      return (await api.post<{ id: number }>(`things/${showing.value!.thing}/job`, {})).id
    } catch (refused) {
      problem.value = words(refused)
      return null
    }
  }
  // Another job, or another state of this one, is shown otherwise.
  watch(() => bench.job?.id, () => {
    showing.value = null
    without.value = ''
  })
  return { things, showing, problem, busy, picture, without, bare, load, choose, open }
})
