import equal from 'fast-deep-equal'
import { defineStore } from 'pinia'
import { computed, ref, shallowRef, watch } from 'vue'
import {
  api,
  take,
  Trouble,
  type Basket,
  type Command,
  type EditAnswer,
  type Job,
  type PrepSheet,
  type Review,
} from '@/api/client'
import type { Brief, TrayElement, TrayFile } from '@/api/tray.gen'
import { afterFrame } from '@/composables/afterFrame'
import { newest } from '@/composables/newest'
import { effect, showsAtOnce, stillLies } from '@/tray/edit'
import type { Pose } from '@/tray/move'
import { trayAt, withTray } from '@/tray/set'
import { useOutbox } from '@/outbox/outbox'
import { editQueue } from './edits'
import { useLarder } from './larder'
import { useToast } from './toast'
import { held, hold, letGo, type Unsaved } from './unsaved'

/** saved: all on the server · waiting: a moment before saving · saving · held: kept in this browser until the server is back · clash: changed elsewhere · refused: the server will not take it */
export type SaveState = 'saved' | 'waiting' | 'saving' | 'held' | 'clash' | 'refused'

const pause = 450 // ms from the last change to its saving
const retryEvery = 2500
const breath = () => new Promise(go => window.setTimeout(go))

/** The open job: its document, its saving, and what the server derives from it. */
/** What the host of a job calls foods otherwise than the house does. */
function callFoods(brief: Brief | undefined) {
  const wants = [...(brief?.packs ?? []), ...(brief?.foods ?? []), ...(brief?.pins ?? [])]
  useLarder().called = new Map(
    wants.flatMap(w => (typeof w !== 'string' && w.name ? [[w.food, w.name] as const] : [])),
  )
}

