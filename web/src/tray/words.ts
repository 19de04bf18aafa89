import type { TrayElement, TrayFile } from '@/api/tray.gen'
import type { Food, Style } from '@/api/client'
import { grams, spans } from './units'

export { grams, money } from './units'

/** Carbohydrate in a serving, which is told in grams whatever a house weighs in: to choose by, not to dose by. */
export const carbs = (g: number) =>
  `${g < 0.5 ? 'hardly any' : `${Math.round(g)} g of`} carbohydrate in a serving`

export const occasions = { nibble: 'nibbles', grazing: 'party grazing', meal: 'a meal' } as const

export function minutes(m: number): string {
  const whole = Math.round(m)
  const h = Math.floor(whole / 60)
  if (!h) return `${whole} min`
  return whole % 60 ? `${h} h ${whole % 60}` : `${h} h`
}

export const count = (n: number, one: string, many = one + 's') => `${n} ${n === 1 ? one : many}`

const small = ['none', 'one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine', 'ten']
export const numberWord = (n: number) => small[n] ?? String(n)

// making one costs far more than using it
const days = new Intl.DateTimeFormat('en-GB', { weekday: 'short', day: 'numeric', month: 'short' })
const clocks = new Intl.DateTimeFormat('en-GB', { hour: '2-digit', minute: '2-digit' })

/** When a job is served, as a ticket says it: Fri 27 Nov, 19:00. */
export function when(serveAt: string | undefined): string {
  const at = time(serveAt)
  if (!at) return 'no date yet'
  return moment(at)
}

export const clock = (at: Date) => clocks.format(at)
/** A day: Fri 27 Nov. */
export const dayOf = (at: Date) => days.format(at)
/** A moment with its day: Fri 27 Nov, 19:00. */
export const moment = (at: Date) => `${days.format(at)}, ${clock(at)}`

/** A side of a board - top, bottom, left or right on its plan - as who stands before it says it; core/board says it alike. */
export function sideWord(front: string | undefined, side: string): string {
  const sideways = front === 'left' || front === 'right' // of these the others are no front and no back
  if (side !== 'top' && side !== 'bottom') return side
  if (sideways) return side === 'top' ? 'upper side' : 'lower side'
  return (side === 'top') === (front === 'top') ? 'front' : 'back'
}

/** The serving minute as it is written, or null: the hands of the clock where the guests are, wherever this browser is. */
export function time(serveAt: string | undefined): Date | null {
  if (!serveAt) return null
  const at = new Date(serveAt.replace(' ', 'T').replace(/(T\d\d:\d\d(:\d\d)?).*$/, '$1'))
  return Number.isNaN(at.getTime()) ? null : at
}

/** How far off a day is from today, both written 2026-11-30, as one says it. */
export function daysOff(day: string | undefined, today: string): string {
  const n = Math.round((Date.parse(day?.slice(0, 10) ?? '') - Date.parse(today)) / 864e5)
  if (Number.isNaN(n)) return ''
  if (n === 0) return 'today'
  if (Math.abs(n) === 1) return n > 0 ? 'tomorrow' : 'yesterday'
  return n > 0 ? `in ${n} days` : `${-n} days ago`
}

/**
 * An element as a screen reader hears it; where and beside are the server's words for its place, findings is
 * how many things the second look says of it.
 */
export function spoken(
  e: TrayElement,
  food: Food | undefined,
  where: string,
  beside = '',
  findings = 0,
): string {
  const form = food?.forms.find(f => f.form === e.form)?.says ?? e.form
  const amount = e.vessel ? grams(e.grams) : count(e.count, 'piece')
  const parts = [food?.name ?? e.food, amount, form, where, beside, e.locked ? 'locked' : '']
  const told = findings ? `; ${numberWord(findings)} ${findings === 1 ? 'finding' : 'findings'}` : ''
  return parts.filter(Boolean).join(', ') + told
}

/** What the styles of laying are called: where there is little room, and in full. */
export const styleWords: Record<Style, string> = {
  winding: 'Winding',
  corners: 'Corners',
  wheel: 'Wheel',
  meadow: 'Meadow',
  mirrored: 'Mirrored',
}
export const styleSays: Record<Style, string> = {
  winding: 'winding, a line leads through',
  corners: 'corners, anchors far apart',
  wheel: 'wheel, round a centre',
  meadow: 'meadow, strewn evenly',
  mirrored: 'mirrored, side answers side',
}

/** What a board is called over the tray: its name and its size, in the units that are set. */
export function headingOf(board: TrayFile['board']): string {
  const { name = 'Lay', outline = [] } = board ?? {}
  const most = (k: 0 | 1) => Math.max(0, ...outline.map(p => p[k] ?? 0))
  const called = name.split(', ').filter(part => !part.includes('×')) // one made to measure is named by its size
  return [...called, spans([most(0), most(1)])].join(', ')
}
