<script setup lang="ts">
// For who leads: where the work is done and by whom, and the boards in the order in which they are laid.
import type { Day } from '@/api/client'
import { sameDay } from '@/tray/day'
import { clock, count, minutes, time, when } from '@/tray/words'

const props = defineProps<{ day: Day; names: (n: number) => string; foodName: (id: string) => string }>()
const at = (s: string) => (sameDay(s, props.day.serve_at) ? clock(time(s)!) : when(s))
const span = (from: string, to: string) => `${at(from)} to ${clock(time(to)!)}`
const listed = (foods: string[]) => foods.map(f => props.foodName(f).toLowerCase()).join('; ')
const boards = (job: string | undefined, tray: number) =>
  props.day.jobs?.length
    ? `${props.day.jobs.find(j => j.job === job)?.title ?? ''}, board ${tray}`
    : `Board ${tray}`
</script>

<template>
  <section
    v-if="day.stations?.length || day.bays?.length"
    class="lead"
    data-help="Prep"
    aria-label="For who leads"
  >
    <div v-if="day.stations?.length" class="card">
      <h2>Stations</h2>
      <ul class="stations">
        <li v-for="s in day.stations" :key="s.id">
          <b>{{ s.says }}</b>
          <span class="nums">{{ span(s.starts, s.ends) }}</span>
          <span class="soft"
            >{{ minutes(s.minutes) }} of hands<template v-if="s.most > 1"
              >, {{ s.most }} at once</template
            ></span
          >
          <ul class="who">
            <li v-for="h in s.hands" :key="h.who">
              {{ names(Number(h.who)) }} <span class="nums soft">{{ minutes(h.minutes) }}</span>
            </li>
          </ul>
        </li>
      </ul>
    </div>
    <div v-if="day.bays?.length" class="card">
      <h2>Boards, in the order they are laid</h2>
      <ol class="bays">
        <li v-for="b in day.bays" :key="`${b.job ?? ''}/${b.tray}`">
          <p>
            <b>{{ boards(b.job, b.tray) }}</b> <span class="soft">{{ b.says }}</span>
            <span class="nums">{{ span(b.starts, b.ends) }}</span>
            <span v-if="b.finish_ends && b.finish_starts !== b.starts" class="nums"
              >finished {{ span(b.finish_starts!, b.finish_ends) }}</span
            >
            <span class="soft">{{ minutes(b.minutes) }} of hands</span>
          </p>
          <details>
            <summary class="small">{{ count(b.foods.length + b.last.length, 'food') }} in its boxes</summary>
            <p class="small">{{ listed(b.foods) }}</p>
            <p v-if="b.last.length" class="small"><b>Last:</b> {{ listed(b.last) }}</p>
          </details>
        </li>
      </ol>
    </div>
  </section>
</template>

<style scoped>
.lead {
  display: grid;
  gap: 12px;
  margin-bottom: 12px;
}
.card {
  padding: 16px 20px;
}
h2 {
  font-size: var(--type-6);
  margin-bottom: 6px;
}
ul,
ol {
  list-style: none;
  margin: 0;
  padding: 0;
}
.stations > li {
  display: grid;
  grid-template-columns: minmax(160px, 1.2fr) 130px 1fr;
  gap: 2px 14px;
  padding: 10px 0;
  border-top: 1px solid var(--line);
}
.who {
  grid-column: 1 / -1;
  display: flex;
  flex-wrap: wrap;
  gap: 4px 18px;
}
.bays > li {
  padding: 8px 0;
  border-top: 1px solid var(--line);
}
.bays p {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 14px;
  margin: 0;
}
.bays details p {
  display: block;
  padding: 4px 0;
}
summary {
  min-height: 32px;
  display: flex;
  align-items: center;
  color: var(--blue);
  cursor: pointer;
}
@media (max-width: 760px) {
  .stations > li {
    grid-template-columns: 1fr;
  }
}
</style>
