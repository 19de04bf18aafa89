// @vitest-environment happy-dom
import { mount } from '@vue/test-utils'
import { describe, expect, it, vi } from 'vitest'
import WrittenField from '@/components/common/WrittenField.vue'
import DietLines from '@/components/brief/DietLines.vue'

describe('a field that counts when it is left', () => {
  it.each(['input', 'textarea'] as const)(
    'keeps what is being typed into an %s while the page is drawn anew',
    async tag => {
      const field = mount(WrittenField, { props: { value: 'New job', tag }, attrs: { class: 'in' } })
      const el = field.element as HTMLInputElement
      el.value = 'Supper for the ferry crew'
      await field.trigger('input')
      await field.setProps({ value: 'New job, planned' }) // an answer comes
      field.vm.$forceUpdate()
      await field.vm.$nextTick()
      expect(el.value).toBe('Supper for the ferry crew')
      await field.trigger('change')
      expect(field.emitted('written')).toEqual([['Supper for the ferry crew', NaN]])
    },
  )

  it('shows what is there once it is left', async () => {
    const field = mount(WrittenField, { props: { value: 12 }, attrs: { type: 'number' } })
    const el = field.element as HTMLInputElement
    el.value = '30'
    await field.trigger('input')
    await field.trigger('change')
    expect(field.emitted('written')).toEqual([['30', 30]])
    await field.trigger('blur')
    expect(el.value).toBe('12')
  })
})

// what a field of the brief holds must not be lost to an answer that comes while it is typed
vi.mock('@/composables/diets', () => ({ useDiets: () => ({ value: null }) }))
describe('who avoids something', () => {
  it('is typed in peace', async () => {
    const brief = { guests: { adults: 4 }, diets: [{ who: '', count: 1, avoid: [] }] }
    const lines = mount(DietLines, {
      props: { brief, apart: false },
      global: { stubs: { ElInputNumber: true, ElSelect: true, ElOption: true, ElButton: true } },
    })
    const who = lines.get('[aria-label="Group 1, who"]')
    ;(who.element as HTMLInputElement).value = 'Ilka'
    await who.trigger('input')
    await lines.setProps({ brief: { ...brief, guests: { adults: 5 } } })
    expect((who.element as HTMLInputElement).value).toBe('Ilka')
  })
})
