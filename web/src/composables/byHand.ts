import { ref, type Ref } from 'vue'
import { api, body, take, Trouble, type PutAnswer } from '@/api/client'
import type { TrayElement } from '@/api/tray.gen'
import { useJob } from '@/stores/job'
import { useLarder } from '@/stores/larder'
import { moved, poseOf, type Pose } from '@/tray/move'
import { useGiveWay } from './giveWay'
import { useHandReview } from './handReview'
import type { useScene } from './scene'

/** What hands do on the tray: carry, nudge, turn, lock, take off, lay down, change the form. */
export function useByHand(drawing: ReturnType<typeof useScene>, selected: Ref<string | null>) {
  const job = useJob()
  const larder = useLarder()
  const review = useHandReview()
  const giveWay = useGiveWay()
  /** What could not be done, and what to do. */
  const wrong = ref('')
  /** The score before what is chosen was moved. */
  const before = ref<number | null>(null)

  const element = (id: string | null) => job.elements.find(e => e.id === id) ?? null
  const name = (e: TrayElement) => larder.name(e.food).toLowerCase()

  function carry(id: string, pose: Pose) {
    before.value ??= job.review?.score ?? null
    review.follow(id, pose)
  }
  function drop(id: string, from: Pose, to: Pose) {
    const e = element(id)
    if (!e || e.locked) return
    before.value ??= job.review?.score ?? null
    drawing.shift(job.elements.indexOf(e), from, to)
    const says = `moved the ${name(e)}`
    job.changeElement(moved(e, to), says, true)
    review.letGo()
    giveWay.after(id, from, says)
  }
  function nudge(e: TrayElement, dx: number, dy: number, turn = 0) {
    const from = poseOf(e)
    drop(e.id, from, { x: from.x + dx, y: from.y + dy, turn: from.turn + turn })
  }
  const lock = (e: TrayElement) =>
    job.changeElement(
      { ...e, locked: !e.locked },
      `${e.locked ? 'let go of' : 'locked'} the ${name(e)}`,
      true,
    )
  function takeOff(e: TrayElement) {
    selected.value = null
    job.changeElement(
      { ...e, placed: false, pieces: [], path: undefined, locked: false },
      `took the ${name(e)} off the board`,
    )
  }

  /** Lays an element at a spot, where there is room, or in another form; true when it lies. */
  async function put(e: TrayElement, how: { at?: Pose; form?: string } = {}): Promise<boolean> {
    wrong.value = ''
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
    inHand: review.inHand,
    gives: giveWay.on,
    wrong,
    before,
    element,
    carry,
    drop,
    nudge,
    lock,
    takeOff,
    put,
    formAfter,
    keys,
  }
}
