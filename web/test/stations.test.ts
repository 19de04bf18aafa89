// @vitest-environment happy-dom
import { mount } from '@vue/test-utils'
import { expect, it } from 'vitest'
import type { Day } from '@/api/client'
import ClearTimes from '@/components/prep/ClearTimes.vue'
import StationLines from '@/components/prep/StationLines.vue'

const opened = (part: object) =>
  mount(StationLines, {
    props: {
      day: { serve_at: '2031-03-04T19:00:00Z', people: 3, ...part } as Day,
      names: (n: number) => `Hands ${n}`,
      foodName: (id: string) => id.toUpperCase(),
    },
  })

it('says who is at which station, and what each board gets first and last', () => {
  const w = opened({
    stations: [
      {
        id: 'cheese',
        says: 'Cheese',
        minutes: 42,
        starts: '2031-03-04T16:00:00Z',
        ends: '2031-03-04T16:30:00Z',
        most: 2,
        hands: [
          { who: '2', minutes: 30 },
          { who: '1', minutes: 12 },
        ],
        tasks: [],
      },
    ],
    bays: [
      {
        tray: 2,
        says: 'Table run, paper',
        minutes: 9,
        starts: '2031-03-04T17:00:00Z',
        ends: '2031-03-04T17:20:00Z',
        finish_starts: '2031-03-04T18:30:00Z',
        finish_ends: '2031-03-04T18:40:00Z',
        foods: ['brie', 'ham'],
        last: ['thyme'],
      },
    ],
  })
  expect(w.text()).toContain('42 min of hands, 2 at once')
  expect(w.findAll('.who li').map(l => l.text())).toEqual(['Hands 2 30 min', 'Hands 1 12 min'])
  const board = w.get('.bays li').text()
  expect(board).toContain('Board 2')
  expect(board).toMatch(/finished .* to /)
  expect(board).toContain('3 foods in its boxes')
  expect(board).toContain('brie; ham')
  expect(board).toMatch(/Last:\s*thyme/)
})

it('is not there where two people work at one board', () => {
  expect(opened({}).find('section').exists()).toBe(false)
})

it('tells for each sitting by when what perishes goes', () => {
  const out = (food: string, clear_at: string) => ({ food, clear_at, minutes_before_serving: 40 })
  const day = {
    serve_at: '2031-03-04T12:00:00Z',
    trays: [
      {
        tray: 1,
        clear_at: '2031-03-04T13:10:00Z',
        out: [out('ham', '2031-03-04T13:20:00Z'), out('brie', '2031-03-04T13:10:00Z')],
      },
      { tray: 1, sitting: 2, clear_at: '', out: [] },
    ],
  } as unknown as Day
  const w = mount(ClearTimes, { props: { day, foodName: id => id } })
  expect(w.findAll('li').map(l => l.text().replace(/\s+/g, ' '))).toEqual([
    expect.stringMatching(/^First sitting .* brie first$/),
    'Sitting 2 nothing on it that perishes',
  ])
  const one = { ...day, trays: day.trays!.slice(0, 1) }
  expect(mount(ClearTimes, { props: { day: one, foodName: id => id } }).text()).toBe('')
})
