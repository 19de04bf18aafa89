// @vitest-environment happy-dom
import { mount } from '@vue/test-utils'
import { expect, it } from 'vitest'
import DayTime from '@/components/common/DayTime.vue'

const field = (value: string | undefined) =>
  mount(DayTime, { props: { value, label: 'Serving day and time' }, attachTo: document.body })

it('shows the day and the minute, without a zone', () => {
  const w = field('2026-11-29T19:00:00+01:00')
  expect(w.find('input').element.value).toBe('29 Nov 2026, 19:00')
  expect(w.find('input').attributes('aria-label')).toBe('Serving day and time')
  w.unmount()
})

it('shows a day in every way a brief may write it', () => {
  for (const [written, shown] of [
    ['2026-11-29 19:00', '29 Nov 2026, 19:00'],
    ['2026-11-29T19:00', '29 Nov 2026, 19:00'],
    ['some evening', ''],
  ]) {
    const w = field(written)
    expect(w.find('input').element.value).toBe(shown)
    w.unmount()
  }
})

it('tells a day that was typed, and that there is none any more', async () => {
  const w = field(undefined)
  const input = w.find('input')
  await input.trigger('focus')
  await input.setValue('8 Dec 2026, 15:30')
  await input.trigger('change')
  await input.trigger('keydown', { code: 'Enter' })
  expect(w.emitted('written')?.at(-1)).toEqual(['2026-12-08T15:30'])
  await w.setProps({ value: '2026-12-08T15:30' })
  await w.findComponent({ name: 'ElDatePicker' }).vm.$emit('update:modelValue', null)
  expect(w.emitted('written')?.at(-1)).toEqual([undefined])
  w.unmount()
})

it('leaves alone what is no day', async () => {
  const w = field('2026-12-08T15:30')
  const input = w.find('input')
  await input.trigger('focus')
  await input.setValue('some evening')
  await input.trigger('change')
  expect(w.emitted('written')).toBeUndefined()
  w.unmount()
})
