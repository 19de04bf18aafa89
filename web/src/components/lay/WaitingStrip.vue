<script setup lang="ts">
// What still waits beside the board: dragged onto it, or laid where there is room.
import type { TrayElement } from '@/api/tray.gen'
import { useDrag } from '@/composables/drag'
import { useLarder } from '@/stores/larder'
import { grams } from '@/tray/words'

defineProps<{ elements: TrayElement[] }>()
const emit = defineEmits<{
  /** Lay it, at a point of the screen, px, or where there is room. */
  put: [e: TrayElement, at: { x: number; y: number } | null]
}>()

const larder = useLarder()
const drag = useDrag<TrayElement>({
  dropped: (p, keep) => keep && emit('put', p.of, p.at),
})
const lifted = drag.pull
const says = (e: TrayElement) => larder.food(e.food)?.forms.find(f => f.form === e.form)?.says ?? e.form
</script>

<template>
  <div class="strip" role="group" aria-label="Still beside the board" data-help="Waiting">
    <span class="soft small">Still beside the board</span>
    <button
      v-for="e in elements"
      :key="e.id"
      class="chip"
      :title="`${says(e)}. Drag it onto the board, or press Enter to lay it where there is room`"
      @pointerdown="drag.take($event, e)"
      v-on="drag.on"
      @keydown.enter.prevent="emit('put', e, null)"
      @dblclick="emit('put', e, null)"
    >
      <img :src="larder.picture(e.food, e.form)" alt="" draggable="false" />
      {{ larder.name(e.food) }}, {{ e.vessel ? grams(e.grams) : e.count }}
    </button>
    <div v-if="lifted" class="lifted" :style="{ left: lifted.at.x + 'px', top: lifted.at.y + 'px' }">
      <img :src="larder.picture(lifted.of.food, lifted.of.form)" alt="" />
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
  font: 500 var(--type-3) var(--text);
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
  filter: drop-shadow(2px 5px 5px var(--shade-deep));
}
</style>
