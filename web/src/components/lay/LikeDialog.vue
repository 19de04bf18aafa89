<script setup lang="ts">
// Another job's tray whose look is taken: what lies where, and in which forms.
import { computed, ref, watch } from 'vue'
import { refDebounced } from '@vueuse/core'
import { ElDialog } from 'element-plus'
import 'element-plus/es/components/dialog/style/css'
import { useAsk } from '@/api/asking'
import { api, take } from '@/api/client'
import { useJob } from '@/stores/job'
import { useShelf } from '@/stores/shelf'
import { useToast } from '@/stores/toast'
import { trayName } from '@/tray/set'
import { count, when } from '@/tray/words'

const open = defineModel<boolean>({ required: true })
defineProps<{ busy: boolean }>()
const emit = defineEmits<{ like: [id: string, title: string, of?: { revision: number; tray: number }] }>()

const job = useJob()
const shelf = useShelf()
const toast = useToast()
watch(open, o => o && void shelf.read(), { immediate: true })
const patterns = computed(() => {
  const wanted = text.value.trim().toLowerCase()
  return shelf.patterns.filter(k => k.laid && k.name.toLowerCase().includes(wanted))
})
const name = ref('')
/** Keeps the tray on the table, as it lies now, under a name. */
async function keep() {
  await job.flush()
  const parts = [job.doc?.title, job.trays.length > 1 && job.tray ? trayName(job.tray) : '']
  const called = (name.value.trim() || parts.filter(Boolean).join(', ') || 'A pattern').slice(0, 80)
  const laid = { job: job.id, revision: job.revision, tray: job.at }
  if (await shelf.keep('pattern', { name: called, laid })) {
    name.value = ''
    toast.tell({ says: `${called} is kept as a pattern.` })
  }
}
const text = ref('')
const typed = refDebounced(text, 150)
const { now: found, wrong } = useAsk(
  () => {
    const query = { text: typed.value.trim() || undefined }
    const ask = async (signal: AbortSignal) => {
      const lists = await Promise.all(
        (['coming', 'past'] as const).map(which =>
          take(api.GET('/api/v1/jobs', { params: { query: { which, ...query } }, signal })),
        ),
      )
      return lists.flatMap(l => l.jobs).filter(j => j.laid)
    }
    return open.value ? { key: ['laid jobs', query], ask } : null
  },
  { otherwise: 'The jobs could not be read.' },
)
const shown = computed(() => (found.value ?? []).filter(j => j.id !== job.id).slice(0, 24))
</script>

<template>
  <ElDialog v-model="open" title="Lay it like another tray" width="760" append-to-body>
    <p class="soft small">
      What lies where and in which forms is taken over, scaled to this board and to these amounts. One step to
      undo.
    </p>
    <input
      v-model="text"
      class="field find"
      type="search"
      maxlength="80"
      placeholder="Find a job"
      aria-label="Find a job"
    />
    <p v-if="wrong || shelf.wrong" class="small" role="alert">▲ {{ wrong || shelf.wrong }}</p>
    <h3 v-if="patterns.length">Patterns</h3>
    <ul v-if="patterns.length" class="jobs">
      <li v-for="k in patterns" :key="k.id">
        <button :disabled="busy" @click="emit('like', k.laid!.job, k.name, k.laid)">
          <img loading="lazy" :src="shelf.drawn(k)" alt="" />
          <b>{{ k.name }}</b>
        </button>
      </li>
    </ul>
    <h3 v-if="patterns.length && shown.length">Jobs</h3>
    <ul class="jobs">
      <li v-for="j in shown" :key="j.id">
        <button :disabled="busy" @click="emit('like', j.id, j.title)">
          <img
            loading="lazy"
            :src="`/api/v1/jobs/${encodeURIComponent(j.id)}/tray.svg?v=${j.revision}&afar=true`"
            alt=""
          />
          <b>{{ j.title }}</b>
          <span class="soft small">{{ count(j.guests, 'guest') }}, {{ when(j.serve_at) }}</span>
        </button>
      </li>
    </ul>
    <p v-if="!shown.length && !wrong" class="soft">No other job is laid yet.</p>
    <p v-if="busy" class="small" role="status">Laying it</p>
    <form v-if="job.placed.length" class="keep" @submit.prevent="keep">
      <label class="small">
        Keep this tray as a pattern, called
        <input v-model="name" class="field" maxlength="80" :placeholder="job.doc?.title" />
      </label>
      <button class="btn" :disabled="shelf.busy">Keep it</button>
    </form>
  </ElDialog>
</template>

<style scoped>
.find {
  width: 260px;
  margin: 6px 0 12px;
}
.keep {
  display: flex;
  gap: 10px;
  align-items: center;
  margin-top: 14px;
  padding-top: 12px;
  border-top: 1px solid var(--line);
  color: var(--ink);
}
.keep .field {
  width: 240px;
  margin-left: 8px;
}
h3 {
  margin: 8px 0 6px;
  font-size: var(--type-5);
  color: var(--ink);
}
.jobs {
  display: grid;
  grid-template-columns: repeat(3, 1fr);
  gap: 10px;
  max-height: 52vh;
  overflow-y: auto;
  color: var(--ink);
}
.jobs button {
  display: grid;
  gap: 4px;
  width: 100%;
  text-align: left;
  font: inherit;
  color: inherit;
  background: var(--paper);
  border: 2px solid var(--line);
  border-radius: var(--radius);
  padding: 10px;
  cursor: pointer;
}
.jobs button:hover,
.jobs button:focus-visible {
  border-color: var(--blue);
}
img {
  width: 100%;
  height: 110px;
  object-fit: contain;
}
</style>
