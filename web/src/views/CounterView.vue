<script setup lang="ts">
// At the counter: one step at a time in type for two metres, its pieces lit on the tray, next and back by large
// buttons, space or arrows; timers run on, the screen stays awake, and two who prepare share one list.
import { computed, onBeforeUnmount, onMounted, ref, shallowRef, watch } from 'vue'
import { RouterLink, useRoute, useRouter } from 'vue-router'
import { onKeyStroke, useWakeLock } from '@vueuse/core'
import type { TrayFile } from '@/api/tray.gen'
import LitTray from '@/components/prep/LitTray.vue'
import { drawing } from '@/composables/picture'
import { useCounter } from '@/composables/counter'
import { useLarder } from '@/stores/larder'
import { staleSince } from '@/away/stale'
import { clock, count, minutes, moment, time, when } from '@/tray/words'
import '@/style/dark.css'
import Choose from '@/components/common/Choose.vue'

const route = useRoute()
const router = useRouter()
const id = String(route.params.id)
const c = useCounter(id)
const larder = useLarder()
const wake = useWakeLock()
onMounted(() => {
  void c.open()
  void larder.read()
  if (wake.isSupported.value) void wake.request('screen').catch(() => undefined)
})

const at = ref<string | null>(null) // the step that was gone to; else the first that is not done
const index = computed(() => {
  const there = c.steps.value.findIndex(t => t.id === at.value)
  if (there >= 0) return there
  const first = c.steps.value.findIndex(t => !c.done.value.has(t.id))
  return first < 0 ? c.steps.value.length : first
})
const step = computed(() => c.steps.value[index.value] ?? null)
const next = computed(() => c.steps.value.slice(index.value + 1).find(t => !c.done.value.has(t.id)) ?? null)
const left = computed(() => c.steps.value.filter(t => !c.done.value.has(t.id)).length)
watch(c.who, () => (at.value = null))

/** The steps of the round that is at hand, of whoever looks. */
const round = computed(() => c.steps.value.filter(t => t.round === step.value?.round))
const roundSays = computed(
  () => c.day.value?.rounds.find(r => r.id === step.value?.round)?.says ?? 'The work',
)
const open = computed(() => round.value.filter(t => !c.done.value.has(t.id)))
const item = (t: (typeof round.value)[number]) => (t.food ? larder.name(t.food) : t.says)
// what is at hand is seen in a long list
const items = ref<HTMLElement | null>(null)
watch(
  () => step.value?.id,
  () => items.value?.querySelector('.here')?.scrollIntoView({ block: 'nearest' }),
  { flush: 'post' },
)
/** Whether a moment is of the day that the clock shows. */
const today = (at: string) => time(at)!.toDateString() === c.now.value.toDateString()
/** The whole round is done. */
function wholeRound() {
  for (const t of open.value) c.tick(t, true)
  at.value = null
}
function forward() {
  const t = step.value
  if (!t) return
  if (!c.done.value.has(t.id)) c.tick(t, true)
  at.value = null
}
function back() {
  const before = c.steps.value[index.value - 1]
  if (before) at.value = before.id
}
function undo() {
  if (step.value) c.tick(step.value, false)
}
onKeyStroke(e => {
  if ((e.target as Element).closest('.el-select, .el-select__popper, input')) return
  const act = {
    ' ': forward,
    ArrowRight: forward,
    ArrowLeft: back,
    Escape: () => void router.push({ name: 'prep', params: { id } }),
  }[e.key]
  if (!act || ((e.target as Element).closest('button, a') && e.key === ' ')) return
  act()
  e.preventDefault()
})

