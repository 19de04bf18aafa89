<script setup lang="ts">
// Which of the job's trays is on the table.
import { useJob } from '@/stores/job'
import { trayName } from '@/tray/set'

const job = useJob()
</script>

<template>
  <nav v-if="job.trays.length > 1" class="trays no-print" aria-label="Trays of this job">
    <button
      v-for="(t, i) in job.trays"
      :key="i"
      :class="{ now: i === job.at }"
      :aria-current="i === job.at ? 'true' : undefined"
      @click="job.turnTo(i)"
    >
      {{ trayName(t) }}
    </button>
  </nav>
</template>

<style scoped>
.trays {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 6px;
}
.trays button {
  font: 600 0.87rem var(--text);
  color: var(--ink);
  background: var(--paper);
  border: 1.5px solid var(--line-strong);
  border-radius: 18px;
  min-height: 34px;
  padding: 0 14px;
  cursor: pointer;
}
.trays button:hover {
  border-color: var(--blue);
}
.trays .now {
  background: var(--blue);
  border-color: var(--blue);
  color: #fff;
}
@media (pointer: coarse) {
  .trays button {
    min-height: 44px;
  }
}
</style>
