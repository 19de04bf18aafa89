import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { isKept, kindOf, seenAt } from '@/away/kept'
import { isBack, lookForServer, noteAge, staleSince } from '@/away/stale'

const at = (path: string) => new URL(path, 'http://here')

describe('what is kept for a kitchen without a network', () => {
  it('is what was seen of jobs, lists and the larder, and nothing of doors, files and streams', () => {
    for (const path of [
      '/api/v1/jobs',
      '/api/v1/jobs/7f/day?left=true',
      '/api/v1/jobs/7f',
      '/api/v1/jobs/7f/ticks',
      '/api/v1/jobs/7f/evening/photos',
      '/api/v1/shopping?from=2026-10-14',
      '/api/v1/foods/brie/picture.svg',
    ])
      expect(isKept(at(path)), path).toBe(true)
    for (const path of [
      '/api/v1/door',
      '/api/v1/door/key',
      '/api/v1/jobs/7f/head',
      '/api/v1/jobs/7f/sheet?kind=mat',
      '/api/v1/jobs/7f/bundle',
      '/api/v1/jobs/7f/evening/photos/3',
      '/api/v1/arrange',
      '/api/v1/logbook/export',
      '/api/v1/scale',
      '/healthz',
      '/api/v1/jobsomething',
    ])
      expect(isKept(at(path)), path).toBe(false)
    expect(kindOf(at('/api/v1/jobs/7f/tray.svg?v=3'))).toBe('picture')
    expect(kindOf(at('/api/v1/jobs/7f'))).toBe('answer')
  })
})

describe('how old it is', () => {
  beforeEach(() => (staleSince.value = null))
  afterEach(() => vi.restoreAllMocks())
  const kept = (when: string) => new Response('', { headers: { [seenAt]: when } })

  it('is told by the newest of it, and no more once the server answers', () => {
    noteAge(kept('2026-10-14T08:00:00Z'))
    noteAge(kept('2026-10-14T10:00:00Z'))
    noteAge(kept('2026-10-14T09:00:00Z'))
    expect(staleSince.value?.toISOString()).toBe('2026-10-14T10:00:00.000Z')
    noteAge(new Response(''))
    expect(staleSince.value).toBeNull()
  })

  it('is looked for while it is away, and nobody asks where nothing is stale', async () => {
    const answers = vi.spyOn(globalThis, 'fetch')
    await lookForServer()
    expect(answers).not.toHaveBeenCalled()
    noteAge(kept('2026-10-14T08:00:00Z'))
    answers.mockRejectedValueOnce(new TypeError('away'))
    await lookForServer()
    expect(isBack.value).toBe(false)
    answers.mockResolvedValueOnce(new Response('ok'))
    await lookForServer()
    expect(isBack.value).toBe(true)
    noteAge(new Response(''))
    expect([isBack.value, staleSince.value]).toEqual([false, null])
  })
})
