// @vitest-environment happy-dom
import { flushPromises, mount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, expect, it, vi } from 'vitest'
import { Trouble } from '@/api/client'
import { readAll } from '@/outbox/kept'
import { useOutbox } from '@/outbox/outbox'
import ShoppingView from '@/views/ShoppingView.vue'

const { get, put } = vi.hoisted(() => ({ get: vi.fn(), put: vi.fn() }))
vi.mock('@/api/client', async original => ({
  ...(await original<typeof import('@/api/client')>()),
  api: { GET: get, PUT: put },
  take: (answer: Promise<unknown>) => answer,
}))
vi.mock('@/outbox/kept', () => ({
  readAll: vi.fn(() => Promise.resolve([])),
  keep: () => Promise.resolve(true),
  forget: () => Promise.resolve(),
  waits: () => Promise.resolve(true),
}))
vi.mock('vue-router', async original => ({
  ...(await original<typeof import('vue-router')>()),
  useRoute: () => ({ query: { job: 'j' } }),
  useRouter: () => ({}),
}))

const item = (food: string, name: string, more: object = {}) => ({
  food,
  name,
  need_g: 100,
  cupboard_g: 0,
  packs: [{ grams: 100, price: 300, count: 1 }],
  cost: 300,
  left_g: 0,
  for: ['Supper'],
  out_of_stock: false,
  labelled: '',
  drained: false,
  loose: false,
  counter: '',
  in: [],
  holds: [],
  ...more,
})
const list = (stops: object[]) => ({
  key: 'job:j',
  title: 'For Supper',
  from: '2031-03-04',
  to: '2031-03-04',
  jobs: [{ id: 'j', title: 'Supper', day: '2031-03-04', planned: true }],
  ticks: ['figs'],
  list: {
    cost: 900,
    items: 3,
    stops,
    says: stops.length ? 'Bought at both it costs less.' : '',
    saves: stops.length ? 120 : 0,
    sections: [
      {
        name: 'Packs of several foods',
        stop: stops.length ? 'Stores' : '',
        cost: 300,
        items: [
          item('mixed: Cold cuts', 'Cold cuts', {
            for: [],
            holds: [
              { food: 'ham', grams: 60 },
              { food: 'salami', grams: 60 },
            ],
          }),
        ],
      },
      {
        name: 'Cold cuts',
        stop: stops.length ? 'Stores' : '',
        cost: 300,
        items: [item('salami', 'Salami', { packs: [], cost: 0, in: ['Cold cuts'], counter: '24 slices' })],
      },
      { name: 'Fruit', stop: stops.length ? 'Hall' : '', cost: 300, items: [item('figs', 'Figs')] },
    ],
  },
})
const open = async (stops: object[]) => {
  get.mockImplementation((path: string) =>
    Promise.resolve(
      path === '/api/v1/shopping' ? list(stops) : path === '/api/v1/larder' ? { foods: [] } : {},
    ),
  )
  const w = mount(ShoppingView, {
    global: { stubs: { RouterLink: true, House: { template: '<div><slot /></div>' }, ShopLine: true } },
  })
  await flushPromises()
  return w
}
beforeEach(() => {
  setActivePinia(createPinia())
  put.mockResolvedValue({})
})

it('is a list for each shop where it is bought at several, and says why', async () => {
  const w = await open([
    { name: 'Stores', foods: 2, cost: 600 },
    { name: 'Hall', foods: 1, cost: 300 },
  ])
  const shops = w.findAll('.stop')
  expect(shops.map(s => s.get('h2').text())).toEqual([
    expect.stringContaining('Stores'),
    expect.stringContaining('Hall'),
  ])
  expect(shops[0]!.text()).toContain('Salami')
  expect(shops[0]!.text()).not.toContain('Figs')
  expect(w.text()).toContain('It saves')
  expect(w.text()).toContain('2 still to get')
})

it('of one shop has no heading for it, and a pack of several is ticked by its name', async () => {
  const w = await open([])
  expect(w.findAll('.shop')).toHaveLength(0)
  const salami = w.findAll('li').find(l => l.text().includes('Salami'))!
  expect(salami.text()).toContain('in cold cuts')
  expect(salami.text()).not.toContain('At the counter') // the slices are in the pack
  const box = w.get('section[aria-label="Packs of several foods"] input')
  await box.trigger('change')
  await flushPromises()
  expect(put).toHaveBeenCalledWith('/api/v1/shopping/ticks', {
    body: { key: 'job:j', food: 'mixed: Cold cuts', done: true },
  })
})

it('shows what was ticked where the server could not be reached, after a reload as before', async () => {
  const w = await open([])
  put.mockRejectedValue(new Trouble(0, 'away'))
  const box = (of: typeof w) => of.get<HTMLInputElement>('section[aria-label="Cold cuts"] input')
  await box(w).trigger('change')
  await flushPromises()
  expect(box(w).element.checked).toBe(true)
  w.unmount()
  const waits = useOutbox().waiting
  setActivePinia(createPinia()) // a page that is loaded again finds what waits where it was kept
  vi.mocked(readAll).mockResolvedValue(waits)
  const again = await open([])
  expect(box(again).element.checked).toBe(true)
  expect(again.get<HTMLInputElement>('section[aria-label="Fruit"] input').element.checked).toBe(true) // as the server has it
})
