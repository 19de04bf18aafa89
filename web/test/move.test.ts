import { describe, expect, it } from 'vitest'
import type { TrayElement } from '@/api/tray.gen'
import { arrowOn, motion, moved, normalTurn, poseOf } from '@/tray/move'

const bowl = (over: Partial<TrayElement> = {}): TrayElement => ({
  id: 'honey',
  food: 'honey',
  form: 'bowl',
  category: 'dip',
  grams: 90,
  count: 1,
  vessel: 'cup',
  placed: true,
  x: 100,
  y: 50,
  turn_deg: 10,
  layer: 0,
  locked: false,
  colour: '#d99a2b',
  wetness: 'runny',
  pieces: [
    {
      outline: [
        [90, 40],
        [110, 40],
        [110, 60],
        [90, 60],
      ],
      z_mm: 0,
      height_mm: 40,
      colour: '#ffffff',
      at: [100, 50],
      turn_deg: 10,
      variant: 2,
    },
  ],
  ...over,
})

describe('turns', () => {
  it.each([
    [0, 0],
    [180, 180],
    [-90, 270],
    [360, 0],
    [370, 10],
    [-370, 350],
    [720, 0],
    [539, 179],
  ])('%d is %d', (deg, want) => {
    expect(normalTurn(deg)).toBe(want)
  })
})

describe('a rigid motion', () => {
  it('shifts without turning', () => {
    expect(motion({ x: 0, y: 0, turn: 5 }, { x: 3, y: -4, turn: 5 })([10, 10])).toEqual([13, 6])
  })
  it('turns clockwise on the screen round where the element lies', () => {
    expect(motion({ x: 10, y: 10, turn: 0 }, { x: 10, y: 10, turn: 90 })([20, 10])).toEqual([10, 20])
  })
  it('keeps every distance', () => {
    const carry = motion({ x: 3, y: 8, turn: 12 }, { x: -40, y: 77, turn: 201 })
    const a = carry([0, 0])
    const b = carry([30, 40])
    expect(Math.hypot(a[0]! - b[0]!, a[1]! - b[1]!)).toBeCloseTo(50, 1)
  })
})

describe('a moved element', () => {
  it('takes its pieces, their middles and their turns along', () => {
    const e = moved(bowl(), { x: 130, y: 45, turn: 100 })
    expect(poseOf(e)).toEqual({ x: 130, y: 45, turn: 100 })
    expect(e.pieces[0]!.at).toEqual([130, 45])
    expect(e.pieces[0]!.turn_deg).toBe(100)
    expect(e.pieces[0]!.outline[0]).toEqual([140, 35])
  })
  it('takes the path of a trail along', () => {
    expect(
      moved(
        bowl({
          path: [
            [0, 0],
            [100, 50],
          ],
        }),
        { x: 101, y: 50, turn: 10 },
      ).path,
    ).toEqual([
      [1, 0],
      [101, 50],
    ])
  })
  it('leaves the old one as it was, and comes back to it', () => {
    const e = bowl()
    const there = moved(e, { x: 7, y: 3, turn: -80 })
    expect(e).toEqual(bowl())
    const back = moved(there, poseOf(e))
    back.pieces[0]!.outline.forEach((p, i) => {
      expect(p[0]).toBeCloseTo(e.pieces[0]!.outline[i]![0]!, 1)
      expect(p[1]).toBeCloseTo(e.pieces[0]!.outline[i]![1]!, 1)
    })
  })
  it('places a piece that does not say where it lies', () => {
    const e = bowl()
    delete e.pieces[0]!.at
    delete e.pieces[0]!.turn_deg
    expect(moved(e, { x: 101, y: 50, turn: 20 }).pieces[0]).toMatchObject({ at: [101, 50], turn_deg: 10 })
  })
})

it('leads the same way on a board that is shown turned', () => {
  // a quarter to the right: what is right on the board is down on the screen
  expect(['ArrowRight', 'ArrowDown', 'ArrowLeft', 'ArrowUp'].map(k => arrowOn(true, k))).toEqual([
    'ArrowUp',
    'ArrowRight',
    'ArrowDown',
    'ArrowLeft',
  ])
  expect(arrowOn(false, 'ArrowRight')).toBe('ArrowRight')
  expect(arrowOn(true, 'l')).toBe('l')
})
