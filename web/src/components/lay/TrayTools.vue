<script setup lang="ts">
// What guests take with, over what is laid: it is looked at, not taken hold of.
import type { Scene } from '@/api/client'

type Tool = Scene['tools'][number]
defineProps<{ tools: readonly Tool[]; foodName: (element: string) => string }>()
</script>

<template>
  <g class="tools">
    <g v-for="(t, i) in tools" :key="i">
      <!-- drawn by the server, of shapes alone -->
      <g class="drawn" :transform="`translate(${t.x} ${t.y}) rotate(${t.turn_deg})`" :innerHTML="t.svg" />
      <title>{{ t.name }} for {{ t.elements.map(foodName).join(', ') }}</title>
    </g>
  </g>
</template>

<style scoped>
.tools {
  pointer-events: none;
}
.drawn {
  filter: drop-shadow(2px 3px 1.5px var(--shade));
}
</style>
