<script setup lang="ts">
// A tray as drawn, to be tapped: what is gone is covered by the board, what is looked at has a ring.
import { computed } from 'vue'
import type { TrayElement, TrayFile } from '@/api/tray.gen'
import { useDrawn } from '@/composables/drawn'
import { boxAround } from '@/tray/move'

const props = defineProps<{
  tray: TrayFile
  gone: ReadonlySet<string>
  lit: ReadonlySet<string>
  says: string
  eaten?: ReadonlyMap<string, number> // of each element, the part that is foreseen to be gone
}>()
const emit = defineEmits<{ tap: [element: TrayElement] }>()

const { src, box } = useDrawn(() => props.tray)
const path = (e: TrayElement) =>
  e.pieces.map(p => 'M' + p.outline.map(q => q.join(' ')).join('L') + 'Z').join('')
const placed = computed(() =>
  props.tray.elements.filter(e => e.placed && e.pieces.length && e.category !== 'garnish'),
)
const covered = computed(() =>
  placed.value
    .filter(e => props.gone.has(e.id))
    .map(path)
    .join(''),
)
const thinned = computed(() =>
  placed.value
    .map(e => ({ id: e.id, d: path(e), part: props.eaten?.get(e.id) ?? 0 }))
    .filter(e => e.part > 0.03),
)
const rings = computed(() =>
  placed.value
    .filter(e => props.lit.has(e.id))
    .map(e => {
      const b = boxAround(e, 0)
      return {
        id: e.id,
        x: b.x + b.width / 2,
        y: b.y + b.height / 2,
        r: Math.hypot(b.width, b.height) / 2 + 6,
      }
    }),
)
const ground = computed(() => props.tray.board?.liner || props.tray.board?.colour || '#8a6a4a')
</script>

<template>
  <svg v-if="box.length === 4" :viewBox="box.join(' ')" role="img" :aria-label="says" class="tap">
    <image :href="src" :x="box[0]" :y="box[1]" :width="box[2]" :height="box[3]" />
    <path v-for="t in thinned" :key="t.id" :d="t.d" :fill="ground" :opacity="0.94 * t.part" class="thin" />
    <path v-if="covered" :d="covered" :fill="ground" class="gone" />
    <circle v-for="c in rings" :key="c.id" :cx="c.x" :cy="c.y" :r="c.r" />
    <path v-for="e in placed" :key="e.id" :d="path(e)" class="hit" :data-tap="e.id" @click="emit('tap', e)" />
  </svg>
  <div v-else class="tap none" />
</template>

<style scoped>
.tap {
  display: block;
  width: 100%;
  max-height: min(56vh, 620px);
  touch-action: manipulation;
}
.none {
  min-height: 220px;
}
.thin {
  pointer-events: none;
}
.gone {
  opacity: 0.86;
  stroke: var(--paper);
  stroke-opacity: 0.35;
  stroke-width: 1.5;
  pointer-events: none;
}
circle {
  fill: none;
  stroke: var(--white);
  stroke-width: 5;
  vector-effect: non-scaling-stroke;
  pointer-events: none;
  paint-order: stroke;
  stroke: var(--blue);
  filter: drop-shadow(0 0 2px var(--white)) drop-shadow(0 0 2px var(--white));
}
.hit {
  fill: transparent;
  stroke: transparent;
  stroke-width: 14; /* a finger is wider than an olive */
  cursor: pointer;
}
</style>
