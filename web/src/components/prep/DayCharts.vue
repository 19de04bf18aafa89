<script setup lang="ts">
// A day against the clock, stretch by stretch: the evening before is a chart of its own.
import { computed } from 'vue'
import type { Day, DayTask } from '@/api/client'
import { spansOf } from '@/tray/day'
import { clock, time, when } from '@/tray/words'
import DayChart from './DayChart.vue'

const props = defineProps<{
  day: Day
  chosen: string
  names: (n: number) => string
  foodName: (id: string) => string
  moves: boolean
  leads: boolean
}>()
const emit = defineEmits<{ choose: [id: string]; move: [task: DayTask, minutes: number] }>()
const spans = computed(() => spansOf(props.day))
</script>

<template>
  <div class="charts">
    <section v-for="s in spans" :key="s.from" :aria-label="`From ${when(s.from)}`">
      <h3 v-if="spans.length > 1">{{ when(s.from) }} to {{ clock(time(s.to)!) }}</h3>
      <DayChart
        :day="s.day"
        :to="s.to"
        :chosen="chosen"
        :names="names"
        :food-name="foodName"
        :moves="moves"
        :leads="leads"
        @choose="emit('choose', $event)"
        @move="(t, by) => emit('move', t, by)"
      />
    </section>
  </div>
</template>

<style scoped>
.charts {
  display: grid;
  gap: 18px;
}
h3 {
  font-size: var(--type-4);
  margin: 0 0 4px 102px;
}
</style>
