import { describe, expect, it } from 'vitest'
import type { TrayFile } from '@/api/tray.gen'
import { trayAt, trayName, withTray } from '@/tray/set'

const tray = (title: string, more: Partial<TrayFile> = {}) =>
  ({ format: 'happytray/1', title, elements: [], reserve: [], vessels: [], ...more }) as unknown as TrayFile

describe('the trays of a job', () => {
  const job = tray('one', { further: [tray('two'), tray('three')] })

  it('are found by their place, each without the others', () => {
    expect(trayAt(job, 0)?.title).toBe('one')
    expect(trayAt(job, 0)?.further).toBeUndefined()
    expect(trayAt(job, 2)?.title).toBe('three')
    expect(trayAt(job, 3)).toBeNull()
    expect(trayAt(null, 0)).toBeNull()
    const alone = tray('alone')
    expect(trayAt(alone, 0)).toBe(alone)
  })

  it('are exchanged one at a time', () => {
    const next = withTray(job, 1, tray('new'))
    expect(next.further?.map(t => t.title)).toEqual(['new', 'three'])
    expect(withTray(job, 0, tray('first')).further?.length).toBe(2)
    expect(withTray(job, 0, tray('first')).title).toBe('first')
    expect(job.further?.[0]?.title).toBe('two')
  })

  it('have names', () => {
    const part = (p: object) =>
      tray('x', { part: { number: 1, of: 3, guests: {}, ...p } as TrayFile['part'] })
    expect(trayName(part({}))).toBe('1 of 3')
    expect(trayName(part({ who: 'children', copies: 6 }))).toBe('children, 6 alike')
    expect(trayName(part({ who: 'those who do not' }))).toBe('those who do not')
    expect(trayName(tray('x'))).toBe('The tray')
  })
})
