<script setup lang="ts">
// What can be done with what is chosen, and how near one looks.
import { computed } from 'vue'
import type { TrayElement } from '@/api/tray.gen'
import MoreActs from '@/components/lay/MoreActs.vue'
import type { useActs } from '@/composables/acts'
import type { LensName } from '@/api/client'
import { froms, type From } from '@/composables/picture'
import { lenses } from '@/composables/lens'
import { useLarder } from '@/stores/larder'
import { count, grams } from '@/tray/words'
import Choose from '@/components/common/Choose.vue'

const props = defineProps<{
  chosen: TrayElement | null
  place: string // where it lies, in words
  otherForm: boolean // whether it can be given another form
  acts: ReturnType<typeof useActs>
  members: readonly TrayElement[] // several that are chosen together
  actual: number | null // the nearness at which it is as large as on the table, where that is known
  before: boolean // it is shown as it was before the last change
}>()
const emit = defineEmits<{
  turn: [e: TrayElement, degrees: number]
  form: [e: TrayElement]
  lock: [e: TrayElement]
  takeOff: [e: TrayElement]
  lockAll: [some: readonly TrayElement[]]
  takeAllOff: [some: readonly TrayElement[]]
  layThese: [some: readonly TrayElement[]]
  keys: []
  picture: []
  actual: [again: boolean]
  before: []
}>()
const from = defineModel<From>('from', { default: 'above' })
const lens = defineModel<LensName | ''>('lens', { default: '' })
const several = defineModel<boolean>('several', { required: true })
const gives = defineModel<boolean>('gives', { required: true })
const zoom = defineModel<number>('zoom', { required: true })

const larder = useLarder()
const farthest = computed(() => Math.min(1, props.actual ?? 1))
const nearest = computed(() => Math.max(4, props.actual ?? 4))
const isActual = computed(() => props.actual !== null && Math.abs(zoom.value - props.actual) < 0.006)
const by = (factor: number) => {
  zoom.value = Math.min(nearest.value, Math.max(farthest.value, Math.round(zoom.value * factor * 100) / 100))
}
const amount = (e: TrayElement) =>
  e.vessel ? grams(e.grams) : `${count(e.count, 'piece')}, ${grams(e.grams)}`

const turns: [string, string, number][] = [
  ['Turn left', '↺', -15],
  ['Turn right', '↻', 15],
]
const nearer = () => by(1.3)
const farther = () => by(0.77)
defineExpose({ nearer, farther })
</script>

