import type { NodeContour, PieceDetail } from '@/api/types'
import { useBench } from '@/stores/bench'
import { useChoices } from '@/stores/choices'
import { useDraw } from '@/stores/draw'
import { inUnit } from '@/units'
import { computed, ref, shallowRef, watch, type Ref } from 'vue'
import { about, applied, around, combined, cubicAt, held, identity, inverse, nearestOn, pathOf, rotation, scaling, translation, type Box, type Matrix, type Point } from './geometry'
import { useDragging } from './useDragging'
import type { useSnap } from './useSnap'

/** A knob of the frame round what is chosen: where on it, 0 to 1 across and down; or the one that turns. */
export interface Knob {
  name: string
  fx: number
  fy: number
  turns?: boolean
}

export const knobs: Knob[] = [
  { name: 'top left', fx: 0, fy: 0 }, { name: 'top', fx: 0.5, fy: 0 }, { name: 'top right', fx: 1, fy: 0 }, { name: 'right', fx: 1, fy: 0.5 },
  { name: 'bottom right', fx: 1, fy: 1 }, { name: 'bottom', fx: 0.5, fy: 1 }, { name: 'bottom left', fx: 0, fy: 1 }, { name: 'left', fx: 0, fy: 0.5 },
]

interface Drag {
  move: (at: Point, event: PointerEvent) => void
  end: (event: PointerEvent) => void
}

