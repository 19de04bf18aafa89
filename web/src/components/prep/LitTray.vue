<script setup lang="ts">
// A tray in the dark on which only some elements are lit.
import { computed } from 'vue'
import type { TrayFile } from '@/api/tray.gen'
import { boxAround } from '@/tray/move'

const props = defineProps<{
  src: string
  box: readonly [number, number, number, number]
  tray: TrayFile
  lit: readonly string[]
  says: string
}>()
const shown = computed(() => props.tray.elements.filter(e => e.placed && props.lit.includes(e.id)))
const outlines = computed(() =>
  shown.value.flatMap(e => e.pieces.map(p => 'M' + p.outline.map(q => q.join(' ')).join('L') + 'Z')).join(''),
)
const rings = computed(() =>
  shown.value.map(e => {
    const b = boxAround(e, 0)
    return { id: e.id, x: b.x + b.width / 2, y: b.y + b.height / 2, r: Math.hypot(b.width, b.height) / 2 + 8 }
  }),
)
const picture = computed(() => {
  const [x, y, width, height] = props.box
  return { x, y, width, height }
})
</script>

<template>
  <svg :viewBox="box.join(' ')" role="img" :aria-label="says">
    <clipPath id="lit"><path :d="outlines" /></clipPath>
    <image :href="src" v-bind="picture" :opacity="outlines ? 0.25 : 0.8" />
    <image v-if="outlines" :href="src" v-bind="picture" clip-path="url(#lit)" />
    <circle v-for="c in rings" :key="c.id" :cx="c.x" :cy="c.y" :r="c.r" />
  </svg>
</template>

<style scoped>
svg {
  width: 100%;
  height: 100%;
}
circle {
  fill: none;
  stroke: var(--night-blue);
  stroke-width: 2.5;
  stroke-dasharray: 8 6;
  vector-effect: non-scaling-stroke;
}
</style>
