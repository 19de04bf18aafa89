<script setup lang="ts">
// Foods as drawn portions on shelves by role; beside them what the choice
// covers and lacks.
import { computed, ref, shallowRef, useTemplateRef, watch } from 'vue'
import { useRouter } from 'vue-router'
import { useEventListener, useMediaQuery } from '@vueuse/core'
import type { Food, Offer } from '@/api/client'
import BalancePanel from '@/components/pick/BalancePanel.vue'
import AddFood from '@/components/pick/AddFood.vue'
import KeptChoices from '@/components/pick/KeptChoices.vue'
import PastedList from '@/components/pick/PastedList.vue'
import PickedFood from '@/components/pick/PickedFood.vue'
import ThreeChoices from '@/components/pick/ThreeChoices.vue'
import Stage from '@/components/job/Stage.vue'
import { useChoosing } from '@/composables/choosing'
import { useFinding } from '@/composables/finding'
import { useJob } from '@/stores/job'
import { useLarder } from '@/stores/larder'
import { shelfNames } from '@/tray/larder'

const job = useJob()
const larder = useLarder()
const router = useRouter()
const choosing = useChoosing()
const { busy, wrong, choice, cannot, picked, chosen, props, own, front, pins, forMe } = choosing

const search = ref('')
const { found, looked, list, readList, isList } = useFinding(search)
const foundFoods = computed(() =>
  (found.value ?? []).flatMap(f => {
    const food = larder.food(f.id)
    return food && f.category !== 'prop' ? [{ food, called: f.called }] : []
  }),
)
// what is looked for is there by that name, so nothing need be added
const exact = computed(() => {
  const first = foundFoods.value[0]
  return !!first && (!!first.called || first.food.name.toLowerCase() === looked.value.toLowerCase())
})
const adding = ref(false)
watch(looked, () => (adding.value = false))
function paste(e: ClipboardEvent) {
  const text = e.clipboardData?.getData('text') ?? ''
  if (!isList(text)) return
  e.preventDefault()
  void readList(text)
}
async function takeList(foods: { food: string; name?: string }[]) {
  if (await choosing.takeAll(foods)) list.value = null
}
async function added(id: string) {
  search.value = ''
  await choosing.toggle(id)
}
// a large larder shows the front of each shelf until it is asked for more
const shelfful = 48
const wide = shallowRef<ReadonlySet<string>>(new Set())
// on a phone a shelf is folded to what is chosen of it, until it is opened
const narrow = useMediaQuery('(max-width: 560px)')
const folded = (s: { id: string; foods: Food[] }) =>
  narrow.value && !wide.value.has(s.id) && s.foods.length > 3
const shown = (s: { id: string; foods: Food[] }) =>
  folded(s)
    ? s.foods.filter(f => chosen.value.has(f.id))
    : s.foods.slice(0, wide.value.has(s.id) || narrow.value ? 400 : shelfful)
function open(id: string, is: boolean) {
  const next = new Set(wide.value)
  if (is) next.add(id)
  else next.delete(id)
  wide.value = next
}
const onShelf = (f: Food, id: string) =>
  f.category === id && (id !== 'prop' || props.value.has(f.id)) && (!f.put_away || chosen.value.has(f.id))
const shelves = computed(() =>
  found.value
    ? []
    : Object.entries(shelfNames)
        .filter(([id]) => id !== 'prop' || props.value.size)
        .map(([id, title]) => ({
          id,
          title,
          kind: choice.value?.kinds.find(k => k.category === id),
          foods: larder
            .all!.foods.filter(f => onShelf(f, id))
            .sort((a, b) => Number(front.value.has(b.id)) - Number(front.value.has(a.id))),
        }))
        .filter(s => s.foods.length),
)

// three choices side by side, until one is taken or they are put away
const three = ref(false)
async function takeOffer(leaning: Offer['leaning']) {
  if (await choosing.takeOffer(leaning)) three.value = false
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
        aria-label="Find a food, or paste a list"
        maxlength="120"
        @paste="paste"
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

    <PastedList
      v-if="list"
      :list="list"
      :busy="busy"
      @take="takeList"
      @leave="list = null"
      @look="text => (search = text)"
    />

    <section v-if="found" class="shelf" aria-labelledby="shelf-found">
      <h2 id="shelf-found">
        Found <span class="soft small">{{ foundFoods.length || 'nothing' }} for “{{ looked }}”</span>
      </h2>
      <ul v-if="foundFoods.length">
        <PickedFood
          v-for="f in foundFoods"
          :key="f.food.id"
          :food="f.food"
          :called="f.called"
          :c="choosing"
        />
      </ul>
      <AddFood v-if="!exact || adding" :name="looked" :busy="busy" @added="added" />
      <button v-else class="btn quiet" @click="adding = true">
        Not what you meant? Add “{{ looked }}” as a food of its own
      </button>
    </section>

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
      <ul :class="{ folded: folded(s) }">
        <PickedFood v-for="f in shown(s)" :key="f.id" :food="f" :c="choosing" :row="folded(s)" />
      </ul>
      <button
        v-if="folded(s) || (s.foods.length > shelfful && !wide.has(s.id))"
        class="btn quiet"
        @click="open(s.id, true)"
      >
        All {{ s.foods.length }} of {{ s.title.toLowerCase() }}
      </button>
      <button v-else-if="narrow && wide.has(s.id)" class="btn" @click="open(s.id, false)">
        Only what is chosen
      </button>
    </section>

    <template #look>
      <BalancePanel
        :bites="job.doc!.bites?.length ? job.doc!.bites : (choice?.bites ?? [])"
        :choice="choice"
        :picked="picked"
        :count="chosen.size - props.size"
        :own="own"
        :busy="busy"
        :says="[...(picked ? (job.doc?.says ?? []) : []), ...(picked ? (choice?.says ?? []) : [])]"
        @add="choosing.toggle"
        @apart="choosing.plateApart"
      />
      <KeptChoices v-if="job.doc" :job="job.doc" :picked="picked" :busy="busy" @use="choosing.useKept" />
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
  flex-wrap: wrap;
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
  border-bottom: 6px solid var(--shelf);
  border-radius: 0 0 var(--radius-s) var(--radius-s);
  padding-bottom: 10px;
}
.shelf .folded {
  grid-template-columns: 1fr;
}
@media (max-width: 560px) {
  .find {
    width: 100%;
    min-height: 44px;
  }
}
</style>
