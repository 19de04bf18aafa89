// Puts the bitmaps of a scene on a canvas.
import type { Scene } from '@/api/client'
import { keyOf, type Given } from './given'
import { softness, type Bitmap, type Sprite } from './sprites'
import type { Turned, Wanted } from './turned'

type Placed = Scene['bands'][number]['pieces'][number]
type Canvas = CanvasRenderingContext2D

const darkness = 0.42 // of a shadow's middle
const fall = 1.15 // how much farther shadows fall down than to the right

/** Where on the canvas a point of the board lies: its upper left corner in mm, and px for a mm. */
export type View = { x: number; y: number; scale: number }

function place(on: Canvas, v: View, x: number, y: number, turn: number) {
  const a = (turn * Math.PI) / 180
  const [sin, cos] = [Math.sin(a) * v.scale, Math.cos(a) * v.scale]
  on.setTransform(cos, sin, -sin, cos, (x - v.x) * v.scale, (y - v.y) * v.scale)
}
const level = (on: Canvas) => on.setTransform(1, 0, 0, 1, 0, 0)

/** What is painted of each band, in order; null where something is left out. */
export type Laid = (Placed | null)[][]

/** How the pieces of a scene lie, but for what is left out, and with what makes room. */
export function laidOut(scene: Scene, skip: (element: number) => boolean, given: Given | null): Laid {
  return scene.bands.map(b =>
    b.pieces.map(p => {
      if (skip(p.e)) return null
      const now = given?.get(keyOf(p.e, p.p))
      return now ? { ...p, ...now } : p
    }),
  )
}

type Box = { x: number; y: number; w: number; h: number }
/** A part of the canvas, px: the box round it, and the runs of tiles that are painted of that. */
export type Part = Box & { runs: Box[] }

const radii = new WeakMap<Scene['drawings'], Map<string, number>>()
/** How far a drawing reaches from its place, mm, however it is turned. */
function radius(scene: Scene, use: string): number {
  let known = radii.get(scene.drawings)
  if (!known) radii.set(scene.drawings, (known = new Map()))
  let r = known.get(use)
  if (r === undefined) {
    const [x = 0, y = 0, w = 0, h = 0] = scene.drawings[use]?.box ?? []
    const far = (from: number, long: number) => Math.max(Math.abs(from), Math.abs(from + long))
    known.set(use, (r = Math.hypot(far(x, w), far(y, h))))
  }
  return r
}
/** The px that a piece may be seen on, with its shadow. */
function reach(scene: Scene, p: Placed, v: View) {
  const r = radius(scene, p.use)
  const soft = 3 * softness
  const [x, y, s] = [p.x - v.x, p.y - v.y, v.scale]
  return {
    x0: (x - r + Math.min(0, p.shift - soft)) * s - 1,
    y0: (y - r + Math.min(0, p.shift * fall - soft)) * s - 1,
    x1: (x + r + Math.max(0, p.shift + soft)) * s + 1,
    y1: (y + r + Math.max(0, p.shift * fall + soft)) * s + 1,
  }
}

const tile = 32 // px, an even number, as shadows have half the px

/** The parts of the canvas in which what lies differs, each of tiles that touch each other. */
export function changed(scene: Scene, was: Laid, now: Laid, v: View): Part[] {
  const [, , width = 0, height = 0] = scene.box
  const across = Math.ceil((width * v.scale) / tile) + 1
  const down = Math.ceil((height * v.scale) / tile) + 1
  const on = new Set<number>()
  const within = (n: number, most: number) => Math.min(most - 1, Math.max(0, Math.floor(n / tile)))
  const take = (p: Placed | null | undefined) => {
    if (!p) return
    const b = reach(scene, p, v)
    for (let y = within(b.y0, down); y <= within(b.y1, down); y++)
      for (let x = within(b.x0, across); x <= within(b.x1, across); x++) on.add(y * across + x)
  }
  now.forEach((band, b) =>
    band.forEach((p, i) => {
      const o = was[b]?.[i]
      if (p === o || (p && o && p.x === o.x && p.y === o.y && p.turn === o.turn)) return
      take(p)
      take(o)
    }),
  )
  const parts: Part[] = []
  for (const first of on) {
    on.delete(first)
    const met = [first]
    for (const t of met)
      for (const next of [t - 1, t + 1, t - across, t + across]) {
        if (Math.abs((next % across) - (t % across)) <= 1 && on.delete(next)) met.push(next)
      }
    parts.push(partOf(met, across))
  }
  return parts
}

/** Tiles as a part, those beside each other in a row as one run. */
function partOf(tiles: number[], across: number): Part {
  tiles.sort((a, b) => a - b)
  const runs: Box[] = []
  tiles.forEach((t, i) => {
    const last = runs.at(-1)
    if (last && t === tiles[i - 1]! + 1 && t % across) last.w += tile
    else runs.push({ x: (t % across) * tile, y: Math.floor(t / across) * tile, w: tile, h: tile })
  })
  const x = Math.min(...runs.map(r => r.x))
  const y = runs[0]!.y
  return { x, y, w: Math.max(...runs.map(r => r.x + r.w)) - x, h: runs.at(-1)!.y + tile - y, runs }
}

