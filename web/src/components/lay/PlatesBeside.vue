<script setup lang="ts">
// The plates of bread and crackers that stand beside the board from the first minute, as they are laid.
import { computed, onBeforeUnmount, shallowRef, watch } from 'vue'
import type { Scene } from '@/api/client'
import { useLarder } from '@/stores/larder'
import { grams, length } from '@/tray/units'

type Plate = Scene['plates'][number]
const props = defineProps<{ plates: readonly Plate[] }>()
const larder = useLarder()

/** Those that are laid alike are told once. */
const kinds = computed(() => {
  const out: { plate: Plate; count: number }[] = []
  for (const plate of props.plates) {
    const like = out.find(o => o.plate.foods.join() === plate.foods.join())
    if (like) like.count++
    else out.push({ plate, count: 1 })
  }
  return out
})
const held = computed(() => props.plates[0]?.held_g ?? 0)
const list = new Intl.ListFormat('en-GB')
const names = (p: Plate) => list.format(p.foods.map(id => larder.name(id).toLowerCase()))

const pictures = shallowRef<string[]>([])
const drop = () => pictures.value.forEach(URL.revokeObjectURL)
watch(
  kinds,
  now => {
    drop()
    pictures.value = now.map(k => URL.createObjectURL(new Blob([k.plate.svg], { type: 'image/svg+xml' })))
  },
  { immediate: true },
)
onBeforeUnmount(drop)
</script>

<template>
  <section class="beside" aria-label="Beside the board" data-help="Crackers beside">
    <h3>Beside the board</h3>
    <p v-for="({ plate, count }, i) in kinds" :key="plate.foods.join()">
      <img :src="pictures[i]" alt="" />
      <span
        ><b>{{ count > 1 ? `${count} plates` : 'A plate' }} of {{ length(plate.across_mm) }}</b>
        <span class="soft small"
          >{{ names(plate) }}, {{ grams(plate.grams) }}{{ count > 1 ? ' on each' : '' }}</span
        ></span
      >
    </p>
    <p v-if="held >= 20" class="soft small">{{ grams(held) }} more to refill from the box.</p>
  </section>
</template>

<style scoped>
.beside {
  display: grid;
  gap: 8px;
  margin-top: 14px;
}
h3 {
  font-size: var(--type-5);
}
p {
  display: flex;
  align-items: center;
  gap: 10px;
  line-height: 1.3;
}
p b {
  display: block;
}
img {
  width: 92px;
  height: 92px;
  flex: none;
}
</style>
