import { ref } from 'vue'
import { said } from '@/api/asking'
import { api, take } from '@/api/client'
import type { Brief, TrayFile, Want } from '@/api/tray.gen'
import { useJob } from '@/stores/job'

/** Changes the brief and lets the server plan again; what it leaves as it was stays in place. */
export function useReplan() {
  const job = useJob()
  const busy = ref(false)
  const wrong = ref('')
  let newest = 0

  /** Plans for a brief. The old document stays, with a sentence, when it cannot be planned. */
  async function replan(brief: Brief, says: string, title?: string): Promise<boolean> {
    if (!job.doc) return false
    const mine = ++newest
    const asked: TrayFile = { ...job.doc, brief, rules: brief.rules ?? {}, title: title ?? job.doc.title }
    busy.value = true
    wrong.value = ''
    try {
      const planned = await take(api.POST('/api/v1/replan', { body: asked }))
      if (mine !== newest) return false
      job.change(planned, says)
      return true
    } catch (e) {
      if (mine === newest) wrong.value = said(e, 'That could not be planned. Try again.')
      return false
    } finally {
      if (mine === newest) busy.value = false
    }
  }

  return { busy, wrong, replan }
}

/** The brief's list of foods with every entry spelled out. */
export const wants = (b: Brief): Want[] => (b.foods ?? []).map(w => (typeof w === 'string' ? { food: w } : w))
