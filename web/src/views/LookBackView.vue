<script setup lang="ts">
// What came home, within two minutes on a phone: tap a food on the tray, slide what was left, say why.
import { computed, nextTick, ref, useTemplateRef } from 'vue'
import { RouterLink } from 'vue-router'
import type { TrayElement } from '@/api/tray.gen'
import BesidePlan from '@/components/evening/BesidePlan.vue'
import PhotoStrip from '@/components/evening/PhotoStrip.vue'
import TapTray from '@/components/evening/TapTray.vue'
import Stage from '@/components/job/Stage.vue'
import TraySwitch from '@/components/job/TraySwitch.vue'
import { reasons, useEvening, type Remains } from '@/composables/evening'
import { useJob } from '@/stores/job'
import { useLarder } from '@/stores/larder'
import { clock, count, grams, minutes, time } from '@/tray/words'
import Choose from '@/components/common/Choose.vue'

const job = useJob()
const larder = useLarder()
const e = useEvening(() => job.id)
const card = useTemplateRef('card')
const open = ref('') // the food that is looked at
const looked = ref<ReadonlySet<string>>(new Set())
const now = computed(() => e.foods.value.find(f => f.food === open.value) ?? null)
const lit = computed(() => new Set(job.tray!.elements.filter(x => x.food === open.value).map(x => x.id)))
const gone = computed(
  () =>
    new Set(
      (e.evening.value?.dishes ?? [])
        .filter(
          d => d.tray === job.at && (d.gone_at_min != null || (e.evening.value!.done && d.left_g === 0)),
        )
        .map(d => d.element ?? ''),
    ),
)
function look(food: string) {
  open.value = open.value === food ? '' : food
  scaleSays.value = ''
  looked.value = new Set(looked.value).add(food)
  // asked for from far down the list, what is asked about comes into sight
  void nextTick(() => card.value?.scrollIntoView({ block: 'nearest' }))
}
const tap = (el: TrayElement) => look(el.food)
const serve = computed(() => time(job.doc?.brief.serve_at))
/** The times that may be chosen for when a food was gone, minutes after serving: sixths of the evening, and what was noted. */
function goneTimes(noted: number | null) {
  const lasted = e.evening.value?.lasted_min ?? 60
  const sixths = [1, 2, 3, 4, 5, 6].map(n => Math.round((lasted * n) / 6))
  return [...new Set(noted === null ? sixths : [Math.round(noted), ...sixths])]
}
const when = (m: number) =>
  serve.value ? clock(new Date(serve.value.getTime() + m * 60_000)) : `after ${minutes(m)}`
const share = (f: Remains) => Math.round((100 * f.left) / Math.max(1, f.laid))
const words = (f: Remains) => {
  if (f.gone !== null) return `gone by ${when(f.gone)}`
  if (e.crumbs(f)) return looked.value.has(f.food) || e.evening.value?.done ? 'all gone' : 'not looked at yet'
  if (f.left >= f.laid) return 'untouched'
  return `${grams(f.left)} left`
}
const beside = ref('') // the photograph that is held against the plan
const scaleSays = ref('')
async function weigh() {
  scaleSays.value = await e.weigh(open.value)
}
const done = () => e.finish()
const total = computed(() => ({
  laid: e.foods.value.reduce((s, f) => s + f.laid, 0),
  left: e.foods.value.reduce((s, f) => s + f.left, 0),
}))
/** What to do with what came home, what keeps shortest first. */
const remains = computed(() => [...(e.evening.value?.advice ?? [])].sort((a, b) => a.days - b.days))
</script>

