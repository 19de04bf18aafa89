<script setup lang="ts">
// What to buy, by the parts of the shop, for one job or a whole week; ticked off
// with a thumb.
import { computed, onMounted, ref, shallowRef, watch } from 'vue'
import { RouterLink, useRoute, useRouter } from 'vue-router'
import { said } from '@/api/asking'
import { api, take, type ShoppingList } from '@/api/client'
import House from '@/components/house/House.vue'
import ShopLine from '@/components/house/ShopLine.vue'
import { useOutbox } from '@/outbox/outbox'
import { useLarder } from '@/stores/larder'
import { count, grams, money } from '@/tray/words'

const route = useRoute()
const router = useRouter()
const list = shallowRef<ShoppingList | null>(null)
const outbox = useOutbox()
const larder = useLarder()
void larder.read()
const stops = computed(() => {
  const all = list.value?.list.stops ?? []
  return all.length > 1 ? all : [{ name: '', foods: 0, cost: 0 }]
})
const done = ref(new Set<string>())
const wrong = ref('')

const day = (d: Date) =>
  `${d.getFullYear()}-${String(d.getMonth() + 1).padStart(2, '0')}-${String(d.getDate()).padStart(2, '0')}`
const query = computed((): { job?: string; week?: string } =>
  route.query.job ? { job: String(route.query.job) } : { week: String(route.query.week ?? day(new Date())) },
)
/** What the server has ticked off, and over it what was ticked here and waits. */
async function read() {
  wrong.value = ''
  try {
    await outbox.open()
    let arrived, now: ShoppingList
    do {
      arrived = outbox.arrived // what arrives meanwhile may be in neither
      now = await take(api.GET('/api/v1/shopping', { params: { query: query.value } }))
    } while (outbox.arrived !== arrived)
    const ticked = new Set(now.ticks)
    for (const e of outbox.waiting)
      if (e.kind === 'bought' && e.list === now.key)
        if (e.done) ticked.add(e.food)
        else ticked.delete(e.food)
    list.value = now
    done.value = ticked
  } catch (e) {
    list.value = null
    wrong.value = said(e, 'The list cannot be read.')
  }
}
watch(query, read)
onMounted(async () => {
  await read()
  // asked for no week, and nothing is on in this one: the week of the job that is due first
  if (route.query.job || route.query.week || list.value?.jobs.length !== 0) return
  try {
    const { jobs } = await take(api.GET('/api/v1/jobs', { params: { query: { which: 'coming' } } }))
    const due = jobs.map(j => j.serve_at?.slice(0, 10) ?? '').filter(at => at > day(new Date()))
    if (due.length && !route.query.week) await router.replace({ query: { week: due.sort()[0] } })
  } catch {
    // this week is shown
  }
})

function tick(food: string) {
  const is = !done.value.has(food)
  const next = new Set(done.value)
  if (is) next.add(food)
  else next.delete(food)
  done.value = next
  outbox.add({ kind: 'bought', list: list.value!.key, food, done: is })
}
function week(by: number) {
  const from = new Date((list.value?.from || day(new Date())) + 'T12:00')
  from.setDate(from.getDate() + 7 * by)
  void router.replace({ query: { week: day(from) } })
}
const pretty = (d: string) =>
  new Date(d + 'T12:00').toLocaleDateString('en-GB', { weekday: 'short', day: 'numeric', month: 'short' })
const title = computed(() => {
  const l = list.value
  if (!l) return 'Shopping list'
  return route.query.job ? l.title : `The week of ${pretty(l.from)} to ${pretty(l.to)}`
})
const open = computed(() => {
  const all = list.value?.list.sections.flatMap(s => s.items) ?? []
  return all.filter(it => !done.value.has(it.food)).length
})
const file = (as: string) =>
  `/api/v1/shopping/export?as=${as}&${new URLSearchParams(query.value as Record<string, string>)}`
const print = () => window.print()
</script>

