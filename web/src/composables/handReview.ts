import { shallowRef } from 'vue'
import { api, take, type Review } from '@/api/client'
import { useJob } from '@/stores/job'
import type { Pose } from '@/tray/move'

/**
 * The review while something is in the hand: one small request at a time, at
 * most one an animation frame, and the newest place wins.
 */
export function useHandReview() {
  const job = useJob()
  const inHand = shallowRef<Review | null>(null)
  let next: { element: string; pose: Pose } | null = null
  let busy = false
  let held = false

  function follow(element: string, pose: Pose) {
    held = true
    next = { element, pose }
    if (!busy) void run()
  }

  async function run() {
    busy = true
    while (next && job.tray && job.baseTray) {
      await new Promise(requestAnimationFrame)
      const now: { element: string; pose: Pose } = next
      next = null
      const moves = unsavedMoves(now)
      if (!moves) break
      try {
        const r = await take<Review>(
          api.POST('/api/v1/jobs/{id}/review', {
            params: { path: { id: job.id } },
            body: { revision: job.revision, tray: job.at, moves },
          }),
        )
        if (held) inHand.value = r
      } catch {
        break // the review of the whole tray follows when it is put down
      }
    }
    busy = false
  }

  /** Every place that differs from the saved tray; null when more than places differ. */
  function unsavedMoves(now: { element: string; pose: Pose }) {
    const saved = new Map(job.baseTray!.elements.map(e => [e.id, e]))
    const moves = []
    for (const e of job.elements) {
      const was = saved.get(e.id)
      if (!was || was.placed !== e.placed || was.form !== e.form || was.count !== e.count) return null
      const at = e.id === now.element ? now.pose : { x: e.x, y: e.y, turn: e.turn_deg }
      if (at.x !== was.x || at.y !== was.y || at.turn !== was.turn_deg)
        moves.push({ id: e.id, x: at.x, y: at.y, turn_deg: at.turn })
    }
    return moves
  }

  function letGo() {
    held = false
    next = null
    inHand.value = null
  }

  return { inHand, follow, letGo }
}
