import { beforeEach, describe, expect, it, vi } from 'vitest'
import type { Scene } from '@/api/client'
import { changed, laidOut, paintHand, paintTray, type Part, type Shadows } from '@/tray/paint'
import { keyOf } from '@/tray/given'
import type { Sprite } from '@/tray/sprites'

const scene: Scene = {
  places: [],
  beside: [],
  box: [-14, -14, 428, 328],
  board: '',
  drawings: {
    olive: { svg: '', shade: 'M-9 0L9 0L0 9Z', box: [-10, -10, 20, 20] },
    fig: { svg: '', shade: 'M-22 0L22 0L0 22Z', box: [-25, -25, 50, 50] },
  },
  defs: {},
  bands: [
    {
      pieces: [
        { e: 0, p: 0, use: 'olive', x: 10, y: 20, turn: 90, shift: 2 },
        { e: 1, p: 0, use: 'fig', x: 60, y: 70, turn: 0, shift: 4 },
      ],
    },
    { pieces: [] },
    { pieces: [{ e: 0, p: 1, use: 'olive', x: 12, y: 22, turn: 0, shift: 3 }] },
  ],
}

type Put = { what: unknown; at: number[]; alpha: number }
/** A canvas that notes what is put on it, and where. */
function canvas(name: string) {
  const put: Put[] = []
  let at: number[] = []
  const on = {
    canvas: { width: 856, height: 656, name },
    globalAlpha: 1,
    setTransform: (...m: number[]) => (at = m.map(v => Math.round(v * 100) / 100 || 0)),
    clearRect: () => undefined,
    save: () => undefined,
    restore: () => undefined,
    beginPath: () => undefined,
    rect: () => undefined,
    clip: () => undefined,
    drawImage: (what: unknown) => put.push({ what, at, alpha: on.globalAlpha }),
    fill: (what: unknown) => put.push({ what, at, alpha: on.globalAlpha }),
  }
  return { on: on as unknown as CanvasRenderingContext2D, put }
}
const sprite = (use: string) => ({ sheet: use, from: [0, 0, 1, 1], to: [0, 0, 1, 1] }) as unknown as Sprite
const view = { x: -14, y: -14, scale: 2 }

describe('painting a tray', () => {
  let tray: ReturnType<typeof canvas>
  let hard: ReturnType<typeof canvas>
  let shadows: Shadows
  beforeEach(() => {
    vi.stubGlobal(
      'Path2D',
      class {
        constructor(readonly d: string) {}
      },
    )
    tray = canvas('tray')
    hard = canvas('hard')
    shadows = { hard: hard.on, soft: canvas('soft').on }
  })
  const names = () => tray.put.map(p => (p.what as { name?: string }).name ?? p.what)

  const all = () => false
  const paint = (board: unknown, skip: (e: number) => boolean, part?: Part) =>
    paintTray(tray.on, scene, laidOut(scene, skip, null), view, board as never, sprite, shadows, part)

  it('puts the shadows of a band under its pieces, above the band below', () => {
    paint('board', all)
    expect(names()).toEqual(['board', 'soft', 'olive', 'fig', 'soft', 'olive'])
    expect(tray.put[1]!.alpha).toBe(0.42)
    expect(tray.put[2]!.alpha).toBe(1)
  })
  it('puts each piece where it lies, turned, to scale', () => {
    paint(null, all)
    expect(tray.put[1]!.at).toEqual([0, 2, -2, 0, 48, 68])
    expect(tray.put[2]!.at).toEqual([2, 0, 0, 2, 148, 168])
  })
  it('lets shadows fall to the right and farther down, at half the scale', () => {
    paint(null, all)
    expect(hard.put[1]!.at).toEqual([1, 0, 0, 1, 78, 88.6])
  })
  it('leaves out what is skipped, with its shadow', () => {
    paint(null, e => e === 0)
    expect(names()).toEqual(['soft', 'fig'])
    expect(hard.put).toHaveLength(1)
  })
  it('leaves out what has no bitmap yet', () => {
    const some = (use: string) => (use === 'fig' ? undefined : sprite(use))
    paintTray(tray.on, scene, laidOut(scene, all, null), view, null, some, shadows)
    expect(names()).toEqual(['soft', 'olive', 'soft', 'olive'])
  })
  it('paints all of what is in the hand, its shadow farther off', () => {
    paintHand(tray.on, scene, [0], view, sprite, shadows)
    expect(names()).toEqual(['soft', 'olive', 'olive'])
    expect(hard.put[0]!.at.slice(4)).toEqual([30, 40.9])
  })
  it('paints nothing for an element that is not there', () => {
    paintHand(tray.on, scene, [9], view, sprite, shadows)
    expect(tray.put).toEqual([])
  })

  it('paints anew only round what lies otherwise', () => {
    const was = laidOut(scene, all, null)
    expect(changed(scene, was, laidOut(scene, all, null), view)).toBeNull()
    const now = laidOut(scene, all, new Map([[keyOf(1, 0), { x: 80, y: 70, turn: 15 }]]))
    const part = changed(scene, was, now, view)!
    // the fig where it lay and where it lies, with what its shadow reaches: 25 mm across a corner and 13.7
    expect(part.x).toBeGreaterThan(0)
    expect(part.x).toBeLessThanOrEqual((60 - 25 + 14) * 2)
    expect(part.x + part.w).toBeGreaterThanOrEqual((80 + 25 + 14) * 2)
    expect(part.w % 2).toBe(0)
    paint('board', all, { x: 600, y: 400, w: 100, h: 100 })
    expect(names()).toEqual(['board']) // no piece reaches there
    tray.put.length = 0
    paint('board', all, part)
    expect(names()).toContain('fig')
  })
})
