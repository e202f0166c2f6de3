import { t } from '@/words/words'
/** One stretch of the walk through a job: where it happens, the one thing to do, and where that is pressed. */
export interface Stretch {
  stage: string
  says: string
  /** A selector of what is to be pressed; it is ringed. */
  press: string
  /** Told by the page: it was done. */
  done: (bench: { prepared: boolean; group: number | null; finding: number | null; view: { kind: string }; wire: boolean; chosen: { size: number } }) => boolean
}

/** From the ticket to the files. */
export const stretches: Stretch[] = [
  { stage: 'set-up', says: t('This is the ticket: how the job is made and how large. Look it over, then press Prepare below.'), press: '[data-test=prepare]', done: (bench) => bench.prepared },
  { stage: 'draw', says: t('The wipe compares what came in with what goes out. Drag its handle; then choose a piece on the bench by a press.'), press: '[data-test=surface]', done: (bench) => bench.chosen.size > 0 },
  { stage: 'draw', says: t('See the bare lines: edges and nodes without paint. Press Bare lines.'), press: '[data-test=bare]', done: (bench) => bench.wire },
  { stage: 'separate', says: t('Each colour becomes a sheet. Name one after the film that it is cut from, or go on.'), press: '.palette, [data-colour]', done: () => false },
  { stage: 'check', says: t('Findings stand on the art and here, grouped by cause. Open a group.'), press: '[data-group] .head', done: (bench) => bench.group !== null },
  { stage: 'check', says: t('Look at one of them: its width, the limit, and the remedies that fit. A remedy is shown before it is kept.'), press: '[data-group] .row', done: (bench) => bench.finding !== null },
  { stage: 'send', says: t('This is what the machine gets. Show a sheet.'), press: '[data-layout]', done: (bench) => bench.view.kind === 'layout' },
  { stage: 'send', says: t('Play the cut: the blade goes as the machine will, in its order and time.'), press: '[data-test=simulate]', done: () => false },
  { stage: 'send', says: t('Under Files each sheet is downloaded for your machine. While findings are open, you are asked who lets it go. That is the whole way.'), press: '[data-test=send-files]', done: () => false },
]
