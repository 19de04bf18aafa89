<script setup lang="ts">
// All evenings that were looked back on: how much of each food is really eaten, and how sure that is; what came home.
import { computed, ref } from 'vue'
import { RouterLink } from 'vue-router'
import { useAsk } from '@/api/asking'
import { api, take } from '@/api/client'
import House from '@/components/house/House.vue'
import FactorChart from '@/components/evening/FactorChart.vue'
import WhereLeft from '@/components/evening/WhereLeft.vue'
import OwnPace from '@/components/evening/OwnPace.vue'
import LeftChart from '@/components/evening/LeftChart.vue'
import { useLarder } from '@/stores/larder'
import { count, grams, money } from '@/tray/words'
import Choose from '@/components/common/Choose.vue'

const larder = useLarder()
void larder.read()
const crowd = ref('')
const year = ref('')
const of = ref<'share' | 'cost'>('share')
const food = ref('')
const evening = ref('')
const all = ref(false)
const { now: book, wrong } = useAsk(
  () => {
    const query = { crowd: crowd.value || undefined, year: Number(year.value) || undefined }
    const ask = (signal: AbortSignal) => take(api.GET('/api/v1/logbook', { params: { query }, signal }))
    return { key: ['logbook', query], ask }
  },
  { otherwise: 'The logbook cannot be read just now.' },
)
const foods = computed(() => book.value?.foods ?? [])
const shown = computed(() =>
  [...foods.value.slice(0, all.value ? undefined : 12)].sort((a, b) => b.factor - a.factor),
)
const now = computed(() => book.value?.evenings.find(e => e.id === evening.value) ?? null)
const part = (left: number, laid: number) => `${Math.round((100 * left) / Math.max(1, laid))} %`
const each = (cost: number, guests: number) => money(Math.round(cost / Math.max(1, guests)))
const best = computed(() =>
  (
    [
      ['form', 'Forms'],
      ['board', 'Boards'],
      ['style', 'Styles'],
    ] as const
  )
    .map(([by, says]) => ({
      by,
      says,
      list: (book.value?.emptied ?? []).filter(x => x.by === by).slice(0, 8),
    }))
    .filter(b => b.list.length),
)
const day = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'long', year: 'numeric' })
const pretty = (d: string) => day.format(new Date(d + 'T12:00'))
const foreseen = computed(() => {
  const of = (book.value?.evenings ?? []).filter(e => e.foreseen_left_g !== undefined && e.laid_g > 0)
  if (!of.length) return null
  const off = of.map(e => Math.abs(e.foreseen_left_g! - e.left_g) / e.laid_g)
  return { n: of.length, off: Math.round((100 * off.reduce((s, v) => s + v, 0)) / off.length) }
})
</script>

