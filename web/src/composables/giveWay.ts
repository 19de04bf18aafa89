import { useStorage } from '@vueuse/core'
import { api, body, take } from '@/api/client'
import type { TrayFile } from '@/api/tray.gen'
import { useRoomSays, type NoRoom } from './roomSays'
import type { useScene } from './scene'
import { useJob } from '@/stores/job'
import type { Pose } from '@/tray/move'

type Answer = NoRoom & { moved: boolean; tray?: TrayFile }

const pause = 220 // ms after the last nudge
const patience = 10_000 // ms that saving waits for an answer, so that both are one step to undo: longer than any but a lost one takes

/**
 * After something was moved by hand, everything else makes room for it: what stands slides,
 * trails bend, loose food flows. They are asked once it rests, for the whole way it went.
 */
export function useGiveWay(drawing?: Pick<ReturnType<typeof useScene>, 'place'>) {
  const job = useJob()
  const roomSays = useRoomSays()
  const on = useStorage('give way', true)
  let timer = 0
  let asked = 0 // questions on their way; only the last answer lets the saving go on
  let moving: { element: string; from: Pose; says: string; done: () => void } | null = null

  /**
   * Notes a move; says is how the change is called. What rests, as it was let go of, is asked about
   * at once, and done is called when everything has its place.
   */
  function after(element: string, from: Pose, says: string, rests = false, done = () => {}) {
    if (!on.value) return done()
    if (moving?.element !== element) {
      settle() // what was moved before
      moving = { element, from, says, done }
    }
    job.later(patience)
    window.clearTimeout(timer)
    if (rests) settle()
    else timer = window.setTimeout(settle, pause)
  }

  function settle() {
    window.clearTimeout(timer)
    const m = moving
    moving = null
    if (m) void ask(m.element, m.from, m.says).finally(m.done)
  }

  async function ask(element: string, from: Pose, says: string) {
    const tray = job.tray
    const where = job.at
    if (!tray) return
    asked++
    try {
      const answer = await take<Answer>(
        api.POST('/api/v1/give-way', {
          body: body({ tray, element, from: { x: from.x, y: from.y, turn_deg: from.turn } }),
        }),
      )
      // moved on meanwhile: the next rest asks again
      if (answer.moved && answer.tray && job.tray === tray) {
        roomSays(tray, answer, element)
        const alike = drawing?.place(answer.tray) ?? false
        return job.changeTray(answer.tray, `${says}, and its neighbours gave way`, alike, where)
      }
    } catch {
      // nothing gave way; the review says what overlaps
    } finally {
      asked--
    }
    if (!moving && !asked) job.later(50)
  }

  return { on, after }
}
