<script setup lang="ts">
import { computed, onMounted } from 'vue'
import House from '@/components/house/House.vue'
import TakeAlong from '@/components/house/TakeAlong.vue'
import ShopLine from '@/components/house/ShopLine.vue'
import RuleLines from '@/components/brief/RuleLines.vue'
import type { Rates, Seller } from '@/api/client'
import { useSettings } from '@/stores/settings'
import { useShop } from '@/stores/shop'
import { area, across, coinDigits, grams, money, units } from '@/tray/units'
import WrittenField from '@/components/common/WrittenField.vue'
import NumberField from '@/components/common/NumberField.vue'
import Choose from '@/components/common/Choose.vue'

const settings = useSettings()
const shop = useShop()
onMounted(settings.read)
async function setFurther(i: number, address: string) {
  const next = [...settings.furtherShops]
  next[i] = address.trim()
  await settings.change({ further_shops: next.filter(Boolean) })
  await askShops()
}
async function setShop(address: string) {
  await settings.change({ shop: address.trim() })
  await askShops()
}
const askShops = () =>
  (settings.shop || settings.furtherShops.length) && !settings.wrong ? shop.ask() : shop.read()

// money is typed in the larger coin
const coin = computed(() => 10 ** coinDigits())
const reckoned: { key: keyof Rates; says: string; money?: boolean; unit: string; most: number }[] = [
  { key: 'hourly', says: 'An hour of work', money: true, unit: '', most: 1e6 },
  { key: 'setup_min', says: 'Shopping and cleaning', unit: 'minutes for each job', most: 1440 },
  { key: 'packaging', says: 'Packaging', money: true, unit: 'for each tray', most: 1e6 },
  { key: 'delivery', says: 'Delivery', money: true, unit: 'for a job on the road', most: 1e7 },
  { key: 'overhead_pct', says: 'Overhead', unit: '% on top of all that', most: 300 },
  { key: 'margin_pct', says: 'Margin', unit: '% of the price', most: 90 },
]
function setRate(r: (typeof reckoned)[number], n: number | undefined) {
  if (n === undefined || !settings.rates) return
  const v = r.money ? Math.round(n * coin.value) : n
  return settings.change({ rates: { ...settings.rates, [r.key]: Math.min(r.most, Math.max(0, v)) } })
}
/** Hours are kept both or none: one without the other says nothing. */
const setHours = (opens: string, closes: string) =>
  settings.change(
    opens && closes ? { shop_opens: opens, shop_closes: closes } : { shop_opens: '', shop_closes: '' },
  )
const setSeller = (part: Partial<Seller>) =>
  settings.seller ? settings.change({ seller: { ...settings.seller, ...part } }) : undefined
// every zone this browser knows; serving times are meant in the one that is set
const zones = Intl.supportedValuesOf('timeZone')
const currencies = [
  'EUR',
  'GBP',
  'USD',
  'CHF',
  'DKK',
  'NOK',
  'SEK',
  'PLN',
  'CZK',
  'CAD',
  'AUD',
  'NZD',
  'JPY',
  'ZAR',
]
const choices = [
  {
    key: 'length',
    says: 'Lengths',
    of: [
      ['cm', 'centimetres'],
      ['in', 'inches'],
    ],
  },
  {
    key: 'mass',
    says: 'Amounts',
    of: [
      ['g', 'grams'],
      ['oz', 'ounces and pounds'],
    ],
  },
  {
    key: 'hemisphere',
    says: 'Seasons',
    of: [
      ['north', 'north of the equator'],
      ['south', 'south of it'],
    ],
  },
] as const
</script>

