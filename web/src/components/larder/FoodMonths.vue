<script setup lang="ts">
// The months in which a food is at its best.
import type { Food } from '@/api/tray.gen'
import type { FoodChange } from '@/composables/foodPage'
import { monthNames } from '@/tray/larder'

defineProps<{ food: Food; south: readonly number[] }>()
const emit = defineEmits<{ change: [part: FoodChange] }>()
function month(m: number) {
  emit('change', now => ({
    season: now.season.includes(m)
      ? now.season.filter(x => x !== m)
      : [...now.season, m].sort((a, b) => a - b),
  }))
}
</script>

<template>
  <div>
    <div class="months" role="group" aria-label="Months at its best, north">
      <button
        v-for="(name, i) in monthNames"
        :key="name"
        type="button"
        :aria-pressed="food.season.includes(i + 1)"
        :aria-label="name"
        :title="name"
        @click="month(i + 1)"
      >
        {{ name[0] }}
      </button>
    </div>
    <p class="small soft">
      {{
        food.season.length
          ? `in the north; in the south ${south.map(m => monthNames[m - 1]).join(', ')}`
          : 'alike all year'
      }}
    </p>
    <label v-if="food.season.length" class="small year">
      <input
        type="checkbox"
        :checked="!!food.all_year"
        @change="emit('change', { all_year: ($event.target as HTMLInputElement).checked || undefined })"
      />
      in the shops all year, at its best in these months
    </label>
  </div>
</template>

<style scoped>
.year {
  display: flex;
  gap: 6px;
  align-items: center;
  min-height: 30px;
}
.months {
  display: grid;
  grid-template-columns: repeat(12, 1fr);
  gap: 2px;
}
.months button {
  font: 600 var(--type-3)/1 var(--text);
  color: var(--soft);
  background: var(--linen);
  border: 1px solid var(--line);
  border-radius: var(--radius-s);
  height: 30px;
  padding: 0;
  cursor: pointer;
}
.months button[aria-pressed='true'] {
  background: var(--ink);
  color: var(--white);
  border-color: var(--ink);
}
@media (pointer: coarse) {
  .months button {
    height: 44px;
  }
}
</style>
