import { describe, expect, it } from 'vitest'
import schema from '../../docs/formats/tray.schema.json'
import type { Food } from '@/api/tray.gen'
import { allergens, dietWords, formName, shelfNames, signs, swatches, words } from '@/tray/larder'

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

describe('the words of the larder', () => {
  const food = schema.$defs.food.properties
  const some = (list: string[]) => list.filter(w => w !== '')
  it('are those of the schema', () => {
    expect(Object.keys(shelfNames)).toEqual(food.category.enum)
    expect(allergens).toEqual(food.allergens.items.enum)
    expect(dietWords).toEqual(food.diet.items.enum)
    expect(words.flavours).toEqual(food.flavours.items.enum)
    for (const k of ['wetness', 'firmness', 'milk', 'rind', 'texture', 'region'] as const)
      expect(words[k], k).toEqual(some(food[k].enum))
  })
})
