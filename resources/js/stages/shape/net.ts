/** The net of a wrap while it is pulled: pure functions over its lines. What a net is and does is the core's. */
export interface Net {
  /** How many of its lines run across; the others run down. */
  across: number
  /** Packed places of each line: a knot, two handles, a knot and so on, mm. */
  lines: number[][]
  /** Where the inner lines lie in the art, as the core tells it. */
  columns: string
  rows: string
}

export type Spot = { line: number; point: number }

export function netOf(state: string): Net | null {
  return state === '' ? null : (JSON.parse(state) as Net)
}

export function at(net: Net, { line, point }: Spot): { x: number; y: number } {
  return { x: net.lines[line]![2 * point]!, y: net.lines[line]![2 * point + 1]! }
}

export function isKnot(spot: Spot): boolean {
  return spot.point % 3 === 0
}

/** Its knots, row by row, each on its line across; and all handles of all lines. */
export function spots(net: Net): { knots: Spot[]; handles: Spot[] } {
  const all = net.lines.flatMap((places, line) => Array.from({ length: places.length / 2 }, (_, point) => ({ line, point })))
  return { knots: all.filter((spot) => isKnot(spot) && spot.line < net.across), handles: all.filter((spot) => !isKnot(spot)) }
}

/** The knot that a handle belongs to. */
export function knotOf(spot: Spot): Spot {
  return { line: spot.line, point: spot.point % 3 === 1 ? spot.point - 1 : spot.point + 1 }
}

/** A knot as it is called: counted from one. */
export function called(knot: Spot): { row: number; column: number } {
  return { row: knot.line + 1, column: knot.point / 3 + 1 }
}

/** Both lines of a knot that is named on its line across. */
export function meeting(net: Net, knot: Spot): [Spot, Spot] {
  return [knot, { line: net.across + knot.point / 3, point: 3 * knot.line }]
}

/** A knot takes its handles along, on both of its lines; a handle moves alone. */
export function pulledNet(net: Net, spot: Spot, to: { x: number; y: number }): Net {
  const from = at(net, spot)
  const moved = isKnot(spot) ? meeting(net, spot).flatMap(({ line, point }) => [point - 1, point, point + 1].map((one) => ({ line, point: one }))) : [spot]
  const has = new Set(moved.map(({ line, point }) => `${line} ${point}`))
  return {
    ...net,
    lines: net.lines.map((places, line) => places.map((n, k) => (has.has(`${line} ${k >> 1}`) ? n + (k % 2 === 0 ? to.x - from.x : to.y - from.y) : n))),
  }
}

/** A line as path data, mm. */
export function linePath(places: number[]): string {
  const n = places.map((one) => one.toFixed(4))
  return Array.from({ length: (n.length - 2) / 6 }, (_, k) => `C${n.slice(6 * k + 2, 6 * k + 8).join(' ')}`).reduce((path, curve) => path + curve, `M${n[0]} ${n[1]}`)
}

/** Nothing that was pulled, and nothing that a press had asked for. */
export const unpulled = { frame: '', columns: '', rows: '', column: '', row: '', smooth: '' }

/** What the edit takes: all of the net, and nothing of what a press had asked for. */
export function fieldsOfNet(net: Net): Record<string, string | number> {
  return { ...unpulled, shape: 'net', across: (net.lines[0]!.length - 2) / 6 + 1, down: net.across, frame: net.lines.map(linePath).join(' '), columns: net.columns, rows: net.rows }
}
