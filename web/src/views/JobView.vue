<script setup lang="ts">
// Opens a job and shows its ticket beside the stage.
import { defineAsyncComponent, ref, watch } from 'vue'
import { RouterLink, RouterView, onBeforeRouteLeave, useRoute } from 'vue-router'
import { useEventListener } from '@vueuse/core'
import { said } from '@/api/asking'
import { warm } from '@/away/stale'
import TicketRail from '@/components/job/TicketRail.vue'
import { useRoutine } from '@/composables/routine'
import { useJob } from '@/stores/job'
import { useLarder } from '@/stores/larder'

// asked for when it is wanted, as dialogs are large and clashes few
const ClashDialog = defineAsyncComponent(() => import('@/components/job/ClashDialog.vue'))
const job = useJob()
const larder = useLarder()
const route = useRoute()
const wrong = ref('')
const clashed = ref(false)
watch(
  () => job.state === 'clash',
  clash => (clashed.value ||= clash),
)

async function open() {
  wrong.value = ''
  try {
    await Promise.all([job.open(String(route.params.id)), larder.read()])
    warm(job.id)
  } catch (e) {
    wrong.value = said(e, 'The job cannot be opened.')
    job.id = ''
  }
}
watch(() => route.params.id, open, { immediate: true })
onBeforeRouteLeave(() => job.close())
// what another window saves is seen within a second
useRoutine(() => void job.lookElsewhere(), 800)
useEventListener(window, 'beforeunload', e => {
  void job.flush()
  if (job.state === 'held' && job.says.includes('no room')) e.preventDefault()
})
useEventListener(window, 'keydown', e => {
  if (!(e.ctrlKey || e.metaKey) || e.key.toLowerCase() !== 'z') return
  if ((e.target as Element).closest('input, textarea')) return // the field's own undo
  e.preventDefault()
  void (e.shiftKey ? job.redo() : job.undo())
})
</script>

<template>
  <div class="frame">
    <TicketRail v-if="job.doc" />
    <RouterView v-if="job.doc && larder.all" />
    <main v-else id="work" class="waiting">
      <template v-if="wrong">
        <h1>This job cannot be opened</h1>
        <p>{{ wrong }}</p>
        <p>
          <button class="btn next" @click="open">Try again</button>
          <RouterLink class="btn quiet" to="/">Back to the jobs</RouterLink>
        </p>
      </template>
      <p v-else class="soft">Opening the job</p>
    </main>
    <ClashDialog v-if="clashed" />
  </div>
</template>

<style scoped>
.frame {
  display: flex;
  min-height: 100vh;
  max-width: 1720px;
  margin: 0 auto;
}
.waiting {
  padding: 60px;
  display: grid;
  gap: 14px;
  align-content: start;
}
@media (max-width: 900px) {
  .frame {
    flex-direction: column;
  }
}
@media print {
  .frame {
    display: block;
  }
}
</style>
