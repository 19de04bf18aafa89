<script setup lang="ts">
// A laid board to be tapped where something is wrong: each tap is a numbered mark that a second one takes away; afterwards the
// faults are ringed, those that were found and those that were not.
import { computed, ref, useTemplateRef } from 'vue'
import type { ExerciseMark } from '@/api/client'
import type { TrayFile } from '@/api/tray.gen'
import { useDrawn } from '@/composables/drawn'

const props = defineProps<{ tray: TrayFile; taps: [number, number][]; mark: ExerciseMark | null }>()
const emit = defineEmits<{ taps: [to: [number, number][]] }>()

const { src, box } = useDrawn(() => props.tray)

const svg = useTemplateRef('svg')
const sameMM = 16 // as near as this a second tap takes the mark away
const step = 12 // mm that an arrow goes
/** Where the keyboard points, mm. */
const cursor = ref<[number, number] | null>(null)
const middle = computed<[number, number]>(() => {
  const [x = 0, y = 0, w = 0, h = 0] = box.value
  return [x + w / 2, y + h / 2]
})
function put(at: [number, number]) {
  if (props.mark) return
  const there = props.taps.findIndex(t => Math.hypot(t[0] - at[0], t[1] - at[1]) < sameMM)
  emit('taps', there >= 0 ? props.taps.filter((_, i) => i !== there) : [...props.taps, at])
}
function tap(e: MouseEvent) {
  const m = svg.value?.getScreenCTM()?.inverse()
  if (!m) return
  const p = new DOMPoint(e.clientX, e.clientY).matrixTransform(m)
  put([Math.round(p.x), Math.round(p.y)])
}
function key(e: KeyboardEvent) {
  const by: Record<string, [number, number]> = {
    ArrowLeft: [-step, 0],
    ArrowRight: [step, 0],
    ArrowUp: [0, -step],
    ArrowDown: [0, step],
  }
  const d = by[e.key]
  const at = cursor.value ?? middle.value
  if (d) cursor.value = [at[0] + d[0], at[1] + d[1]]
  else if (e.key === 'Enter' || e.key === ' ') put(at)
  else return
  e.preventDefault()
}
const faults = computed(() =>
  (props.mark?.solution.faults ?? []).map((f, n) => ({
    n,
    x: f.at[0]!,
    y: f.at[1]!,
    found: props.mark!.found.includes(n),
  })),
)
</script>

<template>
  <svg
    v-if="box.length === 4"
    ref="svg"
    :viewBox="box.join(' ')"
    class="board"
    tabindex="0"
    role="application"
    aria-label="The board. Tap what is wrong; with the keyboard the arrows point and Enter marks."
    @click="tap"
    @keydown="key"
    @blur="cursor = null"
  >
    <image :href="src" :x="box[0]" :y="box[1]" :width="box[2]" :height="box[3]" />
    <g v-for="(t, n) in taps" :key="n" class="tap" :class="{ off: mark?.alarms.includes(n) }">
      <circle :cx="t[0]" :cy="t[1]" r="11" />
      <text :x="t[0]" :y="t[1] + 5">{{ mark?.alarms.includes(n) ? '×' : n + 1 }}</text>
    </g>
    <g v-for="f in faults" :key="'f' + f.n" class="fault" :class="{ found: f.found }">
      <circle :cx="f.x" :cy="f.y" r="26" />
      <text :x="f.x + 24" :y="f.y - 18">{{ String.fromCharCode(65 + f.n) }}</text>
    </g>
    <circle v-if="cursor" class="cursor" :cx="cursor[0]" :cy="cursor[1]" r="14" />
  </svg>
  <div v-else class="board none" />
</template>

<style scoped>
.board {
  display: block;
  width: 100%;
  max-height: min(66vh, 640px);
  touch-action: manipulation;
  cursor: crosshair;
}
.none {
  min-height: 320px;
}
.tap circle {
  fill: var(--blue);
  stroke: var(--white);
  stroke-width: 3;
}
.tap.off circle {
  fill: var(--stop);
}
text {
  font: 700 14px var(--text);
  fill: var(--white);
  text-anchor: middle;
  pointer-events: none;
}
.fault circle {
  fill: none;
  stroke: var(--stop);
  stroke-width: 4;
  stroke-dasharray: 7 5;
  filter: drop-shadow(0 0 2px var(--white));
}
.fault.found circle {
  stroke: var(--blue);
  stroke-dasharray: none;
}
.fault text {
  font-size: 20px;
  fill: var(--ink);
  paint-order: stroke;
  stroke: var(--white);
  stroke-width: 5;
}
.cursor {
  fill: none;
  stroke: var(--blue);
  stroke-width: 3;
}
</style>
