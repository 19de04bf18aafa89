// @vitest-environment happy-dom
import { flushPromises, mount } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'
import Choose from '@/components/common/Choose.vue'
import NumberField from '@/components/common/NumberField.vue'

const field = (props: InstanceType<typeof NumberField>['$props']) => {
  const w = mount(NumberField, { props })
  const input = w.get('input')
  const write = async (text: string) => {
    await input.trigger('focus')
    input.element.value = text
    await input.trigger('input')
    await input.trigger('change')
  }
  return { w, input: input.element, write, told: () => w.emitted('update:modelValue')?.flat() ?? [] }
}

describe('a number field', () => {
  it('tells a number when it is left, and only then', async () => {
    const f = field({ modelValue: 12, min: 1, max: 200 })
    f.input.value = '140'
    await f.w.get('input').trigger('input')
    expect(f.told()).toEqual([])
    await f.w.get('input').trigger('change')
    expect(f.told()).toEqual([140])
  })
  it('takes the nearest that may be for what may not, and says so', async () => {
    const f = field({ modelValue: 12, min: 1, max: 20 })
    await f.write('99')
    expect(f.told()).toEqual([20])
    expect(f.w.text()).toContain('20 at most')
    await f.write('0')
    expect(f.told()).toEqual([20, 1])
    expect(f.w.text()).toContain('1 at least')
  })
  it('holds again what it held when it is emptied and something must be there', async () => {
    const f = field({ modelValue: 12, min: 1 })
    await f.write('')
    expect(f.told()).toEqual([])
    expect(f.input.value).toBe('12')
  })
  it('is nothing when it is emptied and nothing may be', async () => {
    const f = field({ modelValue: 12, min: 0 })
    await f.write('')
    expect(f.told()).toEqual([0])
  })
  it('says that it was emptied where that means something', async () => {
    const f = field({ modelValue: 12, min: 0, none: 'usual' })
    await f.write('')
    expect(f.told()).toEqual([])
    expect(f.w.emitted('cleared')).toHaveLength(1)
    expect(f.input.placeholder).toBe('usual')
  })
  it('may lie between two steps, in a form too', () => {
    expect(field({ modelValue: 6.8 }).input.checkValidity()).toBe(true)
    expect(field({ modelValue: 6.8 }).input.step).toBe('any')
  })
  it('writes no letters', async () => {
    const f = field({ modelValue: 12 })
    await f.write('many')
    expect(f.told()).toEqual([])
    expect(f.input.value).toBe('12')
  })
})

describe('a choice', () => {
  const choice = async (
    modelValue: string,
    options: (string | readonly [string, string])[],
    none?: string,
  ) => {
    const w = mount(Choose<string>, {
      props: { modelValue, options, label: 'Milk', none },
      attachTo: document.body,
    })
    await flushPromises()
    return w
  }
  it('shows what a value is called, and is called what it is for', async () => {
    const w = await choice('cow', [['cow', 'of cows'], 'goat'])
    expect(w.text()).toContain('of cows')
    expect(w.get('input').attributes('aria-label')).toBe('Milk')
  })
  it('holds an empty word for a choice where it is listed, and for none where it is not', async () => {
    expect((await choice('', [['', 'Any milk'], 'goat'], 'which')).text()).toContain('Any milk')
    expect((await choice('', ['cow', 'goat'], 'which')).text()).toContain('which')
  })
  it('leaves Escape to what it lies in while it is shut', async () => {
    const w = await choice('cow', ['cow', 'goat'])
    const told: string[] = []
    document.addEventListener('keydown', e => told.push(e.key), { once: true })
    await w.get('input').trigger('keydown', { key: 'Escape', code: 'Escape' })
    expect(told).toEqual(['Escape'])
  })
})
