<script setup lang="ts">
// What is said of a tray for which no foods are chosen yet.
import { RouterLink } from 'vue-router'
</script>

<template>
  <p class="card empty">
    There is nothing to lay yet: foods come first.
    <RouterLink class="btn next" :to="{ name: 'pick' }">Pick the foods</RouterLink>
  </p>
</template>

<style scoped>
.empty {
  display: flex;
  justify-content: space-between;
  align-items: center;
}
</style>
