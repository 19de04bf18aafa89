import { computed, ref, shallowRef, watch } from 'vue'
import { useStorage } from '@vueuse/core'
import { useOutbox } from '@/outbox/outbox'
import { useRoutine } from './routine'
import { useAct, useAsk } from '@/api/asking'
import { api, take, type Day, type DayTask } from '@/api/client'
import type { TrayFile } from '@/api/tray.gen'

const every = 800 // ms between looks at what others have ticked

type Timer = { task: string; says: string; until: number }

/**
 * The work at the counter, a step at a time: what is ticked here is ticked on every screen within a second, and
 * what could not be sent waits and is sent when the server is back.
 */
export function useCounter(id: string) {
  const title = ref('')
  const trays = shallowRef<TrayFile[]>([])
  const day = shallowRef<Day | null>(null)
  const done = shallowRef<ReadonlySet<string>>(new Set())
  const away = ref(false)
  const { wrong, act } = useAct('The work cannot be read just now.')
  const outbox = useOutbox()
  /** What was ticked here and the server does not have yet. */
  const waiting = computed(() => outbox.of(id).flatMap(e => (e.kind === 'tick' ? [e] : [])))
  const timers = useStorage<Timer[]>(`timers of ${id}`, [])
  const who = useStorage(`hands of ${id}`, 0) // 0 for everybody
  const people = computed(() => day.value?.people ?? 1)
  const path = { path: { id } }

  const open = () =>
    act(async () => {
      const [j] = await Promise.all([take(api.GET('/api/v1/jobs/{id}', { params: path })), outbox.open()])
      title.value = j.document.title
      trays.value = [j.document, ...(j.document.further ?? [])]
      await Promise.all([plan(false), look()])
    })
  /** Plans the day; again, only what is left of it from now on. */
  async function plan(again: boolean) {
    const query = again ? { left: true } : {}
    const d = await take(api.GET('/api/v1/jobs/{id}/day', { params: { ...path, query } }))
    const kept = again ? (day.value?.tasks.filter(t => done.value.has(t.id)) ?? []) : []
    day.value = { ...d, tasks: [...kept, ...d.tasks] }
  }
  const again = () =>
    act(async () => {
      await outbox.send()
      await plan(true)
    }, 'The rest cannot be planned just now.')

  async function look() {
    const before = outbox.arrived
    const { ticks } = await take(api.GET('/api/v1/jobs/{id}/ticks', { params: path }))
    if (outbox.arrived !== before) return // it was asked before what has arrived since, and is asked again soon
    const now = new Set(ticks.map(t => t.task))
    for (const w of waiting.value)
      if (w.done) now.add(w.task)
      else now.delete(w.task)
    if (now.size !== done.value.size || [...now].some(t => !done.value.has(t))) done.value = now
  }
  function tick(task: DayTask, is: boolean) {
    const next = new Set(done.value)
    if (is) next.add(task.id)
    else next.delete(task.id)
    done.value = next
    outbox.add({ kind: 'tick', job: id, task: task.id, done: is })
    if (is) begin(task)
    void round()
  }

  /** What goes on by itself once a task is done gets its clock; it survives a reload. */
  function begin(after: DayTask) {
    const follow = day.value?.tasks.filter(t => !t.who && t.after.includes(after.id)) ?? []
    const known = new Set(timers.value.map(t => t.task))
    timers.value = [
      ...timers.value,
      ...follow
        .filter(t => !known.has(t.id))
        .map(t => ({ task: t.id, says: t.says, until: Date.now() + t.minutes * 60_000 })),
    ]
  }
  const dropTimer = (task: string) => (timers.value = timers.value.filter(t => t.task !== task))

  let busy = false
  async function round() {
    if (busy) return
    busy = true
    try {
      await outbox.send()
      if (day.value) await look()
      away.value = outbox.away
    } catch {
      away.value = true
    } finally {
      busy = false
    }
  }
  useRoutine(round, every)
  /** How long what perishes has stood out. */
  const { now: holding, again: hold } = useAsk(
    () => {
      const ask = (signal: AbortSignal) =>
        take(api.GET('/api/v1/jobs/{id}/holding', { params: path, signal }))
      return day.value?.tasks.length ? { key: ['holding', id], ask } : null
    },
    { every: 15_000 },
  )
  watch(done, () => day.value?.tasks.length && void hold())

  const steps = computed(
    () => day.value?.tasks.filter(t => t.who && (!who.value || t.who === String(who.value))) ?? [],
  )
  const now = shallowRef(new Date())
  useRoutine(() => (now.value = new Date()), 500)
  return {
    title,
    trays,
    day,
    done,
    away,
    wrong,
    waiting,
    timers,
    holding,
    who,
    people,
    steps,
    now,
    open,
    again,
    tick,
    dropTimer,
  }
}
