// Pictures traced by a general library, for what is told beside our own. Stands in a row of "width height file-of-RGBA colours" on standard input; prints for
// each the CPU in ms and the SVG's file.
import { readFileSync, writeFileSync } from 'node:fs'
import { createInterface } from 'node:readline'
import tracer from 'imagetracerjs'

for await (const line of createInterface({ input: process.stdin })) {
  const [width, height, file, colours] = line.split(' ')
  const data = new Uint8ClampedArray(readFileSync(file))
  const before = process.cpuUsage()
  const svg = tracer.imagedataToSVG({ width: Number(width), height: Number(height), data }, { numberofcolors: Number(colours), colorsampling: 2, viewbox: true })
  const spent = process.cpuUsage(before)
  writeFileSync(`${file}.svg`, svg)
  console.log(`${Math.round((spent.user + spent.system) / 1000)} ${file}.svg`)
}
