// Hours as the house's clocks show them, reckoned with.
import dayjs from 'dayjs'
import type { Brief } from '@/api/tray.gen'

const form = 'YYYY-MM-DDTHH:mm'
const wall = (at: string) => dayjs(at.replace(' ', 'T').replace(/(T\d\d:\d\d).*$/, '$1'))

/** A moment some minutes after another. */
export const atWall = (from: string, minutes: number) => wall(from).add(minutes, 'minute').format(form)

/** The minutes from one moment to another. */
export const sinceWall = (from: string, to: string) => wall(to).diff(wall(from), 'minute')

/** What is said of the hours before serving goes along when the serving time is another; without one it means nothing. */
export function servedAt(brief: Brief, serve_at: string | undefined): Partial<Brief> {
  if (!serve_at || !brief.serve_at)
    return { serve_at, ready_by: undefined, sessions: undefined, oven_taken: undefined, sittings: undefined }
  const by = sinceWall(brief.serve_at, serve_at)
  const along = (list: Brief['sessions']) =>
    list?.map(s => ({ from: atWall(s.from, by), to: atWall(s.to, by) }))
  return {
    serve_at,
    ready_by: brief.ready_by && atWall(brief.ready_by, by),
    sessions: along(brief.sessions),
    oven_taken: along(brief.oven_taken),
    sittings: brief.sittings?.map(s => ({ ...s, serve_at: atWall(s.serve_at, by) })),
  }
}
