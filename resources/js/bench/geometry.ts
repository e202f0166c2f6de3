/** Plain geometry for what moves under the pointer; results come from the core. */
export type Matrix = [number, number, number, number, number, number]
export interface Point {
  x: number
  y: number
}
export interface Box {
  left: number
  top: number
  width: number
  height: number
}

export const identity: Matrix = [1, 0, 0, 1, 0, 0]
export const translation = (x: number, y: number): Matrix => [1, 0, 0, 1, x, y]
export const scaling = (x: number, y: number): Matrix => [x, 0, 0, y, 0, 0]
export function rotation(degrees: number): Matrix {
  const [cos, sin] = [Math.cos((degrees * Math.PI) / 180), Math.sin((degrees * Math.PI) / 180)]
  return [cos, sin, -sin, cos, 0, 0]
}

/** The first matrix is applied last. */
export function combined(...all: Matrix[]): Matrix {
  return all.reduce((m, n) => [
    m[0] * n[0] + m[2] * n[1],
    m[1] * n[0] + m[3] * n[1],
    m[0] * n[2] + m[2] * n[3],
    m[1] * n[2] + m[3] * n[3],
    m[0] * n[4] + m[2] * n[5] + m[4],
    m[1] * n[4] + m[3] * n[5] + m[5],
  ])
}

export function applied(m: Matrix, p: Point): Point {
  return { x: m[0] * p.x + m[2] * p.y + m[4], y: m[1] * p.x + m[3] * p.y + m[5] }
}

export function inverse(m: Matrix): Matrix {
  const det = m[0] * m[3] - m[1] * m[2]
  return [m[3] / det, -m[1] / det, -m[2] / det, m[0] / det, (m[2] * m[5] - m[3] * m[4]) / det, (m[1] * m[4] - m[0] * m[5]) / det]
}

/** About a place of the bench. */
export function about(p: Point, m: Matrix): Matrix {
  return combined(translation(p.x, p.y), m, translation(-p.x, -p.y))
}

export const written = (m: Matrix): string => `matrix(${m.map((v) => Number(v.toFixed(9))).join(' ')})`

export function around(boxes: ([number, number, number, number] | null)[]): Box | null {
  const all = boxes.filter((box) => box !== null)
  if (all.length === 0) return null
  const left = Math.min(...all.map((box) => box[0]))
  const top = Math.min(...all.map((box) => box[1]))
  return { left, top, width: Math.max(...all.map((box) => box[0] + box[2])) - left, height: Math.max(...all.map((box) => box[1] + box[3])) - top }
}

/** The path of a contour: start point, then six numbers a segment. */
export function pathOf(coords: number[], closed: boolean): string {
  let out = `M${coords[0]} ${coords[1]}`
  for (let i = 2; i + 5 < coords.length; i += 6) out += `C${coords.slice(i, i + 6).join(' ')}`
  return closed ? `${out}Z` : out
}

export function cubicAt(c: number[], i: number, t: number): Point {
  const u = 1 - t
  const [b0, b1, b2, b3] = [u * u * u, 3 * u * u * t, 3 * u * t * t, t * t * t]
  return { x: b0 * c[i]! + b1 * c[i + 2]! + b2 * c[i + 4]! + b3 * c[i + 6]!, y: b0 * c[i + 1]! + b1 * c[i + 3]! + b2 * c[i + 5]! + b3 * c[i + 7]! }
}

/** The place on a contour nearest to a point: segment, parameter and distance. */
export function nearestOn(coords: number[], p: Point): { segment: number; t: number; distance: number } {
  let best = { segment: 0, t: 0.5, distance: Infinity }
  for (let k = 0; 6 * k + 7 < coords.length; k++) {
    for (let n = 1; n < 40; n++) {
      const at = cubicAt(coords, 6 * k, n / 40)
      const distance = Math.hypot(at.x - p.x, at.y - p.y)
      if (distance < best.distance) best = { segment: k, t: n / 40, distance }
    }
  }
  return best
}

/** A direction held to steps of fifteen degrees. */
export function held(from: Point, to: Point): Point {
  const angle = (Math.round((Math.atan2(to.y - from.y, to.x - from.x) * 12) / Math.PI) * Math.PI) / 12
  const long = (to.x - from.x) * Math.cos(angle) + (to.y - from.y) * Math.sin(angle)
  return { x: from.x + long * Math.cos(angle), y: from.y + long * Math.sin(angle) }
}

interface Frame {
  left: number
  top: number
  width: number
  height: number
  turn: number
}
/** What leads from one frame round a piece to another: each a box that is turned about the corner of the bench. */
export function between(from: Frame, to: Frame): Matrix {
  const [sx, sy] = [from.width > 1e-9 ? to.width / from.width : 1, from.height > 1e-9 ? to.height / from.height : 1]
  return combined(rotation(to.turn), translation(to.left, to.top), scaling(sx, sy), translation(-from.left, -from.top), rotation(-from.turn))
}
