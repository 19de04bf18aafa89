import { useStorage } from '@vueuse/core'
import { shallowRef, type Ref } from 'vue'
import { useAct } from '@/api/asking'
import type { Command, EditAnswer, Review } from '@/api/client'
import type { TrayElement } from '@/api/tray.gen'
import { useJob } from '@/stores/job'
import { useLarder } from '@/stores/larder'
import { poseOf, type Pose } from '@/tray/move'
import { moveOf, useCarrying } from './carrying'
import { useRoomSays } from './roomSays'

/** What hands do on the tray: carry, nudge, turn, lock, take off, lay down, change the form. */
export function useByHand(selected: Ref<string | null>) {
  const job = useJob()
  const larder = useLarder()
  const roomSays = useRoomSays()
  /** Whether everything else makes room. */
  const gives = useStorage('give way', true)
  const carrying = useCarrying(() => gives.value)
  /** What could not be done, and what to do. */
  const { wrong, act } = useAct('That could not be done just now.')
  /** The review before what is chosen was moved. */
  const before = shallowRef<Review | null>(null)

  const element = (id: string | null) => job.elements.find(e => e.id === id) ?? null

  /** Does a command, and says what found no room; null where it could not be done, or is not yet. */
  async function done(command: Command, shown?: Pose): Promise<EditAnswer | null> {
    const tray = job.tray
    const answer = await act(() => job.edit(command, shown))
    if (answer && tray) roomSays(tray, answer.displaced, command.kind === 'move' ? command.ids[0] : '')
    return answer ?? null
  }

  function carry(id: string, pose: Pose, along: string[] = [], hugs = true) {
    before.value ??= job.review
    job.handFull = true
    carrying.follow(id, pose, along, hugs)
  }
  /** Puts down what was carried, and what was carried along with it: as it was shown last. */
  async function drop(id: string, to: Pose, along: string[] = []) {
    job.handFull = false
    before.value ??= job.review
    const asked = carrying.asked.value
    const command = asked?.ids[0] === id ? asked : moveOf(id, to, { along, alone: !gives.value })
    carrying.letGo()
    await done(command, to)
    carrying.rest()
  }
  /** Moves by the keys; presses that follow each other are one step. */
  async function nudge(some: readonly TrayElement[], dx: number, dy: number, turn = 0) {
    const free = some.filter(e => !e.locked && e.placed)
    const first = free[0]
    if (!first) return
    before.value ??= job.review
    const tray = job.tray
    const { x, y, turn: now } = poseOf(first)
    const to = { x: x + dx, y: y + dy, turn: now + turn }
    const along = free.slice(1).map(e => e.id)
    const answer = await act(() => job.editSoon(moveOf(first.id, to, { along, alone: !gives.value })))
    if (answer && tray) roomSays(tray, answer.displaced, first.id)
  }
  /** What was carried is not put down after all: everything goes back. */
  function leave() {
    job.handFull = false
    carrying.letGo()
    carrying.rest()
  }
  function lock(some: readonly TrayElement[]) {
    const kind = some.some(e => !e.locked) ? 'lock' : 'unlock'
    return done({ kind, ids: some.map(e => e.id) })
  }
  function takeOff(some: readonly TrayElement[]) {
    selected.value = null
    return done({ kind: 'take-off', ids: some.map(e => e.id) })
  }

  /** Lays an element at a spot, where there is room, or in another form; true when it lies. */
  async function put(e: TrayElement, how: { at?: Pose; form?: string } = {}): Promise<boolean> {
    const alone = gives.value ? {} : { alone: true }
    const answer = await done(
      how.form
        ? { kind: 'form', ids: [e.id], form: how.form, ...alone }
        : how.at
          ? moveOf(e.id, how.at, { alone: !gives.value })
          : { kind: 'lay', ids: [e.id] },
    )
    const laid = answer?.changed.find(o => o.id === e.id)
    if (laid?.placed) selected.value = e.id
    return !!laid?.placed
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

  /** The acts of the keys on elements, by the key's name; the first leads. */
  function keys(some: readonly TrayElement[], big: boolean): Record<string, () => void> {
    const d = big ? 10 : 2 // mm
    const t = big ? 15 : 5 // degrees
    return {
      ArrowLeft: () => nudge(some, -d, 0),
      ArrowRight: () => nudge(some, d, 0),
      ArrowUp: () => nudge(some, 0, -d),
      ArrowDown: () => nudge(some, 0, d),
      '[': () => nudge(some, 0, 0, -t),
      ']': () => nudge(some, 0, 0, t),
      '{': () => nudge(some, 0, 0, -t),
      '}': () => nudge(some, 0, 0, t),
      l: () => lock(some),
      Delete: () => takeOff(some),
      Backspace: () => takeOff(some),
    }
  }

  return {
    inHand: carrying.inHand,
    given: carrying.given,
    stuck: carrying.stuck,
    drawn: carrying.drawn,
    gives,
    wrong,
    before,
    element,
    carry,
    drop,
    leave,
    nudge,
    lock,
    takeOff,
    put,
    formAfter,
    keys,
  }
}
