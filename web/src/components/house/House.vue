<script setup lang="ts">
// The frame of everything that is not a job: the jobs, the larder, the boards
// and bowls, the shelf, the settings. On a phone the rooms that are gone to most stand in one bar at the foot, within a thumb's
// reach, and the others on a sheet that rises from it.
import { ref, watch } from 'vue'
import { RouterLink, useRoute } from 'vue-router'
import AskButton from '@/help/AskButton.vue'
import RoomSays from '@/help/RoomSays.vue'

defineProps<{ title: string; wide?: boolean }>()
const open = ref(false)
const route = useRoute()
watch(
  () => route.fullPath,
  () => (open.value = false),
)
const atFoot = ['jobs', 'shopping', 'larder', 'practice']
const rooms = [
  { name: 'jobs', says: 'Jobs' },
  { name: 'shopping', says: 'Shopping' },
  { name: 'larder', says: 'Larder' },
  { name: 'boards', says: 'Boards & bowls' },
  { name: 'shelf', says: 'Shelf' },
  { name: 'logbook', says: 'Logbook' },
  { name: 'practice', says: 'Practice' },
  { name: 'devices', says: 'Devices' },
  { name: 'settings', says: 'Settings' },
]
</script>

<template>
  <div class="house" :class="{ wide }">
    <nav class="no-print" aria-label="Rooms of the house">
      <span class="name figure">Happy Tray</span>
      <span class="links" :class="{ open }">
        <RouterLink
          v-for="r in rooms"
          :key="r.name"
          :to="{ name: r.name }"
          :class="{ foot: atFoot.includes(r.name) }"
          >{{ r.says }}</RouterLink
        >
      </span>
      <button class="more" :aria-expanded="open" @click="open = !open">More</button>
    </nav>
    <main id="work">
      <header>
        <h1>{{ title }}</h1>
        <div class="acts no-print"><slot name="acts" /></div>
        <AskButton />
      </header>
      <RoomSays />
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
.links {
  display: contents;
}
.more {
  display: none;
}
@media (max-width: 560px) {
  .house {
    padding: 12px 14px 84px;
  }
  nav {
    position: fixed;
    inset: auto 0 0;
    z-index: 30;
    margin: 0;
    padding: 0 6px env(safe-area-inset-bottom);
    background: var(--paper);
    border: 0;
    border-top: 1.5px solid var(--line);
    flex-wrap: nowrap;
    justify-content: space-between;
    align-items: stretch;
    gap: 0;
  }
  .name {
    display: none;
  }
  nav a,
  .more {
    flex: 1;
    display: grid;
    place-items: center;
    min-height: 56px;
    padding: 0 4px;
    margin: 0;
    font-size: var(--type-3);
    border-bottom: 0;
    border-top: 3px solid transparent;
  }
  nav a.router-link-active {
    border-top-color: var(--blue);
  }
  .more {
    background: none;
    border-inline: 0;
    font: inherit;
    font-size: var(--type-3);
    font-weight: 600;
    color: var(--soft);
    cursor: pointer;
  }
  .links:not(.open) a:not(.foot) {
    display: none;
  }
  .links.open a:not(.foot) {
    position: relative;
  }
  .links.open {
    display: grid;
    grid-template-columns: 1fr 1fr;
    flex: 1;
    max-height: 70vh;
    overflow-y: auto;
  }
}
main {
  display: grid;
  grid-template-columns: minmax(0, 1fr); /* what is wide wraps rather than widens the page */
  gap: 16px;
}
header {
  position: relative;
  display: flex;
  justify-content: space-between;
  align-items: flex-end;
  gap: 16px;
  flex-wrap: wrap;
}
h1 {
  font-size: var(--type-9);
  flex: 1;
}
@media (max-width: 560px) {
  header > .ask {
    position: absolute;
    top: 0;
    right: 0;
  }
  h1 {
    flex-basis: 100%;
    padding-right: 52px;
  }
}
.acts {
  display: flex;
  gap: 8px;
  flex-wrap: wrap;
  align-items: center;
}
</style>
