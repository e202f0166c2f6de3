import { words } from '@/api/client'
import { ref, type Ref } from 'vue'

/** What a page tries for somebody: it says why it was refused, or what came of it; `after` is done after each that worked. What somebody calls off is no refusal. */
export function useAttempt(problem: Ref<string>, after: () => Promise<unknown> = async () => undefined) {
  const said = ref('')
  const busy = ref(false)
  async function attempt(work: () => Promise<unknown>, then = '') {
    problem.value = ''
    said.value = ''
    busy.value = true
    try {
      await work()
      await after()
      said.value = then
    } catch (refused) {
      if (refused instanceof Error) problem.value = words(refused)
    } finally {
      busy.value = false
    }
  }
  return { attempt, said, busy }
}
