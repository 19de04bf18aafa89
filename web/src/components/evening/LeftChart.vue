<script setup lang="ts">
// The part of the food that came home, evening by evening, and what had been foreseen.
import { computed } from 'vue'
import { scaleLinear, scaleTime } from 'd3-scale'
import { line } from 'd3-shape'
import type { LoggedEvening } from '@/api/client'
import { money } from '@/tray/words'

const props = defineProps<{ evenings: readonly LoggedEvening[]; chosen: string; of: 'share' | 'cost' }>()
const emit = defineEmits<{ choose: [evening: string] }>()
const W = 720
const H = 220
const pad = { left: 44, right: 14, top: 10, bottom: 26 }
const points = computed(() =>
  [...props.evenings]
    .filter(e => e.laid_g > 0)
    .reverse()
    .map(e => ({
      ...e,
      at: new Date(e.date + 'T12:00'),
      part: props.of === 'share' ? e.left_g / e.laid_g : e.cost_left / Math.max(1, e.guests),
      seen: props.of === 'share' && e.foreseen_left_g !== undefined ? e.foreseen_left_g / e.laid_g : null,
    })),
)
const x = computed(() =>
  scaleTime()
    .domain([points.value[0]?.at ?? new Date(), points.value.at(-1)?.at ?? new Date()])
    .range([pad.left, W - pad.right]),
)
const y = computed(() =>
  scaleLinear()
    .domain([
      0,
      Math.max(props.of === 'share' ? 0.2 : 20, ...points.value.map(p => Math.max(p.part, p.seen ?? 0))),
    ])
    .nice(4)
    .range([H - pad.bottom, pad.top]),
)
const path = computed(
  () =>
    line<(typeof points.value)[number]>(
      p => x.value(p.at),
      p => y.value(p.part),
    )(points.value) ?? '',
)
const months = computed(() => x.value.ticks(8))
const month = new Intl.DateTimeFormat('en-GB', { month: 'short' })
const said = (v: number) => (props.of === 'share' ? `${Math.round(100 * v)} %` : money(Math.round(v)))
</script>

<template>
  <svg :viewBox="`0 0 ${W} ${H}`" role="group" aria-label="What came home, evening by evening">
    <g v-for="v in y.ticks(4)" :key="v">
      <line :x1="pad.left" :x2="W - pad.right" :y1="y(v)" :y2="y(v)" class="grid" />
      <text :x="pad.left - 8" :y="y(v) + 4" text-anchor="end">{{ said(v) }}</text>
    </g>
    <text v-for="m in months" :key="+m" :x="x(m)" :y="H - 6" text-anchor="middle">{{ month.format(m) }}</text>
    <path :d="path" class="way" />
    <g v-for="p in points" :key="p.id">
      <circle v-if="p.seen !== null" :cx="x(p.at)" :cy="y(p.seen)" r="5.5" class="seen" />
      <circle
        :cx="x(p.at)"
        :cy="y(p.part)"
        r="6"
        class="part"
        :class="{ on: p.id === chosen }"
        tabindex="0"
        role="button"
        :aria-label="`${p.title}, ${p.date}: ${said(p.part)} ${of === 'share' ? 'came home' : 'a head was left'}`"
        @click="emit('choose', p.id)"
        @keydown.enter="emit('choose', p.id)"
      >
        <title>{{ p.title }}, {{ p.date }}: {{ said(p.part) }}</title>
      </circle>
    </g>
  </svg>
</template>

<style scoped>
svg {
  width: 100%;
  height: auto;
  display: block;
}
text {
  font: 12px var(--text);
  fill: var(--soft);
}
.grid {
  stroke: var(--line);
}
.way {
  fill: none;
  stroke: var(--ink);
  stroke-width: 2;
}
.part {
  fill: var(--ink);
  stroke: var(--paper);
  stroke-width: 1.5;
  cursor: pointer;
}
.part.on {
  fill: var(--blue);
}
.seen {
  fill: var(--paper);
  stroke: var(--blue);
  stroke-width: 2;
}
</style>
