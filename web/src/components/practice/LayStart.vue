<script setup lang="ts">
// A board to be laid by hand: what goes on it, and where the clock is started; afterwards both boards side by side with what made
// the difference.
import { computed } from 'vue'
import type { Exercise, ExerciseAsked, ExerciseMark } from '@/api/client'
import type { TrayFile } from '@/api/tray.gen'
import DrawnBoard from './DrawnBoard.vue'
import { useLayIt } from '@/composables/layIt'
import { useLarder } from '@/stores/larder'
import { grams } from '@/tray/words'

const props = defineProps<{
  asked: ExerciseAsked
  exercise: Exercise
  mark: ExerciseMark | null
  mine: TrayFile | null
}>()
const it = useLayIt()
const larder = useLarder()
void larder.read()
const file = computed(() => props.exercise.tray as TrayFile)
const things = computed(() => file.value.elements ?? [])
const laying = computed(() => props.mark?.laying)
const groups = computed(() => (laying.value?.groups ?? []).filter(g => Math.abs(g.search - g.yours) >= 1))
</script>

<template>
  <div v-if="!laying" class="start">
    <DrawnBoard :tray="file" />
    <ul class="things">
      <li v-for="e in things" :key="e.id">
        <img :src="larder.picture(e.food, e.form)" alt="" />
        <span>{{ larder.name(e.food) }}, {{ e.vessel ? grams(e.grams) : e.count }}</span>
      </li>
    </ul>
    <p v-if="it.wrong.value" role="alert">▲ {{ it.wrong.value }}</p>
    <p>
      <button class="btn next" :disabled="it.busy.value" @click="it.begin(asked, exercise)">
        Start the clock
      </button>
    </p>
  </div>
  <div v-else class="both">
    <figure>
      <DrawnBoard v-if="mine" :tray="mine" />
      <figcaption>
        Yours: <b class="figure nums">{{ Math.round(laying.yours) }}</b>
      </figcaption>
    </figure>
    <figure>
      <DrawnBoard :tray="laying.laid as TrayFile" />
      <figcaption>
        The search's: <b class="figure nums">{{ Math.round(laying.search) }}</b>
      </figcaption>
    </figure>
    <section>
      <h3>What made the difference</h3>
      <ol v-if="laying.moves.length">
        <li v-for="m in laying.moves" :key="m.element">
          {{ m.says }}: <b class="nums">+{{ m.gain }}</b>
        </li>
      </ol>
      <p v-else class="soft">No single thing: it is how they lie together.</p>
      <p v-if="laying.over" class="small">{{ laying.over }} s over the clock.</p>
      <p class="soft small">The same board comes back in two days.</p>
    </section>
    <table v-if="groups.length">
      <caption class="only-read">
        Points by group
      </caption>
      <thead>
        <tr>
          <th scope="col">of 100</th>
          <th scope="col">yours</th>
          <th scope="col">the search's</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="g in groups" :key="g.group" :data-help="g.group">
          <th scope="row">{{ g.group }}</th>
          <td class="nums">{{ Math.round(g.yours) }}</td>
          <td class="nums">{{ Math.round(g.search) }}</td>
        </tr>
      </tbody>
    </table>
  </div>
</template>

<style scoped>
.start {
  display: grid;
  grid-template-columns: 1fr 1.4fr;
  gap: 16px 28px;
  align-items: center;
}
.start > p {
  grid-column: 2;
}
.things {
  list-style: none;
  padding: 0;
  margin: 0;
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(210px, 1fr));
  gap: 8px 18px;
}
.things li {
  display: flex;
  gap: 10px;
  align-items: center;
}
.things img {
  width: 44px;
  height: 44px;
  object-fit: contain;
}
.both {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 12px 26px;
  align-items: start;
}
figure {
  margin: 0;
}
figcaption {
  text-align: center;
}
figcaption b {
  font-size: var(--type-7);
}
section {
  display: grid;
  gap: 6px;
}
ol {
  margin: 0;
  padding-left: 20px;
}
table {
  border-collapse: collapse;
}
th,
td {
  padding: 4px 10px;
  text-align: right;
  border-bottom: 1px solid var(--line);
}
th:first-child {
  text-align: left;
}
@media (max-width: 760px) {
  .both,
  .start {
    grid-template-columns: 1fr;
  }
  .start > p {
    grid-column: 1;
  }
}
</style>
