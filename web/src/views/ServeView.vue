<script setup lang="ts">
// The evening itself, on a phone in the hand: what has stood out how long, what is topped up next and from which box,
// what is gone by one tap on the tray, notes and photographs with the time.
import { computed, ref } from 'vue'
import { RouterLink } from 'vue-router'
import { useAsk } from '@/api/asking'
import { api, take } from '@/api/client'
import type { TrayElement } from '@/api/tray.gen'
import PhotoStrip from '@/components/evening/PhotoStrip.vue'
import TapTray from '@/components/evening/TapTray.vue'
import Stage from '@/components/job/Stage.vue'
import TraySwitch from '@/components/job/TraySwitch.vue'
import { useEvening, useForecast } from '@/composables/evening'
import { useRoutine } from '@/composables/routine'
import { useJob } from '@/stores/job'
import { useLarder } from '@/stores/larder'
import { clock, dayOf, grams, minutes, sideWord, time } from '@/tray/words'

const job = useJob()
const larder = useLarder()
const e = useEvening(
  () => job.id,
  at => Math.max(0, serve.value ? (at - serve.value.getTime()) / 60_000 : 0),
)
const forecast = useForecast(
  () => job.id,
  () => job.revision,
)
const now = ref(new Date())
const { now: holding } = useAsk(
  () => {
    const params = { path: { id: job.id } }
    const ask = (signal: AbortSignal) => take(api.GET('/api/v1/jobs/{id}/holding', { params, signal }))
    return job.id ? { key: ['holding', job.id], ask } : null
  },
  { every: 15_000, keep: false },
)
useRoutine(() => (now.value = new Date()), 5000)

/** The clock of the tray that is looked at. */
const held = computed(() => holding.value?.trays[job.at] ?? null)
const serve = computed(() => time(job.doc?.brief.serve_at))
/** The day it is served on, where that is not today: hours of another day say so. */
const otherDay = computed(() =>
  serve.value && serve.value.toDateString() !== now.value.toDateString() ? `, ${dayOf(serve.value)}` : '',
)
const after = (m: number) => (serve.value ? new Date(serve.value.getTime() + m * 60_000) : null)
const ends = computed(() => after(forecast.value?.minutes ?? 0))
const when = (m: number) => {
  const at = after(m)
  return at ? clock(at) : `after ${minutes(m)}`
}
/** How far the evening has gone, minutes; null before and long after it. */
const gone = computed(() => {
  if (!serve.value) return null
  const m = (now.value.getTime() - serve.value.getTime()) / 60_000
  return m >= 0 && m < (forecast.value?.minutes ?? 0) + 180 ? m : null
})
const topUps = computed(() => forecast.value?.top_up ?? [])
/** What was laid later already, of the forecast's moments the first ones of its food. */
const topped = computed(() => e.evening.value?.topped ?? [])
const due = computed(() => {
  const met = new Map<string, number>()
  return topUps.value.filter(t => {
    const n = (met.get(t.food) ?? 0) + 1
    met.set(t.food, n)
    return n > topped.value.filter(d => d.food === t.food).length
  })
})
const next = computed(() => due.value[0] ?? null)
/** The tray on which a food lies, this one first. */
const trayOf = (food: string) =>
  [job.at, ...job.trays.keys()].find(n => job.trays[n]?.elements.some(el => el.food === food && el.placed)) ??
  job.at
const latest = computed(() => topped.value.at(-1) ?? null)
/** What is left in the box of a food, g. */
const boxed = (food: string) =>
  Math.max(
    0,
    (job.tray?.reserve ?? []).filter(r => r.food === food).reduce((g, r) => g + r.grams, 0) -
      topped.value.filter(d => d.food === food && d.tray === job.at).reduce((g, d) => g + d.grams, 0),
  )
const dishes = computed(() => (e.evening.value?.dishes ?? []).filter(d => d.tray === job.at))
const goneHere = computed(
  () => new Set(dishes.value.filter(d => d.gone_at_min != null).map(d => d.element ?? '')),
)
/** The minute at which the tray is looked ahead to; null shows it as it is. */
const ahead = ref<number | null>(null)
const eaten = computed(() => {
  const by = new Map<string, number>()
  if (ahead.value === null) return by
  for (const e of forecast.value?.elements ?? []) {
    const l = e.looks.find(l => l.minute === ahead.value)
    if (l && (!e.tray || e.tray === job.at + 1)) by.set(e.id, 1 - l.left_share)
  }
  return by
})
const none: ReadonlySet<string> = new Set()
const last = ref<TrayElement | null>(null)
const lit = computed(() => new Set(last.value ? [last.value.id] : []))
function tap(el: TrayElement) {
  last.value = el
  ahead.value = null
  void e.gone(job.at, el.id, !goneHere.value.has(el.id))
}
/** By when what perishes goes: by what was ticked, else by the day's plan. */
const clearBy = computed(() => held.value?.clear_at ?? held.value?.planned_clear_at)
const text = ref('')
function note() {
  if (text.value.trim()) e.note(text.value.trim())
  text.value = ''
}
const crowd = computed(() =>
  [...(forecast.value?.crowd ?? [])]
    .filter(c => (!c.tray || c.tray === job.at + 1) && Math.round(100 * c.share) > 0)
    .sort((a, b) => b.share - a.share),
)
const front = computed(() => job.tray?.board?.front ?? 'none')
const at = (s: string) => clock(new Date(s))
</script>

