import { api, words } from '@/api/client'
import type { Art, Deed, Field, Found, FieldValue, LineStep, LookDifference, Preset, StepReport } from '@/api/types'
import { useBench } from '@/stores/bench'
import { useChoices } from '@/stores/choices'
import { defineStore } from 'pinia'
import { computed, ref, shallowRef, watch } from 'vue'
import { lane } from './lane'
import { refusal } from './refusal'

/** ms after which a preview that still computes is given up for a newer one. */
const PATIENCE = 700

/** The line by which the job is prepared: its steps, the one that is open with its values, and the presets that there are. */
export const useLine = defineStore('line', () => {
  const bench = useBench()
  const choices = useChoices()
  const steps = computed<LineStep[]>(() => bench.state?.art.line ?? [])
  const openId = ref<string | null>(null)
  const opened = computed(() => steps.value.find((step) => step.id === openId.value) ?? null)
  const about = computed(() => choices.all.steps.find((one) => one.kind === opened.value?.kind) ?? null)
  /** Values that were typed and are not kept yet. */
  const typed = ref<Record<string, FieldValue>>({})
  const tried = shallowRef<StepReport | null>(null)
  const trying = ref(false)
  const presets = shallowRef<Preset[]>([])

  const reports = computed(() => (bench.prepared ? (bench.result?.steps ?? []) : []))
  const indexOf = (id: string) => reports.value.findIndex((report) => report.id === id)
  const reportOf = (id: string): StepReport | undefined => reports.value[indexOf(id)]

  async function open(id: string) {
    openId.value = id
    typed.value = {}
    tried.value = null
    const index = indexOf(id)
    if (index >= 0) await bench.show({ kind: 'step', index })
  }
  function close() {
    if (openId.value === null) return
    openId.value = null
    leave()
    if (bench.view.kind === 'step') bench.show({ kind: 'source' })
  }
  /** Typed values are left; what was shown of them is so no more. */
  function leave() {
    typed.value = {}
    tried.value = null
    if (bench.view.kind === 'preview') bench.show(openId.value !== null && indexOf(openId.value) >= 0 ? { kind: 'step', index: indexOf(openId.value) } : { kind: 'source' })
  }
  // Another job has another line.
  watch(() => bench.job?.id, close)

  const edit = (fields: Record<string, unknown>) => bench.edit(fields)
  async function insert(what: string, at: number | null = null, values: Record<string, FieldValue> = {}) {
    const known = new Set(steps.value.map((step) => step.id))
    await edit({ kind: 'line-insert', what, values, ...(at === null ? {} : { at }) })
    const fresh = steps.value.find((step) => !known.has(step.id))
    if (fresh) await open(fresh.id)
  }
  const remove = (id: string) => {
    if (openId.value === id) close()
    return edit({ kind: 'line-remove', step: id })
  }
  const copy = (id: string) => edit({ kind: 'line-copy', step: id })
  const turn = (id: string, on: boolean) => edit({ kind: 'line-switch', step: id, on })
  function move(id: string, to: number) {
    const from = steps.value.findIndex((step) => step.id === id)
    const at = Math.max(0, Math.min(steps.value.length - 1, to))
    if (from >= 0 && from !== at) return edit({ kind: 'line-move', step: id, at })
  }

  /** What the open step would give with what was typed; of several questions only the latest is answered. */
  const ask = lane(async (values: Record<string, FieldValue>) => {
    try {
      return await api.post<{ art: Art; report: StepReport }>(`jobs/${bench.job!.id}/previews`, { lane: 'step', version: bench.job!.version, what: 'step', step: { id: openId.value, values } })
    } catch (refused) {
      return words(refused)
    }
  }, PATIENCE)
  /** Why what was typed cannot be had. */
  const why = refusal(typed, openId)
  async function type(name: string, value: FieldValue) {
    typed.value = { ...typed.value, [name]: value }
    const id = openId.value
    trying.value = true
    const answer = await ask(typed.value)
    trying.value = false
    if (openId.value !== id || !(name in typed.value)) return
    if (typeof answer === 'string') {
      tried.value = null
      why.value = answer
    } else if (answer) {
      tried.value = answer.report
      bench.showArt(answer.art)
    }
  }
  async function keep() {
    if (!opened.value) return
    const values = typed.value
    const id = opened.value.id
    tried.value = null
    // Until it is kept it stands as it was typed; what was refused stays, to be mended, and so does what was typed meanwhile.
    if ((await edit({ kind: 'line-set', step: id, values })) && openId.value === id) typed.value = Object.fromEntries(Object.entries(typed.value).filter(([name, value]) => values[name] !== value))
  }

  async function loadPresets() {
    try {
      presets.value = await api.get<Preset[]>('presets')
    } catch (refused) {
      bench.problem = words(refused)
    }
  }
  const use = (preset: string) => bench.changeBy((version, key) => api.post(`jobs/${bench.job!.id}/preset`, { version, key, preset }))
  async function save(name: string, note: string) {
    if (!bench.job) return
    await api.post<Preset>(`jobs/${bench.job.id}/presets`, { name, note, for: [bench.job.process] })
    await Promise.all([loadPresets(), bench.open(bench.job.id)])
  }

  /** What a step did to the look: measured when it is asked for. */
  const looks = ref<Record<string, LookDifference>>({})
  const lookOf = (id: string) => looks.value[`${bench.preparation?.id}/${indexOf(id)}`]
  async function measure(id: string) {
    const index = indexOf(id)
    const key = `${bench.preparation?.id}/${index}`
    if (index < 0 || looks.value[key]) return
    try {
      looks.value = { ...looks.value, [key]: await api.get<LookDifference>(`preparations/${bench.preparation!.id}/stages/${index}/look`) }
    } catch (refused) {
      bench.problem = words(refused)
    }
  }
  /** How many findings there were before each step and are after it: counted one step after the other, once the line has run. */
  const found = ref<Record<string, Found>>({})
  const foundOf = (id: string): Found | undefined => found.value[`${bench.preparation?.id}/${indexOf(id)}`]
  let counting = 0
  watch(() => (bench.prepared ? bench.preparation!.id : null), async (preparation) => {
    const own = ++counting
    found.value = {}
    for (let index = 0; preparation !== null && own === counting && index < reports.value.length; index++) {
      try {
        const counts = await api.get<Found>(`preparations/${preparation}/stages/${index}/found`)
        if (own === counting) found.value = { ...found.value, [`${preparation}/${index}`]: counts }
      } catch {
        // Too much art to count in a request: the card says nothing of it.
      }
    }
  }, { immediate: true })
  const fields = computed<Field[]>(() => (about.value?.fields ?? []).filter((field) => field.type !== 'places' && field.type !== 'data'))
  const values = computed<Record<string, FieldValue>>(() => ({ ...Object.fromEntries(Object.entries(opened.value?.values ?? {}).filter((one): one is [string, FieldValue] => !Array.isArray(one[1]))), ...typed.value }))
  const left = computed<Deed[]>(() => tried.value?.left ?? (opened.value ? reportOf(opened.value.id)?.left : undefined) ?? [])

  return { steps, opened, about, typed, tried, trying, why, presets, reports, indexOf, reportOf, foundOf, open, close, leave, insert, remove, copy, turn, move, type, keep, loadPresets, use, save, lookOf, measure, fields, values, left }
})
