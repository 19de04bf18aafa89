<script setup lang="ts">
// Opens the help of the room that one is in.
import { useAsking } from './asking'

const { ask } = useAsking()
</script>

<template>
  <button class="ask no-print" aria-label="What is this?" title="What is this? (?)" @click="ask()">?</button>
</template>

<style scoped>
.ask {
  width: 32px;
  height: 32px;
  flex: none;
  border: 1.5px solid var(--line-strong);
  border-radius: 50%;
  background: var(--paper);
  color: var(--soft);
  font: 700 var(--type-5) var(--text);
  cursor: pointer;
}
.ask:hover {
  color: var(--blue);
  border-color: var(--blue);
}
@media (max-width: 560px) {
  .ask {
    width: 44px;
    height: 44px;
  }
}
</style>
