<script setup lang="ts">
// What people call a food, who may eat it, and what of what is bought is left and eaten.
import { computed } from 'vue'
import type { FoodPage } from '@/api/client'
import type { Food } from '@/api/tray.gen'
import type { FoodChange } from '@/composables/foodPage'
import NumberField from '@/components/common/NumberField.vue'
import WrittenField from '@/components/common/WrittenField.vue'
import { useLarder } from '@/stores/larder'
import { advisories } from '@/tray/larder'
import Choose from '@/components/common/Choose.vue'

const props = defineProps<{ page: FoodPage }>()
const emit = defineEmits<{ change: [part: FoodChange] }>()
const larder = useLarder()
const f = computed(() => props.page.food)
const mine = (member: string) => props.page.changed.includes(member)

function also(text: string) {
  const names = text
    .split(/[,;\n]+/)
    .map(n => n.trim())
    .filter(Boolean)
  emit('change', { also: names })
}
const spec = computed(() => f.value.forms[0]!)
const percent = (share: number | undefined) => Math.round(100 * (share || 1))
/** All of it is not written down. */
const share = (n: number) => (n >= 100 ? undefined : n / 100)
function setYield(form: string, n: number) {
  emit('change', now => ({
    forms: now.forms.map(s => (s.form === form ? { ...s, yield: share(n) } : s)) as Food['forms'],
  }))
}
</script>

<template>
  <section class="names" aria-label="Names and guests">
    <p v-if="f.like" class="card like">
      ▲ Added in one line: it looks and behaves like {{ larder.name(f.like).toLowerCase() }}, and its
      allergens are not known. Read its label, set what it holds, then say so.
      <button class="btn" @click="emit('change', { like: '' })">I have read its label</button>
    </p>
    <div class="grid">
      <span :class="{ mine: mine('also') }">Also called</span>
      <WrittenField
        tag="textarea"
        class="field"
        rows="3"
        aria-label="Also called, parted by commas"
        :value="(f.also ?? []).join(', ')"
        @written="also"
      />

      <span :class="{ mine: mine('comes_as') }">Bought as</span>
      <WrittenField
        class="field"
        :value="f.comes_as ?? ''"
        placeholder="the same"
        aria-label="Bought as"
        maxlength="80"
        @written="v => emit('change', { comes_as: v })"
      />

      <span :class="{ mine: mine('advised') }">In pregnancy</span>
      <Choose
        :options="advisories"
        :model-value="f.advised ?? []"
        label="Advised against in pregnancy, because of"
        none="nothing commonly advised"
        @update:model-value="v => emit('change', { advised: v })"
      />

      <span :class="{ mine: mine('young_liking') }">Children</span>
      <NumberField
        :min="0"
        :max="100"
        :step="5"
        :model-value="f.young_liking ? Math.round(f.young_liking * 100) : undefined"
        none="by its taste"
        :width="110"
        @update:model-value="n => emit('change', { young_liking: n / 100 })"
        @cleared="emit('change', { young_liking: undefined })"
        >of 100 children take some</NumberField
      >

      <span :class="{ mine: mine('eaten') || mine('forms') }">Yield</span>
      <div class="pair">
        <NumberField
          :min="10"
          :max="100"
          :model-value="percent(spec.yield)"
          @update:model-value="n => setYield(spec.form, n)"
          >% left of what is bought</NumberField
        >
        <NumberField
          :min="10"
          :max="100"
          :model-value="percent(f.eaten)"
          @update:model-value="n => emit('change', { eaten: share(n) })"
          >% of it eaten</NumberField
        >
      </div>
    </div>
  </section>
</template>

<style scoped>
.grid {
  display: grid;
  grid-template-columns: 88px minmax(0, 1fr);
  gap: 8px 10px;
  align-items: center;
  margin-bottom: 8px;
}
.grid > span {
  color: var(--soft);
  font-size: var(--type-4);
}
.grid > span.mine {
  color: var(--blue);
  font-weight: 650;
}
.pair {
  display: grid;
  gap: 6px;
}
.like {
  display: grid;
  gap: 8px;
  justify-items: start;
}
</style>
