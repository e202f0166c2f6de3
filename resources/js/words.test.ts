import { afterEach, describe, expect, it, vi } from 'vitest'

/** The page's words as a browser of that language has them. */
async function as(lang: string, languages: string[], words?: Record<string, string>) {
  vi.resetModules()
  vi.stubGlobal('document', { documentElement: { lang } })
  vi.stubGlobal('navigator', { languages })
  vi.stubGlobal('window', { neatEdgeWords: words })
  return { ...(await import('./words/words')), ...(await import('./units')) }
}
afterEach(() => vi.unstubAllGlobals())

describe('words', () => {
  it('are English without a catalogue', async () => {
    const { t, count, mm, percent, bare } = await as('en', ['en-GB'])
    expect(t('Zoom in')).toBe('Zoom in')
    expect([count(1, 'piece'), count(2, 'piece'), count(1234, 'box', 'boxes')]).toEqual(['1 piece', '2 pieces', '1,234 boxes'])
    expect([mm(0.3), mm(12.34), percent(0), percent(0.0001), percent(1.5)]).toEqual(['0.30 mm', '12.3 mm', '0 %', '< 0.001 %', '1.500 %'])
    expect(bare(1234.5, 'mm')).toBe('1234.5')
  })
  it('are those of the catalogue, filled in and in another order', async () => {
    const { t, count, mm, bare, metres } = await as('de', ['de-DE', 'en'], { 'Zoom in': 'Größer', '{0} of {1}': 'von {1}: {0}', '{n, plural, one {# piece} other {# pieces}}': '{n, plural, one {# Teil} other {# Teile}}' })
    expect(t('Zoom in')).toBe('Größer')
    expect(t('{0} of {1}', [1234.5, 'x'])).toBe('von x: 1.234,5')
    expect([count(1, 'piece'), count(0, 'piece')]).toEqual(['1 Teil', '0 Teile'])
    expect([mm(0.3), metres(2500), bare(1234.5, 'mm')]).toEqual(['0,30 mm', '2,50 m', '1234,5'])
    expect(t('Nobody put this into German')).toBe('Nobody put this into German')
  })
  it('show nothing for what is not there', async () => {
    const { t } = await as('en', ['en'])
    expect(t('{0} of {1}', [undefined, null])).toBe(' of ')
  })
  it('take a comma for a point only where it is one', async () => {
    expect((await as('de', ['de'], {})).pointed('12,5mm + 3')).toBe('12.5mm + 3')
    expect((await as('en', ['en'])).pointed('1,200')).toBe('1,200')
  })
  it('keep the capital of a German noun', async () => {
    expect((await as('de', ['de'], {})).lower('Folie')).toBe('Folie')
    expect((await as('en', ['en'])).lower('Film')).toBe('film')
  })
})

describe('keys', () => {
  it('are written as they are labelled there', async () => {
    const key = '{key, select, Ctrl {Ctrl} Shift {Shift} Space {Space} Delete {Delete} Up {Up} Down {Down} Left {Left} Right {Right} other {{key}}}'
    await as('de', ['de'], { [key]: key.replace('{Ctrl}', '{Strg}').replace('{Shift}', '{Umschalt}') })
    expect((await import('./keys/combos')).written('Ctrl Shift Z')).toBe('Strg Umschalt Z')
    await as('en', ['en'])
    expect((await import('./keys/combos')).written('Ctrl Shift Z')).toBe('Ctrl Shift Z')
  })
})
