<script setup lang="ts">
// The photographs of an evening, and where another one comes from.
import type { PhotoKept } from '@/api/client'
import { clock } from '@/tray/words'

const props = defineProps<{
  photos: readonly PhotoKept[]
  src: (photo: string) => string
  most?: number
  compare?: boolean
}>()
const emit = defineEmits<{ add: [file: File]; drop: [photo: string]; beside: [photo: string] }>()
function pick(e: Event) {
  const input = e.target as HTMLInputElement
  for (const f of input.files ?? []) emit('add', f)
  input.value = ''
}
const at = (p: PhotoKept) => clock(new Date(p.made_at))
const room = () => props.photos.length < (props.most ?? 12)
</script>

<template>
  <ul class="strip" aria-label="Photographs">
    <li v-for="p in photos" :key="p.id">
      <a :href="src(p.id)" target="_blank" rel="noopener"
        ><img :src="src(p.id)" :alt="`Photograph of ${at(p)}`"
      /></a>
      <span class="small soft nums">{{ at(p) }}</span>
      <button
        v-if="compare"
        class="btn quiet"
        :aria-label="`The photograph of ${at(p)} beside the plan`"
        @click="emit('beside', p.id)"
      >
        Beside the plan
      </button>
      <button
        class="btn quiet"
        :aria-label="`Throw away the photograph of ${at(p)}`"
        @click="emit('drop', p.id)"
      >
        Throw away
      </button>
    </li>
    <li v-if="room()" class="add">
      <label class="btn">
        Add a photograph
        <input
          type="file"
          accept="image/jpeg,image/png"
          capture="environment"
          class="only-read"
          @change="pick"
        />
      </label>
    </li>
  </ul>
</template>

<style scoped>
.strip {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
  align-items: flex-end;
}
li {
  display: grid;
  gap: 2px;
  justify-items: start;
}
img {
  width: 132px;
  height: 99px;
  object-fit: cover;
  border-radius: var(--radius-m);
  display: block;
}
label:focus-within {
  outline: 3px solid var(--blue);
  outline-offset: 2px;
}
</style>
