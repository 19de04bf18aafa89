import { Trouble, trouble, type Progress } from './client'
import type { TrayFile } from './tray.gen'

export type ArrangeOptions = {
  style?: string
  seed?: number
  ways?: number
  /** What is laid comes off first, as another way is wanted. */
  afresh?: boolean
  /** The elements that are laid, where it is not all that are not locked. */
  only?: ReadonlySet<string> | null
  signal: AbortSignal
}

/** Runs a search on the server and yields its lines as they come; aborting the signal ends it. */
export async function* arrange(tray: TrayFile, o: ArrangeOptions): AsyncGenerator<Progress> {
  const query = new URLSearchParams()
  if (o.style) query.set('style', o.style)
  if (o.seed !== undefined) query.set('seed', String(o.seed))
  if (o.afresh) query.set('afresh', 'true')
  for (const id of o.only ?? []) query.append('only', id)
  if (o.ways) query.set('ways', String(o.ways))
  let response: Response
  try {
    response = await fetch(`/api/v1/arrange?${query}`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify(tray),
      signal: o.signal,
    })
  } catch (e) {
    if (o.signal.aborted) return
    throw e instanceof TypeError
      ? new Trouble(0, 'The server cannot be reached. Try again when it is back.')
      : e
  }
  if (!response.ok || !response.body) throw trouble(await response.json().catch(() => null), response.status)
  const reader = response.body.pipeThrough(new TextDecoderStream()).getReader()
  let rest = ''
  try {
    for (;;) {
      const { value, done } = await reader.read()
      if (done) return
      rest += value
      const lines = rest.split('\n')
      rest = lines.pop() ?? ''
      for (const line of lines) if (line) yield JSON.parse(line) as Progress
    }
  } catch (e) {
    if (!o.signal.aborted) throw e
  } finally {
    reader.releaseLock()
  }
}
