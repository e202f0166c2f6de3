// The same works by a general-purpose path library that keeps curves (pathkit-wasm, compiled to WebAssembly).
import { createRequire } from 'node:module'
import { readFileSync } from 'node:fs'
import { above, pieces, work, write } from './svg.mjs'

const require = createRequire(import.meta.url)
const PathKit = await require('pathkit-wasm/bin/pathkit.js')({ wasmBinary: readFileSync(require.resolve('pathkit-wasm/bin/pathkit.wasm')) })

const shapes = []
for (const piece of pieces()) {
  const path = PathKit.FromSVGString(piece.d)
  path.setFillType(piece.evenodd ? PathKit.FillType.EVENODD : PathKit.FillType.WINDING)
  if (piece.stroke !== null) {
    const { width, miter, cap, join, colour } = piece.stroke
    const line = path.copy().stroke({
      width, miter_limit: miter,
      cap: PathKit.StrokeCap[cap.toUpperCase()], join: PathKit.StrokeJoin[join.toUpperCase()],
    })
    if (piece.fill !== null) shapes.push({ path, fill: piece.fill })
    shapes.push({ path: line, fill: colour })
  } else if (piece.fill !== null) shapes.push({ path, fill: piece.fill })
}

if (work === 'visible') {
  const lists = above(shapes.map(({ path }) => { const b = path.getBounds(); return [b.fLeft, b.fTop, b.fRight, b.fBottom] }))
  write(shapes.map(({ path, fill }, i) => {
    const own = path.copy()
    for (const j of lists[i]) own.op(shapes[j].path, PathKit.PathOp.DIFFERENCE)
    return { d: own.toSVGString(), fill, rule: own.getFillTypeString() }
  }))
} else {
  // One sweep over everything: windings add up, since all shapes run the same way round. (Its builder of unions takes
  // minutes from some thousand shapes on.)
  const all = PathKit.NewPath()
  for (const { path } of shapes) all.addPath(path)
  all.setFillType(PathKit.FillType.WINDING)
  all.simplify()
  write([{ d: all.toSVGString(), fill: shapes[0].fill, rule: all.getFillTypeString() }])
}
