import { computed, ref, shallowRef, watch } from 'vue'
import { api, take, type Review } from '@/api/client'
import { useJob } from '@/stores/job'
import type { useLaying } from './laying'
import { newest } from './newest'
import type { useScene } from './scene'

/** Several layouts to choose from: which is looked at, drawn and judged; one is built, or none. */
export function useWays(laying: ReturnType<typeof useLaying>, drawing: ReturnType<typeof useScene>) {
  const job = useJob()
  const looked = ref(0)
  const review = shallowRef<Review | null>(null) // of the way that is looked at
  const choosing = computed(() => laying.ways.value.length > 0)
  const way = () => laying.ways.value[looked.value]

  const judge = newest(async signal => {
    const w = way()
    if (w) review.value = await take(api.POST('/api/v1/review', { body: w.tray, signal }))
  }, 10)
  function lookAt(i: number) {
    looked.value = i
    review.value = null
    drawing.draw(way()?.tray ?? job.tray)
    judge()
  }
  function build() {
    const w = way()
    if (w) laying.choose(w)
  }
  function leave() {
    laying.letGo()
    drawing.draw(job.tray)
  }
  watch(choosing, some => {
    if (some) lookAt(0)
  })
  // another tray, or this one changed meanwhile by an undo: the ways are of what was
  watch([() => job.at, () => job.shape], () => choosing.value && leave())

  return { choosing, looked, review, lookAt, build, leave }
}
