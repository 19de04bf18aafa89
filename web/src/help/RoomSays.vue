<script setup lang="ts">
// What a room is for, said at its head until it was used once: closed by hand, or left and come back to.
import { computed, onBeforeUnmount, watch } from 'vue'
import { useRoute } from 'vue-router'
import { know, knows } from './known'
import rooms from '../../../docs/craft.md?rooms'

const route = useRoute()
const title = computed(() => String(route.meta.title ?? ''))
const says = computed(() => (knows(title.value) ? undefined : rooms.find(r => r.title === title.value)?.html))
// when this goes the route is another one already
let here = title.value
watch(title, now => {
  know(here)
  here = now
})
onBeforeUnmount(() => know(here))
</script>

<template>
  <aside v-if="says" class="room no-print" aria-label="What this room is for">
    <!-- eslint-disable-next-line vue/no-v-html (our own page, read when the product is built) -->
    <div v-html="says" />
    <button class="btn quiet" @click="know(title)">I see</button>
  </aside>
</template>

<style scoped>
.room {
  flex: none;
  display: flex;
  gap: 8px 14px;
  align-items: center;
  background: var(--blue-wash);
  border-radius: var(--radius);
  padding: 8px 8px 8px 16px;
}
.room > div {
  flex: 1;
}
.room :deep(p) {
  margin: 0;
}
</style>
