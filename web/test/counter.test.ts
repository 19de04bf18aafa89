// @vitest-environment happy-dom
import { createPinia, setActivePinia } from 'pinia'
import { effectScope } from 'vue'
import { expect, it, vi } from 'vitest'
import { useCounter } from '@/composables/counter'

const { get } = vi.hoisted(() => ({ get: vi.fn() }))
vi.mock('@/api/client', async original => ({
  ...(await original<typeof import('@/api/client')>()),
  api: { GET: get },
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
