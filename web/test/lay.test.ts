// @vitest-environment happy-dom
import { mount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it } from 'vitest'
import { ref } from 'vue'
import type { useActs } from '@/composables/acts'
import type { TrayElement } from '@/api/tray.gen'
import HandTools from '@/components/lay/HandTools.vue'
import SearchActs from '@/components/lay/SearchActs.vue'
import TrayMarks from '@/components/lay/TrayMarks.vue'
import TrayRulers from '@/components/lay/TrayRulers.vue'
import WaitingStrip from '@/components/lay/WaitingStrip.vue'
import { units } from '@/tray/units'

const fig = {
  id: 'fig-1',
  food: 'fig',
  form: 'halves',
  count: 6,
  grams: 240,
  placed: true,
  locked: false,
} as unknown as TrayElement

beforeEach(() => setActivePinia(createPinia()))

describe('what can be done with what is chosen', () => {
  const acts = {
    pairing: ref(null),
    joins: () => true,
    busy: ref(false),
    vessels: ref([]),
  } as unknown as ReturnType<typeof useActs>
  const tools = (
    chosen: TrayElement | null,
    zoom = 1,
    members: TrayElement[] = [],
    actual: number | null = null,
  ) =>
    mount(HandTools, {
      props: {
        chosen,
        place: 'in the middle',
        otherForm: true,
        gives: true,
        several: false,
        zoom,
        acts,
        members,
        actual,
        before: false,
      },
    })

  it('is as large as on the table once a card was measured, and can be measured again', async () => {
    const press = async (zoom: number, actual: number | null) => {
      const t = tools(fig, zoom, [], actual)
      await t
        .findAll('button')
        .find(b => b.attributes('title') === 'As large as on the table')!
        .trigger('click')
      return t.emitted('actual')
    }
    expect(await press(1, null)).toEqual([[false]])
    expect(await press(1, 2.4)).toEqual([[false]])
    expect(await press(2.4, 2.4)).toEqual([[true]])
    // what is larger than usual can still be reached by the buttons
    const far = tools(fig, 5, [], 6.5)
    await far.get('[aria-label=Nearer]').trigger('click')
    expect(far.emitted('update:zoom')).toEqual([[6.5]])
  })
  it('is told of the element, with its place', async () => {
    const t = tools(fig)
    expect(t.text()).toContain('6 pieces, 240 g, in the middle')
    await t
      .findAll('button')
      .find(b => b.attributes('aria-label') === 'Turn right')!
      .trigger('click')
    expect(t.emitted('turn')).toEqual([[fig, 15]])
  })
  it('is only letting go where it is locked', () => {
    const t = tools({ ...fig, locked: true })
    const able = t.findAll('button:not([disabled])').map(b => b.text())
    expect(able).toContain('Unlock')
    expect(able.join()).not.toMatch(/Next form|Take off|More/)
    expect(t.get('[aria-label="Turn left"]').attributes('disabled')).toBeDefined()
  })
  it('is other things for several that are chosen together', async () => {
    const two = [fig, { ...fig, id: 'fig-2' }]
    const t = tools(fig, 1, two)
    expect(t.text()).toContain('2 things')
    for (const [says, event] of [
      ['Lay these again', 'layThese'],
      ['Lock', 'lockAll'],
      ['Take off', 'takeAllOff'],
    ]) {
      await t
        .findAll('button')
        .find(b => b.text() === says)!
        .trigger('click')
      expect(t.emitted(event!)).toEqual([[two]])
    }
    expect(t.findAll('button').map(b => b.text())).toEqual(expect.arrayContaining(['Swap', 'Join']))
  })
  it('goes nearer and farther within bounds', async () => {
    const t = tools(null, 3.9)
    await t.get('[aria-label=Nearer]').trigger('click')
    expect(t.emitted('update:zoom')).toEqual([[4]])
    await t.setProps({ zoom: 1.1 })
    await t.get('[aria-label=Farther]').trigger('click')
    expect(t.emitted('update:zoom')!.at(-1)).toEqual([1])
    await t.setProps({ zoom: 1 })
    expect(t.get('[aria-label=Farther]').attributes('disabled')).toBeDefined()
  })
})

