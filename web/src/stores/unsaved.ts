import { createStore, del, get, keys, set } from 'idb-keyval'
import type { TrayFile } from '@/api/tray.gen'
import type { Pending } from './edits'

/** What a browser holds of a job that is not saved yet: its document, and the commands that led to it where that is all. */
export type Unsaved = { revision: number; document: TrayFile; says: string; edits?: Pending[] }

let db: ReturnType<typeof createStore> | undefined
const store = () => (db ??= createStore('happytray', 'unsaved'))

/** Holds unsaved work; false when the browser has no room for it. */
export async function hold(id: string, work: Unsaved): Promise<boolean> {
  try {
    // what is reactive or frozen cannot be cloned into the database, and a text always can
    await set(id, JSON.stringify(work), store())
    return true
  } catch {
    return false
  }
}

/** What is held of a job, or null. */
export async function held(id: string): Promise<Unsaved | null> {
  try {
    const raw = (await get<string>(id, store())) ?? left(id)
    return raw ? (JSON.parse(raw) as Unsaved) : null
  } catch {
    return null
  }
}

/** The jobs of which something is held. */
export async function heldJobs(): Promise<string[]> {
  try {
    return (await keys<string>(store())).map(String)
  } catch {
    return []
  }
}

export async function letGo(id: string): Promise<void> {
  left(id)
  try {
    await del(id, store())
  } catch {
    // a browser that holds nothing has nothing to let go of
  }
}

/** Work that an earlier version held in another place, taken from there. */
function left(id: string): string | null {
  try {
    const key = `happytray.unsaved.${id}`
    const raw = localStorage.getItem(key)
    if (raw) localStorage.removeItem(key)
    return raw
  } catch {
    return null
  }
}
