import { api, words } from '@/api/client'
import type { Answer, Approval, Approvals, Piece, Pin } from '@/api/types'
import { useBench } from '@/stores/bench'
import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'

/** A wish of a customer as the bench shows it: a place on the art, with its number in the answer. */
export interface PlacedPin extends Pin { key: string; number: number }

const context = document.createElement('canvas').getContext('2d')
/** Whether a piece has paint at a place, mm: within its fill, or on its line. */
function paints(piece: Piece, x: number, y: number): boolean {
  if (!context) return false
  const within = (d: string, rule: CanvasFillRule) => {
    const path = new Path2D()
    path.addPath(new Path2D(d), piece.transform ? new DOMMatrix(piece.transform) : undefined)
    return [context.isPointInPath(path, x, y, rule), path] as const
  }
  if (piece.clip && !within(piece.clip.d, piece.clip.rule)[0]) return false
  const [inside, path] = within(piece.outline ?? piece.d, piece.rule)
  if (inside && (piece.fill !== null || piece.fillGradient || piece.picture || piece.outline)) return true
  context.lineWidth = piece.stroke?.width ?? 0
  return piece.stroke !== undefined && context.isPointInStroke(path, x, y)
}

/** Proofs of the job that customers were shown, and what came back. */
export const useApprovals = defineStore('approvals', () => {
  const bench = useBench()
  const all = shallowRef<Approvals | null>(null)
  const busy = ref(false)
  const problem = ref('')
  /** The link that was made last: it is told this once. */
  const link = ref('')
  /** The pin that is looked at. */
  const at = ref<string | null>(null)

  async function load() {
    const id = bench.job?.id
    if (id === undefined) return
    try {
      const answer = await api.get<Approvals>(`jobs/${id}/approvals`)
      if (bench.job?.id !== id) return
      all.value = answer
      // What came back stands at the stages and in the verdict too.
      if (answer.standing !== bench.job.customerSays) await bench.open(id)
    } catch (refused) {
      problem.value = words(refused)
    }
  }
  /** Does it, tells what was refused, and reads anew what there is. */
  async function doing(act: () => Promise<unknown>): Promise<boolean> {
    busy.value = true
    problem.value = ''
    try {
      await act()
      await load()
      return true
    } catch (refused) {
      problem.value = words(refused)
      return false
    } finally {
      busy.value = false
    }
  }
  const share = (ground: string, days: number, to: string, onThing: boolean) => doing(async () => {
    link.value = (await api.post<Approval>(`jobs/${bench.job!.id}/approvals`, { ground, days, to: to.trim() === '' ? null : to.trim(), onThing })).link ?? ''
  })
  const takeBack = (one: Approval) => doing(() => api.delete(`approvals/${one.id}`))
  const settle = (answer: Answer, settled: boolean) => doing(() => api.patch(`answers/${answer.id}`, { settled }))

  /** What is asked for and not done yet, on the art as large as it is now. */
  const pins = computed<PlacedPin[]>(() => (all.value?.approvals ?? []).flatMap((one) => {
    const scale = (bench.job?.width ?? one.width) / one.width
    return one.answers.filter((answer) => !answer.settled).flatMap((answer) => answer.pins.map((pin, index) => ({ ...pin, x: pin.x * scale, y: pin.y * scale, key: `${answer.id}-${index}`, number: index + 1 })).filter((pin) => !pin.beside))
  }))
  /** Looks at a pin, with the uppermost piece that it lies on. */
  function look(key: string) {
    const pin = pins.value.find((one) => one.key === key)
    if (!pin) return
    at.value = key
    bench.show({ kind: 'source' })
    bench.spot = { x: pin.x - 15, y: pin.y - 15, width: 30, height: 30 }
    const piece = [...(bench.art?.pieces ?? [])].reverse().find((one) => !one.hidden && paints(one, pin.x, pin.y))
    if (piece) bench.choose(piece.id, false)
    else bench.chooseNone()
  }

  return { all, busy, problem, link, at, pins, load, share, takeBack, settle, look }
})
