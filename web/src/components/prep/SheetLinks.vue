<script setup lang="ts">
// What is printed of the job, and the work list for a calendar or a spreadsheet.
import { computed, ref } from 'vue'
import { RouterLink } from 'vue-router'
import { useJob } from '@/stores/job'
import Choose from '@/components/common/Choose.vue'

const props = defineProps<{ people: number; ovens: number }>()
const job = useJob()
const paper = ref('a4')
const sheets = [
  ['mat', 'The mat', 'full size, to slip under the liner'],
  ['tracing', 'Tracing', 'bowls, cheeses and trails full size, for chalk'],
  ['build', 'Build sheet', 'one page to lay it by'],
  ['cards', 'Cards', 'names and allergens, best bites, drinks'],
  ['markers', 'Cheese markers', 'small, to stand beside each'],
  ['quote', 'Quote', 'for the client'],
] as const
const lists = [
  ['calendar', 'Calendar', 'a task an event, with alarms'],
  ['table', 'Table', 'for a spreadsheet'],
  ['mat-svg', 'Mat as SVG', 'for a cutter or a large printer'],
] as const
const address = computed(() => (kind: string) => {
  const q = new URLSearchParams({
    kind,
    paper: paper.value,
    people: String(props.people),
    ovens: String(props.ovens),
    tray: String(job.at),
  })
  return `/api/v1/jobs/${encodeURIComponent(job.id)}/sheet?${q}`
})
</script>

<template>
  <div class="card sheets">
    <div class="paper">
      <span class="soft small">Paper</span>
      <Choose
        v-model="paper"
        label="Paper"
        :width="190"
        :options="[
          ['a4', 'A4'],
          ['a3', 'A3'],
          ['letter', 'Letter'],
          ['whole', 'as large as the board'],
        ]"
      />
    </div>
    <a v-for="[kind, name, says] in sheets" :key="kind" :href="address(kind)" target="_blank" rel="noopener">
      <b>{{ name }}</b> <span class="soft small">{{ says }}</span>
    </a>
    <RouterLink :to="{ name: 'weigh', params: { id: job.id } }">
      <b>Weigh out</b> <span class="soft small">food by food, with the scale</span>
    </RouterLink>
    <a v-for="[kind, name, says] in lists" :key="kind" :href="address(kind)" download>
      <b>{{ name }}</b> <span class="soft small">{{ says }}</span>
    </a>
    <a :href="`/api/v1/jobs/${encodeURIComponent(job.id)}/bundle`" download>
      <b>The whole job</b> <span class="soft small">as one zip, with its evening and photographs</span>
    </a>
  </div>
</template>

<style scoped>
.sheets {
  display: grid;
  gap: 2px;
}
.paper {
  display: flex;
  gap: 10px;
  align-items: center;
  margin-bottom: 6px;
}
a {
  display: block;
  padding: 8px 0;
  min-height: 30px;
  color: var(--ink);
  text-decoration: none;
  border-top: 1px solid var(--line);
}
a b {
  color: var(--blue);
}
a:hover b {
  text-decoration: underline;
}
</style>
