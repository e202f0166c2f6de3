import { t } from '@/words/words'
import { api, Refused, words } from '@/api/client'
import type { Along, Copies, DoneSoFar, Machine, Making, Moves, Nested, Sending, Stock, StockItem } from '@/api/making'
import { isOpen, type Work } from '@/api/works'
import type { FieldValue } from '@/api/types'
import { useBench } from '@/stores/bench'
import { useWorks } from '@/stores/works'
import { defineStore } from 'pinia'
import { computed, ref, shallowRef, watch } from 'vue'

/** How far a sheet came that was sent so long ago that its work is not kept any more. */
const FORGOTTEN: Work = { id: 0, kind: 'send', label: t('Send'), title: '', job: null, state: 'done', asked: '', done: 0, of: 0, share: 1, doing: '', left: null, error: '', outcome: null, pauses: false, goesOn: false, ended: null, by: null }

/** A job as it is laid out, and on its way to machines. */
export const useMaking = defineStore('making', () => {
  const bench = useBench()
  const works = useWorks()
  const making = shallowRef<Making | null>(null)
  const materials = shallowRef<StockItem[]>([])
  const loading = ref(false)
  const problem = ref('')
  const moves = shallowRef<Record<number, Moves>>({})
  /** Grows with every change, so that pictures are fetched anew. */
  const state = ref(0)
  /** The last search for a closer way. */
  const nesting = computed(() => (works.last.nest as Work<Nested> | undefined) ?? null)
  const copies = shallowRef<Copies[] | null>(null)
  const machines = shallowRef<Machine[]>([])
  const sendings = shallowRef<Sending[]>([])
  /** Plates that are shown over each other. */
  const mixed = ref<Set<number>>(new Set())
  const layouts = computed(() => making.value?.layouts ?? [])
  const path = (rest: string) => `jobs/${bench.job!.id}/${rest}`

  function take(next: Making) {
    making.value = next
    bench.stands(next.history)
    moves.value = {}
    state.value++
    mixed.value = new Set(next.layouts.keys())
  }
  async function attempt(work: () => Promise<void>) {
    problem.value = ''
    loading.value = true
    try {
      await work()
    } catch (refused) {
      problem.value = words(refused)
    } finally {
      loading.value = false
    }
  }
  type Laid = Making | { work: Work; history?: Making['history'] }
  /** As it is laid out, or what lays it out: where the job stands in its states is known either way. */
  async function ask(): Promise<Laid> {
    const answer = await api.get<Laid>(path('making'))
    if (answer.history) bench.stands(answer.history)
    return answer
  }
  const load = () => attempt(async () => {
    if (!bench.job || !bench.prepared) return
    take(await works.made<Making>(ask, ask, 'layouts'))
    materials.value = (await api.get<Stock>('stock')).items.filter((one) => one.kind === 'material' && (!one.values.for || one.values.for === 'any' || one.values.for === bench.job?.process))
    await Promise.all([loadSendings(), works.loadLast(bench.job.id)])
    if (isOpen(nesting.value)) void nested(nesting.value!)
  })
  /** Stored once it can be laid out so. */
  const lay = (what: Record<string, unknown>) => attempt(async () => take(await works.made<Making>(() => api.put<Laid>(path('making'), what), ask, 'layouts')))
  const change = (name: string, value: FieldValue) => lay({ values: { [name]: value } })
  const layAlong = (along: Along[]) => lay({ along })
  const material = (sheet: string, id: number | null) => lay({ materials: { [sheet]: id } })

  async function loadMoves(number: number) {
    if (moves.value[number]) return
    await attempt(async () => {
      moves.value = { ...moves.value, [number]: await api.get<Moves>(path(`layouts/${number}/moves`)) }
    })
  }

  /** How files are written and where sheets go: of the job, kept with it. */
  const files = ref<{ format: string; together: boolean; machine: number | null; values: Record<string, Record<string, FieldValue>> }>({ format: 'svg', together: false, machine: null, values: {} })
  watch(making, (now) => {
    if (now) files.value = now.files ? { ...now.files, values: { ...now.files.values } } : { ...files.value, format: bench.job?.format ?? 'svg', together: false, machine: null, values: {} }
  })
  function keepFiles(some: Partial<typeof files.value>) {
    files.value = { ...files.value, ...some }
    if (making.value) making.value.files = files.value
    api.put(path('files'), files.value).catch((refused) => (problem.value = words(refused)))
  }
  /** What is written behind the address of a file. */
  function query(stale: boolean) {
    const query = new URLSearchParams({ format: files.value.format, plates: files.value.together ? 'one' : 'each', ...(stale ? { earlier: '1' } : {}) })
    for (const [name, value] of Object.entries(files.value.values[files.value.format] ?? {})) query.set(`values[${name}]`, String(value))
    return query.toString()
  }
  const zip = (stale = false) => `/api/v1/${path('files.zip')}?${query(stale)}`

  const nest = (seconds: number) => attempt(async () => void nested(await works.ask<Nested>(bench.job!.id, 'nest', { seconds })))
  const stopNesting = () => attempt(async () => void (await works.tell(nesting.value!, 'stop')))
  /** However a search ends, its best is shown. */
  async function nested(work: Work<Nested>) {
    const job = bench.job?.id
    const ended = await works.ended(work)
    if (bench.job?.id !== job) return
    await load()
    if (ended.error) problem.value = ended.error
  }
  const loadCopies = () => attempt(async () => {
    copies.value = await api.get<Copies[]>(path('copies'))
  })
  /** Laid by hand; refused where one would lie on another. */
  const move = (sheet: string, moved: { copy: number; x: number; y: number; turn: number }[]) => attempt(async () => {
    const lie = await api.post<Copies[]>(path('copies'), { sheet, moved })
    const first = await ask()
    copies.value = lie
    take(await works.made<Making>(() => Promise.resolve(first), ask, 'layouts'))
  })
  // Undone, done again, or laid otherwise in another window.
  watch(() => bench.state?.history.laid, (laid) => {
    if (laid !== undefined && making.value && making.value.history.laid !== laid) load()
  })

  async function loadSendings() {
    const answer = await api.get<{ machines: Machine[]; sendings: Sending[] }>(path('sendings'))
    machines.value = answer.machines
    sendings.value = answer.sendings
    for (const { work } of answer.sendings) if (work && isOpen(work)) void works.ended(work)
    await loadDone()
  }
  /** How far a sheet is on its way. */
  const wayOf = (one: Sending): Work => works.of(one.work) ?? FORGOTTEN
  // As its machine goes on; what it wrote down comes with the list, once something begins or ends.
  watch(() => sendings.value.map((one) => `${one.id} ${wayOf(one).done}`).join(), () => loadDone().catch(() => undefined))
  watch(() => sendings.value.map((one) => `${one.id} ${wayOf(one).state}`).join(), (_, before) => {
    if (before !== '' && sendings.value.some((one) => wayOf(one).state !== one.work?.state)) loadSendings().catch((refused) => (problem.value = words(refused)))
  })
  /** The last sending of a sheet. */
  const sendingOf = (number: number) => sendings.value.find((one) => one.number === number)
  /** What the machine has done of the sheet that is looked at, while it is not all of it. */
  const doneSoFar = shallowRef<(DoneSoFar & { number: number }) | null>(null)
  async function loadDone() {
    const view = bench.view
    const one = view.kind === 'layout' ? sendingOf(view.index) : undefined
    if (!one || view.kind !== 'layout' || ['done', 'stopped'].includes(wayOf(one).state) || one.version !== bench.job?.version) {
      doneSoFar.value = null
      return
    }
    if (doneSoFar.value?.number === view.index && doneSoFar.value.done === wayOf(one).done) return
    const ways = await api.get<DoneSoFar>(`sendings/${one.id}/done`)
    // An answer that comes late must not lie over what is done by now, nor over a newer one.
    if (['done', 'stopped'].includes(wayOf(one).state) || (doneSoFar.value?.number === view.index && doneSoFar.value.done > ways.done)) return
    if (bench.view.kind === 'layout' && bench.view.index === view.index) doneSoFar.value = { ...ways, number: view.index }
  }
  watch(() => bench.view, () => loadDone().catch(() => (doneSoFar.value = null)))
  /** Sheets that were sent before are asked about: nothing is sent twice unseen. */
  const asked = ref<{ machine: number; number: number; says: string } | null>(null)
  const send = (machine: number, number: number, again = false) => attempt(async () => {
    asked.value = null
    try {
      await works.made<Sending>(() => api.post<Sending | { work: Work }>(path('sendings'), { machine, number, again }), undefined, 'file')
    } catch (refused) {
      if (refused instanceof Refused && refused.status === 409) asked.value = { machine, number, says: refused.message }
      else throw refused
    }
    await loadSendings()
  })
  const tell = (one: Sending, what: 'pause' | 'go' | 'stop') => attempt(async () => {
    if (one.work) await works.tell(one.work, what)
    await loadSendings()
  })

  // Told by a word: a list would be another one with every answer.
  watch(() => `${bench.job?.id} ${bench.prepared ? bench.preparation?.id : ''}`, () => {
    making.value = null
    copies.value = null
    sendings.value = []
    moves.value = {}
    asked.value = null
    problem.value = ''
  })

  return { making, layouts, materials, loading, problem, moves, state, nesting, copies, machines, sendings, mixed, asked, files, keepFiles, query, zip, doneSoFar, sendingOf, wayOf, load, change, layAlong, material, loadMoves, nest, stopNesting, loadCopies, move, send, tell }
})
