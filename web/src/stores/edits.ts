import type { Ref, ShallowRef } from 'vue'
import { api, take, Trouble, type Command, type EditAnswer, type Job } from '@/api/client'
import type { TrayElement, TrayFile } from '@/api/tray.gen'
import { applied, effect, stillLies } from '@/tray/edit'
import type { Pose } from '@/tray/move'
import { trayAt, withTray } from '@/tray/set'

/** A command that is seen on the tray and that the server has not answered yet. */
export type Pending = { command: Command; tray: number; was: TrayElement[]; shown?: Pose }
type Waiting = Pending & {
  done: (a: EditAnswer | null) => void
  fail: (e: unknown) => void
}

/** What the queue needs of the open job. */
type Host = {
  id: Ref<string>
  at: Ref<number>
  revision: Ref<number>
  doc: ShallowRef<TrayFile | null>
  base: ShallowRef<TrayFile | null>
  /** The document is shown anew; places are all that differs where the drawing can follow. */
  shown: () => void
  /** The server has done the first. */
  kept: (a: EditAnswer) => void
  /** Another window has changed what something was to be done to: the document as it is seen, or theirs. */
  clashed: (theirs: Job) => void
}

const rests = 220 // ms after the last of several presses of a key

/**
 * The commands of hands to the open job, one after the other. Each is seen at once, sent when the one before
 * is answered, and kept until it is. Where another window has saved meanwhile it is done to what that left,
 * as long as what it is done to lies as it lay.
 */
export function editQueue(host: Host) {
  const list: Waiting[] = []
  let timer = 0
  let soon: (() => void) | null = null
  let whole = false // the document was changed otherwise, too, while one was on its way
  let sent = false

  const pending = () => list.length > 0
  const all = (): Pending[] => list.map(({ command, tray, was, shown }) => ({ command, tray, was, shown }))

  /** The document with everything that is pending. */
  function show() {
    let d = host.base.value
    if (!d) return
    for (const p of list) {
      const t = trayAt(d, p.tray)
      if (t) d = withTray(d, p.tray, effect(t, p.command, p.shown))
    }
    host.doc.value = d
    host.shown()
  }

  function add(p: Pending): Promise<EditAnswer | null> {
    return new Promise((done, fail) => {
      list.push({ ...p, done, fail })
      if (!whole) show()
    })
  }
  const of = (command: Command, shown?: Pose): Pending => {
    const ids = new Set(command.ids)
    const tray = host.at.value
    const was = trayAt(host.base.value, tray)?.elements.filter(e => ids.has(e.id)) ?? []
    return { command, tray, was, shown }
  }

  /** Notes a move that goes on: presses of a key that follow each other are one command. */
  function addSoon(command: Command, settle: () => void): Promise<EditAnswer | null> {
    const last = list.at(-1)
    const same = soon && last && last.tray === host.at.value && last.command.ids.join() === command.ids.join()
    if (!same) settleNow()
    window.clearTimeout(timer)
    soon = settle
    timer = window.setTimeout(settleNow, rests)
    if (!same || !last) return add(of(command))
    last.command = command
    show()
    return Promise.resolve(null) // whoever noted the first is told
  }
  function settleNow() {
    window.clearTimeout(timer)
    const settle = soon
    soon = null
    settle?.()
  }

  /** Sends the first that rests, and what comes of it; false where there is none. */
  async function send(): Promise<boolean> {
    const p = list[0]
    if (!p || (soon && list.length === 1)) return false
    const job = host.id.value
    sent = true
    try {
      const a = await take(
        api.POST('/api/v1/jobs/{id}/edits', {
          params: { path: { id: job } },
          body: { revision: host.revision.value, tray: p.tray, command: p.command },
        }),
      )
      if (host.id.value !== job) return false
      list.shift()
      keep(a, p)
      p.done(a)
    } catch (e) {
      if (host.id.value !== job) return false
      if (e instanceof Trouble && e.status === 412 && e.current) moveOn(e.current)
      else if (e instanceof Trouble && e.passing) {
        for (const waits of list) waits.done(null)
        throw e
      } else {
        list.shift()
        show()
        p.fail(e)
      }
    } finally {
      sent = false
      if (!list.length) whole = false
    }
    return true
  }

  function keep(a: EditAnswer, p: Pending) {
    const was = trayAt(host.doc.value, p.tray)
    const before = trayAt(host.base.value, p.tray)
    if (!before || !host.base.value) return
    host.base.value = withTray(host.base.value, p.tray, applied(before, a))
    host.revision.value = a.revision
    if (whole && was && host.doc.value) {
      // what was changed meanwhile stays; what was not lies as the command left it
      const touched = new Map(was.elements.map(e => [e.id, e]))
      const seen = new Map(effect(before, p.command, p.shown).elements.map(e => [e.id, e]))
      const untouched = a.changed.filter(e => {
        const now = touched.get(e.id)
        return now && (now === seen.get(e.id) || stillLies([now], before))
      })
      host.doc.value = withTray(host.doc.value, p.tray, applied(was, { ...a, changed: untouched }))
      host.shown()
    } else show()
    host.kept(a)
  }

  /** Another window has saved: what is done to things that lie as they lay is done to what that left. */
  function moveOn(theirs: Job) {
    if (list.every(p => stillLies(p.was, trayAt(theirs.document, p.tray)))) {
      host.base.value = theirs.document
      host.revision.value = theirs.revision
      return show()
    }
    for (const p of list.splice(0)) p.done(null)
    host.clashed(theirs)
  }

  /** The document was changed as a whole: what is on its way is awaited, what is not stands in it. */
  function swallowed() {
    settleNow()
    if (!list.length) return
    if (sent) whole = true
    for (const p of list.splice(sent ? 1 : 0)) p.done(null)
  }

  /** Takes up what an earlier visit could not send. */
  function resume(some: readonly Pending[]) {
    for (const p of some) void add(p).catch(() => undefined)
  }
  function clear() {
    window.clearTimeout(timer)
    soon = null
    for (const p of list.splice(0)) p.done(null)
  }

  return { pending, all, add, of, addSoon, settleNow, send, swallowed, resume, clear }
}
