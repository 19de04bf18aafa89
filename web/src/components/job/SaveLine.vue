<script setup lang="ts">
// Says whether everything is saved, and takes steps back and forward.
import { computed, defineAsyncComponent, ref, shallowRef } from 'vue'
import { useRoutine } from '@/composables/routine'
import { useJob } from '@/stores/job'

const HistoryDialog = defineAsyncComponent(() => import('./HistoryDialog.vue'))
const history = ref(false)
const wanted = ref(false)
const job = useJob()
const now = shallowRef(new Date())
useRoutine(() => (now.value = new Date()), 5000)

const line = computed(() => {
  switch (job.state) {
    case 'waiting':
    case 'saving':
      return 'saving'
    case 'held':
      return 'not saved: the server or its database does not answer. Kept in this browser, trying again'
    case 'clash':
      return 'changed elsewhere, see the question'
    case 'refused':
      return `not saved: ${job.says}`
  }
  if (!job.savedAt) return ''
  const s = Math.max(0, Math.round((now.value.getTime() - job.savedAt.getTime()) / 1000))
  if (s < 60) return 'saved just now'
  if (s < 3600) return `saved ${Math.round(s / 60)} min ago`
  return 'saved'
})
const wrong = computed(() => job.state === 'held' || job.state === 'refused' || job.state === 'clash')
</script>

<template>
  <div class="line">
    <button
      class="btn quiet"
      :disabled="!job.canUndo && job.state === 'saved'"
      aria-keyshortcuts="Control+Z"
      @click="job.undo()"
    >
      <span aria-hidden="true">↶</span> Undo
    </button>
    <button
      class="btn quiet"
      :disabled="!job.canRedo"
      aria-keyshortcuts="Control+Shift+Z"
      @click="job.redo()"
    >
      <span aria-hidden="true">↷</span> Redo
    </button>
    <button class="btn quiet" aria-haspopup="dialog" @click="history = wanted = true">History</button>
    <HistoryDialog v-if="wanted" v-model="history" />
    <span class="says small" :class="{ wrong }" role="status">{{ wrong ? '▲ ' : '' }}{{ line }}</span>
  </div>
</template>

<style scoped>
.line {
  display: flex;
  align-items: center;
  gap: 2px;
  flex-wrap: wrap;
}
.line .btn {
  padding: 0 6px;
}
.says {
  color: var(--soft);
  padding-left: 6px;
}
.says.wrong {
  color: var(--ink);
  font-weight: 650;
}
</style>
