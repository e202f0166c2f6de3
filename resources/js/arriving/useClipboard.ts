import { t } from '@/words/words'
import { isTyping } from '@/keys/field'
import { hasTaken, isOwn, paste } from '@/stages/draw/commands'
import { useBench } from '@/stores/bench'
import { useTold } from '@/stores/told'
import { useEventListener } from '@vueuse/core'
import type { Ref } from 'vue'

/** A drawing that was copied in another program, as a file of its own; null where the clipboard has none. */
export function drawingIn(text: string): File | null {
  const trimmed = text.trim()
  return /^(<\?xml[^>]*>\s*)?(<!--[\s\S]*?-->\s*)*(<!DOCTYPE[^>]*>\s*)?<svg[\s>]/i.test(trimmed) ? new File([trimmed], 'clipboard.svg', { type: 'image/svg+xml' }) : null
}

/** What is pasted: pieces that were copied here, else a drawing or a picture of another program. */
export function useClipboard(hands: Ref<boolean>, bring: (files: File[], at: null) => unknown) {
  const bench = useBench()
  useEventListener(window, 'paste', (event: ClipboardEvent) => {
    if (!bench.job || isTyping(event as unknown as KeyboardEvent)) return
    event.preventDefault()
    const data = event.clipboardData
    const text = data?.getData('image/svg+xml') || data?.getData('text/plain') || ''
    const files = [...(data?.files ?? [])]
    const drawing = drawingIn(text)
    if ((drawing === null && files.length === 0) || isOwn(text)) {
      if (!hands.value) return void useTold().tell(t('Pieces are pasted in Draw and Shape.'))
      return void (hasTaken() || text === '' ? paste(bench, false) : useTold().tell(t('The clipboard holds neither pieces nor a drawing.')))
    }
    void bring(drawing ? [drawing] : files, null)
  })
}
