import { number, t } from '@/words/words'
import { useBench } from '@/stores/bench'
import { useDraw } from '@/stores/draw'
import { computed, ref } from 'vue'
import type { Point } from './geometry'
import type { useTools } from './useTools'

/** The picture under the work: where it lies, and while it is dragged where it would. */
export function useReference(editing: () => boolean, tools: ReturnType<typeof useTools>, toBench: (event: PointerEvent) => Point) {
  const bench = useBench()
  const draw = useDraw()
  const reference = computed(() => (editing() && bench.art?.reference && !bench.art.reference.hidden ? bench.art.reference : null))
  function grabReference(event: PointerEvent) {
    const now = reference.value
    if (!now || now.locked || draw.tool !== 'arrange') return
    const start = toBench(event)
    let at = { x: now.x, y: now.y }
    tools.grab(event, (to) => {
      at = { x: now.x + to.x - start.x, y: now.y + to.y - start.y }
      referenceAt.value = at
      return t('picture at {x}, {y} mm', { x: number(at.x, 1, 1), y: number(at.y, 1, 1) })
    }, () => bench.draw({ kind: 'reference', ...at }).finally(() => (referenceAt.value = null)))
  }
  const referenceAt = ref<{ x: number; y: number } | null>(null)

  return { reference, referenceAt, grabReference }
}
