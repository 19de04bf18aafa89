// Laying a board by hand against the clock: a job of its own for as long as it lasts, laid with the same hands as any other, and
// put away when it is marked.
import { computed, ref, shallowRef } from 'vue'
import { useIntervalFn, useSessionStorage } from '@vueuse/core'
import { useRouter } from 'vue-router'
import { useAct } from '@/api/asking'
import { api, take, type Exercise, type ExerciseAsked, type ExerciseMark } from '@/api/client'
import type { TrayFile } from '@/api/tray.gen'
import { written } from '@/composables/practice'
import { usePracticeRound } from '@/composables/practiceRound'
import { useJob } from '@/stores/job'

/** A board that is being laid: the job that it lies in, when it was begun, ms, and for how long the clock runs, s. */
type Begun = { asked: ExerciseAsked; job: string; at: number; clock: number }
const begun = useSessionStorage<Begun | null>('happy-tray-lay-it', null, {
  serializer: { read: v => JSON.parse(v) as Begun | null, write: v => JSON.stringify(v) },
})
/** What came of the last one, with the board as it was laid. */
const came = shallowRef<{ asked: ExerciseAsked; mark: ExerciseMark; mine: TrayFile } | null>(null)

export function useLayIt() {
  const router = useRouter()
  const job = useJob()
  const round = usePracticeRound()
  const { busy, wrong, act } = useAct()
  const now = ref(Date.now())
  useIntervalFn(() => (now.value = Date.now()), 1000)
  const seconds = computed(() =>
    begun.value ? Math.max(0, Math.round((now.value - begun.value.at) / 1000)) : 0,
  )

  const tried = async (what: () => Promise<void>) => void (busy.value || (await act(what)))
  const away = (id: string) =>
    take(api.DELETE('/api/v1/jobs/{id}', { params: { path: { id } } })).catch(() => undefined)

  /** Opens the board where boards are laid, and starts the clock. */
  const begin = (asked: ExerciseAsked, exercise: Exercise) =>
    tried(async () => {
      const title = 'Practice: lay it'
      const file = exercise.tray as TrayFile
      const made = await take(api.POST('/api/v1/jobs', { body: { title, brief: file.brief } }))
      const header = { 'If-Match': `"${made.revision}"` }
      const params = { path: { id: made.id }, header, query: { says: 'a board to practise on' } }
      await take(api.PUT('/api/v1/jobs/{id}', { params, body: { ...file, title } }))
      came.value = null
      await router.push({ name: 'lay', params: { id: made.id } })
      begun.value = { asked, job: made.id, at: Date.now(), clock: exercise.clock_s ?? 300 }
    })

  /** Has the board marked as it lies, and goes back to where one practises. */
  const finish = () =>
    tried(async () => {
      const b = begun.value
      if (!b || !job.doc) return
      await job.flush()
      const mine = JSON.parse(JSON.stringify(job.doc)) as TrayFile
      const answer = { laid: mine, seconds: seconds.value }
      const mark = await take(api.POST('/api/v1/practice/marks', { body: { ...b.asked, answer } }))
      came.value = { asked: b.asked, mark, mine }
      const now = round.set.value[round.at.value]
      if (!now || written([now]) !== written([b.asked])) round.begin([b.asked]) // the page was opened anew meanwhile
      begun.value = null
      await router.push({ name: 'practice' })
      await away(b.job)
    })

  /** Leaves it, unmarked. */
  const drop = () =>
    tried(async () => {
      const b = begun.value
      begun.value = null
      await router.push({ name: 'practice' })
      if (b) await away(b.job)
    })

  const goOn = () => begun.value && router.push({ name: 'lay', params: { id: begun.value.job } })
  return { begun, came, busy, wrong, seconds, begin, finish, drop, goOn }
}
