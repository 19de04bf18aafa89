// @vitest-environment happy-dom
import { mount } from '@vue/test-utils'
import { expect, it } from 'vitest'
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
const look = (findings: unknown[]) =>
  mount(SecondLook, {
    props: {
      review: { score: 91, groups: { fit: 90 }, checks: [], findings } as never,
      before: null,
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
