// @vitest-environment happy-dom
import { mount, RouterLinkStub } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, expect, it } from 'vitest'
import FoodShelf from '@/components/larder/FoodShelf.vue'

beforeEach(() => setActivePinia(createPinia()))

const card = (id: string, more = {}) => ({
  id,
  name: id,
  version: '0',
  in_season: true,
  on_hand_g: 0,
  mine: '',
  ...more,
})
const shelf = {
  category: 'fruit',
  total: 9,
  foods: [card('fig'), card('pear', { in_season: false, on_hand_g: 120 }), card('plum')],
} as never
const mounted = (most: number) =>
  mount(FoodShelf, { props: { shelf, most }, global: { stubs: { RouterLink: RouterLinkStub } } })

it('shows the first so many foods, drawn, with what is to be said of them', () => {
  const w = mounted(2)
  expect(w.findAll('li').map(l => l.text())).toEqual(['fig', 'pear120 g here · out of season'])
  expect(w.findAllComponents(RouterLinkStub)[0]!.props('to')).toEqual({ name: 'food', params: { id: 'fig' } })
  expect(w.get('img').attributes()).toMatchObject({ loading: 'lazy', src: '/api/v1/foods/fig/picture.svg' })
})
it('opens the whole shelf where it holds more', async () => {
  const w = mounted(3)
  await w.get('button').trigger('click')
  expect(w.get('button').text()).toMatch(/^All 9 of /)
  expect(w.emitted('all')).toEqual([[]])
})
