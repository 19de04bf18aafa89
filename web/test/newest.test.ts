import { afterEach, beforeEach, expect, it, vi } from 'vitest'
import { newest } from '@/composables/newest'

beforeEach(() => {
  vi.stubGlobal('window', globalThis)
  vi.useFakeTimers()
})
afterEach(() => {
  vi.useRealTimers()
  vi.unstubAllGlobals()
})

it('waits for calls to pause, and then works once', async () => {
  const work = vi.fn(async () => undefined)
  const ask = newest(work, 50)
  ask()
  ask()
  await vi.advanceTimersByTimeAsync(49)
  ask()
  await vi.advanceTimersByTimeAsync(49)
  expect(work).not.toHaveBeenCalled()
  await vi.advanceTimersByTimeAsync(1)
  expect(work).toHaveBeenCalledTimes(1)
})

it('aborts older work that still runs', async () => {
  const signals: AbortSignal[] = []
  const ask = newest(signal => {
    signals.push(signal)
    return new Promise(() => undefined)
  })
  ask()
  await vi.advanceTimersByTimeAsync(1)
  ask()
  await vi.advanceTimersByTimeAsync(1)
  expect(signals.map(s => s.aborted)).toEqual([true, false])
})

it('is not stopped by work that fails', async () => {
  let calls = 0
  const ask = newest(async () => {
    if (calls++ === 0) throw new Error('no')
  })
  ask()
  await vi.advanceTimersByTimeAsync(1)
  ask()
  await vi.advanceTimersByTimeAsync(1)
  expect(calls).toBe(2)
})

it('does not wait with the first call after a pause where it is eager', async () => {
  const work = vi.fn(async () => undefined)
  const ask = newest(work, 50, true)
  ask()
  expect(work).toHaveBeenCalledTimes(1)
  ask()
  ask()
  expect(work).toHaveBeenCalledTimes(1)
  await vi.advanceTimersByTimeAsync(50)
  expect(work).toHaveBeenCalledTimes(2)
  await vi.advanceTimersByTimeAsync(60)
  ask()
  expect(work).toHaveBeenCalledTimes(3)
})
