import { describe, expect, it } from 'vitest'
import type { Scene } from '@/api/client'
import { densityFor, layOut, shadeSVG, sheetSVG, useSprites } from '@/tray/sprites'

const drawing = (svg: string, side: number) => ({
  svg,
  shade: 'M0 0Z',
  box: [-side / 2, -side / 2, side, side],
})
const scene = (drawings: Scene['drawings']): Scene => ({
  places: [],
  beside: [],
  tools: [],
  plates: [],
  box: [0, 0, 100, 100],
  board: '',
  drawings,
  defs: { g1: '<linearGradient id="g1"/>', g2: '<radialGradient id="g2"/>' },
  bands: [],
})

describe('drawings laid out on sheets', () => {
  it('lie beside each other without touching, within their sheet', () => {
    const boxes = Array.from({ length: 40 }, (_, i) => [`d${i}`, [0, 0, 10 + (i % 7) * 30, 12 + i]] as const)
    const sheets = layOut(boxes, 2)
    expect(sheets.length).toBeGreaterThan(1)
    expect(sheets.flatMap(s => [...s.cells.keys()]).sort()).toEqual(boxes.map(b => b[0]).sort())
    for (const s of sheets) {
      const cells = [...s.cells.values()]
      for (const [x, y, w, h] of cells) {
        expect(x + w).toBeLessThanOrEqual(s.width)
        expect(y + h).toBeLessThanOrEqual(s.height)
      }
      cells.forEach(([x, y, w, h], i) =>
        cells.slice(i + 1).forEach(([u, v, a, b]) => {
          expect(x + w < u || u + a < x || y + h < v || v + b < y).toBe(true)
        }),
      )
    }
  })
  it('are as sharp as wanted, unless all together took too much room', () => {
    expect(densityFor([[0, 0, 100, 100]], 3)).toBe(3)
    const many = Array.from({ length: 1000 }, () => [0, 0, 200, 200])
    const d = densityFor(many, 8)
    expect(d).toBeLessThan(1)
    expect(d * d * 1000 * 200 * 200).toBeLessThanOrEqual(20_000_001)
  })
  it('bring the gradients they name, and no others', () => {
    const s = scene({ olive: drawing('<circle r="9" fill="url(#g1)"/>', 20) })
    const [sheet] = layOut([['olive', s.drawings.olive!.box]], 2)
    const svg = sheetSVG(s, sheet!, 2)
    expect(svg).toContain('id="g1"')
    expect(svg).not.toContain('id="g2"')
    expect(svg).toContain('translate(0 0) scale(2) translate(10 10)')
    expect(svg).toContain('width="40" height="40"')
  })
})

describe('shadows on a sheet', () => {
  it('are blurred over the whole room that any of them takes, each in its own cell', () => {
    const s = scene({ olive: drawing('', 20), stick: drawing('', 180) })
    const [sheet] = layOut(
      ['olive', 'stick'].map(id => [id, s.drawings[id]!.box] as const),
      1,
    )
    const svg = shadeSVG(s, sheet!, 1)
    expect(svg).toContain('x="-95.7" y="-95.7" width="191.4" height="191.4"')
    expect(svg).toContain('stdDeviation="1.9"')
    expect(svg.match(/<svg x=/g)).toHaveLength(2)
  })
})

describe('the bitmaps of a tray', () => {
  const made: string[] = []
  const make = async (svg: string) => {
    made.push(svg)
    return {} as CanvasImageSource
  }
  const on = () => true

  it('are made once, and again where the drawing or the scale is another', async () => {
    const sprites = useSprites(make)
    const one = scene({ olive: drawing('<circle r="9"/>', 20), fig: drawing('<circle r="22"/>', 50) })
    await sprites.fill(one, 2, on)
    expect(made).toHaveLength(2) // a sheet of drawings and one of shadows
    expect(sprites.missing(one, 2)).toEqual([])
    const fig = sprites.sprite(one, 'fig')!
    expect(fig.to).toEqual([-25, -25, 50, 50])
    // its shadow is soft over 5.7 mm beyond it, on half the px
    const [x, y, w, h] = fig.shade!.to
    expect([x, y]).toEqual([-30.7, -30.7])
    expect([w, h]).toEqual([62, 62]) // whole px

    const other = scene({ ...one.drawings, fig: drawing('<circle r="23"/>', 50) })
    expect(sprites.missing(other, 2)).toEqual(['fig'])
    expect(sprites.sprite(other, 'fig')).toBeUndefined()
    await sprites.fill(other, 2, on)
    expect(made.at(-1)).not.toContain('r="9"')

    expect(sprites.missing(other, 4)).toEqual(['olive', 'fig'])
    expect(sprites.sprite(other, 'olive')).toBeDefined() // soft until the sharper one is there
  })
  it('are not held for drawings that are gone', async () => {
    const sprites = useSprites(make)
    const one = scene({ olive: drawing('<circle r="9"/>', 20) })
    await sprites.fill(one, 2, on)
    await sprites.fill(scene({ fig: drawing('<circle r="22"/>', 50) }), 2, on)
    expect(sprites.sprite(one, 'olive')).toBeUndefined()
  })
  it('are made of all drawings but those that cannot be read', async () => {
    const drawings = Object.fromEntries(
      Array.from({ length: 40 }, (_, i) => [`d${i}`, drawing(i === 0 ? '<broken' : '<circle r="9"/>', 20)]),
    )
    const sprites = useSprites(async svg => {
      if (svg.includes('<broken')) throw new Error('not an image')
      return {} as CanvasImageSource
    })
    const one = scene(drawings)
    await sprites.fill(one, 2, on)
    expect(sprites.missing(one, 2)).toContain('d0')
    expect(sprites.missing(one, 2).length).toBeLessThanOrEqual(16) // its sheet, and no other
  })
  it('are left alone when something newer is wanted', async () => {
    const sprites = useSprites(make)
    const one = scene({ olive: drawing('<circle r="9"/>', 20) })
    await sprites.fill(one, 2, () => false)
    expect(sprites.missing(one, 2)).toEqual(['olive'])
  })
})
