<script setup lang="ts">
// What evenings before have taught of this crowd, food by food; each can be refused, and taken again.
import type { Learnt } from '@/api/tray.gen'
import { useLarder } from '@/stores/larder'

defineProps<{ learnt: readonly Learnt[]; busy: boolean }>()
const emit = defineEmits<{ refuse: [food: string, refused: boolean] }>()
const larder = useLarder()
const percent = (f: number) => `${f >= 1 ? '+' : '−'}${Math.abs(Math.round(100 * (f - 1)))} %`
</script>

<template>
  <section aria-label="Learnt from evenings">
    <h3>Learnt from evenings</h3>
    <ul class="learnt small">
      <li v-for="l in learnt" :key="l.food">
        <details>
          <summary>
            <span :class="{ refused: l.refused }">{{ larder.name(l.food) }}</span>
            <b class="nums">{{ l.refused ? 'as usual' : percent(l.factor) }}</b>
          </summary>
          <p v-for="b in l.because ?? []" :key="b" class="soft">{{ b }}</p>
          <button class="btn quiet" :disabled="busy" @click="emit('refuse', l.food, !l.refused)">
            {{ l.refused ? 'Let it count' : 'Ignore it: the usual share' }}
          </button>
        </details>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.learnt {
  display: grid;
  gap: 2px;
  margin-top: 6px;
}
summary {
  display: flex;
  justify-content: space-between;
  gap: 10px;
  cursor: pointer;
  min-height: 28px;
  align-items: center;
}
.refused {
  text-decoration: line-through;
  color: var(--soft);
}
p {
  margin: 2px 0 4px;
}
@media (pointer: coarse) {
  summary {
    min-height: 44px;
  }
}
</style>
