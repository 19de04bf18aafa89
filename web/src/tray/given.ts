import type { TrayElement } from '@/api/tray.gen'
import type { Pose } from './move'

/** How pieces lie otherwise than on the tray, by element and piece. */
export type Given = ReadonlyMap<number, Pose>

const most = 4096 // more than the pieces of an element
export const keyOf = (element: number, piece: number) => element * most + piece

/** The answer of the server, element, piece, x, y and turn of each, as it is looked up. */
export function givenBy(shifts: readonly number[][]): Given {
  return new Map(shifts.map(([e = 0, p = 0, x = 0, y = 0, turn = 0]) => [keyOf(e, p), { x, y, turn }]))
}

/** The motion of an element that makes room as a whole, as SVG has it, by that of its first piece. */
export function motionOf(e: TrayElement, index: number, given: Given | null): string | undefined {
  const first = e.pieces[0]
  const now = given?.get(keyOf(index, 0))
  if (!first || !now) return undefined
  const [x, y] = first.at ?? [e.x, e.y]
  return `translate(${now.x} ${now.y}) rotate(${now.turn - (first.turn_deg ?? 0)}) translate(${-x!} ${-y!})`
}
