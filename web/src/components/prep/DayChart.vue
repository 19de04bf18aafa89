<script setup lang="ts">
// A day as bars against the clock: people, oven, and what goes on by itself; the chain that leads it all is blue.
import { computed } from 'vue'
import { useMediaQuery } from '@vueuse/core'
import type { Day, DayTask } from '@/api/client'
import { useDrag, type Pull } from '@/composables/drag'
import { lanesOf, minutesFrom, stretchesOf, ticksOf } from '@/tray/day'
import { clock, time } from '@/tray/words'

const props = defineProps<{
  day: Day
  chosen: string
  names: (n: number) => string
  foodName: (id: string) => string
  moves: boolean // tasks can be dragged to another time
  to: string // the moment at which it ends on the right
  leads: boolean // what leads all the rest is marked: alone one does it all one after the other
}>()
const emit = defineEmits<{ choose: [id: string]; move: [task: DayTask, minutes: number] }>()

/** When each job is served, minutes from the begin. */
const serves = computed(() =>
  (props.day.jobs?.length ? props.day.jobs : [{ title: '', serve_at: props.day.serve_at }]).map(j => ({
    at: minutesFrom(props.day.begin_at, j.serve_at),
    says: `${j.title ? j.title + ': ' : ''}serve at ${clock(time(j.serve_at)!)}`,
  })),
)
const long = computed(() => Math.max(1, minutesFrom(props.day.begin_at, props.to)))
const inside = (min: number) => min >= 0 && min <= long.value + 0.01
/** What is left in hand between the last hand and the first serving after it. */
const inHand = computed(() => {
  const done = Math.max(
    0,
    ...props.day.tasks.filter(t => t.who).map(t => minutesFrom(props.day.begin_at, t.ends)),
  )
  const next = Math.min(...serves.value.map(s => s.at).filter(s => s >= done - 0.01))
  return Number.isFinite(next) && inside(next) && next - done >= 1 ? { from: done, long: next - done } : null
})
const at = (min: number) => `${(100 * min) / long.value}%`
const lanes = computed(() => lanesOf(props.day, props.names))
const narrow = useMediaQuery('(max-width: 560px)')
const ticks = computed(() => ticksOf(props.day.begin_at, long.value, narrow.value ? 4 : 12))
const leave = computed(() =>
  props.day.leave_at ? minutesFrom(props.day.begin_at, props.day.leave_at) : null,
)
const out = computed(() => {
  const rows = new Map<string, string[]>()
  for (const c of props.day.cold_out) rows.set(c.at, [...(rows.get(c.at) ?? []), props.foodName(c.food)])
  return [...rows].map(([when, foods]) => ({ at: minutesFrom(props.day.begin_at, when), foods, when }))
})
// a bar is drawn to another time, where it may be, or pressed
const movable = (t: DayTask) => props.moves && !!t.who
const drag = useDrag<DayTask>({
  slack: 5,
  dropped: (p, keep) => {
    if (!movable(p.of)) emit('choose', p.of.id)
    else if (keep) emit('move', p.of, Math.round(minutesBy(p)))
  },
  pressed: t => emit('choose', t.id),
})
const minutesBy = (p: Pull<DayTask>) => ((p.at.x - p.from.x) / p.on.parentElement!.clientWidth) * long.value
const drawn = computed(() => {
  const p = drag.pull.value
  return p && movable(p.of) ? { id: p.of.id, by: minutesBy(p) } : null
})
function press(e: KeyboardEvent, t: DayTask) {
  if (e.key === 'Enter' || e.key === ' ') emit('choose', t.id)
  else if (movable(t) && e.altKey && (e.key === 'ArrowLeft' || e.key === 'ArrowRight'))
    emit('move', t, e.key === 'ArrowLeft' ? -5 : 5)
  else return
  e.preventDefault()
}
const hour = (s: string) => clock(time(s)!)
const says = (t: DayTask) =>
  `${t.says}, ${hour(t.starts)} to ${hour(t.ends)}${t.critical ? ', it leads all that follows' : ''}`
/** What a bar is called where there is room. */
const short = (t: DayTask) => (t.food ? props.foodName(t.food) : t.says).split(',')[0]!
</script>

