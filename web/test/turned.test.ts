import { expect, it } from 'vitest'
import type { Bitmap } from '@/tray/sprites'
import { useTurned, type Wanted } from '@/tray/turned'

const bitmap = () => ({ sheet: {}, from: [0, 0, 1, 1], to: [0, 0, 1, 1] }) as unknown as Bitmap
const [olive, fig] = [bitmap(), bitmap()]
const wanted = (...all: [Bitmap, number][]): Wanted[] =>
  all.map(([b, turn]) => ({ bitmap: b, turn, scale: 2 }))
function turned(px = 100) {
  const made: unknown[] = []
  const t = useTurned((b, turn, scale) => {
    made.push([b, turn, scale])
    return { picture: {} as CanvasImageSource, x: 0, y: 0, px }
  })
  return { ...t, made }
}
const ever = () => true

it('turns each bitmap once for each turn', () => {
  const t = turned()
  expect(t.fill(wanted([olive, 10], [olive, 20], [fig, 10], [olive, 10]), ever)).toBe(true)
  expect(t.made).toHaveLength(3)
  expect(t.find(olive, 20)).toBeDefined()
  expect(t.find(fig, 20)).toBeUndefined()
})
it('goes on later where the time is over', () => {
  const t = turned()
  let left = 2
  expect(t.fill(wanted([olive, 1], [olive, 2], [olive, 3]), () => left-- > 0)).toBe(false)
  expect(t.made).toHaveLength(2)
  expect(t.fill(wanted([olive, 1], [olive, 2], [olive, 3]), ever)).toBe(true)
  expect(t.made).toHaveLength(3)
})
it('takes no more room than it may, and lets go of what is wanted no more', () => {
  const t = turned(5_000_000)
  expect(t.fill(wanted([olive, 1], [olive, 2], [olive, 3]), ever)).toBe(true)
  expect(t.made).toHaveLength(2)
  t.keep(wanted([olive, 2], [fig, 1]))
  expect(t.find(olive, 1)).toBeUndefined()
  expect(t.find(olive, 2)).toBeDefined()
  t.fill(wanted([fig, 1], [fig, 2]), ever)
  expect([t.find(fig, 1), t.find(fig, 2)].map(Boolean)).toEqual([true, false])
})
it('turns what moves to a few degrees, once, a few in a frame, as long as there is room', () => {
  const t = turned(500_000)
  expect(t.near(olive, 10, 2)).toBeUndefined() // no frame began
  t.frame()
  const first = t.near(olive, 10, 2)
  expect(t.made).toEqual([[olive, 9, 2]])
  expect(t.near(olive, 8, 2)).toBe(first)
  for (let turn = 20; turn < 120; turn += 10) t.near(olive, turn, 2)
  expect(t.made).toHaveLength(8)
  for (let n = 0; n < 10; n++) {
    t.frame()
    for (let turn = 0; turn < 360; turn += 10) t.near(fig, turn, 2)
  }
  expect(t.made).toHaveLength(16) // 8 million px: what is over is turned while it is painted
})
