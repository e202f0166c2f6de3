import { t } from '@/words/words'
import type { Piece } from '@/api/types'

/** What is asked for of the list of pieces; '' is all. */
export interface Asked {
  words: string
  colour: string
  kind: string
  layer: string
}
export const nothingAsked: Asked = { words: '', colour: '', kind: '', layer: '' }

/** Kinds of pieces, as they are asked for. */
const kinds: [string, string, (piece: Piece) => boolean][] = [
  ['text', t('Letters'), (piece) => piece.text !== undefined],
  ['line', t('Lines'), (piece) => piece.stroke !== undefined && piece.fill === null],
  ['fill', t('Filled'), (piece) => piece.fill !== null && piece.picture === undefined],
  ['live', t('Still adjustable'), (piece) => piece.live !== null && piece.text === undefined],
  ['group', t('In a group'), (piece) => piece.groups.length > 0],
  ['picture', t('Pictures'), (piece) => piece.picture !== undefined],
  ['hidden', t('Hidden'), (piece) => piece.hidden],
  ['locked', t('Locked'), (piece) => piece.locked],
]

export function isAsked(piece: Piece, asked: Asked): boolean {
  const words = asked.words.trim().toLowerCase()
  return (words === '' || `${piece.called} ${piece.text ?? ''}`.toLowerCase().includes(words))
    && (asked.colour === '' || piece.fill === asked.colour || piece.stroke?.colour === asked.colour)
    && (asked.kind === '' || (kinds.find(([kind]) => kind === asked.kind)?.[2](piece) ?? true))
    && (asked.layer === '' || piece.layer === asked.layer)
}

/** Those kinds that there are. */
export const kindsOf = (pieces: Piece[]) => kinds.filter(([, , is]) => pieces.some(is)).map(([value, label]) => ({ value, label }))

/** The colours of fills and strokes, the most used first. */
export function coloursOf(pieces: Piece[]): { value: string; label: string }[] {
  const often = new Map<string, number>()
  for (const piece of pieces) {
    for (const colour of new Set([piece.fill, piece.stroke?.colour])) if (colour) often.set(colour, (often.get(colour) ?? 0) + 1)
  }
  return [...often].sort((a, b) => b[1] - a[1]).slice(0, 40).map(([value, times]) => ({ value, label: `${value} (${times})` }))
}

/** What more than one of them is called. */
export function alike(pieces: Piece[]): Set<string> {
  const once = new Set<string>()
  const more = new Set<string>()
  for (const { called } of pieces) (once.has(called) ? more : once).add(called)
  return more
}
