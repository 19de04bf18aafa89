import { describe, expect, it } from 'vitest'
import type { Scene } from '@/api/client'
import { handSVG, traySVG } from '@/tray/picture'

const scene: Scene = {
  places: [],
  box: [-14, -14, 428, 328],
  board: '<path d="M0 0H400V300H0Z" fill="#8a5a35"/>',
  drawings: {
    olive: { svg: '<circle r="9" fill="url(#g1)"/>', shade: 'M-9 0L9 0L0 9Z' },
    fig: { svg: '<circle r="22" fill="url(#g2)" stroke="url(#g1)"/>', shade: 'M-22 0L22 0L0 22Z' },
    unused: { svg: '<circle r="1" fill="url(#g3)"/>', shade: 'M0 0Z' },
  },
  defs: { g1: '<linearGradient id="g1"/>', g2: '<radialGradient id="g2"/>', g3: '<radialGradient id="g3"/>' },
  bands: [
    {
      pieces: [
        { e: 0, use: 'olive', x: 10, y: 20, turn: 30, shift: 2 },
        { e: 1, use: 'fig', x: 60, y: 70, turn: 0, shift: 4 },
      ],
    },
    { pieces: [] },
    { pieces: [{ e: 0, use: 'olive', x: 12, y: 22, turn: 90, shift: 3 }] },
  ],
}

describe('the tray as one picture', () => {
  it('holds every piece with its shadow, and each drawing once', () => {
    const svg = traySVG(scene, () => false)
    expect(svg.match(/href="#olive"/g)).toHaveLength(2)
    expect(svg.match(/<path d="M[^"]*"\/><\/g>/g)).toHaveLength(2) // one shape of shadows for each band
    expect(svg).toContain('M42 74.6L') // the fig's, 4 and 4.6 beside it
    expect(svg.match(/id="olive"/g)).toHaveLength(1)
    expect(svg).toContain('translate(12 22) rotate(90)')
    expect(svg).toContain('viewBox="-14 -14 428 328"')
  })
  it('carries only what it uses', () => {
    const svg = traySVG(scene, () => false)
    expect(svg).not.toContain('unused')
    expect(svg).not.toContain('g3')
    expect(svg).toContain('id="g1"')
  })
  it('leaves out what is in the hand', () => {
    const svg = traySVG(scene, e => e === 0)
    expect(svg).not.toContain('olive')
    expect(svg).toContain('href="#fig"')
  })
  it('puts shadows under the pieces of their own band', () => {
    const svg = traySVG(scene, () => false)
    expect(svg.indexOf('url(#shade)')).toBeLessThan(svg.indexOf('"#fig"'))
    expect(svg.match(/filter="url\(#shade\)"/g)).toHaveLength(2) // none for the empty band
  })
})

describe('what is in the hand', () => {
  it('is drawn from all bands, with its own gradients', () => {
    const svg = handSVG(scene, 0)
    expect(svg.match(/<circle/g)).toHaveLength(2)
    expect(svg).toContain('id="g1"')
    expect(svg).not.toContain('id="g2"')
  })
  it('casts its shadow before it is drawn', () => {
    const svg = handSVG(scene, 1)
    expect(svg.indexOf('<path')).toBeLessThan(svg.indexOf('<circle'))
  })
  it('is nothing for an element that is not there', () => {
    expect(handSVG(scene, 9)).not.toContain('<circle')
  })
})
