import { useBench } from '@/stores/bench'
import { watch } from 'vue'
import type { usePanZoom } from './usePanZoom'

/** Where the bench is looked at from: a finding is brought into view and left again, and every stage is found as it was left. */
export function useLooking(pan: ReturnType<typeof usePanZoom>, stage: () => string) {
  const bench = useBench()
  /** Where the bench was before a finding was looked at, and where each stage left it. */
  let before: ReturnType<typeof pan.view> | null = null
  const leftAt = new Map<string, ReturnType<typeof pan.view>>()
  watch(
    () => bench.finding,
    (index, was) => {
      if (index === null) {
        if (before) pan.goTo(before)
        before = null
        return
      }
      const finding = bench.findings[index]
      if (!finding?.at) return
      if (was === null) before = pan.view()
      const all = [finding.at, ...(finding.ribbon ?? []).flat()]
      pan.lookAt({ left: Math.min(...all.map(([x]) => x)), right: Math.max(...all.map(([x]) => x)), top: Math.min(...all.map(([, y]) => y)), bottom: Math.max(...all.map(([, y]) => y)) })
    },
  )
  watch(
    stage,
    (next, last) => {
      leftAt.set(last, before ?? pan.view())
      before = null
      if (bench.finding !== null && next !== 'check') bench.finding = null
      const to = leftAt.get(next)
      if (to) pan.goTo(to)
    },
  )
  watch(() => bench.job?.id, () => leftAt.clear())
  watch(() => bench.spot, (place) => place && pan.lookAt({ left: place.x, right: place.x + place.width, top: place.y, bottom: place.y + place.height }))
}
