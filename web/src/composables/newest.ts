/**
 * Wraps work so that only its newest call counts: an older one that still runs
 * is aborted. Troubles on the way are left to the next call; saving reports them.
 * It waits until calls pause for waitMs; with eager the first after such a pause
 * does not wait.
 */
export function newest(work: (signal: AbortSignal) => Promise<void>, waitMs = 0, eager = false): () => void {
  let running: AbortController | null = null
  let timer = 0
  let last = -Infinity
  const begin = () => {
    running?.abort()
    const mine = (running = new AbortController())
    work(mine.signal).catch(() => undefined)
  }
  return () => {
    window.clearTimeout(timer)
    const paused = performance.now() - last
    last = performance.now()
    if (eager && paused > waitMs) begin()
    else timer = window.setTimeout(begin, waitMs)
  }
}
