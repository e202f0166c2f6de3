import { t } from '@/words/words'
import { useBench } from '@/stores/bench'
import { useCure } from '@/stores/cure'
import { useLine } from '@/stores/line'
import { useShaping } from '@/stores/shaping'
import { defineStore } from 'pinia'
import { computed, ref } from 'vue'

/** Something that is shown and would be lost without a word: what it is, and how it is kept or left. */
interface Unkept { says: string; keep: () => unknown; leave: () => unknown }

/** Before anything is made, saved or sent of the job, what was typed or shown and is not kept is asked about. */
export const useUnkept = defineStore('unkept', () => {
  const bench = useBench()
  const line = useLine()
  const shaping = useShaping()
  const cure = useCure()
  const held = ref<(() => unknown) | null>(null)

  const pending = computed<Unkept | null>(() => {
    if (line.opened && Object.keys(line.typed).length > 0) return { says: t('Values of the step “{label}” are typed and not kept.', { label: line.opened.label }), keep: line.keep, leave: line.leave }
    if (shaping.hand && shaping.canKeep) return { says: t('What “{label}” would give is shown and not kept.', { label: shaping.about?.label ?? t('the tool') }), keep: shaping.keep, leave: shaping.put }
    if (cure.hand) return { says: t('The remedy “{label}” is shown and not kept.', { label: cure.hand.remedy.label }), keep: cure.hand.remedy.source ? cure.onArt : cure.asStep, leave: cure.put }
    return null
  })
  function pass(action: () => unknown) {
    if (pending.value === null) return action()
    held.value = action
  }
  async function go(by: 'keep' | 'leave') {
    const action = held.value
    held.value = null
    await pending.value?.[by]()
    action?.()
  }
  const stay = () => (held.value = null)
  const prepare = () => pass(() => bench.prepare())

  return { held, pending, pass, go, stay, prepare }
})
