// @vitest-environment happy-dom
import { mount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { expect, it } from 'vitest'
import type { Basket } from '@/api/client'
import AmountsTable from '@/components/amounts/AmountsTable.vue'

const line = (food: string, name: string, category: string) =>
  ({
    food,
    name,
    category,
    on_tray_g: 100,
    reserve_g: 0,
    packs: [],
    why: [],
  }) as unknown as Basket['lines'][number]
const basket = (...lines: Basket['lines']) => ({ lines, groups: [] }) as unknown as Basket

it('keeps every kind and food at its place while a slider moves, and the slider in the hand', async () => {
  setActivePinia(createPinia())
  const ham = line('ham', 'Ham', 'meat')
  const brie = line('brie', 'Brie', 'cheese')
  const gouda = line('gouda', 'Gouda', 'cheese')
  const props = { fixed: new Map(), forms: new Map(), tilt: {}, busy: false }
  const w = mount(AmountsTable, {
    props: { ...props, basket: basket(gouda, brie, ham) },
    attachTo: document.body,
  })
  const rows = () => w.findAll('th[scope]').map(h => h.text())
  const before = rows()
  const slider = w.get('input[type=range]').element as HTMLInputElement
  slider.focus()

  await w.setProps({ basket: basket(ham, brie, gouda) }) // what comes first on the tray has changed
  expect(rows()).toEqual(before)
  expect(document.activeElement).toBe(slider)
  w.unmount()
})

it('hands an amount back when its figure is emptied, and lays none of it only when a nought is', async () => {
  setActivePinia(createPinia())
  const table = mount(AmountsTable, {
    props: {
      basket: basket(line('brie', 'Brie', 'cheese')),
      fixed: new Map([['brie', 80]]),
      forms: new Map(),
      tilt: {},
      busy: false,
    },
  })
  const figure = table.get('input[aria-label="Brie, grams altogether"]')
  await figure.setValue('0')
  await figure.trigger('change')
  expect(table.emitted('fix')).toEqual([['brie', 0]])
  await figure.setValue('')
  await figure.trigger('change')
  expect(table.emitted('fix')?.[1]).toEqual(['brie', undefined])
})
