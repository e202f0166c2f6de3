// Made by `php artisan neat-edge:types` from what the edits say of themselves. Not to be changed by hand: a test compares.

export interface EditFields {
  'remove': Record<string, never>
  'move': { x?: number | string; y?: number | string }
  'transform': { matrix: number[]; strokes?: boolean; copies?: boolean }
  'place': { x?: number | string; y?: number | string; width?: number | string; height?: number | string; angle?: number | string; skew?: number | string; originX?: number | string; originY?: number | string; ratio?: boolean; strokes?: boolean; outer?: boolean }
  'flip': { way?: 'across' | 'down' }
  're-square': Record<string, never>
  'align': { edge?: 'left' | 'centre' | 'right' | 'top' | 'middle' | 'bottom'; to?: string; inside?: string }
  'distribute': { way?: 'across' | 'down'; of?: 'gaps' | 'middles'; to?: 'selection' | 'page'; by?: number | string; inside?: string }
  'copy': { x?: number | string; y?: number | string }
  'paste': { art?: unknown; x?: number | string; y?: number | string; layer?: string; fromHere?: boolean }
  'order': { to?: 'front' | 'forward' | 'back' | 'bottom' }
  'group': { name?: string }
  'ungroup': Record<string, never>
  'mark': { name?: string; hidden?: boolean; locked?: boolean; alone?: boolean }
  'draw-line': { coords: number[]; closed?: boolean; fill?: string; line?: string; lineWidth?: number | string; side?: 'centre' | 'inside' | 'outside'; layer?: string }
  'continue-line': { piece?: string; contour?: number | string; end?: boolean; coords: number[]; closed?: boolean; fill?: string; line?: string; lineWidth?: number | string; side?: 'centre' | 'inside' | 'outside'; layer?: string }
  'brush-line': { points: number[]; pressures?: number[]; profile?: 'even' | 'rise' | 'fall' | 'swell' | 'waist' | 'fold'; smoothing?: number | string; fill?: string; line?: string; lineWidth?: number | string; side?: 'centre' | 'inside' | 'outside'; layer?: string }
  'move-nodes': { piece?: string; nodes?: number[][]; x?: number | string; y?: number | string }
  'move-handle': { piece?: string; nodes?: number[][]; out?: boolean; x: number | string; y: number | string; free?: boolean }
  'bend-segment': { piece?: string; segments?: number[][]; t: number | string; x: number | string; y: number | string }
  'add-node': { piece?: string; segments?: number[][]; t?: number | string }
  'delete-nodes': { piece?: string; nodes?: number[][] }
  'node-kind': { piece?: string; nodes?: number[][]; to?: 'corner' | 'smooth' | 'even' }
  'segment-kind': { piece?: string; segments?: number[][]; to?: 'line' | 'curve' }
  'break-at': { piece?: string; nodes?: number[][]; close?: boolean }
  'delete-segment': { piece?: string; segments?: number[][] }
  'join-ends': { piece?: string; nodes?: number[][]; other?: string; near?: number | string }
  'join-lines': { near?: number | string }
  'close-line': { piece?: string }
  'reverse-line': { piece?: string }
  'draw-shape': { shape: 'rectangle' | 'ellipse' | 'polygon' | 'star' | 'heart' | 'banner' | 'drop' | 'arrow' | 'line'; x: number | string; y: number | string; width?: number | string; height?: number | string; topLeft?: number | string; topRight?: number | string; bottomRight?: number | string; bottomLeft?: number | string; start?: number | string; sweep?: number | string; inner?: number | string; ends?: 'pie' | 'arc'; sides?: number | string; round?: number | string; points?: number | string; cleft?: number | string; depth?: number | string; overlap?: number | string; tail?: number | string; notch?: number | string; head?: number | string; shaft?: number | string; fill?: string; line?: string; lineWidth?: number | string; side?: 'centre' | 'inside' | 'outside'; layer?: string }
  'shape-values': { width?: number | string; height?: number | string; topLeft?: number | string; topRight?: number | string; bottomRight?: number | string; bottomLeft?: number | string; start?: number | string; sweep?: number | string; inner?: number | string; ends?: 'pie' | 'arc'; sides?: number | string; round?: number | string; points?: number | string; cleft?: number | string; depth?: number | string; overlap?: number | string; tail?: number | string; notch?: number | string; head?: number | string; shaft?: number | string }
  'fill': { colour?: string; gradient?: { kind: 'linear' | 'radial'; stops: { at: number | string; colour: string; opacity?: number | string }[] | unknown[][]; axis: number[]; spread?: 'pad' | 'reflect' | 'repeat' }; opacity?: number | string }
  'stroke': { colour?: string; width?: number | string; cap?: 'butt' | 'round' | 'square'; join?: 'miter' | 'miter-clip' | 'round' | 'bevel'; miter?: number | string; dashes?: string; opacity?: number | string; dashOffset?: number | string; side?: 'centre' | 'inside' | 'outside'; profile?: 'even' | 'rise' | 'fall' | 'swell' | 'waist' | 'fold'; stops?: { at: number | string; width: number | string }[] | unknown[][]; use?: 'drawn' | 'cut'; start?: 'plain' | 'point' | 'barb' | 'disc' | 'bar' | 'tail'; finish?: 'plain' | 'point' | 'barb' | 'disc' | 'bar' | 'tail'; endSize?: number | string }
  'blend': { blend?: 'normal' | 'multiply' | 'screen' | 'darken' | 'lighten' }
  'recolour': { colour: string; to: string }
  'text': { text?: string; family?: string; bold?: boolean; italic?: boolean; size?: number | string; capitals?: number | string; spacing?: number | string; leading?: number | string; align?: 'start' | 'middle' | 'end'; inside?: boolean; stand?: 'above' | 'on' | 'below'; distance?: number | string; slide?: number | string; x?: number | string; y?: number | string; along?: string; pressed?: boolean; fill?: string; line?: string; lineWidth?: number | string; side?: 'centre' | 'inside' | 'outside'; layer?: string }
  'set-text': { text?: string; family?: string; bold?: boolean; italic?: boolean; size?: number | string; capitals?: number | string; spacing?: number | string; leading?: number | string; align?: 'start' | 'middle' | 'end'; inside?: boolean; stand?: 'above' | 'on' | 'below'; distance?: number | string; slide?: number | string; along?: string }
  'add-layer': { name?: string }
  'change-layer': { layer?: string; name?: string; hidden?: boolean; locked?: boolean; alone?: boolean }
  'layer-part': { layer?: string; part?: 'none' | 'ground' | 'body' | 'part' | 'place' | 'shade' | 'light'; lies?: 'flat' | 'round' | 'angle' | 'wrapped'; width?: number | string; height?: number | string; round?: number | string; below?: number | string; tall?: number | string; above?: number | string }
  'order-layer': { layer?: string; way?: 'up' | 'down' }
  'remove-layer': { layer?: string }
  'to-layer': { layer?: string }
  'guide': { guide?: string; upright?: boolean; at: number | string }
  'remove-guide': { guide?: string }
  'centre-lines': Record<string, never>
  'reference': { picture?: unknown; x?: number | string; y?: number | string; width?: number | string; strength?: number | string; hidden?: boolean; locked?: boolean; remove?: boolean }
  'true-size': { marks: number[]; length: number | string }
  'trace': { traced?: unknown; within?: string; layer?: string }
  'knob': { knob?: string; x?: number | string; y?: number | string }
  'link-copy': { x?: number | string; y?: number | string }
  'bake': Record<string, never>
  'round-corners': { piece?: string; nodes?: number[][]; radius: number | string }
  'mirror-half': { x?: number | string; y?: number | string; angle?: number | string; reach?: number | string; off?: boolean }
  'repeat': { as?: 'row' | 'grid' | 'ring'; count?: number | string; rows?: number | string; stepX?: number | string; stepY?: number | string; centreX?: number | string; centreY?: number | string; sweep?: number | string; turning?: boolean; off?: boolean }
  'clip': { by?: string }
  'release-clip': Record<string, never>
  'soften': { edge?: number | string }
  'fade': { way?: 'along' | 'outwards' | 'none'; angle?: number | string; start?: number | string; end?: number | string; from?: number | string; to?: number | string }
  'soft-clip': { edge?: number | string; fill?: boolean }
  'paint-clip': { points: number[]; does?: 'takes' | 'adds'; width?: number | string; hardness?: number | string; strength?: number | string }
  'release-soft': Record<string, never>
  'harden': { how?: 'harden' | 'outline'; level?: number | string }
  'weld': { bridge?: number | string }
  'cut-away': { knife?: string; keepKnife?: boolean; leftover?: number | string; leftovers?: 'drop' | 'neighbour' }
  'keep-overlap': { leftover?: number | string; leftovers?: 'drop' | 'neighbour' }
  'keep-difference': { leftover?: number | string; leftovers?: 'drop' | 'neighbour' }
  'split-all': { leftover?: number | string; leftovers?: 'drop' | 'neighbour' }
  'compound': Record<string, never>
  'separate': Record<string, never>
  'outline-strokes': { keep?: 'both' | 'stroke' }
  'cells': { join?: string; drop?: string; lift?: string; paint?: string; rest?: 'keep' | 'lift' | 'drop'; colours?: 'seen' | 'apart'; keepLines?: boolean; meet?: number | string; mend?: boolean; leftover?: number | string; leftovers?: 'drop' | 'neighbour' }
  'fill-enclosed': { at?: string; fill?: string; to?: 'middle' | 'edge'; islands?: 'holes' | 'over' }
  'weave': { gap?: number | string; pattern?: 'alternate' | 'upper' | 'lower'; start?: 'over' | 'under'; turn?: string; parts?: 'apart' | 'together'; leftover?: number | string; leftovers?: 'drop' | 'neighbour' }
  'part': { line?: string; along?: string; angle?: number | string; at?: string; slices?: number | string; equal?: 'extent' | 'area'; sectors?: number | string; leadOn?: boolean; smooth?: number | string; leftover?: number | string; leftovers?: 'drop' | 'neighbour' }
  'trim': { at?: string; meet?: number | string }
  'extend': { at?: string; meet?: number | string }
  'pull-apart': { by?: number | string; from?: string }
  'lift-hole': { at?: string; scale?: number | string }
  'fill-hole': { at?: string }
  'inset': { distance?: number | string; join?: 'round' | 'miter' | 'bevel'; steps?: number | string; spacing?: number | string; result?: 'replace' | 'beside' | 'band'; side?: 'both' | 'left' | 'right' }
  'outset': { distance?: number | string; join?: 'round' | 'miter' | 'bevel'; steps?: number | string; spacing?: number | string; result?: 'replace' | 'beside' | 'band'; side?: 'both' | 'left' | 'right' }
  'ring': { inner?: number | string; outer?: number | string; join?: 'round' | 'miter' | 'bevel'; steps?: number | string; spacing?: number | string; result?: 'replace' | 'beside'; side?: 'both' | 'left' | 'right' }
  'cut-border': { distance?: number | string; bridge?: number | string; dropHoles?: number | string; radius?: number | string; each?: boolean; fill?: string }
  'drop-shade': { angle?: number | string; distance?: number | string; gap?: number | string; shade?: 'sweep' | 'copy'; fill?: string; leftover?: number | string; leftovers?: 'drop' | 'neighbour' }
  'spread-behind': { by?: number | string; join?: 'round' | 'miter' | 'bevel' }
  'wrap': { shape?: 'arc' | 'arch' | 'bulge' | 'flag' | 'cone' | 'round' | 'flat' | 'net' | 'drawn'; amount?: number | string; frame?: string; round?: number | string; below?: number | string; height?: number | string; above?: number | string; turn?: number | string; across?: number | string; down?: number | string; columns?: string; rows?: string; column?: string; row?: string; smooth?: string; grid?: boolean; off?: boolean }
  'clean-nodes': { deviation?: number | string }
  'merge-by-colour': Record<string, never>
  'line-insert': { what?: string; values?: unknown; at?: number | string }
  'line-remove': { step?: string }
  'line-move': { step?: string; at?: number | string }
  'line-copy': { step?: string }
  'line-switch': { step?: string; on?: boolean }
  'line-set': { step?: string; values?: unknown }
  'line-use': { steps?: unknown }
  'line-cure': { what?: string; values?: unknown }
  'mend': { step?: string; values?: unknown; at?: string; line?: number | string; gap?: number | string; island?: number | string; hole?: number | string; colours?: number | string }
}

export type EditKind = keyof EditFields

export type FieldType = 'length' | 'angle' | 'number' | 'count' | 'share' | 'choice' | 'flag' | 'text' | 'colour' | 'piece' | 'pieces' | 'place' | 'places' | 'path' | 'nodes' | 'numbers' | 'lengths' | 'colours' | 'pairs' | 'painted' | 'group' | 'rows' | 'data'
