<script setup lang="ts">
// Another job's tray whose look is taken: what lies where, and in which forms.
import { computed, ref, shallowRef, watch } from 'vue'
import { ElDialog } from 'element-plus'
import 'element-plus/es/components/dialog/style/css'
import { api, take, Trouble, type JobList, type JobSummary } from '@/api/client'
import { newest } from '@/composables/newest'
import { useJob } from '@/stores/job'
import { count, when } from '@/tray/words'

const open = defineModel<boolean>({ required: true })
defineProps<{ busy: boolean }>()
const emit = defineEmits<{ like: [id: string, title: string] }>()

const job = useJob()
const text = ref('')
const found = shallowRef<JobSummary[]>([])
const wrong = ref('')
const read = newest(
  async signal => {
    if (!open.value) return
    try {
      const lists = await Promise.all(
        (['coming', 'past'] as const).map(which =>
          take<JobList>(
            api.GET('/api/v1/jobs', {
              params: { query: { which, ...(text.value.trim() ? { text: text.value.trim() } : {}) } },
              signal,
            }),
          ),
        ),
      )
      found.value = lists.flatMap(l => l.jobs).filter(j => j.laid)
      wrong.value = ''
    } catch (e) {
      if (!signal.aborted) wrong.value = e instanceof Trouble ? e.message : 'The jobs could not be read.'
    }
  },
  150,
  true,
)
watch([open, text], read, { immediate: true })
const shown = computed(() => found.value.filter(j => j.id !== job.id).slice(0, 24))
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
    <p v-if="wrong" class="small" role="alert">▲ {{ wrong }}</p>
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
  </ElDialog>
</template>

<style scoped>
.find {
  width: 260px;
  margin: 6px 0 12px;
}
.jobs {
  display: grid;
  grid-template-columns: repeat(3, 1fr);
  gap: 10px;
  max-height: 52vh;
  overflow-y: auto;
  color: var(--ink);
}
button {
  display: grid;
  gap: 3px;
  width: 100%;
  text-align: left;
  font: inherit;
  color: inherit;
  background: var(--paper);
  border: 2px solid var(--line);
  border-radius: var(--radius);
  padding: 9px;
  cursor: pointer;
}
button:hover,
button:focus-visible {
  border-color: var(--blue);
}
img {
  width: 100%;
  height: 110px;
  object-fit: contain;
}
</style>
