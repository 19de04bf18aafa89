// What follows the hand, and what the search is given and gives back.
import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import type { TrayElement, TrayFile } from '@/api/tray.gen'

type Asked = {
  revision: number
  preview?: boolean
  rests?: boolean
  command: { ids: string[]; to: object; alone?: boolean }
}
const wire = vi.hoisted(() => ({
  asked: [] as Asked[],
  pending: [] as ((score: number) => void)[],
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
          document: tray(),
          undo: true,
          redo: false,
          saved_at: '2026-11-24T10:00:00Z',
        }),
      PUT: async () => ok({ revision: 5, saved_at: '2026-11-24T10:00:01Z' }),
      POST: async (path: string, options: { body: unknown }) => {
        if (!path.endsWith('/edits')) return ok({})
        if (wire.fail) throw new TypeError('gone')
        wire.asked.push(options.body as Asked)
        return new Promise(done =>
          wire.pending.push(score => {
            const review = { score, groups: {}, checks: [], findings: [] }
            const displaced = { lifted: [], fewer: [], drawn_in_mm: 0, no_room: [] }
            const carried = { at: [15, 19, 350], shifts: [[0, 2, 5, 6, 30]], stuck: ['honey'] }
            done(ok({ revision: 4, changed: [], gone: [], displaced, carried, review }))
          }),
        )
      },
    }
  },
}))

const { useJob } = await import('@/stores/job')
const { useCarrying } = await import('@/composables/carrying')
const { keyOf } = await import('@/tray/given')
const { useLaying } = await import('@/composables/laying')

const element = (id: string, over: Partial<TrayElement> = {}): TrayElement => ({
  id,
  food: id,
  form: 'drift',
  category: 'nut',
  grams: 10,
  count: 3,
  placed: true,
  x: 10,
  y: 20,
  turn_deg: 0,
  layer: 6,
  locked: false,
  colour: '#aa7733',
  wetness: 'crisp',
  pieces: [
    {
      outline: [
        [0, 0],
        [9, 0],
        [9, 9],
      ],
      z_mm: 0,
      height_mm: 9,
      colour: '#aa7733',
    },
  ],
  ...over,
})
function tray(): TrayFile {
  return {
    format: 'happytray/1',
    title: 't',
    brief: { guests: { adults: 4 } },
    board: null,
    vessels: [],
    elements: [element('almonds'), element('figs'), element('honey', { locked: true })],
    reserve: [],
    rules: {},
    seed: 1,
  }
}

let frames: (() => void)[]
const frame = async () => {
  const now = frames.splice(0)
  now.forEach(f => f())
  await vi.advanceTimersByTimeAsync(0)
}
beforeEach(() => {
  setActivePinia(createPinia())
  vi.useFakeTimers()
  frames = []
  wire.asked.length = wire.pending.length = 0
  wire.fail = false
  vi.stubGlobal('window', globalThis)
  vi.stubGlobal('requestAnimationFrame', (f: () => void) => frames.push(f))
})
afterEach(() => {
  vi.useRealTimers()
  vi.unstubAllGlobals()
})

describe('what makes room under the hand', () => {
  async function open(gives = true) {
    const job = useJob()
    await job.open('j')
    return { job, hand: useCarrying(() => gives) }
  }
  it('is asked of the saved tray, and shown until everything has its place', async () => {
    const { hand } = await open()
    hand.follow('figs', { x: 13, y: 20, turn: 0 })
    await frame()
    const to = { x: 13, y: 20, turn_deg: 0 }
    expect(wire.asked).toEqual([
      { revision: 4, tray: 0, command: { kind: 'move', ids: ['figs'], to, hugs: true }, preview: true },
    ])
    wire.pending.shift()!(70)
    await vi.advanceTimersByTimeAsync(0)
    expect(hand.given.value?.get(keyOf(0, 2))).toEqual({ x: 5, y: 6, turn: 30 })
    expect(hand.stuck.value).toEqual(['honey'])
    expect(hand.drawn.value).toEqual({ x: 2, y: -1, turn: -10 })
    expect(hand.inHand.value?.score).toBe(70)
    hand.letGo()
    expect(hand.stuck.value).toEqual([])
    expect(hand.drawn.value).toBeNull()
    expect(hand.given.value).not.toBeNull()
    hand.rest()
    expect(hand.given.value).toBeNull()
  })
  it('moves alone where nothing is to give way, and is not asked of a tray that is not saved', async () => {
    const { hand } = await open(false)
    hand.follow('figs', { x: 13, y: 20, turn: 0 })
    await frame()
    expect(wire.asked[0]!.command.alone).toBe(true)
    const { job, hand: other } = await open()
    job.doc = { ...job.doc!, title: 'changed' }
    other.follow('figs', { x: 13, y: 20, turn: 0 })
    await frame()
    expect(wire.asked).toHaveLength(1)
  })
  it('is told what putting down comes to once the hand rests', async () => {
    const { hand } = await open()
    hand.follow('figs', { x: 13, y: 20, turn: 0 }, ['almonds'])
    await frame()
    wire.pending.shift()!(70)
    await vi.advanceTimersByTimeAsync(100)
    await frame()
    expect(wire.asked.map(a => [a.rests ?? false, a.command.ids])).toEqual([
      [false, ['figs', 'almonds']],
      [true, ['figs', 'almonds']],
    ])
    hand.letGo()
    await vi.advanceTimersByTimeAsync(500)
    await frame()
    expect(wire.asked).toHaveLength(2)
  })
  it('leaves an answer that comes after the hand has let go', async () => {
    const { hand } = await open()
    hand.follow('figs', { x: 13, y: 20, turn: 0 })
    await frame()
    hand.letGo()
    wire.pending.shift()!(70)
    await vi.advanceTimersByTimeAsync(0)
    expect(hand.given.value).toBeNull()
  })
})

