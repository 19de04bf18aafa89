<script setup lang="ts">
// A tray in small: its outlines and colours, to tell layouts apart at a glance.
import { computed } from 'vue'
import type { TrayFile } from '@/api/tray.gen'

const props = defineProps<{ tray: TrayFile }>()

const line = (o: number[][]) => 'M' + o.map(p => `${p[0]!.toFixed(0)} ${p[1]!.toFixed(0)}`).join('L') + 'Z'
const outline = computed(() => props.tray.board?.outline ?? [])
const box = computed(() => {
  const x = outline.value.map(p => p[0] ?? 0)
  const y = outline.value.map(p => p[1] ?? 0)
  return [Math.min(...x), Math.min(...y), Math.max(...x) - Math.min(...x), Math.max(...y) - Math.min(...y)]
})
const ground = computed(() => props.tray.board?.liner || props.tray.board?.colour || '#b58a5a')
const vessel = (id?: string) => props.tray.vessels?.find(v => v.id === id)
const pieces = computed(() =>
  [...props.tray.elements]
    .sort((a, b) => (a.layer ?? 0) - (b.layer ?? 0))
    .flatMap(e =>
      (e.pieces ?? []).map(p => ({
        d: line(p.outline as number[][]),
        fill: p.colour ?? '#999999',
        rim: vessel(e.vessel)?.colour,
      })),
    ),
)
</script>

<template>
  <svg :viewBox="box.join(' ')" aria-hidden="true">
    <path :d="line(outline as number[][])" :fill="ground" />
    <path
      v-for="(p, i) in pieces"
      :key="i"
      :d="p.d"
      :fill="p.fill"
      :stroke="p.rim ?? '#3b2f24'"
      :stroke-width="p.rim ? 9 : 1.2"
      :stroke-opacity="p.rim ? 1 : 0.35"
    />
  </svg>
</template>
