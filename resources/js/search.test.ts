import { fits, found } from '@/search/found'
import { describe, expect, it } from 'vitest'

const place = (label: string, says = '', sort = 'Tool') => ({ label, says, sort })

describe('what is searched for', () => {
  it('is found by the beginnings of its words, in any order', () => {
    expect(fits('str out', place('Outline strokes'))).not.toBeNull()
    expect(fits('line', place('Outline strokes'))).not.toBeNull()
    expect(fits('weld', place('Outline strokes', 'every stroke a filled outline'))).toBeNull()
  })
  it('stands first where the name begins so, then where a word of it does, then what is said of it', () => {
    const all = [place('Drop shade', 'a shade cut by the piece'), place('Cut border'), place('Border, cut')]
    expect(found('cut', all).map((one) => one.label)).toEqual(['Cut border', 'Border, cut', 'Drop shade'])
  })
  it('is so many of each sort at most, and all of them without a word', () => {
    const all = [...Array.from({ length: 9 }, (_, k) => place(`Tool ${k}`)), place('A job', '', 'Job')]
    expect(found('', all, 3).map((one) => one.sort)).toEqual(['Tool', 'Tool', 'Tool', 'Job'])
  })
})
