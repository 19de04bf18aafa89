import { computed, shallowRef, watch } from 'vue'
import { api, take, type Revision } from '@/api/client'
import { useJob } from '@/stores/job'
import { useToast } from '@/stores/toast'

/** The tray as it lay before the last change: shown instead of that of now until it is asked for again, or something changes. */
export function useBefore() {
  const job = useJob()
  const toast = useToast()
  const found = shallowRef<Revision | null>(null)
  watch([() => job.doc, () => job.at], hide)
  function hide() {
    found.value = null
  }
  async function toggle() {
    if (found.value) return hide()
    await job.flush()
    const now = job.revision
    try {
      const params = { path: { id: job.id }, query: { before: now } }
      const list = await take(api.GET('/api/v1/jobs/{id}/revisions', { params }))
      if (job.revision !== now) return
      found.value = list[0] ?? null
      if (!list.length) toast.tell({ says: 'Nothing came before this.' })
    } catch {
      toast.tell({ says: 'How it was cannot be had just now.' })
    }
  }
  const url = computed(() => {
    if (!found.value) return ''
    const tray = job.at ? `?tray=${job.at}` : ''
    return `/api/v1/jobs/${encodeURIComponent(job.id)}/revisions/${found.value.number}/tray.svg${tray}`
  })
  return { url, toggle }
}
