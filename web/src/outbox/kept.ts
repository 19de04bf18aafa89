// Where entries wait: in this browser's database, in the order in which they were made, whatever happens to the page.
import { createStore, del, get, set, values } from 'idb-keyval'
import type { Waiting } from './entries'

let db: ReturnType<typeof createStore> | undefined
const store = () => (db ??= createStore('happytray-outbox', 'entries'))

/** All that waits, in order; nothing where this browser keeps nothing. */
export async function readAll(): Promise<Waiting[]> {
  try {
    return (await values<Waiting>(store())).sort((a, b) => a.at - b.at)
  } catch {
    return []
  }
}

/** Keeps an entry; false where this browser has no room for it. */
export async function keep(e: Waiting): Promise<boolean> {
  try {
    await set(e.key, e, store())
    return true
  } catch {
    return false
  }
}

/** Whether an entry still waits: another window may have sent it. */
export async function waits(key: string): Promise<boolean> {
  try {
    return (await get(key, store())) !== undefined
  } catch {
    return true
  }
}

/** Forgets an entry. */
export async function forget(key: string): Promise<void> {
  try {
    await del(key, store())
  } catch {
    // a browser that keeps nothing has nothing to forget
  }
}
