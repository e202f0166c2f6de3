// The same works by a general-purpose library that flattens to polygons (clipper2-wasm, compiled to WebAssembly).
import Factory from 'clipper2-wasm/dist/es/clipper2z.js'
import { above, pieces, work, write } from './svg.mjs'

const FLATNESS = 0.005
const DIGITS = 4
const C = await Factory()
const { NonZero, EvenOdd } = C.FillRule

/** Polygons of path data of our own writing: M L H V C Z, absolute. */
function polygons(d) {
  const out = []
  let at = [], x = 0, y = 0, closed = false
  const end = () => { if (at.length > 2) out.push({ points: at, closed }); closed = false }
  for (const [, command, rest] of d.matchAll(/([MLHVCZ])([^MLHVCZ]*)/g)) {
    const n = rest.trim() === '' ? [] : rest.trim().split(/[\s,]+/).map(Number)
    if (command === 'M') { end(); at = [[x, y] = n].flat() } else if (command === 'L') { [x, y] = n; at.push(x, y) } else if (command === 'H') { x = n[0]; at.push(x, y) } else if (command === 'V') { y = n[0]; at.push(x, y) } else if (command === 'Z') { closed = true; end(); x = at[0]; y = at[1]; at = [x, y] } else {
      const [x1, y1, x2, y2, x3, y3] = n
      const m = Math.max(Math.hypot(x - 2 * x1 + x2, y - 2 * y1 + y2), Math.hypot(x1 - 2 * x2 + x3, y1 - 2 * y2 + y3))
      const parts = Math.max(1, Math.ceil(Math.sqrt(0.75 * m / FLATNESS)))
      for (let i = 1; i <= parts; i++) {
        const t = i / parts, u = 1 - t
        at.push(u * u * u * x + 3 * u * u * t * x1 + 3 * u * t * t * x2 + t * t * t * x3, u * u * u * y + 3 * u * u * t * y1 + 3 * u * t * t * y2 + t * t * t * y3)
      }
      [x, y] = [x3, y3]
    }
  }
  end()
  return out
}
function paths(list) {
  const all = new C.PathsD()
  for (const points of list) {
    const one = new C.PathD()
    // Points come as x, y and a tag.
    const flat = new Float64Array(points.length / 2 * 3)
    for (let i = 0; i < points.length / 2; i++) { flat[3 * i] = points[2 * i]; flat[3 * i + 1] = points[2 * i + 1] }
    one.assign(flat)
    all.push_back(one)
    one.delete()
  }
  return all
}
function text(all) {
  const out = []
  for (let i = 0, n = all.size(); i < n; i++) {
    const one = all.get(i), v = one.view()
    let d = ''
    for (let k = 0; k < v.length; k += 3) d += `${k ? 'L' : 'M'}${v[k].toFixed(DIGITS)} ${v[k + 1].toFixed(DIGITS)}`
    out.push(d + 'Z')
    one.delete()
  }
  return out.join('')
}

const shapes = []
for (const piece of pieces()) {
  const list = polygons(piece.d)
  const rule = piece.evenodd ? EvenOdd : NonZero
  if (piece.fill !== null) shapes.push({ flat: list.map((one) => one.points), rule, fill: piece.fill })
  if (piece.stroke !== null) {
    const join = { miter: C.JoinType.Miter, round: C.JoinType.Round, bevel: C.JoinType.Bevel }[piece.stroke.join]
    const cap = { butt: C.EndType.Butt, round: C.EndType.Round, square: C.EndType.Square }[piece.stroke.cap]
    for (const closed of [true, false]) {
      const some = list.filter((one) => one.closed === closed).map((one) => one.points)
      if (some.length === 0) continue
      const line = C.InflatePathsD(paths(some), piece.stroke.width / 2, join, closed ? C.EndType.Joined : cap, piece.stroke.miter, DIGITS, FLATNESS)
      shapes.push({ paths: line, rule: NonZero, fill: piece.stroke.colour })
    }
  }
}
const ready = shapes.map((shape) => {
  const own = shape.paths ?? paths(shape.flat)
  return { own, fill: shape.fill, rule: shape.rule }
})

if (work === 'visible') {
  // A single rule holds for both sides of an operation: shapes are made simple first where theirs differ.
  const simple = ready.map((one) => ({ ...one, own: one.rule === EvenOdd ? C.UnionSelfD(one.own, EvenOdd, DIGITS) : one.own }))
  const boxes = simple.map(({ own }) => {
    const b = [Infinity, Infinity, -Infinity, -Infinity]
    for (let i = 0, n = own.size(); i < n; i++) {
      const one = own.get(i), v = one.view()
      for (let k = 0; k < v.length; k += 3) { b[0] = Math.min(b[0], v[k]); b[1] = Math.min(b[1], v[k + 1]); b[2] = Math.max(b[2], v[k]); b[3] = Math.max(b[3], v[k + 1]) }
      one.delete()
    }
    return b
  })
  const lists = above(boxes)
  write(simple.map(({ own, fill }, i) => {
    const over = new C.PathsD()
    for (const j of lists[i]) for (let k = 0, n = simple[j].own.size(); k < n; k++) { const one = simple[j].own.get(k); over.push_back(one); one.delete() }
    const rest = C.BooleanOpD(C.ClipType.Difference, NonZero, own, over, DIGITS)
    over.delete()
    return { d: text(rest), fill }
  }))
} else {
  const all = new C.PathsD()
  for (const { own } of ready) for (let k = 0, n = own.size(); k < n; k++) { const one = own.get(k); all.push_back(one); one.delete() }
  write([{ d: text(C.UnionSelfD(all, NonZero, DIGITS)), fill: ready[0].fill }])
}
