<script setup lang="ts">
// What a room is for, said at its head until it was used once: closed by hand, or left and come back to.
import { computed, onBeforeUnmount, watch } from 'vue'
import { useLocalStorage } from '@vueuse/core'
import { useRoute } from 'vue-router'
import rooms from '../../../docs/craft.md?rooms'

const route = useRoute()
const title = computed(() => String(route.meta.title ?? ''))
const known = useLocalStorage<string[]>('happy-tray-rooms', [])
const says = computed(() =>
  known.value.includes(title.value) ? undefined : rooms.find(r => r.title === title.value)?.html,
)
const used = (room: string) => {
  if (room && !known.value.includes(room)) known.value = [...known.value, room]
}
watch(title, (_, was) => used(was))
onBeforeUnmount(() => used(title.value))
</script>

<template>
  <aside v-if="says" class="room no-print" aria-label="What this room is for">
    <!-- eslint-disable-next-line vue/no-v-html (our own page, read when the product is built) -->
    <div v-html="says" />
    <button class="btn quiet" @click="used(title)">I see</button>
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
