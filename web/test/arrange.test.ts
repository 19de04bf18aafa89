import { afterEach, describe, expect, it, vi } from 'vitest'
import { arrange } from '@/api/arrange'
import { Trouble } from '@/api/client'
import type { TrayFile } from '@/api/tray.gen'

const tray = { title: 't' } as TrayFile
afterEach(() => vi.unstubAllGlobals())

function answer(chunks: string[], status = 200) {
  const body = new ReadableStream({
    start(c) {
      for (const s of chunks) c.enqueue(new TextEncoder().encode(s))
      c.close()
    },
  })
  const fetch = vi.fn(async () => new Response(body, { status }))
  vi.stubGlobal('fetch', fetch)
  return fetch
}
async function all(o = {}) {
  const out = []
  for await (const line of arrange(tray, { signal: new AbortController().signal, ...o })) out.push(line)
  return out
}

describe('a search', () => {
  it('gives its lines as they come, however they are cut', async () => {
    const fetch = answer(['{"tried":1,"sco', 're":40}\n{"tried":2', ',"score":50}\n', '\n'])
    expect(await all({ style: 'wheel', seed: 4, afresh: true })).toEqual([
      { tried: 1, score: 40 },
      { tried: 2, score: 50 },
    ])
    expect(fetch.mock.calls[0]).toMatchObject([
      '/api/v1/arrange?style=wheel&seed=4&afresh=true',
      { method: 'POST' },
    ])
  })
  it('says what is wrong with a tray that cannot be laid', async () => {
    answer(
      ['{"title":"This cannot be worked with","detail":"Choose a board.","field":"board","status":422}'],
      422,
    )
    await expect(all()).rejects.toMatchObject({
      status: 422,
      field: 'board',
      message: 'This cannot be worked with. Choose a board.',
    })
  })
  it('says when nobody answers', async () => {
    vi.stubGlobal('fetch', () => Promise.reject(new TypeError('failed')))
    await expect(all()).rejects.toBeInstanceOf(Trouble)
  })
  it('ends quietly when it is stopped', async () => {
    const stop = new AbortController()
    vi.stubGlobal('fetch', () => {
      stop.abort()
      return Promise.reject(new DOMException('stopped', 'AbortError'))
    })
    expect(await all({ signal: stop.signal })).toEqual([])
  })
})

describe('trouble', () => {
  it('passes by itself only when nothing is wrong with what was sent', () => {
    expect([0, 502, 503, 504].map(s => new Trouble(s, '').passing)).toEqual([true, true, true, true])
    expect([400, 412, 422, 500].map(s => new Trouble(s, '').passing)).toEqual([false, false, false, false])
  })
})
