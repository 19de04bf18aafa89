<script setup lang="ts">
// A list that somebody pasted: what is meant by each line, to be taken together.
import { computed } from 'vue'
import type { Listed } from '@/composables/finding'
import { useLarder } from '@/stores/larder'
import { count } from '@/tray/words'

const props = defineProps<{ list: Listed[]; busy: boolean }>()
const emit = defineEmits<{
  take: [foods: { food: string; name?: string }[]]
  leave: []
  look: [text: string]
}>()
const larder = useLarder()
const known = computed(() =>
  props.list.flatMap(l => (l.food ? [{ food: l.food.id, name: l.food.called || undefined }] : [])),
)
</script>

<template>
  <section class="card list" aria-label="Your list">
    <h2>Your list</h2>
    <ul>
      <li v-for="l in list" :key="l.text">
        <template v-if="l.food">
          <img :src="larder.picture(l.food.id)" alt="" />
          <span
            ><b>{{ l.food.called || l.food.name }}</b>
            <span v-if="l.food.called && l.food.called !== l.food.name" class="soft small">
              as {{ l.food.name.toLowerCase() }}</span
            ></span
          >
        </template>
        <template v-else>
          <span class="none" aria-hidden="true">▲</span>
          <span
            ><b>{{ l.text }}</b> <span class="soft small">is not in the larder</span>
            <button class="btn quiet" @click="emit('look', l.text)">Add it</button></span
          >
        </template>
      </li>
    </ul>
    <p>
      <button class="btn next" :disabled="busy || !known.length" @click="emit('take', known)">
        Take {{ known.length === 1 ? 'it' : `these ${count(known.length, 'food')}` }}
      </button>
      <button class="btn quiet" @click="emit('leave')">Leave it</button>
    </p>
  </section>
</template>

<style scoped>
.list ul {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(230px, 1fr));
  gap: 6px 16px;
  margin: 8px 0;
}
.list li {
  display: grid;
  grid-template-columns: 40px 1fr;
  gap: 8px;
  align-items: center;
}
.list img {
  width: 40px;
  height: 40px;
}
.none {
  text-align: center;
}
</style>
