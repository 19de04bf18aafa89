// Drawings as bitmaps. A tray is some hundred drawings put down a thousand times:
// as bitmaps all of it is painted within a frame, as live shapes it takes half a second.
import type { Scene } from '@/api/client'

type Cell = [x: number, y: number, w: number, h: number]
/** A bitmap on its sheet, px, and where it lies round the origin of what it shows, mm. */
export type Bitmap = { sheet: CanvasImageSource; from: Cell; to: Cell }
/** A drawing as a bitmap, and what it casts: soft, with half the px, as nothing soft shows it. */
export type Sprite = Bitmap & { shade?: Bitmap }

/** One picture that holds several drawings beside each other, px. */
export type Sheet = { width: number; height: number; cells: Map<string, Cell> }

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
  for (const [, , w = 0, h = 0] of boxes) area += w * h + ((w + 6 * softness) * (h + 6 * softness)) / 4 // its shadow
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

const shadowColour = '#2e1a0d'
/** The standard deviation of a shadow's edge, mm. */
export const softness = 1.9

/** The room that the shadow of a drawing takes round its origin, mm. */
function shadeBox(scene: Scene, id: string): Box {
  const [x = 0, y = 0, w = 0, h = 0] = scene.drawings[id]!.box
  const soft = 3 * softness
  return [x - soft, y - soft, w + 2 * soft, h + 2 * soft]
}

/** A sheet of shadows as an SVG document. */
export function shadeSVG(scene: Scene, sheet: Sheet, density: number): string {
  let body = ''
  let far = 0 // mm that the largest reaches from its origin
  for (const [id, [x, y, w, h]] of sheet.cells) {
    const [left = 0, top = 0, wide = 0, high = 0] = shadeBox(scene, id)
    far = Math.max(far, -left, -top, left + wide, top + high)
    // each cuts off what would reach into its neighbour
    body += `<svg x="${x}" y="${y}" width="${w}" height="${h}"><g filter="url(#soft)" transform="scale(${density}) translate(${-left} ${-top})"><path d="${scene.drawings[id]!.shade}"/></g></svg>`
  }
  const room = `x="${-far}" y="${-far}" width="${2 * far}" height="${2 * far}"`
  return `<svg xmlns="${namespace}" width="${sheet.width}" height="${sheet.height}" fill="${shadowColour}"><filter id="soft" filterUnits="userSpaceOnUse" ${room}><feGaussianBlur stdDeviation="${softness}"/></filter>${body}</svg>`
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
    return await createImageBitmap(canvas) // a canvas is looked at anew each time it is put somewhere
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
    const cell = (sheet: CanvasImageSource, from: Cell, [x = 0, y = 0]: Box, of: number): Bitmap => ({
      sheet,
      from,
      to: [x, y, from[2] / of, from[3] / of],
    })
    const sheets = (box: (id: string) => Box, of: number) =>
      layOut(
        ids.map(id => [id, box(id)] as const),
        of,
      )
    const shades = new Map<string, Bitmap>()
    for (const sheet of sheets(id => shadeBox(scene, id), density / 2)) {
      const svg = shadeSVG(scene, sheet, density / 2)
      const picture = await make(svg, sheet.width, sheet.height).catch(() => null)
      if (!on()) return
      if (!picture) continue
      for (const [id, from] of sheet.cells)
        shades.set(id, cell(picture, from, shadeBox(scene, id), density / 2))
    }
    for (const sheet of sheets(id => scene.drawings[id]!.box, density)) {
      const picture = await make(sheetSVG(scene, sheet, density), sheet.width, sheet.height).catch(() => null)
      if (!on()) return
      if (!picture) continue // the browser cannot read it: what is on it is left out
      for (const [id, from] of sheet.cells) {
        const { svg, box } = scene.drawings[id]!
        const shade = shades.get(id)
        held.set(id, {
          svg,
          density,
          sprite: { ...cell(picture, from, box, density), ...(shade && { shade }) },
        })
      }
    }
    for (const id of held.keys()) if (!scene.drawings[id]) held.delete(id)
  }

  const sprite = (scene: Scene, id: string): Sprite | undefined => of(scene, id)?.sprite
  return { missing, fill, sprite }
}
