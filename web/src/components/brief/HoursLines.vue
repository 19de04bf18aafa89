<script setup lang="ts">
// Hours before serving, in the order of time: when somebody works, or when others have the oven.
import { computed } from 'vue'
import type { Brief } from '@/api/tray.gen'
import DayTime from '@/components/common/DayTime.vue'
import { atWall } from '@/tray/hours'

type Hours = NonNullable<Brief['sessions']>
const props = defineProps<{
  hours: Hours
  says: string // how a line begins
  named: string // what they are called for who cannot see them
  first: string // from when on the first of them are offered
  serveAt: string | undefined
}>()
const emit = defineEmits<{ set: [hours: Hours | undefined] }>()
const most = 12
const full = computed(() => props.hours.length >= most)
function put(list: Hours) {
  const inOrder = [...list].sort((a, b) => a.from.localeCompare(b.from))
  emit('set', inOrder.length ? inOrder : undefined)
}
function change(i: number, part: Partial<Hours[number]>) {
  const was = props.hours[i]!
  const next = { ...was, ...part }
  if (next.to <= next.from) next.to = atWall(next.from, 120) // they have an end
  put(props.hours.map((s, k) => (k === i ? next : s)))
}
/** The next hours to be said: the first offered, then after the last ones. */
function more() {
  const last = props.hours.at(-1)
  const from = last ? atWall(last.to, 60) : props.first
  put([...props.hours, { from, to: atWall(from, 120) }])
}
</script>

<template>
  <p v-for="(s, i) in hours" :key="i" class="line hours">
    {{ says }} from
    <DayTime
      :label="`${named} ${i + 1}, from`"
      :value="s.from"
      @written="from => from && change(i, { from })"
    />
    to
    <DayTime :label="`${named} ${i + 1}, to`" :value="s.to" @written="to => to && change(i, { to })" />
    <button
      class="btn quiet"
      :aria-label="`Leave out ${named.toLowerCase()} ${i + 1}`"
      @click="put(hours.filter((_, k) => k !== i))"
    >
      Leave out
    </button>
  </p>
  <p class="small soft">
    <slot />
    <button class="btn quiet" :disabled="full || !serveAt" @click="more"><slot name="more" /></button>
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
