<script setup lang="ts" generic="W extends string">
// Words that hold or do not, each with a box to tick.
defineProps<{ words: readonly (readonly [W, string])[]; holds: (word: W) => boolean }>()
const emit = defineEmits<{ ticked: [word: W, on: boolean] }>()
</script>

<template>
  <div class="ticked">
    <label v-for="[word, says] in words" :key="word">
      <input
        type="checkbox"
        :checked="holds(word)"
        @change="emit('ticked', word, ($event.target as HTMLInputElement).checked)"
      />
      {{ says }}
    </label>
  </div>
</template>

<style scoped>
.ticked {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 14px;
  font-size: var(--type-3);
}
label {
  display: inline-flex;
  align-items: center;
  gap: 6px;
  min-height: 28px;
}
input {
  width: 17px;
  height: 17px;
  accent-color: var(--blue);
}
@media (pointer: coarse) {
  label {
    min-height: 44px;
  }
}
</style>
