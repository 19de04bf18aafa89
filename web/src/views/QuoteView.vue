<script setup lang="ts">
// The price of the job on one page: for the guest above, how it comes about
// below, which is not printed.
import dayjs from 'dayjs'
import { computed, onMounted } from 'vue'
import { RouterLink } from 'vue-router'
import { useAsk } from '@/api/asking'
import { api, take } from '@/api/client'
import Stage from '@/components/job/Stage.vue'
import { useJob } from '@/stores/job'
import { useLarder } from '@/stores/larder'
import { useSettings } from '@/stores/settings'
import { shelfNames } from '@/tray/larder'
import { trayName } from '@/tray/set'
import { count, money, occasions, when } from '@/tray/words'

const job = useJob()
const larder = useLarder()
const { now: quote, wrong } = useAsk(() => ({
  key: ['quote', job.id, job.shape],
  ask: signal => take(api.POST('/api/v1/quote', { body: job.doc!, signal })),
}))

const shelves = computed(() => {
  const by = new Map<string, Set<string>>()
  for (const t of job.trays)
    for (const e of t.elements)
      if (e.category !== 'prop' && e.category !== 'garnish')
        by.set(e.category!, (by.get(e.category!) ?? new Set()).add(larder.name(e.food)))
  return Object.entries(shelfNames)
    .filter(([id]) => by.has(id))
    .map(([id, title]) => ({ title, foods: [...by.get(id)!].join(', ') }))
})
const settings = useSettings()
onMounted(() => void settings.read())
const seller = computed(() => settings.seller)
const today = dayjs()
const until = computed(() => today.add(seller.value?.valid_days ?? 0, 'day'))
const day = (d: dayjs.Dayjs) =>
  d.toDate().toLocaleDateString('en-GB', { day: 'numeric', month: 'long', year: 'numeric' })
/** The boards as they are saved, drawn; the first three of them. */
const drawn = computed(() =>
  job.trays
    .map((t, i) => ({ name: t.board?.name ?? '', laid: t.elements.some(e => e.placed), n: i + 1 }))
    .filter(t => t.laid)
    .slice(0, 3)
    .map(t => ({ ...t, src: `/api/v1/jobs/${job.id}/revisions/${job.revision}/tray.svg?tray=${t.n}` })),
)
const diets = computed(() => (job.doc!.brief.diets ?? []).filter(d => d.avoid.length))
const print = () => window.print()
</script>

