import { computed, type Ref } from 'vue'
import type { TrayElement, TrayFile } from '@/api/tray.gen'
import type { Carried } from '@/composables/grip'
import { motionOf, type Given } from '@/tray/given'
import { boxAround, type Pose } from '@/tray/move'

/** An element that hands can take hold of: its place on the tray and its outlines as a path. */
export interface Hold {
  e: TrayElement
  index: number
  d: string
}

/** What a hand holds on the canvas, as it is seen: where it is carried, what moves along, and what finds no room. */
export function useHeld(
  props: Readonly<{
    tray: TrayFile
    selected: string | null
    more: ReadonlySet<string>
    given: Given | null
    stuck: readonly string[]
    drawn: Pose | null
  }>,
  holds: Readonly<Ref<readonly Hold[]>>,
  pulled: Readonly<Ref<Carried | null>>,
) {
  /** What is carried as it is seen and put down: drawn against what it comes near to. */
  const carried = computed(() => {
    const [c, by] = [pulled.value, props.drawn]
    if (!c || !by) return c
    return { ...c, to: { x: c.to.x + by.x, y: c.to.y + by.y, turn: c.to.turn + by.turn } }
  })

  /** What is in the hand: the one that was taken hold of, and what was chosen with it. */
  const inHand = computed(() => {
    const c = carried.value
    if (!c) return []
    const along = props.tray.elements[c.index]?.id === props.selected ? props.more : null
    return props.tray.elements.flatMap((e, i) =>
      i === c.index || (along?.has(e.id) && !e.locked) ? [i] : [],
    )
  })
  const around = computed(() => {
    const boxes = inHand.value
      .map(i => props.tray.elements[i]!)
      .filter(e => e.placed)
      .map(e => boxAround(e, 14))
    if (!boxes.length) return null
    const [x, y] = [Math.min(...boxes.map(b => b.x)), Math.min(...boxes.map(b => b.y))]
    const far = (at: 'x' | 'y', long: 'width' | 'height') => Math.max(...boxes.map(b => b[at] + b[long]))
    return { x, y, width: far('x', 'width') - x, height: far('y', 'height') - y }
  })
  /** The others that are chosen: their outlines, carried along when they are. */
  const others = computed(() => holds.value.filter(h => props.more.has(h.e.id) && h.e.id !== props.selected))
  const motion = computed(() => {
    const c = carried.value
    if (!c) return undefined
    return `translate(${c.to.x} ${c.to.y}) rotate(${c.to.turn - c.from.turn}) translate(${-c.from.x} ${-c.from.y})`
  })

  /** What finds no room while something is carried: its outlines where they have come to. */
  const crowded = computed(() =>
    holds.value
      .filter(h => props.stuck.includes(h.e.id))
      .map(h => ({ id: h.e.id, d: h.d, motion: motionOf(h.e, h.index, props.given) })),
  )

  return { carried, inHand, around, others, motion, crowded }
}
