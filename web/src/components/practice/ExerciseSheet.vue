<script setup lang="ts">
// One exercise: what is asked, the answer, and what came of it with the reasons.
import { computed, ref, shallowRef, watch } from 'vue'
import { said, useAct } from '@/api/asking'
import {
  api,
  take,
  type Exercise,
  type ExerciseAnswer,
  type ExerciseAsked,
  type ExerciseMark,
} from '@/api/client'
import type { TrayFile } from '@/api/tray.gen'
import ChoiceCards from './ChoiceCards.vue'
import FindBoard from './FindBoard.vue'
import GuessLines from './GuessLines.vue'
import LayStart from './LayStart.vue'
import OrderList from './OrderList.vue'
import { useLayIt } from '@/composables/layIt'
import { written } from '@/composables/practice'

const props = defineProps<{ asked: ExerciseAsked; last: boolean }>()
const emit = defineEmits<{ marked: [mark: ExerciseMark]; next: [] }>()

const exercise = shallowRef<Exercise | null>(null)
const mark = shallowRef<ExerciseMark | null>(null)
const { busy, wrong, act } = useAct('The answer cannot be judged just now.')
const taps = ref<[number, number][]>([])
const chosen = ref<string[]>([])
const order = ref<string[]>([])
const layIt = useLayIt()
/** The board as it was laid by hand. */
const board = shallowRef<TrayFile | null>(null)
/** Kinds whose choices are put into an order. */
const sorted = ['order', 'save']
const guesses = ref<Record<string, { low: number; high: number }>>({})

async function begin() {
  const mine = props.asked
  exercise.value = mark.value = null
  wrong.value = ''
  taps.value = []
  chosen.value = []
  guesses.value = {}
  try {
    const made = await take(api.POST('/api/v1/practice', { body: mine }))
    if (mine !== props.asked) return
    order.value = sorted.includes(made.kind) ? (made.choices ?? []).map(c => c.id) : []
    exercise.value = made
    const laid = layIt.came.value
    if (made.kind === 'lay' && laid && written([laid.asked]) === written([mine])) {
      mark.value = laid.mark
      board.value = laid.mine
      layIt.came.value = null
      emit('marked', laid.mark)
    }
  } catch (e) {
    if (mine === props.asked) wrong.value = said(e, 'The exercise cannot be had just now.')
  }
}
watch(() => props.asked, begin, { immediate: true })

const whole = computed(() =>
  (exercise.value?.guesses ?? []).every(q => {
    const g = guesses.value[q.id]
    return g && g.low > 0 && g.high >= g.low
  }),
)
const answered = computed(() => {
  switch (exercise.value?.kind) {
    case 'find':
      return taps.value.length > 0
    case 'amount':
      return whole.value
    case 'order':
    case 'save':
      return true
    default:
      return chosen.value.length > 0
  }
})
const tray = computed(() => exercise.value?.tray as TrayFile | undefined)

async function judge() {
  if (!exercise.value || busy.value) return
  const answer: ExerciseAnswer = {}
  if (exercise.value.kind === 'find') answer.taps = taps.value
  else if (exercise.value.kind === 'amount') answer.guesses = guesses.value
  else if (sorted.includes(exercise.value.kind)) answer.order = order.value
  else answer.chosen = chosen.value
  await act(async () => {
    mark.value = await take(api.POST('/api/v1/practice/marks', { body: { ...props.asked, answer } }))
    emit('marked', mark.value)
  })
}
const printed = computed(
  () => `/api/v1/practice/sheet?seed=${props.asked.seed}&level=${props.asked.level}&paper=a4`,
)
const letter = (n: number) => String.fromCharCode(65 + n)
const whys = computed(() => (mark.value?.solution.because ?? []).filter(b => !b.id).map(b => b.says))
</script>

<template>
  <p v-if="wrong" class="card" role="alert">
    ▲ {{ wrong }} <button class="btn quiet" @click="exercise ? judge() : begin()">Try again</button>
  </p>
  <section v-if="exercise" class="sheet" aria-label="Exercise">
    <h2>{{ exercise.asks }}</h2>
    <div class="work" :class="{ two: exercise.kind === 'find' && mark }">
      <LayStart
        v-if="exercise.kind === 'lay'"
        :asked="asked"
        :exercise="exercise"
        :mark="mark"
        :mine="board"
      />
      <FindBoard v-else-if="tray" :tray="tray" :taps="taps" :mark="mark" @taps="t => (taps = t)" />
      <GuessLines
        v-else-if="exercise.kind === 'amount'"
        :exercise="exercise"
        :guesses="guesses"
        :mark="mark"
        @guesses="g => (guesses = g)"
      />
      <OrderList
        v-else-if="sorted.includes(exercise.kind)"
        :exercise="exercise"
        :order="order"
        :mark="mark"
        @order="o => (order = o)"
      />
      <ChoiceCards v-else :exercise="exercise" :chosen="chosen" :mark="mark" @chosen="c => (chosen = c)" />
      <ul v-if="mark?.solution.faults" class="faults">
        <li v-for="(f, n) in mark.solution.faults" :key="n" :class="{ found: mark.found.includes(n) }">
          <b class="figure">{{ letter(n) }}</b>
          <span
            >{{ f.says }} <small>{{ mark.found.includes(n) ? '✓ found' : '○ missed' }}</small></span
          >
        </li>
      </ul>
    </div>
    <p v-for="w in whys" :key="w" class="soft small">{{ w }}</p>
    <div class="foot" aria-live="polite">
      <template v-if="mark">
        <span class="points"
          ><b class="figure nums">{{ Math.round(mark.points) }}</b> of 100</span
        >
        <span>{{ mark.says }}</span>
        <button class="btn next" @click="emit('next')">{{ last ? 'Done' : 'Next' }}</button>
      </template>
      <template v-else>
        <span v-if="exercise.kind === 'find'" class="soft small"
          >{{ taps.length }} marked; tap a mark again to take it away ·
          <a :href="printed" target="_blank" rel="noopener">print it, with what is wrong overleaf</a></span
        >
        <span v-else-if="exercise.pick" class="soft small"
          >{{ chosen.length }} of {{ exercise.pick }} chosen</span
        >
        <button v-if="exercise.kind !== 'lay'" class="btn next" :disabled="!answered || busy" @click="judge">
          That is my answer
        </button>
      </template>
    </div>
  </section>
  <p v-else-if="!wrong" class="soft">Laying it out</p>
</template>

<style scoped>
.sheet {
  display: grid;
  gap: 14px;
}
h2 {
  font-size: var(--type-7);
  max-width: 46em;
}
.work.two {
  display: grid;
  grid-template-columns: minmax(0, 3fr) minmax(260px, 2fr);
  gap: 18px;
  align-items: start;
}
.faults {
  display: grid;
  gap: 10px;
  padding: 0;
  list-style: none;
}
.faults li {
  display: grid;
  grid-template-columns: 26px 1fr;
  gap: 6px;
  border-left: 4px solid var(--stop);
  padding: 2px 0 2px 10px;
}
.faults li.found {
  border-color: var(--blue);
}
.foot {
  display: flex;
  gap: 14px;
  align-items: center;
  flex-wrap: wrap;
  position: sticky;
  bottom: 0;
  background: var(--counter);
  padding: 10px 0;
}
.foot .btn {
  margin-left: auto;
}
.points b {
  font-size: var(--type-9);
}
@media (max-width: 760px) {
  .work.two {
    grid-template-columns: 1fr;
  }
}
</style>
