import type { Moves } from '@/api/making'

/** What a head has done at a time: lines along which it went, ways in the air, and where it is. */
export interface Passed { cut: string; air: string; x: number; y: number; down: boolean; length: number }

/** Packed places as path data. */
export const say = (points: number[]) => {
  let d = ''
  for (let i = 0; i + 1 < points.length; i += 2) d += `${i === 0 ? 'M' : 'L'}${points[i]} ${points[i + 1]}`
  return d
}

/** The first so many mm of a way. */
export function along(points: number[], share: number): { points: number[]; length: number } {
  let whole = 0
  for (let i = 2; i + 1 < points.length; i += 2) whole += Math.hypot(points[i]! - points[i - 2]!, points[i + 1]! - points[i - 1]!)
  const wanted = whole * Math.min(1, Math.max(0, share))
  const out = points.slice(0, 2)
  let done = 0
  for (let i = 2; i + 1 < points.length; i += 2) {
    const [ax, ay, bx, by] = [points[i - 2]!, points[i - 1]!, points[i]!, points[i + 1]!]
    const step = Math.hypot(bx - ax, by - ay)
    if (done + step >= wanted) {
      const t = step > 0 ? (wanted - done) / step : 1
      out.push(ax + (bx - ax) * t, ay + (by - ay) * t)
      return { points: out, length: wanted }
    }
    out.push(bx, by)
    done += step
  }
  return { points: out, length: done }
}

/** All that was done by a time, in seconds. */
export function passed(motion: Moves, time: number): Passed {
  let [cut, air, length, x, y, down] = ['', '', 0, 0, 0, false]
  let last: number[] | null = null
  for (const move of motion.moves) {
    const first = move.points.slice(0, 2)
    if (time < move.from) {
      if (last) {
        air += say([...last.slice(-2), ...first])
        ;[x, y] = [first[0]!, first[1]!]
      }
      break
    }
    if (last) air += say([...last.slice(-2), ...first])
    const done = along(move.points, move.to > move.from ? (time - move.from) / (move.to - move.from) : 1)
    cut += say(done.points)
    length += done.length
    ;[x, y] = done.points.slice(-2) as [number, number]
    down = time < move.to
    if (down) break
    last = move.points
  }
  return { cut, air, x, y, down, length }
}
