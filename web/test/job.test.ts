// Saving: nothing is lost, whatever the server, the network or another window does.
import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import type { TrayFile } from '@/api/tray.gen'
import { tray } from './tray'

type Call = {
  method: string
  path: string
  options: {
    params?: { path?: { id: string }; header?: Record<string, string>; query?: { says?: string } }
    body?: unknown
  }
}
type Reply = { status: number; body?: unknown } | 'gone'

const wire = vi.hoisted(() => ({
  answer: (() => ({ status: 500 })) as (c: Call) => Reply | Promise<Reply>,
  calls: [] as Call[],
}))

vi.mock('openapi-fetch', () => ({
  default: () => {
    const call = (method: string) => async (path: string, options: Call['options']) => {
      const c = { method, path, options }
      wire.calls.push(c)
      const reply = await wire.answer(c)
      if (reply === 'gone') throw new TypeError('failed to fetch')
      const ok = reply.status < 300
      return {
        data: ok ? reply.body : undefined,
        error: ok ? undefined : reply.body,
        response: { ok, status: reply.status },
      }
    }
    return { GET: call('GET'), PUT: call('PUT'), POST: call('POST'), DELETE: call('DELETE') }
  },
}))

const browser = vi.hoisted(() => ({ held: new Map<string, string>(), room: true }))
vi.mock('idb-keyval', () => ({
  createStore: () => ({}),
  get: async (k: string) => browser.held.get(k),
  del: async (k: string) => void browser.held.delete(k),
  keys: async () => [],
  values: async () => [],
  set: async (k: string, v: string) => {
    if (!browser.room) throw new DOMException('full', 'QuotaExceededError')
    browser.held.set(k, v)
  },
}))

const { useJob } = await import('@/stores/job')

/** A server that keeps revisions as ours does. */
function server() {
  const revisions: { doc: TrayFile; parent: number }[] = [{ doc: tray('first'), parent: 0 }]
  const s = {
    head: 1,
    fail: null as Reply | null,
    hold: null as Promise<void> | null,
    saves: [] as string[],
    now: () => revisions[s.head - 1]!.doc,
    job: () => ({
      id: 'j',
      revision: s.head,
      document: s.now(),
      undo: revisions[s.head - 1]!.parent > 0,
      redo: false,
      saved_at: '2026-11-24T10:00:00Z',
    }),
    elsewhere(title: string) {
      revisions.push({ doc: tray(title), parent: s.head })
      s.head = revisions.length
    },
  }
  wire.answer = async c => {
    if (c.path === '/api/v1/jobs/{id}' && c.method === 'GET') return { status: 200, body: s.job() }
    if (c.path === '/api/v1/jobs/{id}/head') return { status: 200, body: { revision: s.head } }
    const match = c.options.params?.header?.['If-Match']
    if (c.method === 'PUT' || /undo|redo/.test(c.path)) {
      if (s.hold) await s.hold
      if (s.fail) return s.fail
      if (match !== `"${s.head}"`)
        return { status: 412, body: { title: 'Changed elsewhere', current: s.job() } }
    }
    if (c.method === 'PUT') {
      revisions.push({ doc: c.options.body as TrayFile, parent: s.head })
      s.head = revisions.length
      s.saves.push(s.now().title)
      return { status: 200, body: { revision: s.head, saved_at: '2026-11-24T10:01:00Z' } }
    }
    if (c.path.endsWith('/undo')) {
      if (!revisions[s.head - 1]!.parent) return { status: 409, body: { title: 'Nothing to go to' } }
      s.head = revisions[s.head - 1]!.parent
      return { status: 200, body: s.job() }
    }
    return { status: 200, body: {} } // review, basket, prep
  }
  return s
}

beforeEach(() => {
  setActivePinia(createPinia())
  vi.useFakeTimers()
  browser.held.clear()
  browser.room = true
  vi.stubGlobal('window', globalThis)
  wire.calls.length = 0
})
afterEach(() => {
  vi.useRealTimers()
  vi.unstubAllGlobals()
})
const settle = (ms = 1000) => vi.advanceTimersByTimeAsync(ms)

