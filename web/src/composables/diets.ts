import { shallowRef } from 'vue'
import { api, take, type Diets } from '@/api/client'

const diets = shallowRef<Diets | null>(null)
let reading: Promise<void> | null = null

/** Diets as people say them, and the words for what guests may avoid: the server's, read once. */
export function useDiets() {
  reading ??= take(api.GET('/api/v1/diets')).then(
    d => void (diets.value = d),
    () => void (reading = null),
  )
  return diets
}