<template>
  <div class="chart" role="group" aria-label="The day against the clock">
    <div class="scale" aria-hidden="true">
      <span />
      <div class="run">
        <span v-for="k in ticks" :key="k.at" class="tick" :style="{ left: at(k.at) }">{{ k.says }}</span>
      </div>
    </div>
    <div v-for="(l, i) in lanes" :key="i" class="lane" :class="l.kind">
      <span class="who small">{{ l.name }}</span>
      <div class="run">
        <span v-for="k in ticks" :key="k.at" class="line" :style="{ left: at(k.at) }" aria-hidden="true" />
        <button
          v-for="b in l.bars"
          :key="b.task.id"
          type="button"
          class="stint"
          :class="[
            b.task.kind,
            {
              critical: leads && b.task.critical,
              late: b.task.late,
              chosen: b.task.id === chosen,
              pinned: b.task.pinned,
            },
          ]"
          :style="{ left: at(b.from + (drawn?.id === b.task.id ? drawn.by : 0)), width: at(b.long) }"
          :aria-label="says(b.task)"
          :aria-pressed="b.task.id === chosen"
          :title="says(b.task)"
          @pointerdown="drag.take($event, b.task)"
          v-on="drag.on"
          @keydown="press($event, b.task)"
          @click="$event.detail || emit('choose', b.task.id)"
        >
          <span v-if="(100 * b.long) / long > 7">{{ short(b.task) }}</span>
        </button>
        <template v-if="l.kind === 'person'">
          <button
            v-for="s in stretchesOf(day, l)"
            :key="s.round + s.from"
            type="button"
            class="round"
            :style="{ left: at(s.from), width: at(s.long) }"
            :title="`${s.number}. ${s.says}`"
            :aria-label="`${s.number}, ${s.says}, ${l.name}`"
            @click="emit('choose', l.bars.find(b => b.task.round === s.round)!.task.id)"
          >
            <b v-if="(100 * s.long) / long > 2.4" class="nums">{{ s.number }}</b>
            <span v-if="(100 * s.long) / long > s.says.length + 3">{{ s.says }}</span>
          </button>
        </template>
        <span
          v-if="inHand && l.kind === 'person'"
          class="hand"
          :style="{ left: at(inHand.from), width: at(inHand.long) }"
          aria-hidden="true"
          ><span v-if="(100 * inHand.long) / long > 9">{{ Math.round(inHand.long) }} min in hand</span></span
        >
        <span
          v-if="leave !== null && inside(leave)"
          class="leave"
          :style="{ left: at(leave) }"
          aria-hidden="true"
        />
        <span
          v-for="s in serves.filter(s => inside(s.at))"
          :key="s.says"
          class="serve"
          :style="{ left: at(s.at) }"
          :title="s.says"
          aria-hidden="true"
        />
      </div>
    </div>
    <div v-if="out.length" class="lane cold">
      <span class="who small">Out of the cold</span>
      <div class="run">
        <span
          v-for="c in out"
          :key="c.when"
          class="out"
          :style="{ left: at(Math.max(0, c.at)) }"
          :title="`${hour(c.when)}: ${c.foods.join(', ')}`"
        >
          <b>{{ hour(c.when) }}</b> {{ c.foods.join(', ').toLowerCase() }}
        </span>
      </div>
    </div>
  </div>
</template>

<style scoped>
.chart {
  display: grid;
  gap: 6px;
}
.scale,
.lane {
  display: grid;
  grid-template-columns: 92px 1fr;
  gap: 10px;
  align-items: center;
}
.run {
  position: relative;
  height: 36px;
  background: var(--linen);
  border-radius: var(--radius-m);
}
.person .run {
  height: 54px;
}
.person .stint {
  top: 22px;
  height: 29px;
}
.round {
  position: absolute;
  top: 2px;
  height: 50px;
  padding: 0 4px;
  border: 0;
  border-left: 2px solid var(--line-strong);
  background: none;
  color: var(--ink);
  font: inherit;
  font-size: var(--type-2);
  font-weight: 600;
  line-height: 18px;
  text-align: left;
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
  cursor: pointer;
  display: flex;
  align-items: flex-start;
  gap: 4px;
}
.round b {
  color: var(--blue);
}
.hand {
  position: absolute;
  top: 22px;
  height: 29px;
  display: grid;
  place-items: center;
  border: 1px dashed var(--line-strong);
  border-radius: var(--radius-s);
  font-size: var(--type-2);
  color: var(--soft);
  white-space: nowrap;
  overflow: hidden;
  pointer-events: none;
}
.scale .run {
  height: 20px;
  background: none;
}
.oven .run {
  height: 26px;
}
.self .run {
  height: 15px;
}
.self {
  margin-top: -3px;
}
.self .stint {
  top: 2px;
  height: calc(100% - 4px);
  font-size: 0;
}
.tick {
  position: absolute;
  transform: translateX(-50%);
  font-size: var(--type-2);
  color: var(--soft);
  font-variant-numeric: tabular-nums;
}
.line {
  position: absolute;
  top: 0;
  bottom: 0;
  width: 1px;
  background: var(--line);
}
.who {
  color: var(--soft);
  text-align: right;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.person .who {
  color: var(--ink);
  font-weight: 650;
}
.stint {
  position: absolute;
  display: block;
  top: 3px;
  height: calc(100% - 6px);
  min-width: 3px;
  padding: 0 4px;
  border: 1px solid var(--paper);
  border-radius: var(--radius-s);
  background: var(--bar);
  color: var(--ink);
  font: inherit;
  font-size: var(--type-2);
  text-align: left;
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
  cursor: pointer;
  touch-action: pan-y;
}
.stint.lay {
  background: var(--bar-deep);
}
.self .stint {
  background: repeating-linear-gradient(115deg, var(--bar-idle) 0 5px, var(--bar-idle-light) 5px 10px);
}
.oven .stint {
  background: var(--bar-oven);
}
.stint.pinned {
  box-shadow: inset 0 0 0 2px var(--blue);
}
.stint.late {
  border-style: dashed;
  border-color: var(--ink);
}
.stint.critical {
  box-shadow: inset 0 -4px 0 var(--blue);
}
.stint.chosen {
  outline: 3px solid var(--blue);
  outline-offset: 0;
  z-index: 2;
}
.serve,
.leave {
  position: absolute;
  top: -3px;
  bottom: -3px;
  width: 3px;
  margin-left: -2px;
  background: var(--blue);
}
.leave {
  background: none;
  border-left: 3px dotted var(--blue);
}
.cold .run {
  height: auto;
  min-height: 26px;
  display: flex;
  flex-wrap: wrap;
  gap: 4px 16px;
  padding: 4px 10px;
  background: none;
}
.out {
  font-size: var(--type-3);
  color: var(--soft);
}
.out b {
  color: var(--blue);
}
</style>
