<script setup lang="ts">
// The clock of a board that is laid to practise.
import { computed } from 'vue'
import { useLayIt } from '@/composables/layIt'

const props = defineProps<{ waiting: number }>()
const it = useLayIt()
const told = (s: number) => `${Math.floor(s / 60)}:${String(s % 60).padStart(2, '0')}`
const over = computed(() => !!it.begun.value && it.seconds.value > it.begun.value.clock)
const says = computed(() =>
  props.waiting
    ? `${props.waiting} still beside the board: drag them on`
    : 'All of it lies. Is it as you want it?',
)
</script>

<template>
  <section v-if="it.begun.value" class="card laying" :class="{ over }" aria-label="Laid to practise">
    <b class="figure nums" role="timer"
      >{{ told(it.seconds.value) }} <small>of {{ told(it.begun.value.clock) }}</small></b
    >
    <span>{{ over ? 'Over the clock: each six seconds cost a point.' : says }}</span>
    <button class="btn next" :disabled="it.busy.value" @click="it.finish">It is laid</button>
    <button class="btn quiet" :disabled="it.busy.value" @click="it.drop">Leave it</button>
    <p v-if="it.wrong.value" role="alert">▲ {{ it.wrong.value }}</p>
  </section>
</template>

<style scoped>
.laying {
  flex: none;
  display: flex;
  flex-wrap: wrap;
  gap: 6px 16px;
  align-items: center;
  padding: 8px 14px;
}
.laying > span {
  flex: 1;
}
b {
  font-size: var(--type-7);
}
small {
  font-size: var(--type-4);
  color: var(--soft);
}
.over b {
  color: var(--stop);
}
p {
  flex-basis: 100%;
  margin: 0;
}
</style>
