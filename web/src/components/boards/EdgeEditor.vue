<script setup lang="ts">
// A board whose edge can be moved point by point: dragged, nudged with the arrow
// keys, points added in the middle of an edge and taken out with Delete.
import { computed, ref, useTemplateRef } from 'vue'
import { useElementSize } from '@vueuse/core'
import { useDrag } from '@/composables/drag'
import { boxOf, handles, type Pt } from '@/tray/outline'
import { units } from '@/tray/units'

const props = defineProps<{
  svg: string
  outline: Pt[] | null
  holes: Pt[][]
  reach: number
  boardBox: number[]
}>()
const emit = defineEmits<{
  move: [at: number, dx: number, dy: number, step: boolean]
  add: [after: number]
  drop: [at: number]
  dropHole: [at: number]
}>()

const frame = useTemplateRef('frame')
const size = useElementSize(frame)
const margin = 12 // mm round the board's own picture
// while a point is carried the view stays where it is
const box = computed(() => (props.outline ? boxOf(props.outline) : [0, 0, ...props.boardBox]))
const view = computed(() => {
  if (drag.pull.value) return drag.pull.value.of.view
  const [x = 0, y = 0, w = 100, h = 100] = box.value
  const pad = Math.max(w, h) * 0.09
  return [x - pad, y - pad, w + 2 * pad, h + 2 * pad]
})
const px = computed(() =>
  Math.max(view.value[2]! / (size.width.value || 600), view.value[3]! / (size.height.value || 400)),
)
const src = computed(() => `data:image/svg+xml;utf8,${encodeURIComponent(props.svg)}`)
const grips = computed(() => (props.outline ? handles(props.outline) : []))
const middles = computed(() =>
  props.outline && props.outline.length <= 26
    ? props.outline.map((p, i) => {
        const q = props.outline![(i + 1) % props.outline!.length]!
        return {
          after: i,
          x: (p[0] + q[0]) / 2,
          y: (p[1] + q[1]) / 2,
          long: Math.hypot(q[0] - p[0], q[1] - p[1]),
        }
      })
    : [],
)
const chosen = ref(-1)

let first = true
const drag = useDrag<{ at: number; view: number[] }>({
  slack: 1,
  moved: p => {
    emit('move', p.of.at, p.step.x * px.value, p.step.y * px.value, first)
    first = false
  },
})
/** Takes hold of a point; the view stays as it is while it is carried. */
function grab(e: PointerEvent, at: number) {
  chosen.value = at
  first = true
  drag.take(e, { at, view: view.value })
}

function key(e: KeyboardEvent, at: number) {
  const far = e.shiftKey ? 10 : 2
  const by: Record<string, [number, number]> = {
    ArrowLeft: [-far, 0],
    ArrowRight: [far, 0],
    ArrowUp: [0, -far],
    ArrowDown: [0, far],
  }
  const d = by[e.key]
  if (d) emit('move', at, d[0], d[1], true)
  else if (e.key === 'Delete' || e.key === 'Backspace') emit('drop', at)
  else return
  e.preventDefault()
}
const step = computed(() => (units.length === 'in' ? 25.4 : 10))
const place = (p: Pt) => `${Math.round(p[0] / step.value)}, ${Math.round(p[1] / step.value)} ${units.length}`
</script>

<template>
  <div ref="frame" class="frame">
    <svg :viewBox="view.join(' ')" v-on="drag.on">
      <image
        :href="src"
        :x="box[0]! - margin"
        :y="box[1]! - margin"
        :width="boardBox[0]! + 2 * margin"
        :height="boardBox[1]! + 2 * margin"
      />
      <g v-if="outline" :stroke-width="1.6 * px">
        <path class="edge" :d="'M' + outline.map(p => p.join(' ')).join('L') + 'Z'" />
        <g
          v-for="(h, i) in holes"
          :key="'h' + i"
          class="hole"
          role="button"
          tabindex="0"
          :aria-label="`Hole ${i + 1}; press to fill it`"
          @click="emit('dropHole', i)"
          @keydown.enter.prevent="emit('dropHole', i)"
        >
          <path :d="'M' + h.map(p => p.join(' ')).join('L') + 'Z'" />
        </g>
        <g
          v-for="m in middles"
          :key="'m' + m.after"
          class="middle"
          role="button"
          tabindex="0"
          :aria-label="`Add a point after ${m.after + 1}`"
          @click="emit('add', m.after)"
          @keydown.enter.prevent="emit('add', m.after)"
        >
          <circle v-if="m.long > 34 * px" :cx="m.x" :cy="m.y" :r="5 * px" />
          <circle class="reachable" :cx="m.x" :cy="m.y" :r="m.long > 34 * px ? 14 * px : 0" />
        </g>
        <g
          v-for="i in grips"
          :key="'p' + i"
          class="grip"
          :class="{ on: chosen === i }"
          role="button"
          tabindex="0"
          :aria-label="`Point ${i + 1} at ${place(outline[i]!)}; arrows move it, Delete takes it out`"
          @focus="chosen = i"
          @keydown="key($event, i)"
          @pointerdown.prevent="grab($event, i)"
        >
          <circle :cx="outline[i]![0]" :cy="outline[i]![1]" :r="7 * px" />
          <circle class="reachable" :cx="outline[i]![0]" :cy="outline[i]![1]" :r="20 * px" />
        </g>
      </g>
    </svg>
  </div>
</template>

<style scoped>
.frame {
  background: linear-gradient(var(--tabletop), var(--tabletop-far));
  border-radius: var(--radius-l);
  height: min(58vh, 500px);
  min-height: 300px;
  touch-action: none;
}
svg {
  display: block;
  width: 100%;
  height: 100%;
}
.edge {
  fill: none;
  stroke: var(--blue);
  pointer-events: none;
}
.hole path {
  fill: var(--blue-veil);
  stroke: var(--blue);
  stroke-dasharray: 5 4;
  cursor: pointer;
}
.grip circle:first-child {
  fill: var(--white);
  stroke: var(--blue);
}
.grip.on circle:first-child {
  fill: var(--blue);
}
.middle circle:first-child {
  fill: var(--blue);
  opacity: 0.55;
  stroke: var(--white);
}
.reachable {
  fill: transparent;
  stroke: none;
  cursor: grab;
}
.grip:focus-visible,
.middle:focus-visible,
.hole:focus-visible {
  outline: none;
}
.grip:focus-visible circle:first-child,
.middle:focus-visible circle:first-child,
.hole:focus-visible path {
  stroke: var(--ink);
  stroke-width: 3;
  vector-effect: non-scaling-stroke;
}
</style>