<template>
  <House title="Logbook">
    <template #acts>
      <template v-if="book && (book.evenings.length || crowd || year)">
        <span class="small">Crowd</span>
        <Choose v-model="crowd" label="Crowd" :width="170" :options="[['', 'everybody'], ...book.crowds]" />
        <span class="small">Year</span>
        <Choose v-model="year" label="Year" :width="90" :options="[['', 'all'], ...book.years.map(String)]" />
        <a class="btn" href="/api/v1/logbook/export" download>As CSV</a>
      </template>
    </template>
    <p v-if="wrong" class="card" role="alert">▲ {{ wrong }}</p>
    <section v-if="book && !book.evenings.length" class="card empty">
      <h2>No evening was looked back on yet</h2>
      <p>
        After a job is served, its <b>Look back</b> asks what came home. From then on the next brief of the
        same crowd gets amounts that fit it better, and says which evenings say so.
      </p>
      <p><RouterLink class="btn" :to="{ name: 'jobs' }">To the jobs</RouterLink></p>
    </section>
    <template v-else-if="book">
      <section class="card">
        <header class="top">
          <h2>How much they really eat</h2>
          <p class="soft small">
            compared with what is planned for a grown-up; the bar shows how sure that is
          </p>
        </header>
        <FactorChart
          :foods="shown"
          :picture="id => larder.picture(id)"
          :chosen="food"
          @choose="food = food === $event ? '' : $event"
        />
        <p v-if="foods.length > 12">
          <button class="btn quiet" @click="all = !all">
            {{ all ? 'Only what is surest' : `All ${foods.length} foods` }}
          </button>
        </p>
      </section>
      <section class="card">
        <header class="top">
          <h2>What came home</h2>
          <p class="of" role="group" aria-label="What the chart shows">
            <button class="chip" :aria-pressed="of === 'share'" @click="of = 'share'">
              share of the food
            </button>
            <button class="chip" :aria-pressed="of === 'cost'" @click="of = 'cost'">waste a head</button>
          </p>
          <p class="soft small">
            <i class="key dark" /> share of the food left <i class="key" /> foreseen<template v-if="foreseen"
              >, {{ foreseen.off }} points off in the mean of {{ count(foreseen.n, 'evening') }}</template
            >
          </p>
        </header>
        <LeftChart
          v-if="book.evenings.length > 1"
          :evenings="book.evenings"
          :chosen="evening"
          :of="of"
          @choose="evening = evening === $event ? '' : $event"
        />
        <div v-if="now" class="one">
          <h3>
            {{ now.title }}, {{ pretty(now.date) }}
            <RouterLink v-if="now.job" class="small" :to="{ name: 'look-back', params: { id: now.job } }"
              >look at it</RouterLink
            >
          </h3>
          <p class="soft">
            {{ now.crowd }}{{ now.crowd ? ', ' : '' }}{{ count(now.guests, 'guest') }};
            {{ grams(now.left_g) }} of {{ grams(now.laid_g) }} came home,
            {{ each(now.cost_left, now.guests) }} a head.
          </p>
          <p v-for="n in now.notes" :key="n">{{ n }}</p>
          <WhereLeft v-if="now.job" :key="now.job" :job="now.job" />
          <ul class="left">
            <li v-for="f in now.foods.filter(f => f.much)" :key="f.food">
              {{ larder.name(f.food) }} <b class="nums">{{ part(f.left_g, f.laid_g) }}</b>
              <span v-if="f.reasons?.length" class="soft">, {{ f.reasons.join(', ') }}</span>
            </li>
          </ul>
        </div>
      </section>
      <OwnPace v-if="book.pace.length" :pace="book.pace" />
      <section v-if="best.length" class="card" aria-label="What empties best">
        <header class="top">
          <h2>What empties best</h2>
          <p class="soft small">share of what was laid that came home</p>
        </header>
        <div class="best">
          <div v-for="b in best" :key="b.by">
            <h3>{{ b.says }}</h3>
            <ul>
              <li v-for="x in b.list" :key="x.name">
                <span>{{ x.name.replaceAll('-', ' ') }}</span>
                <span class="meter"
                  ><i :style="{ width: `${(100 * x.left_g) / Math.max(1, x.laid_g)}%` }"
                /></span>
                <b class="nums">{{ part(x.left_g, x.laid_g) }}</b>
              </li>
            </ul>
          </div>
        </div>
      </section>
      <section class="card">
        <table>
          <caption class="only-read">
            Evenings
          </caption>
          <thead>
            <tr>
              <th scope="col">Evening</th>
              <th scope="col">Crowd</th>
              <th scope="col" class="n">Guests</th>
              <th scope="col" class="n">Laid</th>
              <th scope="col" class="n">Came home</th>
              <th scope="col" class="n">Waste a head</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="e in book.evenings" :key="e.id" :class="{ on: e.id === evening }">
              <th scope="row">
                <button class="row" @click="evening = evening === e.id ? '' : e.id">
                  {{ e.title }}<span class="soft">, {{ pretty(e.date) }}</span>
                </button>
              </th>
              <td>{{ e.crowd }}</td>
              <td class="n nums">{{ e.guests }}</td>
              <td class="n nums">{{ grams(e.laid_g) }}</td>
              <td class="n nums">{{ part(e.left_g, e.laid_g) }}</td>
              <td class="n nums">{{ each(e.cost_left, e.guests) }}</td>
            </tr>
          </tbody>
        </table>
      </section>
    </template>
    <p v-else-if="!wrong" class="soft">Opening the logbook</p>
  </House>
</template>

<style scoped>
.card {
  padding: 18px 22px;
}
.empty {
  display: grid;
  gap: 10px;
  justify-items: start;
  max-width: 620px;
}
.top {
  display: flex;
  justify-content: space-between;
  align-items: baseline;
  gap: 12px;
  flex-wrap: wrap;
  margin-bottom: 8px;
}
h2 {
  font-size: var(--type-7);
}
.key {
  display: inline-block;
  width: 10px;
  height: 10px;
  border-radius: 50%;
  border: 2px solid var(--blue);
  margin: 0 4px 0 10px;
}
.key.dark {
  background: var(--ink);
  border-color: var(--ink);
}
.one {
  display: grid;
  gap: 6px;
  margin-top: 8px;
  padding-top: 12px;
  border-top: 1.5px solid var(--line);
}
.left {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 20px;
}
.of {
  display: flex;
  gap: 6px;
  margin-right: auto;
}
.best {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(260px, 1fr));
  gap: 8px 32px;
}
.best li {
  display: grid;
  grid-template-columns: 110px 1fr 46px;
  gap: 10px;
  align-items: center;
  min-height: 30px;
}
.meter {
  height: 8px;
  border-radius: var(--radius-s);
  background: var(--line);
}
.meter i {
  display: block;
  height: 100%;
  border-radius: var(--radius-s);
  background: var(--ink);
}
table {
  width: 100%;
  border-collapse: collapse;
}
th,
td {
  text-align: left;
  padding: 8px 10px 8px 0;
  border-bottom: 1px solid var(--line);
  font-weight: 400;
}
thead th {
  font-size: var(--type-3);
  color: var(--soft);
}
.n {
  text-align: right;
}
.row {
  font: inherit;
  font-weight: 600;
  color: inherit;
  text-align: left;
  background: none;
  border: 0;
  padding: 4px 0;
  cursor: pointer;
}
.row .soft {
  font-weight: 400;
}
tr.on {
  background: var(--blue-wash);
}
@media (max-width: 760px) {
  th:nth-child(2),
  td:nth-child(2),
  th:nth-child(4),
  td:nth-child(4) {
    display: none;
  }
}
</style>
