import { computed, ref, type Ref } from 'vue'
import type { TrayElement } from '@/api/tray.gen'
import { useJob } from '@/stores/job'

type Box = { x: number; y: number; width: number; height: number }

/** Several things chosen together, besides the one that is chosen first. */
export function useGroup(selected: Ref<string | null>) {
  const job = useJob()
  const more = ref<ReadonlySet<string>>(new Set())
  /** Taps and areas add to what is chosen, as on a screen without keys. */
  const several = ref(false)
  const members = computed<TrayElement[]>(() => {
    const ids = new Set(more.value)
    if (selected.value) ids.add(selected.value)
    return ids.size > 1 ? job.placed.filter(e => ids.has(e.id)) : []
  })

  function toggle(id: string) {
    const ids = new Set(more.value)
    if (selected.value) ids.add(selected.value)
    if (ids.has(id)) ids.delete(id)
    else ids.add(id)
    const first = ids.has(id) ? id : ([...ids].at(-1) ?? null)
    selected.value = first
    if (first) ids.delete(first)
    more.value = ids
  }
  /** Chooses everything whose middle lies in an area of the board, mm. */
  function within(b: Box) {
    const inside = job.placed.filter(e => {
      const [x, y] = middle(e)
      return x >= b.x && x <= b.x + b.width && y >= b.y && y <= b.y + b.height
    })
    selected.value = inside[0]?.id ?? null
    more.value = new Set(inside.slice(1).map(e => e.id))
  }
  const clear = () => (more.value = new Set())
  return { more, several, members, toggle, within, clear }
}

function middle(e: TrayElement): [number, number] {
  let [x, y] = [0, 0]
  for (const p of e.pieces) {
    x += p.at?.[0] ?? e.x
    y += p.at?.[1] ?? e.y
  }
  const n = Math.max(1, e.pieces.length)
  return [x / n, y / n]
}
