import { onBeforeUnmount, ref, watch } from 'vue'
import type { TrayFile } from '@/api/tray.gen'
import { drawing } from './picture'

/** A tray as drawn, to be put into an SVG of its own: its address and its box in mm, empty until it is there. */
export function useDrawn(tray: () => TrayFile) {
  const src = ref('')
  const box = ref<number[]>([])
  watch(
    tray,
    async t => {
      if (!t.board) return
      try {
        const svg = await drawing(t, 'above', false)
        if (t !== tray()) return
        box.value = /viewBox="([^"]+)"/.exec(svg)?.[1]?.split(' ').map(Number) ?? []
        URL.revokeObjectURL(src.value)
        src.value = URL.createObjectURL(new Blob([svg], { type: 'image/svg+xml' }))
      } catch {
        // what is said beside it is enough
      }
    },
    { immediate: true },
  )
  onBeforeUnmount(() => URL.revokeObjectURL(src.value))
  return { src, box }
}
