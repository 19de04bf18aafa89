import { useEventListener } from '@vueuse/core'
import { defineStore } from 'pinia'
import { computed, shallowRef, toRaw } from 'vue'
import { Trouble } from '@/api/client'
import { deliver, subject, type Entry, type Waiting } from './entries'
import { forget, keep, readAll, waits } from './kept'
import { held, heldJobs, letGo, type Unsaved } from '@/stores/unsaved'

/** A name that no other entry has, on pages without encryption, too, where a browser makes none by itself. */
export function newKey(): string {
  const b = crypto.getRandomValues(new Uint8Array(16))
  b[6] = (b[6]! & 0x0f) | 0x40
  b[8] = (b[8]! & 0x3f) | 0x80
  const hex = [...b].map(v => v.toString(16).padStart(2, '0')).join('')
  return [hex.slice(0, 8), hex.slice(8, 12), hex.slice(12, 16), hex.slice(16, 20), hex.slice(20)].join('-')
}

const again = 2500 // ms until it is tried again
const longest = 15_000

/** Ticks that an earlier version kept in another place, taken from there. */
function oldTicks(): { job: string; task: string; done: boolean }[] {
  try {
    return Object.keys(localStorage)
      .filter(name => name.startsWith('ticks of '))
      .flatMap(name => {
        const list = JSON.parse(localStorage.getItem(name) ?? '[]') as { task: string; done: boolean }[]
        localStorage.removeItem(name)
        return list.map(t => ({ job: name.slice('ticks of '.length), task: t.task, done: t.done }))
      })
  } catch {
    return []
  }
}

/**
 * Everything that is acknowledged on screen before the server has it. It survives a reload, is sent in order as soon as
 * the server answers, once each, and what the server will not take stays until somebody has looked at it.
 */
export const useOutbox = defineStore('outbox', () => {
  const waiting = shallowRef<Waiting[]>([])
  const refused = shallowRef<Waiting[]>([])
  const away = shallowRef(false) // the server did not take the last one
  const keeps = shallowRef(true) // this browser keeps what waits
  /** Of those that wait, the names of those that a reload would find again, or that this browser cannot keep. */
  const kept = shallowRef<ReadonlySet<string>>(new Set())
  const arrived = shallowRef(0) // entries that the server has taken, or refused, since this window is open
  const listeners = new Set<(e: Waiting, answer: unknown) => void>()
  let underWay: Waiting | null = null
  let timer = 0
  let pause = again

  /** Notes an entry; its name. What waits about the same, and is not under way, it takes the place of. */
  function add(e: Entry): string {
    const now: Waiting = {
      ...toRaw(e),
      key: newKey(),
      at: Math.max(Date.now(), (waiting.value.at(-1)?.at ?? 0) + 1),
    }
    const about = subject(e)
    const old = about ? waiting.value.filter(w => w !== underWay && subject(w) === about) : []
    waiting.value = [...waiting.value.filter(w => !old.includes(w)), now]
    void keep(now).then(fits => {
      keeps.value = fits
      kept.value = new Set([...kept.value, now.key])
      old.forEach(w => void forget(w.key))
    })
    // a slider tells of every step: the last of them is enough
    if (e.kind === 'came' && !away.value) {
      window.clearTimeout(timer)
      timer = window.setTimeout(() => void send(), 250)
    } else void send()
    return now.key
  }

  async function drop(e: Waiting) {
    waiting.value = waiting.value.filter(w => w.key !== e.key)
    refused.value = refused.value.filter(w => w.key !== e.key)
    if (kept.value.has(e.key)) kept.value = new Set([...kept.value].filter(k => k !== e.key))
    await forget(e.key)
  }

  let sending: Promise<void> | null = null
  /** Sends what waits, in order. */
  function send(): Promise<void> {
    window.clearTimeout(timer)
    sending ??= all().finally(() => (sending = null))
    return sending
  }
  async function all() {
    for (let e = waiting.value[0]; e; e = waiting.value[0]) {
      underWay = e
      try {
        if (away.value && !(await waits(e.key))) {
          await drop(e) // another window has sent it meanwhile
          continue
        }
        const answer = await deliver(e)
        // in one turn: between what waits and what the answer says nobody sees it in neither
        arrived.value++
        const forgotten = drop(e)
        away.value = false
        pause = again
        listeners.forEach(told => told(e, answer))
        await forgotten
      } catch (x) {
        if (!(x instanceof Trouble)) throw x
        if (x.passing || x.status === 401 || x.status === 429) {
          away.value = true
          timer = window.setTimeout(() => void send(), pause)
          pause = Math.min(longest, pause * 1.5)
          return
        }
        // tried again it would be refused again: it stays to be looked at
        arrived.value++
        const no = { ...e, refused: x.message }
        waiting.value = waiting.value.filter(w => w.key !== e.key)
        refused.value = [...refused.value, no]
        void keep(no)
        listeners.forEach(told => told(no, x))
      } finally {
        underWay = null
      }
    }
  }

  /** Sends again what was refused. */
  function retry(e: Waiting) {
    refused.value = refused.value.filter(w => w.key !== e.key)
    waiting.value = [...waiting.value, { ...e, refused: undefined }]
    void send()
  }

  let opened: Promise<void> | null = null
  /** Takes up what an earlier visit left, once: entries, and changes of jobs, but of the one that is opened just now. */
  function open(): Promise<void> {
    opened ??= takeUp()
    return opened
  }
  async function takeUp() {
    const here = new Set(waiting.value.map(w => w.key))
    const old = (await readAll()).filter(w => !here.has(w.key))
    refused.value = old.filter(w => w.refused)
    waiting.value = [...old.filter(w => !w.refused), ...waiting.value]
    kept.value = new Set([...kept.value, ...old.map(w => w.key)])
    useEventListener('online', () => void send())
    for (const { job, task, done } of oldTicks()) add({ kind: 'tick', job, task, done })
    for (const job of await heldJobs()) {
      if (location.pathname.includes(`/jobs/${job}`)) continue
      const work = await held(job)
      if (work) add({ kind: 'document', job, ...work })
      await letGo(job)
    }
    void send()
  }

  /** The changes of a job that wait here, or were refused, handed over to whoever opens it; null for none. */
  async function handOver(job: string): Promise<Unsaved | null> {
    await open()
    const e = [...waiting.value, ...refused.value].find(w => w.kind === 'document' && w.job === job)
    if (!e || e.kind !== 'document' || e === underWay) return null
    await drop(e)
    const { revision, document, says, edits } = e
    return { revision, document, says, ...(edits && { edits }) }
  }

  /** What of a job waits, in order. */
  const of = (job: string) => waiting.value.filter(w => w.job === job)
  /** Is told what was sent, with the answer, or why it was refused; until the returned function is called. */
  function onSent(told: (e: Waiting, answer: unknown) => void) {
    listeners.add(told)
    return () => listeners.delete(told)
  }
  const count = computed(() => waiting.value.length)
  /** How many wait and are kept: that they wait is said when it is true after a reload, too. */
  const lasting = computed(() => waiting.value.filter(w => kept.value.has(w.key)).length)
  return {
    waiting,
    refused,
    away,
    keeps,
    count,
    lasting,
    arrived,
    add,
    drop,
    handOver,
    retry,
    send,
    open,
    of,
    onSent,
  }
})
