// Neighbours that give way once something rests, and findings that are mended.
import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { tray } from './tray'

type Asked = { path: string; body: Record<string, unknown> }
const wire = vi.hoisted(() => ({
  asked: [] as Asked[],
  answer: {} as unknown,
  fail: false,
  slow: false, // answers wait until they are given by hand
  waiting: [] as ((answer: unknown) => void)[],
  saves: 0,
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
      PUT: async () => {
        wire.saves++
        return ok({ revision: 4 + wire.saves, saved_at: '2026-11-24T10:00:01Z' })
      },
      POST: async (path: string, options: { body: Record<string, unknown> }) => {
        if (!/give-way|mend/.test(path)) return ok({})
        wire.asked.push({ path, body: options.body })
        if (wire.fail) throw new TypeError('gone')
        if (wire.slow) return ok(await new Promise(answer => wire.waiting.push(answer)))
        return ok(wire.answer)
      },
    }
  },
}))
const { useJob } = await import('@/stores/job')
const { useGiveWay } = await import('@/composables/giveWay')
const { useMending } = await import('@/composables/mending')
const { useToast } = await import('@/stores/toast')

const rest = () => vi.advanceTimersByTimeAsync(230)
beforeEach(() => {
  setActivePinia(createPinia())
  vi.useFakeTimers()
  wire.asked.length = 0
  wire.answer = {}
  wire.fail = false
  wire.slow = false
  wire.waiting.length = 0
  wire.saves = 0
  vi.stubGlobal('window', globalThis)
})
afterEach(() => {
  vi.useRealTimers()
  vi.unstubAllGlobals()
})

describe('neighbours that give way', () => {
  const at = (x: number) => ({ x, y: 0, turn: 0 })
  it('are asked once it rests, for the whole way it went', async () => {
    const job = useJob()
    await job.open('j')
    const { after } = useGiveWay()
    wire.answer = { moved: true, lifted: [], tray: tray('settled') }
    after('bowl', at(1), 'moved the bowl')
    after('bowl', at(3), 'moved the bowl')
    expect(wire.asked).toEqual([])
    await rest()
    expect(wire.asked.length).toBe(1)
    expect(wire.asked[0]!.body).toMatchObject({ element: 'bowl', from: { x: 1, y: 0, turn_deg: 0 } })
    expect(job.doc?.title).toBe('settled')
  })
  it('tell what was moved less far than it was put, because the edge is in the way', async () => {
    const job = useJob()
    await job.open('j')
    const { after } = useGiveWay()
    wire.answer = { moved: true, lifted: [], drawn_in_mm: 6.5, tray: tray('settled') }
    after('bowl', at(1), 'moved the bowl')
    await rest()
    expect(useToast().now?.says).toMatch(/^The edge is in the way: the .+ went 0\.7 cm less far\.$/)
  })
  it('are not asked when they are not to, and nothing happens when none has to', async () => {
    const job = useJob()
    await job.open('j')
    const { on, after } = useGiveWay()
    on.value = false
    after('bowl', at(1), 'moved the bowl')
    await rest()
    expect(wire.asked).toEqual([])
    on.value = true
    wire.answer = { moved: false, lifted: [] }
    after('bowl', at(1), 'moved the bowl')
    await rest()
    expect(job.doc?.title).toBe('given')
  })
  it('leave a tray that was changed meanwhile alone, and a server that is away', async () => {
    const job = useJob()
    await job.open('j')
    const { on, after } = useGiveWay()
    on.value = true
    wire.answer = { moved: true, lifted: [], tray: tray('settled') }
    after('bowl', at(1), 'moved the bowl')
    vi.advanceTimersByTime(230)
    job.change(tray('mine'), 'changed')
    await vi.advanceTimersByTimeAsync(0)
    expect(job.doc?.title).toBe('mine')
    wire.fail = true
    after('bowl', at(1), 'moved the bowl')
    await rest()
    expect(job.doc?.title).toBe('mine')
  })
  it('hold back the saving until a late answer, so that both are one step to undo', async () => {
    const job = useJob()
    await job.open('j')
    const { on, after } = useGiveWay()
    on.value = true
    wire.slow = true
    job.change(tray('the bowl moved'), 'moved the bowl', true)
    after('bowl', at(1), 'moved the bowl')
    await rest()
    await vi.advanceTimersByTimeAsync(6000) // a slow machine
    expect(wire.saves).toBe(0)
    wire.waiting[0]!({ moved: true, lifted: [], tray: tray('settled') })
    await vi.advanceTimersByTimeAsync(3000)
    expect(job.doc?.title).toBe('settled')
    expect(wire.saves).toBe(1)
  })
  it('do not hold it back for ever', async () => {
    const job = useJob()
    await job.open('j')
    const { on, after } = useGiveWay()
    on.value = true
    wire.slow = true
    job.change(tray('the bowl moved'), 'moved the bowl', true)
    after('bowl', at(1), 'moved the bowl')
    await vi.advanceTimersByTimeAsync(11_000)
    expect(wire.saves).toBe(1)
  })
  it('answer for the tray they were asked about, in whatever order answers come', async () => {
    const job = useJob()
    await job.open('j')
    const { on, after } = useGiveWay()
    on.value = true
    wire.slow = true
    after('bowl', at(1), 'moved the bowl')
    await rest()
    job.change(tray('the honey moved too'), 'moved the honey')
    after('honey', at(2), 'moved the honey')
    await rest()
    expect(wire.asked.map(a => a.body.element)).toEqual(['bowl', 'honey'])
    wire.waiting[1]!({ moved: true, lifted: [], tray: tray('settled round the honey') })
    await vi.advanceTimersByTimeAsync(0)
    expect(job.doc?.title).toBe('settled round the honey')
    wire.waiting[0]!({ moved: true, lifted: [], tray: tray('settled round the bowl, without the honey') })
    await vi.advanceTimersByTimeAsync(0)
    expect(job.doc?.title).toBe('settled round the honey')
  })
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
