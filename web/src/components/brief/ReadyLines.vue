<script setup lang="ts">
// By when the board is ready, and in which hours somebody works.
import { computed } from 'vue'
import type { Brief } from '@/api/tray.gen'
import DayTime from '@/components/common/DayTime.vue'
import { atWall, sinceWall } from '@/tray/hours'
import Choose from './Choose.vue'

const props = defineProps<{ brief: Brief }>()
const emit = defineEmits<{ set: [change: Partial<Brief>, planned?: boolean] }>()
const set = (change: Partial<Brief>) => emit('set', change, false)

type Hours = NonNullable<Brief['sessions']>
const sessions = computed<Hours>(() => props.brief.sessions ?? [])
const full = computed(() => sessions.value.length >= 12)
function put(list: Hours) {
  const inOrder = [...list].sort((a, b) => a.from.localeCompare(b.from))
  set({ sessions: inOrder.length ? inOrder : undefined })
}
function change(i: number, part: Partial<Hours[number]>) {
  const was = sessions.value[i]!
  const next = { ...was, ...part }
  if (next.to <= next.from) next.to = atWall(next.from, 120) // a session has an end
  put(sessions.value.map((s, k) => (k === i ? next : s)))
}
/** The next hours to be said: the evening before, then that morning, then after the last ones. */
function more() {
  const serve = props.brief.serve_at
  const last = sessions.value.at(-1)
  if (last) return put([...sessions.value, { from: atWall(last.to, 60), to: atWall(last.to, 180) }])
  const evening = atWall(serve!.slice(0, 10) + 'T17:00', -24 * 60)
  put([{ from: evening, to: atWall(evening, 120) }])
}
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
      :value="brief.ready_by ? 'at' : ''"
      label="By when it is laid"
      :width="256"
      :options="[
        ['', 'when the house usually has it'],
        ['at', 'by a time of its own'],
      ]"
      @change="v => set({ ready_by: v ? atWall(brief.serve_at!, -150) : undefined })"
    /><template v-if="brief.ready_by"
      >: <DayTime label="Laid by" :value="brief.ready_by" @written="ready_by => set({ ready_by })" />, covered
      and chilled till it is taken out and finished</template
    >.
    <template v-if="brief.travels">
      On the road it is
      <Choose
        :value="brief.road_cold ?? ''"
        label="How it is kept on the road"
        :width="196"
        :options="[
          ['', 'in cold boxes, I take it'],
          ['box', 'in cold boxes'],
          ['open', 'out of the cold'],
        ]"
        @change="v => set({ road_cold: (v || undefined) as Brief['road_cold'] })"
      />, and where it is served there is
      <Choose
        :value="brief.fridge_there ?? ''"
        label="A fridge where it is served"
        :width="200"
        :options="[
          ['', 'a fridge or not: not known'],
          ['yes', 'a fridge'],
          ['no', 'no fridge'],
        ]"
        @change="v => set({ fridge_there: (v || undefined) as Brief['fridge_there'] })"
      />.
    </template>
  </p>
  <p v-if="late" class="small" role="alert">▲ That is after it is served. Choose a time before it.</p>
  <p v-for="(s, i) in sessions" :key="i" class="line hours">
    Somebody works from
    <DayTime :label="`Hours ${i + 1}, from`" :value="s.from" @written="from => from && change(i, { from })" />
    to
    <DayTime :label="`Hours ${i + 1}, to`" :value="s.to" @written="to => to && change(i, { to })" />
    <button
      class="btn quiet"
      :aria-label="`Leave out hours ${i + 1}`"
      @click="put(sessions.filter((_, k) => k !== i))"
    >
      Leave out
    </button>
  </p>
  <p class="small soft">
    <template v-if="!sessions.length">Somebody works whenever it is needed. </template>
    <button class="btn quiet" :disabled="full || !brief.serve_at" @click="more">
      {{ sessions.length ? 'More hours' : 'Only in certain hours' }}
    </button>
  </p>
</template>

<style scoped>
.hours {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px;
}
</style>
