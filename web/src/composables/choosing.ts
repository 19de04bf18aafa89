import { computed, ref, shallowRef, watch } from 'vue'
import { api, take, Trouble, type Choice, type Offer, type Substitute } from '@/api/client'
import type { Brief, Want } from '@/api/tray.gen'
import { newest } from '@/composables/newest'
import { useReplan, wants } from '@/composables/replan'
import { useJob } from '@/stores/job'
import { useLarder } from '@/stores/larder'
import { leaningWords } from '@/tray/larder'

/** The foods of the job on the table: which are chosen, what speaks against others, and what hands do with them. */
export function useChoosing() {
  const job = useJob()
  const larder = useLarder()
  const { busy, wrong, replan } = useReplan()

  const choice = shallowRef<Choice | null>(null)
  const cannot = ref('')
  const picked = computed(() => job.elements.length > 0)

  /** Everything on the job's trays and in reserve, each food once; undefined before the pick. */
  function onTrays() {
    if (!picked.value) return undefined
    const forms = new Map<string, string>()
    for (const t of job.trays)
      for (const e of [...t.elements, ...t.reserve]) if (!forms.has(e.food)) forms.set(e.food, e.form)
    return [...forms].map(([food, form]) => ({ food, form }))
  }

  const read = newest(async signal => {
    try {
      choice.value = await take(
        api.POST('/api/v1/choice', { body: { brief: job.doc!.brief, on: onTrays() }, signal }),
      )
      cannot.value = ''
      if (refill && picked.value) {
        front.value = new Set(choice.value.chosen.map(c => c.food))
        refill = false
      }
    } catch (e) {
      if (e instanceof Trouble) cannot.value = e.message
    }
  }, 20)
  watch(() => [job.doc?.brief, job.shape], read, { immediate: true })

  const chosen = computed(
    () => new Map((picked.value ? choice.value?.chosen : [])?.map(c => [c.food, c]) ?? []),
  )
  const shelf = computed(() => new Map(choice.value?.shelves.map(s => [s.food, s]) ?? []))
  // what stands on the tray and is not eaten, such as a dish for stones: shown only where it was chosen
  const props = computed(
    () => new Set([...chosen.value.keys()].filter(id => larder.food(id)?.category === 'prop')),
  )
  const own = computed(() => (job.doc?.brief.foods?.length ?? 0) > 0)

  // what is picked stands in front, as it was when the shelves were last filled:
  // nothing moves away under the hand that takes it
  const front = shallowRef<ReadonlySet<string>>(new Set())
  let refill = true

  /** The list of foods spelled out, so that one can be changed and the others stay. */
  function list(): Want[] {
    return own.value
      ? wants(job.doc!.brief)
      : [...chosen.value.values()].map(c => ({ food: c.food, form: c.form }))
  }
  const pins = computed(
    () => new Set((job.doc?.brief.pins ?? []).map(w => (typeof w === 'string' ? w : w.food))),
  )
  const bans = computed(() => new Set(job.doc?.brief.bans ?? []))
  const name = (id: string) => larder.name(id).toLowerCase()

  async function toggle(id: string, called = '') {
    const b = job.doc!.brief
    const had = chosen.value.has(id)
    const next = had
      ? list().filter(w => w.food !== id)
      : [...list(), { food: id, name: called || undefined }]
    if (!next.length) {
      cannot.value = 'At least one food has to stay. Add another first, or have them chosen again.'
      return
    }
    await replan(
      {
        ...b,
        foods: next,
        pins: b.pins?.filter(w => !had || (typeof w === 'string' ? w : w.food) !== id),
        bans: b.bans?.filter(x => had || x !== id),
      },
      `${had ? 'took off' : 'added'} ${name(id)}`,
    )
  }
  /** All of a list is taken, besides what is picked already. */
  function takeAll(foods: Want[]) {
    const b = job.doc!.brief
    const more = foods.filter(
      (w, i) => !chosen.value.has(w.food) && foods.findIndex(o => o.food === w.food) === i,
    )
    if (!more.length) return Promise.resolve(true)
    return replan(
      {
        ...b,
        foods: [...(picked.value ? list() : []), ...more],
        bans: b.bans?.filter(x => !more.some(w => w.food === x)),
      },
      `added ${more.length} foods of a list`,
    )
  }
  /** Guests with an allergy get a covered plate of their own. */
  const plateApart = () =>
    replan({ ...job.doc!.brief, plate_apart: true }, 'gave guests with an allergy a plate apart')

  /** A pinned food is on the tray whatever else is chosen. */
  function pin(id: string) {
    const b = job.doc!.brief
    const had = pins.value.has(id)
    const all = (b.pins ?? []).map(w => (typeof w === 'string' ? { food: w } : w))
    const next = had
      ? all.filter(w => w.food !== id)
      : [...all, { food: id, form: chosen.value.get(id)?.form }]
    return replan({ ...b, pins: next }, `${had ? 'unpinned' : 'pinned'} ${name(id)}`)
  }
  /** A banned food leaves the tray, and is not chosen again; another comes in its place. */
  function ban(id: string) {
    const b = job.doc!.brief
    refill = !own.value
    return replan(
      {
        ...b,
        bans: [...bans.value, id],
        pins: b.pins?.filter(w => (typeof w === 'string' ? w : w.food) !== id),
        foods: b.foods?.filter(w => (typeof w === 'string' ? w : w.food) !== id),
      },
      `banned ${name(id)}`,
    )
  }
  /** What is asked of one food, changed, with the rest of the list as it is; its pin says no other form then. */
  const ask = (id: string, change: Partial<Want>, says: string) => {
    const b = job.doc!.brief
    return replan(
      {
        ...b,
        foods: list().map(w => (w.food === id ? { ...w, ...change } : w)),
        pins: b.pins?.map(w => (typeof w !== 'string' && w.food === id ? { ...w, ...change } : w)),
      },
      says,
    )
  }
  const setForm = (id: string, form: string) =>
    ask(id, { form, forms: undefined }, `${name(id)}: another form`)
  /** The form that a food, or most of it, lies in. What is said of the choice follows a moment later. */
  const lies = (id: string) => onTrays()?.find(o => o.food === id)?.form ?? chosen.value.get(id)?.form
  const asked = (id: string) => (job.doc ? wants(job.doc.brief).find(w => w.food === id) : undefined)
  /** The form that a part of a food is laid in besides; '' for none. */
  const second = (id: string) => asked(id)?.forms?.find(p => p.form !== lies(id))?.form ?? ''
  /** Two fifths of a food are laid in a second form; all of it in one where that is ''. */
  function setSecond(id: string, form: string) {
    const main = lies(id) ?? form
    const forms = [
      { form: main, share: 0.6 },
      { form, share: 0.4 },
    ]
    return ask(
      id,
      form ? { form: undefined, forms } : { form: main, forms: undefined },
      form ? `${name(id)}: in two forms` : `${name(id)}: all in one form`,
    )
  }
  /** The food that one is strewn, drizzled or spooned over; '' for what suits it. */
  const over = (id: string) => asked(id)?.on?.[0] ?? ''
  const setOver = (id: string, on: string) =>
    ask(id, { on: on ? [on] : undefined }, `${name(id)}: over ${on ? name(on) : 'what suits it'}`)
  async function exchange(id: string, by: Substitute) {
    swap.value = null
    const next = list().map(w => (w.food === id ? { food: by.food, form: by.form } : w))
    front.value = new Set([...front.value, by.food])
    await replan({ ...job.doc!.brief, foods: next }, `${larder.name(by.food)} for ${name(id)}`)
  }
  /** The foods are chosen for the host: the first time as the brief has it, then another choice each time. */
  async function forMe() {
    refill = true
    const b = job.doc!.brief
    const choice = picked.value && !own.value ? (b.choice ?? 0) + 1 : b.choice
    await replan({ ...b, foods: [], choice }, 'had the foods chosen')
  }
  /** Takes the foods of one of three choices; true where that was done. */
  function takeOffer(leaning: Offer['leaning']) {
    refill = true
    return replan({ ...job.doc!.brief, foods: [], leaning }, `took ${leaningWords[leaning].toLowerCase()}`)
  }

  /** Takes a kept choice, as it was reckoned for this job's guests. */
  async function useKept(brief: Brief, says: string) {
    refill = true
    await replan(brief, says)
  }

  const tag = (id: string) => {
    const s = shelf.value.get(id)
    if (bans.value.has(id)) return 'banned'
    if (s?.avoided) return `${s.avoided}: avoided`
    if (s?.traces) return `may contain ${s.traces}`
    if (s?.out_of_stock) return 'sold out'
    return s?.out_of_season ? 'out of season' : ''
  }

  // what could take a picked food's place, asked for one food at a time
  const swap = shallowRef<{ food: string; by: Substitute[] } | null>(null)
  async function offer(id: string) {
    if (swap.value?.food === id) {
      swap.value = null
      return
    }
    try {
      const by = await take(
        api.POST('/api/v1/substitutes', {
          body: {
            brief: job.doc!.brief,
            food: id,
            form: chosen.value.get(id)?.form,
            on: [...chosen.value.keys()],
          },
        }),
      )
      swap.value = { food: id, by }
    } catch (e) {
      if (e instanceof Trouble) cannot.value = e.message
    }
  }

  return {
    busy,
    wrong,
    choice,
    cannot,
    picked,
    chosen,
    props,
    own,
    front,
    pins,
    toggle,
    takeAll,
    plateApart,
    pin,
    ban,
    setForm,
    second,
    setSecond,
    over,
    setOver,
    exchange,
    forMe,
    takeOffer,
    useKept,
    swap,
    offer,
    tag,
  }
}

export type Choosing = ReturnType<typeof useChoosing>