<template>
  <div class="tools">
    <div class="line">
      <p v-if="acts.pairing.value" class="what" role="status">
        <b>Tap what it {{ acts.pairing.value.kind === 'swap' ? 'changes places' : 'is joined' }} with.</b>
        <button class="btn quiet" @click="acts.unpair()">Leave it</button>
      </p>
      <p v-else-if="members.length > 1" class="what">
        <b>{{ count(members.length, 'thing') }}</b> <span class="soft small">chosen together</span>
      </p>
      <p v-else-if="chosen" class="what">
        <b>{{ larder.name(chosen.food) }}</b>
        <span class="soft small">{{ amount(chosen) }}, {{ place }}{{ chosen.locked ? ', locked' : '' }}</span>
      </p>
      <p v-else class="soft small what">
        {{ several ? 'Tap what goes together, or draw round it.' : 'Take hold of anything to move it.' }}
      </p>
      <span class="looks">
        <Choose v-model="from" label="Seen from" :width="168" :options="froms" />
        <Choose
          v-model="lens"
          label="Lens"
          :width="132"
          :disabled="from !== 'above'"
          :options="[
            ['', 'No lens'],
            ...lenses.map(([id, says], i) => [id, says + (i < 9 ? ` (${i + 1})` : '')] as const),
          ]"
        />
      </span>
      <span class="zoom">
        <button class="btn quiet" :disabled="zoom <= farthest" aria-label="Farther" @click="farther">
          −
        </button>
        <button
          class="btn quiet"
          :disabled="zoom === 1"
          aria-label="Whole board"
          title="Whole board"
          @click="zoom = 1"
        >
          Whole
        </button>
        <button
          class="btn quiet"
          :aria-pressed="isActual"
          title="As large as on the table"
          @click="emit('actual', isActual)"
        >
          {{ isActual ? 'Measure again' : 'True size' }}
        </button>
        <button class="btn quiet" :disabled="zoom >= nearest" aria-label="Nearer" @click="nearer">+</button>
        <button class="btn quiet" @click="emit('keys')">Keys</button>
      </span>
    </div>
    <div class="line doing">
      <template v-if="members.length > 1">
        <button class="btn quiet" @click="emit('layThese', members)">Lay these again</button>
        <button v-if="members.length === 2" class="btn quiet" @click="acts.swap(members[0]!, members[1]!)">
          Swap
        </button>
        <button
          v-if="members.length === 2 && acts.joins(members[0]!, members[1]!)"
          class="btn quiet"
          @click="acts.join(members[0]!, members[1]!)"
        >
          Join
        </button>
        <button class="btn quiet" @click="emit('lockAll', members)">
          {{ members.every(m => m.locked) ? 'Unlock' : 'Lock' }}
        </button>
        <button class="btn quiet" @click="emit('takeAllOff', members)">Take off</button>
      </template>
      <template v-else-if="chosen">
        <button
          v-for="[way, sign, degrees] in turns"
          :key="way"
          class="btn quiet icon"
          :disabled="chosen.locked"
          :aria-label="way"
          :title="way"
          @click="emit('turn', chosen, degrees)"
        >
          <span aria-hidden="true">{{ sign }}</span>
        </button>
        <button v-if="otherForm" class="btn quiet" :disabled="chosen.locked" @click="emit('form', chosen)">
          Next form
        </button>
        <button class="btn quiet" @click="emit('lock', chosen)">
          {{ chosen.locked ? 'Unlock' : 'Lock' }}
        </button>
        <button class="btn quiet" :disabled="chosen.locked" @click="emit('takeOff', chosen)">Take off</button>
        <MoreActs :chosen="chosen" :acts="acts" />
      </template>
      <span class="switches">
        <button class="btn quiet" @click="emit('picture')">Picture</button>
        <label class="small" title="As it was before the last change">
          <input :checked="before" type="checkbox" aria-label="As it was before" @change="emit('before')" />
          Before
        </label>
        <label class="small" title="Taps add to what is chosen, and a draw over the board chooses by area">
          <input v-model="several" type="checkbox" aria-label="Choose several" />
          Several
        </label>
        <label class="small" title="Neighbours give way to what is moved">
          <input v-model="gives" type="checkbox" aria-label="Neighbours give way" />
          Give way
        </label>
      </span>
    </div>
  </div>
</template>

<style scoped>
.line {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  min-height: 38px;
}
.line .btn {
  padding: 0 10px;
}
.doing > .btn:first-child {
  margin-left: -9px;
}
.what {
  flex: 1 1 0;
  min-width: 0;
  margin: 0;
  overflow: hidden;
  line-height: 1.25;
  text-wrap: balance;
}
.what b,
.what b + .soft {
  display: block;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.zoom {
  display: flex;
  gap: 4px;
}
.switches {
  display: inline-flex;
  gap: 14px;
  margin-left: auto;
}
.switches label {
  display: inline-flex;
  align-items: center;
  gap: 6px;
  white-space: nowrap;
  cursor: pointer;
}
.switches input {
  width: 18px;
  height: 18px;
  accent-color: var(--blue);
}
.looks {
  display: flex;
  align-items: center;
  gap: 6px;
  margin-left: 8px;
}
@media (pointer: coarse) {
  .switches label {
    min-height: 44px;
  }
}
.icon {
  font-size: var(--type-6);
  line-height: 1;
}
@media (max-width: 560px) {
  .what {
    flex: 1 0 100%; /* a word a line beside the fields cannot be read */
  }
}
</style>