/** Minutes behind the plan, where the day is today's. */
const behind = computed(() => {
  const t = step.value
  if (!t || c.day.value?.relative) return null
  const m = (c.now.value.getTime() - new Date(t.starts).getTime()) / 60_000
  return Math.abs(m) < 12 * 60 ? Math.round(m) : null
})
/** More than the usual caution is said of what stands out. */
const over = computed(() => (c.holding.value?.says.length ?? 0) > 1)
const hour = (s: string) => clock(time(s)!)
const which = computed(() => {
  const t = step.value
  if (!t) return 0
  if (t.tray) return t.tray - 1
  return Math.max(
    0,
    c.trays.value.findIndex(one => one.elements.some(e => t.elements.includes(e.id))),
  )
})
const tray = computed(() => c.trays.value[which.value] ?? null)
/** The drawing of that tray: fetched once, so that it stays when the connection drops. */
const drawn = shallowRef<{ src: string; box: [number, number, number, number] } | null>(null)
const kept = new Map<TrayFile, { src: string; box: [number, number, number, number] }>()
watch(tray, async t => {
  if (!t?.board) return
  let d = kept.get(t)
  if (!d) {
    try {
      const svg = await drawing(t, 'above', false)
      const box = /viewBox="([^"]+)"/.exec(svg)?.[1]?.split(' ').map(Number) ?? []
      if (box.length !== 4) return
      d = {
        src: URL.createObjectURL(new Blob([svg], { type: 'image/svg+xml' })),
        box: box as [number, number, number, number],
      }
      kept.set(t, d)
    } catch {
      return // the words are enough
    }
  }
  if (tray.value === t) drawn.value = d
})
onBeforeUnmount(() => kept.forEach(d => URL.revokeObjectURL(d.src)))
function remains(until: number) {
  const s = Math.ceil((until - c.now.value.getTime()) / 1000)
  if (s <= 0) return 'ready'
  return `${Math.floor(s / 60)}:${String(s % 60).padStart(2, '0')}`
}
</script>

