import { t } from '@/words/words'
import { useLocalStorage } from '@vueuse/core'
import { api } from '@/api/client'
import type { useBench } from '@/stores/bench'

type Bench = ReturnType<typeof useBench>

/** One thing that is done to what is chosen: offered in the drawer, in the menu and by key. */
export interface Command {
  label: string
  says: string
  /** The act of the list of keys that does it. */
  act?: string
  menu?: boolean
  /** Said where it cannot be done. */
  needs?: string
  group: 'order' | 'together' | 'copies' | 'turn' | 'clip' | 'shape'
  can: (bench: Bench) => boolean
  run: (bench: Bench) => unknown
}

const ids = (bench: Bench) => [...bench.chosen]
const some = (bench: Bench) => bench.chosen.size > 0
const many = (bench: Bench) => bench.chosen.size > 1
const any = (test: (id: string, bench: Bench) => boolean) => (bench: Bench) => ids(bench).some((id) => test(id, bench))
const edit = (kind: string, more: Record<string, unknown> = {}, chooseNew = false) => (bench: Bench) => bench.draw({ kind, pieces: ids(bench), ...more }, chooseNew)

/** What was copied, for this job and any other in this browser. */
let full = false
const taken = useLocalStorage('neat-edge-taken', '', { writeDefaults: false, flush: 'sync', onError: () => (full = true) })
/** What of it other programs got: what comes back from them unchanged is this. */
const takenMark = useLocalStorage('neat-edge-taken-mark', '', { writeDefaults: false, flush: 'sync', onError: () => {} })
export const markOf = (svg: string) => `${svg.length} ${[...svg.slice(0, 4000)].reduce((sum, letter) => (sum * 31 + letter.charCodeAt(0)) % 4294967291, 7)}`
/** Whether a drawing of the clipboard is what was copied here last. */
export const isOwn = (svg: string) => taken.value !== '' && takenMark.value === markOf(svg)
export const hasTaken = () => taken.value !== ''
export async function take(bench: Bench) {
  if (!bench.job || bench.chosen.size === 0) return
  const asked = api.post<{ art: string; svg: string }>(`jobs/${bench.job.id}/take`, { pieces: ids(bench) })
  const others = forOthers(asked.then((answer) => answer.svg))
  const answer = await asked
  full = false
  taken.value = answer.art
  takenMark.value = markOf(answer.svg)
  await others
  if (full) bench.problem = t('There is no room in this browser to copy so much at once; copy fewer pieces.')
}
/** For other programs, where the browser lets a page do that: asked for within the press, given when it is known. */
async function forOthers(svg: Promise<string>) {
  try {
    if (typeof ClipboardItem === 'undefined' || !navigator.clipboard?.write) return
    const as = (type: string) => svg.then((text) => new Blob([text], { type }))
    const types = ClipboardItem.supports?.('image/svg+xml') ? ['text/plain', 'image/svg+xml'] : ['text/plain']
    await navigator.clipboard.write([new ClipboardItem(Object.fromEntries(types.map((type) => [type, as(type)])))])
  } catch {
    // Here it is copied all the same.
  }
}
export async function cut(bench: Bench) {
  await take(bench)
  await edit('remove')(bench)
}
export function paste(bench: Bench, inPlace: boolean) {
  const art = taken.value
  if (art === '') {
    bench.problem = t('Nothing was copied yet: choose pieces and copy them first.')
    return
  }
  return bench.draw({ kind: 'paste', art, x: inPlace ? 0 : 5, y: inPlace ? 0 : 5 }, true)
}

