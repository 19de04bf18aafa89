import { defineStore } from 'pinia'
import { shallowRef } from 'vue'

export type Told = { says: string; act?: { name: string; do: () => void } }

/** One short thing told at the foot of the screen, with the way back where there is one. */
export const useToast = defineStore('toast', () => {
  const now = shallowRef<Told | null>(null)
  let timer = 0
  function tell(t: Told) {
    window.clearTimeout(timer)
    now.value = t
    timer = window.setTimeout(() => (now.value = null), t.act ? 12000 : 6000)
  }
  const hush = () => (now.value = null)
  return { now, tell, hush }
})
