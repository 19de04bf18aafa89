<script lang="ts">
export type Mark = { n: number; x: number; y: number; shown: boolean }
</script>

<script setup lang="ts">
// Numbered marks that tie what the second look says to its spot on the tray.
import { computed } from 'vue'

const props = defineProps<{ marks: Mark[]; scale: number }>()
const emit = defineEmits<{ mark: [n: number] }>()

const mm = (px: number) => px / props.scale
/** The marks, pushed apart where they would cover each other. */
const apart = computed(() => {
  const out = props.marks.map(m => ({ ...m }))
  const least = mm(25)
  for (let round = 0; round < 12; round++)
    for (const [i, a] of out.entries())
      for (const b of out.slice(i + 1)) {
        let dx = b.x - a.x
        const dy = b.y - a.y
        if (!dx && !dy) dx = 0.01
        const d = Math.hypot(dx, dy)
        if (d >= least) continue
        const push = (least - d) / 2 / d
        a.x -= dx * push
        a.y -= dy * push
        b.x += dx * push
        b.y += dy * push
      }
  return out
})
</script>

<template>
  <g
    v-for="(m, i) in apart"
    :key="`${m.n} ${i}`"
    class="mark"
    :class="{ shown: m.shown }"
    aria-hidden="true"
    @click="emit('mark', m.n)"
  >
    <circle :cx="m.x" :cy="m.y" :r="mm(m.shown ? 15 : 11.5)" :stroke-width="mm(2.5)" />
    <text :x="m.x" :y="m.y + mm(4.2)" :font-size="mm(12.5)">{{ m.n }}</text>
  </g>
</template>

<style scoped>
.mark {
  cursor: pointer;
}
circle {
  fill: var(--blue);
  stroke: var(--white);
}
text {
  fill: var(--white);
  font-family: var(--head);
  font-weight: 700;
  text-anchor: middle;
}
.shown circle {
  stroke: var(--ink);
}
</style>
