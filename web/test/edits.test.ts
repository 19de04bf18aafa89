// Commands of hands: seen at once, kept by the server one after the other, and nothing of them lost.
import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import type { Command } from '@/api/client'
import type { TrayElement, TrayFile } from '@/api/tray.gen'
import { tray } from './tray'

type Asked = { revision: number; tray: number; command: Command }
type Reply = { status: number; body?: unknown } | 'gone'
const wire = vi.hoisted(() => ({
  answer: (() => 'gone') as (a: Asked) => Reply | Promise<Reply>,
  asked: [] as Asked[],
  document: null as unknown,
  revision: 4,
  saves: [] as unknown[],
}))

vi.mock('openapi-fetch', () => ({
  default: () => {
    const say = (r: Reply) => {
      if (r === 'gone') throw new TypeError('gone')
      const ok = r.status < 300
      return {
        data: ok ? r.body : undefined,
        error: ok ? undefined : r.body,
        response: { ok, status: r.status },
      }
    }
    const job = () => ({
      id: 'j',
      revision: wire.revision,
      document: wire.document,
      undo: false,
      redo: false,
      saved_at: '2026-11-24T10:00:00Z',
    })
    return {
      GET: async () => say({ status: 200, body: job() }),
      PUT: async (_: string, o: { body: unknown }) => {
        wire.saves.push(o.body)
        return say({ status: 200, body: { revision: ++wire.revision, saved_at: '2026-11-24T10:00:02Z' } })
      },
      POST: async (path: string, o: { body: Asked }) => {
        if (!path.endsWith('/edits')) return say({ status: 200, body: {} })
        wire.asked.push(o.body)
        return say(await wire.answer(o.body))
      },
    }
  },
}))
const browser = vi.hoisted(() => new Map<string, string>())
vi.mock('idb-keyval', () => ({
  createStore: () => ({}),
  get: async (k: string) => browser.get(k),
  del: async (k: string) => void browser.delete(k),
  keys: async () => [],
  values: async () => [],
  set: async (k: string, v: string) => void browser.set(k, v),
}))

const { useJob } = await import('@/stores/job')
const { applied, effect } = await import('@/tray/edit')

const element = (id: string, x = 10): TrayElement => ({
  id,
  food: id,
  form: 'bowl',
  category: 'dip',
  grams: 10,
  count: 1,
  placed: true,
  x,
  y: 20,
  turn_deg: 0,
  layer: 6,
  locked: false,
  colour: '#aa7733',
  wetness: 'dry',
  pieces: [{ outline: [[x, 20]], at: [x, 20], turn_deg: 0, z_mm: 0, height_mm: 9, colour: '#aa7733' }],
})
const laid = (): TrayFile => ({ ...tray('t'), elements: [element('honey'), element('figs', 60)] })
const move = (id: string, x: number): Command => ({
  kind: 'move',
  ids: [id],
  to: { x, y: 20, turn_deg: 0 },
})

/** The server's answer to a command: what was asked, and the figs give way by 5 mm. */
function done(a: Asked): Reply {
  const t = wire.document as TrayFile
  const changed = effect(t, a.command).elements.filter(e => a.command.ids.includes(e.id))
  const figs = t.elements.find(e => e.id === 'figs')!
  if (!a.command.ids.includes('figs')) changed.push({ ...figs, x: figs.x + 5 })
  wire.revision++
  const answer = {
    revision: wire.revision,
    saved_at: '2026-11-24T10:00:01Z',
    changed,
    gone: [],
    displaced: { lifted: [], fewer: [], drawn_in_mm: 0, no_room: [] },
    review: { score: 71, groups: {}, checks: [], findings: [] },
  }
  wire.document = applied(t, answer as never)
  return { status: 200, body: answer }
}
const places = (t: TrayFile | null) => t?.elements.map(e => [e.id, e.x])
const soon = (ms = 0) => vi.advanceTimersByTimeAsync(ms)

