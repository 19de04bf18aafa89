// Puts the bitmaps of a scene on a canvas.
import type { Scene } from '@/api/client'
import { keyOf, type Given } from './given'
import type { Sprite } from './sprites'

type Placed = Scene['bands'][number]['pieces'][number]
type Canvas = CanvasRenderingContext2D

const shadowColour = '#2e1a0d'
const darkness = 0.42 // of a shadow's middle
const softness = 1.9 // standard deviation of its edge, mm
const fall = 1.15 // how much farther shadows fall down than to the right

/** Where on the canvas a point of the board lies: its upper left corner in mm, and px for a mm. */
export type View = { x: number; y: number; scale: number }

function place(on: Canvas, v: View, x: number, y: number, turn: number) {
  const a = (turn * Math.PI) / 180
  const [sin, cos] = [Math.sin(a) * v.scale, Math.cos(a) * v.scale]
  on.setTransform(cos, sin, -sin, cos, (x - v.x) * v.scale, (y - v.y) * v.scale)
}
const level = (on: Canvas) => on.setTransform(1, 0, 0, 1, 0, 0)

const shades = new WeakMap<Scene['drawings'], Map<string, Path2D>>()
function shade(scene: Scene, id: string): Path2D {
  let known = shades.get(scene.drawings)
  if (!known) shades.set(scene.drawings, (known = new Map()))
  let path = known.get(id)
  if (!path) known.set(id, (path = new Path2D(scene.drawings[id]?.shade ?? '')))
  return path
}

/** Two canvases on which shadows are gathered and made soft; they hold half the px each way, as nothing soft shows it. */
export type Shadows = { hard: Canvas; soft: Canvas }

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

/** A part of the canvas, px. */
export type Part = { x: number; y: number; w: number; h: number }

const reaches = new WeakMap<Scene['drawings'], Map<string, number>>()
/** How far a drawing reaches from its place, mm, its shadow with it. */
function reach(scene: Scene, use: string): number {
  let known = reaches.get(scene.drawings)
  if (!known) reaches.set(scene.drawings, (known = new Map()))
  let r = known.get(use)
  if (r === undefined) {
    const [x = 0, y = 0, w = 0, h = 0] = scene.drawings[use]?.box ?? []
    const far = (from: number, long: number) => Math.max(Math.abs(from), Math.abs(from + long))
    known.set(use, (r = Math.hypot(far(x, w), far(y, h)) + mostShift + 3 * softness))
  }
  return r
}
const mostShift = 8 // mm that a shadow falls at most

/** The part of the canvas in which what lies differs; null where nothing does. */
export function changed(scene: Scene, was: Laid, now: Laid, v: View): Part | null {
  let [x0, y0, x1, y1] = [Infinity, Infinity, -Infinity, -Infinity]
  const take = (p: Placed | null | undefined) => {
    if (!p) return
    const r = reach(scene, p.use)
    x0 = Math.min(x0, p.x - r)
    y0 = Math.min(y0, p.y - r)
    x1 = Math.max(x1, p.x + r)
    y1 = Math.max(y1, p.y + r)
  }
  now.forEach((band, b) =>
    band.forEach((p, i) => {
      const o = was[b]?.[i]
      if (p === o || (p && o && p.x === o.x && p.y === o.y && p.turn === o.turn)) return
      take(p)
      take(o)
    }),
  )
  if (x1 < x0) return null
  const even = (px: number) => 2 * Math.floor(px / 2) // shadows have half the px
  const [x, y] = [even((x0 - v.x) * v.scale), even((y0 - v.y) * v.scale)]
  return { x, y, w: even((x1 - v.x) * v.scale) + 2 - x, h: even((y1 - v.y) * v.scale) + 2 - y }
}

/** Paints what pieces cast on what lies below them, as one: where two overlap it is no darker. */
function paintShadows(on: Canvas, scene: Scene, pieces: Placed[], v: View, through: Shadows, part: Part) {
  const { hard, soft } = through
  // around a part there is room from which shadows reach into it
  const whole = part.w >= on.canvas.width && part.h >= on.canvas.height
  const room = whole ? 0 : 2 * Math.ceil(3 * softness * v.scale * 0.5)
  const [x, y] = [part.x - room, part.y - room]
  for (const c of [hard, soft]) {
    c.canvas.width = Math.ceil(part.w / 2) + room
    c.canvas.height = Math.ceil(part.h / 2) + room // which clears it
  }
  const half = { x: v.x + x / v.scale, y: v.y + y / v.scale, scale: v.scale / 2 }
  hard.fillStyle = shadowColour
  for (const p of pieces) {
    place(hard, half, p.x + p.shift, p.y + p.shift * fall, p.turn)
    hard.fill(shade(scene, p.use))
  }
  // what casts it stays beside the canvas, only its shadow falls there: a blur that every browser has
  const beside = hard.canvas.width + 64
  soft.shadowColor = shadowColour
  soft.shadowBlur = 2 * softness * half.scale
  soft.shadowOffsetX = beside
  soft.drawImage(hard.canvas, -beside, 0)
  level(on)
  on.globalAlpha = darkness
  on.drawImage(soft.canvas, x, y, soft.canvas.width * 2, soft.canvas.height * 2)
  on.globalAlpha = 1
}

function paintPieces(on: Canvas, pieces: Placed[], v: View, sprite: (use: string) => Sprite | undefined) {
  for (const p of pieces) {
    const s = sprite(p.use)
    if (!s) continue
    place(on, v, p.x, p.y, p.turn)
    on.drawImage(s.sheet, ...s.from, ...s.to)
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
  sprite: (use: string) => Sprite | undefined,
  shadows: Shadows,
  part?: Part,
) {
  const { width, height } = on.canvas
  level(on)
  const p = part ?? { x: 0, y: 0, w: width, h: height }
  if (part) {
    on.save()
    on.beginPath()
    on.rect(p.x, p.y, p.w, p.h)
    on.clip()
  }
  on.clearRect(p.x, p.y, p.w, p.h)
  if (board) on.drawImage(board, 0, 0, width, height)
  const box = { x: v.x + p.x / v.scale, y: v.y + p.y / v.scale, w: p.w / v.scale, h: p.h / v.scale }
  for (const band of laid) {
    const pieces = band.filter((q): q is Placed => {
      if (!q) return false
      if (!part) return true
      const r = reach(scene, q.use)
      return q.x + r > box.x && q.x - r < box.x + box.w && q.y + r > box.y && q.y - r < box.y + box.h
    })
    if (!pieces.length) continue
    paintShadows(on, scene, pieces, v, shadows, p)
    paintPieces(on, pieces, v, sprite)
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
  sprite: (use: string) => Sprite | undefined,
  shadows: Shadows,
) {
  level(on)
  const { width, height } = on.canvas
  on.clearRect(0, 0, width, height)
  const pieces = scene.bands.flatMap(b => b.pieces).filter(p => elements.includes(p.e))
  const lifted = pieces.map(p => ({ ...p, shift: p.shift + 4 }))
  if (pieces.length) paintShadows(on, scene, lifted, v, shadows, { x: 0, y: 0, w: width, h: height })
  paintPieces(on, pieces, v, sprite)
}
