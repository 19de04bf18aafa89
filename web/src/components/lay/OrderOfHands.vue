<script setup lang="ts">
// Every step as wide as the minutes it takes. Standing on a step shows the tray
// as it is when that step is done.
import { computed } from 'vue'
import type { PrepSheet } from '@/api/client'
import { useLarder } from '@/stores/larder'
import { minutes } from '@/tray/words'

const props = defineProps<{ sheet: PrepSheet; at: number | null }>()
const emit = defineEmits<{ at: [step: number | null] }>()

const larder = useLarder()
const done = computed(() =>
  props.at === null
    ? null
    : props.sheet.steps.filter(s => s.number <= props.at!).reduce((m, s) => m + s.minutes, 0),
)
const short = (title: string) => title.split(',')[0]!.toLowerCase()
</script>

<template>
  <section class="hands" aria-label="Order of hands">
    <div class="top small">
      <span class="soft">Order of hands</span>
      <span class="soft nums">
        <template v-if="at !== null"
          >step {{ at }} of {{ sheet.steps.length }} · {{ minutes(done ?? 0) }} in,
          {{ minutes(sheet.minutes - (done ?? 0)) }} to go</template
        >
        <template v-else>{{ sheet.steps.length }} steps, {{ minutes(sheet.minutes) }} of handwork</template>
      </span>
      <button class="btn quiet" :disabled="at === null" @click="emit('at', null)">Whole tray</button>
    </div>
    <ol>
      <li v-for="s in sheet.steps" :key="s.number" :style="{ flexGrow: Math.max(0.6, s.minutes) }">
        <button
          :class="{ past: at !== null && s.number < at, now: s.number === at }"
          :aria-pressed="s.number === at"
          :title="`${s.number}. ${s.title}: ${s.says}, ${minutes(s.minutes)}`"
          @click="emit('at', s.number === at ? null : s.number)"
        >
          <img loading="lazy" :src="larder.picture(s.food, s.form, undefined, true)" alt="" />
          <span class="label" aria-hidden="true">{{ short(s.title) }}</span>
          <span class="only-read">Step {{ s.number }}, {{ s.title }}, {{ minutes(s.minutes) }}</span>
        </button>
      </li>
    </ol>
  </section>
</template>

<style scoped>
.top {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 12px;
}
.top .soft:nth-child(2) {
  margin-left: auto;
}
.top .btn {
  min-height: 28px;
}
ol {
  display: flex;
  gap: 2px;
}
li {
  flex: 1 1 0;
  min-width: 0;
  container-type: inline-size;
}
button:not(.btn) {
  width: 100%;
  height: 44px;
  border: 0;
  border-radius: 4px;
  background: #d1cabf;
  color: var(--ink);
  font: 500 0.72rem/1.1 var(--text);
  padding: 0 3px;
  text-align: left;
  overflow: hidden;
  cursor: pointer;
  display: flex;
  align-items: center;
  gap: 4px;
}
button img {
  width: 24px;
  height: 24px;
  flex: none;
}
.label {
  max-height: 2.2em;
  overflow: hidden;
}
@container (max-width: 27px) {
  button img {
    margin-left: -3px;
  }
}
@container (max-width: 74px) {
  .label {
    display: none;
  }
  button:not(.btn) {
    justify-content: center;
  }
}
button.past {
  background: var(--paper);
}
button.now {
  background: var(--blue);
  color: #fff;
}
</style>