describe('what waits beside the board', () => {
  it('is laid where it is let go, or by Enter where there is room', async () => {
    const strip = mount(WaitingStrip, { props: { elements: [fig] } })
    const chip = strip.get('.chip')
    ;(chip.element as HTMLElement).setPointerCapture = () => undefined
    await chip.trigger('pointerdown', { button: 0, clientX: 10, clientY: 20 })
    await chip.trigger('pointermove', { clientX: 300, clientY: 200 })
    expect(strip.get('.lifted').attributes('style')).toContain('left: 300px')
    await chip.trigger('pointerup', { clientX: 310, clientY: 210 })
    expect(strip.find('.lifted').exists()).toBe(false)
    await chip.trigger('keydown.enter')
    expect(strip.emitted('put')).toEqual([
      [fig, { x: 310, y: 210 }],
      [fig, null],
    ])
  })
  it('is not lifted by another button, nor laid when the touch is taken away', async () => {
    const strip = mount(WaitingStrip, { props: { elements: [fig] } })
    const chip = strip.get('.chip')
    ;(chip.element as HTMLElement).setPointerCapture = () => undefined
    await chip.trigger('pointerdown', { button: 2, clientX: 10, clientY: 20 })
    await chip.trigger('pointerup')
    await chip.trigger('pointerdown', { button: 0, clientX: 10, clientY: 20 })
    await chip.trigger('pointercancel')
    await chip.trigger('pointerup')
    expect(strip.emitted('put')).toBeUndefined()
  })
})

describe('what begins and ends a search', () => {
  const props = { style: 'any', running: false, share: 0, tried: 0, best: null, choosing: false, laid: false }
  it('lays, tells how it goes, and answers what was found', async () => {
    const acts = mount(SearchActs, { props })
    await acts.get('.next').trigger('click')
    expect(acts.emitted('lay')).toEqual([[1]])
    await acts.setProps({ running: true, share: 0.334, tried: 12, best: 91.4 })
    expect(acts.get('[role=progressbar]').attributes('aria-valuenow')).toBe('33')
    expect(acts.text()).toContain('12 layouts tried, best 91')
    await acts.setProps({ running: false, choosing: true })
    expect(acts.findAll('button').map(b => b.text())).toEqual(['None of these', 'Build this one'])
  })
})

describe('marks and rulers', () => {
  it('marks do not cover each other', () => {
    const marks = [1, 2, 3].map(n => ({ n, x: 100, y: 100, shown: false }))
    const m = mount({
      components: { TrayMarks },
      data: () => ({ marks }),
      template: '<svg><TrayMarks :marks="marks" :scale="2" /></svg>',
    })
    const at = m.findAll('circle').map(c => [Number(c.attributes('cx')), Number(c.attributes('cy'))])
    expect(at).toHaveLength(3)
    at.forEach(([x = 0, y = 0], i) =>
      at.slice(i + 1).forEach(([u = 0, v = 0]) => expect(Math.hypot(x - u, y - v)).toBeGreaterThan(11)),
    )
  })
  it('rulers count from the upper left corner, in the units that are set', () => {
    const outline = [
      [0, 0],
      [330, 0],
      [330, 210],
      [0, 210],
    ]
    const figures = () =>
      mount(TrayRulers, { props: { outline, scale: 2, breadth: 26, at: { x: -27, y: -27 } } })
        .findAll('text')
        .map(t => t.text())
    expect(figures()).toEqual(['0 cm', '10', '20', '30', '10', '20'])
    units.length = 'in'
    expect(figures().slice(0, 3)).toEqual(['0 in', '2', '4'])
    units.length = 'cm'
  })
})
