import { shallowRef, type Ref } from 'vue'
import { useEventListener } from '@vueuse/core'
import type { useGrip } from '@/composables/grip'
import type { Pose } from '@/tray/move'

export interface Area {
  x: number
  y: number
  width: number
  height: number
}

/** How it is told what hands do on the canvas. */
export interface Tells {
  (what: 'select', id: string | null, adds: boolean): void
  (what: 'zoom', to: number): void
  (what: 'area', box: Area): void
  (what: 'carry', id: string, to: Pose, hugs: boolean): void
  (what: 'drop', id: string, to: Pose): void
  (what: 'leave'): void
}

/**
 * Fingers and pointers on the canvas: two fingers turn what is held or bring the tray nearer; a pull at the bare counter
 * moves the view, or draws an area to choose by; what is held follows.
 */
export function usePointers(
  /** fixed: nothing can be taken hold of; several: pulls choose by area. */
  props: Readonly<{ zoom: number; fixed: boolean; several: boolean }>,
  on: {
    hands: Readonly<Ref<SVGElement | null>>
    scroller: Readonly<Ref<HTMLElement | null>>
    toBoard: (x: number, y: number) => { x: number; y: number }
    carried: Readonly<Ref<{ id: string; to: Pose } | null>>
    grip: Omit<ReturnType<typeof useGrip>, 'carried'>
  },
  tell: Tells,
) {
  const { hands, scroller, toBoard, carried, grip } = on
  // two fingers: the second turns what the first holds, or both bring the tray nearer
  const fingers = new Map<number, { x: number; y: number }>()
  let pinch: { angle: number; apart: number; zoom: number; turns: boolean } | null = null
  function between() {
    const [a, b] = [...fingers.values()]
    const [dx, dy] = [b!.x - a!.x, b!.y - a!.y]
    return { angle: (Math.atan2(dy, dx) * 180) / Math.PI, apart: Math.hypot(dx, dy) }
  }
  /** A finger is put down; true where it is the second, which takes hold of nothing by itself. */
  function touched(event: PointerEvent): boolean {
    if (event.pointerType !== 'touch') return false
    fingers.set(event.pointerId, { x: event.clientX, y: event.clientY })
    if (fingers.size !== 2) return fingers.size > 2
    pan = corner = null
    pinch = { ...between(), zoom: props.zoom, turns: grip.holds() }
    return true
  }
  function twoFingers(event: PointerEvent): boolean {
    if (!fingers.has(event.pointerId)) return false
    fingers.set(event.pointerId, { x: event.clientX, y: event.clientY })
    if (!pinch || fingers.size < 2) return false
    const now = between()
    if (!pinch.turns) {
      tell(
        'zoom',
        Math.round(Math.min(4, Math.max(1, (pinch.zoom * now.apart) / Math.max(20, pinch.apart))) * 100) /
          100,
      )
      return true
    }
    const c = grip.twist(((now.angle - pinch.angle + 540) % 360) - 180)
    if (c) tell('carry', c.id, c.to, true)
    return event.pointerId !== [...fingers.keys()][0]
  }
  function lifted(event: PointerEvent): boolean {
    fingers.delete(event.pointerId)
    if (!pinch) return false
    const turned = pinch.turns
    if (fingers.size < 2 && (!turned || !fingers.size)) pinch = null
    return fingers.size > 0 || !turned // what is held is put down with the last finger
  }

  // near the edge the second finger may come down beside the drawing, and turns what the first holds all the same
  useEventListener(
    window,
    ['pointerdown', 'pointermove', 'pointerup', 'pointercancel'],
    (event: PointerEvent) => {
      if (event.pointerType !== 'touch' || hands.value?.contains(event.target as Node)) return
      if (event.type === 'pointerdown') {
        if (grip.holds()) touched(event)
      } else if (event.type === 'pointermove') twoFingers(event)
      else if (fingers.has(event.pointerId) && !lifted(event)) letGo(event.type === 'pointerup')
    },
  )

  // the bare counter moves the view when it is larger than its room
  let pan: { x: number; y: number } | null = null
  /** The area that is drawn over the board, mm. */
  const area = shallowRef<Area | null>(null)
  let corner: { x: number; y: number } | null = null
  function ground(event: PointerEvent) {
    if (touched(event)) return
    if (!props.fixed && event.button === 0 && (event.shiftKey || props.several)) {
      ;(event.currentTarget as Element).setPointerCapture(event.pointerId)
      corner = toBoard(event.clientX, event.clientY)
      return
    }
    tell('select', null, false)
    if (props.zoom <= 1) return
    ;(event.currentTarget as Element).setPointerCapture(event.pointerId)
    pan = { x: event.clientX, y: event.clientY }
  }
  function follow(event: PointerEvent) {
    if (twoFingers(event)) return
    if (pan) {
      scroller.value?.scrollBy(pan.x - event.clientX, pan.y - event.clientY)
      pan = { x: event.clientX, y: event.clientY }
    }
    if (corner) {
      const p = toBoard(event.clientX, event.clientY)
      const [x, y] = [Math.min(p.x, corner.x), Math.min(p.y, corner.y)]
      area.value = { x, y, width: Math.abs(p.x - corner.x), height: Math.abs(p.y - corner.y) }
      return
    }
    const c = grip.follow(event)
    if (c) tell('carry', c.id, c.to, !event.altKey)
  }
  function letGo(keep: boolean) {
    pan = corner = null
    if (area.value && keep) tell('area', area.value)
    area.value = null
    const c = carried.value
    if (!grip.letGo() || !c) return
    if (keep) tell('drop', c.id, c.to)
    else tell('leave')
  }

  return { area, touched, lifted, ground, follow, letGo }
}
