// Several ways of laying are offered for the tray they were laid for, and for no other.
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, expect, it, vi } from 'vitest'
import type { TrayFile } from '@/api/tray.gen'
import { tray } from './tray'

const search = vi.hoisted(() => ({ lines: [] as unknown[], meanwhile: () => {} }))
vi.mock('@/api/arrange', () => ({
  arrange: async function* () {
    for (const line of search.lines) yield line
    search.meanwhile()
  },
}))
const changed = vi.fn()
const job = { tray: null as TrayFile | null, trays: [] as TrayFile[], at: 0, changeTray: changed }
vi.mock('@/stores/job', () => ({ useJob: () => job }))
const { useLaying } = await import('@/composables/laying')

const way = (style: string) => ({ style, score: 90, differs: 0.3, says: 'fuller', tray: tray(style) })

beforeEach(() => {
  setActivePinia(createPinia())
  changed.mockClear()
  job.tray = tray('given')
  job.at = 0
  search.meanwhile = () => {}
  search.lines = [
    { tried: 9, share: 1, score: 90, done: true, tray: tray('meadow'), ways: [way('meadow'), way('wheel')] },
  ]
})

it('keeps nothing until a way is chosen, then that one', async () => {
  const laying = useLaying(() => {})
  await laying.lay('', 3, 2)
  expect(laying.ways.value.map(w => w.style)).toEqual(['meadow', 'wheel'])
  expect(changed).not.toHaveBeenCalled()
  laying.choose(laying.ways.value[1]!)
  expect(changed.mock.calls[0]!.slice(0, 2)).toEqual([tray('wheel'), 'laid the tray, wheel'])
  expect(laying.ways.value).toEqual([])
})

it('offers no ways on another tray that was turned to meanwhile, and says so', async () => {
  search.meanwhile = () => (job.at = 1)
  const laying = useLaying(() => {})
  await laying.lay('', 3, 2)
  expect(laying.ways.value).toEqual([])
  expect(changed).not.toHaveBeenCalled()
  expect(laying.says.value).toContain('other tray')
})

it('lays a board that nobody looks at, shows nothing of it, and says whether it came to an end', async () => {
  search.lines = [{ tried: 3, share: 1, score: 80, done: true, tray: tray('second, laid') }]
  job.trays = [tray('given'), tray('second')]
  const shown = vi.fn()
  const laying = useLaying(shown)
  expect(await laying.lay('', 3, 1, null, 1)).toBe(true)
  expect(shown).not.toHaveBeenCalled()
  expect(changed.mock.calls[0]![0]).toEqual({ ...tray('second, laid'), seed: 3 })
  expect(changed.mock.calls[0]![3]).toBe(1)
  search.lines = []
  expect(await laying.lay('', 3, 1, null, 1)).toBe(false)
})
