import type { Finding } from '@/api/types'
import { applied, between } from '@/bench/geometry'
import { asked } from '@/pages/jobs'
import { isTyping } from '@/keys/field'
import { sifted } from '@/stores/bench'
import { kept } from '@/stores/drawn'
import { lane } from '@/stores/lane'
import { describe, expect, it, vi } from 'vitest'

const finding = (more: Partial<Finding>): Finding => ({ kind: 'thin-line', severity: 'warning', message: 'A line.', ...more })

describe('findings', () => {
  it('are shown unless they are small, seen, accepted or not what is asked for', () => {
    const all = [finding({}), finding({ minor: true }), finding({ seen: true }), finding({ accepted: 'so' }), finding({ severity: 'serious' })]
    const numbers = [0, 1, 2, 3, 4, 9]
    expect(sifted(numbers, all, { small: false, done: false, serious: false })).toEqual([0, 4])
    expect(sifted(numbers, all, { small: true, done: false, serious: false })).toEqual([0, 1, 4])
    expect(sifted(numbers, all, { small: false, done: true, serious: false })).toEqual([0, 2, 3, 4])
    expect(sifted(numbers, all, { small: true, done: true, serious: true })).toEqual([4])
  })
})

describe('findings while something is drawn', () => {
  it('stay where a newer check says nothing about them', () => {
    const all = [finding({ at: [5, 5] }), finding({ at: [20, 5], piece: 'a' }), finding({ at: [30, 5], piece: 'b' }), finding({ at: [40, 5], piece: 'c' })]
    expect(kept(all, [0, 0, 10, 10], new Set(), new Set())).toEqual(all.slice(1))
    expect(kept(all, null, new Set(['a']), new Set(['c']))).toEqual([all[0], all[2]])
  })
})

describe('a list of jobs', () => {
  it('is asked for by page, with what is searched for only where something is', () => {
    expect(asked('  ', 'all', 'updated', 1)).toBe('jobs?only=all&order=updated&page=1')
    expect(asked(' club & decal ', 'ready', 'title', 3)).toBe('jobs?only=ready&order=title&page=3&search=club+%26+decal')
  })
})

describe('what a typed value did', () => {
  it('is what leads from the frame before to the frame after', () => {
    const from = { left: 10, top: 20, width: 40, height: 10, turn: 0 }
    const m = between(from, { left: 5, top: 2, width: 80, height: 10, turn: 90 })
    const at = applied(m, { x: 10, y: 20 })
    expect([at.x, at.y].map((v) => Number(v.toFixed(6)))).toEqual([-2, 5])
    const far = applied(m, { x: 50, y: 20 })
    expect([far.x, far.y].map((v) => Number(v.toFixed(6)))).toEqual([-2, 85])
  })
})

describe('a key', () => {
  const on = (matches: string[], key: string, type = 'text') => {
    const target = { type, closest: (selector: string) => (matches.some((one) => selector.split(', ').includes(one)) ? { type } : null) }
    return isTyping({ target, key } as unknown as KeyboardEvent)
  }
  it('belongs to a field that is typed in, and to a button only where it presses it', () => {
    expect(on(['input'], 'q')).toBe(true)
    expect(on(['textarea'], 'q')).toBe(true)
    expect(on(['input'], 'q', 'checkbox')).toBe(false)
    expect(on(['button'], 'q')).toBe(false)
    expect(on(['button'], '3')).toBe(false)
    expect(on(['button'], 'Enter')).toBe(true)
    expect(on(['[role="slider"]'], 'ArrowLeft')).toBe(true)
    expect(on(['[role="slider"]'], 'w')).toBe(false)
    expect(on(['[role="dialog"]', 'button'], 'q')).toBe(true)
    expect(on([], 'q')).toBe(false)
  })
})

describe('a lane of previews', () => {
  it('asks one question at a time, and of those that wait only the latest', async () => {
    const asked: number[] = []
    const answers: ((value: number) => void)[] = []
    const ask = lane((question: number) => {
      asked.push(question)
      return question === 9 ? Promise.reject(new Error('refused')) : new Promise<number>((done) => answers.push(done))
    })
    const [one, two, three] = [ask(1), ask(2), ask(3)]
    expect(asked).toEqual([1])
    expect(await two).toBeNull()
    answers[0]!(10)
    expect(await one).toBe(10)
    await Promise.resolve()
    expect(asked).toEqual([1, 3])
    answers[1]!(30)
    expect(await three).toBe(30)
    expect(await ask(9)).toBeNull()
    const four = ask(4)
    answers[2]!(40)
    expect(await four).toBe(40)
  })

  it('asks the next beside one that takes too long, and only the latest of those', async () => {
    vi.useFakeTimers()
    const started: number[] = []
    const finish: ((answer: number) => void)[] = []
    const ask = lane((question: number) => {
      started.push(question)
      return new Promise<number>((done) => finish.push(done))
    }, 500)
    const first = ask(1)
    const second = ask(2)
    const third = ask(3)
    expect(await second).toBe(null)
    expect(started).toEqual([1])
    await vi.advanceTimersByTimeAsync(600)
    expect(started).toEqual([1, 3])
    finish[1]!(30)
    expect(await third).toBe(30)
    finish[0]!(10)
    expect(await first).toBe(10)
    vi.useRealTimers()
  })
})
