// @vitest-environment happy-dom
import { mount } from '@vue/test-utils'
import { afterEach, beforeEach, expect, it, vi } from 'vitest'
import { ElPopover } from 'element-plus'
import Why from '@/components/common/Why.vue'

beforeEach(() => void vi.useFakeTimers())
afterEach(() => void vi.useRealTimers())

it('says why when it is reached, and no more when it is left', async () => {
  const w = mount(Why, { props: { label: 'flow', says: 'Lines that lead the eye' }, attachTo: document.body })
  expect(w.get('button').text()).toBe('flow: Lines that lead the eye') // read out in any case
  expect(w.findComponent(ElPopover).exists()).toBe(false)
  await w.get('button').trigger('focusin')
  await vi.advanceTimersByTimeAsync(200)
  expect(w.findComponent(ElPopover).props()).toMatchObject({
    visible: true,
    content: 'Lines that lead the eye',
  })
  await w.get('button').trigger('keydown.esc')
  await vi.advanceTimersByTimeAsync(100)
  expect(w.findComponent(ElPopover).props('visible')).toBe(false)
  w.unmount()
})

it('says nothing where the pointer only passes', async () => {
  const w = mount(Why, {
    props: { says: 'brings spicy' },
    slots: { default: '<button>Paprika sausage</button>' },
  })
  await w.trigger('mouseenter')
  await vi.advanceTimersByTimeAsync(100)
  await w.trigger('mouseleave')
  await vi.advanceTimersByTimeAsync(300)
  expect(w.findComponent(ElPopover).props('visible')).toBe(false)
  expect(w.text()).toBe('Paprika sausage')
})
