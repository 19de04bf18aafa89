import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it, vi } from 'vitest'

type Call = {
  method: string
  options: { params?: { header?: Record<string, string> }; body?: unknown }
}
type Reply = { status: number; body?: unknown }

const wire = vi.hoisted(() => ({
  answer: (() => ({ status: 500 })) as (c: Call) => Reply,
  calls: [] as Call[],
}))
vi.mock('openapi-fetch', () => ({
  default: () => {
    const call = (method: string) => async (_: string, options: Call['options']) => {
      const c = { method, options }
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
const { useFoodPage } = await import('@/composables/foodPage')

let version: number
let kept: Record<string, unknown>
let refuse: ((c: Call) => Reply | undefined) | null
const problem = (status: number, detail?: string): Reply => ({
  status,
  body: { type: 'about:blank', title: 'No', detail, status },
})

beforeEach(() => {
  setActivePinia(createPinia())
  wire.calls.length = 0
  version = 3
  kept = { id: 'figs', name: 'Fresh figs', liking: 0.7, tool: '' }
  refuse = null
  wire.answer = c => {
    const no = c.method === 'PUT' ? refuse?.(c) : undefined
    if (no) return no
    if (c.method === 'PUT') {
      kept = c.options.body as Record<string, unknown>
      version++
    }
    return {
      status: 200,
      body: { food: kept, version, mine: 'changed', changed: [], stock: [], forms: [] },
    }
  }
})

describe('a food that is changed', () => {
  it('keeps changes made in haste one after another, each from the version before', async () => {
    const p = useFoodPage()
    await p.open('figs')
    await Promise.all([p.change({ liking: 0.5 }), p.change({ tool: 'picks' })])
    expect(
      wire.calls.filter(c => c.method === 'PUT').map(c => c.options.params?.header?.['If-Match']),
    ).toEqual(['"3"', '"4"'])
    expect(kept).toMatchObject({ liking: 0.5, tool: 'picks' })
  })
  it('goes back as far as it was changed', async () => {
    const p = useFoodPage()
    await p.open('figs')
    await p.change({ liking: 0.5 })
    await p.change({ liking: 0.4 })
    await p.undo()
    expect(kept.liking).toBe(0.5)
    await p.undo()
    expect(kept.liking).toBe(0.7)
    expect(p.undoable.value).toBe(0)
  })
  it('stays as it was when a change is refused, and says why', async () => {
    const p = useFoodPage()
    await p.open('figs')
    refuse = () => problem(422, 'Too much')
    await p.change({ liking: 7 })
    expect(p.food.value).toMatchObject({ liking: 0.7 })
    expect(p.wrong.value).toContain('Too much')
    expect(p.undoable.value).toBe(0)
  })
  it('is shown as it is now when another window changed it', async () => {
    const p = useFoodPage()
    await p.open('figs')
    refuse = () => {
      kept = { ...kept, name: 'Figs from the market' }
      return problem(412)
    }
    await p.change({ liking: 0.1 })
    expect(p.food.value?.name).toBe('Figs from the market')
    expect(p.wrong.value).toContain('another window')
  })
})