/** The bitmaps of drawings, and those that are turned already. */
export type Sprites = {
  of: (use: string) => Sprite | undefined
  turned: (bitmap: Bitmap, turn: number, scale: number) => Turned | undefined
}

/** Puts a bitmap where a piece lies: on whole px where it is turned already, else turned on the way. */
function put(
  on: Canvas,
  v: View,
  bitmap: Bitmap,
  x: number,
  y: number,
  turn: number,
  known: Turned | undefined,
) {
  if (known) {
    level(on)
    const [px, py] = [Math.round((x - v.x) * v.scale), Math.round((y - v.y) * v.scale)]
    on.drawImage(known.picture, px + known.x, py + known.y)
    return
  }
  place(on, v, x, y, turn)
  on.drawImage(bitmap.sheet, ...bitmap.from, ...bitmap.to)
}

/** What would be quicker to paint if it were turned already. */
export function* toTurn(laid: Laid, scale: number, sprites: Sprites): Generator<Wanted> {
  for (const band of laid)
    for (const p of band) {
      const s = p && sprites.of(p.use)
      if (!s) continue
      yield { bitmap: s, turn: p.turn, scale }
      if (s.shade) yield { bitmap: s.shade, turn: p.turn, scale: scale / 2 }
    }
}

/**
 * Paints what pieces cast on what lies below them, as one: where two overlap it is no darker. They are gathered on
 * a canvas with half the px each way.
 */
function paintShadows(on: Canvas, pieces: Placed[], v: View, sprites: Sprites, gathered: Canvas, part: Box) {
  // around a part there is room, so that its edge is no other than its middle
  const whole = part.w >= on.canvas.width && part.h >= on.canvas.height
  const room = whole ? 0 : 4
  const [x, y] = [part.x - room, part.y - room]
  gathered.canvas.width = Math.ceil(part.w / 2) + room
  gathered.canvas.height = Math.ceil(part.h / 2) + room // which clears it
  const half = { x: v.x + x / v.scale, y: v.y + y / v.scale, scale: v.scale / 2 }
  for (const p of pieces) {
    const shade = sprites.of(p.use)?.shade
    if (!shade) continue
    const known = sprites.turned(shade, p.turn, half.scale)
    put(gathered, half, shade, p.x + p.shift, p.y + p.shift * fall, p.turn, known)
  }
  level(on)
  on.globalAlpha = darkness
  on.drawImage(gathered.canvas, x, y, gathered.canvas.width * 2, gathered.canvas.height * 2)
  on.globalAlpha = 1
}

function paintPieces(on: Canvas, pieces: Placed[], v: View, sprites: Sprites) {
  for (const p of pieces) {
    const s = sprites.of(p.use)
    if (s) put(on, v, s, p.x, p.y, p.turn, sprites.turned(s, p.turn, v.scale))
  }
}

/**
 * Paints the tray: the board, then band by band what casts shadows and then what lies
 * there. Where a part is given, only that is painted anew.
 */
export function paintTray(
  on: Canvas,
  scene: Scene,
  laid: Laid,
  v: View,
  board: CanvasImageSource | null,
  sprites: Sprites,
  shadows: Canvas,
  part?: Part,
) {
  const { width, height } = on.canvas
  level(on)
  const all = { x: 0, y: 0, w: width, h: height }
  const box: Box = part ?? all
  const runs = part?.runs ?? [all]
  if (part) {
    on.save()
    on.beginPath()
    for (const r of runs) on.rect(r.x, r.y, r.w, r.h)
    on.clip()
  }
  on.clearRect(box.x, box.y, box.w, box.h)
  const [, , w = 0, h = 0] = scene.box
  // on whole px, as its bitmap is
  if (board) on.drawImage(board, 0, 0, Math.round(w * v.scale), Math.round(h * v.scale))
  const seen = (p: Placed) => {
    const b = reach(scene, p, v)
    return runs.some(r => b.x1 > r.x && b.x0 < r.x + r.w && b.y1 > r.y && b.y0 < r.y + r.h)
  }
  for (const band of laid) {
    const pieces = band.filter((q): q is Placed => q !== null && (!part || seen(q)))
    if (!pieces.length) continue
    paintShadows(on, pieces, v, sprites, shadows, box)
    paintPieces(on, pieces, v, sprites)
  }
  if (part) {
    level(on)
    on.restore()
  }
}

/** Paints what is in the hand: lifted, so its shadow falls farther. */
export function paintHand(
  on: Canvas,
  scene: Scene,
  elements: readonly number[],
  v: View,
  sprites: Sprites,
  shadows: Canvas,
) {
  level(on)
  const { width, height } = on.canvas
  on.clearRect(0, 0, width, height)
  const pieces = scene.bands.flatMap(b => b.pieces).filter(p => elements.includes(p.e))
  const lifted = pieces.map(p => ({ ...p, shift: p.shift + 4 }))
  if (pieces.length) paintShadows(on, lifted, v, sprites, shadows, { x: 0, y: 0, w: width, h: height })
  paintPieces(on, pieces, v, sprites)
}
