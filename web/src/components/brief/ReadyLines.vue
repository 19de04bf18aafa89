<script setup lang="ts">
// By when the board is ready, and in which hours somebody works.
import { computed } from 'vue'
import type { Brief } from '@/api/tray.gen'
import DayTime from '@/components/common/DayTime.vue'
import { atWall, sinceWall } from '@/tray/hours'
import HoursLines from './HoursLines.vue'
import Choose from '@/components/common/Choose.vue'

const props = defineProps<{ brief: Brief }>()
const emit = defineEmits<{ set: [change: Partial<Brief>, planned?: boolean] }>()
const set = (change: Partial<Brief>) => emit('set', change, false)

const sessions = computed(() => props.brief.sessions ?? [])
const taken = computed(() => props.brief.oven_taken ?? [])
const day = computed(() => (props.brief.serve_at ?? '').slice(0, 10))
const late = computed(
  () =>
    !!props.brief.ready_by &&
    !!props.brief.serve_at &&
    sinceWall(props.brief.ready_by, props.brief.serve_at) < 0,
)
</script>

<template>
  <p class="line">
    It is laid
    <Choose
      :model-value="brief.ready_by ? 'at' : ''"
      label="By when it is laid"
      :width="256"
      :options="[
        ['', 'when the house usually has it'],
        ['at', 'by a time of its own'],
      ]"
      @update:model-value="v => set({ ready_by: v ? atWall(brief.serve_at!, -150) : undefined })"
    /><template v-if="brief.ready_by"
      >: <DayTime label="Laid by" :value="brief.ready_by" @written="ready_by => set({ ready_by })" />, covered
      and chilled till it is taken out and finished</template
    >.
    <template v-if="brief.travels">
      On the road it is
      <Choose
        :model-value="brief.road_cold ?? ''"
        label="How it is kept on the road"
        :width="196"
        :options="[
          ['', 'in cold boxes, I take it'],
          ['box', 'in cold boxes'],
          ['open', 'out of the cold'],
        ]"
        @update:model-value="v => set({ road_cold: (v || undefined) as Brief['road_cold'] })"
      />, and where it is served there is
      <Choose
        :model-value="brief.fridge_there ?? ''"
        label="A fridge where it is served"
        :width="200"
        :options="[
          ['', 'a fridge or not: not known'],
          ['yes', 'a fridge'],
          ['no', 'no fridge'],
        ]"
        @update:model-value="v => set({ fridge_there: (v || undefined) as Brief['fridge_there'] })"
      />.
    </template>
  </p>
  <p v-if="late" class="small" role="alert">▲ That is after it is served. Choose a time before it.</p>
  <HoursLines
    :hours="sessions"
    says="Somebody works"
    named="Hours"
    :first="atWall(`${day}T17:00`, -24 * 60)"
    :serve-at="brief.serve_at"
    @set="sessions => set({ sessions })"
  >
    <template v-if="!sessions.length">Somebody works whenever it is needed. </template>
    <template #more>{{ sessions.length ? 'More hours' : 'Only in certain hours' }}</template>
  </HoursLines>
  <HoursLines
    :hours="taken"
    says="Others have the oven"
    named="Oven"
    :first="`${day}T08:00`"
    :serve-at="brief.serve_at"
    @set="oven_taken => set({ oven_taken })"
  >
    <template #more>{{
      taken.length ? 'More hours of the oven' : 'Others have the oven for a while'
    }}</template>
  </HoursLines>
</template>
