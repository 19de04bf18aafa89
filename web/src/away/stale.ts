// Whether what is shown is of now or of when it was last seen, and the worker that keeps it.
import { ref } from 'vue'
import { seenAt } from './kept'

/** Since when the newest of what is shown is true; null where the server answers. */
export const staleSince = ref<Date | null>(null)

/** Whether the server answers again, while what is shown is still from before. */
export const isBack = ref(false)

/** Asks whether the server answers again; what is never kept tells. */
export async function lookForServer() {
  if (!staleSince.value) return
  isBack.value = await fetch('/healthz', { cache: 'no-store' }).then(
    r => r.ok,
    () => false,
  )
}

/** Reads from an answer whether it is one that was kept. */
export function noteAge(answer: Response) {
  const at = answer.headers.get(seenAt)
  if (!at) {
    staleSince.value = null
    isBack.value = false
  } else if (!staleSince.value || new Date(at) > staleSince.value) staleSince.value = new Date(at)
}

/** Sets the worker up once the first page stands still, so that it takes nothing from that. */
export function keepForAway() {
  if (!import.meta.env.PROD || !('serviceWorker' in navigator)) return
  const begin = () => void navigator.serviceWorker.register('/sw.js').catch(() => undefined)
  const rest = () => ('requestIdleCallback' in window ? requestIdleCallback(begin) : setTimeout(begin, 500))
  if (document.readyState === 'complete') rest()
  else window.addEventListener('load', rest, { once: true })
}

const warmed = new Set<string>()
/**
 * Reads, when nothing else is to be done, what the counter, Serve and Look back will want of a job: so that they are there in a
 * kitchen without a network, though nobody was in them yet.
 */
export function warm(job: string) {
  if (!import.meta.env.PROD || !navigator.serviceWorker?.controller || warmed.has(job)) return
  warmed.add(job)
  const path = { params: { path: { id: job } } }
  window.setTimeout(async () => {
    const { api } = await import('@/api/client')
    for (const read of [
      () => api.GET('/api/v1/jobs/{id}/day', path),
      () => api.GET('/api/v1/jobs/{id}/ticks', path),
      () => api.GET('/api/v1/jobs/{id}/holding', path),
      () => api.GET('/api/v1/jobs/{id}/evening', path),
    ])
      await read().catch(() => undefined)
  }, 4000)
}
