<script setup lang="ts">
// The kit by what it is for: to prepare, to serve, to take along.
import type { Day } from '@/api/client'

defineProps<{ kit: Day['kit'] }>()
const stages = [
  ['prepare', 'To prepare'],
  ['serve', 'To serve'],
  ['travel', 'To take along'],
] as const
</script>

<template>
  <template v-for="[stage, says] in stages" :key="stage">
    <template v-if="kit.some(k => k.stage === stage)">
      <h2>{{ says }}</h2>
      <ul class="card kit">
        <li v-for="k in kit.filter(k => k.stage === stage)" :key="k.what">
          <span class="figure">{{ k.count }}</span>
          <span>
            {{ k.what }}<br /><span class="soft small">{{ k.for.join(', ') }}</span>
          </span>
        </li>
      </ul>
    </template>
  </template>
</template>

<style scoped>
.kit {
  display: grid;
  gap: 8px;
}
.kit li {
  display: grid;
  grid-template-columns: 30px 1fr;
  gap: 8px;
  line-height: 1.3;
}
</style>
