import { api, Refused, words } from '@/api/client'
import type { Along, Copies, DoneSoFar, Machine, Making, Moves, NestingRun, Sending, Stock, StockItem } from '@/api/making'
import type { FieldValue } from '@/api/types'
import { useBench } from '@/stores/bench'
import { defineStore } from 'pinia'
import { computed, ref, shallowRef, watch } from 'vue'

/** A job as it is laid out, and on its way to machines. */
export const useMaking = defineStore('making', () => {
  const bench = useBench()
  const making = shallowRef<Making | null>(null)
  const materials = shallowRef<StockItem[]>([])
  const loading = ref(false)
  const problem = ref('')
  const moves = shallowRef<Record<number, Moves>>({})
  /** Grows with every change, so that pictures are fetched anew. */
  const state = ref(0)
  const nesting = shallowRef<NestingRun | null>(null)
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
    nesting.value = next.nesting
    mixed.value = new Set(next.layouts.keys())
    if (nesting.value && ['waiting', 'running'].includes(nesting.value.status)) followNesting()
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
  const load = () => attempt(async () => {
    if (!bench.job || !bench.prepared) return
    take(await api.get<Making>(path('making')))
    materials.value = (await api.get<Stock>('stock')).items.filter((one) => one.kind === 'material' && (!one.values.for || one.values.for === 'any' || one.values.for === bench.job?.process))
    await loadSendings()
  })
  const change = (name: string, value: FieldValue) => attempt(async () => take(await api.put<Making>(path('making'), { values: { [name]: value } })))
  const layAlong = (along: Along[]) => attempt(async () => take(await api.put<Making>(path('making'), { along })))
  const material = (sheet: string, id: number | null) => attempt(async () => take(await api.put<Making>(path('making'), { materials: { [sheet]: id } })))

  async function loadMoves(number: number) {
    if (moves.value[number]) return
    await attempt(async () => {
      moves.value = { ...moves.value, [number]: await api.get<Moves>(path(`layouts/${number}/moves`)) }
    })
  }

  const nest = (seconds: number) => attempt(async () => {
    nesting.value = await api.post<NestingRun>(path('nestings'), { seconds })
    followNesting()
  })
  const stopNesting = () => attempt(async () => {
    nesting.value = await api.post<NestingRun>(`nestings/${nesting.value!.id}/stop`)
  })
  let poll = 0
  function followNesting() {
    window.clearTimeout(poll)
    poll = window.setTimeout(async () => {
      const id = nesting.value?.id
      if (id === undefined) return
      const next = await api.get<NestingRun>(`nestings/${id}`).catch(() => nesting.value!)
      nesting.value = next
      if (['waiting', 'running'].includes(next.status)) followNesting()
      else {
        if (next.error) problem.value = next.error
        await load()
      }
    }, 400)
  }
  const loadCopies = () => attempt(async () => {
    copies.value = await api.get<Copies[]>(path('copies'))
  })
  /** Laid by hand; refused where one would lie on another. */
  const move = (sheet: string, moved: { copy: number; x: number; y: number; turn: number }[]) => attempt(async () => {
    copies.value = await api.post<Copies[]>(path('copies'), { sheet, moved })
    take(await api.get<Making>(path('making')))
  })
  // Undone, done again, or laid otherwise in another window.
  watch(() => bench.state?.history.laid, (laid) => {
    if (laid !== undefined && making.value && making.value.history.laid !== laid) load()
  })

  async function loadSendings() {
    const answer = await api.get<{ machines: Machine[]; sendings: Sending[] }>(path('sendings'))
    machines.value = answer.machines
    sendings.value = answer.sendings
    if (answer.sendings.some((one) => ['waiting', 'running'].includes(one.status))) followSendings()
    await loadDone()
  }
  /** The last sending of a sheet. */
  const sendingOf = (number: number) => sendings.value.find((one) => one.number === number)
  /** What the machine has done of the sheet that is looked at, while it is not all of it. */
  const doneSoFar = shallowRef<(DoneSoFar & { number: number }) | null>(null)
  async function loadDone() {
    const view = bench.view
    const one = view.kind === 'layout' ? sendingOf(view.index) : undefined
    if (!one || view.kind !== 'layout' || ['done', 'cancelled'].includes(one.status) || one.version !== bench.job?.version) {
      doneSoFar.value = null
      return
    }
    if (doneSoFar.value?.number === view.index && doneSoFar.value.done === one.done) return
    const ways = await api.get<DoneSoFar>(`sendings/${one.id}/done`)
    if (bench.view.kind === 'layout' && bench.view.index === view.index) doneSoFar.value = { ...ways, number: view.index }
  }
  watch(() => bench.view, () => loadDone().catch(() => (doneSoFar.value = null)))
  let follow = 0
  function followSendings() {
    window.clearTimeout(follow)
    follow = window.setTimeout(() => loadSendings().catch((refused) => (problem.value = words(refused))), 400)
  }
  /** Sheets that were sent before are asked about: nothing is sent twice unseen. */
  const asked = ref<{ machine: number; number: number; says: string } | null>(null)
  const send = (machine: number, number: number, again = false) => attempt(async () => {
    asked.value = null
    try {
      await api.post(path('sendings'), { machine, number, again })
    } catch (refused) {
      if (refused instanceof Refused && refused.status === 409) asked.value = { machine, number, says: refused.message }
      else throw refused
    }
    await loadSendings()
  })
  const tell = (id: number, what: 'pause' | 'go' | 'cancel') => attempt(async () => {
    await api.post(`sendings/${id}/${what}`)
    await loadSendings()
  })

  // Told by a word: a list would be another one with every answer.
  watch(() => `${bench.job?.id} ${bench.prepared ? bench.preparation?.id : ''}`, () => {
    window.clearTimeout(poll)
    window.clearTimeout(follow)
    making.value = null
    nesting.value = null
    copies.value = null
    sendings.value = []
    moves.value = {}
    asked.value = null
    problem.value = ''
  })

  return { making, layouts, materials, loading, problem, moves, state, nesting, copies, machines, sendings, mixed, asked, doneSoFar, sendingOf, load, change, layAlong, material, loadMoves, nest, stopNesting, loadCopies, move, send, tell }
})
