// What the product explains where somebody asks: the rooms and words of docs/craft.md, and the rules of the craft beneath them.
import MiniSearch from 'minisearch'
import craft from '../../../docs/craft.md'
import path from '../../../core/practice/rules.json'

/** A rule of the craft beneath a topic. */
export type HelpRule = { id: string; says: string; why: string; at: number }
/** A topic: what it is and why, with the rules about it. */
export type HelpTopic = { title: string; html: string; room: boolean; rules: HelpRule[] }

type PathRule = { id: string; says: string; why: string; about: string; checks?: string[] }
const rules = path as PathRule[]

export const topics: HelpTopic[] = craft.map(t => ({
  ...t,
  rules: rules.flatMap((r, at) => (r.about === t.title ? [{ id: r.id, says: r.says, why: r.why, at }] : [])),
}))
const byTitle = new Map(topics.map(t => [t.title, t]))

/** What a group of checks is about, for the checks that no rule of the path looks after. */
const groups: Record<string, string> = {
  fit: 'Full board',
  colour: 'Colour',
  spread: 'Balance',
  flow: 'Trail',
  pairs: 'What goes together',
  height: 'Height',
  service: 'Reach',
  care: 'Hours out',
  eaten: 'Reach',
}
const checks: Record<string, string> = {
  'service.bite': 'Piece',
  'service.budget': 'Pack',
  'service.dipper': 'Bite',
  'service.season': 'Season',
  'fit.placed': 'Waiting',
}

/** The topic of a title, a rule, a check of the review or a group of them. */
export function topicOf(key: string): HelpTopic | undefined {
  const rule = rules.find(r => r.id === key || r.checks?.includes(key))
  return (
    byTitle.get(key) ??
    byTitle.get(rule?.about ?? checks[key] ?? '') ??
    byTitle.get(groups[key.split('.')[0]!] ?? '')
  )
}

const plain = (html: string) => html.replace(/<[^>]+>/g, ' ')
let index: MiniSearch | undefined

/** The topics that speak of some words, the nearest first; all of them where nothing is asked. */
export function find(words: string): HelpTopic[] {
  if (!words.trim()) return topics
  if (!index) {
    index = new MiniSearch({
      idField: 'title',
      fields: ['title', 'text', 'rules'],
      searchOptions: { boost: { title: 4 }, prefix: true, fuzzy: 0.2, combineWith: 'AND' },
    })
    index.addAll(
      topics.map(t => ({
        title: t.title,
        text: plain(t.html),
        rules: t.rules.map(r => `${r.says} ${r.why}`).join(' '),
      })),
    )
  }
  return index.search(words.slice(0, 80)).flatMap(hit => byTitle.get(String(hit.id)) ?? [])
}
