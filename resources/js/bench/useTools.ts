import { number, t } from '@/words/words'
import { useBench } from '@/stores/bench'
import { useDraw } from '@/stores/draw'
import { computed, ref, watch, type Ref } from 'vue'
import { about, applied, around, combined, held, identity, inverse, rotation, scaling, translation, type Box, type Matrix, type Point } from './geometry'
import { useDragging } from './useDragging'
import { useDrawingTools } from './useDrawingTools'
import { useHand } from './useHand'
import { useNodeTool } from './useNodeTool'
import type { useSnap } from './useSnap'

/** A knob of the frame round what is chosen: where on it, 0 to 1 across and down; or the one that turns. */
export interface Knob {
  name: string
  fx: number
  fy: number
  turns?: boolean
}

export const knobs: Knob[] = [
  { name: t('top left'), fx: 0, fy: 0 }, { name: t('top'), fx: 0.5, fy: 0 }, { name: t('top right'), fx: 1, fy: 0 }, { name: t('right'), fx: 1, fy: 0.5 },
  { name: t('bottom right'), fx: 1, fy: 1 }, { name: t('bottom'), fx: 0.5, fy: 1 }, { name: t('bottom left'), fx: 0, fy: 1 }, { name: t('left'), fx: 0, fy: 0.5 },
]

