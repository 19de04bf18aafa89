<script setup lang="ts">
// A drawing in true proportion beside two rulers, with a hand to measure by.
import { computed } from 'vue'
import { hand } from '@/tray/outline'
import { units } from '@/tray/units'

const props = defineProps<{ svg: string; box: number[]; says: string }>()

const gap = 26

const view = computed(() => {
  const [, , w = 100, h = 100] = props.box
  const width = Math.max(w, 60) + gap + hand.w
  const height = Math.max(h, hand.h)
  return { w, h, width, height, pad: Math.max(width / 1.9, height) * 0.055 }
})
const step = computed(() => (units.length === 'in' ? 25.4 : 10))
const marks = (length: number) =>
  Array.from({ length: Math.floor(length / step.value) + 1 }, (_, i) => ({ n: i, at: i * step.value }))
const every = computed(() => (view.value.width / step.value > 24 ? 5 : units.length === 'in' ? 1 : 5))
const src = computed(() => `data:image/svg+xml;utf8,${encodeURIComponent(props.svg)}`)
</script>

<template>
  <svg
    class="scale"
    :viewBox="`${-view.pad} ${-view.pad} ${view.width + view.pad} ${view.height + view.pad}`"
    role="img"
    :aria-label="says"
  >
    <g class="ruler" :stroke-width="view.pad * 0.05" :font-size="view.pad * 0.4">
      <path :d="`M0 ${-view.pad * 0.18}H${view.width}M${-view.pad * 0.18} 0V${view.height}`" />
      <template v-for="m in marks(view.width)" :key="'x' + m.n">
        <path :d="`M${m.at} ${-view.pad * 0.18}v${-view.pad * (m.n % every === 0 ? 0.3 : 0.16)}`" />
        <text v-if="m.n % every === 0" :x="m.at + view.pad * 0.06" :y="-view.pad * 0.55">
          {{ m.n }}{{ m.n ? '' : ' ' + units.length }}
        </text>
      </template>
      <template v-for="m in marks(view.height)" :key="'y' + m.n">
        <path :d="`M${-view.pad * 0.18} ${m.at}h${-view.pad * (m.n % every === 0 ? 0.3 : 0.16)}`" />
        <text v-if="m.n % every === 0 && m.n" :x="-view.pad * 0.95" :y="m.at + view.pad * 0.42">
          {{ m.n }}
        </text>
      </template>
    </g>
    <image
      :href="src"
      :x="(Math.max(view.w, 60) - view.w) / 2"
      :y="(view.height - view.h) / 2"
      :width="view.w"
      :height="view.h"
    />
    <g :transform="`translate(${view.width - hand.w} ${(view.height - hand.h) / 2})`">
      <path class="hand" :d="hand.path" />
    </g>
  </svg>
</template>

<style scoped>
.scale {
  display: block;
  width: 100%;
  height: 100%;
}
.ruler path {
  fill: none;
  stroke: var(--line-strong);
}
.ruler text {
  fill: var(--soft);
  font-family: var(--text);
}
.hand {
  fill: var(--wood-pale);
  stroke: var(--wood-line);
  stroke-width: 1.2;
  stroke-linejoin: round;
}
</style>
