<script setup lang="ts">
// How a newcomer begins: three questions and a laid board, what is in the house, or a board to play with.
import { computed, ref, shallowRef } from 'vue'
import { useAct } from '@/api/asking'
import { api, take } from '@/api/client'
import type { Pack } from '@/api/tray.gen'
import DayTime from '@/components/common/DayTime.vue'
import TickedWords from '@/components/common/TickedWords.vue'
import { useBegin } from '@/composables/begin'
import { useLarder } from '@/stores/larder'
import { count } from '@/tray/words'
import NumberField from '@/components/common/NumberField.vue'

const { busy, wrong, begin } = useBegin()
const larder = useLarder()
const guests = ref(8)
const at = ref<string>()
const avoided = ref<string[]>([])
const words = [
  ['meat', 'meat'],
  ['nuts', 'nuts'],
  ['gluten', 'gluten'],
  ['milk', 'milk'],
  ['egg', 'egg'],
  ['fish', 'fish'],
  ['pork', 'pork'],
  ['alcohol', 'alcohol'],
] as const
const tick = (word: string, on: boolean) =>
  (avoided.value = on ? [...avoided.value, word] : avoided.value.filter(w => w !== word))
const fine = computed(() => Number.isInteger(guests.value) && guests.value >= 1 && guests.value <= 2000)

const people = () =>
  begin(`Board for ${guests.value}`, {
    guests: { adults: guests.value, children: 0 },
    ...(at.value ? { serve_at: at.value } : {}),
    ...(avoided.value.length ? { diets: [{ who: 'everybody', avoid: avoided.value as never }] } : {}),
  })
/** What stands in fridge and cupboard, as somebody writes it down, and what it makes. */
const text = ref('')
const house = shallowRef<{ packs: Pack[]; names: string[]; unknown: string[]; carries: number } | null>(null)
const { busy: reading, wrong: unread, act } = useAct('That could not be read. Try again.')
async function see() {
  if (!text.value.trim() || reading.value) return
  house.value = null
  await act(async () => {
    const read = await take(api.POST('/api/v1/packs', { body: { text: text.value } }))
    const packs: Pack[] = read.packs.map(p => ({
      food: p.food,
      name: p.name || undefined,
      grams: p.grams,
      count: p.count,
    }))
    const asked = { guests: { adults: 1, children: 0 }, packs }
    const carries = packs.length ? (await take(api.POST('/api/v1/outlook', { body: asked }))).carries : 0
    await larder.read()
    house.value = {
      packs,
      names: packs.map(p => p.name || larder.name(p.food)),
      unknown: read.unknown,
      carries,
    }
  })
}
const stock = () =>
  house.value &&
  begin(
    'What is in the house',
    {
      guests: { adults: Math.max(1, house.value.carries), children: 0 },
      packs: house.value.packs,
    },
    'planned from what is in the house',
  )
const shown = () =>
  begin('A board to play with', {
    guests: { adults: 10, children: 0 },
    occasion: 'grazing',
    month: 9,
    place: 'Saltmere',
    note: 'Made up, to try things on: move them, change them, hide it afterwards.',
  })
</script>

<template>
  <section class="ways" aria-label="Three ways to begin">
    <p v-if="wrong" class="card" role="alert">▲ {{ wrong }}</p>
    <form class="way card main" @submit.prevent="people">
      <h2>People are coming</h2>
      <label class="line"
        >How many
        <NumberField v-model="guests" steps label="How many guests" :min="1" :max="2000" />
      </label>
      <label class="line"
        >When <DayTime :value="at" label="When they come" @written="d => (at = d)" />
      </label>
      <fieldset class="line">
        <legend>What nobody may eat</legend>
        <TickedWords :words="words" :holds="w => avoided.includes(w)" @ticked="tick" />
      </fieldset>
      <button class="btn next" type="submit" :disabled="busy || !fine">Lay a board</button>
      <p class="soft small">The foods, the amounts and the board follow; all of it can be changed.</p>
    </form>
    <div class="way card">
      <h2>I have this</h2>
      <p>Write down what stands in fridge and cupboard.</p>
      <textarea
        v-model="text"
        class="field wide"
        rows="3"
        maxlength="6000"
        aria-label="What stands in fridge and cupboard"
        placeholder="2 x 200 g brie, olives 180 g, crackers"
      />
      <button class="btn" :disabled="reading || !text.trim()" @click="see">See what it makes</button>
      <p v-if="unread" role="alert">▲ {{ unread }}</p>
      <template v-if="house">
        <p v-if="house.carries" role="status">
          {{ house.names.join('; ') }}: a board for about {{ count(house.carries, 'guest') }}.
        </p>
        <p v-else role="status">
          That makes no board yet: add a cheese, something to take it on, some fruit.
        </p>
        <p v-if="house.unknown.length" class="small">▲ Not in the larder: {{ house.unknown.join('; ') }}.</p>
        <button v-if="house.carries" class="btn next" :disabled="busy" @click="stock">
          Lay it for {{ house.carries }}
        </button>
      </template>
    </div>
    <div class="way card">
      <h2>Show me</h2>
      <p>A made-up board to try things on. Hide it afterwards.</p>
      <button class="btn" :disabled="busy" @click="shown">Lay one to play with</button>
    </div>
  </section>
</template>

<style scoped>
.ways {
  display: grid;
  grid-template-columns: 2fr 1fr 1fr;
  gap: 16px;
  align-items: start;
}
.way {
  display: grid;
  gap: 12px;
  justify-items: start;
  padding: 20px;
}
.ways > .card[role='alert'] {
  grid-column: 1 / -1;
}
.line {
  display: flex;
  gap: 6px 12px;
  align-items: center;
  flex-wrap: wrap;
  border: 0;
  padding: 0;
  margin: 0;
}
legend {
  padding: 0 0 4px;
}
.wide {
  width: 100%;
}
@media (max-width: 900px) {
  .ways {
    grid-template-columns: 1fr;
  }
}
</style>
