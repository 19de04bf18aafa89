<script setup lang="ts">
// Home: the coming jobs as tickets in time order, and the next thing to do; what was
// and what was put away, by pages.
import { computed, ref } from 'vue'
import { refDebounced } from '@vueuse/core'
import { ElInput, ElSegmented } from 'element-plus'
import 'element-plus/es/components/input/style/css'
import 'element-plus/es/components/segmented/style/css'
import { RouterLink, useRouter } from 'vue-router'
import { useAct, usePages } from '@/api/asking'
import { api, take, type JobSummary } from '@/api/client'
import House from '@/components/house/House.vue'
import WaysIn from '@/components/jobs/WaysIn.vue'
import TornEdge from '@/components/common/TornEdge.vue'
import { useToast } from '@/stores/toast'
import { units } from '@/tray/units'
import { count, daysOff, minutes, occasions, when } from '@/tray/words'

const router = useRouter()
const toast = useToast()
type Which = 'coming' | 'past' | 'away'
const lists: { label: string; value: Which }[] = [
  { label: 'Coming', value: 'coming' },
  { label: 'Past', value: 'past' },
  { label: 'Hidden', value: 'away' },
]
const which = ref<Which>('coming')
const text = ref('')
const typed = refDebounced(text, 200)
const {
  pages,
  wrong: unread,
  more,
  again,
  readOn,
} = usePages(
  () => {
    const query = { which: which.value, text: typed.value.trim() || undefined }
    return {
      key: ['jobs', query],
      ask: (after?: string, signal?: AbortSignal) =>
        take(api.GET('/api/v1/jobs', { params: { query: { ...query, after } }, signal })),
    }
  },
  page => page.more || undefined,
  { otherwise: 'The jobs cannot be read.' },
)
const jobs = computed(() => pages.value?.flatMap(p => p.jobs) ?? null)
const today = computed(() => pages.value?.[0]?.today ?? '')
const { busy: making, wrong: refused, act } = useAct()
const wrong = computed(() => refused.value || unread.value)

const stageOf = { briefed: 'pick', picked: 'lay', laid: 'lay' } as const
const next = computed(() => {
  if (which.value !== 'coming' || text.value) return null
  const now = new Date(Date.now() - 6 * 3600e3).toISOString()
  const ahead = jobs.value?.filter(j => !j.due || j.due > now) ?? []
  // what is due first, whatever is left to do for it; what has no day yet comes after all that has
  return [...ahead].sort((a, b) => (a.due ?? '9').localeCompare(b.due ?? '9'))[0] ?? null
})
const nextStage = (j: JobSummary) => (j.state === 'laid' ? 'prep' : stageOf[j.state])

const make = () =>
  act(async () => {
    const job = await take(
      api.POST('/api/v1/jobs', {
        body: {
          title: 'New job',
          brief: { guests: { adults: 8, children: 0 }, hemisphere: units.hemisphere },
        },
      }),
    )
    await router.push({ name: 'brief', params: { id: job.id } })
  }, 'The job cannot be made.')

/** Puts a job away, or takes it out again. */
async function moveAway(j: JobSummary) {
  const path = { params: { path: { id: j.id } } }
  await act(async () => {
    await take(
      j.put_away ? api.POST('/api/v1/jobs/{id}/take-out', path) : api.DELETE('/api/v1/jobs/{id}', path),
    )
    if (j.put_away) toast.tell({ says: `${j.title} is back among the jobs.` })
    else
      toast.tell({
        says: `${j.title} is hidden.`,
        act: {
          name: 'Show it again',
          do: () => void take(api.POST('/api/v1/jobs/{id}/take-out', path)).finally(again),
        },
      })
  })
  await again()
}
</script>

