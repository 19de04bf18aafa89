import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import type { BoardDrawn } from '@/api/client'
import type { Board } from '@/api/tray.gen'

type Call = {
  method: string
  path: string
  options: { params?: { path?: { id: string }; header?: Record<string, string> }; body?: unknown }
}
const wire = vi.hoisted(() => ({
  calls: [] as Call[],
  answer: (() => ({ status: 500 })) as (c: Call) => { status: number; body?: unknown },
}))
vi.mock('openapi-fetch', () => ({
  default: () => {
    const call = (method: string) => async (path: string, options: Call['options']) => {
      const c = { method, path, options }
      wire.calls.push(c)
      const r = wire.answer(c)
      const ok = r.status < 300
      return {
        data: ok ? r.body : undefined,
        error: ok ? undefined : r.body,
        response: { ok, status: r.status },
      }
    }
    return { GET: call('GET'), PUT: call('PUT'), POST: call('POST'), DELETE: call('DELETE') }
  },
}))
const { useBoardMaker } = await import('@/composables/boardMaker')

const board: Board = {
  id: 'made',
  name: 'Oval, 46 × 30 cm',
  outline: [
    [0, 0],
    [460, 0],
    [460, 300],
    [0, 300],
  ],
  food_zone: [
    [8, 8],
    [452, 8],
    [452, 292],
    [8, 292],
  ],
  keepouts: [
    [
      [400, 100],
      [440, 100],
      [440, 140],
    ],
  ],
  wells: [],
  rim_mm: 0,
  colour: '#8a5a35',
  material: 'wood',
  food_safe: true,
  liner: '',
}
const drawn = (b: Board = board): BoardDrawn => ({
  board: b,
  mine: 'own',
  put_away: false,
  version: 5,
  area_cm2: 1000,
  guests: 5,
  says: [],
  svg: '<svg/>',
})

beforeEach(() => {
  vi.useFakeTimers()
  vi.stubGlobal('window', globalThis)
  setActivePinia(createPinia())
  wire.calls.length = 0
  wire.answer = () => ({ status: 200, body: drawn() })
})
afterEach(() => {
  vi.useRealTimers()
  vi.unstubAllGlobals()
})
const settle = () => vi.advanceTimersByTimeAsync(200)

describe('a board that is made', () => {
  it('is asked for once the hand rests, and only in its newest shape', async () => {
    const m = useBoardMaker()
    m.begin({ shape: 'oval', length_mm: 460 })
    m.change({ length_mm: 470 })
    m.change({ length_mm: 480 })
    await settle()
    expect(wire.calls).toHaveLength(1)
    expect(wire.calls[0]!.options.body).toMatchObject({ shape: 'oval', length_mm: 480 })
  })
  it('lets its edge be moved, and goes back step by step', async () => {
    const m = useBoardMaker()
    m.begin({ shape: 'oval', length_mm: 460 })
    await settle()
    m.freeEdge()
    expect(m.ask.value.outline).toHaveLength(4)
    expect(m.ask.value.holes).toHaveLength(1)
    m.move(2, 10, 0, 0)
    m.move(2, 5, 0, 0, false) // the same drag goes on
    expect(m.ask.value.outline![2]).toEqual([475, 300])
    m.back()
    expect(m.ask.value.outline![2]).toEqual([460, 300])
    m.dropHole(0)
    expect(m.ask.value.holes).toEqual([])
    m.back()
    m.back()
    expect(m.byOutline.value).toBe(false)
  })
  it('carries its holes along when it is resized', async () => {
    const m = useBoardMaker()
    m.beginWith(drawn(), true)
    m.resize(920, 300)
    expect(m.ask.value.outline![1]).toEqual([920, 0])
    expect(m.ask.value.holes![0]![0]).toEqual([800, 100])
  })
  it('says what will not do, keeps what was there, and is not saved then', async () => {
    const m = useBoardMaker()
    m.begin({ shape: 'oval', length_mm: 460 })
    await settle()
    wire.answer = () => ({
      status: 422,
      body: { type: 'about:blank', title: 'No', detail: 'The outline crosses itself', status: 422 },
    })
    m.change({ length_mm: 5 })
    await settle()
    expect(m.wrong.value).toContain('crosses itself')
    expect(m.made.value).not.toBeNull()
    expect(await m.save(() => false)).toBeNull()
    expect(wire.calls.some(c => c.method === 'PUT')).toBe(false)
  })
  it('still says why a drawing will not do when the board of before is answered late', async () => {
    vi.stubGlobal('fetch', () =>
      Promise.resolve(
        new Response(
          JSON.stringify({ type: 'about:blank', title: 'No', detail: 'It holds a script', status: 422 }),
          {
            status: 422,
            headers: { 'Content-Type': 'application/problem+json' },
          },
        ),
      ),
    )
    const m = useBoardMaker()
    m.begin({ shape: 'oval', length_mm: 460 }) // its answer is still to come
    m.file.value = new File(['<svg/>'], 'b.svg')
    await m.readDrawing()
    expect(m.wrong.value).toContain('script')
    await settle()
    expect(m.made.value).not.toBeNull()
    expect(m.wrong.value).toContain('script')
    m.change({ length_mm: 480 }) // the drawing is let be
    await settle()
    expect(m.wrong.value).toBe('')
  })
  it('gets a name of its own that nothing has yet', async () => {
    const m = useBoardMaker()
    m.begin({ shape: 'oval', length_mm: 460, name: 'Grandmother’s board' })
    await settle()
    const taken = new Set(['grandmother-s-board'])
    expect(await m.save(id => taken.has(id))).toBe('grandmother-s-board-2')
    const put = wire.calls.find(c => c.method === 'PUT')!
    expect(put.options.params?.header?.['If-Match']).toBe('"0"')
    expect(put.options.body).toMatchObject({ id: 'grandmother-s-board-2', name: 'Grandmother’s board' })
  })
  it('is changed under its own name, with its wells', async () => {
    const wells: Board['wells'] = [
      [
        [10, 10],
        [90, 10],
        [90, 40],
      ],
    ]
    const m = useBoardMaker()
    m.beginWith(drawn({ ...board, id: 'mine', name: 'Mine', wells }), false)
    await settle()
    expect(await m.save(() => true)).toBe('mine')
    const put = wire.calls.find(c => c.method === 'PUT')!
    expect(put.options.params?.header?.['If-Match']).toBe('"5"')
    expect(put.options.body).toMatchObject({ id: 'mine', name: 'Mine', wells })
  })
})