describe('saving', () => {
  it('happens by itself, a moment after the last change, and says what was done', async () => {
    const s = server()
    const job = useJob()
    await job.open('j')
    job.change(tray('a'), 'renamed')
    job.change(tray('b'), 'renamed again')
    expect(job.state).toBe('waiting')
    await settle()
    expect(s.saves).toEqual(['b'])
    expect([job.state, job.revision, job.canUndo]).toEqual(['saved', 2, true])
    const put = wire.calls.find(c => c.method === 'PUT')!
    expect(put.options.params).toMatchObject({
      header: { 'If-Match': '"1"' },
      query: { says: 'renamed again' },
    })
    expect(browser.held.size).toBe(0)
  })
  it('goes on with what changed while it was under way', async () => {
    const s = server()
    const job = useJob()
    await job.open('j')
    let release = () => {}
    s.hold = new Promise(r => (release = r))
    job.change(tray('a'), 'x')
    await settle()
    expect(job.state).toBe('saving')
    job.change(tray('b'), 'y')
    s.hold = null
    release()
    await settle(2000)
    expect(s.saves).toEqual(['a', 'b'])
    expect([job.state, job.revision]).toEqual(['saved', 3])
  })
  it('is done before the job is let go of', async () => {
    const s = server()
    const job = useJob()
    await job.open('j')
    job.change(tray('a'), 'x')
    await job.close()
    expect(s.saves).toEqual(['a'])
    expect(job.doc).toBeNull()
  })
})

describe.each([
  ['the database is away', { status: 503, body: { title: 'The database does not answer' } } as Reply],
  ['the server cannot be reached', 'gone' as Reply],
])('when %s', (_, fail) => {
  it('the work is kept here, tried again, and saved when it can be', async () => {
    const s = server()
    const job = useJob()
    await job.open('j')
    s.fail = fail
    job.change(tray('a'), 'x')
    await settle()
    expect(job.state).toBe('held')
    expect(job.says).not.toBe('')
    expect(browser.held.size).toBe(1)
    await settle(6000)
    job.change(tray('b'), 'y')
    await settle(6000)
    expect(s.saves).toEqual([])
    s.fail = null
    await settle(6000)
    expect(s.saves).toEqual(['b'])
    expect([job.state, browser.held.size]).toEqual(['saved', 0])
  })
})

it('what follows from the tray is asked again when the server was away', async () => {
  const s = server()
  const job = useJob()
  await job.open('j')
  await settle()
  const answer = wire.answer
  wire.answer = async c => (c.path === '/api/v1/basket' ? 'gone' : answer(c))
  job.change(tray('a'), 'x')
  await settle()
  expect([job.state, s.saves]).toEqual(['saved', ['a']])
  const basket = { lines: ['of a'] }
  wire.answer = async c =>
    c.path.endsWith('/derived') || c.path === '/api/v1/basket'
      ? {
          status: 200,
          body: c.path.endsWith('/derived') ? { revision: 2, review: {}, basket, prep: {} } : basket,
        }
      : answer(c)
  await settle(6000)
  expect(job.basket).toEqual(basket)
  const asked = wire.calls.length
  await settle(20000)
  expect(wire.calls.length).toBe(asked)
})

describe('work from an earlier visit', () => {
  const work = (revision: number) =>
    browser.held.set('j', JSON.stringify({ revision, document: tray('left'), says: 'left in a hurry' }))
  it('is taken up and saved when nobody else changed the job', async () => {
    const s = server()
    work(1)
    const job = useJob()
    await job.open('j')
    expect(job.doc?.title).toBe('left')
    await settle()
    expect(s.saves).toEqual(['left'])
  })
  it('is a question when somebody did', async () => {
    const s = server()
    s.elsewhere('theirs')
    work(1)
    const job = useJob()
    await job.open('j')
    expect([job.state, job.doc?.title, job.theirs?.document.title]).toEqual(['clash', 'left', 'theirs'])
    await settle(9000)
    expect(s.saves).toEqual([])
  })
  it('that an earlier version held elsewhere is taken from there', async () => {
    const s = server()
    const old = new Map([
      ['happytray.unsaved.j', JSON.stringify({ revision: 1, document: tray('left'), says: 'left' })],
    ])
    vi.stubGlobal('localStorage', {
      getItem: (k: string) => old.get(k) ?? null,
      removeItem: (k: string) => void old.delete(k),
    })
    const job = useJob()
    await job.open('j')
    await settle()
    expect([s.saves, old.size]).toEqual([['left'], 0])
  })
  it('that does not fit into the browser is told of', async () => {
    const s = server()
    const job = useJob()
    await job.open('j')
    s.fail = 'gone'
    browser.room = false
    job.change(tray('a'), 'x')
    await settle()
    job.change(tray('b'), 'x')
    await settle(10)
    expect(job.says).toContain('no room')
  })
  it('that cannot be read is no obstacle', async () => {
    server()
    browser.held.set('j', '{broken')
    const job = useJob()
    await job.open('j')
    expect([job.state, job.doc?.title]).toEqual(['saved', 'first'])
  })
})

