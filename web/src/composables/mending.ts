import { computed, ref, shallowRef, watch } from 'vue'
import { said } from '@/api/asking'
import { api, take, type Finding } from '@/api/client'
import type { TrayElement, TrayFile } from '@/api/tray.gen'
import { useJob } from '@/stores/job'
import { useToast } from '@/stores/toast'

/** A change that would mend a finding, shown on the tray before it is taken. */
export type Mended = { n: number; tray: TrayFile; gain: number; says: string }

/** Looks for the one change that helps most against a finding, shows it, and makes it when it is taken. */
export function useMending() {
  const job = useJob()
  const toast = useToast()
  const mending = ref<number | null>(null)
  const offer = shallowRef<Mended | null>(null)
  let of: TrayFile | null = null // the tray that the offer changes
  // it is of what lay there when it was looked for
  watch(
    () => job.tray,
    t => t !== of && (offer.value = null),
  )

  async function mend(n: number, f: Finding) {
    const tray = job.tray
    const where = job.at
    if (!tray || mending.value !== null) return
    mending.value = n
    try {
      const m = await take(
        api.POST('/api/v1/mend', {
          body: { tray, check: f.check, elements: f.elements, at: f.at },
        }),
      )
      if (!m.found || !m.tray) {
        toast.tell({ says: 'No single change mends this without spoiling something else.' })
      } else if (job.tray !== tray) {
        toast.tell({ says: 'The tray was changed meanwhile; nothing was mended.' })
      } else {
        of = tray
        at = where
        offer.value = { n, tray: m.tray, gain: m.gain ?? 0, says: m.says ?? 'mended' }
      }
    } catch (e) {
      toast.tell({ says: said(e, 'That could not be mended just now.') })
    }
    mending.value = null
  }
  let at = 0
  function accept() {
    const o = offer.value
    if (!o) return
    offer.value = null
    job.changeTray(o.tray, o.says, false, at)
    toast.tell({ says: `${o.says[0]!.toUpperCase()}${o.says.slice(1)}: +${o.gain}.` })
  }
  const decline = () => (offer.value = null)
  /** Where things lay before the change that is offered. */
  const ghosts = computed(() => {
    const o = offer.value
    if (!o) return ''
    const now = new Map(o.tray.elements.map(e => [e.id, e]))
    const lay = (e: TrayElement) => JSON.stringify(e.pieces.map(p => p.at))
    return job.placed
      .filter(e => !now.has(e.id) || lay(now.get(e.id)!) !== lay(e))
      .flatMap(e => e.pieces.map(p => 'M' + p.outline.map(q => q.join(' ')).join('L') + 'Z'))
      .join('')
  })

  return { ghosts, mending, offer, mend, accept, decline }
}
