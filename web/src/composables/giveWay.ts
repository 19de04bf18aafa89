import { useStorage } from '@vueuse/core'
import { api, body, take } from '@/api/client'
import type { TrayFile } from '@/api/tray.gen'
import { useJob } from '@/stores/job'
import { useLarder } from '@/stores/larder'
import { useToast } from '@/stores/toast'
import type { Pose } from '@/tray/move'

const pause = 220 // ms after the last nudge
const patience = 10_000 // ms that saving waits for an answer, so that both are one step to undo: longer than any but a lost one takes

/**
 * After something was moved by hand, everything else makes room for it: what stands slides,
 * trails bend, loose food flows. They are asked once it rests, for the whole way it went.
 */
export function useGiveWay() {
  const job = useJob()
  const larder = useLarder()
  const toast = useToast()
  const on = useStorage('give way', true)
  let timer = 0
  let asked = 0 // questions on their way; only the last answer lets the saving go on
  let moving: { element: string; from: Pose; says: string } | null = null

  /** Notes a move; says is how the change is called. */
  function after(element: string, from: Pose, says: string) {
    if (!on.value) return
    if (moving?.element !== element) {
      settle() // what was moved before
      moving = { element, from, says }
    }
    job.later(patience)
    window.clearTimeout(timer)
    timer = window.setTimeout(settle, pause)
  }

  function settle() {
    window.clearTimeout(timer)
    const m = moving
    moving = null
    if (m) void ask(m.element, m.from, m.says)
  }

  async function ask(element: string, from: Pose, says: string) {
    const tray = job.tray
    const where = job.at
    if (!tray) return
    asked++
    try {
      const answer = await take<{ moved: boolean; lifted: string[]; tray?: TrayFile }>(
        api.POST('/api/v1/give-way', {
          body: body({ tray, element, from: { x: from.x, y: from.y, turn_deg: from.turn } }),
        }),
      )
      // moved on meanwhile: the next rest asks again
      if (answer.moved && answer.tray && job.tray === tray) {
        const names = answer.lifted.map(id => larder.name(tray.elements.find(e => e.id === id)?.food ?? id))
        if (names.length)
          toast.tell({
            says: `No room is left for ${names.join(', ').toLowerCase()}; it waits beside the board.`,
          })
        return job.changeTray(answer.tray, `${says}, and its neighbours gave way`, false, where)
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
