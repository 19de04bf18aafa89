<script setup lang="ts">
// Numbers to guess: for each the least and the most that one would bet four to one on.
import { computed } from 'vue'
import type { Exercise, ExerciseMark } from '@/api/client'
import { units } from '@/tray/units'
import NumberField from '@/components/common/NumberField.vue'

type Range = { low: number; high: number }
const props = defineProps<{ exercise: Exercise; guesses: Record<string, Range>; mark: ExerciseMark | null }>()
const emit = defineEmits<{ guesses: [to: Record<string, Range>] }>()

const unit: Record<string, string> = { g: 'g', cm2: 'cm²', pieces: '', kinds: '', minutes: 'min', money: '' }
const unitOf = (u: string) => (u === 'money' ? units.currency : (unit[u] ?? u))
function set(id: string, end: keyof Range, to: number) {
  if (!Number.isFinite(to) || to <= 0) return
  const was = props.guesses[id] ?? { low: 0, high: 0 }
  emit('guesses', { ...props.guesses, [id]: { ...was, [end]: to } })
}
const lines = computed(() =>
  (props.exercise.guesses ?? []).map(q => {
    const value = props.mark?.solution.values?.find(v => v.id === q.id)
    const g = props.guesses[q.id]
    return {
      ...q,
      value,
      low: g?.low || undefined,
      high: g?.high || undefined,
      within: props.mark?.within[q.id],
    }
  }),
)
</script>

<template>
  <ul class="lines">
    <li v-for="l in lines" :key="l.id">
      <span class="asks">{{ l.asks }}</span>
      <span class="range">
        from
        <NumberField
          :min="1"
          :disabled="!!mark"
          :model-value="l.low"
          :label="`${l.asks} At least`"
          @update:model-value="n => set(l.id, 'low', n)"
        />
        to
        <NumberField
          :min="1"
          :disabled="!!mark"
          :model-value="l.high"
          :label="`${l.asks} At most`"
          @update:model-value="n => set(l.id, 'high', n)"
        />
        {{ unitOf(l.unit) }}
      </span>
      <p v-if="l.value" class="is">
        <b class="figure nums">{{ l.value.is }} {{ unitOf(l.unit) }}</b>
        <span class="came">{{ l.within ? '✓ within your range' : '× outside your range' }}</span>
        <span class="soft small">{{ l.value.says }}</span>
      </p>
    </li>
  </ul>
</template>

<style scoped>
.lines {
  display: grid;
  gap: 12px;
  padding: 0;
  list-style: none;
}
.lines li {
  background: var(--paper);
  border: 1.5px solid var(--line);
  border-radius: var(--radius-l);
  padding: 12px 16px;
  display: grid;
  gap: 8px;
}
.asks {
  font-weight: 650;
}
.range {
  display: flex;
  align-items: center;
  gap: 8px;
  flex-wrap: wrap;
}
.is {
  display: flex;
  gap: 4px 14px;
  align-items: baseline;
  flex-wrap: wrap;
}
.came {
  font-weight: 650;
  color: var(--blue);
  font-size: var(--type-3);
}
</style>
