import { computed, ref, shallowRef, watch } from 'vue'
import { api, take, Trouble, type Day } from '@/api/client'
import { newest } from '@/composables/newest'
import { useJob } from '@/stores/job'
import { useSettings } from '@/stores/settings'

/** The work for the job against the clock, as it is saved, for the people and ovens of the house. */
export function useDay() {
  const job = useJob()
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
  const day = shallowRef<Day | null>(null)
  const wrong = ref('')
  const read = newest(
    async signal => {
      const id = job.id
      if (!id || !job.elements.length) return
      try {
        const query = { people: within(people.value, 1, 20), ovens: within(ovens.value, 0, 10) }
        const d = await take<Day>(
          api.GET('/api/v1/jobs/{id}/day', { params: { path: { id }, query }, signal }),
        )
        if (job.id !== id) return
        day.value = d
        wrong.value = ''
      } catch (e) {
        if (!signal.aborted)
          wrong.value = e instanceof Trouble ? e.message : 'The day cannot be planned just now.'
      }
    },
    60,
    true,
  )
  watch([people, ovens, () => job.revision, () => job.id], read, { immediate: true })
  return { people, ovens, day, wrong }
}

const within = (n: number, least: number, most: number) =>
  Math.min(most, Math.max(least, Math.round(Number(n)) || least))