beforeEach(() => {
  setActivePinia(createPinia())
  vi.useFakeTimers()
  browser.clear()
  wire.asked.length = wire.saves.length = 0
  wire.document = laid()
  wire.revision = 4
  wire.answer = done
  vi.stubGlobal('window', globalThis)
  vi.stubGlobal('requestAnimationFrame', (f: () => void) => setTimeout(f, 16))
})
afterEach(() => {
  vi.useRealTimers()
  vi.unstubAllGlobals()
})
async function open() {
  const job = useJob()
  await job.open('j')
  await soon()
  return job
}

describe('a command', () => {
  it('is seen at once, sent by itself, and what it came to takes its place', async () => {
    const job = await open()
    const answer = job.edit(move('honey', 30))
    await soon()
    expect(places(job.doc)).toEqual([
      ['honey', 30],
      ['figs', 65],
    ])
    expect((await answer)?.revision).toBe(5)
    expect(wire.asked).toEqual([{ revision: 4, tray: 0, command: move('honey', 30) }])
    expect([job.state, job.revision, job.canUndo, job.review?.score]).toEqual(['saved', 5, true, 71])
    expect(job.doc).toBe(job.base)
    expect(wire.saves).toEqual([])
  })
  it('is shown where it was drawn to, until the answer is there', async () => {
    let say: (r: Reply) => void = () => {}
    wire.answer = () => new Promise(go => (say = go))
    const job = await open()
    void job.edit(move('honey', 30), { x: 33, y: 20, turn: 0 })
    await soon()
    expect(places(job.doc)).toEqual([
      ['honey', 33],
      ['figs', 60],
    ])
    say(done(wire.asked[0]!))
    await soon()
    expect(places(job.doc)).toEqual([
      ['honey', 30],
      ['figs', 65],
    ])
  })
  it('that follows another is done to what that came to', async () => {
    const job = await open()
    void job.edit(move('honey', 30))
    void job.edit({ kind: 'lock', ids: ['figs'] })
    await soon(50)
    expect(wire.asked.map(a => [a.revision, a.command.kind])).toEqual([
      [4, 'move'],
      [5, 'lock'],
    ])
    expect(job.doc?.elements[1]).toMatchObject({ x: 65, locked: true })
  })
  it('of several presses of a key is one', async () => {
    const job = await open()
    const first = job.editSoon(move('honey', 12))
    void job.editSoon(move('honey', 14))
    void job.editSoon(move('honey', 16))
    expect(places(job.doc)![0]).toEqual(['honey', 16])
    await soon(100)
    expect([wire.asked.length, job.state]).toEqual([0, 'waiting'])
    await soon(200)
    expect(wire.asked.map(a => a.command.to?.x)).toEqual([16])
    expect((await first)?.revision).toBe(5)
    // another thing is another step, and what is done meanwhile waits for neither
    void job.editSoon(move('honey', 18))
    void job.editSoon(move('figs', 70))
    await soon(10)
    expect(wire.asked.map(a => a.command.ids[0])).toEqual(['honey', 'honey'])
    await job.flush()
    expect(wire.asked.map(a => a.command.ids[0])).toEqual(['honey', 'honey', 'figs'])
  })
  it('that cannot be done is taken back, and it is said why', async () => {
    wire.answer = () => ({
      status: 422,
      body: { title: 'This cannot be worked with', detail: 'It is locked' },
    })
    const job = await open()
    await expect(job.edit(move('honey', 30))).rejects.toThrow(/It is locked/)
    expect(places(job.doc)).toEqual([
      ['honey', 10],
      ['figs', 60],
    ])
    await soon(50)
    expect([job.state, browser.size]).toEqual(['saved', 0])
  })
})

describe('without a server', () => {
  it('what shows at once is held, survives a reload, and is sent when it is back', async () => {
    wire.answer = () => 'gone'
    const job = await open()
    expect(await job.edit(move('honey', 30))).toBeNull()
    await soon(50)
    expect(job.state).toBe('held')
    await job.edit({ kind: 'take-off', ids: ['figs'] })
    await expect(job.edit({ kind: 'duplicate', ids: ['honey'] })).rejects.toThrow(/when it is back/)
    await soon(50)
    expect(JSON.parse(browser.get('j')!).edits).toHaveLength(2)

    setActivePinia(createPinia()) // the page is loaded anew
    const again = await open()
    expect(again.doc?.elements.map(e => [e.x, e.placed])).toEqual([
      [30, true],
      [60, false],
    ])
    wire.answer = done
    await soon(3000)
    expect([again.state, again.revision]).toEqual(['saved', 6])
    expect(browser.size).toBe(0)
    expect(again.doc?.elements.map(e => e.placed)).toEqual([true, false])
  })
})

