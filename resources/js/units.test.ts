import { describe, expect, it } from 'vitest'
import { bare, count, groundFor, inUnit, metres, mm, percent } from './units'

describe('lengths for people', () => {
  it('has as many digits as can be measured', () => expect([mm(0.123), mm(9.994), mm(12.34)]).toEqual(['0.12 mm', '9.99 mm', '12.3 mm']))
  it('says metres from a metre on', () => expect([metres(999), metres(1234)]).toEqual(['999 mm', '1.23 m']))
  it('is written in the unit of the job', () => {
    expect(inUnit(25.4, 'in')).toBe('1 in')
    expect(bare(12.7, 'in')).toBe('0.5')
    expect(bare(10, 'cm')).toBe('1')
    expect(bare(1 / 3, 'mm')).toBe('0.333')
  })
})

describe('shares', () => {
  it('never calls something nothing', () => expect([percent(0), percent(0.0004), percent(0.25)]).toEqual(['0 %', '< 0.001 %', '0.250 %']))
  it('counts one as one', () => expect([count(1, 'piece'), count(2, 'piece'), count(1200, 'copy', 'copies')]).toEqual(['1 piece', '2 pieces', '1,200 copies']))
})

describe('the ground that a colour is shown on', () => {
  it('is dark under light colours and paper under all others', () => {
    expect(groundFor('#ffffff')).toBe('#5f6d6a')
    expect(groundFor('#ffe9a8')).toBe('#5f6d6a')
    expect(groundFor('#c8452f')).toBe('#fffdf7')
    expect(groundFor('#000000')).toBe('#fffdf7')
  })
})
