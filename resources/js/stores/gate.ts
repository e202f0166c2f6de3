import { t } from '@/words/words'
import { api, words } from '@/api/client'
import { useBench } from '@/stores/bench'
import { useMe } from '@/stores/me'
import { useUnkept } from '@/stores/unkept'
import { useLocalStorage } from '@vueuse/core'
import { defineStore } from 'pinia'
import { computed, ref } from 'vue'
import { refusal } from './refusal'

/** Before anything leaves for a machine or as a file: what is not ready goes only where somebody says by name that it shall. */
export const useGate = defineStore('gate', () => {
  const bench = useBench()
  const unkept = useUnkept()
  /** What is held, and goes on when it is let go. */
  const held = ref<(() => void) | null>(null)
  const me = useMe()
  const typed = useLocalStorage('neat-edge-by', '')
  /** Who is signed in lets it go under their own name. */
  const by = computed({ get: () => me.name || typed.value, set: (name: string) => (typed.value = name) })
  const reason = ref('')
  const problem = refusal(by, reason)
  const sending = ref(false)
  /** States that were let go while this page was open, until they come with the job. */
  const gone = ref<Record<string, { by: string; reason: string; at: string | null }>>({})
  const state = computed(() => `${bench.preparation?.id} ${bench.verdict?.sentence} ${bench.verdict?.open.join(' ')}`)
  const released = computed(() => gone.value[state.value] ?? bench.verdict?.released ?? null)
  const open = computed(() => bench.verdict !== null && !bench.verdict.ready && released.value === null)

  /** Whether there is a question before something leaves. */
  const asks = computed(() => open.value || unkept.pending !== null)

  function pass(action: () => void): void {
    // What leaves is made of what is kept: after something was kept the line runs anew, and nothing leaves of the state before.
    const state = bench.job?.version
    if (unkept.pending) {
      unkept.pass(() => {
        if (bench.job?.version === state) pass(action)
      })
      return
    }
    if (!open.value) return action()
    problem.value = ''
    held.value = action
  }
  async function letGo() {
    if (by.value.trim() === '' || reason.value.trim() === '') {
      problem.value = by.value.trim() === '' ? t('Say who lets it go.') : t('Say why it may go as it is.')
      return
    }
    sending.value = true
    try {
      gone.value = { ...gone.value, [state.value]: await api.post(`jobs/${bench.job!.id}/releases`, { by: by.value, reason: reason.value }) }
      const action = held.value
      held.value = null
      reason.value = ''
      action?.()
    } catch (refused) {
      problem.value = words(refused)
    } finally {
      sending.value = false
    }
  }
  /** A file leaves by its link; what is not ready is asked about before. */
  function follow(event: MouseEvent) {
    if (!asks.value) return
    event.preventDefault()
    const link = event.currentTarget as HTMLAnchorElement
    pass(() => link.click())
  }
  const leave = () => (held.value = null)

  return { held, by, reason, problem, sending, released, open, asks, pass, follow, letGo, leave }
})
