/** What is done to cells before it is kept: pure functions over one state, so that every press can be taken back. */
export interface CellState {
  /** By cell: the number of its group, or "dropped". */
  of: Record<number, number | 'dropped'>
  /** Colours by group. */
  colours: Record<number, string>
  next: number
}

export type Act = 'join' | 'drop' | 'lift'

export const untouched: CellState = { of: {}, colours: {}, next: 0 }

/** The state after cells were passed over in one go. */
export function pressed(state: CellState, act: Act, cells: number[], colour: string | null): CellState {
  const of = { ...state.of }
  const colours = { ...state.colours }
  let next = state.next
  if (act === 'drop') {
    for (const cell of cells) of[cell] = 'dropped'
  } else if (act === 'lift') {
    for (const cell of cells) {
      if (colour) colours[next] = colour
      of[cell] = next++
    }
  } else {
    // A group that is passed over is taken along whole.
    const groups = new Set(cells.map((cell) => of[cell]).filter((group) => typeof group === 'number'))
    const into = groups.size > 0 ? (groups.values().next().value as number) : next++
    for (const [cell, group] of Object.entries(of)) if (typeof group === 'number' && groups.has(group)) of[Number(cell)] = into
    for (const cell of cells) of[cell] = into
    if (colour) colours[into] = colour
  }
  return { of, colours, next }
}

/** The fields of the edit: places in the cells of each group, those that stand alone, the dropped and the painted. */
export function fieldsOf(state: CellState, spot: (cell: number) => string): { join: string; lift: string; drop: string; paint: string } {
  const groups = new Map<number, number[]>()
  const dropped: number[] = []
  for (const [name, group] of Object.entries(state.of)) {
    if (group === 'dropped') dropped.push(Number(name))
    else groups.set(group, [...(groups.get(group) ?? []), Number(name)])
  }
  const all = [...groups]
  return {
    join: all.filter(([, cells]) => cells.length > 1).map(([, cells]) => cells.map(spot).join(' ')).join('; '),
    lift: all.filter(([, cells]) => cells.length === 1).map(([, cells]) => spot(cells[0]!)).join(' '),
    drop: dropped.map(spot).join(' '),
    paint: all.filter(([group]) => state.colours[group]).map(([group, cells]) => `${spot(cells[0]!)} ${state.colours[group]}`).join('; '),
  }
}

/** A row of places drawn by hand as path data, mm. */
export function pathOf(points: { x: number; y: number }[]): string {
  return points.map((at, i) => `${i === 0 ? 'M' : 'L'}${at.x.toFixed(3)} ${at.y.toFixed(3)}`).join(' ')
}

/** The end of a line that is held to steps of 15 degrees. */
export function held15(from: { x: number; y: number }, to: { x: number; y: number }): { x: number; y: number } {
  const long = Math.hypot(to.x - from.x, to.y - from.y)
  const turn = Math.round(Math.atan2(to.y - from.y, to.x - from.x) / (Math.PI / 12)) * (Math.PI / 12)
  return { x: from.x + long * Math.cos(turn), y: from.y + long * Math.sin(turn) }
}

/** The frame of a wrap as twelve places, clockwise from the upper left corner: each corner with the two handles after it. */
export function frameOf(state: string): { x: number; y: number }[] {
  const n = state.split(' ').map(Number)
  return n.length === 24 ? Array.from({ length: 12 }, (_, i) => ({ x: n[2 * i]!, y: n[2 * i + 1]! })) : []
}

/** A corner takes its two handles along; a handle moves alone. */
export function pulled(frame: { x: number; y: number }[], i: number, to: { x: number; y: number }): { x: number; y: number }[] {
  const dx = to.x - frame[i]!.x
  const dy = to.y - frame[i]!.y
  const moved = i % 3 === 0 ? [i, (i + 1) % 12, (i + 11) % 12] : [i]
  return frame.map((at, k) => (moved.includes(k) ? { x: at.x + dx, y: at.y + dy } : at))
}

/** The frame as path data, mm. */
export function framePath(frame: { x: number; y: number }[]): string {
  const at = (i: number) => `${frame[i % 12]!.x.toFixed(4)} ${frame[i % 12]!.y.toFixed(4)}`
  return `M${at(0)}${[0, 3, 6, 9].map((i) => `C${at(i + 1)} ${at(i + 2)} ${at(i + 3)}`).join('')}Z`
}
