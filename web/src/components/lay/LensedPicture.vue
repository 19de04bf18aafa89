<script setup lang="ts">
// The picture of the tray as a lens lets it be seen, or as it lay before.
import { computed, useId, type StyleValue } from 'vue'
import type { LensView } from '@/api/client'

const props = defineProps<{ art: StyleValue; lens: LensView | null; before: string }>()
// a lens that tints lets the food go pale below; one that is an eye changes its colours
const visionId = useId()
const visionMatrix = computed(() => {
  const v = props.lens?.vision ?? []
  return [0, 3, 6].map(i => `${v[i]} ${v[i + 1]} ${v[i + 2]} 0 0`).join(' ') + ' 0 0 0 1 0'
})
const lensed = computed(() => {
  if (!props.lens) return {}
  if (props.lens.vision) return { filter: `url(#${visionId})` }
  return { filter: 'grayscale(0.75) brightness(1.1) contrast(0.85)', opacity: 0.75 }
})
</script>

<template>
  <svg v-if="lens?.vision" class="only-read" aria-hidden="true">
    <filter :id="visionId" color-interpolation-filters="linearRGB">
      <feColorMatrix :values="visionMatrix" />
    </filter>
  </svg>
  <slot :as="[art, lensed]" />
  <img v-if="before" class="before" :style="art" :src="before" alt="The tray as it lay before" />
</template>

<style scoped>
.before {
  position: absolute;
  background: var(--counter);
}
</style>
