<script setup lang="ts">
// By when what perishes must go, where there is more than one board, or a board comes more than once.
import { computed } from 'vue'
import type { Day } from '@/api/client'
import { sameDay } from '@/tray/day'
import { clock, time, when } from '@/tray/words'

const props = defineProps<{ day: Day; foodName: (id: string) => string }>()
const at = (s: string) => (sameDay(s, props.day.serve_at) ? clock(time(s)!) : when(s))
const boards = computed(() => new Set((props.day.trays ?? []).map(t => `${t.job ?? ''}/${t.tray}`)).size)
const rows = computed(() =>
  (props.day.trays ?? []).map(t => {
    const first = t.out.find(o => o.clear_at === t.clear_at)
    const named = [
      boards.value > 1 ? `board ${t.tray}` : '',
      t.wave ? `its ${t.wave === 2 ? 'second' : 'further'} board` : '',
      t.sitting ? `sitting ${t.sitting}` : '',
    ].filter(Boolean)
    const says = named.join(', ') || (props.day.trays!.some(o => o.sitting) ? 'first sitting' : 'first board')
    return {
      key: `${t.job ?? ''}/${t.tray}/${t.wave ?? 0}/${t.sitting ?? 0}`,
      says: says[0]!.toUpperCase() + says.slice(1),
      by: t.clear_at ? at(t.clear_at) : '',
      first: first ? props.foodName(first.food).toLowerCase() : '',
    }
  }),
)
</script>

<template>
  <ul v-if="rows.length > 1" class="small clear" aria-label="By when what perishes goes">
    <li v-for="r in rows" :key="r.key">
      {{ r.says }}
      <template v-if="r.by"
        ><b class="nums">{{ r.by }}</b> <span class="soft">{{ r.first }} first</span></template
      >
      <span v-else class="soft">nothing on it that perishes</span>
    </li>
  </ul>
</template>

<style scoped>
.clear {
  list-style: none;
  margin: 0 0 10px;
  padding: 0;
  display: flex;
  flex-wrap: wrap;
  gap: 4px 20px;
}
</style>
