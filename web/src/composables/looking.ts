import { computed, ref, type Ref } from 'vue'
import { refThrottled } from '@vueuse/core'
import type { Review } from '@/api/client'
import type { Mark } from '@/components/lay/TrayMarks.vue'
import type { useMending } from '@/composables/mending'
import { useJob } from '@/stores/job'

/** The second look on Lay: what of it is told and marked, which finding is shown, and mending one. */
export function useLooking(
  review: Readonly<Ref<Review | null>>,
  on: {
    selected: Ref<string | null>
    /** No marks: something else is to be seen. */
    covered: () => boolean
    busy: () => boolean
    mending: ReturnType<typeof useMending>
  },
) {
  const job = useJob()
  const shown = ref<number | null>(null) // which finding, from 1
  /** What is told in words and marks: figures follow the hand, but nobody reads words that change sixty times a second. */
  const looked = refThrottled(review, 200, true, true)
  /** How many things the second look says of each element; not while one is carried, as all would be named anew each frame. */
  const told = computed(() => {
    const n = new Map<string, number>()
    for (const f of job.review?.findings ?? [])
      for (const id of new Set(f.elements)) n.set(id, (n.get(id) ?? 0) + 1)
    return n
  })
  const mostMarks = 6
  const marks = computed<Mark[]>(() => {
    // a mark belongs to a finding that is told, and nothing is told of an empty board
    if (on.covered() || !job.placed.length) return []
    return (looked.value?.findings ?? []).flatMap((f, i) => {
      const now = shown.value === i + 1
      if (i >= mostMarks && !now) return []
      const places = now && f.places ? f.places : [f] // all its places, when it is shown
      return places.map(p => ({ n: i + 1, x: p.at[0] ?? 0, y: p.at[1] ?? 0, shown: now }))
    })
  })
  function show(n: number) {
    shown.value = shown.value === n ? null : n
    const id = looked.value?.findings[n - 1]?.elements[0]
    if (shown.value && id && job.elements.find(e => e.id === id)?.placed) on.selected.value = id
  }
  function mend(n: number) {
    const f = looked.value?.findings[n - 1]
    if (f && !on.busy()) void on.mending.mend(n, f)
  }

  /** Shows the next finding that has a mark. */
  function next() {
    const n = looked.value?.findings.length ?? 0
    if (n) show(((shown.value ?? 0) % Math.min(mostMarks, n)) + 1)
  }

  return { shown, looked, told, marks, show, mend, next }
}
