import { beforeEach, describe, expect, it } from 'vitest'
import type { Scene } from '@/api/client'
import { changed, laidOut, paintHand, paintTray, toTurn, type Part, type Sprites } from '@/tray/paint'
import { keyOf } from '@/tray/given'
import type { Sprite } from '@/tray/sprites'

const scene: Scene = {
  places: [],
  beside: [],
  tools: [],
  plates: [],
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

type Put = { what: unknown; at: number[]; alpha: number; to: number[] }
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
    drawImage: (what: unknown, ...to: number[]) => put.push({ what, at, alpha: on.globalAlpha, to }),
  }
  return { on: on as unknown as CanvasRenderingContext2D, put }
}
const one = [0, 0, 1, 1]
const bitmaps = new Map(
  ['olive', 'fig'].map(use => {
    const shade = { sheet: use + ' shade', from: one, to: one }
    return [use, { sheet: use, from: one, to: one, shade } as unknown as Sprite]
  }),
)
const sprite: Sprites = { of: use => bitmaps.get(use), turned: () => undefined }
const view = { x: -14, y: -14, scale: 2 }

describe('painting a tray', () => {
  let tray: ReturnType<typeof canvas>
  let shadows: ReturnType<typeof canvas>
  beforeEach(() => {
    tray = canvas('tray')
    shadows = canvas('soft')
  })
  const names = () => tray.put.map(p => (p.what as { name?: string }).name ?? p.what)

  const all = () => false
  const paint = (board: unknown, skip: (e: number) => boolean, part?: Part) =>
    paintTray(tray.on, scene, laidOut(scene, skip, null), view, board as never, sprite, shadows.on, part)

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
    expect(shadows.put[1]!.at).toEqual([1, 0, 0, 1, 78, 88.6])
  })
  it('puts what is turned already on whole px, upright', () => {
    const fig = bitmaps.get('fig')!
    const known = { picture: 'turned fig' as unknown as CanvasImageSource, x: -30, y: -20, px: 1 }
    const some: Sprites = { ...sprite, turned: (b, turn) => (b === fig && turn === 0 ? known : undefined) }
    const at = { x: -14.2, y: -13.9, scale: 2 }
    paintTray(
      tray.on,
      scene,
      laidOut(scene, e => e === 0, null),
      at,
      null,
      some,
      shadows.on,
    )
    expect(names()).toEqual(['soft', 'turned fig'])
    expect(tray.put[1]!.at).toEqual([1, 0, 0, 1, 0, 0])
    expect(tray.put[1]!.to).toEqual([Math.round(74.2 * 2) - 30, Math.round(83.9 * 2) - 20])
    const wanted = [...toTurn(laidOut(scene, all, null), 2, some)]
    expect(wanted.map(w => [w.bitmap.sheet, w.turn, w.scale])).toEqual([
      ['olive', 90, 2],
      ['olive shade', 90, 1],
      ['fig', 0, 2],
      ['fig shade', 0, 1],
      ['olive', 0, 2],
      ['olive shade', 0, 1],
    ])
  })
  it('leaves out what is skipped, with its shadow', () => {
    paint(null, e => e === 0)
    expect(names()).toEqual(['soft', 'fig'])
    expect(shadows.put).toHaveLength(1)
  })
  it('leaves out what has no bitmap yet', () => {
    const some = { ...sprite, of: (use: string) => (use === 'fig' ? undefined : bitmaps.get(use)) }
    paintTray(tray.on, scene, laidOut(scene, all, null), view, null, some, shadows.on)
    expect(names()).toEqual(['soft', 'olive', 'soft', 'olive'])
  })
  it('paints all of what is in the hand, its shadow farther off', () => {
    paintHand(tray.on, scene, [0], view, sprite, shadows.on)
    expect(names()).toEqual(['soft', 'olive', 'olive'])
    expect(shadows.put[0]!.at.slice(4)).toEqual([30, 40.9])
  })
  it('paints nothing for an element that is not there', () => {
    paintHand(tray.on, scene, [9], view, sprite, shadows.on)
    expect(tray.put).toEqual([])
  })

  describe('where something lies otherwise', () => {
    const was = laidOut(scene, all, null)
    const after = (moves: [number, number, number, number][]) =>
      laidOut(scene, all, new Map(moves.map(([e, p, x, y]) => [keyOf(e, p), { x, y, turn: 15 }])))
    const holds = (parts: Part[], x: number, y: number) =>
      parts.some(p => p.runs.some(r => x >= r.x && x < r.x + r.w && y >= r.y && y < r.y + r.h))

    it('is nothing to paint where nothing does', () => {
      expect(changed(scene, was, laidOut(scene, all, null), view)).toEqual([])
    })
    it('is painted anew round where it lay and lies, with what its shadow reaches, and nowhere else', () => {
      const parts = changed(scene, was, after([[1, 0, 80, 70]]), view)
      expect(parts).toHaveLength(1)
      // the fig's corner is 35 mm from its middle; its shadow falls 4 and 4.6 mm farther and is soft over 5.7
      expect(holds(parts, (60 + 14 - 35) * 2, (70 + 14) * 2)).toBe(true)
      expect(holds(parts, (80 + 14 + 35 + 9) * 2, (70 + 14) * 2)).toBe(true)
      expect(holds(parts, (80 + 14) * 2, (70 + 14 + 35 + 10) * 2)).toBe(true)
      expect(holds(parts, (80 + 14 + 35 + 10) * 2 + 34, (70 + 14) * 2)).toBe(false)
      for (const r of parts[0]!.runs) expect([r.x % 2, r.y % 2, r.w % 2]).toEqual([0, 0, 0])
      tray.put.length = 0
      paint('board', all, parts[0])
      expect(names()).toContain('fig')
    })
    it('is two parts where two things far from each other do, each painted by itself', () => {
      const parts = changed(scene, was, after([[0, 0, 380, 280]]), view)
      expect(parts).toHaveLength(2)
      const far = parts.find(p => holds([p], 394 * 2, 294 * 2))!
      tray.put.length = 0
      paint('board', e => e === 0, far)
      expect(names()).toEqual(['board']) // what else there is does not reach there
    })
    it('covers all that differs, wherever things go', () => {
      let seed = 7
      const random = () => (seed = (seed * 16807) % 2147483647) / 2147483647
      for (let n = 0; n < 200; n++) {
        const [x, y] = [random() * 400, random() * 300]
        const parts = changed(scene, was, after([[1, 0, x, y]]), view)
        for (const [cx, cy] of [
          [60, 70],
          [x, y],
        ] as const)
          for (let a = 0; a < 8; a++) {
            const [px, py] = [(cx + 14 + 34 * Math.cos(a)) * 2, (cy + 14 + 34 * Math.sin(a)) * 2]
            if (px > 0 && py > 0 && px < 856 && py < 656) expect(holds(parts, px, py)).toBe(true)
          }
        const met = new Set<string>() // no tile is painted twice
        for (const r of parts.flatMap(p => p.runs))
          for (let k = r.x; k < r.x + r.w; k += 32) {
            expect(met.has(`${k} ${r.y}`)).toBe(false)
            met.add(`${k} ${r.y}`)
          }
      }
    })
  })
})
