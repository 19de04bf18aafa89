// docs/craft.md as the help: what stands under Rooms and Words, made ready when the product is built.
import { lexer, parser, type Token, type Tokens } from 'marked'
import type { Plugin } from 'vite'

export type Topic = { title: string; html: string; room: boolean }

/** The topics of the craft's page: its third headings, each with what follows until the next. */
export function topicsOf(markdown: string): Topic[] {
  const out: (Topic & { of: Token[] })[] = []
  let part = ''
  for (const t of lexer(markdown)) {
    const heading = t.type === 'heading' ? (t as Tokens.Heading) : null
    if (heading?.depth === 2) part = heading.text
    if (heading && heading.depth < 3) out.push({ title: '', html: '', room: false, of: [] })
    else if (heading) out.push({ title: heading.text, html: '', room: part === 'Rooms', of: [] })
    else out.at(-1)?.of.push(t)
  }
  return out.filter(t => t.title).map(({ of, ...t }) => ({ ...t, html: parser(of).trim() }))
}

/** Lets the page be brought in as its topics. */
export const craft = (): Plugin => ({
  name: 'craft',
  enforce: 'pre',
  transform(code, id) {
    const [, query] = id.match(/\/docs\/craft\.md(\?rooms)?$/) ?? [null, null]
    if (query === null) return
    const topics = topicsOf(code).filter(t => t.room || !query) // the rooms are said before anything is asked
    return { code: `export default ${JSON.stringify(topics)}`, map: null }
  },
})