describe('the review that follows the hand', () => {
  async function open() {
    const job = useJob()
    await job.open('j')
    return { job, hand: useCarrying(() => true) }
  }
  it('asks once a frame, for the newest place, against the saved revision', async () => {
    const { hand } = await open()
    for (const x of [11, 12, 13]) hand.follow('figs', { x, y: 20, turn: 0 })
    await frame()
    expect(wire.asked.map(a => a.command.to)).toEqual([{ x: 13, y: 20, turn_deg: 0 }])
  })
  it('has one request under way at a time, then asks for the newest', async () => {
    const { hand } = await open()
    hand.follow('figs', { x: 11, y: 20, turn: 0 })
    await frame()
    hand.follow('figs', { x: 12, y: 20, turn: 0 })
    hand.follow('figs', { x: 19, y: 20, turn: 5 })
    await frame()
    expect(wire.asked).toHaveLength(1)
    wire.pending.shift()!(77)
    await vi.advanceTimersByTimeAsync(0)
    expect(hand.inHand.value?.score).toBe(77)
    await frame()
    expect(wire.asked[1]!.command.to).toEqual({ x: 19, y: 20, turn_deg: 5 })
  })
  it('forgets an answer that comes after the hand let go', async () => {
    const { hand } = await open()
    hand.follow('figs', { x: 11, y: 20, turn: 0 })
    await frame()
    hand.letGo()
    wire.pending.shift()!(12)
    await vi.advanceTimersByTimeAsync(0)
    expect(hand.inHand.value).toBeNull()
  })
  it('is not broken by an answer that does not come', async () => {
    const { hand } = await open()
    wire.fail = true
    hand.follow('figs', { x: 11, y: 20, turn: 0 })
    await frame()
    wire.fail = false
    hand.follow('figs', { x: 12, y: 20, turn: 0 })
    await frame()
    expect(wire.asked).toHaveLength(1)
  })
})

describe('laying', () => {
  /** A search that answers with these lines, and can be told to hang after them. */
  function search(lines: object[], hang = false) {
    const fetch = vi.fn(async (_: string, o: RequestInit) => {
      const body = new ReadableStream({
        start(c) {
          for (const l of lines) c.enqueue(new TextEncoder().encode(JSON.stringify(l) + '\n'))
          if (!hang) c.close()
          else o.signal!.addEventListener('abort', () => c.error(new DOMException('stopped', 'AbortError')))
        },
      })
      return new Response(body)
    })
    vi.stubGlobal('fetch', fetch)
    return fetch
  }
  const laid = (title: string) => ({ ...tray(), title })
  async function open() {
    const job = useJob()
    await job.open('j')
    const seen: string[] = []
    return { job, seen, laying: useLaying(t => seen.push(t.title)) }
  }
  it('sends the tray as it is and asks for it afresh, shows what comes, and keeps the last', async () => {
    const fetch = search([
      { tried: 1, share: 0.2, score: 60, done: false, tray: laid('a') },
      { tried: 5, share: 0.9, score: 60, done: false },
      {
        tried: 6,
        share: 1,
        score: 70,
        done: true,
        tray: laid('b'),
        unfit: [{ says: 'Figs: 2 did not fit.' }],
      },
    ])
    const { job, seen, laying } = await open()
    await laying.lay('wheel', 9)
    const sent = JSON.parse(fetch.mock.calls[0]![1].body as string) as TrayFile
    expect(sent).toEqual(tray())
    expect(fetch.mock.calls[0]![0]).toBe('/api/v1/arrange?style=wheel&seed=9&afresh=true&ways=1')
    expect(seen).toEqual(['a', 'b'])
    expect([job.doc?.title, job.doc?.seed, laying.best.value, laying.tried.value]).toEqual(['b', 9, 70, 6])
    expect(laying.unfit.value).toEqual(['Figs: 2 did not fit.'])
    expect(laying.running.value).toBe(false)
  })
  it('asks for only some of it, and keeps the seed then', async () => {
    const fetch = search([{ tried: 1, share: 1, score: 60, done: true, tray: laid('a') }])
    const { job, laying } = await open()
    await laying.lay('', 9, 1, new Set(['figs', 'almonds']))
    expect(fetch.mock.calls[0]![0]).toMatch(/only=figs&only=almonds&/)
    expect([job.doc?.title, job.doc?.seed]).toEqual(['a', 1])
  })
  it('stopped, keeps the best so far', async () => {
    search([{ tried: 1, share: 0.1, score: 60, done: false, tray: laid('a') }], true)
    const { job, laying } = await open()
    const done = laying.lay('', 1)
    await vi.advanceTimersByTimeAsync(5)
    expect(laying.running.value).toBe(true)
    laying.cancel()
    await done
    expect([job.doc?.title, laying.says.value]).toEqual(['a', ''])
  })
  it('stopped before anything came, changes nothing and says so', async () => {
    search([], true)
    const { job, laying } = await open()
    const done = laying.lay('', 1)
    await vi.advanceTimersByTimeAsync(5)
    laying.cancel()
    await done
    expect(job.doc?.title).toBe('t')
    expect(laying.says.value).toContain('nothing has changed')
  })
  it('says what went wrong and leaves the tray alone', async () => {
    vi.stubGlobal(
      'fetch',
      async () =>
        new Response('{"title":"This cannot be worked with","detail":"Choose a board first"}', {
          status: 422,
        }),
    )
    const { job, laying } = await open()
    await laying.lay('', 1)
    expect([job.doc?.title, laying.says.value]).toEqual([
      't',
      'This cannot be worked with. Choose a board first.',
    ])
  })
})
