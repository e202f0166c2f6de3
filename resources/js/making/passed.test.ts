import type { Moves } from '@/api/making'
import { describe, expect, it } from 'vitest'
import { along, passed } from './passed'

const motion: Moves = {
  seconds: 10, cut_mm: 30, air_mm: 5,
  moves: [
    { layer: 0, from: 1, to: 3, points: [0, 0, 10, 0, 10, 10] },
    { layer: 0, from: 4, to: 10, points: [20, 10, 30, 10] },
  ],
}

describe('what a head has done', () => {
  it('is a share of a way, by its length', () => {
    expect(along([0, 0, 10, 0, 10, 10], 0.75)).toEqual({ points: [0, 0, 10, 0, 10, 5], length: 15 })
    expect(along([0, 0, 10, 0], 2).length).toBe(10)
  })
  it('is nothing before it begins', () => {
    expect(passed(motion, 0.5)).toMatchObject({ cut: '', length: 0, down: false })
  })
  it('is down on a line and up between two', () => {
    const on = passed(motion, 2)
    expect(on).toMatchObject({ x: 10, y: 0, down: true, length: 10 })
    const between = passed(motion, 3.5)
    expect(between).toMatchObject({ x: 20, y: 10, down: false, length: 20 })
    expect(between.air).toBe('M10 10L20 10')
  })
  it('is all at the end', () => {
    expect(passed(motion, 10)).toMatchObject({ x: 30, y: 10, down: false, length: 30 })
  })
})
