// How well somebody knows the rules of the craft: kept in this browser, without a name. When a rule comes back is worked out by
// the free spaced repetition scheduler (ts-fsrs); what is right, and how well it was known, the server says.
import { computed, ref, shallowRef } from 'vue'
import { createStore, get, set } from 'idb-keyval'
import { createEmptyCard, fsrs, type Card, type Grade } from 'ts-fsrs'
import { api, take, type ExerciseAsked, type ExerciseMark, type PracticeRule } from '@/api/client'

const store = createStore('happy-tray-practice', 'progress')
const scheduler = fsrs({ enable_fuzz: false })

/** What is kept: a card for each rule, and how often the truth lay in the ranges that were guessed. */
export type Progress = {
  cards: Record<string, Card>
  guesses: { said: number; within: number; last: number[] } // last: 1 where the truth lay in the range, the newest at the end
  rounds: { at: string; points: number }[]
  again: LaidBoard[]
}
/** A board that was laid by hand, and when it comes back. */
export type LaidBoard = { asked: ExerciseAsked; points: number; due: string }
const empty = (): Progress => ({
  cards: {},
  guesses: { said: 0, within: 0, last: [] },
  rounds: [],
  again: [],
})
const mostRounds = 60
const mostGuesses = 40
const mostBoards = 12
const boardBackMs = 2 * 864e5

/** How a rule stands: never met, or how likely it is known now, and after how many meetings that is said. */
export type Standing = { rule: PracticeRule; met: number; known: number; due: boolean }

export const kindSays = {
  find: ['Find what is wrong', 'A laid board with faults on it'],
  amount: ['How much', 'Grams, pieces, board, money and minutes'],
  lay: ['Lay it', "A board by hand against the clock, beside the search's own"],
  order: ['What first', 'The work of a day in its order'],
  pair: ['What goes with it', 'Foods that taste good together'],
  diet: ['Who may eat this', 'Entries and traces against what a guest must not have'],
  tool: ['Which tool', 'What guests take it with'],
  season: ['What is in season', 'At its best this month or that'],
  board: ['Which board', 'Large enough and not too large'],
  cost: ['What it costs', 'The cheapest packs that are enough'],
  keep: ['What can be kept', 'After so long out of the cold'],
  clock: ['By when', 'When what is left of it goes'],
  save: ['Save the evening', 'What is done first at a board that is out'],
  why: ['Why', 'The reason of a rule'],
} as const

const roundOf = 5
const levels = 6

