<script setup lang="ts">
// What was noted here and the server does not have: that it waits, or that it was not taken and why.
import { computed, onMounted } from 'vue'
import { RouterLink, useRoute } from 'vue-router'
import { isBack, lookForServer, staleSince } from '@/away/stale'
import { useRoutine } from '@/composables/routine'
import { count, moment } from '@/tray/words'
import { named } from './entries'
import { useOutbox } from './outbox'

const outbox = useOutbox()
onMounted(() => void outbox.open())
const route = useRoute()
// the counter says it in its own large type, where this line would lie over its buttons
useRoutine(() => void lookForServer(), 5000)
const again = () => location.reload()
const stale = computed(() => (route.name === 'counter' ? null : staleSince.value))
const says = computed(() => !!(waits.value || outbox.refused.length || stale.value))
const waits = computed(() => (outbox.away && route.name !== 'counter' ? outbox.lasting : 0))
</script>

<template>
  <!-- so that what lies under the line can be scrolled out from under it -->
  <div v-if="says" class="room no-print" aria-hidden="true" />
  <div v-if="says" class="outbox no-print">
    <p v-if="stale" role="status">
      <template v-if="isBack">
        The server is back. What you see is from {{ moment(stale) }}.
        <button type="button" class="btn quiet" @click="again">Read it again</button>
      </template>
      <template v-else>No connection. What you see is from {{ moment(stale) }}.</template>
    </p>
    <p v-if="waits" role="status">
      {{ count(waits, 'entry', 'entries') }} {{ waits === 1 ? 'waits' : 'wait' }} in this browser and
      {{ waits === 1 ? 'is' : 'are' }} sent when the server is back.
      <b v-if="!outbox.keeps">This browser has no room to keep them: do not close it.</b>
      <button type="button" class="btn quiet" @click="outbox.send()">Send now</button>
    </p>
    <p v-for="e in outbox.refused" :key="e.key" role="alert">
      ▲ Not saved: {{ named(e) }}. {{ e.refused }}
      <RouterLink v-if="e.kind === 'document'" class="btn" :to="{ name: 'brief', params: { id: e.job } }"
        >Open it</RouterLink
      >
      <button v-else type="button" class="btn" @click="outbox.retry(e)">Send again</button>
      <button type="button" class="btn quiet" @click="outbox.drop(e)">Drop it</button>
    </p>
  </div>
</template>

<style scoped>
.room {
  height: 60px;
}
.outbox {
  position: fixed;
  inset: auto 0 0;
  z-index: 11;
  background: var(--paper);
  color: var(--ink);
  border-top: 1.5px solid var(--line-strong);
  padding: 6px 14px;
  box-shadow: 0 -6px 18px var(--shade);
}
p {
  margin: 2px 0;
  display: flex;
  flex-wrap: wrap;
  gap: 4px 10px;
  align-items: center;
}
</style>
