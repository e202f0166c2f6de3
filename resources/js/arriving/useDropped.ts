import { useEventListener } from '@vueuse/core'
import { ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { useArrived } from './arrived'

/** A file may be let go anywhere on the page: it lands on the bench that is open, or a job begins with it. It never opens in place of the page. */
export function useDropped() {
  const arrived = useArrived()
  const route = useRoute()
  const router = useRouter()
  const over = ref(false)
  const carries = (event: DragEvent) => event.dataTransfer?.types.includes('Files') ?? false
  /** Zones of their own: fonts, presets, batches and the file of a new job. */
  const own = (event: DragEvent) => event.target instanceof Element && event.target.closest('.el-upload-dragger, [data-takes-files]') !== null

  useEventListener(window, 'dragover', (event: DragEvent) => {
    if (!carries(event)) return
    event.preventDefault()
    over.value = !own(event)
  })
  useEventListener(window, 'dragleave', (event: DragEvent) => {
    if (event.relatedTarget === null) over.value = false
  })
  useEventListener(window, 'drop', (event: DragEvent) => {
    over.value = false
    if (!carries(event)) return
    event.preventDefault()
    const files = [...(event.dataTransfer?.files ?? [])]
    if (own(event) || files.length === 0) return
    arrived.come(files, { x: event.clientX, y: event.clientY })
    if (route.name !== 'bench' && route.name !== 'new-job') router.push('/new')
  })

  return over
}
