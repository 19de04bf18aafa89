<script setup lang="ts">
// Foods as drawn portions on shelves by role; beside them what the choice
// covers and lacks.
import { computed, ref, shallowRef, useTemplateRef, watch } from 'vue'
import { useRouter } from 'vue-router'
import { useEventListener } from '@vueuse/core'
import { api, take, Trouble, type Choice, type Offer, type Substitute } from '@/api/client'
import type { Brief, Want } from '@/api/tray.gen'
import BalancePanel from '@/components/pick/BalancePanel.vue'
import KeptChoices from '@/components/pick/KeptChoices.vue'
import ThreeChoices from '@/components/pick/ThreeChoices.vue'
import Stage from '@/components/job/Stage.vue'
import { newest } from '@/composables/newest'
import { useReplan, wants } from '@/composables/replan'
import { useJob } from '@/stores/job'
import { useLarder } from '@/stores/larder'
import { leaningWords, shelfNames } from '@/tray/larder'

const job = useJob()
const larder = useLarder()
const router = useRouter()
const { busy, wrong, replan } = useReplan()

const choice = shallowRef<Choice | null>(null)
const cannot = ref('')
const picked = computed(() => job.elements.length > 0)

/** Everything on the job's trays and in reserve, each food once; undefined before the pick. */
function onTrays() {
  if (!picked.value) return undefined
  const forms = new Map<string, string>()
  for (const t of job.trays)
    for (const e of [...t.elements, ...t.reserve]) if (!forms.has(e.food)) forms.set(e.food, e.form)
  return [...forms].map(([food, form]) => ({ food, form }))
}

const read = newest(async signal => {
  try {
    choice.value = await take(
      api.POST('/api/v1/choice', { body: { brief: job.doc!.brief, on: onTrays() }, signal }),
    )
    cannot.value = ''
    if (refill && picked.value) {
      front.value = new Set(choice.value.chosen.map(c => c.food))
      refill = false
    }
  } catch (e) {
    if (e instanceof Trouble) cannot.value = e.message
  }
}, 20)
watch(() => [job.doc?.brief, job.shape], read, { immediate: true })

const chosen = computed(
  () => new Map((picked.value ? choice.value?.chosen : [])?.map(c => [c.food, c]) ?? []),
)
const shelf = computed(() => new Map(choice.value?.shelves.map(s => [s.food, s]) ?? []))
// what stands on the tray and is not eaten, such as a dish for stones: shown only where it was chosen
const props = computed(
  () => new Set([...chosen.value.keys()].filter(id => larder.food(id)?.category === 'prop')),
)
const own = computed(() => (job.doc?.brief.foods?.length ?? 0) > 0)

// what is picked stands in front, as it was when the shelves were last filled:
// nothing moves away under the hand that takes it
const front = shallowRef<ReadonlySet<string>>(new Set())
let refill = true

const search = ref('')
// a large larder shows the front of each shelf until it is asked for more
const shelfful = 48
const wide = shallowRef<ReadonlySet<string>>(new Set())
const shelves = computed(() => {
  const q = search.value.trim().toLowerCase()
  return Object.entries(shelfNames)
    .filter(([id]) => id !== 'prop' || props.value.size)
    .map(([id, title]) => ({
      id,
      title,
      kind: choice.value?.kinds.find(k => k.category === id),
      foods: larder
        .all!.foods.filter(
          f =>
            f.category === id &&
            (id !== 'prop' || props.value.has(f.id)) &&
            (!f.put_away || chosen.value.has(f.id)) &&
            (!q || f.name.toLowerCase().includes(q)),
        )
        .sort((a, b) => Number(front.value.has(b.id)) - Number(front.value.has(a.id))),
    }))
    .filter(s => s.foods.length)
})

/** The list of foods spelled out, so that one can be changed and the others stay. */
function list(): Want[] {
  return own.value
    ? wants(job.doc!.brief)
    : [...chosen.value.values()].map(c => ({ food: c.food, form: c.form }))
}
const pins = computed(
  () => new Set((job.doc?.brief.pins ?? []).map(w => (typeof w === 'string' ? w : w.food))),
)
const bans = computed(() => new Set(job.doc?.brief.bans ?? []))
const name = (id: string) => larder.name(id).toLowerCase()