export function usePractice() {
  const rules = shallowRef<PracticeRule[]>([])
  const progress = ref<Progress>(empty())
  const ready = ref(false)

  async function read() {
    const path = take(api.GET('/api/v1/practice', {}))
    try {
      progress.value = { ...empty(), ...(await get<Progress>('progress', store)) }
    } catch {
      // a browser that keeps nothing still practises
    }
    rules.value = (await path).rules
    ready.value = true
  }

  const standings = computed<Standing[]>(() => {
    const now = new Date()
    return rules.value.map(rule => {
      const card = progress.value.cards[rule.id]
      return {
        rule,
        met: card?.reps ?? 0,
        known: card ? Math.min(1, scheduler.get_retrievability(card, now, false)) : 0,
        due: !!card && new Date(card.due) <= now,
      }
    })
  })

  /** How hard the exercises of a rule are: harder each time that it was met, and never far above what is known. */
  const levelOf = (s: Standing) =>
    Math.max(1, Math.min(levels, s.rule.stage > 4 ? 2 + Math.floor(s.met / 2) : 1 + Math.floor(s.met / 2)))

  /** The exercises of a short round: what is due again first, then what was never met, in the order of the path. */
  function round(): ExerciseAsked[] {
    const due = standings.value.filter(s => s.due).sort((a, b) => a.known - b.known)
    const fresh = standings.value.filter(s => !s.met)
    const rest = standings.value.filter(s => s.met && !s.due).sort((a, b) => a.known - b.known)
    const out: ExerciseAsked[] = []
    for (const s of [...due, ...fresh, ...rest]) {
      if (out.length === roundOf) break
      const used = (kind: string) => out.filter(o => o.kind === kind).length
      // by its own exercise, once in a round and twice by a laid board; else by its reason, which every rule has
      const own = s.rule.kinds.find(k => k !== 'why' && k !== 'lay' && used(k) < (k === 'find' ? 2 : 1))
      if (own) out.push(one(own, levelOf(s)))
      else if (used('why') < 2) out.push(reasonOf(s))
    }
    return out
  }
  const one = (kind: ExerciseAsked['kind'], level: number): ExerciseAsked => ({
    kind,
    level,
    seed: Math.floor(Math.random() * 2 ** 31),
  })

  /** The exercise that asks for the reason of one rule: which it is follows from the seed. */
  const reasonOf = (s: Standing): ExerciseAsked => {
    const any = one('why', levelOf(s))
    return { ...any, seed: any.seed * rules.value.length + rules.value.indexOf(s.rule) }
  }

  /** Notes how well the rules of an exercise were known. */
  async function note(mark: ExerciseMark) {
    const next = JSON.parse(JSON.stringify(progress.value)) as Progress
    const now = new Date()
    for (const [rule, grade] of Object.entries(mark.grades)) {
      if (!rules.value.some(r => r.id === rule)) continue
      const was = next.cards[rule]
      // where the clock was ahead it was met now at the latest
      const met = was?.last_review && new Date(Math.min(+new Date(was.last_review), +now))
      const card = was ? { ...was, due: new Date(was.due), last_review: met } : createEmptyCard(now)
      next.cards[rule] = scheduler.next(card as Card, now, grade as Grade).card
    }
    const said = Object.values(mark.within)
    next.guesses.said += said.length
    next.guesses.within += said.filter(Boolean).length
    next.guesses.last = [...(next.guesses.last ?? []), ...said].slice(-mostGuesses)
    progress.value = next
    await keep()
  }
  /** Notes what a round came to. */
  async function noteRound(points: number) {
    const rounds = [...progress.value.rounds, { at: new Date().toISOString(), points }].slice(-mostRounds)
    progress.value = { ...progress.value, rounds }
    await keep()
  }
  /** Notes a board that was laid by hand: it comes back in two days, to see whether it goes better. */
  async function noteBoard(asked: ExerciseAsked, points: number) {
    const others = progress.value.again.filter(b => written([b.asked]) !== written([asked]))
    const due = new Date(Date.now() + boardBackMs).toISOString()
    progress.value = { ...progress.value, again: [...others, { asked, points, due }].slice(-mostBoards) }
    await keep()
  }
  /** Boards whose time it is to be laid again, the longest waiting first. */
  const boards = computed(() =>
    progress.value.again
      .filter(b => new Date(b.due) <= new Date())
      .sort((a, b) => a.due.localeCompare(b.due)),
  )
  async function keep() {
    try {
      await set('progress', JSON.parse(JSON.stringify(progress.value)), store)
    } catch {
      // it is known until the page is left
    }
  }

  return { rules, progress, ready, standings, boards, read, round, one, note, noteRound, noteBoard }
}

/** A set of exercises as a link has it, so that a class does the same ones: find.3.48213,pair.2.991 */
export const written = (of: ExerciseAsked[]) => of.map(e => `${e.kind}.${e.level}.${e.seed}`).join(',')

/** The exercises of a link; those that there are not are left out. */
export function readSet(text: string): ExerciseAsked[] {
  const out: ExerciseAsked[] = []
  for (const part of text.split(',').slice(0, 20)) {
    const [kind, level, seed] = part.split('.')
    const e = { kind: kind as ExerciseAsked['kind'], level: Number(level), seed: Number(seed) }
    if (
      e.kind in kindSays &&
      e.level >= 1 &&
      e.level <= levels &&
      Number.isSafeInteger(e.seed) &&
      e.seed >= 0
    )
      out.push(e)
  }
  return out
}
