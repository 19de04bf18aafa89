import { describe, expect, it } from 'vitest'
import type { Food } from '@/api/tray.gen'
import { formName, shelfNames, signs, swatches, words } from '@/tray/larder'

const food: Food = {
  id: 'x',
  name: 'X',
  category: 'cheese',
  colour: '#ffffff',
  density: 1,
  wetness: 'moist',
  strength: 2,
  flavours: ['mild'],
  texture: 'soft',
  allergens: [],
  diet: [],
  season: [],
  packs: [],
  keeps_days: 3,
  warm_up_min: 0,
  tool: '',
  liking: 0.5,
  pairs: [],
  forms: [],
}

describe('what the larder is called', () => {
  it('has a shelf for every category, in the order they are read', () => {
    expect(Object.keys(shelfNames)).toEqual([
      ...['cheese', 'meat', 'dip', 'brined', 'fruit', 'vegetable', 'dried fruit', 'nut', 'cracker'],
      ...['sweet', 'garnish', 'prop'],
    ])
  })
  it('says the signs a packer must know', () => {
    expect(signs(food)).toEqual([])
    expect(signs({ ...food, rolls: true, stone: true, rind: 'inedible', choking: true })).toEqual([
      'rolls',
      'has stones',
      'cut off the rind',
      'small children can choke',
    ])
    expect(signs({ ...food, rind: 'edible' })).toEqual([])
  })
  it('calls a form by the first part of what hands do', () => {
    expect(formName('cut in wedges, kept in its round, one pulled out')).toBe('cut in wedges')
    expect(formName('fanned out')).toBe('fanned out')
  })
  it('has swatches that can be told apart and are written as colours', () => {
    expect(new Set(swatches.map(s => s.hex)).size).toBe(swatches.length)
    for (const s of swatches) expect(s.hex).toMatch(/^#[0-9a-f]{6}$/)
    expect(new Set(words.flavours).size).toBe(words.flavours.length)
  })
})
