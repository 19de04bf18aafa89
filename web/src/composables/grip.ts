import { shallowRef } from 'vue'
import type { TrayElement } from '@/api/tray.gen'
import { poseOf, type Pose } from '@/tray/move'

const slack = 4 // px that a press may slip before it is a move

type Grip = {
  id: string
  index: number
  from: Pose
  x: number
  y: number
  turning: boolean
  on: boolean
  twist: number
}

/** What is carried: its place in the tray's elements, and from where to where. */
export type Carried = { id: string; index: number; from: Pose; to: Pose }

/**
 * Taking hold of an element, carrying or turning it, and letting go. Points are px of the
 * screen; toBoard turns them into mm of the board wherever they lie.
 */
export function useGrip(toBoard: (x: number, y: number) => { x: number; y: number }) {
  const carried = shallowRef<Carried | null>(null)
  let grip: Grip | null = null

  function take(event: PointerEvent, e: TrayElement, index: number, turning: boolean) {
    const target = event.currentTarget as Element
    target.setPointerCapture(event.pointerId)
    grip = {
      id: e.id,
      index,
      from: poseOf(e),
      x: event.clientX,
      y: event.clientY,
      turning,
      on: false,
      twist: 0,
    }
  }

  /** Follows the pointer; what is carried, when something is. */
  function follow(event: PointerEvent): Carried | null {
    if (!grip) return null
    const slip = Math.hypot(event.clientX - grip.x, event.clientY - grip.y)
    if (!grip.on && slip < slack) return null
    grip.on = true
    const { id, index, from } = grip
    const begun = toBoard(grip.x, grip.y)
    const now = toBoard(event.clientX, event.clientY)
    let to: Pose
    if (grip.turning) {
      const a = Math.atan2(now.y - from.y, now.x - from.x) - Math.atan2(begun.y - from.y, begun.x - from.x)
      to = { ...from, turn: Math.round(from.turn + (a * 180) / Math.PI) }
    } else {
      const tenths = (v: number) => Math.round(v * 10) / 10
      to = {
        x: tenths(from.x + now.x - begun.x),
        y: tenths(from.y + now.y - begun.y),
        turn: from.turn + Math.round(grip.twist),
      }
    }
    return (carried.value = { id, index, from, to })
  }

  /** Turns what is held by so many degrees from how it was taken, as a second finger does. */
  function twist(degrees: number): Carried | null {
    if (!grip) return null
    grip.on = true
    const c = carried.value ?? { id: grip.id, index: grip.index, from: grip.from, to: grip.from }
    grip.twist = degrees
    return (carried.value = { ...c, to: { ...c.to, turn: Math.round(grip.from.turn + degrees) } })
  }

  /** Lets go; what was carried, when something was. */
  function letGo(): Carried | null {
    const c = carried.value
    grip = carried.value = null
    return c
  }

  const holds = () => grip !== null
  return { carried, take, holds, twist, follow, letGo }
}
