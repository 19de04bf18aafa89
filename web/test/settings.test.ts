import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it, vi } from 'vitest'

const wire = vi.hoisted(() => ({
  get: { ok: true, status: 200 },
  put: { ok: true, status: 200 },
  kept: { length: 'in', mass: 'g', currency: 'EUR', hemisphere: 'south' },
  puts: [] as unknown[],
}))
vi.mock('openapi-fetch', () => ({
  default: () => ({
    GET: async () => ({ data: wire.get.ok ? wire.kept : undefined, error: {}, response: wire.get }),
    PUT: async (_: string, o: { body: unknown }) => {
      wire.puts.push(o.body)
      return {
        data: o.body,
        error: { title: 'No', detail: 'The database does not answer' },
        response: wire.put,
      }
    },
  }),
}))
const { useSettings } = await import('@/stores/settings')
const { units } = await import('@/tray/units')

beforeEach(() => {
  setActivePinia(createPinia())
  Object.assign(units, { length: 'cm', mass: 'g', currency: '', hemisphere: 'north' })
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
  it('are kept whole when one is changed', async () => {
    const s = useSettings()
    await s.change({ mass: 'oz' })
    expect(wire.puts).toEqual([{ length: 'cm', mass: 'oz', currency: '', hemisphere: 'north' }])
    expect(units.mass).toBe('oz')
  })
  it('go back when they cannot be kept, and say so', async () => {
    wire.put = { ok: false, status: 503 }
    const s = useSettings()
    await s.change({ length: 'in' })
    expect(units.length).toBe('cm')
    expect(s.wrong).toContain('database')
  })
})
