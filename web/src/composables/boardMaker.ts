import { computed, ref, shallowRef } from 'vue'
import { said } from '@/api/asking'
import { api, send, take, Trouble, type BoardDrawn, type OutlineFound } from '@/api/client'
import type { Board, BoardRequest } from '@/api/tray.gen'
import { newest } from '@/composables/newest'
import { bent, boxOf, freeId, stretched, withoutPoint, withPoint, type Pt } from '@/tray/outline'

/** What a board is asked to be while it is made or changed. */
export type Ask = Omit<BoardRequest, 'outline' | 'holes'> & { outline?: Pt[]; holes?: Pt[][] }

const points = (o: Board['outline']): Pt[] => o.map(p => [p[0] ?? 0, p[1] ?? 0])

/** Makes a board by its measures, by its outline or from a drawing; the server says whether it will do. */
export function useBoardMaker() {
  const ask = shallowRef<Ask>({})
  const made = shallowRef<BoardDrawn | null>(null)
  /** Why the board as asked for will not do, and why a drawing will not: each is cleared by its own answer only. */
  const fault = ref('')
  const refused = ref('')
  const wrong = computed(() => refused.value || fault.value)
  const found = shallowRef<OutlineFound | null>(null)
  const file = shallowRef<File | null>(null)
  const undo = shallowRef<Ask[]>([])
  /** The one that is changed, with its version; null for a new one. */
  const saved = shallowRef<{ id: string; version: number; wells: Board['wells'] } | null>(null)

  const look = newest(async signal => {
    try {
      made.value = await take(api.POST('/api/v1/boards', { body: ask.value, signal }))
      fault.value = ''
    } catch (e) {
      if (e instanceof Trouble) fault.value = e.message
    }
  }, 60)

  function change(part: Partial<Ask>, step = true) {
    if (step) undo.value = [...undo.value.slice(-60), ask.value]
    ask.value = { ...ask.value, ...part }
    refused.value = ''
    look()
  }
  function back() {
    const was = undo.value.at(-1)
    if (!was) return
    undo.value = undo.value.slice(0, -1)
    ask.value = was
    refused.value = ''
    look()
  }

  function begin(a: Ask) {
    saved.value = found.value = file.value = null
    undo.value = []
    made.value = null
    fault.value = refused.value = ''
    ask.value = a
    look()
  }
  /** Begins with a board as it is, to change it or a copy of it. */
  function beginWith(d: BoardDrawn, copy: boolean) {
    const b = d.board
    begin({
      name: copy ? `${b.name}, my own` : b.name,
      shape: 'outline',
      outline: points(b.outline),
      holes: (b.keepouts ?? []).map(points),
      rim_mm: b.rim_mm || undefined,
      lid_mm: b.lid_mm,
      colour: b.colour,
      material: b.material,
      not_food_safe: b.food_safe === false || undefined,
      liner: b.liner || undefined,
      turns: b.turns || undefined,
    })
    saved.value = copy ? null : { id: b.id, version: d.version, wells: b.wells }
  }

  const byOutline = computed(() => !!ask.value.outline)
  /** Takes the board as it stands and lets its edge be moved point by point. */
  function freeEdge() {
    const b = made.value?.board
    if (!b || byOutline.value) return
    change({ shape: 'outline', outline: points(b.outline), holes: (b.keepouts ?? []).map(points) })
  }

  const move = (at: number, dx: number, dy: number, reach: number, step = true) =>
    change({ outline: bent(ask.value.outline!, at, dx, dy, reach) }, step)
  const addPoint = (after: number) => change({ outline: withPoint(ask.value.outline!, after) })
  const dropPoint = (at: number) => change({ outline: withoutPoint(ask.value.outline!, at) })
  const dropHole = (at: number) => change({ holes: ask.value.holes!.filter((_, i) => i !== at) })
  function resize(width: number, height: number) {
    const [x, y, w, h] = boxOf(ask.value.outline!)
    const hole = (o: Pt[]): Pt[] => o.map(p => [((p[0] - x) * width) / w, ((p[1] - y) * height) / h])
    change({ outline: stretched(ask.value.outline!, width, height), holes: ask.value.holes?.map(hole) })
  }

  /** Reads the outline of an SVG drawing; the longer side measures lengthMM where that is known. */
  async function readDrawing(lengthMM?: number) {
    if (!file.value) return
    try {
      const q = lengthMM ? `?length_mm=${lengthMM}` : ''
      found.value = await send<OutlineFound>(
        'POST',
        `/api/v1/boards/outline${q}`,
        'image/svg+xml',
        await file.value.text(),
      )
      change({
        shape: 'outline',
        outline: points(found.value.request.outline!),
        holes: (found.value.request.holes ?? []).map(points),
        length_mm: undefined,
        width_mm: undefined,
      })
    } catch (e) {
      refused.value = said(e, 'The drawing cannot be read.')
    }
  }

  /** Saves the board; its id. Null where it could not be saved. */
  async function save(taken: (id: string) => boolean): Promise<string | null> {
    const b = made.value?.board
    if (!b || wrong.value) return null
    const id = saved.value?.id ?? freeId(ask.value.name ?? '', 'board', taken)
    const next: Board = { ...b, id, name: ask.value.name || b.name, wells: saved.value?.wells ?? b.wells }
    try {
      await take(
        api.PUT('/api/v1/boards/{id}', {
          params: { path: { id }, header: { 'If-Match': `"${saved.value?.version ?? 0}"` } },
          body: next,
        }),
      )
      return id
    } catch (e) {
      fault.value = said(e, 'The board cannot be saved.')
      return null
    }
  }

  return {
    ask,
    made,
    wrong,
    found,
    file,
    undo,
    saved,
    byOutline,
    begin,
    beginWith,
    change,
    back,
    freeEdge,
    move,
    addPoint,
    dropPoint,
    dropHole,
    resize,
    readDrawing,
    save,
  }
}
