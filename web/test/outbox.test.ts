// @vitest-environment happy-dom
import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { Trouble } from '@/api/client'
import { withWaiting } from '@/composables/evening'
import { subject, type Waiting } from '@/outbox/entries'
import { newKey, useOutbox } from '@/outbox/outbox'

const { wire, kept } = vi.hoisted(() => ({
  wire: {
    sent: [] as { kind: string; key: string }[],
    answer: ((): unknown => undefined) as (e: { kind: string }) => unknown,
    forgets: 0, // ms that this browser takes to forget what was sent
  },
  kept: new Map<string, unknown>(),
}))
vi.mock('@/outbox/entries', async original => ({
  ...(await original<typeof import('@/outbox/entries')>()),
  deliver: (e: { kind: string; key: string }) => {
    wire.sent.push(e)
    try {
      return Promise.resolve(wire.answer(e))
    } catch (x) {
      return Promise.reject(x as Error)
    }
  },
}))
vi.mock('idb-keyval', () => ({
  createStore: (name: string) => name,
  get: (k: string) => Promise.resolve(kept.get(k)),
  set: (k: string, v: unknown) => Promise.resolve(void kept.set(k, structuredClone(v))),
  del: (k: string) =>
    new Promise<void>(done => {
      const forget = () => done(void kept.delete(k))
      if (wire.forgets) setTimeout(forget, wire.forgets)
      else forget()
    }),
  keys: () => Promise.resolve([]),
  values: () => Promise.resolve([...kept.values()]),
}))
const settled = () => vi.advanceTimersByTimeAsync(1)
const away = () => {
  throw new Trouble(0, 'away')
}

beforeEach(() => {
  vi.useFakeTimers()
  setActivePinia(createPinia())
  wire.sent = []
  wire.answer = () => undefined
  wire.forgets = 0
  kept.clear()
})
afterEach(() => vi.useRealTimers())

describe('the outbox', () => {
  it('sends what is noted, once, and forgets it', async () => {
    const o = useOutbox()
    const told = vi.fn()
    o.onSent(told)
    wire.answer = () => 'the evening'
    o.add({ kind: 'note', job: 'j', says: 'Nobody finds the spoon.' })
    await settled()
    expect(wire.sent.map(e => e.kind)).toEqual(['note'])
    expect(told).toHaveBeenCalledWith(expect.objectContaining({ kind: 'note' }), 'the evening')
    expect(o.count).toBe(0)
    expect(kept.size).toBe(0)
  })
  it('counts as lasting only what a reload would find again', async () => {
    wire.answer = away
    const o = useOutbox()
    o.add({ kind: 'note', job: 'j', says: 'Dark down here.' })
    expect([o.count, o.lasting]).toEqual([1, 0])
    await settled()
    expect([o.count, o.lasting, kept.size]).toEqual([1, 1, 1])
    await o.drop(o.waiting[0]!)
    expect([o.count, o.lasting]).toEqual([0, 0])
  })
  it('keeps what cannot be sent over a reload, and sends it in order when the server is back', async () => {
    wire.answer = away
    const o = useOutbox()
    o.add({ kind: 'gone', job: 'j', tray: 0, element: 'a', gone: true })
    await settled()
    o.add({ kind: 'topUp', job: 'j', tray: 0, food: 'almonds', grams: 40 })
    await settled()
    expect(o.away).toBe(true)
    expect(kept.size).toBe(2)
    const names = o.waiting.map(e => e.key)
    setActivePinia(createPinia()) // a page that is loaded again
    const again = useOutbox()
    wire.sent = []
    wire.answer = () => ({})
    await again.open()
    await settled()
    expect(wire.sent.map(e => e.key)).toEqual(names)
    expect(again.count).toBe(0)
    expect(kept.size).toBe(0)
  })
  it('tries again by itself, under the same name', async () => {
    const o = useOutbox()
    wire.answer = away
    const key = o.add({ kind: 'note', job: 'j', says: 'x' })
    await settled()
    wire.answer = () => ({})
    await vi.advanceTimersByTimeAsync(20_000)
    expect(wire.sent.length).toBeGreaterThan(1)
    expect(new Set(wire.sent.map(e => e.key))).toEqual(new Set([key]))
    expect(o.away).toBe(false)
    expect(o.count).toBe(0)
  })
  it('tells the answer in the turn in which nothing waits any more, however long it takes to forget', async () => {
    const o = useOutbox()
    wire.forgets = 500
    wire.answer = () => 'the evening'
    const waits: number[] = []
    o.onSent(() => waits.push(o.count))
    o.add({ kind: 'note', job: 'j', says: 'The far end wanted more.' })
    await settled()
    expect(waits).toEqual([0])
    expect(kept.size).toBe(1)
    await vi.advanceTimersByTimeAsync(600)
    expect(kept.size).toBe(0)
  })
  it('lets a later word about the same take the place of one that waits', async () => {
    const o = useOutbox()
    wire.answer = away
    for (const done of [true, false, true]) {
      o.add({ kind: 'tick', job: 'j', task: 'lay', done })
      await settled()
    }
    o.add({ kind: 'tick', job: 'j', task: 'wash', done: true })
    await settled()
    expect(o.waiting.flatMap(e => (e.kind === 'tick' ? [[e.task, e.done]] : []))).toEqual([
      ['lay', true],
      ['wash', true],
    ])
    expect(kept.size).toBe(2)
  })
  it('keeps what the server will not take until somebody has looked at it, and goes on with the rest', async () => {
    const o = useOutbox()
    wire.answer = e => {
      if (e.kind === 'topUp') throw new Trouble(422, 'None of it was laid.')
      return {}
    }
    o.add({ kind: 'topUp', job: 'j', tray: 0, food: 'air', grams: 5 })
    o.add({ kind: 'note', job: 'j', says: 'x' })
    await settled()
    expect(o.count).toBe(0)
    expect(o.refused.map(e => e.refused)).toEqual(['None of it was laid.'])
    setActivePinia(createPinia())
    const again = useOutbox()
    await again.open()
    expect(again.refused.length).toBe(1)
    await again.drop(again.refused[0]!)
    expect(kept.size).toBe(0)
  })
  it('hands the changes of a job over to whoever opens it', async () => {
    const o = useOutbox()
    wire.answer = away
    const document = { title: 'Kiln' } as never
    o.add({ kind: 'document', job: 'j', revision: 4, document, says: 'moved' })
    await settled()
    expect(await o.handOver('another')).toBeNull()
    expect(await o.handOver('j')).toEqual({ revision: 4, document, says: 'moved' })
    expect(o.count).toBe(0)
  })
  it('gives names that the contract takes', () => {
    const all = new Set(Array.from({ length: 200 }, newKey))
    expect(all.size).toBe(200)
    for (const k of all) expect(k).toMatch(/^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/)
  })
})

