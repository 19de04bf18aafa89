// @vitest-environment happy-dom
import { flushPromises, mount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, expect, it, vi } from 'vitest'
import { Trouble } from '@/api/client'
import OwnPace from '@/components/evening/OwnPace.vue'

const { get, put } = vi.hoisted(() => ({ get: vi.fn(), put: vi.fn() }))
vi.mock('@/api/client', async original => ({
  ...(await original<typeof import('@/api/client')>()),
  api: { GET: get, PUT: put },
  take: (answer: Promise<unknown>) => answer,
}))
const settings = { length: 'cm', mass: 'g', currency: '', hemisphere: 'north' }
const pace = [
  {
    kind: 'fold',
    factor: 1.3,
    stints: 12,
    days: 5,
    low: 1.1,
    high: 1.5,
    says: 'Folding takes you 30 % longer than usual, by 12 stretches of work',
    refused: false,
  },
  {
    kind: 'cube',
    factor: 0.8,
    stints: 1,
    days: 1,
    low: 0.8,
    high: 0.8,
    says: 'Cubing takes you 20 % less time than usual',
    refused: true,
  },
]
beforeEach(() => {
  setActivePinia(createPinia())
  get.mockResolvedValue(settings)
  put.mockImplementation((_: string, { body }: { body: object }) => Promise.resolve({ ...settings, ...body }))
})
const opened = () => mount(OwnPace, { props: { pace } })
const boxes = (w: ReturnType<typeof opened>) =>
  w.findAll<HTMLInputElement>('input').map(i => i.element.checked)

it('says how long work takes and what is planned with, and keeps what is refused', async () => {
  const w = opened()
  expect(w.text()).toContain('Folding takes you 30 % longer')
  expect(w.text()).toContain('on 5 days')
  expect(boxes(w)).toEqual([true, false])
  await w.findAll('input')[0]!.setValue(false)
  await flushPromises()
  expect(put).toHaveBeenCalledWith('/api/v1/settings', { body: { pace_refused: ['cube', 'fold'] } })
  await w.findAll('input')[1]!.setValue(true)
  await flushPromises()
  expect(put).toHaveBeenLastCalledWith('/api/v1/settings', { body: { pace_refused: ['fold'] } })
  expect(boxes(w)).toEqual([false, true])
})

it('takes back what could not be saved, and says so', async () => {
  put.mockRejectedValue(new Trouble(503, 'The house does not answer.'))
  const w = opened()
  await w.findAll('input')[0]!.setValue(false)
  await flushPromises()
  expect(boxes(w)).toEqual([true, false])
  expect(w.get('[role="alert"]').text()).toContain('does not answer')
})
