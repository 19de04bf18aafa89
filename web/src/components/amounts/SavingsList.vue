<script setup lang="ts">
// The changes that save most for least loss of balance.
import { ref } from 'vue'
import { useAsk } from '@/api/asking'
import { api, take, type Saving } from '@/api/client'
import { useJob } from '@/stores/job'
import { money } from '@/tray/units'

const props = defineProps<{ over: boolean; busy: boolean }>()
const emit = defineEmits<{ take: [saving: Saving] }>()
const job = useJob()

const asked = ref(false)
// over the budget it is said unasked; it follows whatever is changed. What was reckoned before the last change is old:
// it cannot be taken
const {
  now: list,
  old,
  wrong,
} = useAsk<Saving[]>(() =>
  props.over || asked.value
    ? {
        key: ['savings', job.id, job.shape],
        ask: signal => take(api.POST('/api/v1/savings', { body: job.doc!, signal })),
      }
    : null,
)
</script>

<template>
  <section v-if="over || asked" class="savings" data-help="Pack">
    <h3>What would save most</h3>
    <p v-if="wrong" class="small" role="alert">▲ {{ wrong }}</p>
    <ul v-if="list?.length" :aria-busy="old">
      <li v-for="s in list" :key="s.food + s.says" class="card">
        <span class="small"
          >{{ s.says }}<br /><span class="soft">{{ s.loses }}</span></span
        >
        <b class="nums">{{ money(s.saves) }}</b>
        <button class="btn quiet" :disabled="busy || old" @click="emit('take', s)">
          Take<span class="only-read">: {{ s.says }}</span>
        </button>
      </li>
    </ul>
    <p v-else-if="list" class="small soft">Nothing would save anything worth it.</p>
  </section>
  <button v-else class="btn" @click="asked = true">What would save most</button>
</template>

<style scoped>
.savings {
  display: grid;
  gap: 8px;
}
ul {
  display: grid;
  gap: 8px;
}
.card {
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 2px 10px;
  padding: 10px 12px;
  line-height: 1.3;
}
.card span {
  grid-row: span 2;
}
.card b,
.card .btn {
  justify-self: end;
}
.card .btn {
  min-height: 30px;
}
</style>
