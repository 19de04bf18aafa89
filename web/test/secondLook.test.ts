// @vitest-environment happy-dom
import { mount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, expect, it } from 'vitest'
import { useJob } from '@/stores/job'
import SecondLook from '@/components/lay/SecondLook.vue'

const finding = (n: number, places?: number) => ({
  check: `colour.${n}`,
  severity: 'mend',
  elements: ['fig'],
  at: [n, n],
  says: `Finding ${n}.`,
  places: places
    ? Array.from({ length: places }, (_, i) => ({
        elements: ['fig'],
        at: [i, n],
        says: `Place ${i} of ${n}.`,
      }))
    : undefined,
})
beforeEach(() => setActivePinia(createPinia()))
const look = (findings: unknown[], before: unknown = null) =>
  mount(SecondLook, {
    props: {
      review: { score: 91, groups: { fit: 90 }, checks: [], findings } as never,
      findings: findings as never,
      before: before as never,
      shown: null,
      laid: true,
      mending: null,
    },
  })
const cards = (w: ReturnType<typeof look>) => w.findAll('.findings > li')
const button = (w: ReturnType<typeof look>, words: RegExp) =>
  w.findAll('button').find(b => words.test(b.text()))!

it('says what is alike once, and opens to its places', async () => {
  const w = look([finding(1, 3), finding(2)])
  expect(cards(w)).toHaveLength(2)
  expect(w.text()).not.toContain('Place 0 of 1.')
  await button(w, /^3 places/).trigger('click')
  expect(w.findAll('.places li').map(p => p.text())).toEqual([
    'Place 0 of 1.',
    'Place 1 of 1.',
    'Place 2 of 1.',
  ])
  await button(w, /^3 places/).trigger('click')
  expect(w.find('.places').exists()).toBe(false)
})
it('tells the first few, and the smaller ones when asked', async () => {
  const w = look(Array.from({ length: 9 }, (_, i) => finding(i)))
  expect(cards(w)).toHaveLength(6)
  await button(w, /^And 3 smaller ones/).trigger('click')
  expect(cards(w)).toHaveLength(9)
  await button(w, /^Only the first/).trigger('click')
  expect(cards(w)).toHaveLength(6)
})
it('says that a good tray is good', () => {
  expect(look([]).text()).toContain('Nothing to mend. It can go out.')
})

it('shows by how much each group changes with a move', () => {
  const w = look([], { score: 88, groups: { fit: 93 } })
  expect(w.text()).toContain('+3 by this move')
  expect(w.find('.change.worse').text()).toBe('−3')
})
it('lets a finding be waived with a reason, until what it says changes', async () => {
  const job = useJob()
  job.doc = { title: 't', elements: [], vessels: [], reserve: [], brief: { guests: { adults: 2 } } } as never
  const w = look([finding(1), finding(2)])
  await button(w, /^Waive/).trigger('click')
  await w.get('form input').setValue('the host wants it so')
  await w.get('form').trigger('submit')
  expect((job.tray as never as { waived: unknown }).waived).toEqual([
    { check: 'colour.1', elements: ['fig'], says: 'Finding 1.', why: 'the host wants it so' },
  ])
  expect(cards(w)).toHaveLength(1)
  expect(cards(w)[0]!.text()).toContain('Finding 2.')
  expect(w.find('details').text()).toContain('the host wants it so')
  await w.setProps({ findings: [{ ...finding(1), says: 'Now 4 mm.' }] as never })
  expect(cards(w)[0]!.text()).toContain('Now 4 mm.')
  await w.setProps({ findings: [finding(1)] as never })
  expect(cards(w)).toHaveLength(0)
  await button(w, /^Take up again/).trigger('click')
  expect(cards(w)).toHaveLength(1)
})

it('lets a waived finding be, however it is worded and in whatever units, until what it is of changes', async () => {
  const job = useJob()
  job.doc = { title: 't', elements: [], vessels: [], reserve: [], brief: { guests: { adults: 2 } } } as never
  const gap = (mm: number, says: string) => ({
    ...finding(1),
    says,
    sentence: { code: 'fit.gap', with: [{ mm }] },
  })
  const w = look([gap(52.1, 'A bare patch 52 mm across.')])
  await button(w, /^Waive/).trigger('click')
  await w.get('form').trigger('submit')
  expect(cards(w)).toHaveLength(0)
  await w.setProps({ findings: [{ ...gap(51.8, 'Bare: 52 mm.'), shown: 'Bare: 2 in.' }] as never })
  expect(cards(w)).toHaveLength(0)
  expect(w.find('details').text()).toContain('Bare: 2 in.')
  await w.setProps({ findings: [gap(64, 'Bare: 64 mm.')] as never })
  expect(cards(w)).toHaveLength(1)
})

it('leaves a card that is open as it is while what it says changes with the hand', async () => {
  const w = look([finding(1, 3)])
  await button(w, /^Waive/).trigger('click')
  const field = w.get('input.field')
  await field.setValue('half wri')
  const card = cards(w)[0]!.element
  await w.setProps({ findings: [{ ...finding(1, 3), says: 'Now 12 mm.' }] as never })
  expect(cards(w)[0]!.element).toBe(card)
  expect((w.get('input.field').element as HTMLInputElement).value).toBe('half wri')
})
