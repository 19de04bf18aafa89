// @vitest-environment happy-dom
import { createPinia, setActivePinia } from 'pinia'
import { mount } from '@vue/test-utils'
import { expect, it } from 'vitest'
import BoardLines from '@/components/brief/BoardLines.vue'
import Choose from '@/components/common/Choose.vue'
import { useLarder } from '@/stores/larder'

it('a tiered stand is chosen like a board, and is its tiers from then on', () => {
  setActivePinia(createPinia())
  const board = (id: string) => ({ id, name: id, length_mm: 300, width_mm: 300, put_away: false })
  useLarder().all = {
    foods: [],
    boards: [board('low'), board('high'), board('slate')],
    stands: [{ id: 'stand', name: 'Tiered stand', boards: ['low', 'high'] }],
    vessels: [],
  } as never
  const w = mount(BoardLines, { props: { brief: { guests: { adults: 6 }, board: { id: 'slate' } } } })
  const props = (c: { props: () => unknown }) => c.props() as { label: string; options: unknown[] }
  const field = w.findAllComponents(Choose).find(c => props(c).label === 'Board')!
  expect(props(field).options).toContainEqual(['stand', 'Tiered stand'])
  field.vm.$emit('update:modelValue', 'stand')
  expect(w.emitted('set')![0]).toEqual([{ board: undefined, boards: [{ id: 'low' }, { id: 'high' }] }])
})
