import type { Point, TrayElement } from '@/api/tray.gen'

export type Pose = { x: number; y: number; turn: number }

export const poseOf = (e: TrayElement): Pose => ({ x: e.x, y: e.y, turn: e.turn_deg })

const round2 = (v: number) => Math.round(v * 100) / 100 || 0

/** A turn brought into 0 <= turn < 360, as the server keeps it. */
export const normalTurn = (deg: number): number => ((deg % 360) + 360) % 360

/** A turn the shorter way round: from -180 up to 180. */
export const shortest = (deg: number): number => normalTurn(deg + 180) - 180

/** The rigid motion that carries one pose to another. */
export function motion(from: Pose, to: Pose): (p: Point) => Point {
  const a = ((to.turn - from.turn) * Math.PI) / 180
  const sin = Math.sin(a)
  const cos = Math.cos(a)
  return p => {
    const x = (p[0] ?? 0) - from.x
    const y = (p[1] ?? 0) - from.y
    return [round2(to.x + x * cos - y * sin), round2(to.y + x * sin + y * cos)]
  }
}

/** The element carried, with all its pieces, to a new pose. */
export function moved(e: TrayElement, to: Pose): TrayElement {
  const from = poseOf(e)
  const carry = motion(from, to)
  const turn = to.turn - from.turn
  return {
    ...e,
    x: round2(to.x),
    y: round2(to.y),
    turn_deg: round2(normalTurn(to.turn)),
    path: e.path?.map(carry),
    pieces: e.pieces.map(p => ({
      ...p,
      outline: p.outline.map(carry),
      at: carry(p.at ?? [from.x, from.y]),
      turn_deg: round2(normalTurn((p.turn_deg ?? 0) + turn)),
    })),
  }
}

/** The box round an element's pieces, with so much room about it, mm. */
export function boxAround(e: TrayElement, room: number) {
  let [x0, y0, x1, y1] = [Infinity, Infinity, -Infinity, -Infinity]
  for (const p of e.pieces)
    for (const [x = 0, y = 0] of p.outline) {
      x0 = Math.min(x0, x)
      y0 = Math.min(y0, y)
      x1 = Math.max(x1, x)
      y1 = Math.max(y1, y)
    }
  return { x: x0 - room, y: y0 - room, width: x1 - x0 + 2 * room, height: y1 - y0 + 2 * room }
}

const onTurned: Record<string, string> = {
  ArrowRight: 'ArrowUp',
  ArrowUp: 'ArrowLeft',
  ArrowLeft: 'ArrowDown',
  ArrowDown: 'ArrowRight',
}
/** The arrow key that leads the same way on the board where it is shown turned a quarter to the right. */
export const arrowOn = (turned: boolean, key: string) => (turned ? (onTurned[key] ?? key) : key)
