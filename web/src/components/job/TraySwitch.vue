<script setup lang="ts">
// Which of the job's trays is on the table; where they are laid, each is a small drawing.
import MiniTray from '@/components/common/MiniTray.vue'
import { useJob } from '@/stores/job'
import { trayName } from '@/tray/set'

defineProps<{ drawn?: boolean }>()
const job = useJob()
const laid = (i: number) => job.trays[i]!.elements.some(e => e.placed)
</script>

<template>
  <nav v-if="job.trays.length > 1" class="trays no-print" aria-label="Trays of this job">
    <button
      v-for="(t, i) in job.trays"
      :key="i"
      :class="{ now: i === job.at, drawing: drawn && laid(i) }"
      :aria-current="i === job.at ? 'true' : undefined"
      @click="job.turnTo(i)"
    >
      <MiniTray v-if="drawn && laid(i)" :tray="t" class="mini" />
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
  font: 600 var(--type-3) var(--text);
  color: var(--ink);
  background: var(--paper);
  border: 1.5px solid var(--line-strong);
  border-radius: var(--radius-l);
  min-height: 34px;
  padding: 0 14px;
  cursor: pointer;
}
.trays button:hover {
  border-color: var(--blue);
}
.trays .drawing {
  display: flex;
  align-items: center;
  gap: 10px;
  border-radius: var(--radius-l);
  padding: 6px 12px 6px 6px;
}
.mini {
  height: 46px;
  max-width: 250px;
}
.trays .now {
  background: var(--blue);
  border-color: var(--blue);
  color: var(--white);
}
@media (pointer: coarse) {
  .trays button {
    min-height: 44px;
  }
}
</style>
