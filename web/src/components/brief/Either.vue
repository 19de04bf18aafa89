<script setup lang="ts">
// One of two schools, in one press.
defineProps<{ value: string; label: string; options: readonly (readonly [value: string, says: string])[] }>()
const emit = defineEmits<{ change: [value: string] }>()
</script>

<template>
  <span class="either" role="group" :aria-label="label">
    <button
      v-for="[id, says] in options"
      :key="id"
      type="button"
      :aria-pressed="value === id"
      @click="value === id || emit('change', id)"
    >
      {{ says }}
    </button>
  </span>
</template>

<style scoped>
.either {
  display: inline-flex;
  vertical-align: middle;
  margin: 0 3px;
  border: 1.5px solid var(--line-strong);
  border-radius: var(--radius-m);
  overflow: hidden;
  line-height: 1.2;
}
button {
  font: inherit;
  font-size: var(--type-3);
  color: var(--soft);
  background: transparent;
  border: 0;
  min-height: 32px;
  padding: 2px 10px;
  cursor: pointer;
}
button + button {
  border-left: 1.5px solid var(--line-strong);
}
button[aria-pressed='true'] {
  color: var(--ink);
  background: var(--line);
  font-weight: 650;
}
@media (pointer: coarse) {
  button {
    min-height: 44px;
  }
}
</style>
