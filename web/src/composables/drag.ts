import { shallowRef } from 'vue'

interface Spot {
  x: number
  y: number
}

/** Something that is drawn by a pointer: what it is, from where to where, and how far since it was told last; px of the screen. */
export interface Pull<T> {
  of: T
  from: Spot
  at: Spot
  step: Spot
  /** What was taken hold of. */
  on: Element
}

/**
 * Drawing things with a pointer. take is for pointerdown, on for the rest, where the pointer was taken or above that; a
 * press that slips less than slack px is none. What is drawn gets the pointer, or holder does as soon as it is a pull, so
 * that what is only pressed is still clicked.
 */
export function useDrag<T>(told: {
  slack?: number
  holder?: () => Element | null
  moved?: (pull: Pull<T>) => void
  /** It was let go of: keep is false where it was taken from the hand. */
  dropped?: (pull: Pull<T>, keep: boolean) => void
  /** It was let go of where it was taken. */
  pressed?: (of: T) => void
}) {
  const pull = shallowRef<Pull<T> | null>(null)
  let held: { of: T; from: Spot; on: Element } | null = null
  const spot = (e: PointerEvent): Spot => ({ x: e.clientX, y: e.clientY })

  function take(event: PointerEvent, of: T) {
    if (event.button !== 0) return
    held = { of, from: spot(event), on: event.currentTarget as Element }
    if (!told.holder) held.on.setPointerCapture(event.pointerId)
    if (!told.slack) pull.value = { ...held, at: held.from, step: { x: 0, y: 0 } }
  }
  function pointermove(event: PointerEvent) {
    if (!held) return
    const at = spot(event)
    if (!pull.value) {
      if (Math.hypot(at.x - held.from.x, at.y - held.from.y) < (told.slack ?? 0)) return
      told.holder?.()?.setPointerCapture(event.pointerId)
    }
    const last = pull.value?.at ?? held.from
    pull.value = { ...held, at, step: { x: at.x - last.x, y: at.y - last.y } }
    told.moved?.(pull.value)
  }
  function letGo(event: PointerEvent, keep: boolean) {
    const [was, p] = [held, pull.value]
    held = pull.value = null
    if (p) told.dropped?.(keep ? { ...p, at: spot(event) } : p, keep)
    else if (was) told.pressed?.(was.of)
  }
  return {
    pull,
    take,
    on: {
      pointermove,
      pointerup: (event: PointerEvent) => letGo(event, true),
      pointercancel: (event: PointerEvent) => letGo(event, false),
    },
  }
}