<template>
  <House title="Settings">
    <p v-if="settings.wrong" class="card" role="alert">▲ {{ settings.wrong }}</p>
    <section class="card rows" aria-label="How things are shown">
      <fieldset v-for="c in choices" :key="c.key">
        <legend>{{ c.says }}</legend>
        <label v-for="[value, says] in c.of" :key="value" :class="{ on: units[c.key] === value }">
          <input
            type="radio"
            :name="c.key"
            :value="value"
            :checked="units[c.key] === value"
            @change="settings.change({ [c.key]: value })"
          />
          {{ says }}
        </label>
      </fieldset>
      <div class="row">
        <span>Money</span>
        <Choose
          :model-value="units.currency"
          label="Money"
          :width="220"
          :options="[['', 'bare figures'], ...currencies]"
          @update:model-value="v => settings.change({ currency: v })"
        />
      </div>
      <div class="row">
        <span>Clock</span>
        <Choose
          :model-value="units.zone"
          filterable
          label="Time zone of the house"
          :width="220"
          :options="[['', 'as on the server'], ...zones.map(z => [z, z.replaceAll('_', ' ')] as const)]"
          @update:model-value="v => settings.change({ zone: v })"
        />
        <span class="soft small">Serving times are meant in this zone.</span>
      </div>
      <div class="row">
        <span>Fridge</span>
        <NumberField
          :model-value="settings.shelves ?? 0"
          :min="0"
          :max="60"
          label="Shelves of the fridge"
          :width="110"
          @update:model-value="(n: number | undefined) => settings.change({ shelves: n ?? 0 })"
        />
        <span class="soft small">shelves; where they are counted, Prep says when the food does not fit.</span>
      </div>
    </section>
    <section class="card note" aria-label="The house's way">
      <h2>The house's way</h2>
      <RuleLines
        :brief="{ guests: {}, rules: settings.rules }"
        @set="c => settings.change({ rules: c.rules ?? {} })"
      />
      <p class="soft small">
        New jobs begin with it; each can differ, and those that are there stay as they are.
      </p>
      <template v-if="settings.ways.length">
        <h3>Who has a way of their own</h3>
        <ul class="ways">
          <li v-for="w in settings.ways" :key="w.crowd">
            <b>{{ w.crowd }}</b>
            <button class="btn quiet" @click="settings.keepWay(w.crowd, null)">
              Forget it<span class="only-read">: {{ w.crowd }}</span>
            </button>
          </li>
        </ul>
      </template>
    </section>
    <section class="card" aria-label="The shop">
      <h2>Prices of shops</h2>
      <label class="address">
        <span>Feed of the usual shop</span>
        <WrittenField
          type="url"
          :value="settings.shop ?? ''"
          maxlength="300"
          placeholder="none; the larder's own prices count"
          @written="setShop"
        />
      </label>
      <template v-for="(address, i) in [...settings.furtherShops, '']" :key="i">
        <label v-if="i < 3" class="address">
          <span>{{ address ? 'And of' : 'And of another' }}</span>
          <WrittenField
            type="url"
            :aria-label="`Address of a further shop’s feed, ${i + 1}`"
            :value="address"
            maxlength="300"
            placeholder="gone to where it saves enough"
            @written="t => setFurther(i, t)"
          />
        </label>
      </template>
      <div v-if="settings.furtherShops.length" class="rate">
        <span>A further shop counts</span>
        <NumberField
          :model-value="settings.stopCost / coin"
          :min="0"
          :max="1e6 / coin"
          :digits="coinDigits()"
          label="What going to a further shop counts"
          :width="110"
          @update:model-value="n => settings.change({ stop_cost: Math.round((n ?? 0) * coin) })"
        />
        <span class="soft small">that much has to be saved before the list sends anybody there</span>
      </div>
      <p class="rate hours">
        <span>It is open from</span>
        <input
          class="field"
          type="time"
          aria-label="When the shop opens"
          :value="settings.shopOpens"
          @change="setHours(($event.target as HTMLInputElement).value, settings.shopCloses || '20:00')"
        />
        <span>to</span>
        <input
          class="field"
          type="time"
          aria-label="When the shop closes"
          :value="settings.shopCloses"
          @change="setHours(settings.shopOpens || '08:00', ($event.target as HTMLInputElement).value)"
        />
        <span class="soft small">so that Prep says by when it is bought</span>
      </p>
      <ShopLine />
      <p v-if="shop.shop?.asked_at" class="soft small">
        {{ shop.shop.name }} has a price for {{ shop.shop.foods }} foods of the larder;
        {{ shop.shop.sold_out }} are sold out today.<template v-if="shop.shop.left_out.length">
          {{ shop.shop.left_out.length }} entries made no sense and were left out.</template
        >
      </p>
    </section>
    <section v-if="settings.rates" class="card rates" aria-label="Rates for quotes">
      <h2>Rates for quotes</h2>
      <div v-for="r in reckoned" :key="r.key" class="rate">
        <span>{{ r.says }}</span>
        <NumberField
          :model-value="settings.rates[r.key] / (r.money ? coin : 1)"
          :min="0"
          :max="r.most / (r.money ? coin : 1)"
          :digits="r.money ? coinDigits() : undefined"
          :label="r.says"
          :width="110"
          @update:model-value="n => setRate(r, n)"
        />
        <span class="soft">{{ r.unit }}</span>
      </div>
    </section>
    <section v-if="settings.seller" class="card rows" aria-label="What a quote says">
      <h2>Who asks, and on what terms</h2>
      <div class="rate wide">
        <span>Name on a quote</span>
        <WrittenField
          class="text"
          aria-label="Name on a quote"
          maxlength="120"
          :value="settings.seller.name"
          @written="name => setSeller({ name })"
        />
      </div>
      <div class="rate wide">
        <span>Address</span>
        <WrittenField
          class="text"
          tag="textarea"
          rows="3"
          aria-label="Address on a quote"
          maxlength="300"
          :value="settings.seller.address"
          @written="address => setSeller({ address })"
        />
      </div>
      <div class="rate">
        <span>Tax</span>
        <NumberField
          :model-value="settings.seller.tax_pct"
          :min="0"
          :max="100"
          label="Tax"
          :width="110"
          @update:model-value="n => setSeller({ tax_pct: n ?? 0 })"
        />
        <span class="soft">% on top of the price</span>
      </div>
      <div class="rate">
        <span>A quote holds for</span>
        <NumberField
          :model-value="settings.seller.valid_days || undefined"
          :min="0"
          :max="365"
          :digits="0"
          none="unsaid"
          label="Days for which a quote holds"
          :width="110"
          @update:model-value="n => setSeller({ valid_days: n })"
          @cleared="setSeller({ valid_days: 0 })"
        />
        <span class="soft">days</span>
      </div>
      <div class="rate wide">
        <span>Terms</span>
        <WrittenField
          class="text"
          tag="textarea"
          rows="3"
          aria-label="Terms of a quote"
          maxlength="1000"
          :value="settings.seller.terms"
          placeholder="when it is paid, what is lent and comes back"
          @written="terms => setSeller({ terms })"
        />
      </div>
    </section>
    <section class="card">
      <h2>So a tray reads</h2>
      <p class="nums">
        {{ across(620, 400) }} of walnut, {{ area(1840) }} to lay food on, {{ grams(2940) }} of it,
        {{ grams(46) }} to each guest, {{ money(6140) }} at the till.
      </p>
      <p class="soft small">
        Everything is saved in millimetres and grams, so nothing is lost by changing this to and fro. Prices
        are not converted; only the sign before them changes.
      </p>
    </section>
    <TakeAlong />
  </House>
