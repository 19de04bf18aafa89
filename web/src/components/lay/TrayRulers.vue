<script setup lang="ts">
// Rulers on two edges of the board, from its upper left corner: every centimetre,
// longer at five and ten; or every half inch.
import { computed } from 'vue'
import type { Point } from '@/api/tray.gen'
import { units } from '@/tray/units'

const props = defineProps<{
  outline: Point[] // of the board, mm
  scale: number // px for a mm
  breadth: number // px that a ruler is wide
  at: { x: number; y: number } // where the rulers begin, mm
}>()

const mm = (px: number) => px / props.scale
const ticks = computed(() => {
  const inches = units.length === 'in'
  const step = inches ? 12.7 : props.scale * 10 < 4 ? 50 : 10 // mm
  const [long, middle] = inches ? [4, 2] : [100 / step, 50 / step] // in steps
  // a figure at the very end would be cut off
  const along = (length: number) =>
    Array.from({ length: Math.floor(length / step) + 1 }, (_, i) => ({
      at: i * step,
      says: i % long === 0 && i * step <= length - mm(10) ? String(inches ? i / 2 : (i * step) / 10) : '',
      size: i % long === 0 ? 9 : i % middle === 0 ? 6 : 3.5,
    }))
  const w = Math.max(...props.outline.map(p => p[0] ?? 0))
  const h = Math.max(...props.outline.map(p => p[1] ?? 0))
  return { w, h, x: along(w), y: along(h) }
})
</script>

<template>
  <g class="ruler" :font-size="mm(11)" :stroke-width="mm(1)">
    <path :d="`M0 ${at.y + mm(breadth - 6)}H${ticks.w}M${at.x + mm(breadth - 6)} 0V${ticks.h}`" />
    <template v-for="t in ticks.x" :key="'x' + t.at">
      <path :d="`M${t.at} ${at.y + mm(breadth - 6)}v${mm(-t.size)}`" />
      <text v-if="t.says" :x="t.at + mm(3)" :y="at.y + mm(11)">
        {{ t.says }}{{ t.at ? '' : ' ' + units.length }}
      </text>
    </template>
    <template v-for="t in ticks.y" :key="'y' + t.at">
      <path :d="`M${at.x + mm(breadth - 6)} ${t.at}h${mm(-t.size)}`" />
      <text v-if="t.says && t.at" :x="at.x + mm(1)" :y="t.at + mm(12)">
        {{ t.says }}
      </text>
    </template>
  </g>
</template>

<style scoped>
path {
  stroke: var(--line-strong);
  fill: none;
}
text {
  fill: var(--soft);
  font-family: var(--text);
  font-variant-numeric: tabular-nums;
}
</style>
