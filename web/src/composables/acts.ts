import { computed, ref, type Ref } from 'vue'
import { api, body, take, Trouble } from '@/api/client'
import type { TrayElement, TrayFile } from '@/api/tray.gen'
import { useJob } from '@/stores/job'
import { useLarder } from '@/stores/larder'
import { useToast } from '@/stores/toast'
import type { Pose } from '@/tray/move'
import { useRoomSays, type NoRoom } from './roomSays'
import type { useScene } from './scene'

type Asked = {
  kind:
    | 'move'
    | 'swap'
    | 'duplicate'
    | 'split'
    | 'join'
    | 'amount'
    | 'vessel'
    | 'lift'
    | 'circle'
    | 'open'
    | 'bend'
  element?: string
  other?: string
  count?: number
  vessel?: string
  lift_mm?: number
  deg?: number
  open?: number
  path?: number[][]
  moves?: { id: string; x: number; y: number; turn_deg: number }[]
}

const lifts = [0, 15, 30] // mm that a bowl is set upon

/** What hands do besides moving one thing: the server does it, and everything else makes room. One step to undo each. */
export function useActs(drawing: ReturnType<typeof useScene>, selected: Ref<string | null>) {
  const job = useJob()
  const larder = useLarder()
  const toast = useToast()
  const roomSays = useRoomSays()
  const busy = ref(false)
  /** What is done with the next thing that is chosen, and to which. */
  const pairing = ref<{ kind: 'swap' | 'join'; element: string } | null>(null)
  const name = (e: TrayElement) => larder.name(e.food).toLowerCase()

  /** Asks for a tray that is changed, and takes it unless this one was changed meanwhile. */
  async function change(
    ask: (tray: TrayFile) => Parameters<typeof take<NoRoom & { tray: TrayFile }>>[0],
    says: string,
  ): Promise<boolean> {
    const tray = job.tray
    const where = job.at
    if (!tray || busy.value) return false
    busy.value = true
    try {
      const answer = await take<NoRoom & { tray: TrayFile }>(ask(tray))
      if (job.tray !== tray) return false
      roomSays(tray, answer)
      const alike = drawing.place(answer.tray)
      job.changeTray(answer.tray, says, alike, where)
      const more = answer.tray.elements.length > tray.elements.length
      if (more) selected.value = answer.tray.elements.at(-1)!.id
      return true
    } catch (e) {
      toast.tell({ says: e instanceof Trouble ? e.message : 'That could not be done just now.' })
      return false
    } finally {
      busy.value = false
    }
  }
  const act = (asked: Asked, says: string) =>
    change(tray => api.POST('/api/v1/by-hand', { body: body({ tray, ...asked }) }), says)

  /** Lays the tray as that of another job is laid. */
  /** Lays the tray as one of another job lies: as it is now, or as a pattern has it. */
  const like = (job: string, title: string, of?: { revision: number; tray: number }) =>
    change(
      tray =>
        api.POST('/api/v1/like', {
          body: body({ tray, job, ...(of && { revision: of.revision, which: of.tray }) }),
        }),
      `laid like ${title}`,
    )
  /** Puts several things down together. */
  const move = (to: ReadonlyMap<string, Pose>, says: string) =>
    act({ kind: 'move', moves: [...to].map(([id, p]) => ({ id, x: p.x, y: p.y, turn_deg: p.turn })) }, says)
  const duplicate = (e: TrayElement) => act({ kind: 'duplicate', element: e.id }, `duplicated the ${name(e)}`)
  const split = (e: TrayElement) => act({ kind: 'split', element: e.id }, `split the ${name(e)}`)
  const amount = (e: TrayElement, n: number) =>
    n >= 1 && act({ kind: 'amount', element: e.id, count: n }, `${n} of the ${name(e)}`)
  const circle = (e: TrayElement, deg: number) =>
    act({ kind: 'circle', element: e.id, deg }, `moved the ${name(e)} round what it hugs`)
  const open = (e: TrayElement, by: number) =>
    act({ kind: 'open', element: e.id, open: by }, `${by > 1 ? 'opened' : 'closed'} the ${name(e)}`)
  const bend = (e: TrayElement, path: number[][]) =>
    act({ kind: 'bend', element: e.id, path }, `bent the ${name(e)}`)
  function lift(e: TrayElement) {
    const now = e.pieces[0]?.z_mm ?? 0
    const next = lifts[(lifts.findIndex(l => l >= now) + 1) % lifts.length]!
    return act(
      { kind: 'lift', element: e.id, lift_mm: next },
      next ? `lifted the ${name(e)}` : `set the ${name(e)} down`,
    )
  }
  const vessels = computed(() => larder.all?.vessels ?? [])
  const vessel = (e: TrayElement, id: string) =>
    act({ kind: 'vessel', element: e.id, vessel: id }, `the ${name(e)}: another bowl`)
  /** The next vessel that holds it. */
  const nextVessel = (e: TrayElement) =>
    act({ kind: 'vessel', element: e.id }, `the ${name(e)}: another bowl`)

  /** Whether an element can be joined with another. */
  const joins = (a: TrayElement, b: TrayElement) => a.food === b.food && a.form === b.form
  const swap = (a: TrayElement, b: TrayElement) =>
    act({ kind: 'swap', element: a.id, other: b.id }, `swapped the ${name(a)} and the ${name(b)}`)
  const join = (a: TrayElement, b: TrayElement) =>
    act({ kind: 'join', element: a.id, other: b.id }, `joined the ${name(a)}`)

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

  /** The acts of the keys on an element, by the key's name. */
  function keys(e: TrayElement, big: boolean): Record<string, () => unknown> {
    return {
      d: () => duplicate(e),
      s: () => split(e),
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
    move,
    duplicate,
    split,
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
    alone: () => (pairing.value = null),
    keys,
  }
}