<template>
  <main id="work" class="dark counter">
    <header>
      <RouterLink :to="{ name: 'prep', params: { id } }" class="leave">‹ Prep</RouterLink>
      <h1>{{ c.title.value || 'At the counter' }}</h1>
      <Choose
        v-if="(c.day.value?.people ?? 1) > 1"
        v-model="c.who.value"
        inside
        label="Whose steps"
        :width="150"
        :options="[
          [0, 'Everybody'],
          ...Array.from({ length: c.day.value!.people }, (_, i) => [i + 1, `Hands ${i + 1}`] as const),
        ]"
      />
      <p class="clock nums">
        {{ clock(c.now.value) }}
        <span v-if="c.day.value && !c.day.value.relative" class="serve"
          >serve
          {{ today(c.day.value.serve_at) ? hour(c.day.value.serve_at) : when(c.day.value.serve_at) }}</span
        >
      </p>
    </header>

    <p v-if="c.holding.value?.since || c.holding.value?.probes.length" class="hold small" :class="{ over }">
      <template v-if="c.holding.value.since && c.holding.value.clear_at"
        >Out of the cold since {{ hour(c.holding.value.since) }}, clear away by
        <b>{{ hour(c.holding.value.clear_at) }}</b>,
        {{ c.holding.value.left_min > 0 ? minutes(c.holding.value.left_min) + ' left' : 'it is time' }}.
      </template>
      <span v-for="p in c.holding.value.probes" :key="p.probe" class="nums"
        >{{ p.probe }} {{ p.c.toFixed(1) }} °C
      </span>
      <template v-for="s in c.holding.value.says" :key="s"> {{ s }}</template>
    </p>
    <p v-if="!wake.isSupported.value" class="hold small">
      This browser lets no page keep the screen awake here: have the device do it, in its own settings.
    </p>
    <ul v-if="c.timers.value.length" class="timers" aria-label="Timers">
      <li v-for="t in c.timers.value" :key="t.task" :class="{ ready: t.until <= c.now.value.getTime() }">
        <b class="nums">{{ remains(t.until) }}</b> {{ t.says }}
        <button :aria-label="`Stop the timer: ${t.says}`" @click="c.dropTimer(t.task)">×</button>
      </li>
    </ul>
    <p v-if="staleSince && !c.away.value" class="note" role="status">
      No connection. What you see is from {{ moment(staleSince) }}.
    </p>
    <p v-if="c.away.value" class="note" role="status">
      The server cannot be reached<template v-if="staleSince"
        >; what you see is from {{ moment(staleSince) }}</template
      >. Go on: {{ count(c.waiting.value.length, 'tick') }} will be sent when it is back.
    </p>
    <p v-if="c.wrong.value" class="note" role="alert">▲ {{ c.wrong.value }}</p>

    <section v-if="step" class="step" aria-live="polite">
      <div class="see">
        <LitTray
          v-if="tray?.board && drawn"
          :src="drawn.src"
          :box="drawn.box"
          :tray="tray"
          :lit="step.elements"
          :says="`The tray, with ${step.elements.length} things of this step lit`"
        />
      </div>
      <div class="what">
        <p class="which nums">
          <b>{{ roundSays }}</b>
          <span class="far"
            >step {{ index + 1 }} of {{ c.steps.value.length
            }}{{ step.who && !c.who.value && c.people.value > 1 ? `, hands ${step.who}` : '' }}</span
          >
        </p>
        <div class="says">
          <img v-if="step.food && step.form" :src="larder.picture(step.food, step.form)" alt="" />
          <p class="big">{{ step.says }}</p>
        </div>
        <p class="more">
          {{ minutes(Math.max(1, step.minutes)) }}<template v-if="step.tool">, with {{ step.tool }}</template
          ><template v-if="c.day.value && !c.day.value.relative">, from {{ hour(step.starts) }}</template>
          <b v-if="c.done.value.has(step.id)"> · done</b>
        </p>
        <p v-if="behind !== null && behind > 2" class="behind">
          {{ minutes(behind) }} behind the plan.
          <button class="small" @click="c.again()">Plan the rest again</button>
        </p>
        <ul v-if="round.length > 1" ref="items" class="items" :aria-label="roundSays">
          <li v-for="t in round" :key="t.id">
            <button
              :aria-pressed="c.done.value.has(t.id)"
              :class="{ here: t.id === step.id }"
              :aria-label="`${t.says}${c.done.value.has(t.id) ? ', done' : ''}`"
              @click="c.tick(t, !c.done.value.has(t.id))"
            >
              <span aria-hidden="true">{{ c.done.value.has(t.id) ? '✓' : '○' }}</span>
              <!-- what should stand there now, once all is fetched -->
              <img
                v-if="t.kind === 'get-out' && t.food && t.form"
                loading="lazy"
                :src="larder.picture(t.food, t.form, undefined, true)"
                alt=""
              />
              {{ item(t) }}
            </button>
          </li>
        </ul>
        <p v-if="next && next.round !== step.round" class="then">Then: {{ next.says }}</p>
      </div>
    </section>
    <section v-else-if="c.day.value" class="all" role="status">
      <p class="big">
        {{ c.steps.value.length ? 'All done.' : 'There is nothing to do yet: foods come first.' }}
      </p>
    </section>
    <p v-else-if="!c.wrong.value" class="note">Reading the work</p>

    <footer>
      <button class="wet" :disabled="index === 0" @click="back">‹ Back</button>
      <button v-if="step && c.done.value.has(step.id)" class="wet" @click="undo">Not done after all</button>
      <button v-if="open.length > 1" class="wet" @click="wholeRound">All {{ open.length }} done</button>
      <button class="wet go" :disabled="!step" @click="forward">
        {{ step && c.done.value.has(step.id) ? 'Next ›' : 'Done, next ›' }}
      </button>
    </footer>
    <p class="only-read" role="status">{{ left }} steps are left</p>
  </main>
</template>

