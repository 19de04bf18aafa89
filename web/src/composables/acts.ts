import { computed, ref, type Ref } from 'vue'
import { said } from '@/api/asking'
import { api, take, type Command } from '@/api/client'
import type { TrayElement } from '@/api/tray.gen'
import { useJob } from '@/stores/job'
import { useLarder } from '@/stores/larder'
import { useToast } from '@/stores/toast'
import { useRoomSays } from './roomSays'

const lifts = [0, 15, 30, 60] // mm: a lid, a small plate, an upturned bowl

/** What hands do besides moving one thing: the server does it, and everything else makes room. One step to undo each. */
export function useActs(selected: Ref<string | null>) {
  const job = useJob()
  const larder = useLarder()
  const toast = useToast()
  const roomSays = useRoomSays()
  const busy = ref(false)
  /** What is done with the next thing that is chosen, and to which. */
  const pairing = ref<{ kind: 'swap' | 'join'; element: string } | null>(null)

  /** Does one thing at a time, and tells what goes wrong; true when it was done. */
  async function alone(work: () => Promise<boolean>): Promise<boolean> {
    if (!job.tray || busy.value) return false
    busy.value = true
    try {
      return await work()
    } catch (e) {
      toast.tell({ says: said(e, 'That could not be done just now.') })
      return false
    } finally {
      busy.value = false
    }
  }
  /** Does a command; what is new by it is chosen. */
  const act = (command: Command) =>
    alone(async () => {
      const tray = job.tray!
      const answer = await job.edit(command)
      if (!answer) return false
      roomSays(tray, answer.displaced)
      const had = new Set(tray.elements.map(e => e.id))
      const more = answer.changed.find(e => !had.has(e.id))
      if (more && command.kind === 'duplicate') selected.value = more.id
      return true
    })

  /** Lays the tray as one of another job lies: as it is now, or as a pattern has it. */
  const like = (other: string, title: string, of?: { revision: number; tray: number }) =>
    alone(async () => {
      const tray = job.tray!
      const where = job.at
      const answer = await take(
        api.POST('/api/v1/like', {
          body: { tray, job: other, ...(of && { revision: of.revision, which: of.tray }) },
        }),
      )
      if (job.tray !== tray) return false
      roomSays(tray, answer)
      job.changeTray(answer.tray, `laid like ${title}`, false, where)
      return true
    })
  const one = (e: TrayElement) => ({ ids: [e.id] })
  const duplicate = (e: TrayElement) => act({ kind: 'duplicate', ...one(e) })
  const split = (e: TrayElement) => act({ kind: 'split', ...one(e) })
  const pile = (e: TrayElement) => act({ kind: 'pile', ...one(e) })
  const lean = (e: TrayElement) => act({ kind: 'lean', ...one(e) })
  const hideFoot = (e: TrayElement) => act({ kind: 'hide-foot', ...one(e) })
  const amount = (e: TrayElement, n: number) => n >= 1 && act({ kind: 'amount', ...one(e), count: n })
  const circle = (e: TrayElement, deg: number) => act({ kind: 'circle', ...one(e), deg })
  const open = (e: TrayElement, by: number) => act({ kind: 'open', ...one(e), open: by })
  const bend = (e: TrayElement, path: number[][]) => act({ kind: 'bend', ...one(e), path })
  function lift(e: TrayElement) {
    const now = e.pieces[0]?.z_mm ?? 0
    const next = lifts[(lifts.findIndex(l => l >= now) + 1) % lifts.length]!
    return act({ kind: 'lift', ...one(e), lift_mm: next })
  }
  const vessels = computed(() => larder.all?.vessels ?? [])
  const vessel = (e: TrayElement, id: string) => act({ kind: 'vessel', ...one(e), vessel: id })
  /** The next vessel that holds it. */
  const nextVessel = (e: TrayElement) => act({ kind: 'vessel', ...one(e) })

  /** Whether an element can be joined with another. */
  const joins = (a: TrayElement, b: TrayElement) => a.food === b.food && a.form === b.form
  const swap = (a: TrayElement, b: TrayElement) => act({ kind: 'swap', ids: [a.id, b.id] })
  const join = (a: TrayElement, b: TrayElement) => act({ kind: 'join', ids: [a.id, b.id] })

  function pair(kind: 'swap' | 'join', e: TrayElement) {
    pairing.value = { kind, element: e.id }
  }
  /** Does what waits for a second thing with it; false where nothing waits. */
  function paired(id: string): boolean {
    const p = pairing.value
    if (!p || p.element === id) return false
    pairing.value = null
    const [a, b] = [p.element, id].map(i => job.elements.find(e => e.id === i))
    if (a && b) void (p.kind === 'swap' ? swap(a, b) : join(a, b))
    return true
  }

  /** Whether it stands on the board and has a foot that shows: a bowl, a whole cheese. */
  const stands = (e: TrayElement) =>
    !!e.vessel || larder.food(e.food)?.forms.find(f => f.form === e.form)?.kind === 'anchor'

  /** The acts of the keys on an element, by the key's name. */
  function keys(e: TrayElement, big: boolean): Record<string, () => unknown> {
    return {
      d: () => duplicate(e),
      s: () => split(e),
      h: () => (stands(e) ? hideFoot(e) : pile(e)),
      n: () => lean(e),
      x: () => pair('swap', e),
      j: () => pair('join', e),
      PageUp: () => amount(e, e.count + (big ? 5 : 1)),
      PageDown: () => amount(e, Math.max(1, e.count - (big ? 5 : 1))),
      o: () => open(e, big ? 0.85 : 1.15),
      c: () => circle(e, big ? -15 : 15),
      v: () => nextVessel(e),
      u: () => lift(e),
    }
  }

  return {
    busy,
    like,
    pairing,
    vessels,
    duplicate,
    split,
    pile,
    lean,
    hideFoot,
    amount,
    circle,
    open,
    bend,
    lift,
    vessel,
    joins,
    swap,
    join,
    pair,
    paired,
    unpair: () => (pairing.value = null),
    keys,
  }
}
