import { useEventListener, useIntervalFn } from '@vueuse/core'
import { ref } from 'vue'

/** ms between two looks for a newer page. */
const OFTEN = 600_000

/** Whether the shop has a newer page than this one: it is offered, and taken when somebody wants it. */
export function useNewer(own = import.meta.url) {
  const newer = ref(false)
  async function look() {
    try {
      const answer = await fetch('/build/manifest.json', { cache: 'no-store' })
      const manifest = (await answer.json()) as Record<string, { file: string }>
      const file = manifest['resources/js/main.ts']?.file
      const mine = document.querySelector<HTMLScriptElement>('script[type=module][src*="/build/assets/main-"]')?.src ?? own
      newer.value = file !== undefined && mine.includes('/build/') && !mine.includes(file)
    } catch {
      // Nothing is known of it; it is looked again.
    }
  }
  useIntervalFn(look, OFTEN)
  useEventListener(document, 'visibilitychange', () => !document.hidden && void look())
  return { newer, look, load: () => window.location.reload() }
}