describe('an evening with what waits', () => {
  const dish = {
    tray: 0,
    element: 'a',
    food: 'almonds',
    share_g: 10,
    laid_g: 100,
    left_g: 0,
    reasons: [],
    gone_at_min: 12,
  }
  const evening = { dishes: [dish], notes: [], done: false, topped: [] } as never
  const waiting = (e: object) => ({ job: 'j', key: 'k', at: 60_000, ...e }) as Waiting
  const shown = (...list: object[]) => withWaiting(evening, list.map(waiting), at => at / 60_000)
  it('shows what was noted before the server has it', () => {
    expect(shown({ kind: 'gone', tray: 0, element: 'a', gone: false }).dishes[0]!.gone_at_min).toBeNull()
    expect(shown({ kind: 'gone', tray: 0, element: 'a', gone: true }).dishes[0]!.gone_at_min).toBe(1)
    const topped = shown({ kind: 'topUp', tray: 0, food: 'almonds', grams: 40 })
    expect(topped.dishes[0]).toMatchObject({ laid_g: 140, gone_at_min: null })
    expect(topped.topped).toMatchObject([{ id: 'k', grams: 40 }])
    expect(
      shown({ kind: 'topUp', tray: 0, food: 'almonds', grams: 40 }, { kind: 'takeBack', entry: 'k' }).topped,
    ).toEqual([])
    expect(shown({ kind: 'note', says: 'hm' }).notes).toMatchObject([{ says: 'hm' }])
    const came = {
      tray: 0,
      element: 'a',
      food: 'almonds',
      left_g: 30,
      gone_at_min: null,
      reasons: ['too much'],
    }
    expect(shown({ kind: 'came', dish: came }, { kind: 'done', done: true })).toMatchObject({
      done: true,
      dishes: [{ left_g: 30, laid_g: 100, gone_at_min: null, reasons: ['too much'] }],
    })
    expect((evening as { dishes: unknown[] }).dishes[0]).toEqual(dish)
  })
  it('tells apart what entries are about', () => {
    expect(subject({ kind: 'note', job: 'j', says: 'x' })).toBeNull()
    expect(subject({ kind: 'tick', job: 'j', task: 'a', done: true })).not.toBe(
      subject({ kind: 'tick', job: 'i', task: 'a', done: true }),
    )
  })
})