</template>

<style scoped>
.rows {
  display: grid;
  gap: 4px;
}
.note :deep(.line) {
  line-height: 2.8;
}
.address {
  border: 0;
  padding: 0;
  gap: 14px;
}
.address span {
  width: 176px;
}
.address input {
  font: inherit;
  color: var(--ink);
  background: var(--paper);
  flex: 1;
  width: 420px;
  min-height: 40px;
  padding: 0 12px;
  border: 1.5px solid var(--line-strong);
  border-radius: var(--radius);
}
.rate {
  display: grid;
  grid-template-columns: 190px 120px 1fr;
  align-items: center;
}
.rate.wide {
  grid-template-columns: 190px 1fr;
}
.rate.hours {
  grid-template-columns: 180px auto auto auto 1fr;
  column-gap: 10px;
}
.rate.wide .text {
  width: 100%;
  box-sizing: border-box;
  font: inherit;
  color: var(--ink);
  background: var(--paper);
  min-height: 40px;
  padding: 8px 12px;
  border: 1.5px solid var(--line-strong);
  border-radius: var(--radius);
}
fieldset,
.row {
  border: 0;
  margin: 0;
  padding: 8px 0;
  display: flex;
  gap: 8px;
  align-items: center;
  flex-wrap: wrap;
  border-bottom: 1px solid var(--line);
}
.row:last-child {
  border-bottom: 0;
}
legend,
.row > span:first-child {
  float: left;
  width: 130px;
  font-weight: 600;
  padding: 0;
}
label {
  border: 1.5px solid var(--line-strong);
  border-radius: var(--radius);
  min-height: 44px;
  padding: 0 16px 0 12px;
  display: inline-flex;
  align-items: center;
  gap: 8px;
  cursor: pointer;
}
label.on {
  border-color: var(--blue);
  background: var(--blue-wash);
}
input:is([type='checkbox'], [type='radio']) {
  accent-color: var(--blue);
  width: 18px;
  height: 18px;
}
.card {
  display: grid;
  gap: 8px;
}
.ways li {
  display: flex;
  gap: 12px;
  align-items: center;
}
@media (max-width: 560px) {
  .rate,
  .rate.wide,
  .rate.hours,
  .address {
    grid-template-columns: minmax(0, 1fr);
  }
  .address {
    flex-wrap: wrap;
  }
  .address :deep(input) {
    min-width: 0;
    width: 100%;
  }
}
</style>
