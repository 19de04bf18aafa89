import { defineStore } from 'pinia'
import { ref } from 'vue'
import type { Rules } from '@/api/tray.gen'
import { said, useOnce } from '@/api/asking'
import { api, take, type HouseWay, type Rates, type Seller, type Settings } from '@/api/client'
import { units } from '@/tray/units'

/** Units, currency, hemisphere, the shop and the seller's rates: read once, saved on the server for every window. */
export const useSettings = defineStore('settings', () => {
  const wrong = ref('')
  const shop = ref<string | null>(null) // null until it is read, and then left as it is there
  const furtherShops = ref<string[]>([]) // addresses of others
  const shopOpens = ref('') // 08:00, or empty where nobody says
  const shopCloses = ref('')
  const stopCost = ref(0) // what going to one of them counts
  const rates = ref<Rates | null>(null)
  const seller = ref<Seller | null>(null) // as quotes say it
  const people = ref<number | null>(null) // who prepare
  const ovens = ref<number | null>(null)
  const shelves = ref<number | null>(null) // of the fridge
  const rules = ref<Rules>({}) // the house's way
  const ways = ref<HouseWay[]>([]) // of crowds and hosts that have one of their own
  const once = useOnce('settings', () => take(api.GET('/api/v1/settings')))
  let known = false // they were read

  function adopt({
    shop: at,
    further_shops: others,
    stop_cost: way,
    shop_opens: opens,
    shop_closes: closes,
    rates: r,
    seller: from,
    people: p,
    ovens: o,
    shelves: f,
    rules: w,
    ways: y,
    ...shown
  }: Settings) {
    Object.assign(units, shown)
    shop.value = at ?? null
    furtherShops.value = others ?? []
    stopCost.value = way ?? 0
    shopOpens.value = opens ?? ''
    shopCloses.value = closes ?? ''
    rates.value = r ?? null
    seller.value = from ?? null
    people.value = p ?? null
    ovens.value = o ?? null
    shelves.value = f ?? null
    rules.value = w ?? {}
    ways.value = y ?? []
  }
  /** What is shown; the digits of the coin are the server's word, not ours. */
  const now = (): Settings => ({
    length: units.length,
    mass: units.mass,
    currency: units.currency,
    hemisphere: units.hemisphere,
    zone: units.zone,
    shop: shop.value ?? undefined,
    further_shops: furtherShops.value,
    stop_cost: stopCost.value,
    shop_opens: shopOpens.value,
    shop_closes: shopCloses.value,
    rates: rates.value ?? undefined,
    seller: seller.value ?? undefined,
    people: people.value ?? undefined,
    ovens: ovens.value ?? undefined,
    shelves: shelves.value ?? undefined,
    rules: rules.value,
    ways: ways.value,
  })

  async function read(): Promise<void> {
    if (known) return
    try {
      await once.read()
    } catch {
      return // the usual ones are shown until the server answers
    }
    if (!known) adopt(once.now.value!)
    known = true
  }

  /** Changes some of the settings. Those shown before they could be read are never saved over the real ones. */
  async function change(part: Omit<Partial<Settings>, 'digits'>) {
    await read()
    if (!known) {
      wrong.value = 'The settings cannot be read just now, so nothing is changed. Try again in a moment.'
      return
    }
    const was = { ...now(), digits: units.digits }
    adopt({ ...was, ...part })
    try {
      // the rest is as another window may have set it in the meantime
      adopt(await take(api.PUT('/api/v1/settings', { body: part })))
      wrong.value = ''
    } catch (e) {
      adopt(was)
      wrong.value = said(e, 'That could not be saved. Try again.')
    }
  }
  const same = (a: string, b: string) => a.trim().toLowerCase() === b.trim().toLowerCase()
  /** The way of a crowd or a host, where it has one of its own. */
  const wayOf = (who: string) => ways.value.find(w => same(w.crowd, who))
  /** Keeps, or with null forgets, the way of a crowd. */
  const keepWay = (crowd: string, its: Rules | null) =>
    change({
      ways: [
        ...ways.value.filter(w => !same(w.crowd, crowd)),
        ...(its ? [{ crowd, rules: { ...its } }] : []),
      ],
    })
  return {
    wrong,
    shop,
    furtherShops,
    stopCost,
    shopOpens,
    shopCloses,
    rates,
    seller,
    people,
    ovens,
    shelves,
    rules,
    ways,
    read,
    change,
    wayOf,
    keepWay,
  }
})
