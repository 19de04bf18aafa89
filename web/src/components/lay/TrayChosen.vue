<script setup lang="ts">
// The edge round what is chosen, and the handle that turns it.
import { computed, useId } from 'vue'
import type { TrayElement } from '@/api/tray.gen'
import { boxAround, type Pose } from '@/tray/move'

const props = defineProps<{
  element: TrayElement
  outlines: string // path data of its pieces
  scale: number // px for a mm
  top: number // where the room for the handle ends, mm
  carried: { from: Pose; to: Pose } | null
}>()
const emit = defineEmits<{ turn: [event: PointerEvent] }>()

const uid = useId()
const mm = (px: number) => px / props.scale
/** The room its outline takes, so that the mask is no larger than it needs to be. */
const room = computed(() => boxAround(props.element, mm(10)))
/** The motion of what is carried, in mm. */
const motion = computed(() => {
  const c = props.carried
  if (!c) return undefined
  return `translate(${c.to.x} ${c.to.y}) rotate(${c.to.turn - c.from.turn}) translate(${-c.from.x} ${-c.from.y})`
})
/** Where the turning handle stands: above what is chosen, or below where there is no room. */
const handle = computed(() => {
  const b = boxAround(props.element, mm(26))
  return { x: props.element.x, y: b.y < props.top ? b.y + b.height : b.y }
})
</script>

<template>
  <g :transform="motion" class="chosen">
    <mask :id="uid" maskUnits="userSpaceOnUse" v-bind="room">
      <rect v-bind="room" fill="#fff" />
      <path :d="outlines" fill="#000" />
    </mask>
    <g :mask="`url(#${uid})`">
      <path :d="outlines" class="halo" :stroke-width="mm(8)" />
      <path
        :d="outlines"
        class="edge"
        :stroke-width="mm(4)"
        :stroke-dasharray="element.locked ? `${mm(5)} ${mm(4)}` : undefined"
      />
    </g>
  </g>
  <g v-if="!element.locked" class="handle" :class="{ away: carried }" @pointerdown="emit('turn', $event)">
    <path :d="`M${element.x} ${element.y}L${handle.x} ${handle.y}`" :stroke-width="mm(1.5)" />
    <circle :cx="handle.x" :cy="handle.y" :r="mm(22)" class="reach" />
    <circle :cx="handle.x" :cy="handle.y" :r="mm(9)" :stroke-width="mm(2.5)" />
    <path
      class="arrow"
      :stroke-width="mm(1.6)"
      :d="`M${handle.x - mm(3.6)} ${handle.y + mm(1.6)}a${mm(4)} ${mm(4)} 0 1 1 ${mm(4)} ${mm(2.6)}m${mm(-1.5)} ${mm(-2)}l${mm(1.5)} ${mm(2)}l${mm(2)} ${mm(-1.4)}`"
    />
  </g>
</template>

<style scoped>
.chosen {
  pointer-events: none;
}
.halo,
.edge {
  fill: none;
  stroke: var(--white);
  stroke-linejoin: round;
}
.edge {
  stroke: var(--blue);
}
.handle {
  cursor: grab;
  touch-action: none;
}
.handle.away {
  opacity: 0; /* not taken out: it holds the pointer */
}
.handle path {
  stroke: var(--blue);
  fill: none;
  stroke-linecap: round;
}
.handle circle {
  fill: var(--blue);
  stroke: var(--white);
}
.handle .reach {
  fill: transparent;
  stroke: none;
}
.handle .arrow {
  stroke: var(--white);
}
</style>
