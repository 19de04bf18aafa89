// @vitest-environment happy-dom
import { describe, expect, it, vi } from 'vitest'
import { ref } from 'vue'
import { useFinding } from '@/composables/finding'

const known: Record<string, { id: string; called: string }> = {
  brie: { id: 'soft-white-round', called: '' },
  'dark cherries': { id: 'cherries', called: 'Dark cherries' },
}

// the server knows the names; here it knows two
vi.mock('@/api/client', () => ({
  api: {
    GET: async (_: string, { params }: { params: { query: { text: string } } }) => {
      const f = known[params.query.text]
      return { foods: f ? [{ ...f, name: f.id, category: 'cheese' }] : [] }
    },
  },
  take: <T>(answer: T) => answer,
}))
describe('a list that was pasted', () => {
  it('is told from a name', () => {
    const { isList } = useFinding(ref(''))
    expect(isList('brie')).toBe(false)
    expect(isList('brie\n')).toBe(false)
    expect(isList('brie, figs')).toBe(true)
    expect(isList('brie\nfigs')).toBe(true)
  })

  it('is read line by line, without its bullets and numbers', async () => {
    const { list, readList } = useFinding(ref(''))
    await readList('- brie\n2. dark cherries;  * moon dust\n\n')
    expect(list.value?.map(l => [l.text, l.food?.id ?? null])).toEqual([
      ['brie', 'soft-white-round'],
      ['dark cherries', 'cherries'],
      ['moon dust', null],
    ])
  })

  it('is never longer than a board', async () => {
    const { list, readList } = useFinding(ref(''))
    await readList(Array.from({ length: 500 }, (_, i) => `food ${i}`).join('\n'))
    expect(list.value).toHaveLength(60)
  })
})

describe('what is looked for', () => {
  it('is nothing while nothing is typed', async () => {
    const text = ref('')
    const { found } = useFinding(text)
    expect(found.value).toBeNull()
    text.value = 'brie'
    await vi.waitFor(() => expect(found.value?.map(f => f.id)).toEqual(['soft-white-round']))
    text.value = ' '
    await vi.waitFor(() => expect(found.value).toBeNull())
  })
})
