import { computed, type Ref } from 'vue'
import { useStorage } from '@vueuse/core'

/** A bank card, mm (ISO/IEC 7810, ID-1). */
export const card = { width: 85.6, height: 53.98, corner: 3.18 }

/** How near a tray is looked at to be as large on this screen as on the table; fit is its px for a mm at nearness 1. */
export function useActualSize(fit: Ref<number>) {
  /** px for a mm of this screen, as measured with a card; 0 while it is not. */
  const pxPerMM = useStorage('px for a mm', 0)
  const known = computed(() => pxPerMM.value > 0.5 && pxPerMM.value < 40)
  const zoom = computed(() => (known.value && fit.value > 0 ? pxPerMM.value / fit.value : null))
  return { pxPerMM, known, zoom }
}
