<script setup lang="ts">
import { RouterLink } from 'vue-router'
</script>

<template>
  <main id="work" class="lost">
    <h1>There is nothing here</h1>
    <p>The address may be old, or the job was hidden.</p>
    <RouterLink class="btn next" to="/">Back to the jobs</RouterLink>
  </main>
</template>

<style scoped>
.lost {
  padding: 60px;
  display: grid;
  gap: 14px;
  justify-items: start;
}
</style>
