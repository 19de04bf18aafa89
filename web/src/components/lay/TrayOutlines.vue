<script setup lang="ts">
// Outlines over the tray: where things lay before, what finds no room, and what is chosen besides and moves along.
import type { TrayElement } from '@/api/tray.gen'

const props = defineProps<{
  scale: number
  /** Outlines of where things lay before what is shown. */
  ghosts: string
  /** Where what is carried was taken from. */
  left: string
  crowded: readonly { id: string; d: string; motion: string | undefined }[]
  others: readonly { e: TrayElement; d: string }[]
  motion: string | undefined
}>()
const mm = (px: number) => px / props.scale
</script>

<template>
  <g>
    <path
      v-if="ghosts"
      class="ghost"
      :d="ghosts"
      :stroke-width="mm(1.5)"
      :stroke-dasharray="`${mm(4)} ${mm(4)}`"
    />
    <path
      v-if="left"
      class="ghost"
      :d="left"
      :stroke-width="mm(1.5)"
      :stroke-dasharray="`${mm(4)} ${mm(4)}`"
    />
    <g v-for="c in crowded" :key="c.id" :transform="c.motion" class="crowded">
      <path :d="c.d" class="halo" :stroke-width="mm(6)" />
      <path :d="c.d" :stroke-width="mm(3)" :stroke-dasharray="`${mm(7)} ${mm(4)}`" />
    </g>
    <g v-for="o in others" :key="o.e.id" class="other" :transform="motion">
      <path :d="o.d" class="halo" :stroke-width="mm(5)" />
      <path :d="o.d" :stroke-width="mm(2.5)" />
    </g>
  </g>
</template>

<style scoped>
.ghost {
  fill: var(--white-wash);
  stroke: var(--blue);
  pointer-events: none;
}
.other {
  pointer-events: none;
}
.other path {
  fill: none;
  stroke: var(--blue);
  stroke-linejoin: round;
}
.other .halo {
  stroke: var(--white);
}
.crowded {
  pointer-events: none;
}
.crowded path {
  fill: none;
  stroke: var(--stop);
  stroke-linejoin: round;
}
.crowded .halo {
  stroke: var(--white);
}
</style>
