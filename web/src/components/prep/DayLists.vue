<script setup lang="ts">
// The work as lists: round by round, what, how many, with what, from when to when; whose it is, where several work.
import { computed, ref, watch } from 'vue'
import type { Day, DayTask } from '@/api/client'
import { useLarder } from '@/stores/larder'
import { roundsOf, sameDay } from '@/tray/day'
import { clock, count, minutes, time } from '@/tray/words'

const props = defineProps<{ day: Day; names: (n: number) => string; chosen: string }>()
const emit = defineEmits<{ choose: [id: string] }>()
const larder = useLarder()
const rounds = computed(() => roundsOf(props.day))
/** The rounds whose lists are open: the one of the chosen task, and those that were opened. */
const open = ref(new Set<string>())
watch(
  () => props.chosen,
  id => {
    const r = rounds.value.find(r => r.tasks.some(t => t.id === id))
    if (r) open.value = new Set([...open.value, r.id])
  },
)
function toggle(id: string, now: boolean) {
  const next = new Set(open.value)
  if (now) next.add(id)
  else next.delete(id)
  open.value = next
}
const newDay = (i: number) =>
  i
    ? !sameDay(rounds.value[i - 1]!.starts, rounds.value[i]!.starts)
    : !sameDay(rounds.value[0]!.starts, props.day.serve_at)
const dayOf = (s: string) =>
  time(s)!.toLocaleDateString('en-GB', { weekday: 'long', day: 'numeric', month: 'long' })
const at = (s: string) => clock(time(s)!)
const whose = (who: string[]) => who.map(w => props.names(Number(w))).join(' and ')
/** What a round is about, in few words. */
const about = (tasks: DayTask[]) => {
  const foods = [...new Set(tasks.map(t => t.food).filter(Boolean))].map(id => larder.name(id).toLowerCase())
  return foods.length > 6 ? `${foods.slice(0, 5).join(', ')} and ${foods.length - 5} more` : foods.join(', ')
}
</script>

<template>
  <ol class="rounds" aria-label="The rounds of the day">
    <li v-for="(r, i) in rounds" :key="r.id" class="card">
      <h3 v-if="newDay(i)" class="of">{{ dayOf(r.starts) }}</h3>
      <details :open="open.has(r.id)" @toggle="toggle(r.id, ($event.target as HTMLDetailsElement).open)">
        <summary>
          <span class="when nums">{{ at(r.starts) }}</span>
          <span class="what">
            <b
              ><span class="nums blue">{{ i + 1 }}</span> {{ r.says }}</b
            >
            <span class="soft small">{{ about(r.tasks) }}</span>
          </span>
          <span class="soft small"
            >{{ count(r.tasks.filter(t => t.who).length, 'task')
            }}<template v-if="day.people > 1 && r.who.length">, {{ whose(r.who) }}</template></span
          >
          <span class="nums min">{{ r.minutes < 1 ? '½ min' : minutes(r.minutes) }}</span>
        </summary>
        <ol>
          <li
            v-for="t in r.tasks"
            :id="`task-${t.id}`"
            :key="t.id"
            class="task"
            :class="{ chosen: t.id === chosen }"
            @click="emit('choose', t.id)"
          >
            <span class="when nums">{{ at(t.starts) }}</span>
            <img v-if="t.food && t.form" loading="lazy" :src="larder.picture(t.food, t.form)" alt="" />
            <span v-else class="no" />
            <span>
              {{ t.says }}
              <span v-if="t.tool || t.uses.length || !t.who || day.people > 1" class="soft small">{{
                [
                  t.tool ? `with ${t.tool}` : '',
                  ...t.uses,
                  t.who ? (day.people > 1 ? names(Number(t.who)).toLowerCase() : '') : 'by itself',
                ]
                  .filter(Boolean)
                  .join(', ')
              }}</span>
            </span>
            <span class="nums min">{{ t.minutes < 1 ? '½ min' : minutes(t.minutes) }}</span>
          </li>
        </ol>
      </details>
    </li>
  </ol>
</template>

<style scoped>
.of {
  font-size: var(--type-4);
  padding-top: 10px;
}
.blue {
  color: var(--blue);
}
.rounds {
  display: grid;
  gap: 8px;
  padding: 0;
}
.rounds > li {
  list-style: none;
  padding: 0 16px;
  break-inside: avoid-page;
}
summary {
  display: grid;
  grid-template-columns: 46px 1fr auto 64px;
  gap: 12px;
  align-items: center;
  min-height: 52px;
  padding: 6px 0;
  cursor: pointer;
}
.what {
  display: grid;
  min-width: 0;
}
.what .small {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.task {
  display: grid;
  grid-template-columns: minmax(46px, auto) 34px 1fr auto;
  gap: 12px;
  align-items: center;
  padding: 6px 0;
  border-top: 1px solid var(--line);
  break-inside: avoid;
}
.task.chosen {
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
  text-align: right;
}
@media (max-width: 760px) {
  summary {
    grid-template-columns: 46px 1fr auto;
  }
  summary > :nth-child(3) {
    display: none;
  }
}
@media print {
  .task .when::before {
    content: '';
    display: inline-block;
    width: 11px;
    height: 11px;
    margin-right: 6px;
    border: 1.5px solid var(--ink);
  }
  summary {
    min-height: 0;
    list-style: none;
  }
  details::details-content {
    content-visibility: visible;
    block-size: auto;
  }
}
</style>