describe('a job changed elsewhere', () => {
  async function clash() {
    const s = server()
    const job = useJob()
    await job.open('j')
    s.elsewhere('theirs')
    job.change(tray('mine'), 'x')
    await settle()
    expect([job.state, job.theirs?.document.title, s.now().title]).toEqual(['clash', 'theirs', 'theirs'])
    return { s, job }
  }
  it('is not overwritten; mine can go on top', async () => {
    const { s, job } = await clash()
    await job.keepMine()
    expect([s.now().title, job.state, job.revision]).toEqual(['mine', 'saved', 3])
  })
  it('theirs can be taken', async () => {
    const { s, job } = await clash()
    job.takeTheirs()
    expect([job.doc?.title, job.state, job.revision, s.saves.length]).toEqual(['theirs', 'saved', 2, 0])
    expect(browser.held.size).toBe(0)
  })
  it('waits for the answer, whatever else is changed meanwhile', async () => {
    const { s, job } = await clash()
    job.change(tray('more'), 'y')
    await settle(5000)
    expect([job.state, s.now().title]).toEqual(['clash', 'theirs'])
  })
})

it('what the server refuses stays on the screen with the reason, and is not tried for ever', async () => {
  const s = server()
  const job = useJob()
  await job.open('j')
  s.fail = { status: 422, body: { title: 'This cannot be worked with', detail: 'Say how many guests come' } }
  job.change(tray('bad'), 'x')
  await settle()
  expect([job.state, job.says]).toEqual(['refused', 'This cannot be worked with. Say how many guests come.'])
  const puts = () => wire.calls.filter(c => c.method === 'PUT').length
  const before = puts()
  await settle(20000)
  expect(puts()).toBe(before)
  s.fail = null
  job.change(tray('good'), 'y')
  await settle()
  expect(s.saves).toEqual(['good'])
})

it('undo saves what waits, then goes back', async () => {
  const s = server()
  const job = useJob()
  await job.open('j')
  job.change(tray('a'), 'x')
  await job.undo()
  expect(s.saves).toEqual(['a'])
  expect([job.doc?.title, job.revision]).toEqual(['first', 1])
  await job.undo() // nothing earlier: all stays
  expect([job.doc?.title, job.state]).toEqual(['first', 'saved'])
})

it('undo and redo pressed in haste come one after the other, not against each other', async () => {
  const s = server()
  const job = useJob()
  await job.open('j')
  for (const t of ['a', 'b', 'c']) {
    job.change(tray(t), t)
    await settle()
  }
  let release = () => {}
  s.hold = new Promise(r => (release = r))
  const both = Promise.all([job.undo(), job.undo()])
  await settle(10)
  s.hold = null
  release()
  await both
  expect([job.doc?.title, job.state, job.theirs]).toEqual(['a', 'saved', null])
})

it('what is changed while an undo is under way is kept on top of it', async () => {
  const s = server()
  const job = useJob()
  await job.open('j')
  job.change(tray('a'), 'x')
  await settle()
  let release = () => {}
  s.hold = new Promise(r => (release = r))
  const undone = job.undo()
  await settle(10)
  job.change(tray('quick'), 'y')
  s.hold = null
  release()
  await undone
  await settle(3000)
  expect([job.doc?.title, job.state, s.now().title]).toEqual(['quick', 'saved', 'quick'])
})

describe('another window', () => {
  it('is seen when it saves, unless something is changed here or in the hand', async () => {
    const s = server()
    const job = useJob()
    await job.open('j')
    await job.lookElsewhere()
    expect(job.doc?.title).toBe('first')
    s.elsewhere('theirs')
    job.handFull = true
    await job.lookElsewhere()
    expect(job.doc?.title).toBe('first')
    job.handFull = false
    await job.lookElsewhere()
    expect([job.doc?.title, job.revision, job.state]).toEqual(['theirs', 2, 'saved'])
    job.change(tray('mine'), 'changed')
    s.elsewhere('theirs again')
    await job.lookElsewhere()
    expect(job.doc?.title).toBe('mine') // saving asks which of the two it is to be
    wire.answer = () => 'gone'
    await job.lookElsewhere()
    expect(job.doc?.title).toBe('mine')
  })
})
