/**
 * Wraps work so that only its newest call counts: an older one that still runs
 * is aborted. Troubles on the way are left to the next call; saving reports them.
 */
export function newest(work: (signal: AbortSignal) => Promise<void>, waitMs = 0): () => void {
  let running: AbortController | null = null
  let timer = 0
  return () => {
    window.clearTimeout(timer)
    timer = window.setTimeout(() => {
      running?.abort()
      const mine = (running = new AbortController())
      work(mine.signal).catch(() => undefined)
    }, waitMs)
  }
}