async function toggle(id: string) {
  const b = job.doc!.brief
  const had = chosen.value.has(id)
  const next = had ? list().filter(w => w.food !== id) : [...list(), { food: id }]
  if (!next.length) {
    cannot.value = 'At least one food has to stay. Add another first, or have them chosen again.'
    return
  }
  await replan(
    {
      ...b,
      foods: next,
      pins: b.pins?.filter(w => !had || (typeof w === 'string' ? w : w.food) !== id),
      bans: b.bans?.filter(x => had || x !== id),
    },
    `${had ? 'took off' : 'added'} ${name(id)}`,
  )
}
/** A pinned food is on the tray whatever else is chosen. */
function pin(id: string) {
  const b = job.doc!.brief
  const had = pins.value.has(id)
  const all = (b.pins ?? []).map(w => (typeof w === 'string' ? { food: w } : w))
  const next = had ? all.filter(w => w.food !== id) : [...all, { food: id, form: chosen.value.get(id)?.form }]
  return replan({ ...b, pins: next }, `${had ? 'let go of' : 'pinned'} ${name(id)}`)
}
/** A banned food leaves the tray, and is not chosen again; another comes in its place. */
function ban(id: string) {
  const b = job.doc!.brief
  refill = !own.value
  return replan(
    {
      ...b,
      bans: [...bans.value, id],
      pins: b.pins?.filter(w => (typeof w === 'string' ? w : w.food) !== id),
      foods: b.foods?.filter(w => (typeof w === 'string' ? w : w.food) !== id),
    },
    `banned ${name(id)}`,
  )
}
const setForm = (id: string, form: string) =>
  replan(
    { ...job.doc!.brief, foods: list().map(w => (w.food === id ? { ...w, form } : w)) },
    `${name(id)}: another form`,
  )
// what could take a picked food's place, asked for one at a time
const swap = shallowRef<{ food: string; by: Substitute[] } | null>(null)
async function offer(id: string) {
  if (swap.value?.food === id) {
    swap.value = null
    return
  }
  try {
    const by = await take(
      api.POST('/api/v1/substitutes', {
        body: {
          brief: job.doc!.brief,
          food: id,
          form: chosen.value.get(id)?.form,
          on: [...chosen.value.keys()],
        },
      }),
    )
    swap.value = { food: id, by }
  } catch (e) {
    if (e instanceof Trouble) cannot.value = e.message
  }
}
async function exchange(id: string, by: Substitute) {
  const next = list().map(w => (w.food === id ? { food: by.food, form: by.form } : w))
  swap.value = null
  front.value = new Set([...front.value, by.food])
  await replan({ ...job.doc!.brief, foods: next }, `${larder.name(by.food)} for ${name(id)}`)
}
/** The foods are chosen for the host: the first time as the brief has it, then another choice each time. */
async function forMe() {
  refill = true
  const b = job.doc!.brief
  const choice = picked.value && !own.value ? (b.choice ?? 0) + 1 : b.choice
  await replan({ ...b, foods: [], choice }, 'had the foods chosen')
}
// three choices side by side, until one is taken or they are put away
const three = ref(false)
async function takeOffer(leaning: Offer['leaning']) {
  refill = true
  if (await replan({ ...job.doc!.brief, foods: [], leaning }, `took ${leaningWords[leaning].toLowerCase()}`))
    three.value = false
}

/** Takes a kept choice, as it was reckoned for this job's guests. */
async function useKept(brief: Brief, says: string) {
  refill = true
  await replan(brief, says)
}

const tag = (id: string) => {
  const s = shelf.value.get(id)
  if (bans.value.has(id)) return 'banned'
  if (s?.avoided) return `${s.avoided}: avoided`
  if (s?.traces) return `may contain ${s.traces}`
  if (s?.out_of_stock) return 'sold out'
  return s?.out_of_season ? 'out of season' : ''
}
const field = useTemplateRef('field')
useEventListener(window, 'keydown', e => {
  if (e.key !== '/' || (e.target as Element).closest('input, textarea')) return
  e.preventDefault()
  field.value?.focus()
})
</script>

