<script setup lang="ts">
// How long each kind of work takes in this house, as it was ticked at the counter, and whether days are planned with it.
import { computed, shallowRef, watch } from 'vue'
import type { Logbook } from '@/api/client'
import { useSettings } from '@/stores/settings'
import { count } from '@/tray/words'

type Pace = Logbook['pace'][number]
const props = defineProps<{ pace: Pace[] }>()
const settings = useSettings()
const refused = shallowRef(new Set<string>())
watch(
  () => props.pace,
  list => (refused.value = new Set(list.filter(p => p.refused).map(p => p.kind))),
  { immediate: true },
)
async function set(kind: string, use: boolean) {
  const next = new Set(refused.value)
  if (use) next.delete(kind)
  else next.add(kind)
  const was = refused.value
  refused.value = next
  await settings.change({ pace_refused: [...next] })
  if (settings.wrong) refused.value = was
}
const widest = 3 // times as long as usual, at the right edge; as much quicker at the left
const at = (factor: number) =>
  `${Math.min(100, Math.max(0, 50 + (50 * Math.log(factor)) / Math.log(widest)))}%`
const rows = computed(() =>
  props.pace.map(p => ({ ...p, from: at(p.low), to: at(p.high), mid: at(p.factor) })),
)
</script>

<template>
  <section class="card" aria-label="How long work takes you">
    <header class="top">
      <h2>How long work takes you</h2>
      <p class="soft small">as it was ticked at the counter · the bar is where the middle half lies</p>
    </header>
    <p v-if="settings.wrong" role="alert">▲ {{ settings.wrong }}</p>
    <p class="scale small soft" aria-hidden="true">
      <span>quicker</span><span>as usual</span><span>slower</span>
    </p>
    <ul>
      <li v-for="p in rows" :key="p.kind" :class="{ off: refused.has(p.kind) }">
        <span>
          {{ p.says }}
          <span class="soft small">on {{ count(p.days, 'day') }}</span>
        </span>
        <span class="line" aria-hidden="true">
          <i class="usual" /><i class="half" :style="{ left: p.from, right: `calc(100% - ${p.to})` }" /><i
            class="mid"
            :style="{ left: p.mid }"
          />
        </span>
        <label class="small">
          <input
            type="checkbox"
            :checked="!refused.has(p.kind)"
            @change="set(p.kind, ($event.target as HTMLInputElement).checked)"
          />
          Plan with it
        </label>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.card {
  padding: 18px 22px;
}
.top {
  display: flex;
  justify-content: space-between;
  align-items: baseline;
  gap: 12px;
  flex-wrap: wrap;
  margin-bottom: 8px;
}
h2 {
  font-size: var(--type-7);
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
li {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 220px 130px;
  gap: 18px;
  align-items: center;
  padding: 8px 0;
  border-top: 1px solid var(--line);
}
label {
  display: flex;
  gap: 8px;
  align-items: center;
  min-height: 44px;
}
.off .line {
  opacity: 0.4;
}
.line {
  position: relative;
  height: 22px;
}
.line i {
  position: absolute;
}
.usual {
  left: 50%;
  top: 0;
  bottom: 0;
  border-left: 2px dotted var(--soft);
}
.half {
  top: 7px;
  height: 8px;
  border-radius: var(--radius-s);
  background: var(--blue-pale);
}
.mid {
  top: 4px;
  width: 14px;
  height: 14px;
  margin-left: -7px;
  border-radius: 50%;
  background: var(--blue);
}
.scale {
  display: flex;
  justify-content: space-between;
  width: 220px;
  margin: 0 148px 4px auto;
}
@media (max-width: 760px) {
  .scale {
    display: none;
  }
  li {
    grid-template-columns: 1fr;
    gap: 4px;
  }
}
</style>
