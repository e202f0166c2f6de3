import { IntlMessageFormat } from 'intl-messageformat'

/** What a sentence is filled with: by number from a template, by name from code. */
export type Values = readonly unknown[] | Readonly<Record<string, unknown>>

declare global {
  interface Window {
    /** Sentences of the page in its language, by the English ones: laid there by the server before the page's own script (`/words/de.js`). */
    neatEdgeWords?: Record<string, string>
  }
}

const catalogue: Record<string, string> = typeof window === 'undefined' ? {} : (window.neatEdgeWords ?? {})

/** What the page can be read in, as those who do call it. */
export const spoken = { en: 'English', de: 'Deutsch' }

/** The language of the page's sentences, chosen by the server of what the browser asks for. */
export const language = typeof document === 'undefined' ? 'en' : document.documentElement.lang || 'en'

/** The same with the region of the browser, which says how days and numbers are written. */
export const region = typeof navigator === 'undefined' ? language : (navigator.languages.find((one) => one === language || one.startsWith(`${language}-`)) ?? language)

const made = new Map<string, IntlMessageFormat>()

/**
 * A sentence in the language of the page, filled in: ICU messages, keyed by the English one.
 *
 * @param message in English; the catalogue has every one that stands in the page
 */
export function t(message: string, values?: Values): string {
  const said = catalogue[message] ?? message
  if (values === undefined && !said.includes('{') && !said.includes("''")) return said
  let format = made.get(said)
  if (format === undefined) {
    format = new IntlMessageFormat(said, region, undefined, { ignoreTag: true })
    made.set(said, format)
  }
  return String(format.format(Array.isArray(values) ? Object.fromEntries(values.map((value, at) => [at, shown(value)])) : (values as Record<string, string | number>)))
}

/** As a template shows it, but numbers as the language writes them. */
function shown(value: unknown): string {
  if (typeof value === 'number') return number(value, 6)
  return value === null || value === undefined ? '' : String(value)
}

/** So many of something: `count(3, 'piece')`, `count(1, 'box', 'boxes')`. */
export function count(value: number, one: string, many?: string): string {
  return t(counted(one, many), { n: value })
}

/** The message by which a catalogue knows it. */
export function counted(one: string, many = `${one}s`): string {
  return `{n, plural, one {# ${one}} other {# ${many}}}`
}

/** A day and its time, short, as the language writes them; nothing for what did not happen. */
export function moment(at: string | null): string {
  return at === null ? '' : new Date(at).toLocaleString(region, { dateStyle: 'medium', timeStyle: 'short' })
}

/** A number as the language writes it, with so many digits after its point at most, and at least. */
export function number(value: number, most: number, least = 0): string {
  return written(most, least, true).format(value)
}

/** A number as it is typed in a field: with the sign before its digits that the language has, and no other. */
export function digits(value: number): string {
  return written(12, 0, false).format(value)
}

/** What was typed, with points for the commas of a language that writes 12,5: elsewhere a comma is left for the core to doubt. */
export function pointed(typed: string): string {
  return digits(1.5).includes(',') ? typed.replace(/(\d),(?=\d)/g, '$1.') : typed
}

/** A label within a sentence; in German a noun keeps its capital. */
export function lower(label: string): string {
  return language === 'en' ? label.toLowerCase() : label
}

const formats = new Map<string, Intl.NumberFormat>()
function written(most: number, least: number, grouped: boolean): Intl.NumberFormat {
  const key = `${most} ${least} ${grouped}`
  let format = formats.get(key)
  if (format === undefined) {
    format = new Intl.NumberFormat(region, { maximumFractionDigits: most, minimumFractionDigits: least, useGrouping: grouped })
    formats.set(key, format)
  }
  return format
}
