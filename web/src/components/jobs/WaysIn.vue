<script setup lang="ts">
// How a newcomer begins: three questions and a laid board, what is in the house, or a board to play with.
import { computed, ref } from 'vue'
import DayTime from '@/components/common/DayTime.vue'
import TickedWords from '@/components/common/TickedWords.vue'
import { useBegin } from '@/composables/begin'

const { busy, wrong, begin } = useBegin()
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
const stock = () => begin('What is in the house', { guests: { adults: 6, children: 0 } }, 'brief')
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
        <input
          v-model.number="guests"
          class="field"
          type="number"
          min="1"
          max="2000"
          aria-label="How many guests"
        />
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
      <p>Write down the packs in the house and see for how many they make a board.</p>
      <button class="btn" :disabled="busy" @click="stock">List what is there</button>
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
.field {
  width: 96px;
}
@media (max-width: 900px) {
  .ways {
    grid-template-columns: 1fr;
  }
}
</style>
