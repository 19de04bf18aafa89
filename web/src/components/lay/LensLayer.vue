<script setup lang="ts">
// What a lens draws over the tray: tints with a word on them, lines, discs and areas.
import { computed } from 'vue'
import type { LensView } from '@/api/client'
import { boxAround } from '@/tray/move'
import type { TrayElement } from '@/api/tray.gen'

const props = defineProps<{
  view: LensView
  holds: readonly { e: TrayElement; d: string }[]
  scale: number // px for a mm
  board: readonly (readonly number[])[] // its outline: areas end where it does
  carried: string | null // it is in the hand and not where the lens saw it
}>()

const mm = (px: number) => px / props.scale
const tinted = computed(() => {
  const by = new Map(props.view.tints.map(t => [t.element, t]))
  return props.holds.flatMap(h => {
    const t = by.get(h.e.id)
    if (!t || h.e.id === props.carried) return []
    const b = boxAround(h.e, 0)
    // a word where there is room for it
    const says = t.says
    const fits = !t.quiet && b.width * props.scale > says.length * 5.6 + 8 && b.height * props.scale > 17
    return [{ ...h, colour: t.colour, says, fits, x: b.x + b.width / 2, y: b.y + b.height / 2 }]
  })
})
const path = (p: readonly (readonly number[])[]) => 'M' + p.map(q => q.join(' ')).join('L')
</script>

<template>
  <g class="lens" aria-hidden="true">
    <clipPath id="on-board"><path :d="path(board) + 'Z'" /></clipPath>
    <path
      v-for="a in view.areas"
      :key="a.says + a.outline[0]"
      class="area"
      clip-path="url(#on-board)"
      :class="{ bad: a.bad }"
      :d="path(a.outline) + 'Z'"
      :stroke-width="mm(1.5)"
      :stroke-dasharray="`${mm(6)} ${mm(4)}`"
    >
      <title>{{ a.says }}</title>
    </path>
    <path v-for="t in tinted" :key="t.e.id" class="tint" :d="t.d" :fill="t.colour" :stroke-width="mm(1)" />
    <template v-for="l in view.lines" :key="l.says + l.path[0]">
      <path class="line halo" :d="path(l.path)" :stroke-width="mm(l.bad ? 6 : 4.5)" />
      <path class="line" :class="{ bad: l.bad }" :d="path(l.path)" :stroke-width="mm(l.bad ? 3.5 : 2)" />
      <circle
        v-for="(q, k) in l.ends ? [l.path.at(-1)!] : [l.path[0]!, l.path.at(-1)!]"
        :key="k"
        class="end"
        :class="{ bad: l.bad }"
        :cx="q[0]"
        :cy="q[1]"
        :r="mm(l.ends ? 5 : 3.5)"
        :stroke-width="mm(1.5)"
      />
    </template>
    <template v-for="d in view.discs" :key="d.says + d.at">
      <circle
        class="disc"
        :class="{ bad: d.bad }"
        :cx="d.at[0]"
        :cy="d.at[1]"
        :r="d.r"
        :stroke-width="mm(2)"
      />
      <text v-if="d.r * scale > 15" :x="d.at[0]" :y="(d.at[1] ?? 0) + mm(4)" :font-size="mm(11)">{{
        d.says.replace(' bare', '')
      }}</text>
    </template>
    <template v-for="t in tinted" :key="'says ' + t.e.id">
      <text v-if="t.fits" :x="t.x" :y="t.y + mm(4)" :font-size="mm(11)">{{ t.says }}</text>
    </template>
  </g>
</template>

<style scoped>
.lens {
  pointer-events: none;
}
.tint {
  fill-opacity: 0.78;
  stroke: var(--white);
  stroke-opacity: 0.7;
}
.line {
  fill: none;
  stroke: var(--ink);
  stroke-linecap: round;
  stroke-linejoin: round;
}
.halo {
  stroke: var(--white);
  stroke-opacity: 0.85;
}
.end {
  fill: var(--ink);
  stroke: var(--white);
}
.line.bad:not(.halo) {
  stroke: var(--stop);
}
.end.bad {
  fill: var(--stop);
}
.disc {
  fill: var(--white-wash);
  stroke: var(--ink);
}
.disc.bad {
  fill: var(--stop-veil);
  stroke: var(--stop);
}
.area {
  fill: var(--ink-wash);
  stroke: var(--ink);
}
text {
  font-family: var(--text);
  font-weight: 600;
  fill: var(--ink);
  text-anchor: middle;
  paint-order: stroke;
  stroke: var(--paper-veil);
  stroke-width: 0.22em;
  stroke-linejoin: round;
}
</style>
