<script setup lang="ts">
// What hands can take hold of on the canvas: the outlines of the elements, in the order they are laid. There is nothing
// to see of them; they can be focused, and are read out.
import { aboutForm } from '@/help/forms'
import type { TrayElement } from '@/api/tray.gen'
import type { Hold } from '@/composables/held'

defineProps<{
  holds: readonly (Hold & { says: string })[]
  hidden: ReadonlySet<string>
  selected: string | null
  scale: number
  fixed: boolean
}>()
const emit = defineEmits<{
  focus: [id: string]
  key: [id: string, event: KeyboardEvent]
  take: [event: PointerEvent, e: TrayElement, index: number]
}>()
</script>

<template>
  <g role="group" :aria-label="`The tray, ${holds.length} elements in the order they are laid`">
    <path
      v-for="h in holds"
      v-show="!hidden.has(h.e.id)"
      :key="h.e.id"
      v-memo="[h, hidden.has(h.e.id), h.e.id === selected, scale, fixed]"
      class="hold"
      :class="{ locked: h.e.locked || fixed }"
      :d="h.d"
      :stroke-width="8 / scale"
      role="button"
      tabindex="0"
      :data-hold="h.e.id"
      :data-help="aboutForm(h.e.form)"
      :aria-label="h.says"
      :aria-pressed="h.e.id === selected"
      @focus="emit('focus', h.e.id)"
      @keydown="emit('key', h.e.id, $event)"
      @pointerdown="emit('take', $event, h.e, h.index)"
    />
  </g>
</template>

<style scoped>
.hold {
  fill: none; /* nothing to paint, all to take hold of */
  stroke: none;
  pointer-events: all;
  cursor: grab;
  touch-action: none;
  outline: none;
}
.hold.locked {
  cursor: default;
}
</style>