export const useJob = defineStore('job', () => {
  const id = ref('')
  const doc = shallowRef<TrayFile | null>(null)
  watch(() => doc.value?.brief, callFoods, { flush: 'sync' })
  const revision = ref(0)
  const canUndo = ref(false)
  const canRedo = ref(false)
  const savedAt = ref<Date | null>(null)
  const state = ref<SaveState>('saved')
  const says = ref('') // what is wrong, when something is
  const theirs = shallowRef<Job | null>(null)
  const review = shallowRef<Review | null>(null)
  const basket = shallowRef<Basket | null>(null)
  const prep = shallowRef<PrepSheet | null>(null)
  /** Grows whenever the document changes in more than the places of its elements. */
  const shape = ref(0)
  /** The document as the server has it at this revision, for reviews of moves against it. */
  const base = shallowRef<TrayFile | null>(null)

  let timer = 0
  let saving: Promise<void> | null = null
  let pendingSays = ''

  /** Which of the job's trays is on the table: 0 is its first, the document itself. */
  const at = ref(0)
  const trays = computed<TrayFile[]>(() => (doc.value ? [doc.value, ...(doc.value.further ?? [])] : []))
  const tray = computed<TrayFile | null>(() => trayAt(doc.value, at.value))
  /** The same tray as the server has it. */
  const baseTray = computed<TrayFile | null>(() => trayAt(base.value, at.value))
  const elements = computed<TrayElement[]>(() => tray.value?.elements ?? [])
  const placed = computed(() => elements.value.filter(e => e.placed))
  const waiting = computed(() => elements.value.filter(e => !e.placed))

  /** Draws places anew; false where more than places differs from what is drawn. */
  let place: ((t: TrayFile) => boolean) | null = null
  const drawnBy = (how: typeof place) => (place = how)
  const edits = editQueue({
    id,
    at,
    revision,
    doc,
    base,
    shown: () => {
      const t = tray.value
      if (t && !place?.(t)) shape.value++
    },
    kept: a => {
      savedAt.value = a.saved_at ? new Date(a.saved_at) : new Date()
      canUndo.value = true
      canRedo.value = false
      review.value = a.review
      if (a.reserve || summed !== shape.value) derive()
    },
    clashed: other => {
      theirs.value = other
      state.value = 'clash'
    },
  })

  function show(d: TrayFile) {
    doc.value = d
    if (at.value > (d.further?.length ?? 0)) at.value = 0
    shape.value++
    derive()
  }

  function adopt(j: Job) {
    revision.value = j.revision
    canUndo.value = j.undo
    canRedo.value = j.redo
    savedAt.value = new Date(j.saved_at)
    state.value = 'saved'
    says.value = ''
    theirs.value = null
    pendingSays = ''
    base.value = j.document
    void letGo(id.value)
    show(j.document)
  }

  /** Something is in the hand: what comes from elsewhere waits until it is put down. */
  const handFull = ref(false)
  /** Sees whether another window has saved, and takes its version where nothing is changed here. */
  async function lookElsewhere() {
    const job = id.value
    if (!job || handFull.value || edits.pending() || state.value !== 'saved' || doc.value !== base.value)
      return
    try {
      const params = { path: { id: job } }
      const { revision: there } = await take(api.GET('/api/v1/jobs/{id}/head', { params }))
      if (id.value !== job || there === revision.value || doc.value !== base.value) return
      const j = await take(api.GET('/api/v1/jobs/{id}', { params }))
      if (id.value !== job || handFull.value || doc.value !== base.value || j.revision === revision.value)
        return
      adopt(j)
      useToast().tell({ says: 'Another window changed this job; this is how it is now.' })
    } catch {
      // the server is away; saving says so when there is something to save
    }
  }
  async function open(job: string) {
    if (id.value === job && doc.value) return
    await close()
    id.value = job
    at.value = 0
    const asked = take(api.GET('/api/v1/jobs/{id}', { params: { path: { id: job } } }))
    const [j, work] = await Promise.all([asked, held(job).then(mine => mine ?? useOutbox().handOver(job))])
    if (id.value !== job) return
    adopt(j)
    if (!work || equal(work.document, j.document)) return // it reached the server after all
    // work from an earlier visit that never reached the server
    holdOn(work)
    pendingSays = work.says
    const mine = work.edits ?? []
    if (mine.length && mine.every(p => stillLies(p.was, trayAt(j.document, p.tray)))) {
      edits.resume(mine)
      return schedule()
    }
    if (work.revision === j.revision) {
      show(work.document)
      schedule()
    } else {
      theirs.value = j
      show(work.document)
      state.value = 'clash'
    }
  }

  /** Saves what waits and lets go of the job. */
  async function close() {
    if (!id.value) return
    await flush()
    window.clearTimeout(timer)
    const mine = edits.all()
    edits.clear()
    if (state.value === 'held' && doc.value && doc.value !== base.value) {
      // nobody looks at it any more, and it is sent all the same
      useOutbox().add({
        kind: 'document',
        job: id.value,
        revision: revision.value,
        document: doc.value,
        says: pendingSays,
        ...(mine.length && { edits: mine }),
      })
      await letGo(id.value)
    }
    id.value = ''
    doc.value = base.value = null
    review.value = null
    basket.value = null
    prep.value = null
  }

  /** Holds what is not saved yet in this browser, whatever happens to the server. */
  function holdOn(work: Unsaved) {
    void hold(id.value, work).then(fits => {
      if (!fits && state.value === 'held')
        says.value = 'This browser has no room to hold your changes; do not close it before they are saved.'
    })
  }

  /** Makes next the document, and saves it soon. */
  function change(next: TrayFile, what: string, onlyPlaces = false) {
    edits.swallowed()
    doc.value = next
    if (at.value > (next.further?.length ?? 0)) at.value = 0
    if (!onlyPlaces) shape.value++
    pendingSays = what
    const work = { revision: revision.value, document: next, says: what }
    void afterFrame().then(() => doc.value === next && base.value !== next && holdOn(work))
    derive()
    if (state.value !== 'clash') schedule()
  }

  /** Makes next the tray on the table; the job's others stay as they are. */
  function changeTray(next: TrayFile, what: string, onlyPlaces = false, where = at.value) {
    if (doc.value) change(withTray(doc.value, where, next), what, onlyPlaces)
  }

  /**
   * Does a command of a hand to the tray on the table: it is seen at once, where shown says otherwise than the
   * command does, and kept by the server. What the server made of it, or null where it will be sent later.
   */
  async function edit(command: Command, shown?: Pose): Promise<EditAnswer | null> {
    edits.settleNow()
    if (!edits.pending() && doc.value !== base.value) await flush()
    const t = tray.value
    if (!t) return null
    if (!edits.pending() && doc.value !== base.value) {
      // the document itself waits to be saved; the command joins it
      unlessShown(t, command)
      changeTray(effect(t, command, shown), 'changed by hand', command.kind === 'move')
      return null
    }
    if (state.value === 'held') unlessShown(t, command)
    const answer = edits.add(edits.of(command, shown))
    going()
    return answer
  }
  function unlessShown(t: TrayFile, command: Command) {
    if (!showsAtOnce(command, t))
      throw new Trouble(0, 'The server cannot be reached. This can be done when it is back.')
  }
  /** Does a move of the keys, a moment after the last of them. */
  async function editSoon(command: Command): Promise<EditAnswer | null> {
    if (!edits.pending() && doc.value !== base.value) return edit(command)
    const answer = edits.addSoon(command, going)
    if (state.value === 'saved') state.value = 'waiting'
    return answer
  }
  /** Sends what is pending, and holds it in this browser until it is answered. */
  function going() {
    if (state.value !== 'held') state.value = 'saving'
    const mine = { revision: revision.value, document: doc.value!, says: '', edits: edits.all() }
    void afterFrame().then(() => edits.pending() && holdOn(mine))
    window.clearTimeout(timer)
    void save()
  }

  /** Puts another of the job's trays on the table. */
  function turnTo(n: number) {
    if (n === at.value || n < 0 || n >= trays.value.length) return
    at.value = n
    shape.value++
    derive()
  }

  function schedule(after = pause) {
    window.clearTimeout(timer)
    if (state.value !== 'held') state.value = 'waiting'
    timer = window.setTimeout(() => void save(), after)
  }

  /** What changes the job on the server is asked one after the other, each with the revision the one before came to. */
  let turn: Promise<unknown> = Promise.resolve()
  function inTurn(ask: () => Promise<void>): Promise<void> {
    const mine = turn.then(ask)
    turn = mine.catch(() => undefined)
    return mine
  }

  function save(): Promise<void> {
    saving ??= inTurn(send).finally(() => (saving = null))
    return saving
  }

  async function send() {
    const job = id.value
    try {
      while (await edits.send());
    } catch (e) {
      return failed(e)
    }
    if (id.value !== job || state.value === 'clash') return
    const sent = doc.value
    if (edits.pending()) return // the keys have not rested yet
    if (!sent || sent === base.value) {
      if (!sent) return
      state.value = 'saved'
      says.value = ''
      void letGo(job)
      return
    }
    if (state.value !== 'held') state.value = 'saving'
    try {
      const done = await take(
        api.PUT('/api/v1/jobs/{id}', {
          params: {
            path: { id: job },
            header: { 'If-Match': `"${revision.value}"` },
            query: { says: pendingSays.slice(0, 200) },
          },
          body: sent,
        }),
      )
      if (id.value !== job) return
      revision.value = done.revision
      savedAt.value = new Date(done.saved_at)
      canUndo.value = true
      canRedo.value = false
      base.value = sent
      says.value = ''
      if (doc.value === sent) {
        state.value = 'saved'
        void letGo(job)
      } else {
        holdOn({ revision: revision.value, document: doc.value!, says: pendingSays })
        schedule()
      }
    } catch (e) {
      if (id.value !== job) return
      failed(e)
    }
  }

  function failed(e: unknown) {
    if (!(e instanceof Trouble)) throw e
    says.value = e.message
    if (e.status === 412 && e.current) {
      theirs.value = e.current
      state.value = 'clash'
    } else if (e.passing) {
      state.value = 'held'
      schedule(retryEvery)
    } else {
      state.value = 'refused'
    }
  }

  /** Saves at once whatever waits. */
  async function flush() {
    window.clearTimeout(timer)
    edits.settleNow()
    for (let round = 0; round < 3 && doc.value && (edits.pending() || doc.value !== base.value); round++) {
      if (state.value === 'clash' || state.value === 'held' || state.value === 'refused') break
      await save()
      window.clearTimeout(timer)
    }
  }

  async function step(path: '/api/v1/jobs/{id}/undo' | '/api/v1/jobs/{id}/redo') {
    await flush()
    await inTurn(async () => {
      const before = doc.value
      if (state.value !== 'saved' || !before) return
      try {
        const params = { path: { id: id.value }, header: { 'If-Match': `"${revision.value}"` } }
        const j = await take(api.POST(path, { params }))
        const changed = doc.value
        adopt(j)
        if (changed && changed !== before) change(changed, pendingSays || 'changed') // while it was under way
      } catch (e) {
        if (e instanceof Trouble && e.status === 409) return // nothing to go to
        failed(e)
      }
    })
  }
  const undo = () => step('/api/v1/jobs/{id}/undo')
  const redo = () => step('/api/v1/jobs/{id}/redo')

  /** Answers to a clash: mine goes on top of theirs as a new revision, or theirs is taken. Both stay in the history. */
  async function keepMine() {
    if (!theirs.value) return
    revision.value = theirs.value.revision
    base.value = theirs.value.document
    theirs.value = null
    state.value = 'waiting'
    await saving // what was refused is over
    await save()
  }
  function takeTheirs() {
    if (theirs.value) adopt(theirs.value)
  }

  let summed = -1 // the shape that basket and prep were made for: places change neither
  let askAgain = 0
  const derive = newest(
    async signal => {
      window.clearTimeout(askAgain)
      try {
        await askWhatFollows(signal)
      } catch (e) {
        // what is shown belongs to another tray until the server answers
        if (!signal.aborted && e instanceof Trouble && e.passing)
          askAgain = window.setTimeout(derive, retryEvery)
      }
    },
    40,
    true,
  )
  async function askWhatFollows(signal: AbortSignal) {
    const t = tray.value
    const s = shape.value
    if (!t) return
    if (doc.value === base.value) {
      // the server has it: a small question is enough
      const params = { path: { id: id.value }, query: at.value ? { tray: at.value } : {} }
      const d = await take(api.GET('/api/v1/jobs/{id}/derived', { params, signal }))
      if (signal.aborted) return
      if (d.revision === revision.value) {
        review.value = d.review
        await breath() // each is drawn by itself, so that a hand is answered in between
        if (signal.aborted) return
        basket.value = d.basket
        prep.value = d.prep
        summed = s
        return
      }
    }
    await afterFrame()
    if (signal.aborted) return
    const post = { body: t, signal }
    const sums = async () => {
      if (s === summed) return
      const [b, p] = await Promise.all([
        take(api.POST('/api/v1/basket', { body: doc.value!, signal })),
        take(api.POST('/api/v1/prep', post)),
      ])
      basket.value = b
      prep.value = p
      summed = s
    }
    await Promise.all([take(api.POST('/api/v1/review', post)).then(r => (review.value = r)), sums()])
  }

  return {
    id,
    doc,
    revision,
    canUndo,
    canRedo,
    savedAt,
    state,
    says,
    theirs,
    handFull,
    review,
    basket,
    prep,
    shape,
    base,
    at,
    trays,
    tray,
    baseTray,
    elements,
    placed,
    waiting,
    open,
    lookElsewhere,
    close,
    change,
    changeTray,
    edit,
    editSoon,
    drawnBy,
    turnTo,
    flush,
    undo,
    redo,
    keepMine,
    takeTheirs,
  }
})
