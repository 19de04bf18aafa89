import type { Board, TrayElement } from '@/api/tray.gen'
import type { Food } from '@/api/client'
import { grams } from './units'

export { grams, money } from './units'

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

/** When a job is served, as a ticket says it: Fri 27 Nov, 19:00. */
export function when(serveAt: string | undefined): string {
  const at = time(serveAt)
  if (!at) return 'no date yet'
  const day = at.toLocaleDateString('en-GB', { weekday: 'short', day: 'numeric', month: 'short' })
  return `${day}, ${clock(at)}`
}

export const clock = (at: Date) => at.toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' })

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

/** Where on the board a point lies, as one would say it standing before it. */
export function placeOn(board: Board, x: number, y: number): string {
  const xs = board.food_zone.map(p => p[0] ?? 0)
  const ys = board.food_zone.map(p => p[1] ?? 0)
  const u = (x - Math.min(...xs)) / (Math.max(...xs) - Math.min(...xs))
  const v = (y - Math.min(...ys)) / (Math.max(...ys) - Math.min(...ys))
  const across = u < 0.36 ? 'left' : u > 0.64 ? 'right' : ''
  const along = v < 0.36 ? 'far' : v > 0.64 ? 'near' : ''
  if (!across && !along) return 'in the middle'
  if (!across) return `${along} side, middle`
  if (!along) return `${across} side, middle`
  return `${along} ${across}`
}

/** An element as a screen reader hears it. */
export function spoken(e: TrayElement, food: Food | undefined, board: Board | null): string {
  const form = food?.forms.find(f => f.form === e.form)?.says ?? e.form
  const amount = e.vessel ? grams(e.grams) : count(e.count, 'piece')
  const where = e.placed && board ? placeOn(board, e.x, e.y) : 'beside the board'
  return `${food?.name ?? e.food}, ${amount}, ${form}, ${where}${e.locked ? ', locked' : ''}`
}

/** What the styles of laying are called where there is little room. */
export const styleWords: Record<string, string> = {
  winding: 'Winding',
  corners: 'Corners',
  wheel: 'Wheel',
  meadow: 'Meadow',
  mirrored: 'Mirrored',
}
