import { computed, ref, shallowRef } from 'vue'
import { useStorage } from '@vueuse/core'
import { useOutbox } from '@/outbox/outbox'
import { useRoutine } from './routine'
import { useAct } from '@/api/asking'
import { api, take, type ScaleReading, type Weights } from '@/api/client'

const every = 250 // ms between looks at the scale
const rest = 900 // ms that what is right has to lie still before it is taken

/** What is to be weighed: a food in a form, for all trays and the reserve together. */
export type Portion = Weights['portions'][number]

/** Weighing out food by food: the scale is looked at, what is right and lies still is recorded, and the next one comes. */
export function useWeighing(id: string) {
  const outbox = useOutbox()
  const title = ref('')
  const portions = shallowRef<Portion[]>([])
  const weighed = shallowRef<ReadonlyMap<string, number>>(new Map())
  const scale = shallowRef<ScaleReading | null>(null)
  const byItself = useStorage('weigh by itself', true)
  const at = ref(0)
  const { wrong, act } = useAct('The job cannot be read just now.')
  const path = { path: { id } }
  const key = (p: Portion) => `${p.food}/${p.form}`
  const now = computed(() => portions.value[at.value] ?? null)

  const open = () =>
    act(async () => {
      const [j] = await Promise.all([take(api.GET('/api/v1/jobs/{id}', { params: path })), outbox.open()])
      title.value = j.document.title
      const { portions: all, weights } = await take(api.GET('/api/v1/jobs/{id}/weights', { params: path }))
      portions.value = all
      // and what was recorded here and is not there yet
      const here = outbox.of(id).flatMap(e => (e.kind === 'weight' ? [e] : []))
      weighed.value = new Map([...weights, ...here].map(w => [`${w.food}/${w.form}`, w.grams]))
      const first = portions.value.findIndex(p => !weighed.value.has(key(p)))
      at.value = first < 0 ? 0 : first
    })

  async function record(grams: number) {
    const p = now.value
    if (!p || !(grams >= 0)) return
    const body = { food: p.food, form: p.form, grams: Math.round(grams * 10) / 10 }
    outbox.add({ kind: 'weight', job: id, ...body })
    weighed.value = new Map(weighed.value).set(key(p), body.grams)
    if (scale.value?.there) await take(api.POST('/api/v1/scale/tare')).catch(() => undefined)
    still = 0
    if (at.value < portions.value.length - 1) at.value++
    wrong.value = ''
  }
  /** What was recorded and is not what was planned. */
  const differ = computed(() =>
    portions.value.filter(p => {
      const g = weighed.value.get(key(p))
      return g !== undefined && Math.abs(g - p.grams) > p.within_g
    }),
  )
  const taken = ref<string[]>([])
  /** Makes what was weighed out the job's amounts. */
  const takeOver = () =>
    act(async () => {
      await outbox.send()
      const { says } = await take(api.POST('/api/v1/jobs/{id}/weights/take', { params: path }))
      const here = now.value && key(now.value)
      await open()
      at.value = Math.max(
        0,
        portions.value.findIndex(p => key(p) === here),
      )
      taken.value = says
    }, 'The amounts could not be changed. Try again.')
  const tare = () => act(() => take(api.POST('/api/v1/scale/tare')), 'The scale did not hear that.')
  /** Lays something on the simulated scale. */
  const load = (grams: number) =>
    take(api.POST('/api/v1/scale/load', { body: { grams } })).catch(() => undefined)

  let still = 0 // since when what is right lies still
  let busy = false
  async function look() {
    if (busy) return
    busy = true
    try {
      const r = await take(api.GET('/api/v1/scale'))
      scale.value = r
      const p = now.value
      const right =
        !!p && r.there && !r.says && r.steady && Math.abs(r.grams - p.grams) <= p.within_g && r.grams > 0
      if (!right) still = 0
      else if (!still) still = Date.now()
      else if (byItself.value && Date.now() - still >= rest && !weighed.value.has(key(p!)))
        await record(r.grams)
    } catch {
      scale.value = scale.value && { ...scale.value, says: 'The server cannot be reached.' }
    } finally {
      busy = false
    }
  }
  useRoutine(look, every)

  return {
    title,
    portions,
    weighed,
    scale,
    byItself,
    at,
    wrong,
    now,
    key,
    open,
    record,
    tare,
    load,
    differ,
    taken,
    takeOver,
  }
}
