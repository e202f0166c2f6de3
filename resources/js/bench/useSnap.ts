import { t as say } from '@/words/words'
import { api } from '@/api/client'
import type { Piece, Snaps } from '@/api/types'
import { useBench } from '@/stores/bench'
import { useDraw } from '@/stores/draw'
import { ref, shallowRef, watch } from 'vue'
import type { Point } from './geometry'

export interface Caught {
  x: number
  y: number
  /** What was snapped to, in words. */
  name: string
}

const CELL = 5
/** px within which a place is caught */
const REACH = 9

/** Snapping to what the core says there is: nodes, midpoints, centres, crossings, edges, guides, the page and the grid. */
export function useSnap() {
  const bench = useBench()
  const draw = useDraw()
  const caught = ref<Caught | null>(null)
  const cells = shallowRef(new Map<string, Snaps['points']>())
  const edges = shallowRef<Record<string, number[][]>>({})
  /** Cells in which a piece has places, so that those of one piece can be taken out again. */
  let places = new Map<string, Set<string>>()
  /** The pieces as they were when their places were asked for. */
  let known = new Map<string, Piece>()
  let from = 0
  let asking: AbortController | null = null

  function lay(answer: Snaps) {
    for (const point of answer.points) {
      const cell = `${Math.floor(point[0] / CELL)} ${Math.floor(point[1] / CELL)}`
      const list = cells.value.get(cell)
      if (list) list.push(point)
      else cells.value.set(cell, [point])
      for (const id of point[3].split(' ')) {
        const own = places.get(id)
        if (own) own.add(cell)
        else places.set(id, new Set([cell]))
      }
    }
    edges.value = { ...edges.value, ...answer.edges }
  }
  function lift(ids: Set<string>) {
    for (const id of ids) {
      for (const cell of places.get(id) ?? []) cells.value.set(cell, (cells.value.get(cell) ?? []).filter((point) => !point[3].split(' ').some((one) => ids.has(one))))
      places.delete(id)
    }
    const left = { ...edges.value }
    for (const id of ids) delete left[id]
    edges.value = left
  }

  /** Asks for the places of what changed since; of all where that is much, or another job. */
  async function load() {
    const job = bench.job
    const now = bench.byId
    if (!job || now === known) return
    const same = from === job.id && known.size > 0
    const changed = same ? [...now.values()].filter((piece) => known.get(piece.id) !== piece).map((piece) => piece.id) : []
    const gone = same ? [...known.keys()].filter((id) => !now.has(id)) : []
    if (same && changed.length + gone.length === 0) return
    asking?.abort()
    asking = new AbortController()
    try {
      const some = same && changed.length < 200 && changed.length < now.size / 2
      const answer = !some ? await api.get<Snaps>(`jobs/${job.id}/snaps`, asking.signal) : changed.length > 0 ? await api.post<Snaps>(`jobs/${job.id}/snaps`, { pieces: changed }, asking.signal) : { points: [], edges: {} }
      if (some) lift(new Set([...changed, ...gone]))
      else {
        cells.value = new Map()
        places = new Map()
        edges.value = {}
      }
      lay(answer)
      ;[known, from] = [now, job.id]
    } catch {
      // Asked again with the next change.
    }
  }
  /** Whether a hand has come over the bench: who only looks needs no places to snap to. */
  const armed = ref(false)
  watch(
    () => [bench.byId, armed.value],
    () => {
      if (armed.value && draw.snap.on) window.setTimeout(load, 150)
    },
  )

  const wanted: Record<string, keyof typeof draw.snap> = { node: 'nodes', midpoint: 'midpoints', centre: 'centres', crossing: 'crossings' }

  function nameOf(kind: string, id: string): string {
    const piece = bench.byId.get(id)
    return say('{kind, select, node {node} midpoint {midpoint} centre {centre} crossing {crossing} other {{kind}}}{piece, select, none {} other { of {piece}}}', { kind, piece: piece?.called ?? 'none' })
  }

  function point(p: Point, reach: number, without: Set<string>): Caught | null {
    let best: Caught | null = null
    let least = reach
    const span = Math.min(6, Math.ceil(reach / CELL))
    for (let cx = Math.floor(p.x / CELL) - span; cx <= Math.floor(p.x / CELL) + span; cx++) {
      for (let cy = Math.floor(p.y / CELL) - span; cy <= Math.floor(p.y / CELL) + span; cy++) {
        for (const [x, y, kind, id] of cells.value.get(`${cx} ${cy}`) ?? []) {
          if (!draw.snap[wanted[kind]!] || without.has(id) || (kind === 'crossing' && id.split(' ').some((one) => without.has(one)))) continue
          const distance = Math.hypot(x - p.x, y - p.y) * (kind === 'node' ? 0.9 : 1)
          if (distance < least) {
            least = distance
            best = { x, y, name: nameOf(kind, id) }
          }
        }
      }
    }
    return best
  }

  function edge(p: Point, reach: number, without: Set<string>): Caught | null {
    let best: Caught | null = null
    let least = reach
    for (const [id, chains] of Object.entries(edges.value)) {
      const box = bench.byId.get(id)?.box
      if (without.has(id) || !box || p.x < box[0] - reach || p.y < box[1] - reach || p.x > box[0] + box[2] + reach || p.y > box[1] + box[3] + reach) continue
      for (const chain of chains) {
        for (let i = 0; i + 3 < chain.length; i += 2) {
          const [ax, ay, bx, by] = [chain[i]!, chain[i + 1]!, chain[i + 2]!, chain[i + 3]!]
          const long = (bx - ax) ** 2 + (by - ay) ** 2
          const t = long === 0 ? 0 : Math.min(1, Math.max(0, ((p.x - ax) * (bx - ax) + (p.y - ay) * (by - ay)) / long))
          const [x, y] = [ax + t * (bx - ax), ay + t * (by - ay)]
          const distance = Math.hypot(x - p.x, y - p.y)
          if (distance < least) {
            least = distance
            best = { x, y, name: say('edge of {piece}', { piece: bench.byId.get(id)?.called ?? say('a piece') }) }
          }
        }
      }
    }
    return best
  }

  /** A guide, the page or the grid near a value in one direction. */
  function line(value: number, upright: boolean, reach: number): [number, string] | null {
    const art = bench.art
    if (!art) return null
    const at: [number, string][] = []
    if (draw.snap.guides) {
      for (const guide of art.guides) if (guide.upright === upright) at.push([guide.at, 'guide'])
      const size = upright ? art.width : art.height
      at.push([0, say('edge of the page')], [size / 2, say('middle of the page')], [size, say('edge of the page')])
    }
    if (draw.snap.grid) at.push([Math.round(value / draw.grid) * draw.grid, 'grid'])
    let found: [number, string] | null = null
    for (const one of at) {
      if (Math.abs(one[0] - value) < reach) {
        reach = Math.abs(one[0] - value)
        found = one
      }
    }
    return found
  }

  const both = (a: string, b: string) => (a === b || !b ? a : a ? say('{a} and {b}', { a, b }) : b)

  function lines(p: Point, reach: number): Caught | null {
    const [x, y] = [line(p.x, true, reach), line(p.y, false, reach)]
    return x || y ? { x: x?.[0] ?? p.x, y: y?.[0] ?? p.y, name: both(x?.[1] ?? '', y?.[1] ?? '') } : null
  }

  /**
   * Where a place comes to lie.
   * @param scale px per mm
   * @param without pieces that move along
   */
  function snapped(p: Point, scale: number, free: boolean, without: Set<string> = new Set()): Point {
    caught.value = null
    if (!draw.snap.on || free) return p
    const reach = REACH / scale
    const found = point(p, reach, without) ?? lines(p, reach) ?? (draw.snap.edges ? edge(p, reach, without) : null)
    caught.value = found
    return found ?? p
  }

  /** By how much a box that moves has to move more so that one of its corners, sides or its middle snaps. */
  function boxSnapped(box: { left: number; top: number; width: number; height: number }, scale: number, free: boolean, without: Set<string>): Point {
    caught.value = null
    if (!draw.snap.on || free) return { x: 0, y: 0 }
    const reach = REACH / scale
    let best: { move: Point; caught: Caught; far: number } | null = null
    for (const fx of [0.5, 0, 1]) {
      for (const fy of [0.5, 0, 1]) {
        const p = { x: box.left + fx * box.width, y: box.top + fy * box.height }
        const found = point(p, reach, without)
        if (found) {
          const far = Math.hypot(found.x - p.x, found.y - p.y)
          if (!best || far < best.far) best = { move: { x: found.x - p.x, y: found.y - p.y }, caught: found, far }
        }
      }
    }
    if (best) {
      caught.value = best.caught
      return best.move
    }
    const move = { x: 0, y: 0 }
    for (const [axis, start, size] of [['x', box.left, box.width], ['y', box.top, box.height]] as const) {
      let least = reach
      for (const share of [0.5, 0, 1]) {
        const value = start + share * size
        const found = line(value, axis === 'x', least)
        if (found) {
          least = Math.max(1e-9, Math.abs(found[0] - value))
          move[axis] = found[0] - value
          const before: Caught = caught.value ?? { x: box.left + box.width / 2, y: box.top + box.height / 2, name: '' }
          caught.value = { ...before, [axis]: found[0], name: both(before.name, found[1]) }
        }
      }
    }
    return move
  }

  return { caught, load, armed, snapped, boxSnapped }
}
