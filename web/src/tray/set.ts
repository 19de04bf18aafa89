import type { TrayFile } from '@/api/tray.gen'

// A job's trays are one document: its first tray, which keeps the others.

/** The tray at a place of a document, without the job's others; null where there is none. */
export function trayAt(doc: TrayFile | null, at: number): TrayFile | null {
  if (!doc) return null
  if (at > 0) return (doc.further?.[at - 1] as TrayFile | undefined) ?? null
  if (!doc.further?.length) return doc
  return { ...doc, further: undefined }
}

/** The document with another tray at a place. */
export function withTray(doc: TrayFile, at: number, next: TrayFile): TrayFile {
  if (at > 0) return { ...doc, further: doc.further!.map((t, i) => (i === at - 1 ? next : t)) }
  return doc.further?.length ? { ...next, further: doc.further } : next
}

/** How one of several trays is called. */
export function trayName(t: TrayFile): string {
  const p = t.part
  if (!p) return t.board?.name ?? 'The tray'
  if (p.who) return p.copies && p.copies > 1 ? `${p.who}, ${p.copies} alike` : p.who
  return `${p.number} of ${p.of}`
}
