<script setup lang="ts">
// One stage of a job: the work in the middle, the second look beside it. With
// fill the work takes just the height of the window.
import AskButton from '@/help/AskButton.vue'
import RoomSays from '@/help/RoomSays.vue'
import SaveLine from './SaveLine.vue'

defineProps<{ title: string; look: string; fill?: boolean }>()
</script>

<template>
  <main id="work" class="table" :class="{ fill }">
    <header class="head">
      <div>
        <h1 :class="{ long: title.length > 24 }">{{ title }}</h1>
        <SaveLine class="no-print" />
      </div>
      <div class="acts no-print"><slot name="acts" /></div>
      <AskButton />
    </header>
    <RoomSays />
    <slot />
  </main>
  <aside class="look" :class="{ fill }" :aria-label="look"><slot name="look" /></aside>
</template>

<style scoped>
.table {
  flex: 1;
  min-width: 0;
  padding: 18px 20px 20px;
  display: flex;
  flex-direction: column;
  gap: 12px;
}
.head {
  position: relative;
  display: flex;
  justify-content: space-between;
  align-items: flex-start;
  gap: 8px;
  flex-wrap: wrap;
}
.head > div:first-child {
  flex: 1 1 260px;
  min-width: 0;
}
.head h1 {
  margin-left: 1px;
}
.fill .long {
  font-size: var(--type-7);
  line-height: 1.5;
}
.head :deep(.line) {
  margin-left: -8px;
}
.acts {
  display: flex;
  gap: 8px;
  align-items: center;
  flex-wrap: wrap;
}
.look {
  width: 292px;
  flex: none;
  padding: 20px 18px 20px 0;
}
@media (max-width: 560px) {
  .head > .ask {
    position: absolute;
    top: 0;
    right: 0;
  }
}
@media (min-width: 901px) {
  .table.fill {
    height: max(100vh, 620px);
    padding-bottom: 14px;
    gap: 8px;
  }
  .look.fill {
    height: max(100vh, 620px);
    overflow-y: auto;
  }
}
@media (max-width: 1100px) {
  .look {
    width: 262px;
  }
}
@media (max-width: 900px) {
  .look {
    width: auto;
    padding: 0 20px 20px;
  }
}
@media print {
  .table {
    padding: 0;
  }
}
</style>
