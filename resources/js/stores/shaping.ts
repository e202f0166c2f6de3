import { t } from '@/words/words'
import { api, Refused, words } from '@/api/client'
import type { About, Changes, FieldValue, Mark, Outcome } from '@/api/types'
import { fieldsOf, pressed, untouched, type Act, type CellState } from '@/stages/shape/presses'
import { useBench } from '@/stores/bench'
import { useLocalStorage } from '@vueuse/core'
import { defineStore } from 'pinia'
import { computed, reactive, ref, shallowRef, watch } from 'vue'
import { lane } from './lane'

type Values = Record<string, FieldValue>

/** What belongs to these pieces alone and is not remembered. */
const FLEETING = ['at', 'line', 'turn', 'knife', 'along', 'frame', 'columns', 'rows', 'column', 'row', 'smooth']

/** The tool of shaping that is in hand: its values, what it shows on the art, and what it would give. */
export const useShaping = defineStore('shaping', () => {
  const bench = useBench()
  const tools = shallowRef<Record<string, About>>({})
  /** Every edit, as it describes itself. */
  const edits = shallowRef<Record<string, About>>({})
  const hand = ref<string | null>(null)
  const values = reactive<Record<string, Values>>({})
  const marks = shallowRef<Mark[]>([])
  const report = ref<Outcome | null>(null)
  /** Why the tool cannot be used so, in the core's own sentence. */
  const why = ref('')
  const cells = shallowRef<CellState>(untouched)
  const cellsBefore = shallowRef<CellState[]>([])
  /** What a drag over cells does to them. */
  const cellAct = ref<Act>('join')
  /** The colour that pressed cells and what is filled get. */
  const swatch = ref<string | null>(null)
  /** The mark that was walked to by keys. */
  const at = ref<number | null>(null)
  /** The last operation, to be made once more on what is chosen now. */
  const last = ref<{ kind: string; fields: Values } | null>(null)
  const waiting = ref(false)

  const about = computed<About | null>(() => (hand.value ? (tools.value[hand.value] ?? null) : null))
  const own = computed<Values>(() => (hand.value ? (values[hand.value] ?? {}) : {}))
  const enough = computed(() => about.value !== null && bench.chosen.size >= about.value.least)
  const spot = (mark: Mark) => `${mark.x.toFixed(4)},${mark.y.toFixed(4)}`
  const cellMarks = computed(() => marks.value.filter((mark) => mark.kind === 'cell'))
  const touched = computed(() => Object.keys(cells.value.of).length > 0)

  let asked: Promise<void> | null = null
  function load() {
    asked ??= api.get<Record<string, About>>('catalogue').then(
      (all) => {
        edits.value = all
        tools.value = Object.fromEntries(Object.entries(all).filter(([, one]) => one.under !== ''))
      },
      (refused) => {
        asked = null
        bench.problem = words(refused)
      },
    )
    return asked
  }

  /** Values stay with the job, in this browser. */
  const store = computed(() => (bench.job ? `neat-edge-shaping-${bench.job.id}` : 'neat-edge-shaping'))
  const kept = useLocalStorage<Record<string, Values>>(store, {}, { onError: () => {}, writeDefaults: false })
  watch(store, () => {
    for (const kind of Object.keys(values)) delete values[kind]
    hand.value = null
    last.value = null
    Object.assign(values, JSON.parse(JSON.stringify(kept.value)))
  })
  function remember() {
    kept.value = Object.fromEntries(Object.entries(values).map(([kind, all]) => [kind, Object.fromEntries(Object.entries(all).filter(([name]) => !FLEETING.includes(name)))]))
  }

  function usual(kind: string): Values {
    const all = tools.value[kind]?.fields ?? []
    return Object.fromEntries(all.filter((field) => field.usual !== '' && !['place', 'places', 'path', 'piece'].includes(field.type)).map((field) => [field.name, field.usual]))
  }

  async function take(kind: string | null) {
    await load()
    if (kind !== null && !tools.value[kind]) return
    if (kind !== null) {
      values[kind] = { ...usual(kind), ...(values[kind] ?? {}) }
      // All that is chosen was made by the tool, or one piece was: it begins with what that was made by.
      const all = (bench.detail?.details ?? []).map((each) => each.shaped)
      const shaped = all.length === 1 || all.every((each) => each?.kind === 'weave') ? all[0] : null
      if (shaped?.kind === kind) Object.assign(values[kind]!, shaped.values)
    }
    const again = hand.value === kind
    put()
    hand.value = again ? null : kind
  }

  /** Puts the tool down; nothing of it stays on the art. */
  function put() {
    hand.value = null
    wished.value = false
    clear()
    if (bench.view.kind === 'preview') bench.show({ kind: 'source' })
  }
  function clear() {
    marks.value = []
    report.value = null
    why.value = ''
    cells.value = untouched
    cellsBefore.value = []
    at.value = null
    for (const name of FLEETING) for (const all of Object.values(values)) delete all[name]
  }

  function set(name: string, value: FieldValue) {
    if (!hand.value) return
    values[hand.value] = { ...own.value, [name]: value }
    remember()
  }

  function setAll(some: Values) {
    if (!hand.value) return
    values[hand.value] = { ...own.value, ...some }
    remember()
  }

  function fields(more: Values = {}): Values & { kind: string; pieces: string[] } {
    const sent: Values = {}
    for (const [name, value] of Object.entries({ ...own.value, ...more })) if (value !== '') sent[name] = value
    if (hand.value === 'fill-enclosed' && swatch.value) sent.fill = swatch.value
    const found = about.value?.press === 'cells' ? fieldsOf(cells.value, (cell) => spot(cellMarks.value[cell]!)) : {}
    return { kind: hand.value!, pieces: [...bench.chosen], ...sent, ...found } as unknown as Values & { kind: string; pieces: string[] }
  }

  /** Whether there is something to preview: a line to part along, say. */
  const ready = computed(() => {
    const press = about.value?.press
    if (!enough.value || press === 'cells' || press === 'at-once') return false
    if (press === 'line') return Boolean(own.value.line || own.value.along) || Number(own.value.slices) > 1 || Number(own.value.sectors) > 1 || own.value.straight === true
    return true
  })

  type Question = { what: 'marks' | 'preview'; fields: Record<string, unknown>; asked: number }
  let stamp = 0
  const ask = lane(async ({ what, fields, asked }: Question) => {
    try {
      if (what === 'marks') {
        const answer = await api.post<{ marks: Mark[] }>(`jobs/${bench.job!.id}/previews`, { lane: 'marks', version: bench.job!.version, what: 'marks', edit: fields })
        if (asked === stamp) marks.value = answer.marks
      } else {
        const answer = await api.post<Changes & { report: Outcome }>(`jobs/${bench.job!.id}/previews`, { lane: 'shape', version: bench.job!.version, what: 'edit', report: true, edit: fields })
        if (asked !== stamp) return
        report.value = answer.report
        bench.showPreview(answer)
      }
      if (asked === stamp) why.value = ''
    } catch (refused) {
      // Another window was faster: the newer state comes, and with it another look.
      if (asked !== stamp || (refused instanceof Refused && refused.status === 409)) return
      why.value = words(refused)
      if (what === 'marks') marks.value = []
      else {
        report.value = null
        if (bench.view.kind === 'preview') bench.show({ kind: 'source' })
      }
    }
  }, 700)

  async function refresh() {
    const now = ++stamp
    if (!hand.value || !bench.job) return
    if (!enough.value) {
      marks.value = []
      report.value = null
      why.value = ''
      if (bench.view.kind === 'preview') bench.show({ kind: 'source' })
      return
    }
    waiting.value = true
    const sent = fields()
    if (about.value!.press !== '' || hand.value === 'clean-nodes' || hand.value === 'wrap') {
      const from = about.value!.press === 'cells' ? { ...sent, join: '', lift: '', drop: '', paint: '' } : sent
      if (about.value!.press !== 'line' || ready.value) await ask({ what: 'marks', fields: from, asked: now })
    }
    if (ready.value && now === stamp) await ask({ what: 'preview', fields: sent, asked: now })
    if (now !== stamp) return
    waiting.value = false
    if (wished.value) {
      wished.value = false
      if (canKeep.value) await make()
    }
  }
  watch([hand, () => [...bench.chosen].join(' '), () => JSON.stringify(own.value), () => bench.job?.version], (next, before) => {
    // Other pieces or another version have other cells.
    if (next[1] !== before[1] || next[3] !== before[3]) {
      cells.value = untouched
      cellsBefore.value = []
    }
    refresh()
  })
  // Out of the preview is out of the tool, unless it only waits for its next answer.
  watch(() => bench.view.kind, (kind, before) => {
    if (before === 'preview' && kind !== 'preview' && hand.value && report.value && ready.value && why.value === '') put()
  })

  /** What the tool would do where the pointer is. */
  const hovered = (x: number, y: number) => {
    if (about.value?.press !== 'at-once' || !enough.value) return
    const now = stamp
    ask({ what: 'marks', fields: fields({ at: `${x.toFixed(4)},${y.toFixed(4)}` }), asked: now })
  }

  function press(act: Act, these: number[]) {
    const next = pressed(cells.value, act, these, act === 'drop' ? null : swatch.value)
    cellsBefore.value = [...cellsBefore.value, cells.value]
    cells.value = next
  }
  function takeBack(): boolean {
    const before = cellsBefore.value.at(-1)
    if (!before) return false
    cells.value = before
    cellsBefore.value = cellsBefore.value.slice(0, -1)
    return true
  }

  /** The edit is made where a place was pressed. */
  async function atOnce(x: number, y: number, kind = hand.value!) {
    const sent = { ...fields({ at: `${x.toFixed(4)},${y.toFixed(4)}` }), kind }
    why.value = ''
    if (await bench.edit(sent)) last.value = null
    else {
      why.value = bench.problem
      bench.problem = ''
    }
  }
  function turn(mark: Mark) {
    const now = String(own.value.turn ?? '').split(' ').filter(Boolean)
    const name = spot(mark)
    set('turn', (now.includes(name) ? now.filter((one) => one !== name) : [...now, name]).join(' '))
  }

  const canKeep = computed(() => enough.value && (about.value?.press === 'cells' ? touched.value || own.value.rest !== 'keep' : ready.value && report.value !== null))
  /** Kept as soon as what it would give is known: Enter right after the tool was taken means that. */
  const wished = ref(false)
  async function keep(): Promise<string | undefined> {
    if (hand.value === null) return undefined
    if (!canKeep.value) {
      if (why.value !== '') return why.value
      if (!enough.value) return t('Choose {n, plural, one {a piece} other {# pieces}} first.', { n: about.value?.least ?? 1 })
      if (waiting.value || (ready.value && report.value === null)) {
        wished.value = true
        return undefined
      }
      return about.value?.press === 'at-once' ? t('Press where it is to be made.') : t('There is nothing to keep yet.')
    }
    wished.value = false
    await make()
    return undefined
  }
  async function make() {
    const sent = fields()
    const kind = sent.kind
    const changes = await bench.edit(sent)
    if (!changes) return
    last.value = { kind, fields: Object.fromEntries(Object.entries(sent).filter(([name]) => name !== 'kind' && name !== 'pieces')) as Values }
    put()
    // What only followed is not what was made.
    const made = changes.pieces.filter((piece) => kind === 'cut-border' || !piece.live?.includes('border'))
    if (made.length > 0) bench.chosen = new Set(made.map((piece) => piece.id))
  }

  /** The last operation once more, on what is chosen now. */
  async function again() {
    if (!last.value || bench.chosen.size === 0) return
    await bench.edit({ ...last.value.fields, kind: last.value.kind, pieces: [...bench.chosen] })
  }

  return { tools, edits, hand, about, own, marks, cellMarks, report, why, cells, cellsBefore, cellAct, swatch, at, last, waiting, enough, ready, canKeep, load, take, put, set, setAll, refresh, hovered, press, takeBack, atOnce, turn, keep, again }
})
