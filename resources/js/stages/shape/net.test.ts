import { describe, expect, it } from 'vitest'
import { at, fieldsOfNet, knotOf, linePath, netOf, pulledNet, spots } from './net'

/** Three lines down, two across, over 20 by 10. */
const line = (...places: [number, number][]) => places.flatMap(([x, y], k) => (k === 0 ? [x, y] : [...third(places[k - 1]!, [x, y], 1), ...third(places[k - 1]!, [x, y], 2), x, y]))
const third = (a: [number, number], b: [number, number], n: number) => [a[0] + ((b[0] - a[0]) * n) / 3, a[1] + ((b[1] - a[1]) * n) / 3]
const net = netOf(JSON.stringify({
  across: 2,
  lines: [line([0, 0], [10, 0], [20, 0]), line([0, 10], [10, 10], [20, 10]), line([0, 0], [0, 10]), line([10, 0], [10, 10]), line([20, 0], [20, 10])],
  columns: '10mm',
  rows: '',
}))!

describe('a net that is pulled', () => {
  it('has its knots on its lines across, and handles on all', () => {
    const { knots, handles } = spots(net)
    expect(knots.map((spot) => at(net, spot))).toEqual([{ x: 0, y: 0 }, { x: 10, y: 0 }, { x: 20, y: 0 }, { x: 0, y: 10 }, { x: 10, y: 10 }, { x: 20, y: 10 }])
    expect(handles).toHaveLength(2 * 4 + 3 * 2)
    expect([knotOf({ line: 0, point: 1 }), knotOf({ line: 0, point: 2 })]).toEqual([{ line: 0, point: 0 }, { line: 0, point: 3 }])
  })
  it('moves a knot on both of its lines, with its handles', () => {
    const pulled = pulledNet(net, { line: 1, point: 3 }, { x: 12, y: 14 })
    expect(at(pulled, { line: 1, point: 3 })).toEqual({ x: 12, y: 14 })
    expect(at(pulled, { line: 3, point: 3 })).toEqual({ x: 12, y: 14 })
    expect(at(pulled, { line: 1, point: 4 }).y).toBe(14)
    expect(at(pulled, { line: 3, point: 2 }).x).toBe(12)
    expect(at(pulled, { line: 1, point: 1 })).toEqual(at(net, { line: 1, point: 1 }))
    expect(pulled.lines[0]).toEqual(net.lines[0])
  })
  it('moves a handle alone', () => {
    const pulled = pulledNet(net, { line: 3, point: 1 }, { x: 15, y: 5 })
    expect(at(pulled, { line: 3, point: 1 })).toEqual({ x: 15, y: 5 })
    expect(pulled.lines.flat().filter((n, k) => n !== net.lines.flat()[k])).toHaveLength(2)
  })
  it('is told as the edit takes it', () => {
    expect(linePath([0, 0, 1, 2, 3, 4, 5, 6])).toBe('M0.0000 0.0000C1.0000 2.0000 3.0000 4.0000 5.0000 6.0000')
    const fields = fieldsOfNet(net)
    expect([fields.across, fields.down, fields.columns, fields.column]).toEqual([3, 2, '10mm', ''])
    expect(String(fields.frame).match(/M/g)).toHaveLength(5)
  })
})
