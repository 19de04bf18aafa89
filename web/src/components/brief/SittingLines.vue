<script setup lang="ts">
// Further times at which the same boards are served: between two they are covered and in the fridge.
import { computed } from 'vue'
import type { Brief } from '@/api/tray.gen'
import DayTime from '@/components/common/DayTime.vue'
import { atWall, sinceWall } from '@/tray/hours'
import { minutes } from '@/tray/words'
import Choose from '@/components/common/Choose.vue'

const props = defineProps<{ brief: Brief; lasts: number }>()
const emit = defineEmits<{ set: [change: Partial<Brief>, planned?: boolean] }>()

type Sitting = NonNullable<Brief['sittings']>[number]
const most = 5
const least = 30 // minutes in the fridge between two
const sittings = computed(() => props.brief.sittings ?? [])
function put(list: Sitting[]) {
  const inOrder = [...list].sort((a, b) => sinceWall(b.serve_at, a.serve_at))
  emit('set', { sittings: inOrder.length ? inOrder : undefined }, false)
}
const change = (i: number, part: Partial<Sitting>) =>
  put(sittings.value.map((s, k) => (k === i ? { ...s, ...part } : s)))
/** When a sitting has ended: the first one, 0, or a further one. */
const ends = (i: number) => {
  const s = sittings.value[i - 1]
  return atWall(s?.serve_at ?? props.brief.serve_at!, s?.lasts_minutes || props.lasts)
}
const more = () => put([...sittings.value, { serve_at: atWall(ends(sittings.value.length), 120) }])
const tooSoon = computed(() => sittings.value.findIndex((s, i) => sinceWall(ends(i), s.serve_at) < least))
const lengths = computed((): [string, string][] => [
  ['0', 'as long as the first time'],
  ...[...new Set([20, 30, 45, 60, 90, 120, ...sittings.value.map(s => s.lasts_minutes ?? 0)])]
    .filter(n => n > 0)
    .sort((a, b) => a - b)
    .map((n): [string, string] => [String(n), `for ${minutes(n)}`]),
])
</script>

<template>
  <p v-for="(s, i) in sittings" :key="i" class="line again">
    It is served again at
    <DayTime
      :label="`Sitting ${i + 2}`"
      :value="s.serve_at"
      @written="serve_at => serve_at && change(i, { serve_at })"
    />
    <Choose
      :model-value="String(s.lasts_minutes ?? 0)"
      :label="`How long sitting ${i + 2} lasts`"
      :width="216"
      :options="lengths"
      @update:model-value="v => change(i, { lasts_minutes: Number(v) || undefined })"
    />
    <button
      class="btn quiet"
      :aria-label="`Leave out sitting ${i + 2}`"
      @click="put(sittings.filter((_, k) => k !== i))"
    >
      Leave out
    </button>
  </p>
  <p v-if="tooSoon >= 0" class="small" role="alert">
    ▲ Sitting {{ tooSoon + 2 }} begins less than half an hour after the one before it has ended. The board is
    covered and chilled between them: choose a later time.
  </p>
  <p v-if="brief.serve_at && !brief.wave_minutes" class="small soft">
    <template v-if="sittings.length">Between them the board is covered and in the fridge. </template>
    <button class="btn quiet" :disabled="sittings.length >= most" @click="more">
      {{ sittings.length ? 'Another sitting' : 'The same food is served again later' }}
    </button>
  </p>
</template>

<style scoped>
.again {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px;
}
</style>
