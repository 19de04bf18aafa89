import type { Ref } from 'vue'
import type { TrayElement } from '@/api/tray.gen'
import type { useActs } from '@/composables/acts'
import type { useByHand } from '@/composables/byHand'
import type { useGroup } from '@/composables/group'
import type { useLaying } from '@/composables/laying'
import { useJob } from '@/stores/job'
import { arrowOn, type Pose } from '@/tray/move'

/** The canvas, as far as what is chosen on it asks it. */
export interface Board {
  boardPoint: (x: number, y: number) => { x: number; y: number } | null
  focus: (id: string) => void
  turned: boolean
}

/** What hands do with what is chosen on the tray: choosing one or several, carrying, laying, turning, by keys too. */
export function useChosen(
  selected: Ref<string | null>,
  on: {
    acts: ReturnType<typeof useActs>
    hand: ReturnType<typeof useByHand>
    group: ReturnType<typeof useGroup>
    laying: ReturnType<typeof useLaying>
    canvas: () => Board | null
    busy: () => boolean
  },
) {
  const job = useJob()
  const { acts, hand, group, laying } = on
  function select(id: string | null, adds: boolean) {
    if (id && acts.paired(id)) return
    if (id && adds) return group.toggle(id)
    const first = selected.value
    if (id && group.more.value.has(id)) {
      // one of several is taken hold of: the others stay chosen with it
      group.more.value = new Set([...group.more.value, ...(first ? [first] : [])].filter(m => m !== id))
    } else if (id !== first) group.clear()
    selected.value = id
  }
  /** What moves along with what is taken hold of. */
  const along = (id: string) =>
    id === selected.value ? group.members.value.filter(m => m.id !== id && !m.locked).map(m => m.id) : []
  const drop = (id: string, to: Pose) => void hand.drop(id, to, along(id))
  const carry = (id: string, to: Pose, hugs: boolean) => hand.carry(id, to, along(id), hugs)
  /** Lays only these again; everything else stays where it is. */
  function layThese(members: readonly TrayElement[]) {
    if (on.busy() || !members.length) return
    const seed = (job.tray!.seed % 1_000_000) + 1
    const ids = new Set(members.filter(m => !m.locked).map(m => m.id))
    group.clear()
    selected.value = null
    void laying.lay('', seed, 1, ids)
  }

  /** Lays what waits beside the board, where it was let go or where there is room. */
  async function put(e: TrayElement, at: { x: number; y: number } | null) {
    const point = at && on.canvas()?.boardPoint(at.x, at.y)
    if (at && !point) return // let go beside the board
    if (await hand.put(e, point ? { at: { ...point, turn: 0 } } : {}))
      window.setTimeout(() => on.canvas()?.focus(e.id), 60)
  }
  function bend(id: string, path: number[][]) {
    const e = hand.element(id)
    if (e && !on.busy()) void acts.bend(e, path)
  }
  async function nextForm(e: TrayElement) {
    const form = hand.formAfter(e)
    if (form && (await hand.put(e, { form }))) window.setTimeout(() => on.canvas()?.focus(e.id), 60)
  }
  function key(id: string, event: KeyboardEvent) {
    const e = hand.element(id)
    if (!e || on.busy() || event.ctrlKey || event.metaKey || event.altKey) return
    const some = group.members.value
    const all: Record<string, () => unknown> = {
      ...acts.keys(e, event.shiftKey),
      ...hand.keys(some.length > 1 ? [e, ...some.filter(m => m.id !== e.id)] : [e], event.shiftKey),
      ...(some.length > 1 && groupKeys(some)),
      f: () => void nextForm(e),
      t: () => group.toggle(e.id),
    }
    const pressed = arrowOn(on.canvas()?.turned ?? false, event.key)
    const act = all[pressed] ?? all[pressed.toLowerCase()]
    if (!act) return
    event.preventDefault()
    act()
  }

  /** The acts of the keys on several things that are chosen together. */
  function groupKeys(some: readonly TrayElement[]): Record<string, () => unknown> {
    return {
      r: () => layThese(some),
      x: () => some.length === 2 && acts.swap(some[0]!, some[1]!),
    }
  }

  return { select, drop, carry, layThese, put, bend, nextForm, key }
}
