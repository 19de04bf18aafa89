import { defineStore } from 'pinia'
import { computed, shallowRef } from 'vue'
import { useOnce } from '@/api/asking'
import { api, take, type Food } from '@/api/client'

/** Foods, boards and vessels; the same for every job, so it is read once. */
export const useLarder = defineStore('larder', () => {
  const { now: all, read, forget } = useOnce('larder', () => take(api.GET('/api/v1/larder')))

  const byId = computed(() => new Map<string, Food>(all.value?.foods.map(f => [f.id, f]) ?? []))
  const food = (id: string) => byId.value.get(id)
  // what the job on the table calls foods otherwise than the house does
  const called = shallowRef<ReadonlyMap<string, string>>(new Map())
  const name = (id: string) => called.value.get(id) ?? food(id)?.name ?? id
  const picture = (id: string, form?: string, version?: string, thumb = false) => {
    const query = new URLSearchParams()
    const v = version ?? food(id)?.version
    if (form) query.set('form', form)
    if (thumb) query.set('thumb', 'true')
    if (v && v !== '0') query.set('v', v)
    const q = query.toString()
    return `/api/v1/foods/${encodeURIComponent(id)}/picture.svg${q ? `?${q}` : ''}`
  }
  return { all, read, forget, food, called, name, picture }
})
