import { computed, ref, shallowRef, watch } from 'vue'
import { api, take, Trouble, type Day, type DayTask } from '@/api/client'
import { newest } from '@/composables/newest'
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

/** Work against the clock, planned anew whenever what it is asked with changes; ask answers null where there is none. */
function usePlanned(ask: (signal: AbortSignal) => Promise<Day> | null, on: () => unknown[]) {
  const day = shallowRef<Day | null>(null)
  const wrong = ref('')
  const read = newest(
    async signal => {
      const asked = ask(signal)
      if (!asked) return
      try {
        day.value = await asked
        wrong.value = ''
      } catch (e) {
        if (!signal.aborted)
          wrong.value = e instanceof Trouble ? e.message : 'The day cannot be planned just now.'
      }
    },
    60,
    true,
  )
  watch(on, read, { immediate: true })
  return { day, wrong, read }
}

/** The work for the job as it is saved. */
export function useDay() {
  const job = useJob()
  const { people, ovens, query } = useKitchen()
  const planned = usePlanned(
    signal =>
      job.id && job.elements.length
        ? take(
            api.GET('/api/v1/jobs/{id}/day', {
              params: { path: { id: job.id }, query: query.value },
              signal,
            }),
          )
        : null,
    () => [query.value.people, query.value.ovens, job.revision, job.id],
  )
  /** What became of the plan by the last move. */
  const changed = ref('')
  /** Has a task begin so many minutes later, or earlier; null lets it go to where the plan likes it. */
  async function move(task: DayTask, by: number | null) {
    const before = planned.day.value
    const starts = by === null ? undefined : new Date(Date.parse(task.starts) + by * 60_000).toISOString()
    try {
      const params = { path: { id: job.id, task: task.id } }
      await take(api.PUT('/api/v1/jobs/{id}/pins/{task}', { params, body: starts ? { starts } : {} }))
    } catch (e) {
      planned.wrong.value = e instanceof Trouble ? e.message : 'It could not be moved. Try again.'
      return
    }
    const stop = watch(planned.day, now => {
      stop()
      changed.value = before && now ? whatChanged(before, now, task.id) : ''
    })
    planned.read()
  }
  return { people, ovens, changed, move, ...planned }
}

/** The work for all jobs of a day, written 2026-11-30. */
export function useDayOf(date: () => string) {
  const { people, ovens, query } = useKitchen()
  const planned = usePlanned(
    signal =>
      take(
        api.GET('/api/v1/days/{date}', { params: { path: { date: date() }, query: query.value }, signal }),
      ),
    () => [query.value.people, query.value.ovens, date()],
  )
  return { people, ovens, ...planned }
}

const within = (n: number, least: number, most: number) =>
  Math.min(most, Math.max(least, Math.round(Number(n)) || least))
