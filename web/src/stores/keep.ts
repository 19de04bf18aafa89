import type { TrayFile } from '@/api/tray.gen'

/** What a browser keeps of a job that is not saved yet. */
export type Unsaved = { revision: number; document: TrayFile; says: string }

const key = (id: string) => `happytray.unsaved.${id}`

/** Keeps unsaved work; false when the browser has no room for it. */
export function keepUnsaved(id: string, work: Unsaved): boolean {
  try {
    localStorage.setItem(key(id), JSON.stringify(work))
    return true
  } catch {
    return false
  }
}

export function unsaved(id: string): Unsaved | null {
  try {
    const raw = localStorage.getItem(key(id))
    return raw ? (JSON.parse(raw) as Unsaved) : null
  } catch {
    return null
  }
}

export function dropUnsaved(id: string) {
  try {
    localStorage.removeItem(key(id))
  } catch {
    // a browser that keeps nothing has nothing to drop
  }
}
