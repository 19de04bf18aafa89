// Findings that are mended.
import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { tray } from './tray'

type Asked = { path: string; body: Record<string, unknown> }
const wire = vi.hoisted(() => ({
  asked: [] as Asked[],
  answer: {} as unknown,
  fail: false,
}))

vi.mock('openapi-fetch', () => ({
  default: () => {
    const ok = (data: unknown) => ({ data, response: { ok: true, status: 200 } })
    return {
      GET: async () =>
        ok({
          id: 'j',
          revision: 4,
          document: tray('given'),
          undo: false,
          redo: false,
          saved_at: '2026-11-24T10:00:00Z',
        }),
      PUT: async () => ok({ revision: 5, saved_at: '2026-11-24T10:00:01Z' }),
      POST: async (path: string, options: { body: Record<string, unknown> }) => {
        if (!path.endsWith('/mend')) return ok({})
        wire.asked.push({ path, body: options.body })
        if (wire.fail) throw new TypeError('gone')
        return ok(wire.answer)
      },
    }
  },
}))
const { useJob } = await import('@/stores/job')
const { useMending } = await import('@/composables/mending')
const { useToast } = await import('@/stores/toast')

beforeEach(() => {
  setActivePinia(createPinia())
  vi.useFakeTimers()
  wire.asked.length = 0
  wire.answer = {}
  wire.fail = false
  vi.stubGlobal('window', globalThis)
})
afterEach(() => {
  vi.useRealTimers()
  vi.unstubAllGlobals()
})

describe('a finding that is mended', () => {
  const finding = { check: 'fit.gap', severity: 'mend' as const, elements: [], at: [1, 2], says: 'bare' }
  it('changes the tray and says by how much', async () => {
    const job = useJob()
    await job.open('j')
    const { mend, mending, offer, accept, decline } = useMending()
    wire.answer = { found: true, tray: tray('mended'), gain: 1.4, says: 'moved the figs' }
    const under = mend(2, finding)
    expect(mending.value).toBe(2)
    await under
    expect(mending.value).toBeNull()
    expect(job.doc?.title).toBe('given') // it is shown first
    expect(offer.value?.gain).toBe(1.4)
    decline()
    expect(offer.value).toBeNull()
    await mend(2, finding)
    accept()
    expect(job.doc?.title).toBe('mended')
    await mend(1, finding)
    job.change(tray('mine'), 'changed')
    await vi.advanceTimersByTimeAsync(0)
    expect(offer.value).toBeNull() // it was of what lay there before
    expect(useToast().now?.says).toBe('Moved the figs: +1.4.')
  })
  it('says so when nothing helps or the server is away', async () => {
    const job = useJob()
    await job.open('j')
    const { mend } = useMending()
    wire.answer = { found: false }
    await mend(1, finding)
    expect(useToast().now?.says).toMatch(/No single change/)
    wire.fail = true
    await mend(1, finding)
    expect(useToast().now?.says).toBeTruthy()
    expect(job.doc?.title).toBe('given')
  })
})