<template>
  <Stage title="What came home?" look="What to do with it">
    <template #acts>
      <RouterLink class="btn" :to="{ name: 'logbook' }">Logbook</RouterLink>
    </template>
    <TraySwitch />
    <p v-if="!job.placed.length" class="card">
      Nothing was laid, so nothing came home.
      <RouterLink class="btn next" :to="{ name: 'lay' }">Lay the tray</RouterLink>
    </p>
    <template v-else-if="e.evening.value">
      <p v-if="e.wrong.value" class="card" role="alert">▲ {{ e.wrong.value }}</p>
      <div class="board">
        <TapTray
          :tray="job.tray!"
          :gone="gone"
          :lit="lit"
          says="The tray as it was laid; what was gone is covered"
          @tap="tap"
        />
      </div>
      <section v-if="now" ref="card" class="card one" aria-live="polite">
        <header>
          <img :src="larder.picture(now.food, now.form)" alt="" />
          <div>
            <h2>{{ larder.name(now.food) }}</h2>
            <p class="soft">
              {{ now.heaps > 1 ? `${count(now.heaps, 'heap')}, ` : '' }}{{ grams(now.laid) }} laid
            </p>
          </div>
          <p class="left">
            <b class="figure">{{ grams(now.left) }}</b> <span class="soft">left</span>
          </p>
        </header>
        <label class="only-read" for="left">How much was left</label>
        <input
          id="left"
          type="range"
          min="0"
          max="100"
          step="1"
          :value="share(now)"
          :aria-valuetext="words(now)"
          @input="e.leave(now!.food, (now!.laid * Number(($event.target as HTMLInputElement).value)) / 100)"
        />
        <p class="scale small soft" aria-hidden="true">
          <span>all gone</span><span>a third</span><span>two thirds</span><span>untouched</span>
        </p>
        <p class="when">
          <button class="btn" @click="weigh">Weigh it</button>
          <span role="status" class="soft small">{{ scaleSays }}</span>
        </p>
        <div v-if="e.crumbs(now)" class="when">
          <span>About when was it gone?</span>
          <Choose
            label="About when was it gone?"
            :width="170"
            :model-value="now.gone === null ? -1 : Math.round(now.gone)"
            :options="[[-1, 'nobody knows'], ...goneTimes(now.gone).map(m => [m, when(m)] as const)]"
            @update:model-value="m => e.goneAt(now!.food, m < 0 ? null : m)"
          />
        </div>
        <div class="why" role="group" aria-label="Why">
          <button
            v-for="r in reasons"
            :key="r"
            class="chip"
            :aria-pressed="now.reasons.includes(r)"
            @click="e.because(now!.food, r)"
          >
            {{ r }}
          </button>
        </div>
      </section>
      <p v-else class="soft">Tap a food on the tray or below. What nobody looks at counts as all gone.</p>
      <ul class="foods" aria-label="Foods of the evening">
        <li v-for="f in e.foods.value" :key="f.food">
          <button :aria-expanded="f.food === open" :class="{ on: f.food === open }" @click="look(f.food)">
            <img :src="larder.picture(f.food, f.form)" alt="" loading="lazy" />
            <span>{{ larder.name(f.food) }}</span>
            <span class="soft nums">{{ words(f) }}</span>
          </button>
        </li>
      </ul>
      <section class="card">
        <PhotoStrip
          :photos="e.photos.value"
          :src="e.photo"
          compare
          @add="e.addPhoto"
          @drop="e.dropPhoto"
          @beside="beside = $event"
        />
      </section>
      <BesidePlan
        v-if="beside"
        :key="beside + job.at"
        :job="job.id"
        :photo="beside"
        :src="e.photo(beside)"
        :tray="job.tray!"
        :at="job.at"
        @close="beside = ''"
      />
      <footer class="end">
        <span v-if="!e.evening.value.done">{{ looked.size }} of {{ e.foods.value.length }} looked at</span>
        <button v-if="!e.evening.value.done" class="btn next" @click="done">The rest is gone: done</button>
        <span v-else role="status" class="kept">
          {{
            e.state.value === 'saved'
              ? 'Saved; the next brief knows.'
              : e.state.value === 'held'
                ? 'Waits here until the server is back.'
                : 'Being saved'
          }}
          <button class="btn quiet" @click="e.forget">Forget this evening</button>
        </span>
      </footer>
    </template>
    <p v-else class="soft">Reading the evening</p>
    <template #look>
      <div v-if="e.evening.value && job.placed.length" class="panel">
        <p class="score">
          <b class="figure big">{{ Math.round((100 * total.left) / Math.max(1, total.laid)) }} %</b>
          <span class="soft">of {{ grams(total.laid) }} came home</span>
        </p>
        <template v-if="remains.length">
          <h2>What to do with it</h2>
          <ul class="card rest">
            <li v-for="a in remains" :key="a.food">
              <b>{{ larder.name(a.food) }}</b>, {{ grams(a.grams) }}. {{ a.says }}
              <span v-if="e.evening.value.kept?.includes(a.food)" class="soft">In the cupboard.</span>
              <button
                v-else-if="a.days > 0 && e.evening.value.done"
                class="btn quiet"
                :aria-label="`Put ${larder.name(a.food)} into the cupboard`"
                @click="e.keepRemains(a.food)"
              >
                Into the cupboard
              </button>
            </li>
          </ul>
          <p v-if="e.evening.value.caution" class="small soft">{{ e.evening.value.caution }}</p>
        </template>
        <template v-if="e.evening.value.notes.length">
          <h2>Noted on the evening</h2>
          <ul class="card rest">
            <li v-for="n in e.evening.value.notes" :key="n.at + n.says">
              <b class="nums">{{ clock(new Date(n.at)) }}</b> {{ n.says }}
            </li>
          </ul>
        </template>
      </div>
    </template>
  </Stage>
