<script setup lang="ts">
// How much of each food, what to buy, what it costs and what stays over.
import { computed, shallowRef, watch } from 'vue'
import { RouterLink, useRouter } from 'vue-router'
import { api, take, type Basket, type Saving } from '@/api/client'
import type { Brief, TrayFile, Want } from '@/api/tray.gen'
import AmountsTable from '@/components/amounts/AmountsTable.vue'
import GroupsTable from '@/components/amounts/GroupsTable.vue'
import LearntList from '@/components/amounts/LearntList.vue'
import SavingsList from '@/components/amounts/SavingsList.vue'
import ShopLine from '@/components/house/ShopLine.vue'
import Stage from '@/components/job/Stage.vue'
import { newest } from '@/composables/newest'
import { useReplan, wants } from '@/composables/replan'
import { useJob } from '@/stores/job'
import { useLarder } from '@/stores/larder'
import { count, grams, minutes, money } from '@/tray/words'

const job = useJob()
const larder = useLarder()
const router = useRouter()
const { busy, wrong, replan } = useReplan()

const brief = computed(() => job.doc!.brief)
const fixed = computed(
  () => new Map([...wants(brief.value)].filter(w => w.grams).map(w => [w.food, w.grams!])),
)
const forms = computed(() => {
  const m = new Map<string, string>()
  for (const t of job.trays) {
    for (const e of t.elements) if (!m.has(e.food)) m.set(e.food, e.form)
    for (const r of t.reserve) if (!m.has(r.food)) m.set(r.food, r.form)
  }
  return m
})

/** The list of foods spelled out, so that an amount can be set and the others stay. */
function list(): Want[] {
  const own = wants(brief.value)
  return own.length ? own : [...forms.value].map(([food, form]) => ({ food, form }))
}
function fix(food: string, g: number | undefined) {
  const next = list().map(w => (w.food === food ? { ...w, grams: g || undefined } : w))
  const name = larder.name(food).toLowerCase()
  return replan(
    { ...brief.value, foods: next },
    g ? `${name}: ${grams(g)}` : `${name}: back to the usual amount`,
  )
}

/** Has a food made in the house, or bought: what is laid stays as it is, the list and the day change. */
function make(food: string, here: boolean) {
  const makes = (brief.value.makes ?? []).filter(id => id !== food)
  if (here) makes.push(food)
  const name = larder.name(food).toLowerCase()
  job.change(
    { ...job.doc!, brief: { ...brief.value, makes: makes.length ? makes : undefined } },
    here ? `${name} is made here` : `${name} is bought`,
  )
}

/** What was learnt of the foods that are on the trays; furthest from the usual first. */
const learnt = computed(() =>
  [...(brief.value.learnt ?? [])]
    .filter(l => forms.value.has(l.food))
    .sort((a, b) => Math.abs(Math.log(b.factor)) - Math.abs(Math.log(a.factor))),
)
function refuse(food: string, refused: boolean) {
  const next = (brief.value.learnt ?? []).map(l => (l.food === food ? { ...l, refused } : l))
  const name = larder.name(food).toLowerCase()
  return replan(
    { ...brief.value, learnt: next },
    refused ? `${name}: the usual share` : `${name}: as was learnt`,
  )
}

// a kind made more or less of: shown while the slider moves, saved when it is let go
const preview = shallowRef<Basket | null>(null)
const slidden = shallowRef<Record<string, number>>({})
const tilt = computed<Record<string, number>>(() => ({ ...brief.value.tilt, ...slidden.value }))
let asked: Brief | null = null
const reckon = newest(async signal => {
  if (asked) preview.value = await take(api.POST('/api/v1/amounts', { body: asked, signal }))
}, 0)
function slide(category: string, times: number) {
  slidden.value = { ...slidden.value, [category]: times }
  const board = brief.value.board ?? (job.trays.length > 1 ? undefined : job.doc!.board?.id) // a set is shared out anew
  asked = { ...brief.value, foods: list(), tilt: tilt.value, board }
  reckon()
}
const foodsOf = (trays: TrayFile[]) =>
  new Set(trays.flatMap(t => [...t.elements, ...t.reserve].map(e => e.food)))
/** Without the list of foods where the same are chosen without it: handed back, all is as it was before the slider named them. */
async function unnamed(next: Brief): Promise<Brief> {
  if (next.tilt || fixed.value.size) return next
  const bare = { ...next, foods: undefined }
  try {
    const planned = await take(api.POST('/api/v1/plan', { body: bare }))
    const chosen = foodsOf([planned, ...(planned.further ?? [])])
    const mine = foodsOf(job.trays)
    if (chosen.size === mine.size && [...mine].every(f => chosen.has(f))) return bare
  } catch {
    // then they stay named
  }
  return next
}
async function saveTilt(category: string, times: number | undefined) {
  slidden.value = { ...slidden.value, [category]: times ?? 1 }
  const next = { ...tilt.value }
  for (const c of Object.keys(next)) if (next[c] === 1) delete next[c]
  const done = await replan(
    await unnamed({ ...brief.value, foods: list(), tilt: Object.keys(next).length ? next : undefined }),
    times === undefined ? `${category}: back to usual` : `${category}: ${Math.round(100 * times)} % of usual`,
  )
  if (done || wrong.value) slidden.value = {} // else the slider has moved on
}
watch(
  () => job.basket,
  () => (preview.value = null),
)
const basket = computed(() => preview.value ?? job.basket)

