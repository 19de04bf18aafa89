<script setup lang="ts">
// Several ways of laying one tray side by side: looked at, then one is built.
import type { Way } from '@/api/client'
import MiniTray from '@/components/common/MiniTray.vue'
import { styleWords } from '@/tray/words'

defineProps<{ ways: Way[]; looked: number }>()
const emit = defineEmits<{ look: [number]; build: [] }>()
</script>

<template>
  <section class="card ways" aria-label="Ways to lay this tray">
    <ul>
      <li v-for="(w, i) in ways" :key="i">
        <button class="way" :aria-pressed="looked === i" @click="emit('look', i)" @dblclick="emit('build')">
          <MiniTray :tray="w.tray" class="mini" />
          <span class="words">
            <b>{{ styleWords[w.style] ?? w.style }}</b>
            <span class="nums"
              ><b class="figure">{{ Math.round(w.score) }}</b> of 100</span
            >
            <span class="soft small says">{{ w.says }}</span>
          </span>
        </button>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.ways {
  padding: 8px;
}
ul {
  display: flex;
  gap: 10px;
  list-style: none;
  margin: 0;
  padding: 0;
}
li {
  flex: 1;
  min-width: 0;
}
.way {
  width: 100%;
  display: flex;
  gap: 10px;
  align-items: center;
  text-align: left;
  font: inherit;
  color: inherit;
  background: var(--paper);
  border: 2px solid var(--line);
  border-radius: var(--radius);
  padding: 6px 8px;
  cursor: pointer;
}
.way[aria-pressed='true'] {
  border-color: var(--blue);
}
.mini {
  width: 104px;
  height: 74px;
  flex: none;
}
.words {
  display: grid;
  line-height: 1.25;
  min-width: 0;
}
@media (max-width: 900px) {
  ul {
    flex-direction: column;
  }
}
</style>
