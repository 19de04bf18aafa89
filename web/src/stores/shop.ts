import { defineStore } from 'pinia'
import { ref, shallowRef } from 'vue'
import { api, take, Trouble, type Shop } from '@/api/client'

/** The shop whose prices are read, and how old they are. */
export const useShop = defineStore('shop', () => {
  const shop = shallowRef<Shop | null>(null)
  const busy = ref(false)
  const wrong = ref('')

  async function run(ask: () => Promise<Shop>) {
    busy.value = true
    try {
      shop.value = await ask()
      wrong.value = shop.value.wrong
    } catch (e) {
      wrong.value = e instanceof Trouble ? e.message : 'The shop cannot be asked just now.'
    } finally {
      busy.value = false
    }
  }
  const read = () => run(() => take(api.GET('/api/v1/shop')))
  const ask = () => run(() => take(api.POST('/api/v1/shop/ask')))
  return { shop, busy, wrong, read, ask }
})

/** How long ago something was, as one says it. */
export function ago(at: string, now = new Date()): string {
  const m = Math.max(0, Math.round((now.getTime() - new Date(at).getTime()) / 60000))
  if (m < 2) return 'just now'
  if (m < 60) return `${m} min ago`
  if (m < 36 * 60) return `${Math.round(m / 60)} h ago`
  return `${Math.round(m / 1440)} days ago`
}
