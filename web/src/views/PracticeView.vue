<script setup lang="ts">
// The practice room: a short round of what is due, any kind by itself, a set by link for a class, and how well the rules are known.
import { computed, onMounted, ref, shallowRef, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { said } from '@/api/asking'
import { api, take, type ExerciseAsked, type ExerciseMark } from '@/api/client'
import ExerciseSheet from '@/components/practice/ExerciseSheet.vue'
import House from '@/components/house/House.vue'
import ResultsTable from '@/components/practice/ResultsTable.vue'
import PathList from '@/components/practice/PathList.vue'
import { kindSays, readSet, usePractice, written } from '@/composables/practice'
import { useLayIt } from '@/composables/layIt'
import { usePracticeRound } from '@/composables/practiceRound'
import { useToast } from '@/stores/toast'

const route = useRoute()
const router = useRouter()
const toast = useToast()
const practice = usePractice()
const wrong = ref('')
const { set, at, marks, begin: beginRound } = usePracticeRound()
const layIt = useLayIt()
const level = ref(1)

onMounted(async () => {
  try {
    await practice.read()
  } catch {
    wrong.value = 'The rules cannot be read just now. Exercises work all the same.'
  }
  const given = typeof route.query.set === 'string' ? readSet(route.query.set) : []
  if (given.length) begin(given)
})
// what was asked for while this is open, as from the help
watch(
  () => route.query.set,
  now => typeof now === 'string' && readSet(now).length && begin(readSet(now)),
)
function begin(of: ExerciseAsked[]) {
  beginRound(of)
  others.value = sofar.value = null
}
function leave() {
  begin([])
  void router.replace({ name: 'practice' })
}
async function marked(m: ExerciseMark) {
  marks.value = [...marks.value, m]
  await practice.note(m)
  if (m.laying) await practice.noteBoard(set.value[at.value]!, Math.round(m.points))
}
async function next() {
  if (at.value + 1 < set.value.length) at.value++
  else {
    if (set.value.length > 1) await practice.noteRound(mean.value)
    at.value = set.value.length
  }
}
const mean = computed(() =>
  marks.value.length ? marks.value.reduce((s, m) => s + m.points, 0) / marks.value.length : 0,
)
const done = computed(() => set.value.length > 0 && at.value >= set.value.length)
const due = computed(() => practice.standings.value.filter(s => s.due).length)
const met = computed(() => practice.standings.value.filter(s => s.met).length)
const sure = computed(() => practice.progress.value.guesses)
/** How often the truth lay in the ranges of late, and in those before: whether one gets better at knowing what one knows. */
const halves = computed(() => {
  const all = sure.value.last ?? []
  if (all.length < 10) return null
  const half = Math.floor(all.length / 2)
  const part = (of: number[]) => Math.round((100 * of.filter(Boolean).length) / of.length)
  return { before: part(all.slice(0, half)), now: part(all.slice(half)) }
})
const kinds = Object.entries(kindSays) as [ExerciseAsked['kind'], readonly [string, string]][]

/** Of a set that came by link, what others had so far, before one has done it. */
const sofar = shallowRef<number[][] | null>(null)
async function look() {
  const query = { set: written(set.value) }
  try {
    sofar.value = (await take(api.GET('/api/v1/practice/results', { params: { query } }))).results
    if (!sofar.value.length) toast.tell({ says: 'Nobody has put theirs here yet.' })
  } catch (e) {
    toast.tell({ says: said(e, 'That cannot be had just now.') })
  }
}
/** What others had of the same set, one's own last, once it was put beside them. */
const others = shallowRef<number[][] | null>(null)
async function beside() {
  try {
    const body = { set: written(set.value), points: marks.value.map(m => Math.round(m.points)) }
    others.value = (await take(api.POST('/api/v1/practice/results', { body }))).results
  } catch (e) {
    toast.tell({ says: said(e, 'That could not be kept just now.') })
  }
}
async function share() {
  const link = new URL(
    router.resolve({ name: 'practice', query: { set: written(set.value) } }).href,
    location.href,
  )
  try {
    await navigator.clipboard.writeText(link.href)
    toast.tell({ says: 'The link to this set is copied: everybody who opens it gets the same exercises.' })
  } catch {
    toast.tell({ says: link.href })
  }
}
</script>

<template>
  <House title="Practice">
    <template v-if="set.length" #acts>
      <button v-if="set.length > 1 && !done" class="btn quiet" @click="look">What others had</button>
      <button class="btn" @click="share">Copy the link to this set</button>
      <button class="btn" @click="leave">Leave</button>
    </template>
    <p v-if="wrong" class="card" role="alert">▲ {{ wrong }}</p>

    <ResultsTable v-if="sofar?.length && !done" :results="sofar" />
    <template v-if="set.length && !done">
      <p v-if="set.length > 1" class="soft small nums">
        {{ at + 1 }} of {{ set.length }} · {{ kindSays[set[at]!.kind][0] }}, level {{ set[at]!.level }}
      </p>
      <ExerciseSheet :asked="set[at]!" :last="at + 1 === set.length" @marked="marked" @next="next" />
    </template>

    <section v-else-if="done" class="card result" aria-label="What it came to">
      <h2>
        <span class="figure nums">{{ Math.round(mean) }}</span> of 100
      </h2>
      <ul>
        <li v-for="(m, n) in marks" :key="n">
          {{ kindSays[set[n]!.kind][0] }}, level {{ set[n]!.level }}:
          <b class="nums">{{ Math.round(m.points) }}</b>
        </li>
      </ul>
      <ResultsTable v-if="others" :results="others" mine />
      <div class="acts">
        <button v-if="set.length > 1 && !others" class="btn" @click="beside">Beside those of others</button>
        <button class="btn next" @click="begin(practice.round())">Another round</button>
        <button class="btn" @click="leave">That is enough</button>
      </div>
    </section>

    <template v-else>
      <div class="rooms">
        <section class="today card" aria-label="A short round">
          <h2>Five minutes</h2>
          <p>
            {{
              due
                ? `${due === 1 ? 'One rule is' : due + ' rules are'} due again; then what you have not met yet.`
                : 'Five exercises in the order of the work, from what you have not met yet.'
            }}
          </p>
          <button class="btn next" :disabled="!practice.ready.value" @click="begin(practice.round())">
            Begin
          </button>
          <p v-if="layIt.begun.value" class="again">
            A board is half laid.
            <button class="btn" @click="layIt.goOn">Go on</button>
            <button class="btn quiet" @click="layIt.drop">Leave it</button>
          </p>
          <p v-for="b in practice.boards.value.slice(0, 1)" :key="b.due" class="again">
            A board that you laid for {{ b.points }} points is due again.
            <button class="btn" @click="begin([b.asked])">Lay it again</button>
          </p>
          <p v-if="met" class="soft small nums">{{ met }} of {{ practice.rules.value.length }} rules met</p>
          <p v-if="sure.said" class="soft small nums">
            Of {{ sure.said }} ranges {{ sure.within }} held the truth ({{
              Math.round((100 * sure.within) / sure.said)
            }}
            %); four in five would be just right.
            <template v-if="halves">Lately {{ halves.now }} %, before that {{ halves.before }} %.</template>
            <span class="dots" aria-hidden="true"
              ><i v-for="(g, n) in sure.last ?? []" :key="n" :class="{ held: g }"
            /></span>
          </p>
        </section>
        <section class="kinds" aria-label="By kind">
          <label class="level"
            >How hard
            <input v-model.number="level" type="range" min="1" max="6" :aria-valuetext="`level ${level}`" />
            <b class="nums">{{ level }}</b>
          </label>
          <ul>
            <li v-for="[kind, [name, about]] in kinds" :key="kind">
              <button class="kind" @click="begin([practice.one(kind, level)])">
                <strong>{{ name }}</strong>
                <span class="soft small">{{ about }}</span>
              </button>
            </li>
          </ul>
        </section>
      </div>
      <section aria-label="The rules of the craft">
        <h2>The rules</h2>
        <PathList :standings="practice.standings.value" />
      </section>
    </template>
  </House>
</template>

<style scoped>
.rooms {
  display: grid;
  grid-template-columns: minmax(260px, 1fr) 2fr;
  gap: 18px;
  align-items: start;
}
.today {
  display: grid;
  gap: 10px;
  justify-items: start;
  padding: 18px 20px;
}
.kinds ul {
  list-style: none;
  padding: 0;
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(210px, 1fr));
  gap: 10px;
}
.kind {
  height: 100%;
  align-content: start;
  width: 100%;
  min-height: 74px;
  display: grid;
  gap: 2px;
  text-align: left;
  background: var(--paper);
  border: 1.5px solid var(--line);
  border-radius: var(--radius-m);
  padding: 12px 14px;
  font: inherit;
  color: var(--ink);
  cursor: pointer;
}
.kind:hover {
  border-color: var(--blue);
}
.level {
  display: flex;
  gap: 10px;
  align-items: center;
  min-height: 44px;
}
.level input {
  accent-color: var(--blue);
  width: 180px;
}
.dots {
  display: flex;
  gap: 2px;
  flex-wrap: wrap;
  margin-top: 6px;
}
.dots i {
  width: 6px;
  height: 14px;
  background: var(--line-strong);
}
.dots .held {
  background: var(--blue);
}
.result {
  display: grid;
  gap: 12px;
  padding: 20px;
}
.result ul {
  padding-left: 18px;
}
.result .figure {
  font-size: var(--type-10);
}
.acts {
  display: flex;
  gap: 8px;
  flex-wrap: wrap;
}
@media (max-width: 760px) {
  .rooms {
    grid-template-columns: 1fr;
  }
}
</style>
