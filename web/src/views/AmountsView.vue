<script setup lang="ts">
// Per food: what lies on the tray, what waits in reserve, what to buy and what it costs.
import { computed } from 'vue'
import { RouterLink, useRouter } from 'vue-router'
import { ElInputNumber } from 'element-plus'
import 'element-plus/es/components/input-number/style/css'
import type { Want } from '@/api/tray.gen'
import Stage from '@/components/Stage.vue'
import { useReplan, wants } from '@/composables/replan'
import { useJob } from '@/stores/job'
import { useLarder } from '@/stores/larder'
import { gPerUnit, said, units } from '@/tray/units'
import { count, grams, minutes, money } from '@/tray/words'

const job = useJob()
const larder = useLarder()
const router = useRouter()
const { busy, wrong, replan } = useReplan()

const basket = computed(() => job.basket)
const fixed = computed(
  () =>
    new Map(
      wants(job.doc!.brief)
        .filter(w => w.grams)
        .map(w => [w.food, w.grams!]),
    ),
)
const forms = computed(() => {
  const m = new Map<string, string>()
  for (const e of job.elements) m.set(e.food, e.form)
  for (const r of job.doc!.reserve) if (!m.has(r.food)) m.set(r.food, r.form)
  return m
})

function list(): Want[] {
  const own = wants(job.doc!.brief)
  return own.length ? own : [...forms.value].map(([food, form]) => ({ food, form }))
}
function fix(food: string, g: number | undefined) {
  const next = list().map(w => (w.food === food ? { ...w, grams: g || undefined } : w))
  const name = larder.name(food).toLowerCase()
  return replan(
    { ...job.doc!.brief, foods: next },
    g ? `${name}: ${grams(g)}` : `${name}: back to what is reckoned`,
  )
}
/** An amount as it is typed: whole grams, or tenths of an ounce. */
const typed = (g: number) => (units.mass === 'oz' ? Math.round((g / gPerUnit()) * 10) / 10 : Math.round(g))
const categories = computed(() => {
  const by = new Map<string, NonNullable<typeof basket.value>['lines']>()
  for (const l of basket.value?.lines ?? []) by.set(l.category, [...(by.get(l.category) ?? []), l])
  return [...by]
})
const handwork = computed(() => (basket.value?.lines ?? []).reduce((s, l) => s + l.handwork_seconds, 0) / 60)
const left = computed(() =>
  (basket.value?.lines ?? []).filter(l => l.left_g >= 1).sort((a, b) => a.keeps_days - b.keeps_days),
)
</script>