<template>
  <Stage title="Quote" look="How the price comes about">
    <template #acts>
      <RouterLink class="btn" :to="{ name: 'amounts' }">Back to the amounts</RouterLink>
      <button class="btn next" :disabled="!quote" @click="print">Print the quote</button>
    </template>
    <p v-if="wrong" class="card" role="alert">▲ {{ wrong }}</p>
    <p v-if="!job.elements.length" class="card">
      A price follows from the foods.
      <RouterLink class="btn next" :to="{ name: 'pick' }">Pick the foods</RouterLink>
    </p>
    <article v-else-if="quote" class="card page">
      <header class="head">
        <div>
          <b class="house">{{ seller?.name }}</b>
          <p class="small address">{{ seller?.address }}</p>
          <RouterLink v-if="!seller?.name" class="small no-print" to="/settings">Say who asks</RouterLink>
        </div>
        <div class="aside">
          <b class="house">Quote</b>
          <p class="small nums">
            No. {{ job.id!.slice(0, 8) }}-{{ job.revision }}<br />
            {{ day(today) }}
            <template v-if="seller?.valid_days"
              ><br /><b>valid until {{ day(until) }}</b></template
            >
          </p>
        </div>
      </header>
      <header>
        <h2>{{ job.doc!.title }}</h2>
        <p>
          {{
            [
              job.doc!.brief.host,
              when(job.doc!.brief.serve_at),
              job.doc!.brief.place,
              count(quote.guests, 'guest'),
            ]
              .filter(Boolean)
              .join('; ')
          }}
        </p>
      </header>
      <figure v-if="drawn.length">
        <div class="drawn">
          <img v-for="t in drawn" :key="t.src" :src="t.src" :alt="t.name" />
        </div>
        <figcaption class="small soft">
          As it is planned; what the season and the market bring may change a piece or two.
        </figcaption>
      </figure>
      <section>
        <h3>What comes</h3>
        <p v-if="job.trays.length > 1">
          {{ count(job.trays.length, 'board') }}:
          {{ job.trays.map(t => (t.part?.who ? trayName(t) : (t.board?.name ?? ''))).join('; ') }}
        </p>
        <p v-else class="first">
          {{ occasions[job.doc!.brief.occasion ?? 'nibble'] }} on {{ job.doc!.board?.name }}
        </p>
        <dl>
          <template v-for="s in shelves" :key="s.title">
            <dt>{{ s.title }}</dt>
            <dd>{{ s.foods }}</dd>
          </template>
        </dl>
      </section>
      <section v-if="diets.length">
        <h3>Included</h3>
        <p v-for="d in diets" :key="d.who">
          {{ d.who || 'Some guests' }}<template v-if="d.count"> ({{ d.count }})</template>: without
          {{ d.avoid.join(', ') }}
        </p>
      </section>
      <section class="price">
        <p>
          <span class="big figure">{{ money(quote.per_head) }}</span> for each of
          {{ count(quote.guests, 'guest') }}
        </p>
        <dl class="facts">
          <template v-if="quote.tax">
            <dt>In all</dt>
            <dd class="nums r">{{ money(quote.total) }}</dd>
            <dt>Tax, {{ quote.tax_pct }} %</dt>
            <dd class="nums r">{{ money(quote.tax) }}</dd>
          </template>
          <dt><b>To pay</b></dt>
          <dd class="nums r">
            <b>{{ money(quote.pays) }}</b>
          </dd>
        </dl>
      </section>
      <p v-if="seller?.terms" class="small terms">{{ seller.terms }}</p>
      <p class="small soft">
        Tell us of allergies and diets before the day: labels of the packs that are bought decide what a food
        contains. How long perishable food may stand out follows from local food rules.
      </p>
    </article>

    <template #look>
      <section v-if="quote && job.elements.length" class="panel no-print">
        <h2>How the price comes about</h2>
        <dl class="card facts">
          <template v-for="l in quote.lines" :key="l.name">
            <dt>
              {{ l.name }}<br /><span class="small soft">{{ l.says }}</span>
            </dt>
            <dd class="nums r">{{ money(l.money) }}</dd>
          </template>
          <dt><b>In all</b></dt>
          <dd class="nums r">
            <b>{{ money(quote.total) }}</b>
          </dd>
        </dl>
        <p class="small soft">
          The price for each guest is rounded up to ten of the small coin.
          <RouterLink to="/settings">Hourly rate, packaging, delivery, overhead and margin</RouterLink> are
          yours to set.
        </p>
      </section>
    </template>
  </Stage>
</template>

<style scoped>
.page {
  display: grid;
  gap: 20px;
  padding: 34px 40px 30px;
  max-width: 700px;
}
header {
  display: grid;
  gap: 6px;
}
header h2 {
  font-size: var(--type-8);
}
.head {
  grid-template-columns: 1fr auto;
  border-bottom: 1.5px solid var(--line-strong);
  padding-bottom: 14px;
}
.house {
  font-size: var(--type-6);
}
.aside {
  text-align: right;
}
.address,
.terms {
  white-space: pre-line;
}
.first::first-letter {
  text-transform: uppercase;
}
.drawn {
  display: flex;
  gap: 16px;
  justify-content: center;
}
.drawn img {
  min-width: 0;
  max-width: 100%;
  max-height: 300px;
  object-fit: contain;
}
figure {
  margin: 0;
  display: grid;
  gap: 6px;
}
figcaption {
  text-align: center;
}
.price {
  border-top: 1.5px dashed var(--line-strong);
  border-bottom: 1.5px dashed var(--line-strong);
  padding: 16px 0;
  break-inside: avoid;
}
section {
  display: grid;
  gap: 6px;
}
dl {
  display: grid;
  grid-template-columns: 130px 1fr;
  gap: 4px 16px;
}
.page dt {
  color: var(--soft);
}
.facts {
  grid-template-columns: 1fr auto;
}
.r {
  text-align: right;
}
@media print {
  .page {
    max-width: none;
    padding: 0;
    box-shadow: none;
  }
}
</style>
