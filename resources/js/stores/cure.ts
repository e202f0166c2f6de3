import { api, words } from '@/api/client'
import type { Foretold, Remedy } from '@/api/types'
import { useBench } from '@/stores/bench'
import { useChoices } from '@/stores/choices'
import { defineStore } from 'pinia'
import { computed, ref, watch } from 'vue'
import { lane } from './lane'

type Other = Foretold & { label: string }
/** How much better it makes things. */
const gain = (one: Foretold) => one.cures - one.makes.reduce((sum, each) => sum + each.count, 0)

/** A remedy in hand: shown on the art before it is made, on the art itself or as a step of the line. */
export const useCure = defineStore('cure', () => {
  const bench = useBench()
  const choices = useChoices()
  const hand = ref<{ remedy: Remedy; numbers: number[] } | null>(null)
  const showing = ref(false)

  const remediesOf = (kind: string): Remedy[] => choices.all.findings.find((one) => one.kind === kind)?.remedies ?? []

  /** Places of the findings that it is about; none where it is about all. */
  const at = computed(() => {
    if (!hand.value?.remedy.places) return ''
    return hand.value.numbers.map((number) => bench.findings[number]?.at).filter((place): place is [number, number] => !!place).map(([x, y]) => `${x},${y}`).join(' ')
  })
  const values = computed(() => ({ ...(hand.value?.remedy.values ?? {}), ...(at.value === '' ? {} : { at: at.value }) }))
  const edit = computed(() => {
    const limits = bench.job?.limits
    return { kind: 'mend', step: hand.value?.remedy.step, values: hand.value?.remedy.values ?? {}, at: at.value, line: limits?.line, gap: limits?.gap, island: limits?.island, hole: limits?.hole, colours: limits?.colours }
  })

  /** The same as a step of the line. */
  const step = computed(() => ({ kind: 'line-cure', what: hand.value?.remedy.step, values: values.value }))
  /** What it comes to either way, once it has been worked out; a sentence where that is refused. */
  const told = ref<{ step?: Foretold | string; art?: Foretold | string }>({})
  /** Another remedy that would help more. */
  const instead = ref<Other | null>(null)
  const ask = lane(async (about: Record<string, unknown>) => {
    const notices = bench.state?.notices.length ?? 0
    const findings = (hand.value?.numbers ?? []).map((number) => number - notices).filter((number) => number >= 0)
    try {
      return await api.post<Foretold | Other | null>(`jobs/${bench.job!.id}/previews`, { lane: 'cure', version: bench.job!.version, what: 'cure', findings, ...about })
    } catch (refused) {
      return words(refused)
    }
  })
  async function foretell() {
    const own = hand.value
    const { remedy } = own!
    const asked = remedy.source ? (['art', 'step'] as const) : (['step', 'art'] as const)
    for (const way of asked) {
      if (way === 'art' && !remedy.onArt) continue
      const answer = await ask({ edit: way === 'step' ? step.value : edit.value })
      if (hand.value !== own || answer === null) return
      told.value = { ...told.value, [way]: answer as Foretold | string }
    }
    const best = Math.max(...Object.values(told.value).map((one) => (typeof one === 'string' ? -1 : gain(one))))
    const rest = Object.values(told.value).some((one) => typeof one === 'string' || one.leaves > 0 || one.makes.length > 0)
    const kind = bench.findings[own!.numbers[0] ?? -1]?.kind ?? ''
    if (!rest || remediesOf(kind).length < 2) return
    const other = await ask({ instead: remedy.label })
    if (hand.value === own && other !== null && typeof other !== 'string' && 'label' in other && gain(other) > best) instead.value = other as Other
  }

  async function take(remedy: Remedy, numbers: number[]) {
    hand.value = { remedy, numbers }
    told.value = {}
    instead.value = null
    const own = hand.value
    // What can only be made of all of it is seen when the line has run.
    if (remedy.onArt) {
      showing.value = true
      await bench.preview(edit.value)
      showing.value = false
    }
    if (hand.value === own) foretell()
  }
  function put() {
    if (hand.value === null) return
    hand.value = null
    told.value = {}
    if (bench.view.kind === 'preview') bench.show({ kind: 'source' })
  }
  async function onArt() {
    const fields = edit.value
    hand.value = null
    const finding = bench.finding
    bench.finding = null
    if (!(await bench.edit(fields))) bench.finding = finding
  }
  async function asStep() {
    if (!hand.value) return
    const fields = step.value
    hand.value = null
    bench.finding = null
    await bench.edit(fields)
  }
  watch(() => bench.job?.id, put)

  return { hand, showing, told, instead, remediesOf, take, put, onArt, asStep }
})
