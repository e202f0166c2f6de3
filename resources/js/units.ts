import { digits, number } from '@/words/words'

export { count } from '@/words/words'

/** A length for people: mm with as many digits as a shop can measure. */
export function mm(value: number, places = value < 10 ? 2 : 1): string {
  return `${number(value, places, places)} mm`
}

export function metres(value: number): string {
  return value >= 1000 ? `${number(value / 1000, 2, 2)} m` : `${number(value, 0)} mm`
}

export function percent(value: number): string {
  if (value === 0) return '0 %'
  return value < 0.001 ? `< ${number(0.001, 3)} %` : `${number(value, 3, 3)} %`
}

/** A ground on which a colour can be seen: light colours lie on slate, all others on paper. */
export function groundFor(colour: string): string {
  const [red = 0, green = 0, blue = 0] = [1, 3, 5].map((at) => parseInt(colour.slice(at, at + 2), 16))
  return 0.299 * red + 0.587 * green + 0.114 * blue > 205 ? '#5f6d6a' : '#fffdf7'
}

export const mmPer: Record<string, number> = { mm: 1, cm: 10, in: 25.4, pt: 25.4 / 72, px: 25.4 / 96 }
const digitsOf: Record<string, number> = { mm: 2, cm: 3, in: 3, pt: 1, px: 1 }

/** A length in the unit of the job, with that unit. */
export function inUnit(value: number, unit: string): string {
  return `${bare(value, unit)} ${unit}`
}

/** The same without the unit, for a field that is typed in. */
export function bare(value: number, unit: string, more = 1): string {
  return digits(Number((value / mmPer[unit]!).toFixed(digitsOf[unit]! + more)))
}
