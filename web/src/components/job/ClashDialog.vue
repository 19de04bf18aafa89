<script setup lang="ts">
// The job was changed in another window while this one had changes of its own.
// Both versions are offered; neither is lost, the other stays in the history.
import { ElDialog } from 'element-plus'
import 'element-plus/es/components/dialog/style/css'
import { useJob } from '@/stores/job'
import type { TrayFile } from '@/api/tray.gen'
import { clock, count, when } from '@/tray/words'

const job = useJob()
function sum(t: TrayFile) {
  const laid = t.elements.filter(e => e.placed).length
  const guests = (t.brief.guests.adults ?? 0) + (t.brief.guests.children ?? 0)
  return `${t.title}: ${count(guests, 'guest')}, ${when(t.brief.serve_at)}, ${laid} of ${count(t.elements.length, 'element')} laid`
}
</script>

<template>
  <ElDialog
    :model-value="job.state === 'clash' && !!job.theirs"
    title="This job was changed elsewhere"
    width="520"
    append-to-body
    :show-close="false"
    :close-on-click-modal="false"
    :close-on-press-escape="false"
  >
    <div v-if="job.theirs && job.doc" class="both">
      <section>
        <h3>Yours</h3>
        <p>{{ sum(job.doc) }}</p>
        <button class="btn next" @click="job.keepMine()">Save mine on top</button>
      </section>
      <section>
        <h3>The other, saved {{ clock(new Date(job.theirs.saved_at)) }}</h3>
        <p>{{ sum(job.theirs.document) }}</p>
        <button class="btn" @click="job.takeTheirs()">Take the other</button>
      </section>
    </div>
  </ElDialog>
</template>

<style scoped>
.both {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 18px;
  color: var(--ink);
}
section {
  display: flex;
  flex-direction: column;
  gap: 8px;
  align-items: flex-start;
}
section .btn {
  margin-top: auto;
}
</style>
