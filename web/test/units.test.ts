import { afterEach, describe, expect, it } from 'vitest'
import { across, area, coinDigits, grams, length, money, spans, units } from '@/tray/units'

afterEach(() => Object.assign(units, { length: 'cm', mass: 'g', currency: '', hemisphere: 'north' }))

describe('lengths and amounts', () => {
  it('are centimetres and grams as long as nothing else is set', () => {
    expect(length(46)).toBe('4.6 cm')
    expect(across(620, 400)).toBe('62 × 40 cm')
    expect(spans([620, 400])).toBe('62 × 40 cm')
    expect(spans([480, 480.4])).toBe('48 cm across')
    expect(across(76, 43)).toBe('7.6 × 4.3 cm')
    expect(area(1840)).toBe('1840 cm²')
    expect(grams(1250)).toBe('1.3 kg')
  })
  it('are inches, ounces and pounds where those are set', () => {
    Object.assign(units, { length: 'in', mass: 'oz' })
    expect(length(25.4)).toBe('1 in')
    expect(across(508, 254)).toBe('20 × 10 in')
    expect(area(645.16)).toBe('100 sq in')
    expect(grams(28.35)).toBe('1 oz')
    expect(grams(9)).toBe('0.32 oz')
    expect(grams(1000)).toBe('2.2 lb')
  })
})

describe('money', () => {
  it.each([
    ['', 2, 6140, '61.40'],
    ['EUR', 2, 6140, '€61.40'],
    ['JPY', 0, 6140, 'JP¥6,140'],
    ['KWD', 3, 6140, 'KWD 6.140'],
    ['NOPE', 2, 100, '1.00'],
  ])('in %s with %d digits, as the server says', (currency, digits, minor, want) => {
    Object.assign(units, { currency, digits })
    expect(money(minor).replace(/\u00a0/g, ' ')).toBe(want)
    expect(coinDigits()).toBe(digits)
  })
})
