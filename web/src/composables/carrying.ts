import { shallowRef } from 'vue'
import { api, take, type CarryAnswer, type Review } from '@/api/client'
import { useJob } from '@/stores/job'
import type { Pose } from '@/tray/move'
import { givenBy, type Given } from '@/tray/given'

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
  let next: { element: string; pose: Pose } | null = null
  let busy = false
  let held = false

  function follow(element: string, pose: Pose) {
    if (!held && job.doc !== job.base) void job.flush() // what is asked is asked of the saved tray
    held = true
    next = { element, pose }
    if (!busy) void run()
  }

  async function run() {
    busy = true
    while (next && job.tray && job.baseTray) {
      await new Promise(requestAnimationFrame)
      const now: { element: string; pose: Pose } | null = next
      if (!now) break
      next = null
      try {
        const r =
          gives() && job.doc === job.base
            ? await makeRoom(now.element, now.pose)
            : await judge(now.element, now.pose)
        if (!r) break
        if (held) inHand.value = r
      } catch {
        break // the review of the whole tray follows when it is put down
      }
    }
    busy = false
  }

  async function makeRoom(element: string, { x, y, turn }: Pose): Promise<Review> {
    const tray = job.tray
    const a = await take<CarryAnswer>(
      api.POST('/api/v1/jobs/{id}/carry', {
        params: { path: { id: job.id } },
        body: { revision: job.revision, tray: job.at, element, x, y, turn_deg: turn },
      }),
    )
    if (held && job.tray === tray) {
      given.value = givenBy(a.shifts)
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
    inHand.value = null
    stuck.value = []
  }
  function rest() {
    if (!held) given.value = null
  }

  return { inHand, given, stuck, follow, letGo, rest }
}
