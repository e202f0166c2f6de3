import { isOpen, type Work } from '@/api/works'
import { useWorks } from '@/stores/works'
import { useEventListener, useLocalStorage } from '@vueuse/core'
import { watch } from 'vue'

/** Whether this person wants to be told by the system; the browser asks once more by itself. */
export const wantsNotes = useLocalStorage('neat-edge-notes', false, { writeDefaults: false, onError: () => {} })

/** Long work that ends while one looks elsewhere is said in the title of the tab, and by the system where that is wanted. */
export function useEndings() {
  const works = useWorks()
  let title = ''
  const open = new Set<number>()
  function say(work: Work) {
    const ended = work.state === 'failed' ? 'failed' : 'done'
    if (title === '') title = document.title
    document.title = `(${ended}) ${work.label}: ${work.title || title}`
    if (wantsNotes.value && typeof Notification !== 'undefined' && Notification.permission === 'granted') new Notification(`${work.label}: ${ended}`, { body: work.state === 'failed' ? work.error : work.title, tag: `work-${work.id}` })
  }
  watch(() => works.all, (all) => {
    for (const work of Object.values(all)) {
      if (isOpen(work)) open.add(work.id)
      else if (open.delete(work.id) && document.hidden && work.state !== 'stopped') say(work)
    }
  })
  useEventListener(document, 'visibilitychange', () => {
    if (document.hidden || title === '') return
    document.title = title
    title = ''
  })
}
