import { describe, expect, it } from 'vitest'
import { about, applied, around, combined, cubicAt, held, identity, inverse, nearestOn, pathOf, rotation, scaling, translation, written } from './geometry'

const near = (p: { x: number; y: number }, x: number, y: number) => {
  expect(p.x).toBeCloseTo(x, 9)
  expect(p.y).toBeCloseTo(y, 9)
}

describe('matrices', () => {
  it('applies the last one first', () => {
    near(applied(combined(translation(10, 0), scaling(2, 3)), { x: 1, y: 1 }), 12, 3)
    near(applied(combined(scaling(2, 3), translation(10, 0)), { x: 1, y: 1 }), 22, 3)
  })
  it('turns clockwise as the bench does, y running down', () => near(applied(rotation(90), { x: 1, y: 0 }), 0, 1))
  it('leads back with the inverse', () => {
    const m = combined(translation(7, -3), rotation(33), scaling(2, 0.5))
    near(applied(combined(inverse(m), m), { x: 4, y: 9 }), 4, 9)
  })
  it('leaves the place alone about which it turns', () => near(applied(about({ x: 5, y: 6 }, rotation(77)), { x: 5, y: 6 }), 5, 6))
  it('is written without the noise of floats', () => {
    expect(written(combined(rotation(90), rotation(-90)))).toBe('matrix(1 0 0 1 0 0)')
    expect(written(identity)).toBe('matrix(1 0 0 1 0 0)')
  })
})

describe('boxes', () => {
  it('goes round all of them and passes over what has none', () => expect(around([[0, 0, 10, 5], null, [-5, 2, 3, 20]])).toEqual({ left: -5, top: 0, width: 15, height: 22 }))
  it('is nothing round nothing', () => expect(around([null])).toBeNull())
})

describe('curves', () => {
  const quarter = [0, 0, 0, 0, 30, 0, 30, 0, 30, 15, 30, 30, 0, 30]
  it('is a path of one cubic a segment, closed where it is', () => {
    expect(pathOf(quarter, false)).toBe('M0 0C0 0 30 0 30 0C30 15 30 30 0 30')
    expect(pathOf(quarter, true)).toMatch(/Z$/)
  })
  it('begins and ends where it says', () => {
    near(cubicAt(quarter, 0, 0), 0, 0)
    near(cubicAt(quarter, 6, 1), 0, 30)
  })
  it('finds the nearest place and how far it is', () => {
    const found = nearestOn(quarter, { x: 15, y: -4 })
    expect(found.segment).toBe(0)
    expect(found.t).toBeCloseTo(0.5, 1)
    expect(found.distance).toBeCloseTo(4, 1)
  })
})

describe('a held direction', () => {
  it('keeps to fifteen degrees and to how far was gone along it', () => {
    near(held({ x: 0, y: 0 }, { x: 10, y: 0.5 }), 10, 0)
    const at = held({ x: 0, y: 0 }, { x: 10, y: 9.5 })
    expect(at.x).toBeCloseTo(at.y, 9)
    expect(Math.hypot(at.x, at.y)).toBeCloseTo(19.5 / Math.SQRT2, 9)
  })
})
