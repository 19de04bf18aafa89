import { defineStore } from 'pinia'
import { ref } from 'vue'
import { api, take, Trouble, type Rates, type Settings } from '@/api/client'
import { units } from '@/tray/units'

/** Units, currency, hemisphere, the shop and the seller's rates: read once, kept on the server for every window. */
export const useSettings = defineStore('settings', () => {
  const wrong = ref('')
  const shop = ref<string | null>(null) // null until it is read, and then left as it is there
  const rates = ref<Rates | null>(null)
  let reading: Promise<void> | null = null

  function adopt({ shop: at, rates: r, ...shown }: Settings) {
    Object.assign(units, shown)
    shop.value = at ?? null
    rates.value = r ?? null
  }
  const now = (): Settings => ({ ...units, shop: shop.value ?? undefined, rates: rates.value ?? undefined })

  function read(): Promise<void> {
    reading ??= take<Settings>(api.GET('/api/v1/settings')).then(adopt, () => {
      reading = null // the usual ones until the server answers
    })
    return reading
  }

  async function change(part: Partial<Settings>) {
    const was = now()
    adopt({ ...was, ...part })
    try {
      await take(api.PUT('/api/v1/settings', { body: now() }))
      wrong.value = ''
    } catch (e) {
      adopt(was)
      wrong.value = e instanceof Trouble ? e.message : 'That could not be kept. Try again.'
    }
  }
  return { wrong, shop, rates, read, change }
})
