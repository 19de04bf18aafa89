<script setup lang="ts">
// Works to put in order, first to last: dragged, or moved by the arrows beside them.
import { ref } from 'vue'
import type { Exercise, ExerciseMark } from '@/api/client'

const props = defineProps<{ exercise: Exercise; order: string[]; mark: ExerciseMark | null }>()
const emit = defineEmits<{ order: [to: string[]] }>()
const dragged = ref(-1)

const says = (id: string) => props.exercise.choices?.find(c => c.id === id)?.says ?? id
const when = (id: string) => props.mark?.solution.because.find(b => b.id === id)?.says ?? ''
function move(from: number, to: number) {
  if (props.mark || to < 0 || to >= props.order.length || from === to || from < 0) return
  const next = [...props.order]
  next.splice(to, 0, ...next.splice(from, 1))
  emit('order', next)
}
</script>

<template>
  <ol class="works">
    <li
      v-for="(id, n) in order"
      :key="id"
      :draggable="!mark"
      :class="{ wrong: mark?.wrong.includes(id) }"
      @dragstart="dragged = n"
      @dragover.prevent
      @drop.prevent="move(dragged, n)"
    >
      <span class="nums n">{{ n + 1 }}</span>
      <span class="says">
        {{ says(id) }}
        <small v-if="mark" class="when"
          >{{ mark.wrong.includes(id) ? '× too early; it ' : '' }}{{ when(id) }}</small
        >
      </span>
      <span v-if="!mark" class="moves">
        <button
          class="btn quiet"
          :disabled="n === 0"
          :aria-label="`Earlier: ${says(id)}`"
          @click="move(n, n - 1)"
        >
          ↑
        </button>
        <button
          class="btn quiet"
          :disabled="n === order.length - 1"
          :aria-label="`Later: ${says(id)}`"
          @click="move(n, n + 1)"
        >
          ↓
        </button>
      </span>
    </li>
  </ol>
</template>

<style scoped>
.works {
  display: grid;
  gap: 8px;
  padding: 0;
  margin: 0;
  list-style: none;
}
.works li {
  display: grid;
  grid-template-columns: 34px 1fr auto;
  align-items: center;
  gap: 8px;
  background: var(--paper);
  border: 1.5px solid var(--line);
  border-radius: var(--radius-m);
  padding: 6px 10px;
  min-height: 56px;
}
.works li[draggable='true'] {
  cursor: grab;
}
.works li.wrong {
  border-color: var(--stop);
}
.n {
  font-family: var(--head);
  font-size: var(--type-7);
  color: var(--blue);
}
.says {
  display: grid;
}
.when {
  color: var(--soft);
}
.moves {
  display: flex;
}
.moves .btn {
  min-width: 44px;
  min-height: 44px;
}
</style>