/** What the pointer does on the bench with each tool of the Draw stage. Places are mm on the bench. */
export function useTools(surface: Ref<HTMLElement | null>, scale: Ref<number>, toBench: (event: { clientX: number; clientY: number }) => Point, snap: ReturnType<typeof useSnap>) {
  const bench = useBench()
  const draw = useDraw()
  const choices = useChoices()
  const dragging = useDragging(scale)
  const said = ref<{ at: Point; text: string } | null>(null)
  const box = ref<Box | null>(null)
  const draft = ref<string>('')
  /** Contours as they lie while nodes are dragged. */
  const dragged = shallowRef<NodeContour[] | null>(null)
  const tryPath = ref<string | null>(null)
  const menu = ref<{ x: number; y: number; under: string[] } | null>(null)
  const curve = ref<{ id: string | null; from: Point | null; out: Point | null; first: Point | null; firstOut: Point | null; contour: number; end: boolean } | null>(null)
  const hover = ref<Point>({ x: 0, y: 0 })
  const showing = ref(true)
  let drag: Drag | null = null
  let start: Point = { x: 0, y: 0 }
  let startEvent: PointerEvent | null = null
  let lastPress = { x: 0, y: 0, time: 0, id: '' }

  const size = (mm: number) => inUnit(mm, bench.job?.unit ?? 'mm')
  const one = computed<PieceDetail | null>(() => (bench.detail?.details.length === 1 ? bench.detail.details[0]! : null))
  const contours = computed<NodeContour[]>(() => dragged.value ?? one.value?.contours ?? [])

  /** The frame round what is chosen: a box, and the matrix that lays it on the bench. */
  const frame = computed<{ box: Box; turn: Matrix } | null>(() => {
    if (bench.chosen.size === 0) return null
    if (bench.detail) return { box: bench.detail.frame, turn: rotation(bench.detail.frame.turn) }
    const plain = around([...bench.chosen].map((id) => bench.byId.get(id)?.box ?? null))
    return plain ? { box: plain, turn: identity } : null
  })

  const free = (event: PointerEvent) => event.ctrlKey || event.metaKey
  const pieceAt = (event: { clientX: number; clientY: number }): string[] => {
    const ids: string[] = []
    for (const element of document.elementsFromPoint(event.clientX, event.clientY)) {
      const id = element.getAttribute('data-piece')
      if (id && !ids.includes(id) && bench.touchable(bench.byId.get(id))) ids.push(id)
    }
    return ids
  }

  function tell(at: Point, text: string) {
    said.value = { at, text }
  }

  function begin(event: PointerEvent, next: Drag) {
    drag = next
    start = toBench(event)
    startEvent = event
    surface.value?.setPointerCapture(event.pointerId)
    // What lies under the pointer does not matter while something is dragged: among thousands it is costly to ask.
    surface.value?.classList.add('at-work')
  }

  function pointerDown(event: PointerEvent) {
    menu.value = null
    if (event.button !== 0) return
    const at = toBench(event)
    const under = pieceAt(event)
    ;({
      arrange: () => pressArrange(event, under),
      nodes: () => pressNodes(event, at, under),
      shape: () => drawShape(event),
      curve: () => pressCurve(event, at),
      brush: () => drawBrush(event, at),
      text: () => pressText(event, at, under),
      pick: () => pickColour(under),
      measure: () => mark(event, at),
      gradient: () => pressArrange(event, under),
    })[draw.tool]()
  }

  function pointerMove(event: PointerEvent) {
    const at = toBench(event)
    hover.value = at
    if (drag) drag.move(at, event)
    else if (draw.tool === 'curve' || draw.tool === 'shape' || draw.tool === 'measure') {
      const caught = snap.snapped(at, scale.value, free(event))
      hover.value = curve.value?.from && event.shiftKey ? held(curve.value.from, caught) : caught
    }
  }

  function pointerUp(event: PointerEvent) {
    const done = drag
    drag = null
    surface.value?.classList.remove('at-work')
    done?.end(event)
    said.value = null
    snap.caught.value = null
  }

  function cancel() {
    if (!drag && !curve.value) return false
    drag = null
    surface.value?.classList.remove('at-work')
    dragging.end()
    box.value = null
    draft.value = ''
    dragged.value = null
    tryPath.value = null
    said.value = null
    curve.value = null
    snap.caught.value = null
    showing.value = true
    return true
  }

  const far = (event: PointerEvent) => startEvent !== null && Math.hypot(event.clientX - startEvent.clientX, event.clientY - startEvent.clientY) > 3

  // ---- Arrange
  function pressArrange(event: PointerEvent, under: string[]) {
    const more = event.shiftKey
    const top = under[0]
    const now = performance.now()
    const again = now - lastPress.time < 350 && Math.hypot(event.clientX - lastPress.x, event.clientY - lastPress.y) < 4
    lastPress = { x: event.clientX, y: event.clientY, time: now, id: top ?? '' }
    if (again && top) {
      // A second press at once enters the group; without one it opens the nodes.
      const piece = bench.byId.get(top)!
      const depth = bench.entered ? piece.groups.indexOf(bench.entered) + 1 : 0
      if (piece.groups[depth] !== undefined) {
        bench.entered = piece.groups[depth]!
        bench.choose(top, false)
        return
      }
    }
    if (event.altKey && under.length > 0) {
      // What lies beneath what is chosen; from the lowest round to the uppermost.
      const at = under.findIndex((id) => bench.chosen.has(id))
      bench.choose(under[(at + 1) % under.length]!, false)
      return
    }
    const hit = under.find((id) => bench.chosen.has(id)) ?? top
    if (!hit) {
      boxSelect(event, more)
      return
    }
    const was = bench.chosen.has(hit)
    if (!was || more) bench.choose(hit, more)
    if (more && was) return
    let matrix: Matrix = identity
    let begun = false
    const ids = new Set(bench.chosen)
    const whole = around([...ids].map((id) => bench.byId.get(id)?.box ?? null))
    begin(event, {
      move(at, moving) {
        if (!begun && !far(moving)) return
        if (!begun) {
          begun = true
          showing.value = false
          dragging.begin(surface.value, ids)
        }
        let step = { x: at.x - start.x, y: at.y - start.y }
        if (moving.shiftKey) step = Math.abs(step.x) > Math.abs(step.y) ? { x: step.x, y: 0 } : { x: 0, y: step.y }
        if (whole) {
          const more = snap.boxSnapped({ ...whole, left: whole.left + step.x, top: whole.top + step.y }, scale.value, free(moving), ids)
          step = { x: step.x + more.x, y: step.y + more.y }
        }
        matrix = translation(step.x, step.y)
        dragging.show(matrix)
        tell(at, `across ${size(step.x)}, down ${size(step.y)}${moving.altKey ? ', a copy' : ''}`)
      },
      end(ending) {
        showing.value = true
        if (begun) {
          draw.lastTransform = matrix
          dragging.settle(bench.draw({ kind: 'transform', pieces: [...ids], matrix, copies: ending.altKey }, ending.altKey))
        } else if (was && !more && bench.chosen.size > 1) bench.choose(top ?? hit, false)
      },
    })
  }

  function boxSelect(event: PointerEvent, more: boolean) {
    const before = more ? new Set(bench.chosen) : new Set<string>()
    begin(event, {
      move(at) {
        box.value = { left: Math.min(at.x, start.x), top: Math.min(at.y, start.y), width: Math.abs(at.x - start.x), height: Math.abs(at.y - start.y) }
      },
      end(ending) {
        const area = box.value
        box.value = null
        if (!area || !far(ending)) {
          if (!more) bench.chooseNone()
          return
        }
        const inside = bench.art!.pieces.filter((piece) => bench.touchable(piece) && piece.box && piece.box[0] >= area.left && piece.box[1] >= area.top && piece.box[0] + piece.box[2] <= area.left + area.width && piece.box[1] + piece.box[3] <= area.top + area.height)
        bench.chosen = new Set([...before, ...inside.flatMap((piece) => bench.together(piece.id))])
      },
    })
  }

  function grabKnob(event: PointerEvent, knob: Knob) {
    const held = frame.value
    if (!held || event.button !== 0) return
    const ids = new Set(bench.chosen)
    const { box: area, turn } = held
    const back = inverse(turn)
    const middle = applied(turn, { x: area.left + area.width / 2, y: area.top + area.height / 2 })
    let matrix: Matrix = identity
    let begun = false
    begin(event, {
      move(at, moving) {
        if (!begun) {
          begun = true
          showing.value = false
          dragging.begin(surface.value, ids)
        }
        if (knob.turns) {
          const from = Math.atan2(start.y - middle.y, start.x - middle.x)
          let angle = ((Math.atan2(at.y - middle.y, at.x - middle.x) - from) * 180) / Math.PI
          if (moving.shiftKey) angle = Math.round(angle / 15) * 15
          matrix = about(middle, rotation(angle))
          tell(at, `turn ${(((angle + 540) % 360) - 180).toFixed(1)}°`)
        } else {
          const to = applied(back, snap.snapped(at, scale.value, free(moving), ids))
          const centred = moving.altKey
          const anchor = { x: area.left + (centred ? 0.5 : 1 - knob.fx) * area.width, y: area.top + (centred ? 0.5 : 1 - knob.fy) * area.height }
          const knobAt = { x: area.left + knob.fx * area.width, y: area.top + knob.fy * area.height }
          let sx = knob.fx === 0.5 || area.width < 1e-6 ? 1 : (to.x - anchor.x) / (knobAt.x - anchor.x)
          let sy = knob.fy === 0.5 || area.height < 1e-6 ? 1 : (to.y - anchor.y) / (knobAt.y - anchor.y)
          if (moving.shiftKey || draw.keepRatio) {
            const same = knob.fx === 0.5 ? sy : knob.fy === 0.5 ? sx : Math.abs(sx) > Math.abs(sy) ? sx : sy
            sx = sy = same
          }
          if (Math.abs(sx) < 1e-4) sx = 1e-4
          if (Math.abs(sy) < 1e-4) sy = 1e-4
          matrix = combined(turn, about(anchor, scaling(sx, sy)), back)
          tell(at, `${size(Math.abs(area.width * sx))} wide, ${size(Math.abs(area.height * sy))} high`)
        }
        dragging.show(matrix)
      },
      end() {
        showing.value = true
        if (!begun) return
        draw.lastTransform = matrix
        dragging.settle(bench.draw({ kind: 'transform', pieces: [...ids], matrix, strokes: draw.strokesScale }))
      },
    })
    event.stopPropagation()
  }

  // ---- Nodes
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
    bench.tried(ask).then((pieces) => {
      if (pieces?.[0] && dragged.value) tryPath.value = pieces[0].d
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
          const now = performance.now()
          if (now - lastPress.time < 350 && Math.hypot(event.clientX - lastPress.x, event.clientY - lastPress.y) < 4) {
            bench.draw({ kind: 'add-node', piece: piece.id, segments: [[k, hit.segment]], t: hit.t })
            return
          }
          lastPress = { x: event.clientX, y: event.clientY, time: now, id: piece.id }
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
        box.value = { left: Math.min(to.x, start.x), top: Math.min(to.y, start.y), width: Math.abs(to.x - start.x), height: Math.abs(to.y - start.y) }
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
        step = { x: to.x - start.x, y: to.y - start.y }
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
        tell(at, `across ${size(step.x)}, down ${size(step.y)}`)
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
        let to = { x: from.x + at.x - start.x, y: from.y + at.y - start.y }
        if (moving.shiftKey) to = held(from, to)
        to = snap.snapped(to, scale.value, free(moving), new Set([piece.id]))
        step = { x: to.x - from.x, y: to.y - from.y }
        tell(at, `${size(to.x)}, ${size(to.y)}`)
        showContours(movedNodes(piece.contours, step), fields())
      },
      end: () => begun && keepNodes(fields()),
    })
  }

  function movedNodes(list: NodeContour[], step: Point): NodeContour[] {
    const next = structured(list)
    for (const [k, node] of chosenNodes()) {
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
        tell(to, `${size(Math.hypot(at.x - centre.x, at.y - centre.y))} long, ${((Math.atan2(at.y - centre.y, at.x - centre.x) * 180) / Math.PI).toFixed(1)}°`)
        showContours(next, fields())
      },
      end: () => begun && keepNodes(fields()),
    })
  }

  // ---- Drawing
  const paints = () => ({ fill: draw.fill, line: draw.line, lineWidth: draw.lineWidth, layer: draw.layer })

  function drawShape(event: PointerEvent) {
    const from = snap.snapped(toBench(event), scale.value, free(event))
    const kind = choices.all.shapes.find((one) => one.kind === draw.shape)
    const values = { ...Object.fromEntries(kind?.fields.map((field) => [field.name, field.usual]) ?? []), ...draw.shapeValues[draw.shape] }
    begin(event, {
      move(at, moving) {
        const to = snap.snapped(at, scale.value, free(moving))
        let [w, h] = [to.x - from.x, to.y - from.y]
        if (moving.shiftKey) {
          if (draw.shape === 'line') ({ x: w, y: h } = { x: held(from, to).x - from.x, y: held(from, to).y - from.y })
          else {
            const side = Math.max(Math.abs(w), Math.abs(h))
            ;[w, h] = [side * (w < 0 ? -1 : 1), side * (h < 0 ? -1 : 1)]
          }
        }
        const centred = moving.altKey
        box.value = { left: centred ? from.x - w : Math.min(from.x, from.x + w), top: centred ? from.y - h : Math.min(from.y, from.y + h), width: Math.abs(w) * (centred ? 2 : 1), height: Math.abs(h) * (centred ? 2 : 1) }
        line = [w, h]
        tell(at, draw.shape === 'line' ? `${size(Math.hypot(w, h))} long` : `${size(box.value.width)} wide, ${size(box.value.height)} high`)
      },
      end(ending) {
        const area = box.value
        box.value = null
        if (!area || !far(ending)) {
          bench.draw({ kind: 'draw-shape', shape: draw.shape, ...values, x: from.x, y: from.y, ...shapePaints() }, true)
          return
        }
        const width = draw.shape === 'line' ? line[0] * (ending.altKey ? 2 : 1) : Math.max(0.01, area.width)
        const height = draw.shape === 'line' ? line[1] * (ending.altKey ? 2 : 1) : Math.max(0.01, area.height)
        bench.draw({ kind: 'draw-shape', shape: draw.shape, ...values, width, height, x: area.left + area.width / 2, y: area.top + area.height / 2, ...shapePaints() }, true)
      },
    })
    let line = [0, 0] as [number, number]
  }
  const shapePaints = () => (draw.shape === 'line' ? { ...paints(), fill: 'none', line: draw.line === 'none' ? draw.fill : draw.line } : paints())

  /** The chosen shape in the middle of what is seen: for whoever draws by keyboard. */
  function addShape() {
    const kind = choices.all.shapes.find((one) => one.kind === draw.shape)
    const values = { ...Object.fromEntries(kind?.fields.map((field) => [field.name, field.usual]) ?? []), ...draw.shapeValues[draw.shape] }
    const area = surface.value!.getBoundingClientRect()
    const at = toBench({ clientX: area.left + area.width / 2, clientY: area.top + area.height / 2 })
    bench.draw({ kind: 'draw-shape', shape: draw.shape, ...values, x: at.x, y: at.y, ...shapePaints() }, true)
  }

  function pressCurve(event: PointerEvent, raw: Point) {
    let at = snap.snapped(raw, scale.value, free(event))
    const now = curve.value
    if (now?.from && event.shiftKey) at = held(now.from, at)
    const reach = 9 / scale.value
    if (!now) {
      // Beginning on an end of the chosen open line goes on from there.
      const piece = one.value
      for (const [k, contour] of (piece?.contours ?? []).entries()) {
        const last = contour.coords.length - 2
        for (const end of [true, false]) {
          const [x, y] = end ? [contour.coords[last]!, contour.coords[last + 1]!] : [contour.coords[0]!, contour.coords[1]!]
          if (!contour.closed && Math.hypot(x - at.x, y - at.y) < reach) {
            const [fx, fy] = end ? [contour.coords[0]!, contour.coords[1]!] : [contour.coords[last]!, contour.coords[last + 1]!]
            curve.value = { id: piece!.id, from: { x, y }, out: null, first: { x: fx, y: fy }, firstOut: null, contour: k, end }
            return
          }
        }
      }
      curve.value = { id: null, from: at, out: null, first: at, firstOut: null, contour: 0, end: true }
      begin(event, {
        move(to, moving) {
          const out = moving.shiftKey ? held(at, to) : to
          if (far(moving) && curve.value) Object.assign(curve.value, { out, firstOut: out })
        },
        end: () => undefined,
      })
      return
    }
    const closes = now.first !== null && Math.hypot(now.first.x - at.x, now.first.y - at.y) < reach && (now.id !== null || now.from !== now.first)
    if (closes) at = now.first!
    let handle: Point | null = null
    begin(event, {
      move(to, moving) {
        if (!far(moving)) return
        handle = moving.shiftKey ? held(at, to) : to
        const into = { x: 2 * at.x - handle.x, y: 2 * at.y - handle.y }
        draft.value = pathOf([now.from!.x, now.from!.y, now.out?.x ?? now.from!.x, now.out?.y ?? now.from!.y, into.x, into.y, at.x, at.y], false)
        tell(to, `${size(at.x)}, ${size(at.y)}`)
      },
      end() {
        draft.value = ''
        const from = now.from!
        const out = now.out ?? from
        const into = handle ? { x: 2 * at.x - handle.x, y: 2 * at.y - handle.y } : closes && now.firstOut ? { x: 2 * at.x - now.firstOut.x, y: 2 * at.y - now.firstOut.y } : at
        const coords = [from.x, from.y, out.x, out.y, into.x, into.y, at.x, at.y]
        const straight = out === from && into === at
        if (Math.hypot(at.x - from.x, at.y - from.y) < 1e-4 && straight) return
        curve.value = closes ? null : { ...now, from: at, out: handle, id: now.id ?? 'waiting' }
        if (now.id === null) {
          const strokes = { ...paints(), fill: closes ? draw.fill : 'none', line: draw.line === 'none' ? '#26231d' : draw.line }
          bench.draw({ kind: 'draw-line', coords, closed: false, ...strokes }, true).then((changes) => {
            if (curve.value && changes?.pieces[0]) curve.value.id = changes.pieces[0].id
            else if (!changes) curve.value = null
          })
        } else {
          // The piece may be waiting for its name: the queue gives it in time.
          const id = now.id
          const fields = () => ({ kind: 'continue-line', piece: id === 'waiting' ? [...bench.chosen][0] : id, contour: now.contour, end: now.end, coords, closed: closes, ...(closes ? paints() : {}) })
          bench.draw(fields).then((changes) => {
            if (!changes) curve.value = null
          })
        }
      },
    })
  }
  function endCurve() {
    curve.value = null
    draft.value = ''
  }
  watch(
    () => bench.state?.history.number,
    (now, before) => {
      // Undone: the line goes on from where it ends now.
      if (curve.value && now !== undefined && before !== undefined && now < before) {
        const id = curve.value.id
        if (!id || !bench.byId.has(id)) curve.value = null
      }
    },
  )
  watch(() => bench.detail, (detail) => {
    const now = curve.value
    if (!now?.id || drag) return
    const piece = detail?.details.find((one) => one.id === now.id)
    const contour = piece?.contours[now.contour]
    if (!contour || contour.closed) return
    const last = contour.coords.length - 2
    const [x, y] = now.end ? [contour.coords[last]!, contour.coords[last + 1]!] : [contour.coords[0]!, contour.coords[1]!]
    if (now.from && Math.hypot(now.from.x - x, now.from.y - y) > 1e-6 && !bench.busy) Object.assign(now, { from: { x, y }, out: null })
  })

  function drawBrush(event: PointerEvent, at: Point) {
    const points = [at.x, at.y]
    begin(event, {
      move(to, moving) {
        const all = typeof moving.getCoalescedEvents === 'function' ? moving.getCoalescedEvents() : []
        for (const place of all.length > 0 ? all.map(toBench) : [to]) {
          if (Math.hypot(place.x - points[points.length - 2]!, place.y - points[points.length - 1]!) * scale.value > 1.5) points.push(place.x, place.y)
        }
        draft.value = `M${points.join(' ')}`
      },
      end() {
        const wait = draft.value
        if (points.length < 4) {
          draft.value = ''
          return
        }
        bench
          .draw({ kind: 'brush-line', points, smoothing: draw.smoothing, profile: draw.profile, lineWidth: draw.brushWidth, line: draw.line === 'none' ? '#26231d' : draw.line, layer: draw.layer }, true)
          .finally(() => {
            if (draft.value === wait) draft.value = ''
          })
      },
    })
  }

  async function pressText(event: PointerEvent, at: Point, under: string[]) {
    const to = snap.snapped(at, scale.value, free(event))
    const target = under.find((id) => !bench.byId.get(id)?.live?.includes('text'))
    const along = target && !event.altKey ? { along: target } : {}
    const colour = draw.fill === 'none' ? '#26231d' : draw.fill
    await bench.draw({ kind: 'text', ...draw.text, ...(target && !event.altKey ? { align: 'middle' } : {}), x: to.x, y: to.y, ...along, fill: colour, line: 'none', layer: draw.layer }, true)
    draw.use('arrange')
  }

  function pickColour(under: string[]) {
    const piece = bench.byId.get(under[0] ?? '')
    const colour = piece?.fill ?? piece?.stroke?.colour
    if (!colour) return
    if (bench.chosen.size > 0) bench.draw({ kind: 'fill', pieces: [...bench.chosen], colour })
    draw.fill = colour
  }

  function mark(event: PointerEvent, at: Point) {
    draw.marks = [at.x, at.y, at.x, at.y]
    begin(event, {
      move(to, moving) {
        const end = moving.shiftKey ? held(start, to) : to
        draw.marks = [start.x, start.y, end.x, end.y]
        tell(to, `${size(Math.hypot(end.x - start.x, end.y - start.y))} now`)
      },
      end: () => undefined,
    })
  }

  /** A knob of an adjustable shape: asks the core for the true outcome while it is dragged. */
  function grabValue(event: PointerEvent, values: (at: Point) => Record<string, number>) {
    const id = one.value?.id
    // With Alt a press goes through to what lies beneath.
    if (!id || event.button !== 0 || event.altKey) return
    event.stopPropagation()
    let now: Record<string, number> | null = null
    begin(event, {
      move(at) {
        now = values(at)
        tell(at, Object.entries(now).map(([name, value]) => `${one.value?.shape?.fields.find((field) => field.name === name)?.label ?? name} ${value.toFixed(2)}`)[0] ?? '')
        bench.tried({ kind: 'shape-values', pieces: [id], ...now }).then((pieces) => {
          if (pieces?.[0] && drag) tryPath.value = pieces[0].d
        })
      },
      end() {
        if (now) bench.draw({ kind: 'shape-values', pieces: [id], ...now }).finally(() => (tryPath.value = null))
      },
    })
  }

  /** Any other thing that is dragged along the bench. */
  function grab(event: PointerEvent, move: (at: Point, event: PointerEvent) => string, end: () => unknown) {
    if (event.button !== 0) return
    event.stopPropagation()
    let begun = false
    begin(event, {
      move(at, moving) {
        begun = true
        tell(at, move(snap.snapped(at, scale.value, free(moving)), moving))
      },
      end: () => begun && end(),
    })
  }

  function contextMenu(event: MouseEvent) {
    event.preventDefault()
    const under = pieceAt(event)
    if (under[0] && !under.some((id) => bench.chosen.has(id))) bench.choose(under[0], false)
    const area = surface.value!.getBoundingClientRect()
    menu.value = { x: Math.min(event.clientX - area.left, area.width - 210), y: Math.min(event.clientY - area.top, Math.max(0, area.height - 330)), under }
  }

  const cursor = computed(() => ({ arrange: 'default', nodes: 'default', shape: 'crosshair', curve: 'crosshair', brush: 'crosshair', text: 'text', pick: 'copy', measure: 'crosshair', gradient: 'default' })[draw.tool])

  const rubber = computed(() => {
    const now = curve.value
    if (!now?.from || draft.value || draw.tool !== 'curve') return ''
    return pathOf([now.from.x, now.from.y, now.out?.x ?? now.from.x, now.out?.y ?? now.from.y, hover.value.x, hover.value.y, hover.value.x, hover.value.y], false)
  })

  watch(() => draw.tool, () => {
    curve.value = null
    draft.value = ''
  })

  return {
    said, box, draft, rubber, curve, contours, one, frame, tryPath, menu, showing, cursor, hover,
    pointerDown, pointerMove, pointerUp, cancel, grabKnob, grabNode, grabHandle, grabValue, grab, endCurve, contextMenu, addShape, chosenNodes, keepNodes, cubicAt,
  }
}
