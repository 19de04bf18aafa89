import { computed, nextTick, type Ref } from 'vue'
import { useStorage } from '@vueuse/core'

/** A bank card, mm (ISO/IEC 7810, ID-1). */
export const card = { width: 85.6, height: 53.98, corner: 3.18 }

/**
 * How near a tray is looked at to be as large on this screen as on the table; fit is its px for a mm at nearness 1, near
 * how near it is looked at now.
 */
export function useActualSize(fit: Readonly<Ref<number>>, near: Ref<number>) {
  /** px for a mm of this screen, as measured with a card; 0 while it is not. */
  const pxPerMM = useStorage('px for a mm', 0)
  const known = computed(() => pxPerMM.value > 0.5 && pxPerMM.value < 40)
  const zoom = computed(() => {
    if (!known.value || fit.value <= 0) return null
    return Math.min(12, Math.max(0.1, Math.round((pxPerMM.value / fit.value) * 1000) / 1000))
  })
  /** Looks at the tray in its actual size; false where the screen has to be measured first, or again. */
  function set(again = false): boolean {
    if (again || !zoom.value) return false
    near.value = zoom.value
    return true
  }
  async function measured(px: number) {
    pxPerMM.value = px
    await nextTick()
    set()
  }
  return { pxPerMM, known, zoom, set, measured }
}
