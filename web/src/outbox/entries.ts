// What is acknowledged on screen before the server has it, what of it replaces what was noted before, and how it is sent.
import { api, send, take, type EveningDish } from '@/api/client'
import type { Pending } from '@/stores/edits'
import type { Unsaved } from '@/stores/unsaved'

/** What came home of a dish. */
export type Came = Pick<EveningDish, 'tray' | 'element' | 'food' | 'left_g' | 'reasons'> & {
  gone_at_min: number | null
}

/** One thing that was noted: of a job, or of a shopping list, whose name stands for one job or a week of them. */
export type Entry = OfJob | { kind: 'bought'; job?: undefined; list: string; food: string; done: boolean }
type OfJob = { job: string } & (
  | { kind: 'tick'; task: string; done: boolean }
  | { kind: 'gone'; tray: number; element: string; gone: boolean }
  | { kind: 'topUp'; tray: number; food: string; grams: number }
  | { kind: 'takeBack'; entry?: string }
  | { kind: 'note'; says: string }
  | { kind: 'came'; dish: Came }
  | { kind: 'done'; done: boolean }
  | { kind: 'keep'; food: string }
  | { kind: 'weight'; food: string; form: string; grams: number }
  | { kind: 'photo'; file: Blob }
  | { kind: 'dropPhoto'; photo: string }
  | ({ kind: 'document' } & Unsaved)
)

/** An entry that waits, under the name and with the time it was given where it was made. */
export type Waiting = Entry & { key: string; at: number; refused?: string }

/** What an entry is about: a later one about the same takes the place of one that still waits. */
export function subject(e: Entry): string | null {
  switch (e.kind) {
    case 'tick':
      return `${e.job} tick ${e.task}`
    case 'gone':
      return `${e.job} gone ${e.tray} ${e.element}`
    case 'came':
      return `${e.job} came ${e.dish.tray} ${e.dish.element} ${e.dish.food}`
    case 'done':
      return `${e.job} done`
    case 'weight':
      return `${e.job} weight ${e.food} ${e.form}`
    case 'document':
      return `${e.job} document`
    case 'bought':
      return `bought ${e.list} ${e.food}`
  }
  return null
}

/** In words, as a list of what waits names it. */
export function named(e: Entry): string {
  switch (e.kind) {
    case 'tick':
      return 'a step of the work'
    case 'bought':
      return 'a tick on the shopping list'
    case 'gone':
      return 'what is gone'
    case 'topUp':
    case 'takeBack':
      return 'what was topped up'
    case 'note':
      return `the note “${e.says.slice(0, 60)}”`
    case 'came':
    case 'done':
      return 'what came home'
    case 'keep':
      return 'what goes into the cupboard'
    case 'weight':
      return 'a weight'
    case 'photo':
    case 'dropPhoto':
      return 'a photograph'
    case 'document':
      return `changes of “${e.document.title || 'a job'}”`
  }
}

/** Sends an entry; its answer, or a Trouble. */
export function deliver(e: Waiting): Promise<unknown> {
  if (e.kind === 'bought')
    return take(api.PUT('/api/v1/shopping/ticks', { body: { key: e.list, food: e.food, done: e.done } }))
  const path = { id: e.job }
  const query = { ago_s: Math.min(604_800, Math.max(0, Math.round((Date.now() - e.at) / 1000))) }
  const header = { 'Idempotency-Key': e.key }
  const entry = { path, query, header }
  switch (e.kind) {
    case 'tick':
      return take(
        api.PUT('/api/v1/jobs/{id}/ticks/{task}', {
          params: { ...entry, path: { ...path, task: e.task } },
          body: { done: e.done },
        }),
      )
    case 'gone':
      return take(
        api.PUT('/api/v1/jobs/{id}/evening/gone', {
          params: entry,
          body: { tray: e.tray, element: e.element, gone: e.gone },
        }),
      )
    case 'topUp':
      return take(
        api.POST('/api/v1/jobs/{id}/evening/topped', {
          params: entry,
          body: { tray: e.tray, food: e.food, grams: e.grams },
        }),
      )
    case 'takeBack':
      return take(
        api.DELETE('/api/v1/jobs/{id}/evening/topped', {
          params: { path, query, header: e.entry ? { 'Idempotency-Key': e.entry } : {} },
        }),
      )
    case 'note':
      return take(api.POST('/api/v1/jobs/{id}/evening/notes', { params: entry, body: { says: e.says } }))
    case 'came':
      return take(api.PATCH('/api/v1/jobs/{id}/evening', { params: { path }, body: { dishes: [e.dish] } }))
    case 'done':
      return take(api.PATCH('/api/v1/jobs/{id}/evening', { params: { path }, body: { done: e.done } }))
    case 'keep':
      return take(api.POST('/api/v1/jobs/{id}/evening/keep', { params: { path }, body: { food: e.food } }))
    case 'weight':
      return take(
        api.PUT('/api/v1/jobs/{id}/weights', {
          params: { path },
          body: { food: e.food, form: e.form, grams: e.grams },
        }),
      )
    case 'photo':
      return send(
        'POST',
        `/api/v1/jobs/${e.job}/evening/photos?ago_s=${query.ago_s}`,
        e.file.type || 'image/jpeg',
        e.file,
        header,
      )
    case 'dropPhoto':
      return take(
        api.DELETE('/api/v1/jobs/{id}/evening/photos/{photo}', {
          params: { path: { ...path, photo: e.photo } },
        }),
      )
    case 'document':
      if (e.edits?.length) return commands(e.job, e.revision, e.edits)
      return take(
        api.PUT('/api/v1/jobs/{id}', {
          params: {
            path,
            header: { 'If-Match': `"${e.revision}"` },
            query: { says: e.says.slice(0, 200) },
          },
          body: e.document,
        }),
      )
  }
}

/** Sends the commands to a job one after the other. Sent again as an answer was lost, each comes to what it came to. */
async function commands(job: string, from: number, edits: readonly Pending[]) {
  let revision = from
  for (const { tray, command } of edits) {
    const params = { path: { id: job } }
    const answer = await take(
      api.POST('/api/v1/jobs/{id}/edits', { params, body: { revision, tray, command } }),
    )
    revision = answer.revision
  }
  return { revision }
}
