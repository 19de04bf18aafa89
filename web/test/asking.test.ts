// @vitest-environment happy-dom
import { effectScope, nextTick, ref } from 'vue'
import { afterEach, beforeEach, expect, it, vi } from 'vitest'
import { answers, useAct, useAsk, useOnce, usePages } from '@/api/asking'
import { Trouble } from '@/api/client'

const away = () => new Trouble(0, 'The server cannot be reached.')
let scope = effectScope()
const settle = (ms = 0) => vi.advanceTimersByTimeAsync(ms)
beforeEach(() => {
  vi.useFakeTimers()
  scope = effectScope()
})
afterEach(() => {
  scope.stop()
  answers.clear()
  vi.useRealTimers()
})
const within = <T>(f: () => T) => scope.run(f)!

it('tells at once that the server is away, and asks until it is back', async () => {
  const ask = vi.fn<() => Promise<string>>().mockRejectedValueOnce(away()).mockResolvedValue('the list')
  const { now, wrong } = within(() => useAsk({ key: ['away'], ask }))
  await settle()
  expect([now.value, wrong.value]).toEqual([null, 'The server cannot be reached.'])
  await settle(600)
  expect([now.value, wrong.value]).toEqual(['the list', ''])
})

it('does not ask again for what was refused, and has words of its own where the server said none', async () => {
  const ask = vi.fn(() => Promise.reject(new Trouble(404, 'There is no such board.')))
  const refused = within(() => useAsk({ key: ['refused'], ask }))
  const broken = within(() =>
    useAsk(
      { key: ['broken'], ask: () => Promise.reject(new TypeError('x is undefined')) },
      { otherwise: 'No.' },
    ),
  )
  await settle(60_000)
  expect(ask).toHaveBeenCalledTimes(1)
  expect(refused.wrong.value).toBe('There is no such board.')
  expect(broken.wrong.value).toBe('No.')
})

it('breaks off what is no longer wanted, and shows what was known until the answer is there', async () => {
  const text = ref('a')
  const signals: AbortSignal[] = []
  const answer = new Map<string, (s: string) => void>()
  const { now, old } = within(() =>
    useAsk(() => {
      const mine = text.value
      return {
        key: ['text', mine],
        ask: signal => {
          signals.push(signal)
          return new Promise<string>(r => answer.set(mine, r))
        },
      }
    }),
  )
  await settle()
  answer.get('a')!('of a')
  await settle()
  expect([now.value, old.value]).toEqual(['of a', false])
  text.value = 'b'
  await settle()
  expect([now.value, old.value]).toEqual(['of a', true])
  text.value = 'c'
  await settle()
  expect(signals.map(s => s.aborted)).toEqual([false, true, false])
  answer.get('c')!('of c')
  await settle()
  expect([now.value, old.value]).toEqual(['of c', false])
})

it('asks again and again as long as somebody sees the page', async () => {
  const see = (state: string) => {
    Object.defineProperty(document, 'visibilityState', { value: state, configurable: true })
    window.dispatchEvent(new Event('visibilitychange'))
  }
  const ask = vi.fn(() => Promise.resolve(1))
  within(() => useAsk({ key: ['often'], ask }, { every: 1000 }))
  await settle(3500)
  expect(ask).toHaveBeenCalledTimes(4)
  see('hidden')
  await settle(60_000)
  expect(ask).toHaveBeenCalledTimes(4)
  see('visible')
  await settle(10)
  expect(ask).toHaveBeenCalledTimes(5)
})

it('asks nothing while there is nothing to ask', async () => {
  const open = ref(false)
  const ask = vi.fn(() => Promise.resolve(1))
  const { now } = within(() => useAsk(() => (open.value ? { key: ['open'], ask } : null)))
  await settle(1000)
  expect([now.value, ask.mock.calls.length]).toEqual([null, 0])
  open.value = true
  await settle()
  expect(now.value).toBe(1)
})

it('reads what is the same everywhere once, and anew when it was forgotten or could not be read', async () => {
  const ask = vi.fn<() => Promise<string>>().mockRejectedValueOnce(away()).mockResolvedValue('foods')
  const { now, read, forget } = useOnce('once', ask)
  await expect(read()).rejects.toThrow('cannot be reached')
  await Promise.all([read(), read()])
  expect([now.value, ask.mock.calls.length]).toEqual(['foods', 2])
  forget()
  await read()
  expect(ask).toHaveBeenCalledTimes(3)
})

it('reads anew what was forgotten while it was being read', async () => {
  const answer: ((is: string) => void)[] = []
  const { now, read, forget } = useOnce('changing', () => new Promise<string>(is => answer.push(is)))
  const reading = read()
  await settle()
  forget()
  answer[0]!('without the new food')
  await settle()
  answer[1]!('with it')
  await reading
  expect([now.value, answer.length]).toEqual(['with it', 2])
})

it('reads a list on from where a page ended', async () => {
  const { pages, more, readOn } = within(() =>
    usePages(
      { key: ['pages'], ask: (after: number | undefined) => Promise.resolve([(after ?? 0) + 1]) },
      page => (page[0]! < 3 ? page[0] : undefined),
    ),
  )
  await settle()
  expect([pages.value, more.value]).toEqual([[[1]], true])
  await readOn()
  await readOn()
  await nextTick()
  expect([pages.value?.flat(), more.value]).toEqual([[1, 2, 3], false])
})

it('does something, says that it is at it, and keeps what went wrong until the next time', async () => {
  const { busy, wrong, act } = useAct('That could not be saved.')
  const going = act(() => Promise.resolve('saved'))
  expect(busy.value).toBe(true)
  expect(await going).toBe('saved')
  expect([busy.value, wrong.value]).toEqual([false, ''])
  expect(await act(() => Promise.reject(new Error('?')))).toBeUndefined()
  expect([busy.value, wrong.value]).toEqual([false, 'That could not be saved.'])
  await act(() => Promise.reject(away()), 'No.')
  expect(wrong.value).toBe('The server cannot be reached.')
  await act(() => Promise.resolve())
  expect(wrong.value).toBe('')
})