<template>
  <Stage title="Amounts" look="What it comes to">
    <template #acts>
      <button class="btn next" :disabled="!job.elements.length" @click="router.push({ name: 'lay' })">
        Lay them
      </button>
    </template>
    <p v-if="wrong" class="card" role="alert">▲ {{ wrong }}</p>
    <p v-if="!job.elements.length" class="card">
      Amounts follow from the foods.
      <RouterLink class="btn next" :to="{ name: 'pick' }">Pick the foods</RouterLink>
    </p>
    <div v-else class="card sheet" tabindex="0" role="region" aria-label="Amounts of each food">
      <table>
        <thead>
          <tr>
            <th scope="col" colspan="2">Food</th>
            <th scope="col" class="r">On the tray</th>
            <th scope="col" class="r">In reserve</th>
            <th scope="col" class="fix">Altogether</th>
            <th scope="col">To buy</th>
            <th scope="col" class="r">Used</th>
            <th scope="col" class="r">Basket</th>
          </tr>
        </thead>
        <tbody v-for="[category, lines] in categories" :key="category">
          <tr class="cat">
            <th scope="rowgroup" colspan="2">{{ category }}</th>
            <td class="r nums">{{ grams(lines.reduce((s, l) => s + l.on_tray_g, 0)) }}</td>
            <td class="r nums">{{ grams(lines.reduce((s, l) => s + l.reserve_g, 0)) }}</td>
            <td colspan="2" />
            <td class="r nums">{{ money(lines.reduce((s, l) => s + l.used_cost, 0)) }}</td>
            <td class="r nums">{{ money(lines.reduce((s, l) => s + l.basket_cost, 0)) }}</td>
          </tr>
          <tr v-for="l in lines" :key="l.food" :title="said(l.explanation ?? '')">
            <td class="pic">
              <img :src="larder.picture(l.food, forms.get(l.food))" alt="" loading="lazy" />
            </td>
            <th scope="row">
              {{ l.name }}
              <span class="small soft">{{ l.pieces > 1 ? count(l.pieces, 'piece') : '' }}</span>
            </th>
            <td class="r nums">{{ grams(l.on_tray_g) }}</td>
            <td class="r nums">{{ l.reserve_g ? grams(l.reserve_g) : '' }}</td>
            <td class="fix">
              <ElInputNumber
                :model-value="typed(fixed.get(l.food) ?? l.on_tray_g + l.reserve_g)"
                :min="0"
                :max="typed(1000000)"
                :step="units.mass === 'oz' ? 0.5 : 10"
                size="small"
                controls-position="right"
                :disabled="busy"
                :aria-label="`${l.name}, ${units.mass === 'oz' ? 'ounces' : 'grams'} altogether`"
                @change="n => fix(l.food, n === undefined ? n : Math.round(n * gPerUnit() * 10) / 10)"
              />
              <button
                v-if="fixed.has(l.food)"
                class="btn quiet back"
                :disabled="busy"
                @click="fix(l.food, undefined)"
              >
                by hand, hand back<span class="only-read"> {{ l.name }}</span>
              </button>
            </td>
            <td class="nums">
              <template v-if="l.cupboard_g">
                {{ grams(l.cupboard_g) }} <span class="soft">here</span><br v-if="l.packs.length" />
              </template>
              {{ l.packs.map(p => `${p.count} × ${grams(p.grams)}`).join(', ') }}
            </td>
            <td class="r nums">{{ money(l.used_cost) }}</td>
            <td class="r nums">{{ money(l.basket_cost) }}</td>
          </tr>
        </tbody>
      </table>
    </div>

    <template #look>
      <section v-if="basket && job.elements.length" class="panel">
        <h2>What it comes to</h2>
        <p class="score">
          <span class="big figure">{{ money(basket.basket_cost) }}</span>
          <span class="soft small">at the till, {{ money(basket.per_guest) }} for each guest</span>
        </p>
        <dl class="card facts">
          <dt>On the tray</dt>
          <dd class="nums r">{{ grams(basket.on_tray_g) }}</dd>
          <dt>In reserve</dt>
          <dd class="nums r">{{ grams(basket.reserve_g) }}</dd>
          <dt>Used cost</dt>
          <dd class="nums r">{{ money(basket.used_cost) }}</dd>
          <dt>Stays over</dt>
          <dd class="nums r">{{ money(basket.basket_cost - basket.used_cost) }}</dd>
          <dt>Handwork</dt>
          <dd class="nums r">{{ minutes(handwork) }}</dd>
        </dl>
        <template v-if="left.length">
          <h3>What stays over</h3>
          <ul class="left small">
            <li v-for="l in left" :key="l.food">
              <span>{{ l.name }}</span>
              <span class="nums">{{ grams(l.left_g) }}, {{ count(l.keeps_days, 'day') }}</span>
            </li>
          </ul>
        </template>
        <p class="soft small">
          Hold the pointer over a row for how its numbers come about. An amount set by hand stays; the rest is
          shared out again round it.
        </p>
      </section>
    </template>
  </Stage>
</template>

<style scoped>
.sheet {
  padding: 4px 14px 10px;
  overflow-x: auto;
}
table {
  border-collapse: collapse;
  width: 100%;
  font-size: 0.9rem;
}
th,
td {
  text-align: left;
  padding: 3px 6px;
  font-weight: 500;
  vertical-align: middle;
}
thead th {
  font-size: 0.8rem;
  color: var(--soft);
  padding: 10px 6px 6px;
  white-space: nowrap;
}
.r {
  text-align: right;
  white-space: nowrap;
}
.cat th,
.cat td {
  padding-top: 12px;
  font-weight: 650;
  border-bottom: 1.5px solid var(--line);
}
.cat th::first-letter {
  text-transform: uppercase;
}
.pic {
  width: 40px;
}
.pic img {
  width: 36px;
  height: 36px;
  display: block;
}
.fix {
  width: 128px;
}
.fix :deep(.el-input-number) {
  width: 104px;
}
.back {
  font-size: 0.74rem;
  min-height: 24px;
  padding: 0 4px;
}
.left {
  display: grid;
  gap: 4px;
}
.left li {
  display: flex;
  justify-content: space-between;
  gap: 10px;
}
.left .nums {
  color: var(--soft);
  white-space: nowrap;
}
</style>
