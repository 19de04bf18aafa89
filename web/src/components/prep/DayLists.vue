<script setup lang="ts">
// The work as lists, one for each of the people: what, how many, with what, from when to when.
import { computed } from 'vue'
import type { Day, DayTask } from '@/api/client'
import { useLarder } from '@/stores/larder'
import { clock, minutes, time } from '@/tray/words'

const props = defineProps<{ day: Day; names: (n: number) => string; chosen: string }>()
const emit = defineEmits<{ choose: [id: string] }>()
const larder = useLarder()
const lists = computed(() => {
  const out: { name: string; tasks: DayTask[] }[] = []
  for (let n = 1; n <= props.day.people; n++)
    out.push({ name: props.names(n), tasks: props.day.tasks.filter(t => t.who === String(n)) })
  const rest = props.day.tasks.filter(t => !t.who)
  if (rest.length) out.push({ name: 'By itself', tasks: rest })
  return out
})
const at = (s: string) => clock(time(s)!)
</script>

<template>
  <section v-for="l in lists" :key="l.name" class="list" :aria-label="`What ${l.name} does`">
    <h2>{{ l.name }}</h2>
    <ol class="card">
      <li
        v-for="t in l.tasks"
        :id="`task-${t.id}`"
        :key="t.id"
        :class="{ chosen: t.id === chosen }"
        @click="emit('choose', t.id)"
      >
        <span class="when nums">{{ at(t.starts) }}</span>
        <img v-if="t.food && t.form" loading="lazy" :src="larder.picture(t.food, t.form)" alt="" />
        <span v-else class="no" />
        <span>
          {{ t.says }}
          <span v-if="t.tool || t.uses.length" class="soft small">{{
            [t.tool ? `with ${t.tool}` : '', ...t.uses].filter(Boolean).join(', ')
          }}</span>
        </span>
        <span class="nums min">{{ t.minutes < 1 ? '½ min' : minutes(t.minutes) }}</span>
      </li>
    </ol>
  </section>
</template>

<style scoped>
.list {
  display: grid;
  gap: 6px;
}
ol {
  padding: 2px 16px;
}
li {
  display: grid;
  grid-template-columns: 46px 34px 1fr auto;
  gap: 12px;
  align-items: center;
  padding: 6px 0;
  border-bottom: 1px solid var(--line);
  break-inside: avoid;
}
li:last-child {
  border-bottom: 0;
}
li.chosen {
  box-shadow: -16px 0 0 -12px var(--blue);
}
img,
.no {
  width: 34px;
  height: 34px;
}
.when {
  font-weight: 650;
}
.min {
  white-space: nowrap;
}
</style>
