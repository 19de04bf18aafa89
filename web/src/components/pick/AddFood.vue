<script setup lang="ts">
// A food that is not in the larder, added in one line: it looks and behaves as its nearest until somebody says more.
import { reactive } from 'vue'
import { useAct } from '@/api/asking'
import { api, take } from '@/api/client'
import NumberField from '@/components/common/NumberField.vue'
import { useLarder } from '@/stores/larder'
import { called, shelfNames } from '@/tray/larder'
import Choose from '@/components/common/Choose.vue'

const props = defineProps<{ name: string; busy: boolean }>()
const emit = defineEmits<{ added: [food: string] }>()
const larder = useLarder()

const line = reactive({ category: 'cheese', piece_g: 0, pack_g: 0, size_mm: 0 })
const { busy: adding, wrong, act } = useAct()
const kinds = Object.keys(shelfNames).filter(id => id !== 'prop')

const add = () =>
  act(async () => {
    const page = await take(
      api.POST('/api/v1/foods', {
        body: {
          name: props.name.slice(0, 80),
          category: line.category,
          piece_g: line.piece_g || undefined,
          pack_g: line.pack_g || undefined,
          size_mm: line.size_mm || undefined,
        },
      }),
    )
    larder.forget()
    await larder.read()
    emit('added', page.food.id)
  })
</script>

<template>
  <form class="card add" @submit.prevent="add">
    <b>Not there? Add “{{ name }}”</b>
    <span class="row">
      <Choose
        :options="called(kinds, shelfNames)"
        :model-value="line.category"
        label="Kind"
        style="width: 172px"
        @update:model-value="v => (line.category = v)"
      />
      <NumberField
        :model-value="line.piece_g || undefined"
        :min="0"
        label="Grams a piece"
        @update:model-value="n => (line.piece_g = n)"
        >g a piece</NumberField
      >
      <NumberField
        :model-value="line.size_mm || undefined"
        :min="0"
        label="Millimetres long"
        @update:model-value="n => (line.size_mm = n)"
        >mm long</NumberField
      >
      <NumberField
        :model-value="line.pack_g || undefined"
        :min="0"
        label="Grams a pack"
        @update:model-value="n => (line.pack_g = n)"
        >g a pack</NumberField
      >
      <button class="btn next" :disabled="busy || adding">Add it</button>
    </span>
    <span class="small soft"
      >It looks and behaves like what is nearest to it until you say more in the larder. Guests who avoid
      anything get none of it until you have read its label.</span
    >
    <span v-if="wrong" role="alert">▲ {{ wrong }}</span>
  </form>
</template>

<style scoped>
.add {
  display: grid;
  gap: 8px;
}
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 12px;
  align-items: center;
}
.row :deep(.field) {
  width: 64px;
}
</style>
