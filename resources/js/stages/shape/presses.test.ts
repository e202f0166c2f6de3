import { describe, expect, it } from 'vitest'
import { fieldsOf, frameOf, framePath, held15, pathOf, pressed, pulled, untouched } from './presses'

const spot = (cell: number) => `${cell},0`

describe('pressed cells', () => {
  it('joins what one drag passes over and takes groups along whole', () => {
    const two = pressed(pressed(untouched, 'join', [1, 2], null), 'join', [5, 6], null)
    expect(fieldsOf(two, spot).join).toBe('1,0 2,0; 5,0 6,0')
    expect(fieldsOf(pressed(two, 'join', [2, 5], null), spot).join).toBe('1,0 2,0 5,0 6,0')
  })

  it('lifts each by itself, drops, and a later press counts', () => {
    const state = pressed(pressed(pressed(untouched, 'lift', [1, 2], null), 'drop', [2, 3], null), 'lift', [3], '#cc3333')
    expect(fieldsOf(state, spot)).toEqual({ join: '', lift: '1,0 3,0', drop: '2,0', paint: '3,0 #cc3333' })
  })

  it('never changes the state that it was given: each press can be taken back', () => {
    const before = pressed(untouched, 'join', [1], '#112233')
    const copy = JSON.stringify(before)
    pressed(before, 'drop', [1], null)
    pressed(before, 'join', [1, 2], '#445566')
    expect(JSON.stringify(before)).toBe(copy)
  })
})

describe('a drawn line', () => {
  it('is path data in mm, and is held to steps of 15 degrees', () => {
    expect(pathOf([{ x: 1, y: 2 }, { x: 3.14159, y: 4 }])).toBe('M1.000 2.000 L3.142 4.000')
    const to = held15({ x: 0, y: 0 }, { x: 10, y: 1 })
    expect(to.y).toBeCloseTo(0)
    expect(to.x).toBeCloseTo(Math.hypot(10, 1))
  })
})

describe('the frame of a wrap', () => {
  const frame = frameOf('0 0 10 0 20 0 30 0 30 5 30 10 30 15 20 15 10 15 0 15 0 10 0 5')

  it('has four corners with two handles after each, and is path data', () => {
    expect(frame).toHaveLength(12)
    expect(frameOf('1 2 3')).toEqual([])
    expect(framePath(frame).match(/C/g)).toHaveLength(4)
    expect(framePath(frame).endsWith('0.0000 0.0000Z')).toBe(true)
  })

  it('is pulled by a handle alone, by a corner with its handles on both sides', () => {
    expect(pulled(frame, 1, { x: 10, y: -8 }).filter((at, i) => at !== frame[i])).toEqual([{ x: 10, y: -8 }])
    const corner = pulled(frame, 0, { x: -1, y: -2 })
    expect([corner[0], corner[1], corner[11]]).toEqual([{ x: -1, y: -2 }, { x: 9, y: -2 }, { x: -1, y: 3 }])
    expect(corner[2]).toBe(frame[2])
  })
})