</template>

<style scoped>
.board {
  display: grid;
  justify-items: center;
}
.one {
  scroll-margin: 12px 0 90px;
  display: grid;
  gap: 10px;
  padding: 16px 20px 20px;
}
.one header {
  display: grid;
  grid-template-columns: auto 1fr auto;
  gap: 14px;
  align-items: center;
}
.one img {
  width: 60px;
  height: 60px;
}
.one h2 {
  font-size: var(--type-7);
}
.left {
  text-align: right;
  line-height: 1.2;
}
.left .figure {
  font-size: var(--type-7);
  display: block;
}
input[type='range'] {
  width: 100%;
  height: 44px;
  accent-color: var(--blue);
}
.scale {
  display: flex;
  justify-content: space-between;
  margin-top: -8px;
}
.when {
  display: flex;
  gap: 10px;
  align-items: center;
  flex-wrap: wrap;
}
.when .field {
  min-height: 44px;
}
.why {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
.why .chip {
  min-height: 44px;
}
.foods {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(260px, 1fr));
  gap: 8px;
}
.foods button {
  width: 100%;
  min-height: 56px;
  display: grid;
  grid-template-columns: 44px 1fr auto;
  gap: 10px;
  align-items: center;
  padding: 6px 12px;
  text-align: left;
  font: inherit;
  font-weight: 600;
  color: inherit;
  background: var(--paper);
  border: 1.5px solid transparent;
  border-radius: var(--radius-l);
  cursor: pointer;
}
.foods button:hover {
  border-color: var(--line-strong);
}
.foods button.on {
  border-color: var(--blue);
}
.foods .soft {
  font-weight: 400;
  font-size: var(--type-4);
}
.foods img {
  width: 44px;
  height: 44px;
}
.end {
  position: sticky;
  bottom: 0;
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 14px;
  flex-wrap: wrap;
  padding: 10px 18px;
  min-height: 60px;
  color: var(--night-ink);
  background: var(--ink);
  border-radius: var(--radius-l);
}
.end .quiet {
  color: var(--night-blue);
}
.end .quiet:hover {
  background: var(--night-raised);
}
.rest {
  display: grid;
  gap: 8px;
}
</style>
