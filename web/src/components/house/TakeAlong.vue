<script setup lang="ts">
// The whole house as one file of open files, and such a file brought in.
import { ref } from 'vue'
import { RouterLink } from 'vue-router'
import { useAct } from '@/api/asking'
import { send } from '@/api/client'
import { count } from '@/tray/words'

type BroughtIn = { jobs: { id: string; title: string }[]; evenings: number; photos: number; says: string[] }
const came = ref<BroughtIn | null>(null)
const { busy, wrong, act } = useAct('The file could not be read.')
async function bring(e: Event) {
  const input = e.target as HTMLInputElement
  const file = input.files?.[0]
  input.value = ''
  if (!file) return
  came.value = null
  came.value = (await act(() => send<BroughtIn>('POST', '/api/v1/bundle', 'application/zip', file))) ?? null
}
</script>

<template>
  <section class="card along" aria-label="Export everything">
    <h2>Export everything</h2>
    <p>
      Every job with its evening and photographs, the cupboard and what the house has made its own, as one zip
      of open files with checksums. A single job goes out on its Prep page.
    </p>
    <p class="acts">
      <a class="btn" href="/api/v1/bundle" download>The whole house as one file</a>
      <label class="btn" :class="{ busy }">
        {{ busy ? 'Reading' : 'Bring in a file' }}
        <input type="file" accept=".zip,application/zip" class="only-read" :disabled="busy" @change="bring" />
      </label>
    </p>
    <p v-if="wrong" role="alert">▲ {{ wrong }} Nothing was changed.</p>
    <div v-if="came" role="status">
      <p>
        {{ count(came.jobs.length, 'job') }} came in<template v-if="came.evenings"
          >, {{ count(came.evenings, 'evening') }} without a job</template
        ><template v-if="came.photos">, {{ count(came.photos, 'photograph') }}</template
        >:
        <template v-for="(j, i) in came.jobs.slice(0, 8)" :key="j.id"
          >{{ i ? ', ' : ''
          }}<RouterLink :to="`/jobs/${j.id}/brief`">{{ j.title || 'untitled' }}</RouterLink></template
        >{{ came.jobs.length > 8 ? ' and more.' : '.' }}
      </p>
      <p v-for="s in came.says" :key="s" class="soft">{{ s }}</p>
    </div>
  </section>
</template>

<style scoped>
.along {
  display: grid;
  gap: 10px;
}
.acts {
  display: flex;
  gap: 10px;
  flex-wrap: wrap;
}
label:focus-within {
  outline: 3px solid var(--blue);
  outline-offset: 2px;
}
</style>
