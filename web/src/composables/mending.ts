import { ref } from 'vue'
import { api, body, take, Trouble, type Finding } from '@/api/client'
import type { TrayFile } from '@/api/tray.gen'
import { useJob } from '@/stores/job'
import { useToast } from '@/stores/toast'

/** Looks for the one change that helps most against a finding, and makes it. */
export function useMending() {
  const job = useJob()
  const toast = useToast()
  const mending = ref<number | null>(null)

  async function mend(n: number, f: Finding) {
    const tray = job.tray
    const where = job.at
    if (!tray || mending.value !== null) return
    mending.value = n
    try {
      const m = await take<{ found: boolean; tray?: TrayFile; gain?: number; says?: string }>(
        api.POST('/api/v1/mend', {
          body: body({ tray, check: f.check, elements: f.elements, at: f.at }),
        }),
      )
      if (!m.found || !m.tray) {
        toast.tell({ says: 'No single change mends this without spoiling something else.' })
      } else if (job.tray !== tray) {
        toast.tell({ says: 'The tray was changed meanwhile; nothing was mended.' })
      } else {
        job.changeTray(m.tray, m.says ?? 'mended', false, where)
        const says = m.says ?? 'mended'
        toast.tell({ says: `${says[0]!.toUpperCase()}${says.slice(1)}: +${m.gain}.` })
      }
    } catch (e) {
      toast.tell({ says: e instanceof Trouble ? e.message : 'That could not be mended just now.' })
    }
    mending.value = null
  }
  return { mending, mend }
}
