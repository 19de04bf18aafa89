// @vitest-environment happy-dom
import { createPinia, setActivePinia } from 'pinia'
import { effectScope } from 'vue'
import { expect, it, vi } from 'vitest'
import { useCounter } from '@/composables/counter'

const { get, put } = vi.hoisted(() => ({ get: vi.fn(), put: vi.fn() }))
vi.mock('@/api/client', async original => ({
  ...(await original<typeof import('@/api/client')>()),
  api: { GET: get, PUT: put },
  take: (answer: Promise<unknown>) => answer,
}))

it('shows every tray of a job, not only the first', async () => {
  const tray = (title: string) => ({ title, elements: [] })
  get.mockImplementation((path: string) => {
    if (path.endsWith('/day')) return Promise.resolve({ tasks: [], people: 1 })
    if (path.endsWith('/ticks')) return Promise.resolve({ ticks: [] })
    return Promise.resolve({ id: 'j', document: { ...tray('Two planks'), further: [tray('the second')] } })
  })
  setActivePinia(createPinia())
  const scope = effectScope()
  const c = scope.run(() => useCounter('j'))!
  await c.open()
  expect(c.wrong.value).toBe('')
  expect(c.trays.value.map(t => t.title)).toEqual(['Two planks', 'the second'])
  scope.stop()
})

it('keeps what was ticked while an older answer was on its way', async () => {
  const tasks = ['a', 'b', 'c'].map(id => ({ id, who: '1', after: [], elements: [], says: id, minutes: 1 }))
  const asked: ((answer: unknown) => void)[] = []
  get.mockImplementation((path: string) => {
    if (path.endsWith('/day')) return Promise.resolve({ tasks, people: 1 })
    if (path.endsWith('/ticks')) return new Promise(answered => asked.push(answered))
    if (path.endsWith('/holding')) return Promise.resolve({ says: [], probes: [] })
    return Promise.resolve({ id: 'j', document: { title: 'Two planks', elements: [] } })
  })
  put.mockResolvedValue({})
  setActivePinia(createPinia())
  const scope = effectScope()
  const c = scope.run(() => useCounter('j'))!
  const open = c.open()
  await vi.waitFor(() => expect(c.steps.value).toHaveLength(3))
  await vi.waitFor(() => expect(asked).toHaveLength(1))
  c.tick(c.steps.value[0]!, true)
  await vi.waitFor(() => expect(c.waiting.value).toHaveLength(0)) // it was sent, and the server has it
  expect(put).toHaveBeenCalled()
  asked[0]!({ ticks: [] }) // as it was before
  await open
  expect([...c.done.value]).toEqual(['a'])
  scope.stop()
})
