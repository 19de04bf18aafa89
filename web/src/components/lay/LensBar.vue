<script setup lang="ts">
// What the lens shows, in one line, with its number and its legend.
import type { LensView } from '@/api/client'
import Choose from '@/components/common/Choose.vue'

defineProps<{ view: LensView }>()
const word = defineModel<string>('word', { required: true })
const emit = defineEmits<{ close: [] }>()
</script>

<template>
  <section class="card lens" :aria-label="`Seen through a lens: ${view.title}`">
    <p class="top">
      <b>{{ view.title }}</b>
      <Choose
        v-if="view.words.length > 1"
        :model-value="view.word"
        label="What to look for"
        :width="150"
        :options="view.words"
        @update:model-value="v => (word = v)"
      />
      <span class="number figure" role="status">{{ view.number }}</span>
      <button class="btn quiet" aria-keyshortcuts="0" @click="emit('close')">Plain</button>
    </p>
    <p class="small soft">{{ view.says }}.</p>
    <ul v-if="view.key.length" class="small key">
      <li v-for="k in view.key" :key="k.says">
        <i :style="{ background: k.colour }" aria-hidden="true" />{{ k.says }}
        <span class="soft nums">{{ k.count }}</span>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.lens {
  padding: 6px 14px 10px;
  display: grid;
  gap: 2px;
}
.top {
  display: flex;
  align-items: center;
  gap: 12px;
}
.number {
  flex: 1;
  color: var(--blue);
}
p {
  margin: 0;
}
.key {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 14px;
  margin-top: 3px;
}
.key li {
  display: inline-flex;
  align-items: center;
  gap: 6px;
}
i {
  width: 15px;
  height: 15px;
  border-radius: var(--radius-s);
  border: 1px solid var(--ink-third);
}
</style>
