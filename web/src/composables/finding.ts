import { ref, shallowRef, watch, type Ref } from 'vue'
import { api, take, type FoundFood } from '@/api/client'
import { newest } from '@/composables/newest'

/** A line of a list that somebody pasted, with the food that is meant by it, or none. */
export interface Listed {
  text: string
  food: FoundFood | null
}

/** Looks for foods by what people call them, as one types; the server knows the names. */
export function useFinding(text: Ref<string>) {
  // best first; null while nothing is looked for
  const found = shallowRef<FoundFood[] | null>(null)
  const looked = ref('')
  const look = newest(async signal => {
    const q = text.value.trim()
    if (!q) return
    const { foods } = await take(
      api.GET('/api/v1/larder/find', { params: { query: { text: q.slice(0, 120), most: 24 } }, signal }),
    )
    found.value = foods
    looked.value = q
  }, 60)
  watch(text, () => {
    if (text.value.trim()) look()
    else found.value = null
  })

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
        const { foods } = await take(
          api.GET('/api/v1/larder/find', { params: { query: { text: line, most: 1 } } }),
        )
        return { text: line, food: foods[0] ?? null }
      }),
    )
  }
  /** Whether a pasted text is a list rather than a name. */
  const isList = (pasted: string) => /[\n,;]/.test(pasted.trim())

  return { found, looked, list, readList, isList }
}
