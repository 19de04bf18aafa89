import { computed, ref } from 'vue'
import { useAct, useAsk, type Asked } from '@/api/asking'
import { api, take, type Day, type DayTask } from '@/api/client'
import { useJob } from '@/stores/job'
import { useSettings } from '@/stores/settings'
import { whatChanged } from '@/tray/day'

/** The people and ovens of the house, which every screen sees alike. */
export function useKitchen() {
  const settings = useSettings()
  void settings.read()
  const people = computed({
    get: () => settings.people ?? 1,
    set: n => void settings.change({ people: within(n, 1, 20) }),
  })
  const ovens = computed({
    get: () => settings.ovens ?? 1,
    set: n => void settings.change({ ovens: within(n, 0, 10) }),
  })
  const query = computed(() => ({ people: within(people.value, 1, 20), ovens: within(ovens.value, 0, 10) }))
  return { people, ovens, query }
}

/** Work against the clock, planned anew whenever what it is asked with changes; null where there is none. */
function usePlanned(what: () => Asked<Day> | null) {
  const {
    now: day,
    wrong: unplanned,
    again,
  } = useAsk(what, { otherwise: 'The day cannot be planned just now.' })
  const { wrong: refused, act } = useAct('It could not be moved. Try again.')
  return { day, wrong: computed(() => refused.value || unplanned.value), read: again, act }
}

/** The work for the job as it is saved. */
export function useDay() {
  const job = useJob()
  const { people, ovens, query } = useKitchen()
  const { act, ...planned } = usePlanned(() => {
    const params = { path: { id: job.id }, query: query.value }
    const ask = (signal: AbortSignal) => take(api.GET('/api/v1/jobs/{id}/day', { params, signal }))
    return job.id && job.elements.length ? { key: ['day of', params, job.revision], ask } : null
  })
  /** What became of the plan by the last move. */
  const changed = ref('')
  /** Has a task begin so many minutes later, or earlier; null lets it go to where the plan likes it. */
  async function move(task: DayTask, by: number | null) {
    const before = planned.day.value
    const starts = by === null ? undefined : new Date(Date.parse(task.starts) + by * 60_000).toISOString()
    const params = { path: { id: job.id, task: task.id } }
    await act(async () => {
      await take(api.PUT('/api/v1/jobs/{id}/pins/{task}', { params, body: starts ? { starts } : {} }))
      await planned.read()
      const now = planned.day.value
      changed.value = before && now ? whatChanged(before, now, task.id) : ''
    })
  }
  return { people, ovens, changed, move, ...planned }
}

/** The work for all jobs of a day, written 2026-11-30. */
export function useDayOf(date: () => string) {
  const { people, ovens, query } = useKitchen()
  const { day, wrong, read } = usePlanned(() => {
    const params = { path: { date: date() }, query: query.value }
    const ask = (signal: AbortSignal) => take(api.GET('/api/v1/days/{date}', { params, signal }))
    return { key: ['day', params], ask }
  })
  return { people, ovens, day, wrong, read }
}

const within = (n: number, least: number, most: number) =>
  Math.min(most, Math.max(least, Math.round(Number(n)) || least))
