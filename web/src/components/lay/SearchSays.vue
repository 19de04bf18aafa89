<script setup lang="ts">
// What a search could not do, and what would help.
import { count } from '@/tray/words'

defineProps<{ unfit: string[]; would: string[] }>()
</script>

<template>
  <details class="card told small">
    <summary>{{ count(unfit.length, 'food') }} did not fit as a whole; the rest waits in reserve</summary>
    <ul>
      <li v-for="w in would" :key="w">
        <b>{{ w }}</b>
      </li>
      <li v-for="u in unfit" :key="u">{{ u }}</li>
    </ul>
  </details>
</template>

<style scoped>
.told {
  padding: 8px 14px;
}
ul {
  margin-top: 6px;
  display: grid;
  gap: 4px;
}
</style>
