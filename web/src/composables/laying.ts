import { ref, shallowRef } from 'vue'
import { arrange } from '@/api/arrange'
import { said } from '@/api/asking'
import type { Way } from '@/api/client'
import type { TrayFile } from '@/api/tray.gen'
import { useJob } from '@/stores/job'

/**
 * A search for a layout, shown as it goes. Stopping it keeps the best so far. When
 * several ways are asked for, they wait in ways until one is taken or all are let go.
 */
export function useLaying(preview: (t: TrayFile) => void) {
  const job = useJob()
  const running = ref(false)
  const share = ref(0)
  const tried = ref(0)
  const best = ref<number | null>(null)
  const unfit = ref<string[]>([])
  const would = ref<string[]>([])
  const says = ref('')
  const ways = shallowRef<Way[]>([])
  let stop: AbortController | null = null
  let where = 0 // the tray that is laid, whichever is looked at meanwhile

  /**
   * Lays everything that is not locked, or of that only some, by their ids; on the tray that is looked at, or on another
   * of the job's. False where it was stopped or broke off.
   */
  async function lay(
    style: string,
    seed: number,
    wanted = 1,
    only: ReadonlySet<string> | null = null,
    at = job.at,
  ): Promise<boolean> {
    const given = at === job.at ? job.tray : job.trays[at]
    if (!given || running.value) return false
    where = at
    ways.value = []
    running.value = true
    share.value = tried.value = 0
    best.value = null
    unfit.value = would.value = []
    says.value = ''
    stop = new AbortController()
    let found: TrayFile | null = null
    let several: Way[] = []
    try {
      for await (const line of arrange(given, {
        style,
        seed,
        ways: wanted,
        afresh: true,
        only,
        signal: stop.signal,
      })) {
        share.value = line.share
        tried.value = line.tried
        best.value = line.score
        if (line.tray) {
          found = line.tray
          if (job.at === where) preview(line.tray)
        }
        if (line.ways) several = line.ways
        if (line.would) would.value = line.would
        if (line.unfit) unfit.value = line.unfit.map(u => u.says)
      }
    } catch (e) {
      says.value = said(e, 'The search broke off. Try again.')
    }
    running.value = false
    if (several.length) {
      if (job.at === where) ways.value = several
      else says.value = 'The ways were laid for the other tray. Turn to it and ask for them again.'
      return true
    }
    if (found && only)
      job.changeTray({ ...found, seed: given.seed }, `laid ${only.size} of it again`, false, where)
    else if (found)
      job.changeTray({ ...found, seed }, style ? `laid the tray, ${style}` : 'laid the tray', false, where)
    else if (stop.signal.aborted)
      says.value = 'Stopped before the first layout was ready; nothing has changed.'
    return !!found && !stop.signal.aborted
  }

  const cancel = () => stop?.abort()

  /** Keeps one of the ways. */
  function choose(way: Way) {
    ways.value = []
    job.changeTray(way.tray, `laid the tray, ${way.style}`, false, where)
  }
  const letGo = () => (ways.value = [])

  return { running, share, tried, best, unfit, would, says, ways, lay, cancel, choose, letGo }
}
