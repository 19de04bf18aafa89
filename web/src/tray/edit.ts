import equal from 'fast-deep-equal'
import type { Command, EditAnswer } from '@/api/client'
import type { TrayElement, TrayFile } from '@/api/tray.gen'
import { motion, moved, normalTurn, poseOf, type Pose } from './move'

/** What is seen of a command at once, before the server has done it; the tray itself where nothing is. */
export function effect(t: TrayFile, c: Command, shown?: Pose): TrayFile {
  const ids = new Set(c.ids)
  const each = (how: (e: TrayElement) => TrayElement): TrayFile => ({
    ...t,
    elements: t.elements.map(e => (ids.has(e.id) ? how(e) : e)),
  })
  switch (c.kind) {
    case 'lock':
    case 'unlock':
      return each(e => ({ ...e, locked: c.kind === 'lock' }))
    case 'take-off':
      return each(e => (e.locked ? e : { ...e, placed: false, pieces: [], path: undefined }))
    case 'move': {
      const first = t.elements.find(e => e.id === c.ids[0])
      if (!first?.placed || !c.to) return t
      const from = poseOf(first)
      const to = shown ?? { x: c.to.x, y: c.to.y, turn: c.to.turn_deg }
      const way = motion(from, to)
      return each(e => {
        if (e.locked || !e.placed) return e
        if (e === first) return moved(e, to)
        const [x = 0, y = 0] = way([e.x, e.y])
        return moved(e, { x, y, turn: normalTurn(e.turn_deg + to.turn - from.turn) })
      })
    }
  }
  return t
}

/** Whether a command shows at once; what does not is done by the server or not at all. */
export const showsAtOnce = (c: Command, t: TrayFile) => effect(t, c) !== t

/** A tray after a command, by what the server says has changed of it. */
export function applied(t: TrayFile, a: EditAnswer): TrayFile {
  const changed = new Map(a.changed.map(e => [e.id, e]))
  const gone = new Set(a.gone)
  const elements = t.elements.filter(e => !gone.has(e.id)).map(e => changed.get(e.id) ?? e)
  const had = new Set(t.elements.map(e => e.id))
  return {
    ...t,
    elements: [...elements, ...a.changed.filter(e => !had.has(e.id))],
    ...(a.vessels && { vessels: a.vessels }),
    ...(a.reserve && { reserve: a.reserve }),
  }
}

/** Whether what a command is done to lies on a tray as it lay when the command was given. */
export function stillLies(was: readonly TrayElement[], t: TrayFile | null): boolean {
  const now = new Map(t?.elements.map(e => [e.id, e]))
  return was.every(e => equal(e, now.get(e.id)))
}