/** What the pointer does on the bench with each tool of the Draw stage. Places are mm on the bench. */
export function useTools(surface: Ref<HTMLElement | null>, scale: Ref<number>, toBench: (event: { clientX: number; clientY: number }) => Point, snap: ReturnType<typeof useSnap>) {
  const bench = useBench()
  const draw = useDraw()
  const dragging = useDragging(scale)
  const hand = useHand(surface, scale, toBench, snap)
  const { said, box, draft, dragged, tryPath, hover, drag, start, one, contours, begin, release, pressed, lifted, again, far, free, tell, size } = hand
  const nodes = useNodeTool(hand)
  const drawing = useDrawingTools(hand, (event) => pieceAt(event))
  const { curve } = drawing
  const menu = ref<{ x: number; y: number; under: string[] } | null>(null)
  const showing = ref(true)

  /** The frame round what is chosen: a box, and the matrix that lays it on the bench. */
  const frame = computed<{ box: Box; turn: Matrix } | null>(() => {
    if (bench.chosen.size === 0) return null
    if (bench.detail) return { box: bench.detail.frame, turn: rotation(bench.detail.frame.turn) }
    const plain = around([...bench.chosen].map((id) => bench.byId.get(id)?.box ?? null))
    return plain ? { box: plain, turn: identity } : null
  })

  /** The upright box round what is chosen, mm; nothing where nothing is. */
  const outline = () => around([...bench.chosen].map((id) => bench.byId.get(id)?.box ?? null))

  const pieceAt = (event: { clientX: number; clientY: number }): string[] => {
    const ids: string[] = []
    for (const element of document.elementsFromPoint(event.clientX, event.clientY)) {
      const id = element.getAttribute('data-piece')
      if (id && !ids.includes(id) && bench.touchable(bench.byId.get(id))) ids.push(id)
    }
    if (ids.length > 0 || !bench.art) return ids
    // Letters are pressed by their box too: between thin strokes there is little else to hit.
    const at = toBench(event)
    const letters = bench.art.pieces.filter((piece) => piece.live?.includes('text') && bench.touchable(piece) && piece.box && at.x >= piece.box[0] && at.y >= piece.box[1] && at.x <= piece.box[0] + piece.box[2] && at.y <= piece.box[1] + piece.box[3])
    return letters.reverse().map((piece) => piece.id)
  }

  function pointerDown(event: PointerEvent) {
    menu.value = null
    if (event.button !== 0) return
    // A press beside what is typed is the end of it: it is kept.
    if (draw.typing !== null || draw.opening !== null) (document.activeElement as HTMLElement | null)?.blur()
    pressed(event)
    const at = toBench(event)
    const under = pieceAt(event)
    ;({
      arrange: () => pressArrange(event, under),
      nodes: () => nodes.pressNodes(event, at, under),
      shape: () => drawing.drawShape(event),
      curve: () => drawing.pressCurve(event, at),
      brush: () => drawing.drawBrush(event, at),
      paint: () => drawing.paint(event, at, under),
      text: () => drawing.pressText(event, at, under),
      pick: () => pickColour(under),
      measure: () => mark(event, at),
    })[draw.tool]()
  }

  function pointerMove(event: PointerEvent) {
    const at = toBench(event)
    hover.value = at
    if (drag.value) drag.value.move(at, event)
    else if (draw.tool === 'curve' || draw.tool === 'shape' || draw.tool === 'measure') {
      const caught = snap.snapped(at, scale.value, free(event))
      hover.value = curve.value?.from && event.shiftKey ? held(curve.value.from, caught) : caught
    }
  }

  function pointerUp(event: PointerEvent) {
    const done = release()
    lifted(event)
    done?.end(event)
    said.value = null
    snap.caught.value = null
  }

  function cancel() {
    if (!drag.value && !curve.value) return false
    release()
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

  // ---- Arrange
  function pressArrange(event: PointerEvent, under: string[]) {
    const more = event.shiftKey || draw.adding
    const top = under[0]
    if (again() && top && bench.byId.get(top)?.live?.includes('text')) {
      bench.choose(top, false, true)
      draw.typing = top
      return
    }
    if (again() && top) {
      // A second press at once enters the group; without one it opens the nodes.
      const piece = bench.byId.get(top)!
      const depth = bench.entered ? piece.groups.indexOf(bench.entered) + 1 : 0
      if (piece.groups[depth] !== undefined) {
        bench.entered = piece.groups[depth]!
        bench.choose(top, false)
        return
      }
    }
    const hit = under.find((id) => bench.chosen.has(id)) ?? top
    if (!hit) {
      boxSelect(event, more)
      return
    }
    const was = bench.chosen.has(hit)
    if (!was) bench.choose(hit, more)
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
        let step = { x: at.x - start.value.x, y: at.y - start.value.y }
        if (moving.shiftKey) step = Math.abs(step.x) > Math.abs(step.y) ? { x: step.x, y: 0 } : { x: 0, y: step.y }
        if (whole) {
          const more = snap.boxSnapped({ ...whole, left: whole.left + step.x, top: whole.top + step.y }, scale.value, free(moving), ids)
          step = { x: step.x + more.x, y: step.y + more.y }
        }
        matrix = translation(step.x, step.y)
        dragging.show(matrix)
        tell(at, moving.altKey ? t('across {x}, down {y}, a copy', { x: size(step.x), y: size(step.y) }) : t('across {x}, down {y}', { x: size(step.x), y: size(step.y) }))
      },
      end(ending) {
        showing.value = true
        if (begun) {
          draw.lastTransform = matrix
          dragging.settle((taken) => bench.draw({ kind: 'transform', pieces: [...ids], matrix, copies: ending.altKey }, ending.altKey, taken))
        } else if (was && more) bench.choose(hit, true)
        else if (was && bench.chosen.size > 1) bench.choose(top ?? hit, false)
      },
    })
  }

  function boxSelect(event: PointerEvent, more: boolean) {
    const before = more ? new Set(bench.chosen) : new Set<string>()
    begin(event, {
      move(at) {
        box.value = { left: Math.min(at.x, start.value.x), top: Math.min(at.y, start.value.y), width: Math.abs(at.x - start.value.x), height: Math.abs(at.y - start.value.y) }
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
    const middle = draw.pivot ?? applied(turn, { x: area.left + area.width / 2, y: area.top + area.height / 2 })
    const own = applied(turn, { x: area.left + knob.fx * area.width, y: area.top + knob.fy * area.height })
    const taken = toBench(event)
    const off = { x: taken.x - own.x, y: taken.y - own.y }
    let matrix: Matrix = identity
    let begun = false
    begin(event, {
      move(at, moving) {
        if (!begun) {
          if (!far(moving)) return
          begun = true
          showing.value = false
          dragging.begin(surface.value, ids)
        }
        if (knob.turns) {
          const from = Math.atan2(start.value.y - middle.y, start.value.x - middle.x)
          let angle = ((Math.atan2(at.y - middle.y, at.x - middle.x) - from) * 180) / Math.PI
          if (moving.shiftKey) angle = Math.round(angle / 15) * 15
          matrix = about(middle, rotation(angle))
          tell(at, t('turn {angle}°', { angle: number((((angle + 540) % 360) - 180), 1, 1) }))
        } else {
          // Where it was taken may lie beside its place: on a small piece knobs stand off.
          const to = applied(back, snap.snapped({ x: at.x - off.x, y: at.y - off.y }, scale.value, free(moving), ids))
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
          tell(at, t('{width} wide, {height} high', { width: size(Math.abs(area.width * sx)), height: size(Math.abs(area.height * sy)) }))
        }
        dragging.show(matrix)
      },
      end() {
        showing.value = true
        if (!begun) return
        draw.lastTransform = matrix
        dragging.settle((taken) => bench.draw({ kind: 'transform', pieces: [...ids], matrix, strokes: draw.strokesScale }, false, taken))
      },
    })
    event.stopPropagation()
  }

  /** The centre of turning is carried to where it is wanted; a double press takes it back to the middle. */
  const pivot = computed(() => {
    const held = frame.value
    return held ? (draw.pivot ?? applied(held.turn, { x: held.box.left + held.box.width / 2, y: held.box.top + held.box.height / 2 })) : null
  })
  function grabPivot(event: PointerEvent) {
    if (event.button !== 0) return
    pressed(event)
    event.stopPropagation()
    if (again()) {
      draw.pivot = null
      return
    }
    const from = pivot.value!
    const taken = toBench(event)
    begin(event, {
      move(at, moving) {
        if (!far(moving)) return
        const to = snap.snapped({ x: from.x + at.x - taken.x, y: from.y + at.y - taken.y }, scale.value, free(moving))
        draw.pivot = to
        tell(at, t('turns about {x}, {y}', { x: size(to.x), y: size(to.y) }))
      },
      end: () => undefined,
    })
  }
  watch(() => [...bench.chosen].join(' '), () => (draw.pivot = null))

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
        const end = moving.shiftKey ? held(start.value, to) : to
        draw.marks = [start.value.x, start.value.y, end.x, end.y]
        tell(to, t('{long} now', { long: size(Math.hypot(end.x - start.value.x, end.y - start.value.y)) }))
      },
      end: () => undefined,
    })
  }

  /** A knob of an adjustable shape: asks the core for the true outcome while it is dragged. */
  function grabValue(event: PointerEvent, knob: string, says: string, from: Point | null = null) {
    const id = one.value?.id
    // With Alt a press goes through to what lies beneath.
    if (!id || event.button !== 0 || event.altKey) return
    event.stopPropagation()
    let now: Record<string, unknown> | null = null
    const taken = toBench(event)
    // Taken by a grip that stands off, it moves by as much as the grip does.
    const off = from ? { x: taken.x - from.x, y: taken.y - from.y } : { x: 0, y: 0 }
    begin(event, {
      move(at, moving) {
        if (now === null && !far(moving)) return
        now = { kind: 'knob', pieces: [id], knob, x: at.x - off.x, y: at.y - off.y }
        tell(at, says)
        bench.tried(now).then((would) => {
          if (!would?.pieces[0] || !drag.value) return
          tryPath.value = would.pieces[0].d
          tell(at, would.reading ?? says)
        })
      },
      end() {
        if (now) bench.draw(now).finally(() => (tryPath.value = null))
      },
    })
  }

  /** Any other thing that is dragged along the bench. */
  function grab(event: PointerEvent, move: (at: Point, event: PointerEvent) => string, end: () => unknown) {
    if (event.button !== 0) return
    pressed(event)
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

  /** Let go where the page does not hear of it, a drag is taken back whole. */
  function lost(event: PointerEvent) {
    if (drag.value && event.buttons === 0 && hand.isHeldBy(event)) cancel()
  }

  function contextMenu(event: MouseEvent) {
    event.preventDefault()
    const under = pieceAt(event)
    if (under[0] && !under.some((id) => bench.chosen.has(id))) bench.choose(under[0], false)
    menu.value = { x: event.clientX, y: event.clientY, under }
  }

  const cursor = computed(() => ({ arrange: 'default', nodes: 'default', shape: 'crosshair', curve: 'crosshair', brush: 'crosshair', text: 'text', paint: 'crosshair', pick: 'copy', measure: 'crosshair' })[draw.tool])

  watch(() => draw.tool, () => {
    // A tool that is taken is for the art, not for what is compared.
    if (['wipe', 'step', 'file', 'sheet'].includes(bench.view.kind)) bench.show({ kind: 'source' })
    curve.value = null
    draft.value = ''
  })

  return {
    scale, outline, nudged: nodes.nudged, keepNudged: nodes.keepNodes,
    said, box, draft, curve, contours, one, frame, pivot, grabPivot, tryPath, menu, showing, cursor, hover, rubber: drawing.rubber, pending: drawing.pending,
    pointerDown, pointerMove, pointerUp, cancel, lost, grabKnob, grabValue, grab, contextMenu,
    grabNode: nodes.grabNode, grabHandle: nodes.grabHandle, chosenNodes: nodes.chosenNodes, endCurve: drawing.endCurve, addShape: drawing.addShape, addText: drawing.addText,
  }
}
