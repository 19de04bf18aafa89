// Drawings as bitmaps. A tray is some hundred drawings put down a thousand times:
// as bitmaps all of it is painted within a frame, as live shapes it takes half a second.
import type { Scene } from '@/api/client'

/** A drawing as a bitmap: where it lies in its sheet, px, and where round its own origin, mm. */
export type Sprite = {
  sheet: CanvasImageSource
  from: [x: number, y: number, w: number, h: number]
  to: [x: number, y: number, w: number, h: number]
}

/** One picture that holds several drawings beside each other, px. */
export type Sheet = { width: number; height: number; cells: Map<string, Sprite['from']> }

type Box = readonly number[] // x, y, width, height, mm

/** The most px that all bitmaps of a tray take together: 4 bytes each. */
const mostPixels = 20_000_000
/** So many drawings are read at a time, so that a hand on the screen is answered in between. */
const perSheet = 16
const sheetWidth = 1600 // px
const gap = 2 // px, so that no drawing bleeds into its neighbour

/** How many px a mm may get at most, where so much is wanted for drawings of these boxes. */
export function densityFor(boxes: Iterable<Box>, wanted: number): number {
  let area = 1
  for (const [, , w = 0, h = 0] of boxes) area += w * h
  return Math.min(wanted, Math.sqrt(mostPixels / area))
}

/** Lays drawings out on sheets, row by row, the tallest first. */
export function layOut(drawings: Iterable<readonly [id: string, box: Box]>, density: number): Sheet[] {
  const sized = [...drawings].map(([id, [, , w = 0, h = 0]]) => ({
    id,
    w: Math.ceil(w * density),
    h: Math.ceil(h * density),
  }))
  sized.sort((a, b) => b.h - a.h || (a.id < b.id ? -1 : 1))
  const sheets: Sheet[] = []
  let sheet: Sheet | undefined
  let x = 0
  let y = 0
  let row = 0
  for (const { id, w, h } of sized) {
    if (!sheet || sheet.cells.size >= perSheet) {
      sheets.push((sheet = { width: 0, height: 0, cells: new Map() }))
      x = y = row = 0
    }
    if (x > 0 && x + w > sheetWidth) {
      x = 0
      y += row + gap
      row = 0
    }
    sheet.cells.set(id, [x, y, w, h])
    sheet.width = Math.max(sheet.width, x + w)
    sheet.height = Math.max(sheet.height, y + h)
    row = Math.max(row, h)
    x += w + gap
  }
  return sheets
}

const gradients = /url\(#([^)]+)\)/g

/** The gradients that some drawings name, as SVG. */
function defsFor(scene: Scene, svgs: Iterable<string>): string {
  const ids = new Set<string>()
  for (const svg of svgs) for (const m of svg.matchAll(gradients)) ids.add(m[1]!)
  return [...ids].map(id => scene.defs[id] ?? '').join('')
}

const namespace = 'http://www.w3.org/2000/svg'

/** A sheet as an SVG document, from which its bitmap is made. */
export function sheetSVG(scene: Scene, sheet: Sheet, density: number): string {
  let body = ''
  const drawn: string[] = []
  for (const [id, [x, y]] of sheet.cells) {
    const d = scene.drawings[id]
    if (!d) continue
    const [left = 0, top = 0] = d.box
    drawn.push(d.svg)
    body += `<g transform="translate(${x} ${y}) scale(${density}) translate(${-left} ${-top})">${d.svg}</g>`
  }
  return `<svg xmlns="${namespace}" width="${sheet.width}" height="${sheet.height}"><defs>${defsFor(scene, drawn)}</defs>${body}</svg>`
}

/** The bare board as an SVG document. */
export function boardSVG(scene: Scene): string {
  const [x, y, w, h] = scene.box
  return `<svg xmlns="${namespace}" viewBox="${x} ${y} ${w} ${h}" width="${w}" height="${h}">${scene.board}</svg>`
}

/** Paints an SVG document into a bitmap of so many px. */
export async function bitmap(svg: string, width: number, height: number): Promise<CanvasImageSource> {
  const url = URL.createObjectURL(new Blob([svg], { type: 'image/svg+xml' }))
  try {
    const picture = new Image()
    picture.src = url
    await picture.decode()
    const canvas = document.createElement('canvas')
    canvas.width = Math.max(1, Math.round(width))
    canvas.height = Math.max(1, Math.round(height))
    canvas.getContext('2d')!.drawImage(picture, 0, 0, canvas.width, canvas.height)
    return canvas
  } finally {
    URL.revokeObjectURL(url)
  }
}

/**
 * The bitmaps of a tray's drawings, made as they are needed and held as long as the
 * scene before or this one uses them at about the same size.
 */
export function useSprites(make = bitmap) {
  const held = new Map<string, { svg: string; density: number; sprite: Sprite }>()
  const of = (scene: Scene, id: string) => {
    const h = held.get(id)
    return h && h.svg === scene.drawings[id]?.svg ? h : undefined
  }
  const boxes = (scene: Scene) => Object.values(scene.drawings).map(d => d.box)

  /** The ids that are not there yet, sharp enough to be seen at so many px for a mm. */
  function missing(scene: Scene, wanted: number): string[] {
    const density = densityFor(boxes(scene), wanted)
    return Object.keys(scene.drawings).filter(id => {
      const h = of(scene, id)
      return !h || h.density < density * 0.95 || h.density > density * 2.5
    })
  }

  /** Makes what is missing; stops between two sheets when on no longer answers true. */
  async function fill(scene: Scene, wanted: number, on: () => boolean) {
    const density = densityFor(boxes(scene), wanted)
    const ids = missing(scene, wanted)
    for (const sheet of layOut(
      ids.map(id => [id, scene.drawings[id]!.box] as const),
      density,
    )) {
      const picture = await make(sheetSVG(scene, sheet, density), sheet.width, sheet.height).catch(() => null)
      if (!on()) return
      if (!picture) continue // the browser cannot read it: what is on it is left out
      for (const [id, from] of sheet.cells) {
        const { svg, box } = scene.drawings[id]!
        const [x = 0, y = 0] = box
        const to: Sprite['to'] = [x, y, from[2] / density, from[3] / density]
        held.set(id, { svg, density, sprite: { sheet: picture, from, to } })
      }
    }
    for (const id of held.keys()) if (!scene.drawings[id]) held.delete(id)
  }

  const sprite = (scene: Scene, id: string): Sprite | undefined => of(scene, id)?.sprite
  return { missing, fill, sprite }
}