<style scoped>
.far {
  margin-left: 10px;
  opacity: 0.8;
}
.items {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(170px, 1fr));
  gap: 6px;
  max-height: 232px;
  overflow: auto;
  padding: 0;
}
.items li {
  list-style: none;
}
.items button {
  width: 100%;
  min-height: 40px;
  padding: 0 10px;
  border: 1px solid transparent;
  border-radius: var(--radius-m);
  background: none;
  color: inherit;
  font: inherit;
  font-size: var(--type-5);
  text-align: left;
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
}
.items button[aria-pressed='true'] {
  opacity: 0.55;
  text-decoration: line-through;
}
.items img {
  width: 34px;
  height: 34px;
  border-radius: var(--radius-s);
  background: var(--under-food);
  vertical-align: middle;
  margin: 0 6px;
}
.items .here {
  border-color: var(--night-blue);
}
.clock {
  margin: 0;
  font-size: var(--type-8);
  font-family: var(--head);
  font-weight: 700;
}
.serve {
  font-size: var(--type-6);
  color: var(--night-blue);
  margin-left: 8px;
}
.timers {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
.timers li {
  display: flex;
  align-items: center;
  gap: 10px;
  padding: 4px 6px 4px 14px;
  background: var(--night-field);
  border-radius: 999px;
}
.timers .ready {
  background: var(--night-blue);
  color: var(--night-on-blue);
}
.timers button {
  width: 44px;
  height: 44px;
  border: 0;
  background: none;
  color: inherit;
  font-size: var(--type-7);
  cursor: pointer;
}
.hold {
  margin: 0;
  color: var(--night-soft);
}
.hold .nums {
  color: var(--night-text);
  margin-right: 10px;
}
.hold.over {
  color: var(--night-warn);
}
.step {
  flex: 1;
  min-height: 0;
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 30px;
  align-items: center;
}
.see {
  height: 100%;
  min-height: 0;
}
.what {
  display: grid;
  gap: 16px;
}
.which {
  margin: 0;
  font-size: var(--type-7);
  color: var(--night-soft);
}
.says {
  display: flex;
  gap: 20px;
  align-items: center;
}
.says img {
  width: 110px;
  height: 110px;
  background: var(--under-food);
  border-radius: var(--radius-l);
  padding: 6px;
}
.big {
  margin: 0;
  font-family: var(--head);
  font-weight: 700;
  font-size: clamp(var(--type-9), 3.3vw, var(--type-10));
  line-height: 1.15;
}
.more {
  margin: 0;
  font-size: var(--type-7);
  color: var(--night-text);
}
.behind {
  margin: 0;
  font-size: var(--type-6);
  color: var(--night-warn);
}
.behind button {
  min-height: 44px;
  margin-left: 8px;
  padding: 0 14px;
  font: inherit;
  color: inherit;
  background: none;
  border: 1.5px solid currentColor;
  border-radius: var(--radius-m);
  cursor: pointer;
}
.then {
  margin: 0;
  font-size: var(--type-6);
  color: var(--night-soft);
}
.all {
  flex: 1;
  display: grid;
  place-items: center;
}
footer {
  display: flex;
  gap: 16px;
}
.counter .wet {
  flex: 1;
  min-height: 92px;
  font-size: var(--type-8);
}
.counter .go {
  flex: 2;
}
/* a phone on its side, propped up on the counter */
@media (max-height: 480px) {
  .counter {
    padding: 8px 14px;
    gap: 6px;
  }
  .counter .wet {
    min-height: 60px;
    font-size: var(--type-7);
  }
  .step {
    gap: 16px;
    grid-template-columns: 2fr 3fr;
  }
  .what {
    gap: 6px;
    max-height: 100%;
    overflow-y: auto;
  }
  .which,
  .more {
    font-size: var(--type-5);
  }
  .big {
    font-size: var(--type-7);
  }
  .says img {
    width: 60px;
    height: 60px;
  }
  .then {
    display: none;
  }
}
@media (max-width: 760px) {
  .counter {
    padding: 12px 14px 16px;
  }
  .step {
    grid-template-columns: 1fr;
    grid-template-rows: minmax(120px, 34vh) auto;
    overflow-y: auto;
  }
  .says img {
    width: 72px;
    height: 72px;
  }
  header {
    flex-wrap: wrap;
    gap: 10px;
  }
}
</style>
