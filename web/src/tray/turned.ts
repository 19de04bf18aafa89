// Bitmaps turned as pieces lie, to be put down upright and on whole px. Turning one whenever it is painted takes
// ten times as long where there is no graphics card (70 µs against 7 for 40 px).
import type { Bitmap } from './sprites'

/** A turned bitmap, and where its upper left corner lies from the place of its piece, px. */
export type Turned = { picture: CanvasImageSource; x: number; y: number; px: number }

/** The most px that all of them take together: 4 bytes each. What is over is turned while it is painted. */
const mostPixels = 8_000_000

/** Makes a bitmap turned by so many degrees, at so many px for a mm. */
export function turn({ sheet, from, to }: Bitmap, degrees: number, scale: number): Turned {
  const a = (degrees * Math.PI) / 180
  const [sin, cos] = [Math.sin(a), Math.cos(a)]
  const [left, top, w, h] = to
  const corners = [
    [left, top],
    [left + w, top],
    [left, top + h],
    [left + w, top + h],
  ].map(([u = 0, v = 0]) => [(u * cos - v * sin) * scale, (u * sin + v * cos) * scale] as const)
  const x = Math.floor(Math.min(...corners.map(c => c[0]))) - 1
  const y = Math.floor(Math.min(...corners.map(c => c[1]))) - 1
  const width = Math.ceil(Math.max(...corners.map(c => c[0]))) + 1 - x
  const height = Math.ceil(Math.max(...corners.map(c => c[1]))) + 1 - y
  const canvas = new OffscreenCanvas(width, height)
  const on = canvas.getContext('2d')!
  on.setTransform(cos * scale, sin * scale, -sin * scale, cos * scale, -x, -y)
  on.drawImage(sheet, ...from, ...to)
  return { picture: canvas.transferToImageBitmap(), x, y, px: width * height }
}

const mostInFrame = 8 // a quarter of a ms each
const coarse = 3 // degrees, which nobody sees of what moves

export type Wanted = { bitmap: Bitmap; turn: number; scale: number }

/** What is turned already; all of one scale, as a tray is seen at one. */
export function useTurned(make = turn) {
  const held = new Map<Bitmap, Map<number, Turned>>()
  let room = mostPixels
  let left = 0 // that may be made in this frame

  const find = (bitmap: Bitmap, degrees: number): Turned | undefined => held.get(bitmap)?.get(degrees)

  /** The same, turned to a few degrees; made where it is not there and there is room. For what moves. */
  function near(bitmap: Bitmap, degrees: number, scale: number): Turned | undefined {
    const about = Math.round(degrees / coarse) * coarse
    const known = find(bitmap, about)
    if (known || room <= 0 || left <= 0) return known
    left--
    const turned = make(bitmap, about, scale)
    hold(bitmap, about, turned)
    return turned
  }
  /** A frame begins, in which a few may be made for what moves. */
  function frame() {
    left = mostInFrame
  }
  function hold(bitmap: Bitmap, degrees: number, turned: Turned) {
    room -= turned.px
    if (!held.has(bitmap)) held.set(bitmap, new Map())
    held.get(bitmap)!.set(degrees, turned)
  }
  /** Turns what is wanted and not there, as long as there is time; true when all that fits is there. */
  function fill(wanted: Iterable<Wanted>, more: () => boolean): boolean {
    for (const { bitmap, turn: degrees, scale } of wanted) {
      if (room <= 0) return true
      if (find(bitmap, degrees)) continue
      if (!more()) return false
      hold(bitmap, degrees, make(bitmap, degrees, scale))
    }
    return true
  }
  /** Lets go of all but what is wanted. */
  function keep(wanted: Iterable<Wanted>) {
    const before = new Map(held)
    held.clear()
    room = mostPixels
    for (const { bitmap, turn: degrees } of wanted) {
      const turned = before.get(bitmap)?.get(degrees)
      if (turned && !find(bitmap, degrees)) hold(bitmap, degrees, turned)
    }
  }
  return { find, near, frame, fill, keep }
}
