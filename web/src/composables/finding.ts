import { computed, shallowRef, type Ref } from 'vue'
import { useAsk } from '@/api/asking'
import { api, take, type FoundFood } from '@/api/client'

/** A line of a list that somebody pasted, with the food that is meant by it, or none. */
export interface Listed {
  text: string
  food: FoundFood | null
}

/** Looks for foods by what people call them, as one types; the server knows the names. */
export function useFinding(text: Ref<string>) {
  const find = (text: string, most: number, signal?: AbortSignal) =>
    take(api.GET('/api/v1/larder/find', { params: { query: { text: text.slice(0, 120), most } }, signal }))
  const wanted = computed(() => text.value.trim())
  const { now } = useAsk(() => {
    const q = wanted.value
    const ask = async (signal: AbortSignal) => ({ q, foods: (await find(q, 24, signal)).foods })
    return q ? { key: ['find', q], ask } : null
  })
  /** Best first; null while nothing is looked for. */
  const found = computed(() => (wanted.value && now.value ? now.value.foods : null))
  const looked = computed(() => now.value?.q ?? '')

  // a list that was pasted: one food a line, or parted by commas or semicolons
  const list = shallowRef<Listed[] | null>(null)
  async function readList(pasted: string) {
    const lines = pasted
      .split(/[\n,;]+/)
      .map(l =>
        l
          .replace(/^[\s\-*•\d.)]+/, '')
          .trim()
          .slice(0, 120),
      )
      .filter(Boolean)
      .slice(0, 60)
    list.value = await Promise.all(
      lines.map(async line => {
        const { foods } = await find(line, 1)
        return { text: line, food: foods[0] ?? null }
      }),
    )
  }
  /** Whether a pasted text is a list rather than a name. */
  const isList = (pasted: string) => /[\n,;]/.test(pasted.trim())

  return { found, looked, list, readList, isList }
}
