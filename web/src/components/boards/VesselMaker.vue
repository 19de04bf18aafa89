<script setup lang="ts">
// A bowl, cup or dish of one's own, by its measures.
import { computed, reactive } from 'vue'
import { useAct } from '@/api/asking'
import { api, take, type VesselPage } from '@/api/client'
import type { Vessel } from '@/api/tray.gen'
import { boxOf, freeId, stretched, type Pt } from '@/tray/outline'
import { mmPerUnit, units } from '@/tray/units'
import NumberField from '@/components/common/NumberField.vue'
import Choose from '@/components/common/Choose.vue'

const props = defineProps<{ from: VesselPage; copy: boolean; taken: (id: string) => boolean }>()
const emit = defineEmits<{ done: [id: string]; leave: [] }>()
const v = props.from.vessel
const outline = v.outline?.map(p => [p[0] ?? 0, p[1] ?? 0] as Pt)
const start = outline ? boxOf(outline).slice(2) : [v.diameter_mm ?? 80, v.diameter_mm ?? 80]
const it = reactive({
  name: props.copy ? `${v.name}, my own` : v.name,
  long: start[0]!,
  wide: start[1]!,
  high: v.height_mm,
  ml: v.capacity_ml,
  colour: v.colour,
  material: v.material || 'ceramic',
})
const { wrong, act } = useAct('The bowl cannot be saved.')
const materials = ['ceramic', 'glass', 'wood', 'metal', 'marble', 'clay', 'hollowed']
const shown = (mm: number) => Math.round((mm / mmPerUnit()) * 10) / 10
const set = (k: 'long' | 'wide' | 'high', shown: number) => {
  const n = shown * mmPerUnit()
  if (n > 0) it[k] = Math.round(n * 10) / 10
}
/** What the bowl it is copied from would hold at these measures. */
const guess = computed(() => {
  const wide = outline ? it.wide : it.long
  return Math.round((v.capacity_ml * it.long * wide * it.high) / (start[0]! * start[1]! * v.height_mm))
})

async function save() {
  const [w, h] = [it.long, outline ? it.wide : it.long]
  const shape = outline
    ? { outline: stretched(outline, w, h).map(p => [round(p[0] - w / 2), round(p[1] - h / 2)] as Pt) }
    : { diameter_mm: it.long }
  const id = props.copy ? freeId(it.name, 'bowl', props.taken) : v.id
  const next: Vessel = {
    ...v,
    outline: undefined,
    diameter_mm: undefined,
    ...shape,
    id,
    name: it.name,
    height_mm: it.high,
    capacity_ml: it.ml,
    colour: it.colour,
    material: it.material,
  }
  await act(async () => {
    await take(
      api.PUT('/api/v1/vessels/{id}', {
        params: { path: { id }, header: { 'If-Match': `"${props.copy ? 0 : props.from.version}"` } },
        body: next,
      }),
    )
    emit('done', id)
  })
}
const round = (n: number) => Math.round(n * 10) / 10
</script>

<template>
  <form class="card maker" aria-label="A bowl of your own" @submit.prevent="save">
    <label class="wide"
      ><span>Called</span><input v-model="it.name" class="field" maxlength="120" required
    /></label>
    <label
      ><span>{{ outline ? 'Long' : 'Across' }}, {{ units.length }}</span
      ><NumberField :min="0" :model-value="shown(it.long)" @update:model-value="n => set('long', n)"
    /></label>
    <label v-if="outline"
      ><span>Wide, {{ units.length }}</span
      ><NumberField :min="0" :model-value="shown(it.wide)" @update:model-value="n => set('wide', n)"
    /></label>
    <label
      ><span>High, {{ units.length }}</span
      ><NumberField :min="0" :model-value="shown(it.high)" @update:model-value="n => set('high', n)"
    /></label>
    <label
      ><span>Holds, ml</span><NumberField v-model="it.ml" :min="1" label="Holds, ml" />
      <button type="button" class="btn quiet" @click="it.ml = guess">about {{ guess }}</button></label
    >
    <label><span>Make</span> <Choose v-model="it.material" label="Make" :options="materials" /></label>
    <label><span>Colour</span><input v-model="it.colour" type="color" /></label>
    <p v-if="wrong" role="alert" class="wide">▲ {{ wrong }}</p>
    <div class="wide ways">
      <button class="btn next">{{ copy ? 'Save this bowl' : 'Save it' }}</button>
      <button type="button" class="btn quiet" @click="emit('leave')">Leave it</button>
    </div>
  </form>
</template>

<style scoped>
.maker {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(150px, 1fr));
  gap: 10px 16px;
  align-items: start;
}
label {
  display: grid;
  gap: 4px;
  font-size: var(--type-4);
}
label span {
  color: var(--soft);
}
.wide {
  grid-column: 1 / -1;
}
.ways {
  display: flex;
  gap: 8px;
}
input[type='color'] {
  width: 60px;
  height: 36px;
  padding: 2px;
  border: 1.5px solid var(--line-strong);
  border-radius: var(--radius-m);
  background: var(--white);
}
</style>
