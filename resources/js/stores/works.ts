import { api, isAtDoor, Refused } from '@/api/client'
import { isOpen, type Work } from '@/api/works'
import { defineStore } from 'pinia'
import { computed, shallowRef } from 'vue'

/** ms between two looks while something is at work, and while nothing is. */
const BUSY = 350
const IDLE = 8000

/** Long work: what is followed here, what runs in the shop, and what it came to. Everything of the page that waits for work waits here. */
export const useWorks = defineStore('works', () => {
  const all = shallowRef<Record<number, Work>>({})
  /** The last of each kind of the job that is looked at. */
  const last = shallowRef<Record<string, Work>>({})
  const waiting = new Map<number, ((work: Work) => void)[]>()
  let timer = 0

  const open = computed(() => Object.values(all.value).filter(isOpen))
  const of = <O = Record<string, unknown>>(work: Work<O> | null | undefined): Work<O> | null => (work ? ((all.value[work.id] as Work<O> | undefined) ?? work) : null)

  function take(works: Work[]) {
    const known = { ...all.value }
    const lasts = { ...last.value }
    for (const work of works) {
      known[work.id] = work
      if (lasts[work.kind]?.id === work.id) lasts[work.kind] = work
    }
    all.value = known
    last.value = lasts
    for (const [id, tell] of waiting) {
      const work = known[id]
      if (!work || isOpen(work)) continue
      waiting.delete(id)
      tell.forEach((one) => one(work))
    }
  }

  async function look() {
    window.clearTimeout(timer)
    // Whoever is not signed in yet is told of no work.
    if (isAtDoor()) {
      timer = window.setTimeout(look, IDLE)
      return
    }
    try {
      const seen = (await api.get<{ works: Work[] }>('works')).works
      const ids = new Set(seen.map((work) => work.id))
      // What ended while nobody looked is asked for by itself.
      const missed = [...new Set([...waiting.keys(), ...open.value.map((work) => work.id)])].filter((id) => !ids.has(id))
      take([...seen, ...(await Promise.all(missed.map((id) => api.get<Work>(`works/${id}`).catch((gone) => (gone instanceof Refused && gone.status === 404 ? ({ ...all.value[id], id, state: 'stopped' } as Work) : null))))).filter((work) => work !== null)])
    } catch {
      // It is looked again: whoever presses something is told that the server does not answer.
    }
    timer = window.setTimeout(look, open.value.length > 0 || waiting.size > 0 ? BUSY : IDLE)
  }
  /** From now on it is looked at until it ends; what comes is how it ended. */
  function ended<O>(work: Work<O>): Promise<Work<O>> {
    take([work as Work])
    const now = of(work)!
    if (!isOpen(now)) return Promise.resolve(now)
    window.clearTimeout(timer)
    timer = window.setTimeout(look, BUSY)
    return new Promise((done) => waiting.set(work.id, [...(waiting.get(work.id) ?? []), done as unknown as (work: Work) => void]))
  }
  /** What was asked for, waited for where it is being made first. */
  async function made<T extends object>(ask: () => Promise<T | { work: Work }>, then: () => Promise<T | { work: Work }> = ask, whole: keyof T): Promise<T> {
    for (let answer = await ask(); ; answer = await then()) {
      if (whole in answer) return answer as T
      const work = await ended((answer as { work: Work }).work)
      if (work.state === 'failed') throw new Refused(work.error, 422, {})
    }
  }
  /** A kind of work with its values, for a job. */
  async function ask<O>(job: number, kind: string, values: Record<string, unknown> = {}): Promise<Work<O>> {
    const work = await api.post<Work<O>>(`jobs/${job}/works`, { kind, ...values })
    last.value = { ...last.value, [kind]: work as Work }
    void ended(work)
    return work
  }
  async function loadLast(job: number) {
    const answer = await api.get<{ works: Work[]; last: Record<string, Work> }>(`works?job=${job}`)
    last.value = answer.last
    take([...answer.works, ...Object.values(answer.last)])
  }
  async function tell(work: { id: number }, what: 'stop' | 'pause' | 'go'): Promise<Work> {
    const next = await api.post<Work>(`works/${work.id}/${what}`)
    take([next])
    if (isOpen(next)) void ended(next)
    return next
  }

  return { all, last, open, of, look, ended, made, ask, loadLast, tell }
})
