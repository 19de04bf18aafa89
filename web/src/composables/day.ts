import { ref, shallowRef, watch } from 'vue'
import { useStorage } from '@vueuse/core'
import { api, take, Trouble, type Day } from '@/api/client'
import { newest } from '@/composables/newest'
import { useJob } from '@/stores/job'

/** The work for the job against the clock, as it is saved, for the people and ovens of this kitchen. */
export function useDay() {
  const job = useJob()
  const people = useStorage('people who prepare', 1)
  const ovens = useStorage('ovens', 1)
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
