<script setup lang="ts">
// Every saved state of the job with a small drawing, what was done and when: looked at, brought back, named.
import { computed, ref, watch } from 'vue'
import { ElDialog } from 'element-plus'
import 'element-plus/es/components/dialog/style/css'
import { useAct, usePages } from '@/api/asking'
import { api, take, type Revision } from '@/api/client'
import { useJob } from '@/stores/job'
import { useToast } from '@/stores/toast'
import { when } from '@/tray/words'

const open = defineModel<boolean>({ required: true })
const job = useJob()
const toast = useToast()
const looked = ref<number | null>(null)
const onlyNamed = ref(false)
const { wrong: refused, act } = useAct()
const wrong = computed(() => refused.value || history.wrong.value)
const page = 200 // as the server sends them
const history = usePages(
  () =>
    open.value
      ? {
          key: ['revisions', job.id, job.revision],
          ask: (before: number | undefined, signal) => {
            const params = { path: { id: job.id }, query: before ? { before } : {} }
            return take(api.GET('/api/v1/jobs/{id}/revisions', { params, signal }))
          },
        }
      : null,
  got => (got.length === page ? got.at(-1)!.number : undefined),
  { otherwise: 'The history could not be read.' },
)
const list = computed(() => history.pages.value?.flat() ?? [])
watch(open, o => o && (looked.value ??= job.revision), { immediate: true })
const shown = computed(() => (onlyNamed.value ? list.value.filter(r => r.name) : list.value))
const now = computed(() => list.value.find(r => r.number === looked.value) ?? null)
const picture = (n: number) => {
  const tray = job.at ? `?tray=${job.at}` : ''
  return `/api/v1/jobs/${encodeURIComponent(job.id)}/revisions/${n}/tray.svg${tray}`
}
const says = (r: Revision) => r.says || 'begun'

const bringBack = (r: Revision) =>
  act(async () => {
    const params = { path: { id: job.id, number: r.number } }
    const s = await take(api.GET('/api/v1/jobs/{id}/revisions/{number}', { params }))
    await job.flush()
    job.change(s.document, `brought back ${r.name ? `“${r.name}”` : 'how it was ' + when(r.saved_at)}`)
    open.value = false
    toast.tell({ says: 'Brought back. Undo takes it away again.' })
  }, 'That could not be brought back just now.')
async function rename(r: Revision, name: string) {
  if (name.trim() === r.name) return
  await act(async () => {
    const params = { path: { id: job.id, number: r.number } }
    await take(api.PUT('/api/v1/jobs/{id}/revisions/{number}', { params, body: { name: name.trim() } }))
    await history.again()
  }, 'That could not be named just now.')
}
</script>

<template>
  <ElDialog v-model="open" title="How it came about" width="900" append-to-body>
    <p v-if="wrong" class="small" role="alert">▲ {{ wrong }}</p>
    <div class="both">
      <div>
        <label class="tick small"><input v-model="onlyNamed" type="checkbox" /> only what has a name</label>
        <ol class="list" aria-label="Saved states, newest first">
          <li v-for="r in shown" :key="r.number">
            <button :aria-pressed="looked === r.number" @click="looked = r.number">
              <img loading="lazy" :src="picture(r.number)" alt="" />
              <span>
                <b v-if="r.name">{{ r.name }}</b>
                <span class="did">{{ says(r) }}</span>
                <span class="soft small"
                  >{{ when(r.saved_at) }}{{ r.number === job.revision ? ', now' : '' }}</span
                >
              </span>
            </button>
          </li>
          <li v-if="!shown.length" class="soft small">Nothing has a name yet.</li>
        </ol>
        <button v-if="history.more.value" class="btn quiet" @click="history.readOn">Older ones</button>
      </div>
      <section v-if="now" class="looked" aria-label="The chosen state beside that of now">
        <figure>
          <img :src="picture(now.number)" alt="" />
          <figcaption class="small soft">{{ says(now) }}</figcaption>
        </figure>
        <figure v-if="now.number !== job.revision">
          <img :src="picture(job.revision)" alt="" />
          <figcaption class="small soft">as it is now</figcaption>
        </figure>
        <label class="small"
          >Its name
          <input
            :key="now.number"
            :value="now.name"
            class="field"
            maxlength="120"
            placeholder="none"
            @change="rename(now, ($event.target as HTMLInputElement).value)"
        /></label>
        <button v-if="now.number !== job.revision" class="btn next" @click="bringBack(now)">
          Bring it back
        </button>
      </section>
    </div>
  </ElDialog>
</template>

<style scoped>
.both {
  display: grid;
  grid-template-columns: 340px 1fr;
  gap: 22px;
  color: var(--ink);
}
.list {
  max-height: 56vh;
  overflow-y: auto;
  display: grid;
  gap: 4px;
  margin: 8px 0;
  padding: 0 4px 0 0;
  list-style: none;
}
.list button {
  display: grid;
  grid-template-columns: 76px 1fr;
  gap: 10px;
  align-items: center;
  width: 100%;
  min-height: 56px;
  padding: 6px 10px;
  text-align: left;
  font: inherit;
  color: inherit;
  background: none;
  border: 2px solid transparent;
  border-radius: var(--radius);
  cursor: pointer;
}
.list button:hover {
  background: var(--linen);
}
.list button[aria-pressed='true'] {
  border-color: var(--blue);
}
.list img {
  width: 76px;
  max-height: 54px;
}
.list span {
  display: block;
  line-height: 1.25;
}
.looked {
  display: grid;
  gap: 12px;
  align-content: start;
  justify-items: start;
}
figure {
  margin: 0;
  width: 100%;
}
figure img {
  width: 100%;
  max-height: 190px;
  object-fit: contain;
  background: var(--linen);
  border-radius: var(--radius);
  padding: 8px;
}
.looked .field {
  margin-left: 6px;
  width: 230px;
}
.tick {
  display: inline-flex;
  gap: 8px;
  align-items: center;
}
</style>
