import { describe, expect, it } from 'vitest'
import { portionsOf, within } from '@/composables/weighing'
import type { TrayFile } from '@/api/tray.gen'

const element = (food: string, form: string, grams: number, count: number, more = {}) =>
  ({ id: food + grams, food, form, category: 'nut', grams, count, ...more }) as TrayFile['elements'][number]

describe('what is to be weighed', () => {
  it('is each food in each form once, over trays, copies and reserve', () => {
    const trays = [
      {
        elements: [
          element('almonds', 'drift', 40, 30),
          element('almonds', 'drift', 20, 15),
          element('honey', 'bowl', 80, 1, { vessel: 'pot' }),
          element('candle', 'prop', 90, 1, { category: 'prop' }),
        ],
        reserve: [{ food: 'almonds', form: 'drift', grams: 60, count: 45, why: '' }],
      },
      { elements: [element('almonds', 'drift', 10, 8)], reserve: [], part: { copies: 3 } },
    ] as unknown as TrayFile[]
    expect(portionsOf(trays).map(p => [p.food, p.form, p.grams])).toEqual([
      ['almonds', 'drift', 150],
      ['honey', 'bowl', 80],
    ])
    expect(portionsOf(trays)[0]!.piece).toBeCloseTo(1.32, 1)
    expect(portionsOf(trays)[1]!.piece).toBeNull()
    expect(portionsOf([])).toEqual([])
  })
  it('is right to two per cent, or to what a kitchen scale shows', () => {
    expect(within(20)).toBe(2)
    expect(within(500)).toBe(10)
  })
})
