<script setup lang="ts">
// All jobs of a day as one plan with the same hands; what is alike is done once.
import { computed, onMounted, ref } from 'vue'
import { RouterLink, useRoute } from 'vue-router'
import ChosenTask from '@/components/prep/ChosenTask.vue'
import DayCharts from '@/components/prep/DayCharts.vue'
import StationLines from '@/components/prep/StationLines.vue'
import DayLists from '@/components/prep/DayLists.vue'
import House from '@/components/house/House.vue'
import KitLists from '@/components/prep/KitLists.vue'
import { useDayOf } from '@/composables/day'
import { useLarder } from '@/stores/larder'
import { clock, time, when } from '@/tray/words'
import NumberField from '@/components/common/NumberField.vue'

const route = useRoute()
const larder = useLarder()
onMounted(() => void larder.read())
const date = computed(() => String(route.params.date))
const { people, ovens, day, wrong } = useDayOf(() => date.value)
const chosen = ref('')
const task = computed(() => day.value?.tasks.find(t => t.id === chosen.value) ?? null)
const names = (n: number) => (people.value > 1 ? `Hands ${n}` : 'Your hands')
const at = (s: string) => clock(time(s)!)
const shared = computed(() => day.value?.tasks.filter(t => (t.jobs?.length ?? 0) > 1).length ?? 0)
const file = (kind: string) =>
  `/api/v1/days/${date.value}/sheet?kind=${kind}&people=${people.value}&ovens=${ovens.value}`
const title = computed(() => when(date.value + 'T12:00').split(',')[0] ?? date.value)
</script>

<template>
  <House :title="title" wide>
    <template #acts>
      <template v-if="day?.tasks.length">
        <a class="btn" :href="file('calendar')" download>Calendar</a>
        <a class="btn" :href="file('table')" download>Table</a>
      </template>
      <label class="small"
        >People <NumberField v-model="people" label="People" :min="1" :max="20" :width="64"
      /></label>
      <label class="small"
        >Ovens <NumberField v-model="ovens" label="Ovens" :min="0" :max="10" :width="64"
      /></label>
    </template>
    <p v-if="wrong" class="card" role="alert">▲ {{ wrong }}</p>
    <p v-else-if="!day" class="soft">Planning the day</p>
    <p v-else-if="!day.tasks.length" class="card">Nothing is served on this day.</p>
    <template v-else>
      <ul class="jobs">
        <li v-for="j in day.jobs ?? []" :key="j.job" class="card">
          <RouterLink :to="{ name: 'prep', params: { id: j.job } }"
            ><b>{{ j.title }}</b></RouterLink
          >
          <span class="soft"
            >serve at <b class="blue">{{ at(j.serve_at) }}</b><template v-if="j.leave_at"
              >, leave at {{ at(j.leave_at) }}</template
            >; what perishes goes by {{ at(j.clear_at) }}</span
          >
        </li>
      </ul>
      <p>
        Begin at <b class="figure">{{ at(day.begin_at) }}</b><template v-if="shared"
          >; {{ shared }} tasks are done once for several jobs</template
        >.
        <span v-if="day.late_minutes > 0" role="status"
          >▲ This would be {{ day.late_minutes }} minutes late.</span
        >
      </p>
      <DayCharts
        :day="day"
        :chosen="chosen"
        :names="names"
        :food-name="id => larder.name(id)"
        :leads="people > 1"
        :moves="false"
        @choose="chosen = chosen === $event ? '' : $event"
      />
      <ChosenTask v-if="task" :task="task" />
      <div class="two">
        <div class="lists">
          <StationLines :day="day" :names="names" :food-name="id => larder.name(id)" />
          <DayLists :day="day" :names="names" :chosen="chosen" @choose="chosen = $event" />
        </div>
        <div class="lists">
          <KitLists :kit="day.kit" />
          <h2>The usual cautions</h2>
          <ul class="small cautions">
            <li v-for="c in day.cautions" :key="c">{{ c }}</li>
          </ul>
        </div>
      </div>
    </template>
  </House>
</template>

<style scoped>
.jobs {
  display: flex;
  gap: 12px;
  flex-wrap: wrap;
}
.jobs li {
  display: grid;
  gap: 2px;
  padding: 10px 16px;
}
.blue {
  color: var(--blue);
}
.figure {
  font-size: var(--type-7);
}
.two {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 320px;
  gap: 24px;
  align-items: start;
}
.lists {
  display: grid;
  gap: 10px;
}
.cautions {
  display: grid;
  gap: 8px;
  padding-left: 14px;
  border-left: 3px solid var(--line-strong);
}
@media (max-width: 900px) {
  .two {
    grid-template-columns: 1fr;
  }
}
</style>
