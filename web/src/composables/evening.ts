import { computed, onScopeDispose, ref, shallowRef, watch } from 'vue'
import { useDebounceFn, useEventListener, useIntervalFn } from '@vueuse/core'
import {
  api,
  send,
  take,
  Trouble,
  type Evening,
  type EveningDish,
  type Forecast,
  type PhotoKept,
  type ScaleReading,
} from '@/api/client'

export { reasonValues as reasons } from '@/api/contract.gen'
type Reason = EveningDish['reasons'][number]

/** A food of the evening: its heaps taken together, as one looks back on it. */
export type Remains = {
  food: string
  form: string | undefined
  heaps: number
  laid: number
  left: number
  gone: number | null
  reasons: readonly Reason[]
}

/** What was noted of a job's evening, on every screen alike: what is changed here is kept at once, and seen elsewhere. */
export function useEvening(id: () => string) {
  const evening = shallowRef<Evening | null>(null)
  const photos = shallowRef<PhotoKept[]>([])
  const wrong = ref('')
  const state = ref<'saved' | 'saving' | 'held'>('saved')
  const path = () => ({ path: { id: id() } })
  let changed = 0 // what is here and not kept yet

  const says = (e: unknown, other: string) => (e instanceof Trouble ? e.message : other)
  async function read() {
    if (!id() || changed) return
    try {
      const e = await take<Evening>(api.GET('/api/v1/jobs/{id}/evening', { params: path() }))
      if (!changed) evening.value = e
      if (state.value === 'held') state.value = 'saved'
      wrong.value = ''
    } catch (e) {
      wrong.value = says(e, 'The evening cannot be read just now.')
    }
  }
  async function readPhotos() {
    if (!id()) return
    const list = await take<{ photos: PhotoKept[] }>(
      api.GET('/api/v1/jobs/{id}/evening/photos', { params: path() }),
    ).catch(() => null)
    if (list) photos.value = list.photos
  }
  watch(
    id,
    () => {
      evening.value = null
      void read()
      void readPhotos()
    },
    { immediate: true },
  )
  // others note things on the same evening
  useIntervalFn(() => void read(), 2500)

  async function keep() {
    const e = evening.value
    if (!e || !changed) return
    const mine = changed
    state.value = 'saving'
    try {
      const kept = await take<Evening>(
        api.PUT('/api/v1/jobs/{id}/evening', {
          params: { ...path(), header: { 'If-Match': String(e.version) } },
          body: e,
        }),
      )
      if (mine === changed) {
        changed = 0
        evening.value = kept
        state.value = 'saved'
      } else if (evening.value) {
        evening.value = { ...evening.value, version: kept.version }
        void soon()
      }
      wrong.value = ''
    } catch (x) {
      wrong.value = says(x, 'That could not be kept. Try again.')
      state.value = 'held'
      if (x instanceof Trouble && x.status === 412) {
        changed = 0
        await read() // as it is now
      } else if (x instanceof Trouble && x.passing) window.setTimeout(() => void keep(), 2000)
      else changed = 0
    }
  }
  const soon = useDebounceFn(keep, 400)
  function change(to: Partial<Evening>) {
    if (!evening.value) return
    evening.value = { ...evening.value, ...to }
    changed++
    state.value = 'saving' // it is not kept before the server says so
    void soon()
  }
  onScopeDispose(() => void keep())
  useEventListener(window, 'pagehide', () => void keep()) // what was slid a moment ago

  const foods = computed<Remains[]>(() => {
    const met = new Map<string, Remains>()
    for (const d of evening.value?.dishes ?? []) {
      const was = met.get(d.food)
      met.set(d.food, {
        food: d.food,
        form: was?.form ?? d.form,
        heaps: (was?.heaps ?? 0) + 1,
        laid: (was?.laid ?? 0) + d.laid_g,
        left: (was?.left ?? 0) + d.left_g,
        gone: later(was, d),
        reasons: [...new Set([...(was?.reasons ?? []), ...d.reasons])],
      })
    }
    return [...met.values()]
  })
  function later(was: Remains | undefined, d: EveningDish) {
    if (d.gone_at_min == null || (was && was.gone === null)) return null
    return Math.max(was?.gone ?? 0, d.gone_at_min)
  }
  const edit = (food: string, to: (d: EveningDish) => EveningDish) =>
    change({ dishes: evening.value!.dishes.map(d => (d.food === food ? to(d) : d)) })

  /** What is left of a food counts as nothing, as the server reckons it. */
  const crumbs = (f: { left: number; laid: number }) => f.left <= (evening.value?.gone_share ?? 0) * f.laid

  /** So much of a food came home: each of its heaps an even part of what was laid. */
  function leave(food: string, grams: number) {
    const all = foods.value.find(f => f.food === food)?.laid ?? 0
    const part = all > 0 ? Math.min(1, Math.max(0, grams / all)) : 0
    const none = crumbs({ left: part, laid: 1 })
    edit(food, d => ({
      ...d,
      left_g: Math.round(10 * d.laid_g * part) / 10,
      gone_at_min: none ? (d.gone_at_min ?? null) : null,
    }))
  }
  /** A food was gone after so many minutes; null for some time, or not at all. */
  const goneAt = (food: string, minute: number | null) =>
    edit(food, d => ({ ...d, left_g: minute === null ? d.left_g : 0, gone_at_min: minute }))
  function because(food: string, reason: Reason) {
    const on = foods.value.find(f => f.food === food)?.reasons.includes(reason)
    edit(food, d => ({
      ...d,
      reasons: on ? d.reasons.filter(r => r !== reason) : [...new Set([...d.reasons, reason])],
    }))
  }

  /** While the evening goes on: an element is gone, now, or is not after all. */
  async function gone(tray: number, element: string, is: boolean) {
    try {
      evening.value = await take<Evening>(
        api.PUT('/api/v1/jobs/{id}/evening/gone', { params: path(), body: { tray, element, gone: is } }),
      )
      wrong.value = ''
    } catch (e) {
      wrong.value = says(e, 'That could not be noted. Try again.')
    }
  }
  /** While the evening goes on: so much more of a food was laid, now; or the last of that was not after all. */
  async function topUp(tray: number, food: string, grams: number) {
    try {
      evening.value = await take<Evening>(
        api.POST('/api/v1/jobs/{id}/evening/topped', { params: path(), body: { tray, food, grams } }),
      )
      wrong.value = ''
    } catch (e) {
      wrong.value = says(e, 'That could not be noted. Try again.')
    }
  }
  async function takeBackTopUp() {
    try {
      evening.value = await take<Evening>(api.DELETE('/api/v1/jobs/{id}/evening/topped', { params: path() }))
      wrong.value = ''
    } catch (e) {
      wrong.value = says(e, 'That could not be taken back. Try again.')
    }
  }
  async function note(text: string) {
    try {
      evening.value = await take<Evening>(
        api.POST('/api/v1/jobs/{id}/evening/notes', { params: path(), body: { says: text } }),
      )
      wrong.value = ''
      return true
    } catch (e) {
      wrong.value = says(e, 'That could not be noted. Try again.')
      return false
    }
  }
  async function addPhoto(file: File) {
    try {
      await send('POST', `/api/v1/jobs/${id()}/evening/photos`, file.type || 'image/jpeg', file)
      wrong.value = ''
    } catch (e) {
      wrong.value = says(e, 'The photograph could not be kept.')
    }
    await readPhotos()
  }
  async function dropPhoto(photo: string) {
    try {
      await take(
        api.DELETE('/api/v1/jobs/{id}/evening/photos/{photo}', { params: { path: { id: id(), photo } } }),
      )
    } catch (e) {
      wrong.value = says(e, 'The photograph could not be thrown away.')
    }
    await readPhotos()
  }
  /** Puts what came home of a food into the cupboard. */
  async function keepRemains(food: string) {
    try {
      evening.value = await take<Evening>(
        api.POST('/api/v1/jobs/{id}/evening/keep', { params: path(), body: { food } }),
      )
      wrong.value = ''
    } catch (e) {
      wrong.value = says(e, 'That could not be put into the cupboard.')
    }
  }
  /** What of a food lies on the bench scale came home; answers with why it does not, where it does not. */
  async function weigh(food: string): Promise<string> {
    const r = await take<ScaleReading>(api.GET('/api/v1/scale')).catch(() => null)
    if (!r) return 'The server cannot be reached.'
    if (r.says) return r.says
    if (r.over) return 'More lies on the scale than it weighs.'
    if (!r.steady) return 'It is not still yet. Let go of it and press again.'
    leave(food, r.grams)
    return ''
  }
  const photo = (of: string) => `/api/v1/jobs/${id()}/evening/photos/${of}`
  /** Takes all that was noted away, and what it taught. */
  async function forget() {
    changed = 0
    try {
      await take(api.DELETE('/api/v1/jobs/{id}/evening', { params: path() }))
      wrong.value = ''
    } catch (e) {
      wrong.value = says(e, 'That could not be taken away.')
    }
    await read()
    await readPhotos()
  }

  return {
    evening,
    foods,
    photos,
    wrong,
    state,
    read,
    change,
    crumbs,
    leave,
    goneAt,
    because,
    gone,
    topUp,
    takeBackTopUp,
    note,
    addPhoto,
    dropPhoto,
    photo,
    keepRemains,
    weigh,
    forget,
  }
}

/** How the trays of a job as it is saved will be eaten. */
export function useForecast(id: () => string, revision: () => number) {
  const forecast = shallowRef<Forecast | null>(null)
  watch(
    [id, revision],
    async () => {
      if (!id()) return
      forecast.value = await take<Forecast>(
        api.GET('/api/v1/jobs/{id}/forecast', { params: { path: { id: id() } } }),
      ).catch(() => null)
    },
    { immediate: true },
  )
  return forecast
}