export const commands: Command[] = [
  { label: t('Duplicate'), says: t('A copy, 5 mm aside'), act: 'duplicate', menu: true, group: 'copies', can: some, run: edit('copy', { x: 5, y: 5 }, true) },
  { label: t('Linked copy'), says: t('A copy that follows its source'), menu: true, group: 'copies', can: some, run: edit('link-copy', { x: 8, y: 8 }, true) },
  { label: t('Group'), says: t('Move as one'), act: 'group', needs: t('Choose two pieces or more first.'), menu: true, group: 'together', can: many, run: edit('group') },
  { label: t('Ungroup'), says: t('Each by itself'), act: 'ungroup', needs: t('Nothing that is chosen is a group.'), menu: true, group: 'together', can: any((id, bench) => (bench.byId.get(id)?.groups.length ?? 0) > 0), run: edit('ungroup') },
  { label: t('Weld'), says: t('One outline of all that is chosen'), menu: true, group: 'shape', can: some, run: edit('weld') },
  { label: t('Outline strokes'), says: t('Every stroke a filled outline that looks the same'), menu: true, group: 'shape', can: any((id, bench) => bench.byId.get(id)?.stroke != null), run: edit('outline-strokes') },
  { label: t('Make a compound'), says: t('One piece, holes where they overlap'), menu: true, group: 'together', can: many, run: edit('compound') },
  { label: t('Separate pieces'), says: t('Each outline with its holes'), menu: true, group: 'together', can: some, run: edit('separate') },
  { label: t('Join two lines'), says: t('At their nearest ends; one line alone is closed'), menu: true, group: 'together', can: (bench) => bench.chosen.size === 1 || bench.chosen.size === 2, run: edit('join-lines') },
  { label: t('To the front'), says: t('Above all in its layer'), menu: true, group: 'order', can: some, run: edit('order', { to: 'front' }) },
  { label: t('Forward'), says: t('One up'), act: 'forward', group: 'order', can: some, run: edit('order', { to: 'forward' }) },
  { label: t('Back'), says: t('One down'), act: 'back', group: 'order', can: some, run: edit('order', { to: 'back' }) },
  { label: t('To the bottom'), says: t('Below all in its layer'), menu: true, group: 'order', can: some, run: edit('order', { to: 'bottom' }) },
  { label: t('Flip across'), says: t('Left and right change places'), menu: true, group: 'turn', can: some, run: edit('flip', { way: 'across' }) },
  { label: t('Flip top to bottom'), says: t('Top and bottom change places'), group: 'turn', can: some, run: edit('flip', { way: 'down' }) },
  { label: t('Re-square the box'), says: t('An upright box round a turned piece'), group: 'turn', can: any((id, bench) => bench.byId.get(id)?.turn !== 0), run: edit('re-square') },
  { label: t('Plain curves'), says: t('Turn what is adjustable into curves'), menu: true, group: 'turn', can: any((id, bench) => bench.byId.get(id)?.live !== null), run: edit('bake') },
  { label: t('Clip by the uppermost'), says: t('Only what lies inside it is seen'), menu: true, group: 'clip', can: many, run: edit('clip') },
  { label: t('Release the clip'), says: t('Whole again'), menu: true, group: 'clip', can: any((id, bench) => bench.byId.get(id)?.clip !== undefined), run: edit('release-clip') },
  { label: t('All of this colour'), says: t('Choose every piece with the same fill'), menu: true, group: 'together', can: some, run: (bench) => {
    const piece = bench.byId.get(ids(bench)[0]!)
    const same = (one: { fill: string | null; stroke?: { colour: string } }) => (piece?.fill ? one.fill === piece.fill : one.fill === null && one.stroke?.colour === piece?.stroke?.colour)
    bench.chosen = new Set(bench.art!.pieces.filter((one) => same(one) && bench.touchable(one)).map((one) => one.id))
  } },
  { label: t('Hide'), says: t('Out of sight and out of the sheets'), menu: true, group: 'order', can: some, run: async (bench) => {
    await edit('mark', { hidden: true })(bench)
    bench.chooseNone()
  } },
  { label: t('Lock'), says: t('Seen, but not touched'), menu: true, group: 'order', can: some, run: async (bench) => {
    await edit('mark', { locked: true })(bench)
    bench.chooseNone()
  } },
  { label: t('Remove'), says: t('Off the bench'), act: 'remove', menu: true, group: 'copies', can: some, run: edit('remove') },
]
