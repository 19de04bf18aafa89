import { ref } from 'vue'
import { arrange } from '@/api/arrange'
import { Trouble } from '@/api/client'
import type { TrayFile } from '@/api/tray.gen'
import { useJob } from '@/stores/job'

/** A search for a layout, shown as it goes. Stopping it keeps the best so far. */
export function useLaying(preview: (t: TrayFile) => void) {
  const job = useJob()
  const running = ref(false)
  const share = ref(0)
  const tried = ref(0)
  const best = ref<number | null>(null)
  const unfit = ref<string[]>([])
  const says = ref('')
  let stop: AbortController | null = null

  async function lay(style: string, seed: number, seconds = 3) {
    if (!job.tray || running.value) return
    const where = job.at // it is this tray that is laid, whichever is looked at meanwhile
    running.value = true
    share.value = tried.value = 0
    best.value = null
    unfit.value = []
    says.value = ''
    stop = new AbortController()
    // the search never gives back less than it was given, and another way is
    // wanted: so only what is locked goes along
    const elements = job.tray.elements.map(e =>
      e.locked ? e : { ...e, placed: false, pieces: [], path: undefined },
    )
    let found: TrayFile | null = null
    try {
      for await (const line of arrange(
        { ...job.tray, elements },
        { style, seed, seconds, signal: stop.signal },
      )) {
        share.value = line.share
        tried.value = line.tried
        best.value = line.score
        if (line.tray) {
          found = line.tray
          if (job.at === where) preview(line.tray)
        }
        if (line.unfit) unfit.value = line.unfit.map(u => u.says)
      }
    } catch (e) {
      says.value = e instanceof Trouble ? e.message : 'The search broke off. Try again.'
    }
    running.value = false
    if (found)
      job.changeTray({ ...found, seed }, style ? `laid the tray, ${style}` : 'laid the tray', false, where)
    else if (stop.signal.aborted)
      says.value = 'Stopped before the first layout was ready; nothing has changed.'
  }

  const cancel = () => stop?.abort()

  return { running, share, tried, best, unfit, says, lay, cancel }
}
