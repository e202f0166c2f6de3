import { api, words } from '@/api/client'
import type { Changes, FieldValue } from '@/api/types'
import { isOpen, type Work } from '@/api/works'
import { defineStore } from 'pinia'
import { computed, ref, shallowRef, watch } from 'vue'
import { t } from '@/words/words'
import { colourAt } from './colourAt'
import { useBench } from './bench'
import { useWorks } from './works'

/** A colour of the picture, as it was found and as it was chosen. */
export interface Ink {
  colour: string
  share: number
  ground: boolean
  pieces: number
}
export interface Choice {
  colour: string
  name: string
  drop: boolean
  into: string | null
}
export interface Traced {
  traced: string
  fine: boolean
  colours: Ink[]
  pieces: number
  nodes: number
  specks: number
  meant: { key: string; label: string; moves: number; at: [number, number][] }[]
  /** of each place at which curves and picture differ the boxes that cover it: left, top, width, height, mm; null where that was not looked at */
  differs: [number, number, number, number][][] | null
  says: string[]
  left: number
  top: number
}

/** ms after the last change before the picture is traced anew. */
const SETTLES = 350

/** The reference picture as curves: what is chosen, what came of it, and the art that it would be. */
export const useTracing = defineStore('tracing', () => {
  const bench = useBench()
  const works = useWorks()
  const on = ref(false)
  const values = ref<Record<string, FieldValue>>({})
  const choices = ref<Choice[]>([])
  const off = ref<string[]>([])
  /** Rules that were found and are off now: they stay in the list. */
  const known = shallowRef<Record<string, string>>({})
  const outcome = shallowRef<Traced | null>(null)
  const problem = ref('')
  /** Why no colour came of a press on the picture, until the next: a trace that ends meanwhile says nothing of it. */
  const unpicked = ref('')
  const current = shallowRef<Work<Traced> | null>(null)
  const work = computed(() => works.of(current.value))
  const busy = computed(() => isOpen(work.value))
  /** What is met by a mouse or a key in the list of what was meant, mm on the page. */
  const pointed = ref<string | null>(null)
  const showsDifferences = ref(false)
  /** What the next press on the bench is for: a box in which curves are kept, or a colour of the picture. */
  const hand = ref<'box' | 'colour' | null>(null)
  /** Left, top, width and height of what is kept, mm on the page. */
  const box = ref<[number, number, number, number] | null>(null)
  let stamp = 0
  let timer = 0

  const said = () => ({ ...values.value, ...(choices.value.length > 0 ? { inks: choices.value } : {}), off: off.value.join(' ') })

  function begin() {
    on.value = true
    void run()
  }
  /** Leaves nothing of it on the bench. */
  function put() {
    stamp++
    window.clearTimeout(timer)
    if (work.value && isOpen(work.value)) void works.tell(work.value, 'stop').catch(() => {})
    on.value = false
    outcome.value = null
    current.value = null
    problem.value = ''
    unpicked.value = ''
    hand.value = null
    box.value = null
    if (bench.view.kind === 'preview') void bench.show({ kind: 'source' })
  }
  function forget() {
    values.value = {}
    choices.value = []
    off.value = []
    known.value = {}
  }

  async function run() {
    const own = ++stamp
    problem.value = ''
    try {
      const asked = await works.ask<Traced>(bench.job!.id, 'trace', said())
      if (own !== stamp) return
      current.value = asked
      const ended = await works.ended(asked)
      if (own !== stamp) return
      if (ended.state === 'failed') problem.value = ended.error
      else if (ended.outcome) await take(ended.outcome, own)
    } catch (refused) {
      if (own === stamp) problem.value = words(refused)
    }
  }
  // What is soon there, and coarse, is shown while the rest is worked on.
  watch(() => work.value?.outcome, (now) => {
    if (on.value && now && isOpen(work.value) && now.traced !== outcome.value?.traced) void take(now, stamp)
  })

  async function take(next: Traced, own: number) {
    outcome.value = next
    known.value = { ...known.value, ...Object.fromEntries(next.meant.map((one) => [one.key, one.label])) }
    if (choices.value.length === 0) choices.value = next.colours.map((one) => ({ colour: one.colour, name: '', drop: one.ground, into: null }))
    if (next.pieces === 0) {
      if (bench.view.kind === 'preview') void bench.show({ kind: 'source' })
      return
    }
    try {
      const changes = await api.post<Changes>(`jobs/${bench.job!.id}/previews`, { lane: 'trace', version: bench.job!.version, what: 'edit', edit: { kind: 'trace', traced: next.traced } })
      if (own === stamp && on.value) bench.showPreview(changes, true)
    } catch (refused) {
      if (own === stamp) problem.value = words(refused)
    }
  }

  function again() {
    window.clearTimeout(timer)
    timer = window.setTimeout(run, SETTLES)
  }
  function set(name: string, value: FieldValue) {
    values.value = { ...values.value, [name]: value }
    // Another number of colours is looked for anew.
    if (name === 'colours' || name === 'level' || name === 'part' || name === 'turn') choices.value = []
    again()
  }
  function choose(index: number, some: Partial<Choice>) {
    choices.value = choices.value.map((one, at) => (at === index ? { ...one, ...some } : one))
    again()
  }
  /** A colour that the picture was not told to have: picked by who looks at it. */
  function add(colour: string) {
    if (choices.value.some((one) => one.colour === colour)) return
    choices.value = [...choices.value, { colour, name: '', drop: false, into: null }]
    again()
  }
  /** The colour of the reference picture at a place on the page, mm. */
  async function pick(x: number, y: number) {
    const under = bench.art?.reference
    hand.value = null
    unpicked.value = ''
    if (!under) return
    try {
      const colour = await colourAt(`/api/v1/reference/${under.file}`, (x - under.x) / under.width, (y - under.y) / under.height)
      if (colour === null) unpicked.value = t('There is no picture at that place.')
      else add(colour)
    } catch {
      unpicked.value = t('The picture could not be read.')
    }
  }
  function propose() {
    unpicked.value = ''
    choices.value = []
    again()
  }
  function mean(key: string, is: boolean) {
    off.value = is ? off.value.filter((one) => one !== key) : [...new Set([...off.value, key])]
    again()
  }

  async function keep() {
    if (!outcome.value) return
    const within = box.value ? box.value.map((mm) => `${mm.toFixed(3)}mm`).join(' ') : ''
    const changes = await bench.edit({ kind: 'trace', traced: outcome.value.traced, within })
    if (!changes) return
    bench.chosen = new Set(changes.pieces.map((piece) => piece.id))
    put()
  }

  // Another job, and another picture, begin anew.
  watch(() => `${bench.job?.id} ${bench.art?.reference?.file}`, () => {
    if (on.value) put()
    forget()
  })
  watch(() => bench.view.kind, (kind, before) => {
    if (before === 'preview' && kind !== 'preview' && on.value && (outcome.value?.pieces ?? 0) > 0) put()
  })

  return { on, values, choices, off, known, outcome, problem, unpicked, work, busy, pointed, showsDifferences, hand, box, begin, put, set, choose, add, pick, propose, mean, keep }
})