<template>
  <Stage title="Pick" look="Balance of the choice">
    <template #acts>
      <input
        ref="field"
        v-model="search"
        class="find"
        type="search"
        placeholder="Find a food  /"
        aria-label="Find a food"
      />
      <button class="btn" :aria-expanded="three" @click="three = !three">Three choices</button>
      <button class="btn" :disabled="busy" @click="forMe">
        {{ !picked ? 'Choose for me' : pins.size ? 'Choose the rest again' : 'Choose again' }}
      </button>
      <button
        class="btn next"
        :disabled="!picked"
        @click="router.push({ name: 'lay', query: { now: 'yes' } })"
      >
        Lay them
      </button>
    </template>

    <p v-if="wrong || cannot" class="card" role="alert">▲ {{ wrong || cannot }}</p>
    <p v-if="!picked" class="card hint">
      Nothing is picked yet. Have a balanced choice made for this brief, or take what you like from the
      shelves.
      <button class="btn next" :disabled="busy" @click="forMe">Choose for me</button>
    </p>

    <ThreeChoices
      v-if="three"
      :brief="job.doc!.brief"
      :busy="busy"
      @take="takeOffer"
      @leave="three = false"
    />

    <section
      v-for="s in shelves"
      :key="s.id"
      class="shelf"
      :aria-labelledby="`shelf-${s.id.replace(' ', '-')}`"
    >
      <h2 :id="`shelf-${s.id.replace(' ', '-')}`">
        {{ s.title }}
        <span v-if="s.kind && picked" class="soft small">{{ s.kind.have }} of {{ s.kind.want }}</span>
      </h2>
      <ul>
        <li
          v-for="f in s.foods.slice(0, wide.has(s.id) || search ? 400 : shelfful)"
          :key="f.id"
          class="food"
          :class="{ on: chosen.has(f.id), against: !!tag(f.id) }"
        >
          <button class="take" :aria-pressed="chosen.has(f.id)" :disabled="busy" @click="toggle(f.id)">
            <img loading="lazy" :src="larder.picture(f.id, chosen.get(f.id)?.form)" alt="" />
            <span class="fname">{{ f.name }}</span>
            <span v-if="tag(f.id)" class="tag">{{ tag(f.id) }}</span>
            <span v-if="chosen.has(f.id)" class="tick" aria-hidden="true">✓</span>
          </button>
          <template v-if="chosen.get(f.id)">
            <p class="why">{{ chosen.get(f.id)!.why }}</p>
            <p class="hand">
              <button
                :class="{ pinned: pins.has(f.id) }"
                :disabled="busy"
                :aria-pressed="pins.has(f.id)"
                @click="pin(f.id)"
              >
                {{ pins.has(f.id) ? 'Pinned' : 'Pin' }}<span class="only-read"> {{ f.name }}</span>
              </button>
              <button :disabled="busy" :aria-expanded="swap?.food === f.id" @click="offer(f.id)">
                Swap<span class="only-read"> {{ f.name }}</span>
              </button>
              <button :disabled="busy" @click="ban(f.id)">
                Ban<span class="only-read"> {{ f.name }}</span>
              </button>
            </p>
            <ul v-if="swap?.food === f.id" class="subs">
              <li v-for="x in swap.by" :key="x.food">
                <button :disabled="busy" @click="exchange(f.id, x)">
                  <img :src="larder.picture(x.food, x.form)" alt="" />
                  <span
                    ><b>{{ larder.name(x.food) }}</b> <span class="soft">{{ x.why }}</span></span
                  >
                </button>
              </li>
              <li v-if="!swap.by.length" class="soft">Nothing in the larder could stand in for it.</li>
            </ul>
            <select
              v-if="f.forms.length > 1"
              class="form"
              :value="chosen.get(f.id)!.form"
              :aria-label="`${f.name}, form`"
              :disabled="busy"
              @change="setForm(f.id, ($event.target as HTMLSelectElement).value)"
            >
              <option v-for="o in f.forms" :key="o.form" :value="o.form">{{ o.says.split(',')[0] }}</option>
            </select>
          </template>
        </li>
      </ul>
      <button
        v-if="s.foods.length > shelfful && !wide.has(s.id) && !search"
        class="btn quiet"
        @click="wide = new Set([...wide, s.id])"
      >
        All {{ s.foods.length }} of {{ s.title.toLowerCase() }}
      </button>
    </section>
    <p v-if="!shelves.length" class="soft">No food on the shelves is called that.</p>

    <template #look>
      <BalancePanel
        :choice="choice"
        :picked="picked"
        :count="chosen.size - props.size"
        :own="own"
        :busy="busy"
        :says="[...(picked ? (job.doc?.says ?? []) : []), ...(picked ? (choice?.says ?? []) : [])]"
        @add="toggle"
      />
      <KeptChoices v-if="job.doc" :job="job.doc" :picked="picked" :busy="busy" @use="useKept" />
    </template>
  </Stage>
