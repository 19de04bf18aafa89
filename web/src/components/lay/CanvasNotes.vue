<script setup lang="ts">
// What has to be known of how the tray is shown.
defineProps<{ before: boolean; turned: boolean }>()
</script>

<template>
  <p v-if="before" class="as-before small">Before the last change</p>
  <p v-else-if="turned" class="as-turned small soft">Shown turned: its front is on the left</p>
</template>

<style scoped>
.as-turned {
  position: absolute;
  left: 0;
  bottom: 0;
  margin: 0;
  padding: 2px 10px 2px 0;
  background: var(--counter);
  pointer-events: none;
}
.as-before {
  position: absolute;
  left: 34px;
  bottom: 8px;
  margin: 0;
  padding: 4px 10px;
  color: var(--white);
  background: var(--blue);
  border-radius: 999px;
}
</style>
