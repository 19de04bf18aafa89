import { onMounted, ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import type { useLaying } from '@/composables/laying'
import { useJob } from '@/stores/job'

/** Laying the whole tray, in a style or in any; begun at once for who comes by "Lay them", where nothing lies yet. */
export function useLayAll(laying: ReturnType<typeof useLaying>, busy: () => boolean, before: () => void) {
  const job = useJob()
  const route = useRoute()
  const router = useRouter()
  const style = ref('any')

  function layAll(wanted = 1) {
    if (!job.elements.length || busy()) return
    before()
    const seed = job.tray!.seed % 1_000_000
    void laying.lay(style.value === 'any' ? '' : style.value, job.placed.length ? seed + 1 : seed, wanted)
  }
  onMounted(() => {
    if (!route.query.now) return
    void router.replace({ name: 'lay' })
    if (!job.placed.length && job.tray?.board) layAll()
  })
  return { style, layAll }
}
