import { describe, expect, it } from 'vitest'
import type { Outlook } from '@/api/client'
import { changes } from '@/tray/outlook'

const usual: Outlook = {
  appetites: 12,
  total_g: 2300,
  grams: [
    { category: 'cheese', grams: 480 },
    { category: 'meat', grams: 360 },
  ],
  kinds: [{ category: 'cheese', count: 5 }],
  off_the_tray: [],
  board: {} as Outlook['board'],
  trays: [{ name: 'Oval', who: '', copies: 1, share: 1 }],
  room_cm2: 2600,
  reserve_g: 0,
  surfaces: [],
  minutes: 50,
  basket_cost: 8000,
  over: 0,
  budget: 0,
  holding: '',
  hold_minutes: 120,
  lasts_minutes: 150,
  says: [],
  apart: false,
  carries: 0,
}

describe('what a change of the brief changes', () => {
  it('is nothing when nothing follows', () => {
    expect(changes(usual, { ...usual })).toEqual([])
  })
  it('is said with its sign', () => {
    const next = {
      ...usual,
      total_g: 2100,
      basket_cost: 8250,
      minutes: 49,
      hold_minutes: 60,
      off_the_tray: ['nuts'],
    }
    const by = new Map(changes(usual, next).map(c => [c.what, c.how]))
    expect(by.get('Food')).toBe('−200 g')
    expect(by.get('Basket')).toBe('+2.50')
    expect(by.get('Handwork')).toBe('−1 min')
    expect(by.get('Stands out')).toBe('1 h')
    expect(by.get('Off the tray')).toBe('nuts')
  })
  it('names kinds and categories that come and go', () => {
    const next = {
      ...usual,
      grams: [{ category: 'cheese', grams: 600 }],
      kinds: [{ category: 'cheese', count: 3 }],
    }
    const by = new Map(changes(usual, next).map(c => [c.what, c.how]))
    expect(by.get('Meat')).toBe('−360 g')
    expect(by.get('Cheese')).toBe('+120 g')
    expect(by.get('Kinds')).toBe('3 cheese')
    expect(changes(next, { ...next, trays: [{ name: 'Plate', who: '', copies: 9, share: 1 }] })).toEqual([
      { what: 'Board', how: 'Plate × 9' },
    ])
  })
})
