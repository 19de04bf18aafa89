// @vitest-environment happy-dom
import { flushPromises, mount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, expect, it, vi } from 'vitest'
import KitLists from '@/components/prep/KitLists.vue'

const { get, put } = vi.hoisted(() => ({ get: vi.fn(), put: vi.fn() }))
vi.mock('@/api/client', async original => ({
  ...(await original<typeof import('@/api/client')>()),
  api: { GET: get, PUT: put },
  take: (answer: Promise<unknown>) => answer,
}))
vi.mock('@/outbox/kept', () => ({
  readAll: () => Promise.resolve([]),
  keep: () => Promise.resolve(true),
  forget: () => Promise.resolve(),
  waits: () => Promise.resolve(true),
}))
const kit = [
  { what: 'cheese knife', count: 1, for: ['brie'], stage: 'prepare', station: 'Cheese' },
  { what: 'sieve', count: 1, for: ['olives'], stage: 'prepare', station: 'Fruit, vegetables and herbs' },
  { what: 'napkin', count: 20, for: ['guests'], stage: 'serve' },
]
beforeEach(() => {
  setActivePinia(createPinia())
  get.mockClear()
  get.mockResolvedValue({ ticks: [{ task: 'kit serve napkin', at: '' }] })
  put.mockResolvedValue({})
})

it('is by station, and is ticked off for everybody', async () => {
  const w = mount(KitLists, { props: { job: 'j', kit } })
  await flushPromises()
  expect(w.findAll('h2').map(h => h.text())).toEqual(['To prepare', 'To serve'])
  expect(w.findAll('h3').map(h => h.text())).toEqual(['Cheese', 'Fruit, vegetables and herbs'])
  const boxes = w.findAll<HTMLInputElement>('input')
  expect(boxes.map(b => b.element.checked)).toEqual([false, false, true])
  await boxes[0]!.setValue(true)
  await flushPromises()
  expect(put).toHaveBeenCalledWith(
    '/api/v1/jobs/{id}/ticks/{task}',
    expect.objectContaining({
      params: expect.objectContaining({ path: { id: 'j', task: 'kit prepare cheese knife' } }) as object,
      body: { done: true },
    }),
  )
  expect(boxes[0]!.element.checked).toBe(true)
})

it('of a day with several jobs is a plain list', async () => {
  const w = mount(KitLists, { props: { kit } })
  await flushPromises()
  expect(w.findAll('input')).toHaveLength(0)
  expect(get).not.toHaveBeenCalled()
  expect(w.text()).toContain('cheese knife')
})
