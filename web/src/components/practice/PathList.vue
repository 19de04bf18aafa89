<script setup lang="ts">
// The rules of the craft in the order of the work, with how likely each is known now: a bar for it, and after how many
// meetings that is said, for once is hardly known.
import { computed, ref } from 'vue'
import type { Standing } from '@/composables/practice'

const props = defineProps<{ standings: Standing[] }>()
const stages = ['', 'How much', 'What', 'Make ready', 'Lay', 'Look', 'Serve and after']
const text = ref('')
const holds = (s: Standing) =>
  `${s.rule.says} ${s.rule.why}`.toLowerCase().includes(text.value.trim().toLowerCase())
const parts = computed(() =>
  [1, 2, 3, 4, 5, 6].map(n => {
    const all = props.standings.filter(s => s.rule.stage === n)
    return { n, all: all.length, of: all.filter(holds), met: all.filter(s => s.met).length }
  }),
)
const stands = (s: Standing) =>
  s.met === 0
    ? 'not met yet'
    : `${Math.round(100 * s.known)} % likely known, met ${s.met === 1 ? 'once' : s.met + ' times'}${s.due ? '; due again' : ''}`
</script>

<template>
  <div class="path">
    <input
      v-model="text"
      class="field find"
      type="search"
      maxlength="60"
      placeholder="Find a rule"
      aria-label="Find a rule"
    />
    <p v-if="text && !parts.some(p => p.of.length)" class="soft">No rule says that.</p>
    <details
      v-for="p in parts.filter(p => p.of.length)"
      :key="p.n"
      :open="!!text || (p.n === 1 && p.met < p.all)"
    >
      <summary>
        <span class="figure">{{ stages[p.n] }}</span>
        <span class="soft small nums">{{ p.met }} of {{ p.all }} met</span>
      </summary>
      <ul>
        <li v-for="s in p.of" :key="s.rule.id">
          <strong>{{ s.rule.says }}</strong>
          <span class="soft small">{{ s.rule.why }}</span>
          <span class="stands small" :class="{ due: s.due }">
            <span class="bar" aria-hidden="true"><i :style="{ width: `${100 * s.known}%` }" /></span>
            {{ stands(s) }}
          </span>
        </li>
      </ul>
    </details>
  </div>
</template>

<style scoped>
.path {
  display: grid;
  gap: 6px;
}
.find {
  width: min(320px, 100%);
}
details {
  background: var(--paper);
  border-radius: var(--radius-m);
  padding: 0 14px;
}
summary {
  cursor: pointer;
  display: flex;
  justify-content: space-between;
  align-items: baseline;
  min-height: 44px;
  padding-top: 10px;
}
ul {
  list-style: none;
  padding: 0 0 12px;
  display: grid;
  gap: 12px;
}
li {
  display: grid;
  gap: 2px;
}
.stands {
  display: flex;
  gap: 8px;
  align-items: center;
  color: var(--soft);
}
.stands.due {
  color: var(--blue);
  font-weight: 600;
}
.bar {
  flex: 0 0 72px;
  height: 6px;
  background: var(--line);
  border-radius: var(--radius-s);
  overflow: hidden;
}
.bar i {
  display: block;
  height: 100%;
  background: var(--blue);
}
</style>