</template>

<style scoped>
.find {
  font: inherit;
  border: 1.5px solid var(--line-strong);
  background: var(--paper);
  color: var(--ink);
  border-radius: var(--radius);
  min-height: 36px;
  padding: 0 12px;
  width: 170px;
}
.hint {
  display: flex;
  gap: 16px;
  align-items: center;
  justify-content: space-between;
}
.shelf h2 {
  padding: 4px 2px 6px;
  display: flex;
  gap: 10px;
  align-items: baseline;
}
.shelf ul {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(118px, 1fr));
  gap: 10px;
  border-bottom: 6px solid #d3c8b3;
  border-radius: 0 0 4px 4px;
  padding-bottom: 10px;
}
.food {
  position: relative;
  border-radius: 10px;
  border: 2px solid transparent;
  display: flex;
  flex-direction: column;
}
.food.on {
  background: var(--paper);
  border-color: var(--blue);
}
.take {
  font: inherit;
  color: inherit;
  background: none;
  border: 0;
  border-radius: 8px;
  padding: 8px 6px 6px;
  cursor: pointer;
  display: grid;
  justify-items: center;
  gap: 2px;
  text-align: center;
}
.take:hover {
  background: var(--linen);
}
.take img {
  width: 84px;
  height: 84px;
}
.against:not(.on) img {
  opacity: 0.55;
  filter: grayscale(0.5);
}
.fname {
  font-weight: 600;
  font-size: 0.87rem;
  line-height: 1.2;
}
.tag {
  font-size: 0.76rem;
  color: var(--soft);
  font-weight: 600;
}
.tick {
  position: absolute;
  top: 6px;
  right: 6px;
  width: 22px;
  height: 22px;
  border-radius: 50%;
  background: var(--blue);
  color: #fff;
  font: 700 0.8rem/22px var(--text);
}
.why {
  font-size: 0.76rem;
  color: var(--soft);
  padding: 0 8px 6px;
  text-align: center;
  line-height: 1.25;
}
.hand {
  display: flex;
  justify-content: center;
  gap: 2px;
}
.hand button {
  font: 600 0.78rem var(--text);
  color: var(--blue);
  background: none;
  border: 0;
  border-radius: 6px;
  min-height: 28px;
  padding: 0 5px;
  cursor: pointer;
}
.hand button:hover:enabled {
  background: var(--blue-wash);
}
.hand .pinned {
  background: var(--blue);
  color: #fff;
}
.subs {
  position: absolute;
  z-index: 4;
  top: 100%;
  left: -2px;
  width: 270px;
  background: var(--paper);
  border: 2px solid var(--blue);
  border-radius: 10px;
  padding: 6px;
  box-shadow: 0 8px 22px rgb(46 40 28 / 22%);
  font-size: 0.84rem;
  line-height: 1.25;
}
.shelf .subs {
  display: block;
  border: 2px solid var(--blue);
  border-radius: 10px;
  padding-bottom: 6px;
}
.subs b::after {
  content: ':';
}
.subs li button {
  font: inherit;
  color: inherit;
  text-align: left;
  background: none;
  border: 0;
  border-radius: 8px;
  width: 100%;
  padding: 6px;
  display: grid;
  grid-template-columns: 40px 1fr;
  gap: 10px;
  align-items: center;
  cursor: pointer;
}
.subs li button:hover {
  background: var(--blue-wash);
}
.subs img {
  width: 40px;
  height: 40px;
}
.form {
  font: 500 0.76rem var(--text);
  color: var(--ink);
  margin: auto 6px 6px;
  min-height: 30px;
  border: 1px solid var(--line-strong);
  border-radius: 6px;
  background: var(--paper);
  min-width: 0;
}
@media (pointer: coarse) {
  .hand button,
  .form {
    min-height: 44px;
  }
}
</style>