<template>
  <House :title="title">
    <template #acts>
      <button v-if="!route.query.job" class="btn" @click="week(-1)">Week before</button>
      <button v-if="!route.query.job" class="btn" @click="week(1)">Week after</button>
      <RouterLink
        v-if="route.query.job && list?.from"
        class="btn"
        :to="{ name: 'shopping', query: { week: list.from } }"
        >All jobs of that week</RouterLink
      >
      <a class="btn" :href="file('text')" download>As text</a>
      <a class="btn" :href="file('pdf')" target="_blank">As PDF</a>
      <a class="btn" :href="file('csv')" download>As CSV</a>
      <button class="btn next" :disabled="!list?.list.items" @click="print">Print</button>
    </template>
    <p v-if="wrong" class="card" role="alert">▲ {{ wrong }}</p>
    <template v-if="list">
      <p v-if="list.jobs.length" class="for">
        <template v-for="(j, i) in list.jobs" :key="j.id"
          >{{ i ? ', ' : 'For ' }}<RouterLink :to="`/jobs/${j.id}/amounts`">{{ j.title }}</RouterLink
          ><span v-if="!j.planned" class="soft"> (nothing picked yet)</span></template
        >.
        <span v-if="list.list.items" class="soft"
          >{{ count(list.list.items, 'food') }}, about {{ money(list.list.cost)
          }}<template v-if="done.size"
            >, {{ open > 0 ? `${open} still to get` : 'all of it got' }}</template
          ></span
        >
      </p>
      <p v-if="!list.list.items" class="card">
        {{ list.jobs.length ? 'Nothing is picked for it yet.' : 'No job is served in this week.' }}
      </p>
      <p v-if="list.list.says" class="soft for">
        {{ list.list.says
        }}<template v-if="list.list.saves > 0"> It saves {{ money(list.list.saves) }}.</template>
      </p>
      <div v-for="at in stops" :key="at.name" class="stop">
        <h2 v-if="stops.length > 1" class="shop">
          {{ at.name }}
          <span class="soft small nums">{{ count(at.foods, 'food') }}, {{ money(at.cost) }}</span>
        </h2>
        <div class="parts">
          <section
            v-for="s in list.list.sections.filter(s => stops.length < 2 || s.stop === at.name)"
            :key="s.name"
            class="card"
            :aria-label="s.name"
          >
            <h2>
              {{ s.name }} <span class="soft small nums">{{ money(s.cost) }}</span>
            </h2>
            <ul>
              <li v-for="it in s.items" :key="it.food" :class="{ done: done.has(it.food) }">
                <label>
                  <input type="checkbox" :checked="done.has(it.food)" @change="tick(it.food)" />
                  <span class="what">
                    <b>{{ it.name }}</b>
                    <span class="soft small">
                      <template v-if="it.holds.length">{{
                        it.holds
                          .map(h => `${grams(h.grams)} of ${larder.name(h.food).toLowerCase()}`)
                          .join(', ')
                      }}</template>
                      <template v-else-if="it.cupboard_g"
                        >{{ grams(it.cupboard_g) }} of {{ grams(it.need_g) }} is in the cupboard</template
                      >
                      <template v-else-if="it.loose">to make here</template>
                      <template v-else>{{ grams(it.need_g) }} wanted</template
                      ><template v-if="it.for.length > 1">, for {{ it.for.join(' and ') }}</template>
                      <template v-if="it.in.length"
                        >, {{ it.packs.length ? 'some of it ' : '' }}in
                        {{ it.in.join(' and ').toLowerCase() }}</template
                      >
                      <template v-if="it.counter && it.packs.length && !it.in.length"
                        ><br />At the counter: {{ it.counter }}</template
                      >
                      <template v-if="it.drained">, drained</template
                      ><template v-if="it.labelled"><br />▲ only labelled {{ it.labelled }}</template>
                      <template v-if="it.out_of_stock"><br />▲ sold out at the shop today</template>
                    </span>
                  </span>
                  <span class="packs nums">
                    {{
                      it.packs.length
                        ? it.packs.map(p => `${p.count} × ${grams(p.grams)}`).join(', ')
                        : it.loose
                          ? grams(it.need_g)
                          : it.in.length
                            ? 'in a pack of several'
                            : 'nothing to buy'
                    }}
                    <span v-if="it.cost" class="soft small">{{ money(it.cost) }}</span>
                  </span>
                </label>
              </li>
            </ul>
          </section>
        </div>
      </div>
      <ShopLine class="no-print" />
    </template>
  </House>
</template>

<style scoped>
.for {
  line-height: 1.5;
}
.shop {
  display: flex;
  justify-content: space-between;
  align-items: baseline;
  margin: 6px 2px 10px;
}
.parts {
  columns: 2 380px;
  column-gap: 18px;
}
.parts .card {
  break-inside: avoid;
  margin-bottom: 16px;
  padding: 14px 18px 8px;
}
.parts h2 {
  display: flex;
  justify-content: space-between;
  align-items: baseline;
  font-size: var(--type-5);
  padding-bottom: 6px;
  border-bottom: 1.5px dashed var(--line-strong);
}
li {
  border-bottom: 1px solid var(--line);
}
li:last-child {
  border-bottom: 0;
}
label {
  display: grid;
  grid-template-columns: 28px 1fr auto;
  gap: 10px;
  align-items: center;
  min-height: 48px;
  padding: 6px 0;
  cursor: pointer;
  line-height: 1.25;
}
input {
  width: 24px;
  height: 24px;
  accent-color: var(--blue);
}
.what {
  display: grid;
}
.packs {
  text-align: right;
  display: grid;
  font-weight: 600;
}
.packs .small {
  font-weight: 500;
}
.done .what b,
.done .packs {
  text-decoration: line-through;
  text-decoration-thickness: 2px;
  color: var(--soft);
}
@media print {
  label {
    min-height: 0;
  }
}
</style>
