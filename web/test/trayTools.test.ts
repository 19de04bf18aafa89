// @vitest-environment happy-dom
import { mount } from '@vue/test-utils'
import { expect, it } from 'vitest'
import type { Scene } from '@/api/client'
import TrayTools from '@/components/lay/TrayTools.vue'

it('draws each tool where it lies and says what it is for', () => {
  const tools: Scene['tools'] = [
    {
      name: 'tongs',
      elements: ['a', 'b'],
      x: 120,
      y: 80,
      turn_deg: 30,
      long_mm: 155,
      outline: [],
      z_mm: 20,
      svg: '<path d="M0 0L9 9"/>',
    },
  ]
  const w = mount(TrayTools, { props: { tools, foodName: id => ({ a: 'ham', b: 'salami' })[id] ?? '' } })
  expect(w.find('title').text()).toBe('tongs for ham, salami')
  expect(w.get('.drawn').attributes('transform')).toBe('translate(120 80) rotate(30)')
  expect(w.get('.drawn path').attributes('d')).toBe('M0 0L9 9')
})