describe('another window', () => {
  const changed = (how: (t: TrayFile) => TrayFile) => {
    wire.document = how(wire.document as TrayFile)
    wire.revision++
  }
  const guarded = (a: Asked): Reply => {
    const current = { id: 'j', revision: wire.revision, document: wire.document }
    return a.revision === wire.revision
      ? done(a)
      : { status: 412, body: { title: 'Changed elsewhere', current } }
  }
  it('that changed something else leaves both', async () => {
    const job = await open()
    wire.answer = guarded
    changed(t => effect(t, move('figs', 90)))
    expect((await job.edit(move('honey', 30)))?.revision).toBe(6)
    expect(places(job.doc)).toEqual([
      ['honey', 30],
      ['figs', 95],
    ])
    expect(job.state).toBe('saved')
  })
  it('that changed the same is told: both are offered', async () => {
    const job = await open()
    wire.answer = guarded
    changed(t => effect(t, move('honey', 90)))
    expect(await job.edit(move('honey', 30))).toBeNull()
    expect([job.state, places(job.doc)![0], places(job.theirs!.document)![0]]).toEqual([
      'clash',
      ['honey', 30],
      ['honey', 90],
    ])
    await job.keepMine()
    expect(places(wire.saves[0] as TrayFile)![0]).toEqual(['honey', 30])
  })
})

describe('a change of the whole document', () => {
  it('while a command is on its way keeps what it changed, and what the command came to', async () => {
    let say: (r: Reply) => void = () => {}
    wire.answer = () => new Promise(go => (say = go))
    const job = await open()
    void job.edit(move('honey', 30))
    await soon()
    job.changeTray(
      {
        ...job.tray!,
        title: 'mine',
        elements: job.tray!.elements.map(e => (e.id === 'figs' ? { ...e, locked: true } : e)),
      },
      'locked',
    )
    say(done(wire.asked[0]!))
    await soon(1000)
    expect(wire.saves).toHaveLength(1)
    expect(wire.saves[0]).toMatchObject({
      title: 'mine',
      elements: [
        { id: 'honey', x: 30 },
        { id: 'figs', x: 60, locked: true }, // it was changed here, so it stays as it is here
      ],
    })
    expect(job.state).toBe('saved')
  })
  it('that waits takes a command in, where it cannot be saved first', async () => {
    const job = await open()
    job.change({ ...job.doc!, title: 'mine' }, 'changed')
    const saved = job.edit(move('honey', 30)) // the document first
    await soon(10)
    await saved
    expect([wire.saves.length, wire.asked[0]?.revision]).toEqual([1, 5])
  })
})

describe('what an answer makes of a tray', () => {
  const answer = { gone: [], changed: [] } as never as Parameters<typeof applied>[1]
  it('replaces what changed where it stands, drops what is gone and adds what is new last', () => {
    const t = laid()
    const now = applied(t, { ...answer, changed: [element('figs', 1), element('nuts', 2)], gone: ['honey'] })
    expect(places(now)).toEqual([
      ['figs', 1],
      ['nuts', 2],
    ])
    expect(places(t)).toHaveLength(2)
    expect(applied(t, { ...answer, reserve: [] }).reserve).toEqual([])
  })
  it('of several that move along, the others go as the first does', () => {
    const t = laid()
    const now = effect(t, { kind: 'move', ids: ['honey', 'figs'], to: { x: 10, y: 20, turn_deg: 90 } })
    expect(now.elements[1]).toMatchObject({ x: 10, y: 70, turn_deg: 90 })
    expect(effect(t, { kind: 'duplicate', ids: ['honey'] })).toBe(t)
  })
})
