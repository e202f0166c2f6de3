import { number, t as say } from '@/words/words'
import type { NodeContour, PieceDetail } from '@/api/types'
import { useBench } from '@/stores/bench'
import { useDraw } from '@/stores/draw'
import { held, nearestOn, pathOf, type Point } from './geometry'
import type { Hand } from './useHand'

/** D3: nodes, handles and segments under the pointer. */
export function useNodeTool({ scale, snap, box, dragged, tryPath, start, one, begin, again, far, free, tell, size }: Hand) {
  const bench = useBench()
  const draw = useDraw()

  const key = (contour: number, node: number) => `${contour} ${node}`
  const chosenNodes = () => [...draw.nodes].map((one) => one.split(' ').map(Number) as [number, number])
  const live = () => (bench.byId.get(one.value?.id ?? '')?.live?.length ?? 0) > 0

  /** While a drag lasts the line is drawn here; what mirrors or repeats it is asked of the core. */
  function showContours(next: NodeContour[], ask: Record<string, unknown>) {
    dragged.value = next
    if (!live()) {
      tryPath.value = next.map((contour) => pathOf(contour.coords, contour.closed)).join('')
      return
    }
    bench.tried(ask).then((would) => {
      if (would?.pieces[0] && dragged.value) tryPath.value = would.pieces[0].d
    })
  }

  async function keepNodes(fields: Record<string, unknown>) {
    await bench.draw(fields)
    dragged.value = null
    tryPath.value = null
  }

  function pressNodes(event: PointerEvent, at: Point, under: string[]) {
    const piece = one.value
    const reach = 7 / scale.value
    if (piece?.editable) {
      for (const [k, contour] of piece.contours.entries()) {
        const hit = nearestOn(contour.coords, at)
        if (hit.distance < reach) {
          if (again()) {
            bench.draw({ kind: 'add-node', piece: piece.id, segments: [[k, hit.segment]], t: hit.t })
            return
          }
          draw.segment = key(k, hit.segment)
          if (!event.shiftKey) draw.nodes = new Set()
          bend(event, piece, k, hit.segment, hit.t)
          return
        }
      }
    }
    const top = under[0]
    if (top && !(bench.chosen.size === 1 && bench.chosen.has(top))) {
      draw.nodes = new Set()
      draw.segment = null
      bench.choose(top, false, true)
      return
    }
    // A box chooses nodes.
    const before = event.shiftKey ? new Set(draw.nodes) : new Set<string>()
    begin(event, {
      move(to) {
        box.value = { left: Math.min(to.x, start.value.x), top: Math.min(to.y, start.value.y), width: Math.abs(to.x - start.value.x), height: Math.abs(to.y - start.value.y) }
      },
      end(ending) {
        const area = box.value
        box.value = null
        draw.segment = null
        if (!area || !far(ending)) {
          if (draw.nodes.size === 0 && !top) bench.chooseNone()
          draw.nodes = new Set()
          return
        }
        const next = before
        for (const [k, contour] of (one.value?.contours ?? []).entries()) {
          const count = (contour.coords.length - 2) / 6 + (contour.closed ? 0 : 1)
          for (let i = 0; i < count; i++) {
            const [x, y] = [contour.coords[6 * i]!, contour.coords[6 * i + 1]!]
            if (x >= area.left && x <= area.left + area.width && y >= area.top && y <= area.top + area.height) next.add(key(k, i))
          }
        }
        draw.nodes = next
      },
    })
  }

  function bend(event: PointerEvent, piece: PieceDetail, k: number, segment: number, t: number) {
    let step = { x: 0, y: 0 }
    let begun = false
    begin(event, {
      move(at, moving) {
        if (!begun && !far(moving)) return
        begun = true
        const to = snap.snapped(at, scale.value, free(moving), new Set([piece.id]))
        step = { x: to.x - start.value.x, y: to.y - start.value.y }
        const next = structured(piece.contours)
        const c = next[k]!.coords
        const i = 6 * segment
        if (c[i + 2] === c[i] && c[i + 3] === c[i + 1] && c[i + 4] === c[i + 6] && c[i + 5] === c[i + 7]) {
          for (const axis of [0, 1]) {
            const d = (c[i + 6 + axis]! - c[i + axis]!) / 3
            c[i + 2 + axis] = c[i + axis]! + d
            c[i + 4 + axis] = c[i + 6 + axis]! - d
          }
        }
        const [b1, b2] = [3 * (1 - t) ** 2 * t, 3 * (1 - t) * t * t]
        const whole = b1 * b1 + b2 * b2
        c[i + 2]! += (step.x * b1) / whole
        c[i + 3]! += (step.y * b1) / whole
        c[i + 4]! += (step.x * b2) / whole
        c[i + 5]! += (step.y * b2) / whole
        tell(at, say('across {x}, down {y}', { x: size(step.x), y: size(step.y) }))
        showContours(next, fields())
      },
      end: () => begun && keepNodes(fields()),
    })
    const fields = () => ({ kind: 'bend-segment', piece: piece.id, segments: [[k, segment]], t, x: step.x, y: step.y })
  }

  const structured = (list: NodeContour[]): NodeContour[] => list.map((contour) => ({ ...contour, coords: [...contour.coords] }))

  function grabNode(event: PointerEvent, k: number, node: number) {
    const piece = one.value
    if (!piece || event.button !== 0) return
    event.stopPropagation()
    draw.segment = null
    const name = key(k, node)
    if (event.shiftKey) {
      const next = new Set(draw.nodes)
      if (next.has(name)) next.delete(name)
      else next.add(name)
      draw.nodes = next
      return
    }
    if (!draw.nodes.has(name)) draw.nodes = new Set([name])
    let step = { x: 0, y: 0 }
    let begun = false
    const own = piece.contours[k]!.coords
    const from = { x: own[6 * node]!, y: own[6 * node + 1]! }
    const fields = () => ({ kind: 'move-nodes', piece: piece.id, nodes: chosenNodes(), x: step.x, y: step.y })
    begin(event, {
      move(at, moving) {
        if (!begun && !far(moving)) return
        begun = true
        let to = { x: from.x + at.x - start.value.x, y: from.y + at.y - start.value.y }
        if (moving.shiftKey) to = held(from, to)
        to = snap.snapped(to, scale.value, free(moving), new Set([piece.id]))
        step = { x: to.x - from.x, y: to.y - from.y }
        tell(at, `${size(to.x)}, ${size(to.y)}`)
        showContours(movedNodes(piece.contours, step), fields())
      },
      end: () => begun && keepNodes(fields()),
    })
  }

  /** Nodes as they lie after so many presses of an arrow, which are not kept yet. */
  function nudged(nodes: [number, number][], x: number, y: number) {
    const piece = one.value
    if (piece) showContours(movedNodes(piece.contours, { x, y }, nodes), { kind: 'move-nodes', piece: piece.id, nodes, x, y })
  }

  function movedNodes(list: NodeContour[], step: Point, nodes = chosenNodes()): NodeContour[] {
    const next = structured(list)
    for (const [k, node] of nodes) {
      const contour = next[k]
      if (!contour) continue
      const c = contour.coords
      const was = list[k]!.coords
      const n = (c.length - 2) / 6
      const into = node > 0 ? node - 1 : contour.closed ? n - 1 : -1
      const shift = (i: number) => {
        c[i]! += step.x
        c[i + 1]! += step.y
      }
      shift(6 * node)
      if (contour.closed && node === 0) shift(6 * n)
      if (node < n) shift(6 * node + 2)
      if (into >= 0) shift(6 * into + 4)
      for (const segment of [into, node < n ? node : -1]) {
        const i = 6 * segment
        if (segment >= 0 && was[i + 2] === was[i] && was[i + 3] === was[i + 1] && was[i + 4] === was[i + 6] && was[i + 5] === was[i + 7]) {
          ;[c[i + 2], c[i + 3], c[i + 4], c[i + 5]] = [c[i]!, c[i + 1]!, c[i + 6]!, c[i + 7]!]
        }
      }
    }
    return next
  }

  function grabHandle(event: PointerEvent, k: number, node: number, out: boolean) {
    const piece = one.value
    if (!piece || event.button !== 0) return
    event.stopPropagation()
    const contour = piece.contours[k]!
    const kind = contour.kinds[node]!
    const n = (contour.coords.length - 2) / 6
    const into = node > 0 ? node - 1 : contour.closed ? n - 1 : -1
    const own = out ? 6 * node + 2 : 6 * into + 4
    const other = out ? (into >= 0 ? 6 * into + 4 : -1) : node < n ? 6 * node + 2 : -1
    let at = { x: 0, y: 0 }
    let loose = false
    let begun = false
    const fields = () => ({ kind: 'move-handle', piece: piece.id, nodes: [[k, node]], out, x: at.x, y: at.y, free: loose })
    begin(event, {
      move(to, moving) {
        begun = true
        loose = moving.altKey
        const c = structured(piece.contours)[k]!.coords
        const centre = { x: c[6 * node]!, y: c[6 * node + 1]! }
        at = moving.shiftKey ? held(centre, to) : to
        ;[c[own], c[own + 1]] = [at.x, at.y]
        if (!loose && kind !== 'corner' && other >= 0) {
          const long = Math.hypot(at.x - centre.x, at.y - centre.y)
          const length = kind === 'even' ? long : Math.hypot(c[other]! - centre.x, c[other + 1]! - centre.y)
          if (long > 1e-6) [c[other], c[other + 1]] = [centre.x - ((at.x - centre.x) / long) * length, centre.y - ((at.y - centre.y) / long) * length]
        }
        const next = structured(piece.contours)
        next[k] = { ...contour, coords: c }
        tell(to, say('{long} long, {angle}°', { long: size(Math.hypot(at.x - centre.x, at.y - centre.y)), angle: number((Math.atan2(at.y - centre.y, at.x - centre.x) * 180) / Math.PI, 1, 1) }))
        showContours(next, fields())
      },
      end: () => begun && keepNodes(fields()),
    })
  }

  return { pressNodes, grabNode, grabHandle, chosenNodes, nudged, keepNodes }
}
