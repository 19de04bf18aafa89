import { describe, expect, it } from 'vitest'
import { atWall, servedAt, sinceWall } from '@/tray/hours'

describe('hours', () => {
  it('reckons across midnight and back', () => {
    expect(atWall('2026-11-27T23:30', 60)).toBe('2026-11-28T00:30')
    expect(atWall('2026-11-27T19:00:00+01:00', -150)).toBe('2026-11-27T16:30')
    expect(sinceWall('2026-11-27T16:30', '2026-11-28T16:30')).toBe(1440)
  })
  it('takes what is said of the hours before along with the serving time', () => {
    const brief = {
      guests: { adults: 8 },
      serve_at: '2026-11-27T19:00',
      ready_by: '2026-11-27T16:00',
      sessions: [{ from: '2026-11-26T17:00', to: '2026-11-26T19:00' }],
      oven_taken: [{ from: '2026-11-27T10:00', to: '2026-11-27T11:00' }],
      sittings: [{ serve_at: '2026-11-27T23:00', lasts_minutes: 30 }],
    }
    expect(servedAt(brief, '2026-11-28T18:00')).toEqual({
      serve_at: '2026-11-28T18:00',
      ready_by: '2026-11-28T15:00',
      sessions: [{ from: '2026-11-27T16:00', to: '2026-11-27T18:00' }],
      oven_taken: [{ from: '2026-11-28T09:00', to: '2026-11-28T10:00' }],
      sittings: [{ serve_at: '2026-11-28T22:00', lasts_minutes: 30 }],
    })
    expect(servedAt(brief, undefined)).toEqual({
      serve_at: undefined,
      ready_by: undefined,
      sessions: undefined,
      oven_taken: undefined,
      sittings: undefined,
    })
  })
})
