// @vitest-environment happy-dom
import { flushPromises, mount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, expect, it, vi } from 'vitest'
import ExerciseSheet from '@/components/practice/ExerciseSheet.vue'
import PathList from '@/components/practice/PathList.vue'
import OrderList from '@/components/practice/OrderList.vue'
import { readSet, usePractice, written } from '@/composables/practice'

const { get, post, kept } = vi.hoisted(() => ({
  get: vi.fn(),
  post: vi.fn(),
  kept: new Map<string, unknown>(),
}))
vi.mock('@/api/client', async original => ({
  ...(await original<typeof import('@/api/client')>()),
  api: { GET: get, POST: post },
  take: (answer: Promise<unknown>) => answer,
}))
vi.mock('idb-keyval', () => ({
  createStore: () => null,
  get: (k: string) => Promise.resolve(kept.get(k)),
  set: (k: string, v: unknown) => Promise.resolve(kept.set(k, v)),
}))
const rules = [
  { id: 'shares', stage: 1, says: 'So much.', why: 'For so.', kinds: ['amount', 'why'], about: 'Shares' },
  { id: 'pairs', stage: 2, says: 'Pair it.', why: 'It tastes.', kinds: ['why'], about: 'Where things go' },
  { id: 'full', stage: 4, says: 'Full.', why: 'Gaps show.', kinds: ['find', 'why'], about: 'Boards' },
]
const mark = (grades: Record<string, number>, within = {}) => ({
  points: 80,
  found: [],
  alarms: [],
  wrong: [],
  missed: [],
  within,
  loss: 0,
  grades,
  solution: { because: [{ id: 'b', says: 'because of that' }], right: ['b'] },
  says: 'Nearly.',
})
beforeEach(() => {
  setActivePinia(createPinia())
  kept.clear()
  get.mockResolvedValue({ rules })
})

it('a round begins with what is due, then with what was never met', async () => {
  const p = usePractice()
  await p.read()
  const round = p.round()
  expect(round.map(e => e.kind)).toEqual(['amount', 'why', 'find'])
  expect(round[1]!.seed % rules.length).toBe(1) // the reason of that very rule
  await p.note(mark({ full: 1, shares: 4, nobody: 3 }, { cheese: 1, meat: 0 }))
  expect(p.progress.value.guesses).toEqual({ said: 2, within: 1, last: [1, 0] })
  expect(Object.keys(p.progress.value.cards).sort()).toEqual(['full', 'shares'])
  const due = (id: string) => new Date(p.progress.value.cards[id]!.due).getTime()
  expect(due('full')).toBeLessThan(due('shares')) // what was forgotten comes back first
  const stands = Object.fromEntries(p.standings.value.map(s => [s.rule.id, s]))
  expect([stands.full!.met, stands.pairs!.met]).toEqual([1, 0])

  // what is kept is there again
  const again = usePractice()
  await again.read()
  expect(again.standings.value.find(s => s.rule.id === 'shares')!.met).toBe(1)
  await again.note(mark({ shares: 3 }))
  expect(again.progress.value.cards.shares!.reps).toBe(2)
  await again.noteRound(70)
  expect(again.progress.value.rounds).toHaveLength(1)
})

it('a set goes by link, and what is none is left out', () => {
  const set = [
    { kind: 'find' as const, level: 3, seed: 48213 },
    { kind: 'pair' as const, level: 2, seed: 991 },
  ]
  expect(written(set)).toBe('find.3.48213,pair.2.991')
  expect(readSet(written(set))).toEqual(set)
  expect(readSet('chess.1.1,find.9.1,find.1.x,,find.1.-4,tool.1.5')).toEqual([
    { kind: 'tool', level: 1, seed: 5 },
  ])
})

it('an exercise is asked, answered and explained', async () => {
  const exercise = {
    kind: 'pair',
    seed: 1,
    level: 1,
    rules: ['pairs'],
    asks: 'Which goes?',
    pick: 1,
    choices: [
      { id: 'a', says: 'Apple' },
      { id: 'b', says: 'Honey' },
    ],
  }
  post.mockImplementation((url: string) =>
    Promise.resolve(url.endsWith('marks') ? mark({ pairs: 4 }) : exercise),
  )
  const w = mount(ExerciseSheet, { props: { asked: { kind: 'pair', seed: 1, level: 1 }, last: true } })
  await flushPromises()
  expect(w.text()).toContain('Which goes?')
  const answer = () => w.findAll('button').find(b => b.text() === 'That is my answer')!
  expect(answer().attributes('disabled')).toBeDefined()
  await w.findAll('.choice')[0]!.trigger('click')
  await w.findAll('.choice')[1]!.trigger('click') // one is to be picked: the other is let go
  expect(w.findAll('.choice').map(b => b.attributes('aria-pressed'))).toEqual(['false', 'true'])
  await answer().trigger('click')
  await flushPromises()
  expect(post).toHaveBeenLastCalledWith('/api/v1/practice/marks', {
    body: { kind: 'pair', seed: 1, level: 1, answer: { chosen: ['b'] } },
  })
  expect(w.text()).toContain('✓ right')
  expect(w.text()).toContain('because of that')
  expect(w.emitted('marked')).toHaveLength(1)
  await w.findAll('button').at(-1)!.trigger('click')
  expect(w.emitted('next')).toHaveLength(1)
})

it('works are moved by the arrows beside them', async () => {
  const choices = ['wash', 'cut', 'lay'].map(id => ({ id, says: id }))
  const exercise = { kind: 'order' as const, seed: 1, level: 1, rules: ['order'], asks: 'Order', choices }
  const w = mount(OrderList, { props: { exercise, order: ['cut', 'wash', 'lay'], mark: null } })
  await w.get('[aria-label="Earlier: wash"]').trigger('click')
  expect(w.emitted('order')![0]).toEqual([['wash', 'cut', 'lay']])
  expect(w.get('[aria-label="Earlier: cut"]').attributes('disabled')).toBeDefined()
})

it('a rule is found by a word of it', async () => {
  const standings = rules.map(rule => ({ rule: rule as never, met: 0, known: 0, due: false }))
  const w = mount(PathList, { props: { standings } })
  expect(w.findAll('li')).toHaveLength(3)
  await w.get('input').setValue('gaps')
  expect(w.findAll('li strong').map(s => s.text())).toEqual(['Full.'])
  expect(w.get('details').attributes('open')).toBeDefined()
  await w.get('input').setValue('chess')
  expect(w.text()).toContain('No rule says that.')
})

it('a clock that was ahead is taken for now', async () => {
  const p = usePractice()
  await p.read()
  vi.useFakeTimers({ now: new Date('2036-01-01T12:00:00Z'), toFake: ['Date'] })
  await p.note(mark({ shares: 3 }))
  vi.setSystemTime(new Date('2026-01-01T12:00:00Z'))
  await p.note(mark({ shares: 3 }))
  const card = p.progress.value.cards.shares!
  const days = (+new Date(card.due) - Date.now()) / 864e5
  vi.useRealTimers()
  expect(card.reps).toBe(2)
  expect(days).toBeGreaterThan(0)
  expect(days).toBeLessThan(60)
})