<template>
  <Stage title="Serve" look="The evening">
    <template #acts>
      <RouterLink class="btn next" :to="{ name: 'look-back' }">What came home</RouterLink>
    </template>
    <TraySwitch />
    <p v-if="!job.placed.length" class="card">
      Lay the tray first; here it is watched while it is eaten.
      <RouterLink class="btn next" :to="{ name: 'lay' }">Lay it</RouterLink>
    </p>
    <template v-else>
      <ul class="clocks">
        <li class="card">
          <span class="soft small">{{ gone === null ? 'Served at' : 'Served since' }}{{ otherDay }}</span>
          <b class="figure">{{ serve ? clock(serve) : 'no time set' }}</b>
          <span class="small soft">{{
            gone !== null
              ? `${minutes(gone)} of ${minutes(forecast?.minutes ?? 0)}`
              : ends
                ? `until about ${clock(ends)}`
                : ''
          }}</span>
        </li>
        <li class="card">
          <span class="soft small">Clear away by</span>
          <b class="figure" :class="{ over: (held?.left_min ?? 1) <= 0 && held?.since }">{{
            clearBy ? at(clearBy) : '–'
          }}</b>
          <span class="small soft">{{
            held?.since
              ? `out of the cold since ${at(held.since)}`
              : holding &&
                `${minutes(holding.hold_min)} out of the cold in all, by the plan; local rules first`
          }}</span>
        </li>
        <li class="card">
          <span class="soft small">Top up next</span>
          <b class="figure blue">{{ next ? when(next.minute) : 'nothing' }}</b>
          <span class="small soft">{{
            next
              ? `${larder.name(next.food).toLowerCase()}, ${grams(next.grams)} from its box`
              : topUps.length
                ? 'all of it is laid'
                : 'no reserve is kept'
          }}</span>
          <button
            v-if="next && gone !== null"
            class="btn"
            @click="e.topUp(trayOf(next.food), next.food, next.grams)"
          >
            It is laid
          </button>
        </li>
      </ul>
      <p v-if="e.wrong.value" class="card" role="alert">▲ {{ e.wrong.value }}</p>
      <p class="soft">Tap what is gone. Tapped again it is there after all.</p>
      <div class="board">
        <TapTray
          :tray="job.tray!"
          :gone="ahead === null ? goneHere : none"
          :lit="lit"
          :eaten="eaten"
          :says="
            ahead === null
              ? 'The tray; what is gone is covered'
              : `The tray as it is foreseen to look at ${when(ahead)}`
          "
          @tap="tap"
        />
      </div>
      <div v-if="forecast?.looks.length" class="ahead" role="group" aria-label="Forecast by the minute">
        <button class="chip" :aria-pressed="ahead === null" @click="ahead = null">as it is</button>
        <button
          v-for="l in forecast.looks"
          :key="l.minute"
          class="chip nums"
          :aria-pressed="ahead === l.minute"
          @click="ahead = l.minute"
        >
          {{ when(l.minute) }}
        </button>
      </div>
      <p role="status" class="last">
        <template v-if="last"
          ><b>{{ larder.name(last.food) }}</b> {{ goneHere.has(last.id) ? 'is gone' : 'is there' }}.
          <button
            v-if="boxed(last.food) >= 0.1"
            class="btn"
            @click="e.topUp(job.at, last.food, Math.round(10 * boxed(last.food)) / 10)"
          >
            Lay {{ grams(boxed(last.food)) }} from its box
          </button></template
        >
        <template v-else>{{ goneHere.size }} of {{ dishes.length }} are gone.</template>
      </p>
      <p v-if="latest" class="last">
        {{ when(latest.at_min) }}: {{ grams(latest.grams) }} more of
        <b>{{ larder.name(latest.food).toLowerCase() }}</b> laid.
        <button class="btn quiet" @click="e.takeBackTopUp()">It was not</button>
      </p>
      <details class="card">
        <summary>As a list</summary>
        <ul class="plain">
          <li v-for="d in dishes" :key="d.element">
            <label
              ><input
                type="checkbox"
                :checked="d.gone_at_min != null"
                @change="e.gone(job.at, d.element ?? '', d.gone_at_min == null)"
              />
              {{ larder.name(d.food) }}
              <span class="soft nums">{{
                d.gone_at_min != null ? `gone at ${when(d.gone_at_min)}` : grams(d.laid_g)
              }}</span></label
            >
          </li>
        </ul>
      </details>
      <form class="card note" @submit.prevent="note">
        <label for="note">Note, with the time</label>
        <textarea id="note" v-model="text" class="field" rows="2" maxlength="900" />
        <button class="btn" :disabled="!text.trim()">Note it</button>
        <ul v-if="e.evening.value?.notes.length" class="plain">
          <li v-for="n in e.evening.value.notes" :key="n.at + n.says">
            <b class="nums">{{ at(n.at) }}</b> {{ n.says }}
          </li>
        </ul>
      </form>
      <section class="card">
        <PhotoStrip :photos="e.photos.value" :src="e.photo" @add="e.addPhoto" @drop="e.dropPhoto" />
      </section>
    </template>
    <template #look>
      <div v-if="forecast && job.placed.length" class="panel">
        <h2>For the room</h2>
        <p class="card">
          <template v-if="front !== 'none' && front !== 'bottom'"
            >Its front is the {{ sideWord('left', front) }} of the drawing.
          </template>
          <template v-if="crowd.length"
            >They stand at
            {{
              crowd.map(c => `the ${sideWord(front, c.side)} (${Math.round(100 * c.share)} %)`).join(', ')
            }}.</template
          >
        </p>
        <h2>Foreseen</h2>
        <ul class="card looks">
          <li v-for="l in forecast.looks" :key="l.minute">
            <span class="nums">{{ when(l.minute) }}</span>
            <span class="meter"><i :style="{ width: `${100 * l.left_share}%` }" /></span>
            <b class="nums">{{ Math.round(100 * l.left_share) }} %</b>
          </li>
          <li class="soft small wide">so full the trays look, without topping up</li>
        </ul>
        <template v-if="topUps.length">
          <h2>To top up</h2>
          <ul class="card tops">
            <li v-for="t in topUps" :key="t.food">
              <b class="nums">{{ when(t.minute) }}</b> {{ larder.name(t.food).toLowerCase() }},
              {{ grams(t.grams) }}<span v-if="!due.includes(t)" class="soft">, laid</span>
            </li>
          </ul>
        </template>
        <p class="soft small">
          Of {{ forecast.evenings }} evenings played: {{ grams(forecast.waste.grams) }} are left in the mean.
        </p>
      </div>
    </template>
  </Stage>
