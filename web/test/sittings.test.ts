// @vitest-environment happy-dom
import { mount } from '@vue/test-utils'
import { expect, it } from 'vitest'
import type { Brief } from '@/api/tray.gen'
import SittingLines from '@/components/brief/SittingLines.vue'

const brief = (part: object = {}) =>
  ({ guests: { adults: 8 }, serve_at: '2031-06-04T12:00', lasts_minutes: 60, ...part }) as Brief
const opened = (b: Brief) =>
  mount(SittingLines, { props: { brief: b, lasts: 60 }, global: { stubs: { DayTime: true, Choose: true } } })
const last = (w: ReturnType<typeof opened>) => (w.emitted('set') ?? []).at(-1)

it('offers the next sitting two hours after the one before has ended', async () => {
  const w = opened(brief())
  await w.get('button').trigger('click')
  expect(last(w)).toEqual([{ sittings: [{ serve_at: '2031-06-04T15:00' }] }, false])
  const again = opened(brief({ sittings: [{ serve_at: '2031-06-04T15:00', lasts_minutes: 30 }] }))
  await again.findAll('button').at(-1)!.trigger('click')
  expect(last(again)![0]).toEqual({
    sittings: [{ serve_at: '2031-06-04T15:00', lasts_minutes: 30 }, { serve_at: '2031-06-04T17:30' }],
  })
})

it('keeps sittings in order, leaves the last one out, and says where one is too soon', async () => {
  const w = opened(brief({ sittings: [{ serve_at: '2031-06-04T13:10' }, { serve_at: '2031-06-04T19:00' }] }))
  expect(w.get('[role="alert"]').text()).toContain('Sitting 2 begins less than half an hour')
  w.findAllComponents({ name: 'DayTime' })[0]!.vm.$emit('written', '2031-06-04T21:00')
  expect(last(w)![0]).toEqual({
    sittings: [{ serve_at: '2031-06-04T19:00' }, { serve_at: '2031-06-04T21:00' }],
  })
  const one = opened(brief({ sittings: [{ serve_at: '2031-06-04T15:00' }] }))
  await one.get('button[aria-label="Leave out sitting 2"]').trigger('click')
  expect(last(one)![0]).toEqual({ sittings: undefined })
})

it('is not offered where boards follow each other', () => {
  expect(opened(brief({ wave_minutes: 60, copies: 2 })).text()).toBe('')
})
