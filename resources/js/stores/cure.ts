import type { Remedy } from '@/api/types'
import { useBench } from '@/stores/bench'
import { useChoices } from '@/stores/choices'
import { useLine } from '@/stores/line'
import { defineStore } from 'pinia'
import { computed, ref, watch } from 'vue'

/** A remedy in hand: shown on the art before it is made, on the art itself or as a step of the line. */
export const useCure = defineStore('cure', () => {
  const bench = useBench()
  const choices = useChoices()
  const line = useLine()
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

  async function take(remedy: Remedy, numbers: number[]) {
    hand.value = { remedy, numbers }
    // What can only be made of all of it is seen when the line has run.
    if (!remedy.onArt) return
    showing.value = true
    await bench.preview(edit.value)
    showing.value = false
  }
  function put() {
    if (hand.value === null) return
    hand.value = null
    if (bench.view.kind === 'preview') bench.show({ kind: 'source' })
  }
  async function onArt() {
    const fields = edit.value
    hand.value = null
    const finding = bench.finding
    bench.finding = null
    if (!(await bench.edit(fields))) bench.finding = finding
  }
  /** A step of that kind that is off is switched on; else one is put where it is proposed. */
  async function asStep() {
    if (!hand.value) return
    const { remedy } = hand.value
    const its = values.value
    hand.value = null
    bench.finding = null
    const there = line.steps.find((step) => step.kind === remedy.step)
    if (there && !there.on) {
      if (Object.keys(its).length > 0) await bench.edit({ kind: 'line-set', step: there.id, values: its }, 'draw:line')
      await line.turn(there.id, true)
    } else await bench.edit({ kind: 'line-insert', what: remedy.step, values: its })
  }
  watch(() => bench.job?.id, put)

  return { hand, showing, remediesOf, take, put, onArt, asStep }
})
