// Renders SVG from standard input to PNG on standard output: a second renderer that we did not write.
import { Resvg } from '@resvg/resvg-js'
import { readFileSync, writeSync } from 'node:fs'

const fonts = new URL('../../fonts', import.meta.url).pathname
const font = { fontDirs: [fonts], loadSystemFonts: false, defaultFontFamily: 'DejaVu Sans', sansSerifFamily: 'DejaVu Sans', serifFamily: 'DejaVu Serif', monospaceFamily: 'DejaVu Sans Mono' }
const [width, ground] = process.argv.slice(2)
const png = new Resvg(readFileSync(0, 'utf8'), { fitTo: { mode: 'width', value: Number(width) }, background: ground, font }).render().asPng()
for (let at = 0; at < png.length;) at += writeSync(1, png, at)
