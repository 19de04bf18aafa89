import type { Day, DayRound, DayTask } from '@/api/client'
import { count, minutes, time } from './words'

/** Minutes from one written moment to another. */
export const minutesFrom = (a: string, b: string) =>
  ((time(b)?.getTime() ?? 0) - (time(a)?.getTime() ?? 0)) / 60_000

export type Bar = { task: DayTask; from: number; long: number }
export type Lane = { name: string; kind: 'person' | 'oven' | 'self'; bars: Bar[] }

/**
 * The rows of a day against the clock: each of the people, the ovens, and what goes on by itself, packed so
 * that no two bars of a row overlap. From and long are minutes from the begin.
 */
export function lanesOf(day: Day, names: (n: number) => string): Lane[] {
  const bar = (task: DayTask): Bar => ({
    task,
    from: minutesFrom(day.begin_at, task.starts),
    long: task.minutes,
  })
  const out: Lane[] = []
  for (let n = 1; n <= day.people; n++)
    out.push({
      name: names(n),
      kind: 'person',
      bars: day.tasks.filter(t => t.who === String(n)).map(bar),
    })
  const packed = (name: string, kind: Lane['kind'], tasks: DayTask[]) => {
    const rows: Bar[][] = []
    for (const b of tasks.map(bar)) {
      const row = rows.find(r => r.at(-1)!.from + r.at(-1)!.long <= b.from + 0.01)
      if (row) row.push(b)
      else rows.push([b])
    }
    rows.forEach((bars, i) => out.push({ name: i ? '' : name, kind, bars }))
  }
  const isOven = (t: DayTask) => t.uses.some(u => u.startsWith('oven'))
  packed('Oven', 'oven', day.tasks.filter(isOven))
  packed(
    'By itself',
    'self',
    day.tasks.filter(t => !t.who && !isOven(t)),
  )
  return out
}

export type Round = Omit<DayRound, 'tasks'> & { tasks: DayTask[] }
/** The rounds of a day with their tasks. */
export function roundsOf(day: Day): Round[] {
  const by = new Map(day.tasks.map(t => [t.id, t]))
  return (day.rounds ?? []).map(r => ({ ...r, tasks: r.tasks.flatMap(id => by.get(id) ?? []) }))
}

/** The stretches in which one of the people is at one round, minutes from the begin, to be named above their bars. */
export function stretchesOf(
  day: Day,
  lane: Lane,
): { round: string; says: string; number: number; from: number; long: number }[] {
  const known = new Map((day.rounds ?? []).map((r, i) => [r.id, { says: r.says, number: i + 1 }]))
  const out: { round: string; says: string; number: number; from: number; long: number }[] = []
  for (const b of lane.bars) {
    const last = out.at(-1)
    const end = b.from + b.long
    if (last?.round === b.task.round) last.long = end - last.from
    else {
      const { says, number } = known.get(b.task.round) ?? { says: '', number: 0 }
      out.push({ round: b.task.round, says, number, from: b.from, long: b.long })
    }
  }
  return out
}

/** The minutes at which a clock of so many minutes, that begins at a written moment, is ticked: each full step of it. */
export function ticksOf(begin: string, long: number, most = 12): { at: number; says: string }[] {
  const step = [5, 10, 15, 30, 60, 120].find(s => long / s <= most) ?? 240
  const from = time(begin)
  if (!from) return []
  const first = step - ((from.getHours() * 60 + from.getMinutes() + from.getSeconds() / 60) % step)
  const out = []
  for (let at = first % step; at <= long + 0.01; at += step) {
    const t = new Date(from.getTime() + at * 60_000)
    out.push({ at, says: `${t.getHours()}:${String(t.getMinutes()).padStart(2, '0')}` })
  }
  return out
}

/** What moving one task did to the rest of the plan, in a sentence. */
export function whatChanged(before: Day, now: Day, task: string): string {
  const was = new Map(before.tasks.map(t => [t.id, t.starts]))
  const others = now.tasks.filter(t => t.id !== task && was.has(t.id) && was.get(t.id) !== t.starts).length
  const by = Math.round(minutesFrom(before.begin_at, now.begin_at))
  const begin = by
    ? `All begins ${minutes(Math.abs(by))} ${by < 0 ? 'earlier' : 'later'}`
    : 'All begins as before'
  return `${begin}; ${others ? count(others, 'other task') + ' moved' : 'nothing else moved'}.`
}

/** A stretch of a day without a long pause: from when to when, and what is done in it. */
export type Span = { from: string; to: string; day: Day }

const longPause = 90

/** The stretches of work of a day, with the long times between in which nobody does anything left out. */
export function spansOf(day: Day): Span[] {
  const tasks = [...day.tasks].sort((a, b) => minutesFrom(b.starts, a.starts))
  const groups: { tasks: DayTask[]; from: string; to: string }[] = []
  for (const t of tasks) {
    const last = groups.at(-1)
    if (last && minutesFrom(last.to, t.starts) <= longPause) {
      last.tasks.push(t)
      if (minutesFrom(last.to, t.ends) > 0) last.to = t.ends
    } else groups.push({ tasks: [t], from: t.starts, to: t.ends })
  }
  const serves = day.jobs?.length ? day.jobs.map(j => j.serve_at) : [day.serve_at]
  const last = serves.reduce((a, b) => (minutesFrom(a, b) > 0 ? b : a))
  return groups.map((g, i) => {
    const to = i === groups.length - 1 && minutesFrom(g.to, last) > 0 ? last : g.to
    const within = (at: string) => minutesFrom(g.from, at) >= 0 && minutesFrom(at, to) >= 0
    return {
      from: g.from,
      to,
      day: { ...day, begin_at: g.from, tasks: g.tasks, cold_out: day.cold_out.filter(c => within(c.at)) },
    }
  })
}

/** Whether two written moments are of one day. */
export const sameDay = (a: string, b: string) => a.slice(0, 10) === b.slice(0, 10)
