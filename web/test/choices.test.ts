// @vitest-environment happy-dom
import { flushPromises, mount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, expect, it, vi } from 'vitest'
import GroupsTable from '@/components/amounts/GroupsTable.vue'
import ThreeChoices from '@/components/pick/ThreeChoices.vue'

const { post } = vi.hoisted(() => ({ post: vi.fn() }))
vi.mock('@/api/client', async original => ({
  ...(await original<typeof import('@/api/client')>()),
  api: { POST: post },
  take: (answer: Promise<unknown>) => answer,
}))

const offer = (leaning: string, over: number) => ({
  leaning,
  says: `Says ${leaning}.`,
  foods: [
    { food: 'figs', form: 'halves', grams: 300, colour: '#552244', category: 'fruit' },
    { food: 'mint', form: 'sprig', grams: 2, colour: '#228822', category: 'garnish' },
  ],
  sides: [
    { name: 'milk', have: ['cow'], lack: ['sheep'] },
    { name: 'cheese', have: [], lack: ['soft'] },
  ],
  basket_cost: 5100,
  per_guest: 510,
  over,
  minutes: 25,
})

beforeEach(() => {
  setActivePinia(createPinia())
  vi.useFakeTimers()
})
afterEach(() => void vi.useRealTimers())

async function three(offers: unknown[]) {
  post.mockResolvedValue({ offers })
  const w = mount(ThreeChoices, { props: { brief: { guests: { adults: 9 } }, busy: false } })
  await vi.advanceTimersByTimeAsync(50)
  await flushPromises()
  return w
}

it('shows each choice with what sets it apart, its cost and its balance, and takes one', async () => {
  const w = await three([offer('liked', 0), offer('season', 300), offer('new', -200)])
  expect(post).toHaveBeenCalledWith(
    '/api/v1/choices',
    expect.objectContaining({ body: { guests: { adults: 9 } } }),
  )
  const cards = w.findAll('li')
  expect(cards.map(c => c.get('h3').text())).toEqual(['Well-liked', 'Of the season', 'Something new'])
  expect(cards[0]!.text()).toContain('Says liked.')
  expect(cards[0]!.text()).toContain('Without sheep’s milk, a soft cheese.')
  expect(cards[0]!.text()).toContain('1 of 3')
  expect(cards.map(c => c.text().includes('over'))).toEqual([false, true, false])
  expect(cards[0]!.findAll('.colours span')).toHaveLength(1) // greens are not eaten
  await cards[2]!.get('button').trigger('click')
  expect(w.emitted('take')).toEqual([['new']])
})
it('says what is wrong, and nothing else', async () => {
  post.mockRejectedValue(new (await import('@/api/client')).Trouble(422, 'Nothing is left'))
  const w = mount(ThreeChoices, { props: { brief: { guests: { adults: 9 } }, busy: false } })
  await vi.advanceTimersByTimeAsync(50)
  await flushPromises()
  expect(w.get('[role=alert]').text()).toContain('Nothing is left')
  expect(w.find('li').exists()).toBe(false)
})
it('tells each group of guests what they find', () => {
  const groups = [
    { who: 'two vegans', count: 2, wants_g: 306, finds_g: 290 },
    { who: 'the rest of the table', count: 8, wants_g: 306, finds_g: 350 },
  ]
  const w = mount(GroupsTable, { props: { groups } })
  expect(w.findAll('tbody tr').map(r => r.findAll('th, td').map(c => c.text()))).toEqual([
    ['two vegans 2', '290 g', '306 g'],
    ['the rest of the table 8', '350 g', '306 g'],
  ])
})
