import { api } from '@/api/client'
import type { Company } from '@/api/types'
import { useBench } from '@/stores/bench'
import { useMe } from '@/stores/me'
import { defineStore } from 'pinia'
import { computed, shallowRef } from 'vue'

/** ms between two words of this page; the server forgets a page that says nothing for three of them. */
const EVERY = 4500
/** Pieces that are told of. */
const MOST = 2000

/** Who else is on this bench, and what they have in hand. */
export const useCompany = defineStore('company', () => {
  const bench = useBench()
  const me = useMe()
  const others = shallowRef<Company['others']>([])
  /** Somebody else changed the job since this page saw it. */
  const newer = shallowRef(false)
  let timer = 0
  let job: number | null = null

  async function tell() {
    window.clearTimeout(timer)
    const at = job
    if (at === null) return
    if (me.asks && me.me.person && document.visibilityState === 'visible') {
      try {
        const answer = await api.put<Company>(`jobs/${at}/here`, { held: [...bench.chosen].slice(0, MOST) })
        if (job !== at) return
        others.value = answer.others
        newer.value = bench.job?.id === at && answer.version > bench.job.version && !bench.busy
        // Whoever has nothing in hand and nothing under way is shown at once what others did.
        if (newer.value && bench.chosen.size === 0 && bench.waiting === 0 && !bench.touching) await look()
      } catch {
        // Who else is there is of no weight where the server does not answer.
      }
    } else others.value = []
    timer = window.setTimeout(tell, EVERY)
  }
  async function look() {
    newer.value = false
    if (job !== null) await bench.open(job)
  }
  function come(id: number) {
    leave()
    job = id
    void tell()
  }
  function leave() {
    window.clearTimeout(timer)
    if (job !== null && me.asks && me.me.person) void api.delete(`jobs/${job}/here`).catch(() => {})
    job = null
    others.value = []
    newer.value = false
  }
  /** By piece, who has it in hand. */
  const held = computed(() => new Map(others.value.flatMap((one) => one.held.map((piece) => [piece, one.name] as const))))
  return { others, held, newer, come, leave, look }
})
