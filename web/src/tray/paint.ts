// Puts the bitmaps of a scene on a canvas.
import type { Scene } from '@/api/client'
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

/** Paints what pieces cast on what lies below them, as one: where two overlap it is no darker. */
function paintShadows(on: Canvas, scene: Scene, pieces: Placed[], v: View, through: Shadows) {
  const { hard, soft } = through
  const { width, height } = on.canvas
  for (const c of [hard, soft]) {
    c.canvas.width = Math.ceil(width / 2)
    c.canvas.height = Math.ceil(height / 2) // which clears it
  }
  const half = { ...v, scale: v.scale / 2 }
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
  on.drawImage(soft.canvas, 0, 0, soft.canvas.width * 2, soft.canvas.height * 2)
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
 * there. Elements for which skip answers true are left out.
 */
export function paintTray(
  on: Canvas,
  scene: Scene,
  v: View,
  board: CanvasImageSource | null,
  sprite: (use: string) => Sprite | undefined,
  skip: (element: number) => boolean,
  shadows: Shadows,
) {
  level(on)
  on.clearRect(0, 0, on.canvas.width, on.canvas.height)
  if (board) on.drawImage(board, 0, 0, on.canvas.width, on.canvas.height)
  for (const band of scene.bands) {
    const pieces = band.pieces.filter(p => !skip(p.e))
    if (!pieces.length) continue
    paintShadows(on, scene, pieces, v, shadows)
    paintPieces(on, pieces, v, sprite)
  }
}

/** Paints what is in the hand: lifted, so its shadow falls farther. */
export function paintHand(
  on: Canvas,
  scene: Scene,
  element: number,
  v: View,
  sprite: (use: string) => Sprite | undefined,
  shadows: Shadows,
) {
  level(on)
  on.clearRect(0, 0, on.canvas.width, on.canvas.height)
  const pieces = scene.bands.flatMap(b => b.pieces).filter(p => p.e === element)
  const lifted = pieces.map(p => ({ ...p, shift: p.shift + 4 }))
  if (pieces.length) paintShadows(on, scene, lifted, v, shadows)
  paintPieces(on, pieces, v, sprite)
}
