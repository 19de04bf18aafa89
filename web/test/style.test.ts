import { describe, expect, it } from 'vitest'

const texts = import.meta.glob<string>('../src/**/*.{vue,css,ts}', {
  query: '?raw',
  import: 'default',
  eager: true,
})

/** What is written of how things look, by file: style sheets, and the styles of components. */
const styles = Object.entries(texts)
  .filter(([f]) => /\.(css|vue)$/.test(f))
  .map(([f, text]) => {
    const own = f.endsWith('.css')
      ? text
      : [...text.matchAll(/<style[^>]*>([\s\S]*?)<\/style>/g)].map(m => m[1]).join('\n')
    return { f, css: own.replace(/\/\*[\s\S]*?\*\//g, '') }
  })
const tokens = styles.find(s => s.f.endsWith('tokens.css'))!
const others = styles.filter(s => s !== tokens)
const all = (of: RegExp) =>
  others.flatMap(({ f, css }) => [...css.matchAll(of)].map(m => `${f}: ${m[0].trim()}`))

describe('fields', () => {
  it('are of one kind: one to choose from a list, one for a number', () => {
    const own = /<(select|ElSelect|ElInputNumber)\b|type="number"/
    const others = Object.entries(texts).filter(([f, t]) => f.endsWith('.vue') && own.test(t))
    expect(others.map(([f]) => f.split('/').at(-1)).sort()).toEqual(['Choose.vue', 'NumberField.vue'])
  })
})

describe('how things look', () => {
  it('is read', () => expect(others.filter(s => s.css).length).toBeGreaterThan(60))
  it('is made of the tokens: no colour, size of type or corner of its own', () => {
    expect(all(/#[0-9a-f]{3,8}\b|rgba?\([^)]*\)|hsla?\([^)]*\)/gi)).toEqual([])
    expect(all(/\bfont(-size)?:[^;]*\drem\b[^;]*;/g)).toEqual([])
    expect(all(/border-radius:[^;]*\b[1-9]\d?px[^;]*;/g)).toEqual([])
  })
  it('keeps to one rhythm: space by even px, four widths at which it breaks', () => {
    const odd = all(/\b(padding|gap)(-\w+)*:[^;]*;/g).filter(d =>
      (d.match(/(?<![\w.-])\d+(?=px)/g) ?? []).some(n => +n > 1 && +n < 30 && +n % 2 && +n !== 3),
    )
    expect(odd).toEqual([])
    expect(all(/@media \((max|min)-width: (?!560px|760px|900px|901px|1100px)[^)]*\)/g)).toEqual([])
  })
  it('has no token that nobody uses, and none twice', () => {
    const named = [...tokens.css.matchAll(/--([\w-]+):\s*([^;]+);/g)].map(m => [m[1]!, m[2]!] as const)
    const used = Object.entries(texts)
      .filter(([f]) => f !== tokens.f)
      .map(([, text]) => text)
      .join('\n')
    expect(named.filter(([n]) => !used.includes(`--${n}`)).map(([n]) => n)).toEqual([])
    expect(new Set(named.map(([, v]) => v)).size).toBe(named.length)
  })
})
