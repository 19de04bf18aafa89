<script setup lang="ts">
// Which guests avoid what.
import { computed } from 'vue'
import { ElInputNumber, ElOption, ElSelect } from 'element-plus'
import 'element-plus/es/components/input-number/style/css'
import 'element-plus/es/components/select/style/css'
import type { Avoid, Brief, Diet } from '@/api/tray.gen'
import { allergens, dietWords } from '@/tray/larder'
import WrittenField from '@/components/common/WrittenField.vue'

const props = defineProps<{ brief: Brief }>()
const emit = defineEmits<{ set: [change: Partial<Brief>, planned?: boolean] }>()

const called: Record<string, string> = { animal: 'anything animal', rennet: 'animal rennet' }
const words = ([...dietWords, ...allergens] as Avoid[]).map(id => ({ id, says: called[id] ?? id }))
const diets = computed(() => props.brief.diets ?? [])
const guests = computed(() => (props.brief.guests.adults ?? 0) + (props.brief.guests.children ?? 0))
function setDiet(i: number, change: Partial<Diet>) {
  emit('set', { diets: diets.value.map((d, k) => (k === i ? { ...d, ...change } : d)) })
}
</script>

<template>
  <p v-if="!diets.length" class="soft">Nobody has said so yet.</p>
  <div v-for="(d, i) in diets" :key="i" class="line diet">
    <WrittenField
      class="in"
      style="width: 170px"
      :aria-label="`Group ${i + 1}, who`"
      :value="d.who"
      maxlength="80"
      placeholder="who"
      @written="who => setDiet(i, { who })"
    />
    <ElInputNumber
      :model-value="d.count || guests"
      :min="1"
      :max="Math.max(1, guests)"
      class="num"
      :aria-label="`Group ${i + 1}, how many`"
      @change="n => setDiet(i, { count: n === guests ? 0 : n })"
    />
    avoid
    <ElSelect
      :persistent="false"
      :model-value="d.avoid"
      multiple
      :aria-label="`Group ${i + 1}, what they avoid`"
      placeholder="what"
      style="flex: 1; min-width: 200px"
      @change="(v: Avoid[]) => setDiet(i, { avoid: v })"
    >
      <ElOption v-for="w in words" :key="w.id" :value="w.id" :label="w.says" />
    </ElSelect>
    <button class="btn quiet" @click="emit('set', { diets: diets.filter((_, k) => k !== i) })">
      Remove<span class="only-read"> group {{ i + 1 }}</span>
    </button>
  </div>
  <button
    class="btn"
    :disabled="diets.length >= 20"
    @click="emit('set', { diets: [...diets, { who: '', count: 1, avoid: [] }] }, false)"
  >
    Somebody avoids something
  </button>
</template>
