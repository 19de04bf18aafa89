<script setup lang="ts">
// The price of the job on one page: for the guest above, how it comes about
// below, which is not printed.
import { computed, ref, shallowRef, watch } from 'vue'
import { RouterLink } from 'vue-router'
import { api, take, Trouble, type Quote } from '@/api/client'
import Stage from '@/components/job/Stage.vue'
import { newest } from '@/composables/newest'
import { useJob } from '@/stores/job'
import { useLarder } from '@/stores/larder'
import { shelfNames } from '@/tray/larder'
import { trayName } from '@/tray/set'
import { count, money, occasions, when } from '@/tray/words'

const job = useJob()
const larder = useLarder()
const quote = shallowRef<Quote | null>(null)
const wrong = ref('')
const look = newest(async signal => {
  try {
    quote.value = await take(api.POST('/api/v1/quote', { body: job.doc!, signal }))
    wrong.value = ''
  } catch (e) {
    if (e instanceof Trouble) wrong.value = e.message
  }
}, 20)
watch(() => job.shape, look, { immediate: true })

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
      <header>
        <h2>{{ job.doc!.title }}</h2>
        <p>
          {{ job.doc!.brief.host }}<br />
          {{ when(job.doc!.brief.serve_at)
          }}<template v-if="job.doc!.brief.place">, {{ job.doc!.brief.place }}</template>
        </p>
      </header>
      <p class="price">
        <span class="big figure">{{ money(quote.per_head) }}</span>
        <span>for each of {{ count(quote.guests, 'guest') }}, {{ money(quote.total) }} in all</span>
      </p>
      <section>
        <h3>What comes</h3>
        <p v-if="job.trays.length > 1">
          {{ count(job.trays.length, 'tray') }}:
          {{ job.trays.map(t => (t.part?.who ? trayName(t) : (t.board?.name ?? ''))).join('; ') }}
        </p>
        <p v-else>{{ occasions[job.doc!.brief.occasion ?? 'nibble'] }} on {{ job.doc!.board?.name }}</p>
        <dl>
          <template v-for="s in shelves" :key="s.title">
            <dt>{{ s.title }}</dt>
            <dd>{{ s.foods }}</dd>
          </template>
        </dl>
      </section>
      <section v-if="diets.length">
        <h3>Heeded</h3>
        <p v-for="d in diets" :key="d.who">{{ d.who || 'Some guests' }}: without {{ d.avoid.join(', ') }}</p>
      </section>
      <p class="small soft">
        Labels of the packs that are bought decide what a food contains. Perishable food stands out two hours
        in all, one hour above 32 °C. Prices hold for the day they were reckoned.
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
.price {
  border-top: 1.5px dashed var(--line-strong);
  border-bottom: 1.5px dashed var(--line-strong);
  padding: 16px 0;
  display: flex;
  gap: 14px;
  align-items: baseline;
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
