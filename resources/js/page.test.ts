import { describe, expect, it } from 'vitest'
import { pageToken } from './api/client'
import type { Art, Piece } from './api/types'
import { labelWidth, nameOf } from './findings'
import { patched } from './stores/bench'

describe('the token of the page', () => {
  it('is read from its own cookie, decoded', () => expect(pageToken('a=1; XSRF-TOKEN=ab%3Dcd%2B; b=2')).toBe('ab=cd+'))
  it('is empty without one, and another name is not taken for it', () => expect([pageToken(''), pageToken('MY-XSRF-TOKEN=x')]).toEqual(['', '']))
})

describe('names of findings', () => {
  it('has words of the trade for the known ones', () => expect(nameOf('overlapping-sheets')).toBe('Sheets overlap'))
  it('makes words of others', () => expect(nameOf('some-new-thing')).toBe('Some new thing'))
  it('makes room for them', () => {
    expect(labelWidth('0.30 mm')).toBe(62)
    expect(labelWidth('Outside the page')).toBeGreaterThan(100)
  })
})

describe('art with what an answer changes in it', () => {
  const piece = (id: string, fill = '#000000') => ({ id, fill }) as Piece
  const art = { width: 100, height: 50, layers: [], groups: {}, guides: [], reference: null, line: [], pieces: [piece('a'), piece('b'), piece('c')] } as Art
  const nothing = { pieces: [], gone: [], order: null, frame: null }

  it('is the same object where nothing changed', () => expect(patched(art, nothing)).toBe(art))
  it('replaces a piece where it lies and keeps the others as they are', () => {
    const after = patched(art, { ...nothing, pieces: [piece('b', '#ff0000')] })
    expect(after.pieces.map((one) => one.fill)).toEqual(['#000000', '#ff0000', '#000000'])
    expect(after.pieces[0]).toBe(art.pieces[0])
  })
  it('takes away, adds and orders', () => {
    const after = patched(art, { ...nothing, pieces: [piece('d')], gone: ['a'], order: ['d', 'c', 'b'] })
    expect(after.pieces.map((one) => one.id)).toEqual(['d', 'c', 'b'])
  })
  it('takes another page', () => expect(patched(art, { ...nothing, frame: { ...art, width: 200 } }).width).toBe(200))
})
