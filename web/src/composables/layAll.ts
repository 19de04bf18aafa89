import { onBeforeUnmount, onMounted, ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import type { useLaying } from '@/composables/laying'
import type { TrayFile } from '@/api/tray.gen'
import { useJob } from '@/stores/job'

/**
 * Laying the whole tray, in a style or in any. For who comes by "Lay them" every board on which nothing lies yet is laid at
 * once, one after the other, until somebody stops it or leaves.
 */
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
    void layEach()
  })
  let left = false
  onBeforeUnmount(() => (left = true))
  async function layEach() {
    const bare = (t: TrayFile) => !!t.board && !!t.elements.length && !t.elements.some(e => e.placed)
    for (let at = 0; at < job.trays.length && !left; at++) {
      const t = job.trays[at]!
      if (!bare(t)) continue
      if (at === job.at) before()
      if (!(await laying.lay('', t.seed % 1_000_000, 1, null, at))) return
    }
  }
  return { style, layAll }
}
