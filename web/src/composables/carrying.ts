import { shallowRef } from 'vue'
import { api, take, type Command, type Review } from '@/api/client'
import { useJob } from '@/stores/job'
import { shortest, type Pose } from '@/tray/move'
import { givenBy, type Given } from '@/tray/given'

const still = 90 // ms after which a hand rests, and is shown what putting down there comes to

/** The move of what is held to a pose: what the preview asks, and putting down does. */
export function moveOf(
  element: string,
  { x, y, turn }: Pose,
  o: { along?: readonly string[]; hugs?: boolean; alone?: boolean } = {},
): Command {
  return {
    kind: 'move',
    ids: [element, ...(o.along ?? [])],
    to: { x, y, turn_deg: turn },
    ...(o.hugs && !o.alone && { hugs: true }),
    ...(o.alone && { alone: true }),
  }
}

/**
 * What is seen while something is in the hand: how everything else makes room for it, and the
 * review. One small request at a time, at most one an animation frame, and the newest place wins.
 */
export function useCarrying(gives: () => boolean) {
  const job = useJob()
  const inHand = shallowRef<Review | null>(null)
  /** How pieces lie that make room; null while none does. */
  const given = shallowRef<Given | null>(null)
  /** Elements that find no room where they are. */
  const stuck = shallowRef<string[]>([])
  /** How far what is held is drawn from where the hand has it: against what it comes near to, or inside. */
  const drawn = shallowRef<Pose | null>(null)
  /** The move as it was asked last; null while nothing is held. */
  const asked = shallowRef<Command | null>(null)
  let next: { move: Command; rests: boolean } | null = null
  let busy = false
  let held = false
  let resting = 0

  function follow(element: string, pose: Pose, along: string[] = [], hugs = true) {
    if (!held && job.doc !== job.base) void job.flush() // what is asked is asked of the saved tray
    held = true
    const move = moveOf(element, pose, { along, hugs, alone: !gives() })
    asked.value = move
    want(move, false)
    window.clearTimeout(resting)
    resting = window.setTimeout(() => held && want(move, true), still)
  }
  function want(move: Command, rests: boolean) {
    next = { move, rests }
    if (!busy) void run()
  }

  async function run() {
    busy = true
    while (next && job.tray && job.baseTray) {
      await new Promise(requestAnimationFrame)
      const now: typeof next = next
      if (!now || job.doc !== job.base) break
      next = null
      try {
        await preview(now.move, now.rests)
      } catch {
        break // the review of the whole tray follows when it is put down
      }
    }
    busy = false
  }

  async function preview(command: Command, rests: boolean) {
    const tray = job.tray
    const a = await take(
      api.POST('/api/v1/jobs/{id}/edits', {
        params: { path: { id: job.id } },
        body: { revision: job.revision, tray: job.at, command, preview: true, ...(rests && { rests }) },
      }),
    )
    if (!held || job.tray !== tray || !a.carried || !command.to) return
    const { x, y, turn_deg: turn } = command.to
    given.value = givenBy(a.carried.shifts)
    const [ax = x, ay = y, aTurn = turn] = a.carried.at
    drawn.value = { x: ax - x, y: ay - y, turn: shortest(aTurn - turn) }
    stuck.value = a.carried.stuck
    inHand.value = a.review
  }

  /** Lets go. What made room is shown as it is until rest is called: when everything has its place, or goes back. */
  function letGo() {
    held = false
    next = null
    window.clearTimeout(resting)
    inHand.value = drawn.value = asked.value = null
    stuck.value = []
  }
  function rest() {
    if (!held) given.value = null
  }

  return { inHand, given, drawn, stuck, asked, follow, letGo, rest }
}