</template>

<style scoped>
.clocks {
  display: grid;
  grid-template-columns: repeat(3, minmax(0, 1fr));
  gap: 10px;
}
.clocks li {
  display: grid;
  gap: 2px;
  align-content: start;
}
.clocks .btn {
  justify-self: start;
  margin-top: 6px;
}
.clocks .figure {
  font-size: var(--type-8);
  line-height: 1.15;
}
.blue {
  color: var(--blue);
}
.over {
  color: var(--stop);
}
.board {
  display: grid;
  justify-items: center;
}
.ahead {
  display: flex;
  justify-content: center;
  flex-wrap: wrap;
  gap: 8px;
}
.last {
  min-height: 1.5em;
  text-align: center;
}
.plain {
  display: grid;
  gap: 4px;
}
.plain label {
  display: flex;
  gap: 10px;
  align-items: center;
  min-height: 44px;
}
.plain input {
  width: 22px;
  height: 22px;
}
.note {
  display: grid;
  gap: 8px;
  justify-items: start;
}
.note .field {
  width: 100%;
}
summary {
  cursor: pointer;
  font-weight: 600;
  min-height: 32px;
}
.looks li {
  display: grid;
  grid-template-columns: 64px 1fr 48px;
  align-items: center;
  gap: 10px;
  min-height: 28px;
}
.looks .wide {
  display: block;
}
.meter {
  height: 8px;
  border-radius: var(--radius-s);
  background: var(--line);
}
.meter i {
  display: block;
  height: 100%;
  border-radius: var(--radius-s);
  background: var(--ink);
}
.tops {
  display: grid;
  gap: 6px;
}
@media (max-width: 560px) {
  .clocks {
    grid-template-columns: 1fr;
  }
  .clocks li {
    grid-template-columns: 1fr auto;
    align-items: baseline;
  }
  .clocks .figure {
    font-size: var(--type-7);
  }
  .clocks .small:not(:first-child),
  .clocks .btn {
    grid-column: 1 / -1;
  }
}
</style>
