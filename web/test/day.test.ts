import { describe, expect, it } from 'vitest'
import { lanesOf, minutesFrom, roundsOf, spansOf, stretchesOf, ticksOf, whatChanged } from '@/tray/day'
import type { Day, DayTask } from '@/api/client'

const at = (min: number) => {
  const t = 18 * 60 + min
  const two = (n: number) => String(n).padStart(2, '0')
  return `2026-11-30T${two(Math.floor(t / 60))}:${two(t % 60)}:00+01:00`
}
const task = (id: string, from: number, long: number, who: string, uses: string[] = []): DayTask => ({
  id,
  round: id.replace(/\d+$/, ''),
  kind: 'slice',
  food: 'apple',
  says: id,
  count: 1,
  minutes: long,
  starts: at(from),
  ends: at(from + long),
  who,
  uses,
  after: [],
  elements: [],
  earliest: at(0),
  latest: at(60),
  critical: false,
})
const day = (tasks: DayTask[]): Day => ({
  serve_at: at(60),
  begin_at: at(0),
  clear_at: at(120),
  late_minutes: 0,
  people: 2,
  ovens: 1,
  tasks,
  rounds: [...new Set(tasks.map(t => t.round))].map(id => ({
    id,
    says: `Round ${id}`,
    starts: at(0),
    ends: at(60),
    minutes: 60,
    who: ['1'],
    tasks: tasks.filter(t => t.round === id).map(t => t.id),
  })),
  cold_out: [],
  kit: [],
  cautions: [],
})

describe('a day against the clock', () => {
  it('has rounds with their tasks, and for each of the people the stretches they are at one', () => {
    const tasks = [
      task('wash1', 0, 5, '1'),
      task('cut1', 0, 5, '2'),
      task('wash2', 5, 5, '1'),
      task('cut2', 10, 5, '1'),
    ]
    const d = day([...tasks, task('wash3', 15, 5, '1')])
    expect(roundsOf(d).map(r => [r.id, r.tasks.map(t => t.id)])).toEqual([
      ['wash', ['wash1', 'wash2', 'wash3']],
      ['cut', ['cut1', 'cut2']],
    ])
    const [first] = lanesOf(d, n => `Hands ${n}`)
    expect(stretchesOf(d, first!)).toEqual([
      { round: 'wash', says: 'Round wash', number: 1, from: 0, long: 10 },
      { round: 'cut', says: 'Round cut', number: 2, from: 10, long: 5 },
      { round: 'wash', says: 'Round wash', number: 1, from: 15, long: 5 },
    ])
    expect(roundsOf({ ...d, tasks: tasks.slice(1) })[0]!.tasks.map(t => t.id)).toEqual(['wash2']) // what is done is gone
  })
  it('falls into stretches where nobody works for long', () => {
    const d = day([
      task('a', 0, 20, '1'),
      task('b', 30, 10, '2'),
      task('c', 200, 10, '1'),
      task('d', 190, 30, ''),
    ])
    const served = { ...d, serve_at: at(240), cold_out: [{ food: 'brie', at: at(195), says: '' }] }
    const spans = spansOf(served)
    expect(spans.map(s => [s.from, s.to, s.day.tasks.map(t => t.id).join('')])).toEqual([
      [at(0), at(40), 'ab'],
      [at(190), at(240), 'dc'], // to serving
    ])
    expect(spans.map(s => s.day.cold_out.length)).toEqual([0, 1])
    expect(spansOf(day([task('a', 0, 20, '1'), task('b', 60, 10, '2')]))).toHaveLength(1)
    expect(spansOf(day([]))).toEqual([])
  })
  it('has a row for each of the people, the oven, and what goes on by itself, in which no two overlap', () => {
    const lanes = lanesOf(
      day([
        task('a', 0, 10, '1'),
        task('b', 5, 10, '2'),
        task('c', 10, 20, ''),
        task('d', 15, 5, ''),
        task('e', 30, 5, ''),
        task('f', 20, 8, '', ['oven 180']),
      ]),
      n => `Hands ${n}`,
    )
    expect(lanes.map(l => [l.name, l.kind, l.bars.map(b => b.task.id).join('')])).toEqual([
      ['Hands 1', 'person', 'a'],
      ['Hands 2', 'person', 'b'],
      ['Oven', 'oven', 'f'],
      ['By itself', 'self', 'ce'],
      ['', 'self', 'd'],
    ])
    expect(lanes[1]!.bars[0]).toMatchObject({ from: 5, long: 10 })
  })
  it('is ticked at full steps of the clock, no more than a dozen', () => {
    expect(ticksOf('2026-11-30T18:07:30+01:00', 53).map(t => t.says)).toEqual([
      '18:10',
      '18:15',
      '18:20',
      '18:25',
      '18:30',
      '18:35',
      '18:40',
      '18:45',
      '18:50',
      '18:55',
      '19:00',
    ])
    expect(ticksOf('2026-11-30T18:00:00Z', 30)[0]).toEqual({ at: 0, says: '18:00' })
    expect(ticksOf('2026-11-30T08:00:00Z', 700).length).toBeLessThan(14)
    expect(ticksOf('soon', 10)).toEqual([])
  })
  it('says what became of the rest when a task was moved', () => {
    const before = day([task('a', 0, 10, '1'), task('b', 10, 10, '1'), task('c', 20, 10, '1')])
    const after = {
      ...day([task('a', 0, 10, '1'), task('b', 5, 10, '1'), task('c', 25, 10, '1')]),
      begin_at: at(-12),
    }
    expect(whatChanged(before, after, 'b')).toBe('All begins 12 min earlier; 1 other task moved.')
    expect(whatChanged(before, before, 'b')).toBe('All begins as before; nothing else moved.')
  })
  it('reckons over midnight', () => {
    expect(minutesFrom('2026-11-30T23:50:00Z', '2026-12-01T00:20:00Z')).toBe(30)
  })
})
