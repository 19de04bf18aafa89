import { describe, expect, it } from 'vitest'
import { aboutForm } from '@/help/forms'
import { find, topicOf, topics } from '@/help/topics'
import rules from '../../core/practice/rules.json'
import checks from '../../core/review/checks.json'

const sources = Object.values(
  import.meta.glob<string>('../src/**/*.vue', { query: '?raw', import: 'default', eager: true }),
)
const [routes] = Object.values(
  import.meta.glob<string>('../src/router.ts', { query: '?raw', import: 'default', eager: true }),
)

describe('what can be asked', () => {
  it('says something of every room', () => {
    const titles = routes!.matchAll(/title: '([^']+)'/g)
    const rooms = [...titles].map(m => m[1]!).filter(t => t !== 'Nothing here')
    for (const r of rooms) expect(topicOf(r)?.room, r).toBe(true)
    const said = topics.filter(t => t.room).map(t => t.title)
    expect(said.sort()).toEqual([...new Set(rooms)].sort())
  })

  it('answers wherever a screen says that it does', () => {
    const asked = sources.flatMap(s => [...s.matchAll(/ data-help="([^"]+)"/g)].map(m => m[1]!))
    expect(asked.length).toBeGreaterThan(8)
    for (const key of asked) expect(topicOf(key)?.title, key).toBe(key)
  })

  it('has a topic for each rule of the craft, each check of the review and each form', () => {
    for (const r of rules)
      expect(
        topicOf(r.id)?.rules.map(x => x.id),
        r.id,
      ).toContain(r.id)
    for (const c of checks as { id: string }[]) expect(topicOf(c.id), c.id).toBeDefined()
    for (const f of ['trail', 'heap', 'whole', 'sprig']) expect(topicOf(aboutForm(f))).toBeDefined()
    expect(aboutForm('trail')).toBe('Trail')
    expect(topicOf('nobody')).toBeUndefined()
  })

  it('is found by the words that somebody knows, also when they are typed wrongly', () => {
    expect(find('knife')[0]?.title).toMatch(/Tool|Room to cut|Begun/)
    expect(find('fridge').map(t => t.title)).toContain('Hours out')
    expect(find('alergens')[0]?.title).toBe('Allergens')
    expect(find('zzzzzz')).toEqual([])
    expect(find('  ')).toHaveLength(topics.length)
    expect(find('x'.repeat(5000))).toEqual([])
  })

  it('never calls anything safe', () => {
    for (const t of topics)
      expect(t.html.replace('Nothing here is called safe', ''), t.title).not.toMatch(/\bsafe\b/)
  })
})
