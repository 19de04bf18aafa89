import { shallowRef } from 'vue'
import { api, take, type CarryAnswer, type Review } from '@/api/client'
import { useJob } from '@/stores/job'
import { shortest, type Pose } from '@/tray/move'
import { givenBy, type Given } from '@/tray/given'

type Asked = { element: string; pose: Pose; along: string[]; hugs: boolean }

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
  let next: Asked | null = null
  let busy = false
  let held = false

  function follow(element: string, pose: Pose, along: string[] = [], hugs = true) {
    if (!held && job.doc !== job.base) void job.flush() // what is asked is asked of the saved tray
    held = true
    next = { element, pose, along, hugs }
    if (!busy) void run()
  }

  async function run() {
    busy = true
    while (next && job.tray && job.baseTray) {
      await new Promise(requestAnimationFrame)
      const now: Asked | null = next
      if (!now) break
      next = null
      try {
        const r =
          gives() && job.doc === job.base
            ? await makeRoom(now)
            : now.along.length
              ? null
              : await judge(now.element, now.pose)
        if (!r) break
        if (held) inHand.value = r
      } catch {
        break // the review of the whole tray follows when it is put down
      }
    }
    busy = false
  }

  async function makeRoom({ element, pose: { x, y, turn }, along, hugs }: Asked): Promise<Review> {
    const tray = job.tray
    const a = await take<CarryAnswer>(
      api.POST('/api/v1/jobs/{id}/carry', {
        params: { path: { id: job.id } },
        body: { revision: job.revision, tray: job.at, element, x, y, turn_deg: turn, along, hugs },
      }),
    )
    if (held && job.tray === tray) {
      given.value = givenBy(a.shifts)
      const [ax = x, ay = y, aTurn = turn] = a.at
      drawn.value = { x: ax - x, y: ay - y, turn: shortest(aTurn - turn) }
      stuck.value = a.stuck
    }
    return a.review
  }

  async function judge(element: string, pose: Pose): Promise<Review | null> {
    const moves = unsavedMoves(element, pose)
    if (!moves) return null
    return take<Review>(
      api.POST('/api/v1/jobs/{id}/review', {
        params: { path: { id: job.id } },
        body: { revision: job.revision, tray: job.at, moves },
      }),
    )
  }

  /** Every place that differs from the saved tray; null when more than places differ. */
  function unsavedMoves(element: string, pose: Pose) {
    const saved = new Map(job.baseTray!.elements.map(e => [e.id, e]))
    const moves = []
    for (const e of job.elements) {
      const was = saved.get(e.id)
      if (!was || was.placed !== e.placed || was.form !== e.form || was.count !== e.count) return null
      const at = e.id === element ? pose : { x: e.x, y: e.y, turn: e.turn_deg }
      if (at.x !== was.x || at.y !== was.y || at.turn !== was.turn_deg)
        moves.push({ id: e.id, x: at.x, y: at.y, turn_deg: at.turn })
    }
    return moves
  }

  /** Lets go. What made room is shown as it is until rest is called: when everything has its place, or goes back. */
  function letGo() {
    held = false
    next = null
    inHand.value = drawn.value = null
    stuck.value = []
  }
  function rest() {
    if (!held) given.value = null
  }

  return { inHand, given, drawn, stuck, follow, letGo, rest }
}
