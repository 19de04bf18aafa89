import { defineStore } from 'pinia'
import { computed, shallowRef } from 'vue'
import { useAct } from '@/api/asking'
import { api, take, type Shop } from '@/api/client'

/** The shop whose prices are read, and how old they are. */
export const useShop = defineStore('shop', () => {
  const shop = shallowRef<Shop | null>(null)
  const { busy, wrong: unasked, act } = useAct('The shop cannot be asked just now.')
  const wrong = computed(() => unasked.value || shop.value?.wrong || '')
  const run = async (ask: () => Promise<Shop>) => void (shop.value = (await act(ask)) ?? shop.value)
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
