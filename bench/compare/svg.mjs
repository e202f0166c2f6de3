// What both comparisons share: paths out of an SVG of our own writing, boxes, and the outcome as SVG.
import { readFileSync, writeFileSync } from 'node:fs'

export const [, , work, input, output] = process.argv

/** @returns {{d: string, fill: string|null, evenodd: boolean, stroke: null | {colour: string, width: number, cap: string, join: string, miter: number}}[]} */
export function pieces() {
  const out = []
  for (const [, attributes] of readFileSync(input, 'utf8').matchAll(/<path ([^>]*)\/>/g)) {
    const get = (name) => new RegExp(`(?:^|\\s)${name}="([^"]*)"`).exec(attributes)?.[1] ?? null
    const fill = get('fill')
    out.push({
      d: get('d'),
      fill: fill === 'none' ? null : fill,
      evenodd: get('fill-rule') === 'evenodd',
      stroke: get('stroke') === null ? null : {
        colour: get('stroke'), width: Number(get('stroke-width') ?? 1), cap: get('stroke-linecap') ?? 'butt',
        join: get('stroke-linejoin') ?? 'miter', miter: Number(get('stroke-miterlimit') ?? 4),
      },
    })
  }
  return out
}

/** @param {{d: string, fill: string}[]} shapes */
export function write(shapes) {
  const head = /<svg [^>]*>/.exec(readFileSync(input, 'utf8'))[0]
  writeFileSync(output, `${head}\n${shapes.map((one) => `<path d="${one.d}" fill="${one.fill}" fill-rule="${one.rule ?? 'nonzero'}"/>`).join('\n')}\n</svg>\n`)
}

/** Numbers of the shapes above each whose boxes overlap it, by a grid. Boxes are [left, top, right, bottom]. */
export function above(boxes) {
  const size = Math.max(1e-6, boxes.reduce((sum, b) => sum + Math.max(b[2] - b[0], b[3] - b[1]), 0) / boxes.length)
  const cells = new Map()
  const cellsOf = (b) => {
    const out = []
    for (let x = Math.floor(b[0] / size); x <= Math.floor(b[2] / size); x++) for (let y = Math.floor(b[1] / size); y <= Math.floor(b[3] / size); y++) out.push(`${x},${y}`)
    return out
  }
  boxes.forEach((b, i) => cellsOf(b).forEach((key) => cells.has(key) ? cells.get(key).push(i) : cells.set(key, [i])))
  return boxes.map((b, i) => {
    const found = new Set()
    for (const key of cellsOf(b)) for (const j of cells.get(key)) {
      const o = boxes[j]
      if (j > i && o[0] < b[2] && o[2] > b[0] && o[1] < b[3] && o[3] > b[1]) found.add(j)
    }
    return [...found].sort((p, q) => p - q)
  })
}
