<script setup lang="ts">
// Three choices of foods side by side, planned through: each drawn as portions, with its
// colours, cost, work and balance, and what sets it apart.
import { computed } from 'vue'
import { useAsk } from '@/api/asking'
import { api, take, type Offer } from '@/api/client'
import type { Brief } from '@/api/tray.gen'
import { useLarder } from '@/stores/larder'
import { leaningWords } from '@/tray/larder'
import { minutes, money } from '@/tray/words'

const props = defineProps<{ brief: Brief; busy: boolean }>()
const emit = defineEmits<{ take: [leaning: Offer['leaning']]; leave: [] }>()
const larder = useLarder()

const { now, wrong } = useAsk(() => {
  const body = props.brief
  return {
    key: ['choices', body],
    ask: signal => take(api.POST('/api/v1/choices', { body, signal })),
  }
})
const offers = computed(() => now.value?.offers ?? null)

/** The colours of an offer, as wide as there is of them, in the order of the shelves. */
const colours = (o: Offer) => {
  const eaten = o.foods.filter(f => f.category !== 'garnish' && f.category !== 'prop')
  const all = eaten.reduce((sum, f) => sum + f.grams, 0) || 1
  return eaten.map(f => ({ food: f.food, colour: f.colour, part: (100 * f.grams) / all }))
}
const covers = (o: Offer) => o.sides.reduce((n, s) => n + s.have.length, 0)
const milks: Record<string, string> = { mixed: 'mixed milk', plant: 'something plant-based' }
const word = (side: string, v: string) =>
  side === 'milk' ? (milks[v] ?? `${v}’s milk`) : side === 'cheese' ? `a ${v} cheese` : v
const lacks = (o: Offer) => o.sides.flatMap(s => s.lack.map(v => word(s.name, v)))
</script>

<template>
  <section class="card three" aria-label="Three choices">
    <header>
      <h2>Three choices</h2>
      <span class="soft small">What is pinned is in all of them.</span>
      <button class="btn quiet" @click="emit('leave')">Close</button>
    </header>
    <p v-if="wrong" role="alert">▲ {{ wrong }}</p>
    <p v-else-if="!offers" class="soft" role="status">Choosing</p>
    <ul v-else>
      <li v-for="o in offers" :key="o.leaning">
        <h3>{{ leaningWords[o.leaning] }}</h3>
        <p class="small says">{{ o.says }}</p>
        <div class="portions">
          <img
            v-for="f in o.foods"
            :key="f.food"
            loading="lazy"
            :src="larder.picture(f.food, f.form, undefined, true)"
            :alt="larder.name(f.food)"
            :title="larder.name(f.food)"
          />
        </div>
        <div class="colours" aria-hidden="true">
          <span
            v-for="c in colours(o)"
            :key="c.food"
            :style="{ width: c.part + '%', background: c.colour }"
          ></span>
        </div>
        <dl class="small">
          <dt>At the till</dt>
          <dd class="nums">
            {{ money(o.basket_cost) }}<template v-if="o.over > 0">, ▲ {{ money(o.over) }} over</template>
          </dd>
          <dt>Each guest</dt>
          <dd class="nums">{{ money(o.per_guest) }}</dd>
          <dt>Handwork</dt>
          <dd class="nums">{{ minutes(o.minutes) }}</dd>
          <dt>Balance</dt>
          <dd class="nums">{{ covers(o) }} of {{ covers(o) + lacks(o).length }}</dd>
        </dl>
        <p class="small soft lacks">
          {{ lacks(o).length ? `Without ${lacks(o).join(', ')}.` : 'Nothing is missing.' }}
        </p>
        <button class="btn next" :disabled="busy" @click="emit('take', o.leaning)">
          Take this one<span class="only-read">: {{ leaningWords[o.leaning] }}</span>
        </button>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.three {
  padding: 12px 14px 14px;
}
header {
  display: flex;
  gap: 12px;
  align-items: baseline;
}
header .btn {
  margin-left: auto;
}
ul {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(190px, 1fr));
  gap: 12px;
}
li {
  display: grid;
  grid-template-rows: auto auto auto auto auto 1fr auto;
  gap: 8px;
  background: var(--paper);
  border: 1.5px solid var(--line);
  border-radius: var(--radius);
  padding: 10px 12px 12px;
}
.says {
  line-height: 1.3;
}
.portions {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(38px, 1fr));
  gap: 2px;
  align-content: start;
}
.portions img {
  width: 100%;
  aspect-ratio: 1;
}
.colours {
  display: flex;
  height: 12px;
  border-radius: var(--radius-m);
  overflow: hidden;
}
dl {
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 1px 10px;
  margin: 0;
  align-content: start;
}
dt {
  color: var(--soft);
}
dd {
  margin: 0;
  text-align: right;
}
li .btn {
  text-align: center;
  justify-content: center;
}
.lacks {
  line-height: 1.3;
}
</style>
