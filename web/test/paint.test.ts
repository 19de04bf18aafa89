import { beforeEach, describe, expect, it, vi } from 'vitest'
import type { Scene } from '@/api/client'
import { paintHand, paintTray, type Shadows } from '@/tray/paint'
import type { Sprite } from '@/tray/sprites'

const scene: Scene = {
  places: [],
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
        { e: 0, use: 'olive', x: 10, y: 20, turn: 90, shift: 2 },
        { e: 1, use: 'fig', x: 60, y: 70, turn: 0, shift: 4 },
      ],
    },
    { pieces: [] },
    { pieces: [{ e: 0, use: 'olive', x: 12, y: 22, turn: 0, shift: 3 }] },
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

  it('puts the shadows of a band under its pieces, above the band below', () => {
    paintTray(tray.on, scene, view, 'board' as never, sprite, () => false, shadows)
    expect(names()).toEqual(['board', 'soft', 'olive', 'fig', 'soft', 'olive'])
    expect(tray.put[1]!.alpha).toBe(0.42)
    expect(tray.put[2]!.alpha).toBe(1)
  })
  it('puts each piece where it lies, turned, to scale', () => {
    paintTray(tray.on, scene, view, null, sprite, () => false, shadows)
    expect(tray.put[1]!.at).toEqual([0, 2, -2, 0, 48, 68])
    expect(tray.put[2]!.at).toEqual([2, 0, 0, 2, 148, 168])
  })
  it('lets shadows fall to the right and farther down, at half the scale', () => {
    paintTray(tray.on, scene, view, null, sprite, () => false, shadows)
    expect(hard.put[1]!.at).toEqual([1, 0, 0, 1, 78, 88.6])
  })
  it('leaves out what is skipped, with its shadow', () => {
    paintTray(tray.on, scene, view, null, sprite, e => e === 0, shadows)
    expect(names()).toEqual(['soft', 'fig'])
    expect(hard.put).toHaveLength(1)
  })
  it('leaves out what has no bitmap yet', () => {
    paintTray(
      tray.on,
      scene,
      view,
      null,
      use => (use === 'fig' ? undefined : sprite(use)),
      () => false,
      shadows,
    )
    expect(names()).toEqual(['soft', 'olive', 'soft', 'olive'])
  })
  it('paints all of what is in the hand, its shadow farther off', () => {
    paintHand(tray.on, scene, 0, view, sprite, shadows)
    expect(names()).toEqual(['soft', 'olive', 'olive'])
    expect(hard.put[0]!.at.slice(4)).toEqual([30, 40.9])
  })
  it('paints nothing for an element that is not there', () => {
    paintHand(tray.on, scene, 9, view, sprite, shadows)
    expect(tray.put).toEqual([])
  })
})
