import { onScopeDispose, watch } from 'vue'
import { useDocumentVisibility, useIntervalFn } from '@vueuse/core'

/**
 * Does something again and again while somebody can see the page: in a hidden tab and in a pocket it rests, and it is
 * done at once when the page is seen again.
 */
export function useRoutine(what: () => void, everyMs: number) {
  const seen = useDocumentVisibility()
  const { pause, resume } = useIntervalFn(what, everyMs, { immediate: seen.value !== 'hidden' })
  watch(seen, now => {
    if (now === 'hidden') return pause()
    what()
    resume()
  })
  onScopeDispose(pause)
  return { pause, resume }
}
