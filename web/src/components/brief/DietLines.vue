<script setup lang="ts">
// Which guests avoid what: diets as people say them fill in the words, which can be changed.
import { computed } from 'vue'
import type { Avoid, Brief, Diet } from '@/api/tray.gen'
import type { Diets } from '@/api/client'
import { useDiets } from '@/composables/diets'
import WrittenField from '@/components/common/WrittenField.vue'
import NumberField from '@/components/common/NumberField.vue'
import Choose from '@/components/common/Choose.vue'

const props = defineProps<{ brief: Brief; apart: boolean }>()
const emit = defineEmits<{ set: [change: Partial<Brief>, planned?: boolean] }>()

const known = useDiets()
const words = computed(() => known.value?.words ?? [])
const presets = computed(() => known.value?.presets ?? [])
const diets = computed(() => props.brief.diets ?? [])
const guests = computed(() => (props.brief.guests.adults ?? 0) + (props.brief.guests.children ?? 0))
const full = computed(() => diets.value.length >= 20)
function setDiet(i: number, change: Partial<Diet>) {
  emit('set', { diets: diets.value.map((d, k) => (k === i ? { ...d, ...change } : d)) })
}
/** The note of the diet whose words a group has, if they are those of one. */
const noteOf = (d: Diet) =>
  presets.value.find(p => p.name === d.who || p.avoid.join() === (d.avoid ?? []).join())?.note ?? ''
function add(p: Diets['presets'][number]) {
  emit('set', { diets: [...diets.value, { who: p.name, count: 1, avoid: p.avoid as Avoid[] }] })
}
</script>

<template>
  <p v-if="!diets.length" class="soft">Nobody has said so yet.</p>
  <div v-for="(d, i) in diets" :key="i" class="group">
    <div class="line diet">
      <WrittenField
        class="in"
        style="width: 170px"
        :aria-label="`Group ${i + 1}, who`"
        :value="d.who"
        maxlength="80"
        placeholder="who"
        @written="who => setDiet(i, { who })"
      />
      <NumberField
        :model-value="d.count || guests"
        steps
        :min="1"
        :max="Math.max(1, guests)"
        :width="104"
        :label="`Group ${i + 1}, how many`"
        @update:model-value="n => setDiet(i, { count: n === guests ? 0 : n })"
      />
      avoid
      <Choose
        :model-value="d.avoid"
        :label="`Group ${i + 1}, what they avoid`"
        none="what"
        style="flex: 1; min-width: 200px"
        :options="words.map(w => [w.id as Avoid, w.says] as const)"
        @update:model-value="v => setDiet(i, { avoid: v })"
      />
      <button class="btn quiet" @click="emit('set', { diets: diets.filter((_, k) => k !== i) })">
        Remove<span class="only-read"> group {{ i + 1 }}</span>
      </button>
    </div>
    <p v-if="noteOf(d)" class="note small soft">{{ noteOf(d) }}</p>
  </div>
  <div class="presets" role="group" aria-label="Add a diet or allergy">
    <span class="soft">Add</span>
    <button v-for="p in presets" :key="p.id" class="btn" :disabled="full" :title="p.note" @click="add(p)">
      {{ p.name }}
    </button>
    <button
      class="btn"
      :disabled="full"
      @click="emit('set', { diets: [...diets, { who: '', count: 1, avoid: [] }] }, false)"
    >
      Another diet or allergy
    </button>
  </div>
  <p v-if="brief.plate_apart || apart" class="apart">
    <label>
      <input
        type="checkbox"
        :checked="!!brief.plate_apart"
        @change="emit('set', { plate_apart: ($event.target as HTMLInputElement).checked || undefined })"
      />
      A covered plate apart for guests with an allergy, so that the others keep theirs
    </label>
  </p>
</template>

<style scoped>
.group,
.presets,
.apart {
  width: 100%;
}
.presets {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  align-items: center;
}
.note {
  margin: 0 0 6px;
}
</style>
