<script setup lang="ts">
// The kit by what it is for: to prepare, by station where there are some; to serve; to take along. It is ticked off as it is put out,
// on every screen.
import { computed, onMounted, shallowRef } from 'vue'
import { api, take, type Day } from '@/api/client'
import { useOutbox } from '@/outbox/outbox'

type Kit = Day['kit'][number]
const props = defineProps<{ job?: string; kit: Day['kit'] }>() // of a day with several jobs nothing is ticked
const outbox = useOutbox()
const stages = [
  ['prepare', 'To prepare'],
  ['serve', 'To serve'],
  ['travel', 'To take along'],
] as const
const groups = computed(() =>
  stages.flatMap(([stage, says]) => {
    const of = props.kit.filter(k => k.stage === stage)
    const stations = [...new Set(of.map(k => k.station ?? ''))]
    return stations.map((station, i) => ({
      key: `${stage} ${station}`,
      says: i ? '' : says,
      station,
      list: of.filter(k => (k.station ?? '') === station),
    }))
  }),
)
/** What a line of the kit is ticked off by. */
const name = (k: Kit) => `kit ${k.stage} ${k.what}`.replaceAll('/', '-').slice(0, 200)
const known = shallowRef<ReadonlySet<string>>(new Set())
const done = computed(() => {
  const all = new Set(known.value)
  for (const e of props.job ? outbox.of(props.job) : [])
    if (e.kind === 'tick')
      if (e.done) all.add(e.task)
      else all.delete(e.task)
  return all
})
async function look() {
  if (!props.job) return
  await outbox.open()
  const params = { path: { id: props.job } }
  const { ticks } = await take(api.GET('/api/v1/jobs/{id}/ticks', { params }))
  known.value = new Set(ticks.map(t => t.task))
}
onMounted(() => void look().catch(() => undefined)) // what is put out already is no reason to show no kit
function tick(k: Kit) {
  const task = name(k)
  const is = !done.value.has(task)
  const next = new Set(known.value)
  if (is) next.add(task)
  else next.delete(task)
  known.value = next
  outbox.add({ kind: 'tick', job: props.job!, task, done: is })
}
</script>

<template>
  <template v-for="g in groups" :key="g.key">
    <h2 v-if="g.says">{{ g.says }}</h2>
    <h3 v-if="g.station" class="small soft">{{ g.station }}</h3>
    <ul class="card kit">
      <li v-for="k in g.list" :key="k.what" :class="{ done: done.has(name(k)) }">
        <component :is="job ? 'label' : 'div'" class="line">
          <input v-if="job" type="checkbox" :checked="done.has(name(k))" @change="tick(k)" />
          <span class="figure">{{ k.count }}</span>
          <span>
            {{ k.what }}<br /><span class="soft small">{{ k.for.join(', ') }}</span>
          </span>
        </component>
      </li>
    </ul>
  </template>
</template>

<style scoped>
.kit {
  display: grid;
  gap: 2px;
}
.kit .line {
  display: grid;
  grid-template-columns: auto 30px 1fr;
  gap: 8px;
  line-height: 1.3;
  min-height: 44px;
  align-items: start;
  padding: 6px 0;
}
.kit label {
  cursor: pointer;
}
.kit input {
  width: 18px;
  height: 18px;
}
.done {
  opacity: 0.55;
}
h3 {
  margin: 6px 2px 2px;
}
</style>
