import type { Outlook } from '@/api/client'
import { area, grams, money } from './units'
import { minutes } from './words'

export type Change = { what: string; how: string }

const signed = (n: number, say: (v: number) => string) => (n > 0 ? '+' : '−') + say(Math.abs(n))

/** What is different between two outlooks, most telling first. */
export function changes(was: Outlook, is: Outlook): Change[] {
  const out: Change[] = []
  const add = (what: string, from: number, to: number, say: (v: number) => string, least: number) => {
    if (Math.abs(to - from) >= least) out.push({ what, how: signed(to - from, say) })
  }
  add('Food', was.total_g, is.total_g, grams, 1)
  add('Basket', was.basket_cost, is.basket_cost, money, 1)
  add('Handwork', was.minutes, is.minutes, minutes, 1)
  add('Board asked for', was.room_cm2, is.room_cm2, area, 10)
  const names = (o: Outlook) => o.trays.map(t => t.name + (t.copies > 1 ? ` × ${t.copies}` : '')).join(', ')
  if (names(was) !== names(is)) out.push({ what: 'Board', how: names(is) })
  const by = new Map(was.grams.map(g => [g.category, g.grams]))
  const moved = is.grams.map(g => ({ c: g.category, d: g.grams - (by.get(g.category) ?? 0) }))
  for (const g of was.grams)
    if (!is.grams.some(x => x.category === g.category)) moved.push({ c: g.category, d: -g.grams })
  moved.sort((a, b) => Math.abs(b.d) - Math.abs(a.d))
  for (const m of moved.slice(0, 3))
    if (Math.abs(m.d) >= 5) out.push({ what: m.c[0]!.toUpperCase() + m.c.slice(1), how: signed(m.d, grams) })
  const kinds = new Map(was.kinds.map(k => [k.category, k.count]))
  const more = is.kinds.filter(k => k.count !== (kinds.get(k.category) ?? 0))
  if (more.length) out.push({ what: 'Kinds', how: more.map(k => `${k.count} ${k.category}`).join(', ') })
  if (was.hold_minutes !== is.hold_minutes) out.push({ what: 'Stands out', how: minutes(is.hold_minutes) })
  const off = is.off_the_tray.filter(a => !was.off_the_tray.includes(a))
  const on = was.off_the_tray.filter(a => !is.off_the_tray.includes(a))
  if (off.length) out.push({ what: 'Off the tray', how: off.join(', ') })
  if (on.length) out.push({ what: 'Allowed again', how: on.join(', ') })
  return out
}