const budget = computed(() => job.basket?.budget ?? 0)
const over = computed(() => (job.basket?.over ?? 0) > 0)
function takeSaving(s: Saving) {
  const next = list().flatMap((w): Want[] => {
    if (w.food !== s.food) return [w]
    if (s.instead) return [{ food: s.instead, form: s.form }]
    return s.grams ? [{ ...w, grams: s.grams }] : []
  })
  return replan({ ...brief.value, foods: next }, s.says.toLowerCase())
}

const left = computed(() =>
  (job.basket?.lines ?? []).filter(l => l.left_g >= 1).sort((a, b) => a.keeps_days - b.keeps_days),
)
</script>

<template>
  <Stage title="Amounts" look="What it comes to">
    <template v-if="job.elements.length" #acts>
      <RouterLink class="btn" :to="{ name: 'shopping', query: { job: job.id } }">Shopping list</RouterLink>
      <RouterLink class="btn" :to="{ name: 'quote' }">Quote</RouterLink>
      <button class="btn next" @click="router.push({ name: 'lay', query: { now: 'yes' } })">Lay them</button>
    </template>
    <p v-if="wrong" class="card" role="alert">▲ {{ wrong }}</p>
    <p v-if="!job.elements.length" class="card">
      Amounts follow from the foods.
      <RouterLink class="btn next" :to="{ name: 'pick' }">Pick the foods</RouterLink>
    </p>
    <AmountsTable
      v-else-if="basket"
      :basket="basket"
      :fixed="fixed"
      :forms="forms"
      :tilt="tilt"
      :busy="busy"
      @fix="fix"
      @slide="slide"
      @tilt="saveTilt"
      @make="make"
    />

    <template #look>
      <section v-if="basket && job.elements.length" class="panel">
        <h2>What it comes to</h2>
        <p class="score">
          <span class="big figure">{{ money(basket.basket_cost) }}</span>
          <span class="soft small">at the till, {{ money(basket.per_guest) }} for each guest</span>
        </p>
        <p v-if="budget" class="card small" :class="{ over }">
          {{
            over
              ? `▲ ${money(basket.over)} over the budget of ${money(budget)}`
              : `Within the budget of ${money(budget)}, ${money(-basket.over)} to spare`
          }}
        </p>
        <p v-for="s in job.doc?.says ?? []" :key="s" class="card small">{{ s }}</p>
        <dl class="card facts">
          <dt>On the tray</dt>
          <dd class="nums r">{{ grams(basket.on_tray_g) }}</dd>
          <dt>In reserve</dt>
          <dd class="nums r">{{ grams(basket.reserve_g) }}</dd>
          <dt>Food on the tray</dt>
          <dd class="nums r">{{ money(basket.used_cost) }}</dd>
          <template v-if="basket.cupboard_cost">
            <dt>of it the cupboard's</dt>
            <dd class="nums r">{{ money(basket.cupboard_cost) }}</dd>
          </template>
          <template v-for="m in basket.mixed ?? []" :key="m.name">
            <dt>{{ m.count }} × {{ m.name.toLowerCase() }}</dt>
            <dd class="nums r">{{ money(m.count * m.price) }}</dd>
          </template>
          <dt>Left over</dt>
          <dd class="nums r">{{ money(basket.basket_cost - (basket.used_cost - basket.cupboard_cost)) }}</dd>
          <dt>Handwork</dt>
          <dd class="nums r">{{ minutes(basket.minutes) }}</dd>
        </dl>
        <GroupsTable v-if="basket.groups.length > 1" :groups="basket.groups" />
        <LearntList v-if="learnt.length" :learnt="learnt" :busy="busy" @refuse="refuse" />
        <SavingsList :over="over" :busy="busy" @take="takeSaving" />
        <ShopLine />
        <template v-if="left.length">
          <h3>Left over</h3>
          <ul class="left small">
            <li v-for="l in left" :key="l.food">
              <span
                >{{ l.name
                }}<span v-if="l.next" class="soft"
                  >, for
                  <RouterLink :to="`/jobs/${l.next.job}/brief`" :title="l.next.says">{{
                    l.next.title
                  }}</RouterLink></span
                ></span
              >
              <span class="nums"
                >{{ grams(l.left_g) }},
                {{ l.house_eats ? 'eaten in the house' : count(l.keeps_days, 'day') }}</span
              >
            </li>
          </ul>
        </template>
        <p class="soft small">
          What is set by hand stays, and the rest of its kind makes up for it. A kind's slider gives and takes
          from the others; the whole stays the same.
        </p>
      </section>
    </template>
  </Stage>
</template>

<style scoped>
.r {
  text-align: right;
}
.over {
  font-weight: 600;
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
