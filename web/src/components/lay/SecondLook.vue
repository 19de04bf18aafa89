<script setup lang="ts">
// What the review says about what is on the table now, worst first.
import { computed, ref } from 'vue'
import type { Finding, Review } from '@/api/client'
import Why from '@/components/common/Why.vue'
import type { Mended } from '@/composables/mending'
import { useWaiving } from '@/composables/waiving'

const props = defineProps<{
  review: Review | null
  findings: readonly Finding[]
  before: Review | null // before what is chosen was moved
  shown: number | null
  laid: boolean
  mending: number | null
  offer?: Mended | null // what would mend one of them, shown on the tray
  still?: boolean // of a layout that is not saved yet, so nothing can be mended
}>()
const emit = defineEmits<{ show: [n: number]; mend: [n: number]; accept: []; decline: [] }>()

const waiving = useWaiving()
const most = 6
const why: Record<string, string> = {
  fit: 'Everything inside and apart, no bare board, nothing left beside',
  colour: 'Neighbours contrast, colours come back across the tray and stand off from the board',
  spread: 'Kinds and weight shared out over the tray',
  flow: 'Lines that lead the eye along the tray',
  pairs: 'What tastes good together sits together',
  height: 'Low, middle and tall in every part, and nothing tall before what is low',
  service: 'Room to cut, tools, reach',
  eaten: 'Nothing lies where nobody reaches',
  care: 'Wet from crisp, nothing rolls, allergens and children minded',
}
const groups = computed(() =>
  Object.keys(why)
    .filter(g => props.review?.groups[g] !== undefined)
    .map(g => {
      const value = Math.round(props.review!.groups[g]!)
      const was = props.before?.groups[g]
      return { id: g, value, change: was === undefined ? 0 : value - Math.round(was) }
    }),
)
const all = ref(false) // the smaller ones, too
/** What is told, each with its number among all, so that marks and keys mean the same; what is waived comes last. */
const numbered = computed(() => {
  const met = new Map<string, number>()
  return props.findings.map((f, i) => {
    // by what it is about: what it says changes as something is moved
    const about = [f.check, ...f.elements].join(' ')
    met.set(about, (met.get(about) ?? 0) + 1)
    return { f, n: i + 1, waiver: waiving.of(f), key: `${about} ${met.get(about)}` }
  })
})
const asked = computed(() => numbered.value.filter(x => !x.waiver))
const first = computed(() => asked.value.slice(0, all.value ? undefined : most))
const more = computed(() => Math.max(0, asked.value.length - most))
const waived = computed(() => numbered.value.filter(x => x.waiver))
const asking = ref('') // the finding for which a reason is being written
const reason = ref('')
function waive(f: Finding) {
  waiving.waive(f, reason.value)
  asking.value = reason.value = ''
}
const open = ref('') // the check whose places are told one by one
const score = computed(() => Math.round(props.review?.score ?? 0))
const change = computed(() => {
  if (props.before === null || !props.review) return ''
  const d = Math.round((props.review.score - props.before.score) * 10) / 10
  if (d === 0) return 'no change by this move'
  return `${d > 0 ? '+' : '−'}${Math.abs(d)} by this move`
})
const severity: Record<string, string> = { stop: 'Stop', mend: 'To mend', note: 'Worth knowing' }
</script>

