import { describe, expect, it } from 'vitest'
import { bent, boxOf, freeId, handles, stretched, withoutPoint, withPoint, type Pt } from '@/tray/outline'

const box: Pt[] = [
  [0, 0],
  [400, 0],
  [400, 200],
  [0, 200],
]
const round = (n: number): Pt[] =>
  Array.from({ length: n }, (_, i) => [
    200 + 200 * Math.cos((2 * Math.PI * i) / n),
    200 + 200 * Math.sin((2 * Math.PI * i) / n),
  ])

describe('an edge under the hand', () => {
  it('moves one point alone', () => {
    const o = bent(box, 2, 10, -5, 0)
    expect(o[2]).toEqual([410, 195])
    expect([o[0], o[1], o[3]]).toEqual([box[0], box[1], box[3]])
  })
  it('takes neighbours along, the less the farther they are', () => {
    const was = round(64)
    const o = bent(was, 0, 20, 0, 70)
    const moved = o.map((p, i) => p[0] - was[i]![0])
    expect(moved[0]).toBeCloseTo(20, 0)
    expect(moved[1]!).toBeGreaterThan(moved[2]!)
    expect(moved[2]!).toBeGreaterThan(1)
    expect(moved[1]).toBeCloseTo(moved[63]!, 0)
    expect(Math.abs(moved[32]!)).toBeLessThan(0.1)
  })
  it('gains a point in the middle of an edge, and loses one, but keeps three', () => {
    expect(withPoint(box, 1)[2]).toEqual([400, 100])
    expect(withPoint(box, 3)[4]).toEqual([0, 100])
    expect(withoutPoint(box, 0)).toHaveLength(3)
    expect(withoutPoint(box.slice(0, 3), 0)).toHaveLength(3)
  })
  it('is stretched to its sides', () => {
    expect(boxOf(stretched(round(64), 500, 300))).toEqual([0, 0, 500, 300])
  })
  it('gets a handle at each of a few points, and evenly spread ones on many', () => {
    expect(handles(box)).toEqual([0, 1, 2, 3])
    const h = handles(round(200))
    expect(h.length).toBeGreaterThan(22)
    expect(h.length).toBeLessThanOrEqual(27)
  })
})

describe('an id of a name', () => {
  it('is small letters and hyphens, and free', () => {
    expect(freeId('Grandmother’s board, large', 'board', () => false)).toBe('grandmother-s-board-large')
    expect(freeId('Ø', 'board', () => false)).toBe('board')
    expect(freeId('Cup', 'bowl', id => ['cup', 'cup-2'].includes(id))).toBe('cup-3')
  })
})
