import { ref, shallowRef, type Ref } from 'vue'
import { api, body, take, Trouble, type PutAnswer, type Review } from '@/api/client'
import type { TrayElement } from '@/api/tray.gen'
import { useJob } from '@/stores/job'
import { useLarder } from '@/stores/larder'
import { keyOf } from '@/tray/given'
import { motion, moved, normalTurn, poseOf, type Pose } from '@/tray/move'
import { count } from '@/tray/words'
import { useGiveWay } from './giveWay'
import type { useActs } from './acts'
import { useCarrying } from './carrying'
import type { useScene } from './scene'

/** What hands do on the tray: carry, nudge, turn, lock, take off, lay down, change the form. */
export function useByHand(
  drawing: ReturnType<typeof useScene>,
  selected: Ref<string | null>,
  acts: ReturnType<typeof useActs>,
) {
  const job = useJob()
  const larder = useLarder()
  const giveWay = useGiveWay(drawing)
  const carrying = useCarrying(() => giveWay.on.value)
  /** What could not be done, and what to do. */
  const wrong = ref('')
  /** The review before what is chosen was moved. */
  const before = shallowRef<Review | null>(null)

  const element = (id: string | null) => job.elements.find(e => e.id === id) ?? null
  const name = (e: TrayElement) => larder.name(e.food).toLowerCase()

  function carry(id: string, pose: Pose, along: string[] = [], hugs = true) {
    before.value ??= job.review
    job.handFull = true
    carrying.follow(id, pose, along, hugs)
  }
  function place(id: string, from: Pose, to: Pose, rests: boolean) {
    job.handFull = false
    const e = element(id)
    if (!e || e.locked) return
    before.value ??= job.review
    const says = `moved the ${name(e)}`
    const index = job.elements.indexOf(e)
    job.changeElement(moved(e, to), says, true)
    drawing.shift(index, from, to)
    carrying.letGo()
    giveWay.after(id, from, says, rests, carrying.rest)
  }
  const drop = (id: string, from: Pose, to: Pose) => place(id, from, to, true)
  function nudge(e: TrayElement, dx: number, dy: number, turn = 0) {
    const from = poseOf(e)
    place(e.id, from, { x: from.x + dx, y: from.y + dy, turn: from.turn + turn }, false)
  }
  /** Puts down several things that were carried together: the others as the first one went. */
  async function dropAll(members: readonly TrayElement[], from: Pose, to: Pose) {
    const way = motion(from, to)
    const turn = to.turn - from.turn
    const poses = new Map<string, Pose>()
    const pieces = new Map<number, Pose>()
    for (const e of members.filter(m => !m.locked)) {
      const [x = 0, y = 0] = way([e.x, e.y])
      poses.set(e.id, { x, y, turn: normalTurn(e.turn_deg + turn) })
      const k = job.elements.indexOf(e)
      e.pieces.forEach((p, n) => {
        const [px = 0, py = 0] = way(p.at ?? [e.x, e.y])
        pieces.set(keyOf(k, n), { x: px, y: py, turn: normalTurn((p.turn_deg ?? 0) + turn) })
      })
    }
    job.handFull = false
    before.value ??= job.review
    carrying.letGo()
    carrying.given.value = pieces // until everything has its place
    await acts.move(poses, `moved ${count(poses.size, 'thing')} together`)
    carrying.rest()
  }
  /** What was carried is not put down after all: everything goes back. */
  function leave() {
    job.handFull = false
    carrying.letGo()
    carrying.rest()
  }
  const lock = (e: TrayElement) =>
    job.changeElement(
      { ...e, locked: !e.locked },
      `${e.locked ? 'let go of' : 'locked'} the ${name(e)}`,
      true,
    )
  /** Changes several things as one step. */
  function all(
    some: readonly TrayElement[],
    how: (e: TrayElement) => TrayElement,
    says: string,
    onlyPlaces = false,
  ) {
    const ids = new Set(some.map(e => e.id))
    if (job.tray)
      job.changeTray(
        { ...job.tray, elements: job.elements.map(e => (ids.has(e.id) ? how(e) : e)) },
        says,
        onlyPlaces,
      )
  }
  function lockAll(some: readonly TrayElement[]) {
    const to = some.some(e => !e.locked)
    all(
      some,
      e => ({ ...e, locked: to }),
      `${to ? 'locked' : 'let go of'} ${count(some.length, 'thing')}`,
      true,
    )
  }
  const off = (e: TrayElement): TrayElement => ({
    ...e,
    placed: false,
    pieces: [],
    path: undefined,
    locked: false,
  })
  function takeAllOff(some: readonly TrayElement[]) {
    const free = some.filter(e => !e.locked)
    selected.value = null
    all(free, off, `took ${count(free.length, 'thing')} off the board`)
  }
  function takeOff(e: TrayElement) {
    selected.value = null
    job.changeElement(off(e), `took the ${name(e)} off the board`)
  }

  /** Lays an element at a spot, where there is room, or in another form; true when it lies. */
  async function put(e: TrayElement, how: { at?: Pose; form?: string } = {}): Promise<boolean> {
    wrong.value = ''
    if (how.at && giveWay.on.value) {
      const laid = await acts.move(new Map([[e.id, how.at]]), `laid the ${name(e)}`)
      if (laid) selected.value = e.id
      return laid
    }
    try {
      const { element: laid, room } = await take<PutAnswer>(
        api.POST('/api/v1/put', {
          body: body({
            tray: job.tray,
            element: e.id,
            ...(how.form ? { form: how.form } : {}),
            ...(how.at ? { at: { x: how.at.x, y: how.at.y, turn_deg: how.at.turn } } : {}),
          }),
        }),
      )
      job.changeElement(laid, how.form ? `${name(e)}: another form` : `laid the ${name(e)}`)
      if (!room)
        wrong.value = `There is no free room for ${name(e)}; it lies in the middle. Move it, or make room.`
      if (laid.placed) selected.value = laid.id
      if (laid.placed && how.form) giveWay.after(laid.id, poseOf(laid), `${name(e)}: another form`, true)
      return laid.placed
    } catch (err) {
      wrong.value = err instanceof Trouble ? err.message : 'That could not be laid.'
      return false
    }
  }
  /** The forms it can be given as it lies, its own among them; none where it stands in a bowl. */
  function otherForms(e: TrayElement) {
    const takes = larder.food(e.food)?.forms.filter(f => f.takes) ?? []
    return takes.some(f => f.form === e.form) ? takes : []
  }
  /** The form that comes after the one it has; null where there is no other. */
  function formAfter(e: TrayElement): string | null {
    const forms = otherForms(e)
    if (forms.length < 2) return null
    return forms[(forms.findIndex(f => f.form === e.form) + 1) % forms.length]!.form
  }

  /** The acts of the keys on an element, by the key's name. */
  function keys(e: TrayElement, big: boolean): Record<string, () => void> {
    const d = big ? 10 : 2 // mm
    const t = big ? 15 : 5 // degrees
    return {
      ArrowLeft: () => nudge(e, -d, 0),
      ArrowRight: () => nudge(e, d, 0),
      ArrowUp: () => nudge(e, 0, -d),
      ArrowDown: () => nudge(e, 0, d),
      '[': () => nudge(e, 0, 0, -t),
      ']': () => nudge(e, 0, 0, t),
      '{': () => nudge(e, 0, 0, -t),
      '}': () => nudge(e, 0, 0, t),
      l: () => lock(e),
      Delete: () => takeOff(e),
      Backspace: () => takeOff(e),
    }
  }

  return {
    inHand: carrying.inHand,
    given: carrying.given,
    stuck: carrying.stuck,
    drawn: carrying.drawn,
    gives: giveWay.on,
    wrong,
    before,
    element,
    carry,
    drop,
    dropAll,
    leave,
    nudge,
    lock,
    lockAll,
    takeOff,
    takeAllOff,
    put,
    formAfter,
    keys,
  }
}
