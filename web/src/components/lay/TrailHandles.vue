<script setup lang="ts">
// Handles along a trail: drawn to another place they bend it; those at its ends lengthen it or let it
// begin elsewhere.
import { computed, shallowRef, useId } from 'vue'
import type { TrayElement } from '@/api/tray.gen'
import { useDrag } from '@/composables/drag'
import { arrowOn } from '@/tray/move'

const props = defineProps<{
  element: TrayElement
  scale: number // px for a mm
  turned: boolean // the board is shown a quarter turned
  toBoard: (x: number, y: number) => { x: number; y: number }
}>()
const emit = defineEmits<{ bend: [path: number[][]] }>()

const uid = useId()
const mm = (px: number) => px / props.scale
type Pt = [number, number]
const most = 6
/** The line of the trail through its folds, as few points as bend it well. */
const points = computed<Pt[]>(() => {
  const all = props.element.pieces.map(p => [p.at?.[0] ?? 0, p.at?.[1] ?? 0] as Pt)
  const n = Math.min(most, all.length)
  return Array.from({ length: n }, (_, i) => all[Math.round((i * (all.length - 1)) / Math.max(1, n - 1))]!)
})
const drawn = shallowRef<Pt[] | null>(null)
const now = computed(() => drawn.value ?? points.value)
/** A smooth line through the handles (Catmull and Rom 1974), and as many points of it as are sent. */
function smooth(ps: Pt[]): Pt[] {
  const out: Pt[] = []
  for (let i = 0; i + 1 < ps.length; i++) {
    const [a, b, c, d] = [ps[Math.max(0, i - 1)]!, ps[i]!, ps[i + 1]!, ps[Math.min(ps.length - 1, i + 2)]!]
    for (let k = 0; k < 8; k++) {
      const t = k / 8
      const at = (j: 0 | 1) =>
        0.5 *
        (2 * b[j] +
          (c[j] - a[j]) * t +
          (2 * a[j] - 5 * b[j] + 4 * c[j] - d[j]) * t * t +
          (3 * b[j] - a[j] - 3 * c[j] + d[j]) * t * t * t)
      out.push([at(0), at(1)])
    }
  }
  out.push(ps.at(-1)!)
  return out.map(([x, y]) => [Math.round(x * 10) / 10, Math.round(y * 10) / 10])
}
const line = computed(() =>
  smooth(now.value)
    .map(p => p.join(' '))
    .join('L'),
)

function moveTo(i: number, x: number, y: number) {
  drawn.value = now.value.map((p, k) => (k === i ? ([x, y] as Pt) : p))
}
const drag = useDrag<number>({
  moved: p => {
    const { x, y } = props.toBoard(p.at.x, p.at.y)
    moveTo(p.of, x, y)
  },
  dropped: (_, keep) => letGo(keep),
})
function letGo(keep: boolean) {
  const path = drawn.value
  drawn.value = null
  if (keep && path) emit('bend', smooth(path))
}
let timer = 0
function key(event: KeyboardEvent, i: number) {
  const d = event.shiftKey ? 30 : 10
  const by = (
    { ArrowLeft: [-d, 0], ArrowRight: [d, 0], ArrowUp: [0, -d], ArrowDown: [0, d] } as Record<string, Pt>
  )[arrowOn(props.turned, event.key)]
  if (!by) return
  event.preventDefault()
  event.stopPropagation()
  const [x, y] = now.value[i]!
  moveTo(i, x + by[0], y + by[1])
  window.clearTimeout(timer)
  timer = window.setTimeout(() => letGo(true), 350)
}
const says = (i: number) =>
  i === 0
    ? 'Beginning of the trail'
    : i === now.value.length - 1
      ? 'End of the trail'
      : `Bend ${i} of the trail`
</script>

<template>
  <g :aria-labelledby="uid">
    <title :id="uid">Handles that bend the trail</title>
    <path v-if="drawn" class="line halo" :d="`M${line}`" :stroke-width="mm(5)" />
    <path
      v-if="drawn"
      class="line"
      :d="`M${line}`"
      :stroke-width="mm(2.5)"
      :stroke-dasharray="`${mm(7)} ${mm(4)}`"
    />
    <g
      v-for="([x, y], i) in now"
      :key="i"
      class="handle"
      role="button"
      tabindex="0"
      :aria-label="`${says(i)}, arrows move it`"
      @pointerdown.stop="drag.take($event, i)"
      v-on="drag.on"
      @keydown="key($event, i)"
    >
      <circle :cx="x" :cy="y" :r="mm(20)" class="reach" />
      <circle :cx="x" :cy="y" :r="mm(i === 0 || i === now.length - 1 ? 7 : 5.5)" :stroke-width="mm(2.5)" />
    </g>
  </g>
</template>

<style scoped>
.line {
  fill: none;
  stroke: var(--blue);
  pointer-events: none;
}
.halo {
  stroke: var(--white);
}
.handle {
  cursor: move;
  touch-action: none;
  outline: none;
}
circle {
  fill: var(--white);
  stroke: var(--blue);
}
.handle:focus-visible circle:not(.reach) {
  fill: var(--blue);
  stroke: var(--white);
}
.reach {
  fill: transparent;
  stroke: none;
}
</style>
