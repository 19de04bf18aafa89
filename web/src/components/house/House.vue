<script setup lang="ts">
// The frame of everything that is not a job: the bench, the larder, the boards
// and bowls, the shelf, the settings.
import { RouterLink } from 'vue-router'

defineProps<{ title: string; wide?: boolean }>()
const rooms = [
  { name: 'bench', says: 'The bench' },
  { name: 'shopping', says: 'Shopping' },
  { name: 'larder', says: 'Larder' },
  { name: 'boards', says: 'Boards & bowls' },
  { name: 'shelf', says: 'Shelf' },
  { name: 'logbook', says: 'Logbook' },
  { name: 'devices', says: 'Devices' },
  { name: 'settings', says: 'Settings' },
]
</script>

<template>
  <div class="house" :class="{ wide }">
    <nav class="no-print" aria-label="Rooms of the house">
      <span class="name figure">Happy Tray</span>
      <RouterLink v-for="r in rooms" :key="r.name" :to="{ name: r.name }">{{ r.says }}</RouterLink>
    </nav>
    <main id="work">
      <header>
        <h1>{{ title }}</h1>
        <div class="acts no-print"><slot name="acts" /></div>
      </header>
      <slot />
    </main>
  </div>
</template>

<style scoped>
.house {
  max-width: 1180px;
  margin: 0 auto;
  padding: 14px 28px 40px;
}
.house.wide {
  max-width: 1480px;
}
nav {
  display: flex;
  align-items: baseline;
  gap: 4px 22px;
  flex-wrap: wrap;
  border-bottom: 1.5px solid var(--line);
  margin-bottom: 18px;
}
.name {
  color: var(--ink);
  font-size: var(--type-5);
  margin-right: 10px;
}
nav a {
  color: var(--soft);
  text-decoration: none;
  font-weight: 600;
  padding: 10px 2px 10px;
  border-bottom: 3px solid transparent;
  margin-bottom: -1.5px;
}
nav a:hover {
  color: var(--ink);
}
nav a.router-link-active {
  color: var(--blue);
  border-bottom-color: var(--blue);
}
main {
  display: grid;
  gap: 16px;
}
header {
  display: flex;
  justify-content: space-between;
  align-items: flex-end;
  gap: 16px;
  flex-wrap: wrap;
}
h1 {
  font-size: var(--type-9);
}
.acts {
  display: flex;
  gap: 8px;
  flex-wrap: wrap;
  align-items: center;
}
</style>
