<script setup lang="ts">
// Things to choose from, drawn where they are foods; afterwards each says whether it was right, and why.
import type { Exercise, ExerciseMark } from '@/api/client'
import { useLarder } from '@/stores/larder'

const props = defineProps<{ exercise: Exercise; chosen: string[]; mark: ExerciseMark | null }>()
const emit = defineEmits<{ chosen: [to: string[]] }>()
const larder = useLarder()

function toggle(id: string) {
  if (props.mark) return
  if (props.chosen.includes(id))
    emit(
      'chosen',
      props.chosen.filter(c => c !== id),
    )
  else emit('chosen', props.exercise.pick === 1 ? [id] : [...props.chosen, id])
}
const right = (id: string) => props.mark?.solution.right?.includes(id) ?? false
const why = (id: string) => props.mark?.solution.because.find(b => b.id === id)?.says ?? ''
/** What came of a choice, in a word. */
function came(id: string) {
  if (!props.mark) return ''
  if (right(id)) return props.chosen.includes(id) ? '✓ right' : '○ missed'
  return props.chosen.includes(id) ? '× not this one' : ''
}
</script>

<template>
  <ul class="cards" :class="{ plain: !exercise.choices?.some(c => c.food) }">
    <li v-for="c in exercise.choices" :key="c.id">
      <button
        class="choice"
        :class="{ on: chosen.includes(c.id), right: mark && right(c.id) }"
        :aria-pressed="chosen.includes(c.id)"
        :disabled="!!mark"
        @click="toggle(c.id)"
      >
        <img v-if="c.food" :src="larder.picture(c.food, c.form)" alt="" />
        <span class="says">{{ c.says }}</span>
        <span v-if="came(c.id)" class="came">{{ came(c.id) }}</span>
      </button>
      <p v-if="why(c.id)" class="why small">{{ why(c.id) }}</p>
    </li>
  </ul>
</template>

<style scoped>
.cards {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(158px, 1fr));
  gap: 12px;
}
.cards.plain {
  grid-template-columns: repeat(auto-fill, minmax(240px, 1fr));
}
.choice {
  width: 100%;
  min-height: 64px;
  display: grid;
  justify-items: center;
  align-content: center;
  gap: 4px;
  padding: 12px 8px;
  background: var(--paper);
  border: 2px solid var(--line);
  border-radius: var(--radius-l);
  color: var(--ink);
  font: inherit;
  cursor: pointer;
}
.choice img {
  width: 96px;
  height: 84px;
  object-fit: contain;
}
.choice:disabled {
  cursor: default;
}
.choice.on {
  border-color: var(--blue);
  background: var(--blue-wash);
}
.choice.right {
  border-color: var(--blue);
}
.says {
  font-weight: 600;
  text-align: center;
}
.came {
  font-size: var(--type-3);
  font-weight: 650;
  color: var(--blue);
}
.why {
  color: var(--soft);
  margin: 4px 4px 0;
}
</style>
