import type { TrayElement } from '@/api/tray.gen'

const paths = new WeakMap<TrayElement, string>()
/** The outlines of an element as a path; made once for each. */
export function outlines(e: TrayElement): string {
  let d = paths.get(e)
  if (d === undefined) {
    d = e.pieces.map(p => 'M' + p.outline.map(q => q.join(' ')).join('L') + 'Z').join('')
    paths.set(e, d)
  }
  return d
}
