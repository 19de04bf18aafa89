import {
  firmnessValues,
  flavourValues,
  milkValues,
  regionValues,
  rindValues,
  settingValues,
  textureValues,
  wetnessValues,
} from '@/api/contract.gen'
import type { Food } from '@/api/tray.gen'

/** Shelves of the larder in the order they are read. */
/** What a choice is made for, as a title. */
export const leaningWords = { liked: 'Well-liked', season: 'Of the season', new: 'Something new' } as const

export const shelfNames: Record<string, string> = {
  cheese: 'Cheese',
  meat: 'Meat and fish',
  dip: 'Dips and spreads',
  brined: 'Brined',
  fruit: 'Fruit',
  vegetable: 'Vegetables',
  'dried fruit': 'Dried fruit',
  nut: 'Nuts and seeds',
  cracker: 'Crackers and bread',
  sweet: 'Sweet things',
  garnish: 'Greens and flowers',
  prop: 'Props, not to be eaten',
}

/** Words as they are chosen from, each as it is called where it is not called what it is. */
export const called = <W extends string>(words: readonly W[], names: Readonly<Record<string, string>>) =>
  words.map(w => [w, names[w] ?? w] as const)

export const monthNames = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec']

export {
  advisoryValues as advisories,
  allergenValues as allergens,
  dietWordValues as dietWords,
} from '@/api/contract.gen'
/** The words a food is described with, as the server's contract lists them. */
export const words = {
  wetness: wetnessValues,
  firmness: firmnessValues,
  milk: milkValues,
  set_with: settingValues,
  rind: rindValues,
  texture: textureValues,
  flavours: flavourValues,
  region: regionValues,
}

/** What a form is called on a button, without the rest of what hands do. */
export const formName = (says: string) => says.split(',')[0]!

/** Signs of a food that a packer must know, as short words. */
export function signs(f: Food): string[] {
  return [
    f.rolls && 'rolls',
    f.smells && 'smells strongly',
    f.stone && 'has stones',
    f.stem && 'on the stem',
    f.shell && 'in its shell',
    f.casing && 'peel off the casing',
    f.rind === 'inedible' && 'cut off the rind',
    f.choking && 'small children can choke',
  ].filter((s): s is string => !!s)
}

/** Swatches to look for foods by: one of each colour family, as food has them. */
export const swatches = [
  { name: 'white', hex: '#f6f2ea' },
  { name: 'cream', hex: '#ecd9a4' },
  { name: 'yellow', hex: '#efc64a' },
  { name: 'orange', hex: '#e98e33' },
  { name: 'red', hex: '#c22f2c' },
  { name: 'pink', hex: '#dd9a9c' },
  { name: 'purple', hex: '#5f2742' },
  { name: 'green', hex: '#8ba548' },
  { name: 'brown', hex: '#96643a' },
  { name: 'dark', hex: '#33291f' },
]

/** What may be so of a food, by its member, as it is said. */
export const traits = [
  ['rolls', 'rolls'],
  ['smells', 'smells strongly'],
  ['stone', 'has stones'],
  ['stem', 'on the stem'],
  ['shell', 'in its shell'],
  ['casing', 'has a casing'],
  ['choking', 'can choke small children'],
  ['melts', 'melts on a hot day'],
] as const
export type Handling = NonNullable<Food['handling']>[number]
/** What is done to a food before it is laid, or becomes of it. */
export const handlings: readonly [Handling, string][] = [
  ['cold', 'lives in the fridge'],
  ['perishable', 'perishes out of it'],
  ['wash', 'is washed'],
  ['drain', 'is drained'],
  ['peel', 'is peeled'],
  ['unwrap', 'is unwrapped one by one'],
  ['stone', 'is stoned'],
  ['seed', 'is seeded'],
  ['core', 'is cored'],
  ['derind', 'loses its rind'],
  ['skin', 'is skinned'],
  ['hull', 'is hulled'],
  ['trim', 'is trimmed'],
  ['browns', 'browns when cut'],
  ['dries', 'dries when cut'],
  ['softens', 'goes soft'],
  ['wilts', 'wilts'],
]
