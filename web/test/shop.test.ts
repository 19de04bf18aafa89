import { expect, it } from 'vitest'
import { ago } from '@/stores/shop'

it('says how old prices are', () => {
  const now = new Date('2026-11-25T12:00:00Z')
  const at = (minutes: number) => ago(new Date(now.getTime() - minutes * 60000).toISOString(), now)
  expect(at(-5)).toBe('just now')
  expect(at(1)).toBe('just now')
  expect(at(42)).toBe('42 min ago')
  expect(at(90)).toBe('2 h ago')
  expect(at(60 * 24 * 5)).toBe('5 days ago')
})
