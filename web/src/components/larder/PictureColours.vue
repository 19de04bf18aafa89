<script setup lang="ts">
// The main colours of a photograph, to be taken for a food's outside or its cut
// face. The photograph is not saved unless that is asked for.
import { shallowRef } from 'vue'
import { useAct } from '@/api/asking'
import { send, type MainColours } from '@/api/client'

const props = defineProps<{ food: string; photo: boolean }>()
const emit = defineEmits<{ outside: [hex: string]; cut: [hex: string]; saved: [] }>()
const found = shallowRef<MainColours | null>(null)
const { busy, wrong, act } = useAct('The picture cannot be looked at.')
const file = shallowRef<File | null>(null)

async function choose(e: Event) {
  const input = e.target as HTMLInputElement
  file.value = input.files?.[0] ?? null
  input.value = ''
  const picture = file.value
  found.value = null
  if (!picture) return
  found.value =
    (await act(() => send<MainColours>('POST', '/api/v1/colours', picture.type || 'image/jpeg', picture))) ??
    null
}
async function save(on: boolean) {
  const path = `/api/v1/foods/${encodeURIComponent(props.food)}/photo`
  await act(async () => {
    if (on && file.value) await send('PUT', path, file.value.type || 'image/jpeg', file.value)
    else await send('DELETE', path, 'application/json', '')
    emit('saved')
  }, 'That could not be saved.')
}
</script>

<template>
  <div class="colours">
    <label class="btn file">
      {{ busy ? 'Looking' : 'Colours from a picture' }}
      <input type="file" accept="image/png,image/jpeg" @change="choose" />
    </label>
    <p v-if="wrong" role="alert" class="small">▲ {{ wrong }}</p>
    <ul v-if="found" aria-label="Main colours of the picture">
      <li v-for="c in found.colours" :key="c.hex">
        <span class="patch" :style="{ background: c.hex }" />
        <span class="nums small">{{ Math.round(c.part * 100) }} %</span>
        <button type="button" class="btn quiet" @click="emit('outside', c.hex)">
          outside<span class="only-read">, {{ c.hex }}</span>
        </button>
        <button type="button" class="btn quiet" @click="emit('cut', c.hex)">
          cut face<span class="only-read">, {{ c.hex }}</span>
        </button>
      </li>
    </ul>
    <p v-if="found" class="small soft">
      The picture is not saved.
      <button v-if="file" type="button" class="btn quiet" @click="save(true)">Save it with this food</button>
    </p>
    <figure v-if="photo">
      <img
        :src="`/api/v1/foods/${encodeURIComponent(food)}/photo`"
        alt="The photograph saved with this food"
      />
      <button type="button" class="btn quiet" @click="save(false)">Throw the photograph away</button>
    </figure>
  </div>
</template>

<style scoped>
.colours {
  display: grid;
  gap: 6px;
  justify-items: start;
}
.file input {
  position: absolute;
  opacity: 0;
  width: 1px;
  height: 1px;
}
.file:focus-within {
  outline: 3px solid var(--blue);
  outline-offset: 2px;
}
li {
  display: flex;
  align-items: center;
  gap: 8px;
}
.patch {
  width: 44px;
  height: 30px;
  border-radius: var(--radius-m);
  border: 1px solid var(--line-strong);
}
figure {
  margin: 0;
}
figure img {
  display: block;
  max-width: 100%;
  max-height: 160px;
  border-radius: var(--radius-m);
}
</style>
