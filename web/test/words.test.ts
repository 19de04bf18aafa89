import { describe, expect, it } from 'vitest'
import type { TrayElement } from '@/api/tray.gen'
import type { Food } from '@/api/client'
import { count, daysOff, grams, minutes, money, numberWord, spoken, time, when } from '@/tray/words'

describe('numbers as a kitchen says them', () => {
  it.each([
    [0, '0.00'],
    [6140, '61.40'],
    [5, '0.05'],
    [123456789, '1,234,567.89'],
  ])('%d is %s', (minor, want) => expect(money(minor)).toBe(want))
  it.each([
    [0.8, '0.8 g'],
    [9.96, '10.0 g'],
    [12.4, '12 g'],
    [999, '999 g'],
    [1000, '1.0 kg'],
    [3460, '3.5 kg'],
  ])('%d is %s', (g, want) => expect(grams(g)).toBe(want))
  it.each([
    [0.4, '0 min'],
    [59.4, '59 min'],
    [60, '1 h'],
    [110, '1 h 50'],
    [119.7, '2 h'],
  ])('%d is %s', (m, want) => expect(minutes(m)).toBe(want))
  it('counts', () => {
    expect(count(1, 'guest')).toBe('1 guest')
    expect(count(0, 'guest')).toBe('0 guests')
    expect(count(2, 'knife', 'knives')).toBe('2 knives')
    expect(numberWord(2)).toBe('two')
    expect(numberWord(14)).toBe('14')
  })
})

describe('times', () => {
  it('reads what a brief holds', () => {
    expect(when('2026-11-27T19:00')).toBe('Fri 27 Nov, 19:00')
    expect(when('2026-11-27 19:00')).toBe('Fri 27 Nov, 19:00')
    expect(time('2026-11-27T19:00')?.getHours()).toBe(19)
  })
  it('shows the hands of the clock where the guests are', () => {
    expect(when('2026-11-27T19:00:00+09:00')).toBe('Fri 27 Nov, 19:00')
    expect(when('2026-11-27T19:00:00Z')).toBe('Fri 27 Nov, 19:00')
  })
  it.each([
    ['2026-11-27T19:00', 'today'],
    ['2026-11-28', 'tomorrow'],
    ['2026-11-26T23:59', 'yesterday'],
    ['2026-12-04T08:00', 'in 7 days'],
    ['2026-10-28', '30 days ago'],
    ['soon', ''],
    [undefined, ''],
  ])('%s is %s', (day, want) => expect(daysOff(day, '2026-11-27')).toBe(want))
  it('says when there is none', () => {
    expect(when(undefined)).toBe('no date yet')
    expect(when('soon')).toBe('no date yet')
    expect(time('')).toBeNull()
  })
})

describe('an element as it is heard', () => {
  const figs: TrayElement = {
    id: 'figs',
    food: 'figs',
    form: 'halves',
    category: 'fruit',
    grams: 110,
    count: 5,
    placed: true,
    x: 20,
    y: 20,
    turn_deg: 0,
    layer: 5,
    locked: true,
    colour: '#702040',
    wetness: 'juicy',
    pieces: [],
  }
  const food = {
    name: 'Fresh figs',
    forms: [{ form: 'halves', says: 'halved, cut side up', mass_g: 22 }],
  } as Food
  it('says what, how much, how, where, and whether it is locked', () => {
    expect(spoken(figs, food, 'back left')).toBe(
      'Fresh figs, 5 pieces, halved, cut side up, back left, locked',
    )
  })
  it('weighs what is in a bowl, and knows what waits', () => {
    expect(
      spoken(
        { ...figs, form: 'bowl', vessel: 'dip-bowl', placed: false, locked: false },
        undefined,
        'beside the board',
      ),
    ).toBe('figs, 110 g, bowl, beside the board')
  })
})
