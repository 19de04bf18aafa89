// @vitest-environment happy-dom
import { effectScope } from 'vue'
import { expect, it, vi } from 'vitest'
import { useRoutine } from '@/composables/routine'

it('rests while nobody sees the page, and catches up when it is seen', async () => {
  vi.useFakeTimers()
  const see = (state: string) => {
    Object.defineProperty(document, 'visibilityState', { value: state, configurable: true })
    document.dispatchEvent(new Event('visibilitychange'))
  }
  see('visible')
  const what = vi.fn()
  const scope = effectScope()
  scope.run(() => useRoutine(what, 1000))
  await vi.advanceTimersByTimeAsync(3500)
  expect(what).toHaveBeenCalledTimes(3)
  see('hidden')
  await vi.advanceTimersByTimeAsync(60_000)
  expect(what).toHaveBeenCalledTimes(3)
  see('visible')
  await vi.advanceTimersByTimeAsync(10)
  expect(what).toHaveBeenCalledTimes(4)
  await vi.advanceTimersByTimeAsync(2000)
  expect(what).toHaveBeenCalledTimes(6)
  scope.stop()
  await vi.advanceTimersByTimeAsync(5000)
  expect(what).toHaveBeenCalledTimes(6)
  vi.useRealTimers()
})
