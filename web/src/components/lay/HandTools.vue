<script setup lang="ts">
// What can be done with what is chosen, and how near one looks.
import type { TrayElement } from '@/api/tray.gen'
import { useLarder } from '@/stores/larder'
import { count, grams } from '@/tray/words'

defineProps<{
  chosen: TrayElement | null
  place: string // where it lies, in words
  otherForm: boolean // whether it can be given another form
}>()
const emit = defineEmits<{
  turn: [e: TrayElement, degrees: number]
  form: [e: TrayElement]
  lock: [e: TrayElement]
  takeOff: [e: TrayElement]
  keys: []
}>()
const gives = defineModel<boolean>('gives', { required: true })
const zoom = defineModel<number>('zoom', { required: true })

const larder = useLarder()
const farthest = 1
const nearest = 4
const by = (factor: number) => {
  zoom.value = Math.min(nearest, Math.max(farthest, Math.round(zoom.value * factor * 100) / 100))
}
const amount = (e: TrayElement) =>
  e.vessel ? grams(e.grams) : `${count(e.count, 'piece')}, ${grams(e.grams)}`

const nearer = () => by(1.3)
const farther = () => by(0.77)
defineExpose({ nearer, farther })
</script>

<template>
  <div class="tools">
    <template v-if="chosen">
      <span class="what"
        ><b>{{ larder.name(chosen.food) }}</b>
        <span class="soft small"
          >{{ amount(chosen) }}, {{ place }}{{ chosen.locked ? ', locked' : '' }}</span
        ></span
      >
      <button class="btn quiet" :disabled="chosen.locked" @click="emit('turn', chosen, -15)">
        <span aria-hidden="true">↺</span> Turn left
      </button>
      <button class="btn quiet" :disabled="chosen.locked" @click="emit('turn', chosen, 15)">
        <span aria-hidden="true">↻</span> Turn right
      </button>
      <button v-if="otherForm" class="btn quiet" :disabled="chosen.locked" @click="emit('form', chosen)">
        Next form
      </button>
      <button class="btn quiet" @click="emit('lock', chosen)">{{ chosen.locked ? 'Let go' : 'Lock' }}</button>
      <button class="btn quiet" :disabled="chosen.locked" @click="emit('takeOff', chosen)">Take off</button>
    </template>
    <span v-else class="soft small what">Take hold of anything to move it. What you lock stays.</span>
    <label class="small gives" title="Neighbours give way to what is moved">
      <input v-model="gives" type="checkbox" aria-label="Neighbours give way" />
      Give way
    </label>
    <span class="zoom">
      <button class="btn quiet" :disabled="zoom <= farthest" aria-label="Farther" @click="farther">−</button>
      <button class="btn quiet" :disabled="zoom === 1" @click="zoom = 1">Whole board</button>
      <button class="btn quiet" :disabled="zoom >= nearest" aria-label="Nearer" @click="nearer">+</button>
      <button class="btn quiet" aria-label="Show the keys" @click="emit('keys')">?</button>
    </span>
  </div>
</template>

<style scoped>
.tools {
  display: flex;
  align-items: center;
  min-height: 40px;
  flex-wrap: wrap;
}
.what {
  margin-right: 8px;
  min-width: 0;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.what b {
  margin-right: 4px;
}
@media (min-width: 1200px) {
  .tools {
    flex-wrap: nowrap;
  }
  .tools .btn {
    padding: 0 7px;
  }
}
.zoom {
  margin-left: 6px;
  display: flex;
  gap: 4px;
}
.gives {
  display: inline-flex;
  align-items: center;
  gap: 6px;
  margin-left: auto;
  white-space: nowrap;
  cursor: pointer;
}
.gives input {
  width: 18px;
  height: 18px;
  accent-color: var(--blue);
}
</style>
