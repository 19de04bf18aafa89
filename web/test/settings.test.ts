import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it, vi } from 'vitest'

const wire = vi.hoisted(() => ({
  get: { ok: true, status: 200 },
  put: { ok: true, status: 200 },
  kept: { length: 'in', mass: 'g', currency: 'EUR', hemisphere: 'south', zone: 'Europe/Lisbon', digits: 2 },
  puts: [] as unknown[],
}))
vi.mock('openapi-fetch', () => ({
  default: () => ({
    GET: async () => ({ data: wire.get.ok ? wire.kept : undefined, error: {}, response: wire.get }),
    PUT: async (_: string, o: { body: unknown }) => {
      wire.puts.push(o.body)
      return {
        data: { ...(o.body as object), digits: (o.body as { currency: string }).currency === 'JPY' ? 0 : 2 },
        error: { title: 'No', detail: 'The database does not answer' },
        response: wire.put,
      }
    },
  }),
}))
const { answers } = await import('@/api/asking')
const { useSettings } = await import('@/stores/settings')
const { units } = await import('@/tray/units')

beforeEach(() => {
  setActivePinia(createPinia())
  answers.clear()
  Object.assign(units, { length: 'cm', mass: 'g', currency: '', hemisphere: 'north', zone: '', digits: 2 })
  wire.get = wire.put = { ok: true, status: 200 }
  wire.puts.length = 0
})

describe('settings', () => {
  it('are read once', async () => {
    const s = useSettings()
    await Promise.all([s.read(), s.read()])
    expect(units).toMatchObject(wire.kept)
  })
  it('stay the usual ones while the server is away, and are read again later', async () => {
    wire.get = { ok: false, status: 503 }
    const s = useSettings()
    await s.read()
    expect(units.length).toBe('cm')
    wire.get = { ok: true, status: 200 }
    await s.read()
    expect(units.length).toBe('in')
  })
  it('send what is changed and nothing else, which another window may have changed', async () => {
    const s = useSettings()
    await s.change({ mass: 'oz' })
    expect(wire.puts).toEqual([{ mass: 'oz' }])
    expect(units.mass).toBe('oz')
  })
  it('are never written over by those shown before they could be read', async () => {
    wire.get = { ok: false, status: 503 }
    const s = useSettings()
    await s.change({ mass: 'oz' })
    expect(wire.puts).toEqual([])
    expect(units.mass).toBe('g')
    expect(s.wrong).toContain('nothing is changed')
  })
  it('take the digits of a coin from the server', async () => {
    const s = useSettings()
    await s.change({ currency: 'JPY' })
    expect(units.digits).toBe(0)
  })
  it('go back when they cannot be kept, and say so', async () => {
    wire.put = { ok: false, status: 503 }
    const s = useSettings()
    await s.change({ length: 'cm' })
    expect(units.length).toBe('in')
    expect(s.wrong).toContain('database')
  })
})
