import { useOnce } from '@/api/asking'
import { api, take } from '@/api/client'

const { now, read } = useOnce('diets', () => take(api.GET('/api/v1/diets')))

/** Diets as people say them, and the words for what guests may avoid: the server's, read once. */
export function useDiets() {
  read().catch(() => undefined) // whoever looks next asks again
  return now
}
