<script setup lang="ts">
// The work against the clock: who does what when, what leaves the cold when, the kit, and what is printed.
import { computed, ref } from 'vue'
import { RouterLink } from 'vue-router'
import ChosenTask from '@/components/prep/ChosenTask.vue'
import DayCharts from '@/components/prep/DayCharts.vue'
import ClearTimes from '@/components/prep/ClearTimes.vue'
import StationLines from '@/components/prep/StationLines.vue'
import DayLists from '@/components/prep/DayLists.vue'
import KitLists from '@/components/prep/KitLists.vue'
import SheetLinks from '@/components/prep/SheetLinks.vue'
import Stage from '@/components/job/Stage.vue'
import TraySwitch from '@/components/job/TraySwitch.vue'
import type { DayTask } from '@/api/client'
import { useDay } from '@/composables/day'
import { useJob } from '@/stores/job'
import { useLarder } from '@/stores/larder'
import { minutesFrom, sameDay } from '@/tray/day'
import { clock, count, minutes, time, when } from '@/tray/words'
import NumberField from '@/components/common/NumberField.vue'

const job = useJob()
const larder = useLarder()
const sheet = computed(() => job.prep)
const { people, ovens, day, wrong, changed, move } = useDay()
const chosen = ref('')
const task = computed(() => day.value?.tasks.find(t => t.id === chosen.value) ?? null)
const names = (n: number) => (people.value > 1 ? `Hands ${n}` : 'Your hands')
function choose(id: string) {
  changed.value = ''
  chosen.value = chosen.value === id ? '' : id
}
function shift(t: DayTask, by: number) {
  chosen.value = t.id
  void move(t, by)
}
const at = (s: string) => clock(time(s)!)
/** Whether some of the work leads the rest: alone one does it all one after the other. */
const leads = computed(() => people.value > 1 && !!day.value?.tasks.some(t => t.critical))
const date = computed(() => job.tray?.brief.serve_at?.slice(0, 10) ?? '')
const print = () => window.print()
</script>

