import { t } from '@/words/words'
import { api, words } from '@/api/client'
import type { Brought } from '@/api/types'
import { useBench } from '@/stores/bench'
import { useDraw } from '@/stores/draw'
import { useTold } from '@/stores/told'
import { watch } from 'vue'
import { isPicture, useArrived } from './arrived'

/** Files that were let go over the bench, or pasted: drawings are laid on it, a picture under it. */
export function useBring(toDraw: () => unknown) {
  const bench = useBench()
  const draw = useDraw()
  const told = useTold()
  const arrived = useArrived()

  /** mm on the bench; the middle of the page where no place is known. */
  function place(at: { x: number; y: number } | null): { x: number; y: number } {
    const page = document.querySelector('.surface .page')?.getBoundingClientRect()
    const art = bench.art!
    if (!at || !page || page.width === 0) return { x: art.width / 2, y: art.height / 2 }
    const on = { x: ((at.x - page.left) * art.width) / page.width, y: ((at.y - page.top) * art.height) / page.height }
    return on.x < -art.width || on.y < -art.height || on.x > 2 * art.width || on.y > 2 * art.height ? { x: art.width / 2, y: art.height / 2 } : on
  }

  async function picture(file: File) {
    const form = new FormData()
    form.append('file', file)
    const kept = await api.post<{ file: string; name: string }>(`jobs/${bench.job!.id}/reference`, form)
    if (await bench.draw({ kind: 'reference', picture: kept })) told.tell(t('{name} lies under the work as a reference picture.', { name: file.name }))
  }

  async function drawing(file: File, at: { x: number; y: number }) {
    const form = new FormData()
    form.append('file', file)
    const read = await api.post<Brought>('bring', form)
    if (!read.box) return void (bench.problem = t('{name} draws nothing that can be seen.', { name: file.name }))
    const [left, top, width, height] = read.box
    const made = await bench.draw({ kind: 'paste', art: read.art, x: at.x - left - width / 2, y: at.y - top - height / 2, layer: draw.layer }, true)
    // Said last: what was chosen before it would take it away.
    if (made && read.leftOut.length > 0) bench.problem = t('Of {file}: {what}{more, plural, =0 {} other { And # more.}}', { file: file.name, what: read.leftOut.slice(0, 4).join(' '), more: Math.max(0, read.leftOut.length - 4) })
    return undefined
  }

  async function files(all: File[], where: { x: number; y: number } | null) {
    if (!bench.job || all.length === 0) return
    bench.problem = ''
    toDraw()
    const at = place(where)
    const failed: string[] = []
    for (const [k, file] of all.entries()) {
      try {
        if (isPicture(file)) await picture(file)
        else await drawing(file, { x: at.x + 8 * k, y: at.y + 8 * k })
      } catch (refused) {
        failed.push(`${file.name}: ${words(refused)}`)
      }
    }
    if (failed.length > 0) bench.problem = failed.join(' ')
  }
  watch(() => [arrived.files, bench.job?.id] as const, ([waiting, job]) => {
    if (waiting.length > 0 && job) void files(arrived.take(), arrived.at)
  }, { immediate: true })

  return { files }
}
