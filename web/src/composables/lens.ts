import { ref, shallowRef, watch } from 'vue'
import { api, take, type LensName, type LensView } from '@/api/client'
import { useJob } from '@/stores/job'
import { newest } from './newest'

/** The lenses in the order of their keys, 1 to 9, and what they are called; those of the eyes that come last follow the third; then what is eaten. */
export const lenses: readonly [LensName, string][] = [
  ['families', 'Colour families'],
  ['grey', 'Grey'],
  ['without-green', 'No green cones'],
  ['wet', 'Wet and crisp'],
  ['height', 'Height'],
  ['reach', 'Reach'],
  ['allergens', 'Allergens, diets'],
  ['flow', 'Flow'],
  ['gaps', 'Gaps, cutting room'],
  ['pairs', 'Pairs'],
  ['kinds', 'Kinds of food'],
  ['without-red', 'No red cones'],
  ['without-blue', 'No blue cones'],
  ['eaten', 'How it is eaten'],
  ['bites', 'Bites'],
  ['tasting', 'Tasting order'],
]

/** The lens that the tray is looked at through, and what it shows; it follows every change. */
export function useLens() {
  const job = useJob()
  const lens = ref<LensName | ''>('')
  const word = ref('')
  const view = shallowRef<LensView | null>(null)

  const see = newest(
    async signal => {
      const tray = job.tray
      if (!lens.value || !tray?.board) return
      const v = await take(
        api.POST('/api/v1/lens', {
          body: { tray, lens: lens.value, ...(word.value ? { word: word.value } : {}) },
          signal,
        }),
      )
      if (v.lens === lens.value) view.value = v
    },
    60,
    true,
  )
  watch(lens, () => {
    word.value = ''
    view.value = null
  })
  watch([lens, word, () => job.tray], see)

  const cones: LensName[] = ['without-green', 'without-red', 'without-blue']
  /** The lens of a key, 1 to 9, or none of 0; the third goes on to the next kind of eye. */
  function key(n: number) {
    const name = n ? lenses[n - 1]?.[0] : ''
    if (name === undefined) return
    const at = cones.indexOf(lens.value as LensName)
    lens.value = name === cones[0] && at >= 0 ? cones[(at + 1) % cones.length]! : name
  }
  return { lens, word, view, key }
}