<template>
  <section class="panel" data-help="Second look">
    <h2>Second look</h2>
    <template v-if="review && laid">
      <p class="score" data-help="Score">
        <span class="big figure">{{ score }}</span>
        <span class="soft">of 100<br />{{ change }}</span>
      </p>
      <ul class="groups">
        <li v-for="g in groups" :key="g.id" :data-help="g.id">
          <span class="soft small"><Why :says="why[g.id]!" :label="g.id" /></span>
          <span class="bar"><span :style="{ width: g.value + '%' }" /></span>
          <span class="figure small"
            ><span v-if="g.change" class="change" :class="{ worse: g.change < 0 }">{{
              g.change > 0 ? `+${g.change}` : `−${-g.change}`
            }}</span>
            {{ g.value }}</span
          >
        </li>
      </ul>
      <ol class="findings">
        <li
          v-for="{ f, n, key } in first"
          :key="key"
          class="card"
          :data-help="f.check"
          :class="[f.severity, { shown: shown === n }]"
        >
          <span class="n" aria-hidden="true">{{ n }}</span>
          <p class="small">
            <strong v-if="f.severity === 'stop'">{{ severity.stop }}. </strong>{{ f.shown ?? f.says }}
            <span class="acts">
              <button class="btn quiet" :aria-pressed="shown === n" @click="emit('show', n)">
                Show<span class="only-read"> finding {{ n }} on the tray</span>
              </button>
              <button
                v-if="!still && (f.elements.length || f.check === 'fit.gap' || f.check === 'fit.cover')"
                class="btn quiet"
                :disabled="mending !== null"
                @click="emit('mend', n)"
              >
                {{ mending === n ? 'Looking' : 'Mend' }}<span class="only-read"> finding {{ n }}</span>
              </button>
              <button
                v-if="!still && f.severity !== 'stop'"
                class="btn quiet"
                :aria-expanded="asking === key"
                @click="asking = asking === key ? '' : key"
              >
                Waive<span class="only-read"> finding {{ n }}</span>
              </button>
              <button
                v-if="f.places"
                class="btn quiet"
                :aria-expanded="open === f.check"
                @click="open = open === f.check ? '' : f.check"
              >
                {{ f.places.length }} places<span class="only-read"> of finding {{ n }}</span>
              </button>
            </span>
          </p>
          <form v-if="asking === key" class="offer small" @submit.prevent="waive(f)">
            <label
              >Why it may stay
              <input
                v-model="reason"
                class="field"
                maxlength="200"
                placeholder="the host wants it so"
                @keydown.esc.stop="asking = ''"
              />
            </label>
            <button class="btn next">Waive it</button>
            <button type="button" class="btn" @click="asking = ''">Leave it</button>
          </form>
          <p v-if="offer?.n === n" class="offer small" role="status">
            <span
              >{{ offer.says[0]!.toUpperCase() + offer.says.slice(1) }}:
              <b class="figure">+{{ offer.gain }}</b
              >. The tray shows it.</span
            >
            <button class="btn next" @click="emit('accept')">Take it</button>
            <button class="btn" @click="emit('decline')">Leave it</button>
          </p>
          <ul v-if="f.places && open === f.check" class="places small">
            <li v-for="p in f.places" :key="p.says + p.at">{{ p.shown ?? p.says }}</li>
          </ul>
        </li>
      </ol>
      <button v-if="more" class="btn quiet" :aria-expanded="all" @click="all = !all">
        {{ all ? 'Only the first' : `And ${more} smaller ${more === 1 ? 'one' : 'ones'}` }}
      </button>
      <p v-if="!first.length" class="soft">Nothing to mend. It can go out.</p>
      <details v-if="waived.length" class="let small">
        <summary>{{ waived.length === 1 ? 'One is' : `${waived.length} are` }} waived</summary>
        <ul>
          <li v-for="{ f, n, waiver, key } in waived" :key="key">
            {{ f.shown ?? f.says }} <span class="soft">{{ waiver!.why || 'No reason given.' }}</span>
            <button v-if="!still" class="btn quiet" @click="waiving.claim(f)">
              Take up again<span class="only-read"> finding {{ n }}</span>
            </button>
          </li>
        </ul>
      </details>
    </template>
    <p v-else-if="laid" class="soft small" role="status">Looking at it</p>
    <p v-else class="soft small">
      As soon as something lies on the board, this says what a sharp-eyed colleague would: what runs together,
      what is bare, what a knife cannot reach.
    </p>
    <slot />
  </section>
</template>

<style scoped>
.groups {
  display: grid;
  gap: 6px;
}
.groups li {
  display: grid;
  grid-template-columns: 56px 1fr 56px;
  align-items: center;
  gap: 8px;
}
.groups .figure {
  text-align: right;
}
.change {
  color: var(--blue);
  font-weight: 600;
  margin-right: 4px;
}
.change.worse {
  color: var(--stop);
}
.findings {
  display: grid;
  gap: 8px;
}
.card {
  display: grid;
  grid-template-columns: 24px 1fr;
  gap: 10px;
  padding: 10px 12px;
  border: 2px solid transparent;
}
.card.shown {
  border-color: var(--blue);
}
.n {
  width: 23px;
  height: 23px;
  border-radius: 50%;
  background: var(--blue);
  color: var(--white);
  font: 700 var(--type-3)/23px var(--head);
  text-align: center;
}
.note .n {
  background: var(--paper);
  color: var(--blue);
  box-shadow: inset 0 0 0 2px var(--blue);
}
.places {
  grid-column: 2;
  display: grid;
  gap: 6px;
  line-height: 1.3;
  color: var(--soft);
}
.offer label {
  flex-basis: 100%;
  display: grid;
  gap: 4px;
}
.let li {
  padding: 6px 0;
  line-height: 1.3;
}
.let summary {
  cursor: pointer;
  padding: 6px 0;
}
.offer {
  grid-column: 1 / -1;
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  margin: 0;
}
.offer span {
  flex-basis: 100%;
}
.card .offer .btn {
  min-height: 36px;
  padding: 0 14px;
}
.acts {
  white-space: nowrap;
}
.card .btn {
  min-height: 24px;
  padding: 0 6px;
  font-size: inherit;
}
@media (pointer: coarse) {
  .card .btn {
    min-height: 44px;
  }
}
</style>
