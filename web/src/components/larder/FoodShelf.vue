<script setup lang="ts">
// One shelf of the larder: its foods drawn as portions, the first so many of them.
import { RouterLink } from 'vue-router'
import type { FoodCard, Shelves } from '@/api/client'
import { useLarder } from '@/stores/larder'
import { shelfNames } from '@/tray/larder'
import { grams } from '@/tray/units'

defineProps<{ shelf: Shelves['shelves'][number]; most: number }>()
const emit = defineEmits<{ all: [] }>()
const larder = useLarder()

const note = (f: FoodCard) =>
  [
    f.mine === 'own' ? 'your own' : f.mine === 'changed' ? 'changed by you' : '',
    f.on_hand_g ? `${grams(f.on_hand_g)} here` : '',
    f.in_season ? '' : 'out of season',
  ]
    .filter(Boolean)
    .join(' · ')
</script>

<template>
  <section class="shelf" :aria-label="shelfNames[shelf.category]">
    <h2>
      {{ shelfNames[shelf.category] }} <span class="soft small nums">{{ shelf.total }}</span>
    </h2>
    <ul>
      <li v-for="f in shelf.foods.slice(0, most)" :key="f.id">
        <RouterLink :to="{ name: 'food', params: { id: f.id } }" class="food">
          <img loading="lazy" :src="larder.picture(f.id, undefined, f.version)" alt="" />
          <span class="fname">{{ f.name }}</span>
          <span v-if="note(f)" class="note">{{ note(f) }}</span>
        </RouterLink>
      </li>
    </ul>
    <button v-if="shelf.foods.length < shelf.total" class="btn quiet" @click="emit('all')">
      All {{ shelf.total }} of {{ shelfNames[shelf.category] }}
    </button>
  </section>
</template>

<style scoped>
.shelf {
  content-visibility: auto; /* what is far below is neither fetched nor drawn */
  contain-intrinsic-size: auto 460px;
}
.shelf h2 {
  padding: 2px 2px 6px;
  display: flex;
  gap: 8px;
  align-items: baseline;
}
.shelf ul {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(112px, 1fr));
  gap: 6px;
  border-bottom: 7px solid var(--shelf);
  border-radius: 0 0 var(--radius-s) var(--radius-s);
  padding-bottom: 8px;
}
.food {
  display: grid;
  justify-items: center;
  gap: 2px;
  padding: 8px 6px;
  border-radius: var(--radius);
  color: inherit;
  text-decoration: none;
  text-align: center;
}
.food:hover {
  background: var(--paper);
}
.food:hover .fname {
  color: var(--blue);
}
.food img {
  width: 82px;
  height: 82px;
}
.fname {
  font-weight: 600;
  font-size: var(--type-3);
  line-height: 1.2;
}
.note {
  font-size: var(--type-2);
  color: var(--soft);
  font-weight: 600;
  line-height: 1.2;
}
</style>
