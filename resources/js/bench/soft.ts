import type { Piece, Soft } from '@/api/types'
import { h, type VNode, type VNodeArrayChildren } from 'vue'
import GradientDef from './GradientDef.vue'

/** mm beyond its outline that a piece is drawn: its line, and as far as it is blurred. */
const beyond = (piece: Pick<Piece, 'stroke'>, edge: number) => 4 * edge + (piece.stroke ? piece.stroke.widths[1] * Math.max(1, piece.stroke.miter / 2) : 0) + 0.1

/** The room that something soft is worked out in, mm: browsers want it said. */
function room(pieces: Piece[], edge: number) {
  const boxes = pieces.map((piece) => ({ box: piece.box, by: beyond(piece, edge + (piece.soft?.edge ?? 0)) })).filter((one) => one.box !== null)
  if (boxes.length === 0) return { x: 0, y: 0, width: 1, height: 1 }
  const left = Math.min(...boxes.map(({ box, by }) => box![0] - by))
  const top = Math.min(...boxes.map(({ box, by }) => box![1] - by))
  const right = Math.max(...boxes.map(({ box, by }) => box![0] + box![2] + by))
  const bottom = Math.max(...boxes.map(({ box, by }) => box![1] + box![3] + by))
  return { x: left, y: top, width: right - left, height: bottom - top }
}

/** What was drawn, blurred, faded and seen through its clips: a group round it for each, with what it refers to. */
export function softened(drawn: VNodeArrayChildren, pieces: Piece[], soft: Soft, id: string): VNode[] {
  const defs: VNode[] = []
  const all = room(pieces, soft.edge)
  let out = drawn
  if (soft.edge > 0) {
    defs.push(h('filter', { id: `${id}-e`, filterUnits: 'userSpaceOnUse', ...all, 'color-interpolation-filters': 'sRGB' }, [h('feGaussianBlur', { stdDeviation: soft.edge })]))
    out = [h('g', { filter: `url(#${id}-e)` }, out)]
  }
  if (soft.fade) {
    defs.push(h(GradientDef, { id: `${id}-g`, gradient: soft.fade }), h('mask', { id: `${id}-d`, maskUnits: 'userSpaceOnUse', ...all }, [h('rect', { ...all, fill: `url(#${id}-g)` })]))
    out = [h('g', { mask: `url(#${id}-d)` }, out)]
  }
  soft.clips.forEach((clip, k) => {
    defs.push(h('mask', { id: `${id}-m${k}`, maskUnits: 'userSpaceOnUse', ...all }, (clip as unknown as Piece[]).flatMap((piece, i) => plain(piece, `${id}-m${k}-${i}`))))
    out = [h('g', { mask: `url(#${id}-m${k})` }, out)]
  })
  return [h('defs', defs), h('g', out)]
}

/** A piece as it is painted, soft or not, with nothing that can be pressed. */
export function plain(piece: Piece, id: string): VNode[] {
  const defs: VNode[] = []
  if (piece.fillGradient) defs.push(h(GradientDef, { id: `${id}-f`, gradient: piece.fillGradient }))
  if (piece.strokeGradient) defs.push(h(GradientDef, { id: `${id}-s`, gradient: piece.strokeGradient }))
  const line = piece.strokeGradient ? `url(#${id}-s)` : (piece.stroke?.colour ?? 'none')
  const drawn: VNode[] = []
  if (piece.picture?.href) {
    defs.push(h('clipPath', { id: `${id}-c` }, [h('path', { 'd': piece.d, 'clip-rule': piece.rule })]))
    drawn.push(h('g', { 'clip-path': `url(#${id}-c)`, 'opacity': piece.fillOpacity }, [
      h('image', { href: piece.picture.href, width: piece.picture.width, height: piece.picture.height, preserveAspectRatio: piece.picture.fit, transform: piece.picture.transform }),
    ]))
  }
  drawn.push(h('path', {
    'd': piece.d,
    'transform': piece.transform,
    'fill': piece.picture?.href ? 'none' : piece.fillGradient ? `url(#${id}-f)` : (piece.fill ?? 'none'),
    'fill-opacity': piece.fillOpacity,
    'fill-rule': piece.rule,
    'stroke': piece.outline ? 'none' : line,
    'stroke-width': piece.stroke?.width,
    'stroke-opacity': piece.stroke?.opacity,
    'stroke-linecap': piece.stroke?.cap,
    'stroke-linejoin': piece.stroke?.join,
    'stroke-miterlimit': piece.stroke?.miter,
    'stroke-dasharray': piece.stroke?.dashes || undefined,
    'stroke-dashoffset': piece.stroke?.offset,
  }))
  if (piece.outline) drawn.push(h('path', { 'd': piece.outline, 'fill': line, 'fill-opacity': piece.stroke?.opacity }))
  const body = [...(defs.length > 0 ? [h('defs', defs)] : []), ...drawn]
  return piece.soft ? softened(body, [piece], piece.soft, `${id}-o`) : body
}
