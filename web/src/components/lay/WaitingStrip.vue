<script setup lang="ts">
// What still waits beside the board: dragged onto it, or laid where there is room.
import { shallowRef } from 'vue'
import type { TrayElement } from '@/api/tray.gen'
import { useLarder } from '@/stores/larder'
import { grams } from '@/tray/words'

defineProps<{ elements: TrayElement[] }>()
const emit = defineEmits<{
  /** Lay it, at a point of the screen, px, or where there is room. */
  put: [e: TrayElement, at: { x: number; y: number } | null]
}>()

const larder = useLarder()
const lifted = shallowRef<{ e: TrayElement; x: number; y: number } | null>(null)
function lift(event: PointerEvent, e: TrayElement) {
  if (event.button !== 0) return
  ;(event.currentTarget as Element).setPointerCapture(event.pointerId)
  lifted.value = { e, x: event.clientX, y: event.clientY }
}
function bring(event: PointerEvent) {
  if (lifted.value) lifted.value = { ...lifted.value, x: event.clientX, y: event.clientY }
}
function layDown(event: PointerEvent) {
  const l = lifted.value
  lifted.value = null
  if (l) emit('put', l.e, { x: event.clientX, y: event.clientY })
}
const says = (e: TrayElement) => larder.food(e.food)?.forms.find(f => f.form === e.form)?.says ?? e.form
</script>

<template>
  <div class="strip" role="group" aria-label="Still beside the board">
    <span class="soft small">Still beside the board</span>
    <button
      v-for="e in elements"
      :key="e.id"
      class="chip"
      :title="`${says(e)}. Drag it onto the board, or press Enter to lay it where there is room`"
      @pointerdown="lift($event, e)"
      @pointermove="bring"
      @pointerup="layDown"
      @pointercancel="lifted = null"
      @keydown.enter.prevent="emit('put', e, null)"
      @dblclick="emit('put', e, null)"
    >
      <img :src="larder.picture(e.food, e.form)" alt="" draggable="false" />
      {{ larder.name(e.food) }}, {{ e.vessel ? grams(e.grams) : e.count }}
    </button>
    <div v-if="lifted" class="lifted" :style="{ left: lifted.x + 'px', top: lifted.y + 'px' }">
      <img :src="larder.picture(lifted.e.food, lifted.e.form)" alt="" />
    </div>
  </div>
</template>

<style scoped>
.strip {
  display: flex;
  gap: 8px;
  align-items: center;
  overflow-x: auto;
  padding: 2px;
}
.strip > .small {
  white-space: nowrap;
}
.chip {
  font: 500 0.87rem var(--text);
  color: var(--ink);
  background: var(--paper);
  border: 1px solid var(--line);
  border-radius: var(--radius);
  min-height: 44px;
  padding: 2px 12px 2px 6px;
  display: inline-flex;
  gap: 6px;
  align-items: center;
  white-space: nowrap;
  cursor: grab;
  touch-action: none;
  user-select: none;
}
.chip img {
  width: 36px;
  height: 36px;
}
.lifted {
  position: fixed;
  pointer-events: none;
  z-index: 9;
  transform: translate(-50%, -50%);
}
.lifted img {
  width: 84px;
  height: 84px;
  filter: drop-shadow(2px 5px 5px rgb(46 26 13 / 40%));
}
</style>
