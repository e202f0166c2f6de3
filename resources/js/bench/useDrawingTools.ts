import { t } from '@/words/words'
import { useBench } from '@/stores/bench'
import { useChoices } from '@/stores/choices'
import { useTold } from '@/stores/told'
import { useDraw } from '@/stores/draw'
import { computed, ref, watch } from 'vue'
import { held, pathOf, type Point } from './geometry'
import type { Hand } from './useHand'

/** A line that is being drawn: where it goes on from, and where it would close. */
interface Growing {
  id: string | null
  from: Point | null
  out: Point | null
  first: Point | null
  firstOut: Point | null
  contour: number
  end: boolean
}

/** D1, D2, D8, D9: what is new on the bench - shapes, curves, brush lines, letters. */
export function useDrawingTools({ surface, scale, toBench, snap, box, draft, hover, drag, one, begin, again, far, free, tell, size }: Hand, pieceAt: (event: { clientX: number; clientY: number }) => string[]) {
  const bench = useBench()
  const draw = useDraw()
  const choices = useChoices()
  const told = useTold()
  const curve = ref<Growing | null>(null)
  /** Stretches that were pressed and are on their way. */
  const pending = ref<string[]>([])

  /** What the drawer says is what the next piece gets. Where that is nothing at all, a line shows where it is. */
  const paints = () => ({ fill: draw.fill, line: draw.fill === 'none' && draw.line === 'none' ? '#26231d' : draw.line, lineWidth: draw.lineWidth, side: draw.side, layer: draw.layer })

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
        tell(at, draw.shape === 'line' ? t('{long} long', { long: size(Math.hypot(w, h)) }) : t('{width} wide, {height} high', { width: size(box.value.width), height: size(box.value.height) }))
      },
      end(ending) {
        const area = box.value
        box.value = null
        if (!area || !far(ending)) {
          // A press alone lays nothing by chance: it takes two.
          if (twice) bench.draw({ kind: 'draw-shape', shape: draw.shape, ...values, x: from.x, y: from.y, ...shapePaints() }, true)
          return
        }
        const width = draw.shape === 'line' ? line[0] * (ending.altKey ? 2 : 1) : Math.max(0.01, area.width)
        const height = draw.shape === 'line' ? line[1] * (ending.altKey ? 2 : 1) : Math.max(0.01, area.height)
        bench.draw({ kind: 'draw-shape', shape: draw.shape, ...values, width, height, x: area.left + area.width / 2, y: area.top + area.height / 2, ...shapePaints() }, true)
      },
    })
    const twice = again()
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
        // What the server has yet to draw is shown meanwhile: quick presses are never behind.
        const drawn = pathOf(coords, false)
        pending.value = [...pending.value, drawn]
        const seen = () => (pending.value = pending.value.filter((one) => one !== drawn))
        if (now.id === null) {
          bench.draw({ kind: 'draw-line', coords, closed: false, ...paints() }, true).finally(seen).then((changes) => {
            if (curve.value && changes?.pieces[0]) curve.value.id = changes.pieces[0].id
            else if (!changes) curve.value = null
          })
        } else {
          // The piece may be waiting for its name: the queue gives it in time.
          const id = now.id
          const fields = () => ({ kind: 'continue-line', piece: id === 'waiting' ? [...bench.chosen][0] : id, contour: now.contour, end: now.end, coords, closed: closes, ...(closes ? paints() : {}) })
          bench.draw(fields).finally(seen).then((changes) => {
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
    if (!now?.id || drag.value || pending.value.length > 0) return
    const piece = detail?.details.find((one) => one.id === now.id)
    const contour = piece?.contours[now.contour]
    if (!contour || contour.closed) return
    const last = contour.coords.length - 2
    const [x, y] = now.end ? [contour.coords[last]!, contour.coords[last + 1]!] : [contour.coords[0]!, contour.coords[1]!]
    if (now.from && Math.hypot(now.from.x - x, now.from.y - y) > 1e-6 && !bench.busy) Object.assign(now, { from: { x, y }, out: null })
  })

  function drawBrush(event: PointerEvent, at: Point) {
    const points = [at.x, at.y]
    /** Of a pen that tells it, how hard it is pressed at each place. */
    const pressures = [event.pressure]
    const pressed = event.pointerType === 'pen' && draw.byPressure
    begin(event, {
      move(to, moving) {
        const all = typeof moving.getCoalescedEvents === 'function' ? moving.getCoalescedEvents() : []
        for (const [place, pressure] of all.length > 0 ? all.map((one) => [toBench(one), one.pressure] as const) : [[to, moving.pressure] as const]) {
          if (Math.hypot(place.x - points[points.length - 2]!, place.y - points[points.length - 1]!) * scale.value <= 1.5) continue
          points.push(place.x, place.y)
          pressures.push(pressure)
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
          .draw({ kind: 'brush-line', points, ...(pressed ? { pressures } : {}), smoothing: draw.smoothing, profile: draw.profile, lineWidth: draw.brushWidth, line: draw.line === 'none' ? '#26231d' : draw.line, layer: draw.layer }, true)
          .finally(() => {
            if (draft.value === wait) draft.value = ''
          })
      },
    })
  }

  /** What is seen of chosen pieces, by a soft brush. With none chosen the press chooses. */
  function paint(event: PointerEvent, at: Point, under: string[]) {
    if (bench.chosen.size === 0) {
      if (under[0]) bench.choose(under[0], false, true)
      else told.tell(t('Choose what is to be painted on first.'))
      return
    }
    const points = [at.x, at.y]
    const stroke = (wait: string) => bench.draw({ kind: 'paint-clip', pieces: [...bench.chosen], points, ...draw.soft['paint-clip'] }).finally(() => {
      if (draft.value === wait) draft.value = ''
    })
    begin(event, {
      move(to) {
        if (Math.hypot(to.x - points[points.length - 2]!, to.y - points[points.length - 1]!) * scale.value <= 2) return
        points.push(to.x, to.y)
        draft.value = `M${points.join(' ')}`
      },
      end() {
        // A press alone is a dab.
        if (points.length < 4) points.push(at.x + 0.01, at.y)
        stroke(draft.value)
      },
    })
  }

  /** Letters in the middle of what is seen: for whoever works by keyboard. */
  async function addText() {
    const area = surface.value!.getBoundingClientRect()
    const at = toBench({ clientX: area.left + area.width / 2, clientY: area.top + area.height / 2 })
    await bench.draw({ kind: 'text', ...lettered(), align: 'middle', ...at, fill: draw.fill === 'none' ? '#26231d' : draw.fill, line: 'none', layer: draw.layer }, true)
    draw.use('arrange')
  }

  /** The line that was pressed, or lies just beside: letters stand on the side of it that was pressed. */
  function lineNear(event: PointerEvent, under: string[]): string | undefined {
    const line = (id: string) => !bench.byId.get(id)?.live?.includes('text')
    const at = under.find(line)
    if (at) return at
    for (const reach of [6, 12, 18]) {
      for (let k = 0; k < 12; k++) {
        const near = pieceAt({ clientX: event.clientX + reach * Math.cos((k * Math.PI) / 6), clientY: event.clientY + reach * Math.sin((k * Math.PI) / 6) }).find(line)
        if (near) return near
      }
    }
    return undefined
  }
  /** Letters as the drawer says; of size and height of capitals that which was said last. */
  function lettered() {
    const { capitals, ...rest } = draw.text
    return capitals === null ? rest : { ...rest, size: undefined, capitals }
  }

  function pressText(event: PointerEvent, at: Point, under: string[]) {
    const to = snap.snapped(at, scale.value, free(event))
    const letters = under.find((id) => bench.byId.get(id)?.live?.includes('text'))
    if (letters && !draw.onLine) {
      // Letters that lie there already are typed on.
      draw.use('arrange')
      bench.choose(letters, false, true)
      draw.typing = letters
      return
    }
    const target = draw.onLine ? lineNear(event, under) : undefined
    if (draw.onLine && !target) return told.tell(t('No line lies there. Press a line, or just beside it.'))
    const colour = draw.fill === 'none' ? '#26231d' : draw.fill
    draw.use('arrange')
    draw.opening = { ...to, edit: { kind: 'text', ...lettered(), ...(target ? { align: 'middle', along: target, pressed: true } : {}), x: target ? at.x : to.x, y: target ? at.y : to.y, fill: colour, line: 'none', layer: draw.layer } }
  }

  const rubber = computed(() => {
    const now = curve.value
    if (!now?.from || draft.value || draw.tool !== 'curve') return ''
    return pathOf([now.from.x, now.from.y, now.out?.x ?? now.from.x, now.out?.y ?? now.from.y, hover.value.x, hover.value.y, hover.value.x, hover.value.y], false)
  })

  return { curve, pending, rubber, drawShape, addShape, pressCurve, endCurve, drawBrush, paint, pressText, addText }
}