<template>
  <House title="Jobs">
    <template #acts>
      <button class="btn next" :disabled="making" @click="make">New job</button>
    </template>

    <p v-if="wrong" class="card" role="alert">
      ▲ {{ wrong }} <button class="btn quiet" @click="again">Try again</button>
    </p>

    <section v-if="next" class="nextup" aria-label="Next thing to do">
      <span class="small">Next</span>
      <strong>{{ next.next }}</strong>
      <span>{{ next.title }}, {{ daysOff(next.serve_at, today) || 'no date yet' }}</span>
      <RouterLink class="btn" :to="{ name: nextStage(next), params: { id: next.id } }">
        Go there<span class="only-read">: {{ next.title }}</span>
      </RouterLink>
    </section>

    <div class="filters">
      <ElSegmented v-model="which" :options="lists" aria-label="Which jobs" />
      <ElInput
        v-model="text"
        class="find"
        clearable
        maxlength="80"
        placeholder="Find by title, host or place"
        aria-label="Find a job by its title, host or place"
      />
    </div>

    <ul v-if="jobs?.length" class="tickets">
      <li v-for="j in jobs" :key="j.id" class="ticket">
        <RouterLink
          class="open"
          :to="{ name: j.state === 'briefed' ? 'brief' : 'lay', params: { id: j.id } }"
        >
          <span class="top">
            <span class="when nums">{{ when(j.serve_at) }}</span>
            <span class="soft small">{{ daysOff(j.serve_at, today) }}</span>
          </span>
          <strong class="title">{{ j.title }}</strong>
          <span class="soft small">{{ [j.host, j.place].filter(Boolean).join(' · ') }}</span>
          <span class="picture">
            <img
              v-if="j.state !== 'briefed'"
              :src="`/api/v1/jobs/${j.id}/tray.svg?afar=true&v=${j.revision}`"
              alt=""
              loading="lazy"
            />
            <span v-else class="soft small">nothing picked yet</span>
          </span>
          <span class="facts nums">
            <span
              ><b class="figure">{{ j.guests }}</b> {{ j.guests === 1 ? 'guest' : 'guests' }}</span
            >
            <span>{{ occasions[j.occasion as keyof typeof occasions] }}</span>
            <span v-if="j.laid"
              ><b class="figure">{{ Math.round(j.score) }}</b> of 100</span
            >
            <span v-if="j.minutes">{{ minutes(j.minutes) }}</span>
          </span>
        </RouterLink>
        <div class="foot">
          <span class="small">{{ j.next }}</span>
          <button class="btn quiet" @click="moveAway(j)">
            {{ j.put_away ? 'Show again' : 'Hide' }}<span class="only-read"> {{ j.title }}</span>
          </button>
        </div>
        <TornEdge class="torn" />
      </li>
    </ul>
    <p v-else-if="jobs && (text || which !== 'coming')" class="soft">
      {{
        text
          ? 'No job is called that.'
          : which === 'past'
            ? 'Nothing has been served yet.'
            : 'Nothing is hidden.'
      }}
    </p>
    <section v-else-if="jobs" class="none">
      <h2>No jobs yet</h2>
      <WaysIn />
      <p class="soft">
        Or write down all that the host said:
        <button class="btn quiet" :disabled="making" @click="make">Start a job</button>
      </p>
    </section>
    <p v-else-if="!wrong" class="soft">Looking what is on</p>
    <p v-if="jobs?.length" class="soft small foot-line">
      {{ more ? `the first ${jobs.length}` : count(jobs.length, 'job') }}
      <button v-if="more" class="btn quiet" @click="readOn">Show more</button>
    </p>
  </House>
</template>

<style scoped>
.nextup {
  display: flex;
  align-items: center;
  gap: 14px;
  background: var(--blue);
  color: var(--white);
  border-radius: var(--radius-l);
  padding: 12px 14px 12px 18px;
  flex-wrap: wrap;
}
.nextup strong {
  font-family: var(--head);
  font-size: var(--type-6);
}
.nextup .btn {
  margin-left: auto;
  border-color: var(--white);
}
.filters {
  display: flex;
  gap: 12px 18px;
  flex-wrap: wrap;
  align-items: center;
}
.find {
  width: 300px;
}
.foot-line {
  display: flex;
  gap: 12px;
  align-items: center;
}
.tickets {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(318px, 1fr));
  gap: 22px;
  align-items: start;
}
.ticket {
  background: var(--paper);
  display: flex;
  flex-direction: column;
  position: relative;
  margin-bottom: 10px;
  filter: drop-shadow(0 2px 5px var(--shade-faint));
}
.open {
  display: grid;
  gap: 4px;
  padding: 16px 18px 12px;
  color: inherit;
  text-decoration: none;
}
.top {
  display: flex;
  justify-content: space-between;
  align-items: baseline;
  border-bottom: 1.5px dashed var(--line-strong);
  padding-bottom: 8px;
  margin-bottom: 6px;
}
.when {
  font-weight: 650;
}
.title {
  font-family: var(--head);
  font-size: var(--type-7);
  line-height: 1.15;
}
.open:hover .title {
  color: var(--blue);
}
.picture {
  height: 178px;
  display: grid;
  place-items: center;
  background: var(--linen);
  border-radius: var(--radius-m);
  margin: 8px 0 6px;
}
.picture img {
  width: 100%;
  height: 178px;
  object-fit: contain;
  padding: 8px;
}
.facts {
  display: flex;
  gap: 14px;
  font-size: var(--type-4);
  color: var(--soft);
  flex-wrap: wrap;
}
.facts b {
  color: var(--ink);
  font-size: var(--type-5);
}
.foot {
  display: flex;
  justify-content: space-between;
  align-items: center;
  padding: 4px 10px 10px 18px;
}
.torn {
  position: absolute;
  top: 100%;
}
.none {
  display: grid;
  gap: 14px;
}
</style>
