import { computed, onScopeDispose, ref, shallowRef, watch } from 'vue'
import { said, useAsk } from '@/api/asking'
import { api, take, Trouble, type Evening, type EveningDish, type PhotoKept } from '@/api/client'
import type { Waiting } from '@/outbox/entries'
import { useOutbox } from '@/outbox/outbox'
import { useRoutine } from './routine'

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

/** An evening as it will be noted once what waits has been sent; minute is how far it had gone at a time. */
export function withWaiting(
  e: Evening,
  waiting: readonly Waiting[],
  minute: (at: number) => number,
): Evening {
  let out = e
  const dishes = (to: (d: EveningDish) => EveningDish) => (out = { ...out, dishes: out.dishes.map(to) })
  for (const w of waiting) {
    switch (w.kind) {
      case 'gone':
        dishes(d =>
          d.tray === w.tray && d.element === w.element
            ? { ...d, left_g: 0, gone_at_min: w.gone ? minute(w.at) : null }
            : d,
        )
        break
      case 'came':
        dishes(d =>
          d.tray === w.dish.tray && d.element === w.dish.element && d.food === w.dish.food
            ? { ...d, ...w.dish }
            : d,
        )
        break
      case 'done':
        out = { ...out, done: w.done }
        break
      case 'topUp': {
        const to = out.dishes.find(d => d.tray === w.tray && d.food === w.food)
        if (!to) break
        const topped = {
          id: w.key,
          at_min: minute(w.at),
          tray: w.tray,
          element: to.element ?? '',
          food: w.food,
          grams: w.grams,
        }
        out = { ...out, topped: [...(out.topped ?? []), topped] }
        dishes(d => (d === to ? { ...d, laid_g: d.laid_g + w.grams, gone_at_min: null } : d))
        break
      }
      case 'takeBack':
        out = {
          ...out,
          topped: (out.topped ?? []).filter((t, i, all) => (w.entry ? t.id !== w.entry : i < all.length - 1)),
        }
        break
      case 'note':
        out = { ...out, notes: [...out.notes, { id: w.key, at: new Date(w.at).toISOString(), says: w.says }] }
        break
      case 'keep':
        out = { ...out, kept: [...(out.kept ?? []), w.food] }
        break
    }
  }
  return out
}

const every = 2500 // ms between looks at what others note

/**
 * What was noted of a job's evening, on every screen alike: what is changed here is shown at once, waits in the outbox
 * until the server has it, and is seen elsewhere. minute is how far the evening had gone at a time.
 */
export function useEvening(id: () => string, minute: (at: number) => number = () => 0) {
  const outbox = useOutbox()
  const known = shallowRef<Evening | null>(null) // as the server has it
  const evening = computed(() => known.value && withWaiting(known.value, outbox.of(id()), minute))
  const photos = shallowRef<PhotoKept[]>([])
  const wrong = ref('')
  const path = () => ({ path: { id: id() } })
  const state = computed<'saved' | 'saving' | 'held'>(() =>
    !outbox.of(id()).length ? 'saved' : outbox.away ? 'held' : 'saving',
  )

  async function read() {
    const job = id()
    if (!job) return
    try {
      const before = outbox.arrived
      const e = await take(api.GET('/api/v1/jobs/{id}/evening', { params: path() }))
      if (id() !== job) return
      if (outbox.arrived !== before) return void (await read()) // it was asked before what has arrived since
      known.value = e
      wrong.value = ''
    } catch (e) {
      wrong.value = said(e, 'The evening cannot be read just now.')
    }
  }
  async function readPhotos() {
    if (!id()) return
    const list = await take(api.GET('/api/v1/jobs/{id}/evening/photos', { params: path() })).catch(() => null)
    if (list) photos.value = list.photos
  }
  watch(
    id,
    () => {
      known.value = null
      void read()
      void readPhotos()
    },
    { immediate: true },
  )
  // others note things on the same evening
  useRoutine(() => void read(), every)
  onScopeDispose(
    outbox.onSent((e, answer) => {
      if (e.job !== id()) return
      if (answer instanceof Trouble) wrong.value = answer.message
      else if (e.kind === 'photo' || e.kind === 'dropPhoto') void readPhotos()
      else if (answer && typeof answer === 'object' && 'dishes' in answer) known.value = answer as Evening
    }),
  )

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
  const edit = (
    food: string,
    to: (d: EveningDish) => Pick<EveningDish, 'left_g' | 'gone_at_min' | 'reasons'>,
  ) => {
    for (const d of evening.value?.dishes ?? [])
      if (d.food === food) {
        const { left_g, gone_at_min, reasons } = to(d)
        const dish = {
          tray: d.tray,
          element: d.element,
          food,
          left_g,
          gone_at_min: gone_at_min ?? null,
          reasons,
        }
        outbox.add({ kind: 'came', job: id(), dish })
      }
  }
  /** All was looked back on. */
  const finish = () => outbox.add({ kind: 'done', job: id(), done: true })

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
  const gone = (tray: number, element: string, is: boolean) =>
    void outbox.add({ kind: 'gone', job: id(), tray, element, gone: is })
  /** While the evening goes on: so much more of a food was laid, now; or the last of that was not after all. */
  const topUp = (tray: number, food: string, grams: number) =>
    void outbox.add({ kind: 'topUp', job: id(), tray, food, grams })
  const takeBackTopUp = () =>
    void outbox.add({ kind: 'takeBack', job: id(), entry: evening.value?.topped?.at(-1)?.id })
  const note = (text: string) => void outbox.add({ kind: 'note', job: id(), says: text })
  const addPhoto = (file: File) => void outbox.add({ kind: 'photo', job: id(), file })
  const dropPhoto = (photo: string) => void outbox.add({ kind: 'dropPhoto', job: id(), photo })
  /** Puts what came home of a food into the cupboard. */
  const keepRemains = (food: string) => void outbox.add({ kind: 'keep', job: id(), food })
  /** What of a food lies on the bench scale came home; answers with why it does not, where it does not. */
  async function weigh(food: string): Promise<string> {
    const r = await take(api.GET('/api/v1/scale')).catch(() => null)
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
    for (const e of outbox.of(id())) await outbox.drop(e)
    try {
      await take(api.DELETE('/api/v1/jobs/{id}/evening', { params: path() }))
      wrong.value = ''
    } catch (e) {
      wrong.value = said(e, 'That could not be taken away.')
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
    finish,
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
  return useAsk(() => {
    const params = { path: { id: id() } }
    const ask = (signal: AbortSignal) => take(api.GET('/api/v1/jobs/{id}/forecast', { params, signal }))
    return id() ? { key: ['forecast', id(), revision()], ask } : null
  }).now
}