<template>
  <Stage title="Prep" look="Kit and cautions">
    <template #acts>
      <button class="btn" :disabled="!job.elements.length" @click="print">Print the work list</button>
      <RouterLink v-if="date" class="btn" :to="{ name: 'day', params: { date } }">The whole day</RouterLink>
      <RouterLink
        v-if="job.elements.length"
        class="btn next"
        :to="{ name: 'counter', params: { id: job.id } }"
        >At the counter</RouterLink
      >
    </template>
    <TraySwitch />
    <p v-if="!job.elements.length || !sheet" class="card">
      Steps follow from the foods.
      <RouterLink class="btn next" :to="{ name: 'pick' }">Pick the foods</RouterLink>
    </p>
    <p v-else-if="wrong" class="card" role="alert">▲ {{ wrong }}</p>
    <p v-else-if="!day" class="soft">Planning the day</p>
    <template v-else>
      <p v-if="day.late_minutes > 0" class="card late" role="status">
        ▲ This would be {{ minutes(day.late_minutes) }} late: the work takes longer than there is until
        serving.
      </p>
      <div class="first">
        <p class="lead">
          Begin at
          <b class="figure">{{
            day.relative
              ? minutes(minutesFrom(day.begin_at, day.serve_at)) + ' before serving'
              : sameDay(day.begin_at, day.serve_at)
                ? at(day.begin_at)
                : when(day.begin_at)
          }}</b>
          <template v-if="day.leave_at"
            >, leave at <b class="figure">{{ at(day.leave_at) }}</b></template
          >
          <template v-if="!day.relative"
            >, serve at
            <b class="figure blue">{{
              sameDay(day.begin_at, day.serve_at) ? at(day.serve_at) : when(day.serve_at)
            }}</b></template
          >.
          <span class="soft"
            >{{ count(day.tasks.filter(t => t.who).length, 'task') }} by hand{{
              leads ? '; those underlined in blue lead all the rest' : ''
            }}.
            <template v-if="!day.relative"
              >What perishes goes by {{ at(day.clear_at) }}; local rules first.</template
            ></span
          >
        </p>
        <span class="with no-print">
          <label class="small"
            >People <NumberField v-model="people" label="People" :min="1" :max="20" :width="64"
          /></label>
          <label class="small"
            >Ovens <NumberField v-model="ovens" label="Ovens" :min="0" :max="10" :width="64"
          /></label>
        </span>
      </div>
      <ClearTimes :day="day" :food-name="id => larder.name(id)" />
      <p v-if="day.savings?.length" class="small soft savings">
        To begin later:
        <span v-for="s in day.savings" :key="s.says"
          >{{ s.says.toLowerCase() }}, {{ minutes(s.minutes) }}</span
        >
      </p>
      <p v-if="(day.crews?.length ?? 0) > 1 && !day.relative" class="small soft crews no-print">
        Pairs of hands, and when work begins:
        <button
          v-for="c in day.crews"
          :key="c.people"
          type="button"
          class="crew"
          :class="{ now: c.people === day.people }"
          :aria-pressed="c.people === day.people"
          :title="c.early ? 'Something would be done earlier than it should be' : ''"
          @click="people = c.people"
        >
          <b class="nums">{{ c.people }}</b>
          <span class="nums">{{
            sameDay(c.begin_at, day.begin_at) ? at(c.begin_at) : when(c.begin_at)
          }}</span><template v-if="c.early"> ▲</template>
        </button>
      </p>
      <p v-if="day.pace" class="small soft no-print">
        Planned with your own pace for {{ count(Object.keys(day.pace).length, 'kind') }} of work;
        <RouterLink :to="{ name: 'logbook' }">the logbook says which</RouterLink>.
      </p>
      <p class="only-print">
        {{ job.tray!.title }}, {{ when(job.tray!.brief.serve_at) }}, {{ job.tray!.board?.name }}
      </p>
      <DayCharts
        class="no-print"
        :day="day"
        :chosen="chosen"
        :names="names"
        :food-name="id => larder.name(id)"
        :leads="leads"
        moves
        @move="shift"
        @choose="choose"
      />
      <ChosenTask v-if="task" class="no-print" :task="task" :changed="changed" @free="move(task, null)" />
      <StationLines :day="day" :names="names" :food-name="id => larder.name(id)" />
      <DayLists :day="day" :names="names" :chosen="chosen" @choose="chosen = $event" />
    </template>
    <template #look>
      <section v-if="sheet && job.elements.length" class="side">
        <template v-if="day">
          <h2 class="no-print">Sheets</h2>
          <SheetLinks class="no-print" :people="people" :ovens="ovens" />
          <template v-if="day.buy?.length">
            <h2>What to buy when</h2>
            <dl class="card buy">
              <template v-for="b in day.buy" :key="b.before">
                <dt>{{ b.by ? `by ${when(b.by)}` : `before ${when(b.before)}` }}</dt>
                <dd>{{ b.foods.map(f => larder.name(f).toLowerCase()).join('; ') }}</dd>
              </template>
            </dl>
          </template>
          <KitLists :job="job.id" :kit="day.kit" />
        </template>
        <template v-if="sheet.drinks.length">
          <h2>What to drink</h2>
          <ul class="card drinks">
            <li v-for="d in sheet.drinks" :key="d.name">
              <b>{{ d.name[0]!.toUpperCase() + d.name.slice(1) }}</b>
              <span v-if="!d.alcohol" class="soft small">, without alcohol</span><br />
              <span class="soft small">{{ d.why }}</span>
            </li>
          </ul>
        </template>
        <h2>The usual cautions</h2>
        <ul class="small cautions">
          <li v-for="c in day?.cautions ?? sheet.cautions" :key="c">{{ c }}</li>
        </ul>
      </section>
    </template>
  </Stage>
</template>

<style scoped>
.first {
  display: flex;
  gap: 20px;
  align-items: flex-start;
  justify-content: space-between;
}
.with {
  display: flex;
  gap: 12px;
  white-space: nowrap;
}
.lead .figure {
  font-size: var(--type-7);
}
.lead .blue {
  color: var(--blue);
}
.late {
  border: 2px solid var(--stop);
}
@media (max-width: 760px) {
  .first {
    flex-direction: column;
    gap: 10px;
  }
}
.savings span + span::before {
  content: '; ';
}
.crews {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  align-items: center;
}
.crew {
  display: inline-flex;
  gap: 6px;
  min-height: 32px;
  align-items: center;
  padding: 2px 10px;
  border: 1px solid var(--line-strong);
  border-radius: var(--radius-m);
  background: var(--paper);
  color: var(--ink);
  font: inherit;
  cursor: pointer;
}
.crew.now {
  border-color: var(--blue);
  box-shadow: inset 0 0 0 1px var(--blue);
}
.side {
  display: grid;
  gap: 10px;
}
.buy {
  margin: 0;
}
.buy dt {
  font-weight: 650;
}
.buy dd {
  margin: 0 0 8px;
}
.drinks {
  display: grid;
  gap: 8px;
}
.cautions {
  display: grid;
  gap: 8px;
  padding-left: 14px;
  border-left: 3px solid var(--line-strong);
}
.only-print {
  display: none;
}
@media print {
  .only-print {
    display: block;
    font-weight: 650;
  }
  .card {
    padding: 0;
    background: none;
  }
}
</style>
