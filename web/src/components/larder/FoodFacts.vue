<script setup lang="ts">
// What is known of a food, each fact a field that counts when it is left. What
// differs from the food as shipped is marked.
import { computed } from 'vue'
import type { FoodPage } from '@/api/client'
import type { Food } from '@/api/tray.gen'
import type { FoodChange } from '@/composables/foodPage'
import PictureColours from '@/components/larder/PictureColours.vue'
import FoodMonths from '@/components/larder/FoodMonths.vue'
import NumberField from '@/components/common/NumberField.vue'
import TickedWords from '@/components/common/TickedWords.vue'
import WrittenField from '@/components/common/WrittenField.vue'
import { carbs } from '@/tray/words'
import {
  called,
  allergens,
  dietWords,
  handlings,
  shelfNames,
  signs,
  traits,
  words,
  type Handling,
} from '@/tray/larder'
import Choose from '@/components/common/Choose.vue'

const props = defineProps<{ page: FoodPage }>()
const emit = defineEmits<{ change: [part: FoodChange]; saved: [] }>()
const f = computed(() => props.page.food)
const mine = (member: string) => props.page.changed.includes(member)

function number(member: 'strength' | 'keeps_days' | 'warm_up_min' | 'carb_g', v: number) {
  emit('change', { [member]: v })
}
function text(member: 'tool', v: string) {
  if (v !== (f.value[member] ?? '')) emit('change', { [member]: v })
}
/** Ticks or unticks a word; with none left it goes from its pack to the board. */
function handled(word: Handling, on: boolean) {
  emit('change', now => {
    const rest = (now.handling ?? []).filter(w => w !== word && w !== 'ready')
    const next = on ? [...rest, word] : rest
    return { handling: next.length ? next : ['ready' as const] }
  })
}
const shelfIds = Object.keys(shelfNames) as Food['category'][]
const rinds = Object.fromEntries(words.rind.map(w => [w, w === 'none' ? 'no rind' : `${w} rind`]))
const isCheese = computed(() => f.value.category === 'cheese')
</script>

<template>
  <section class="facts-of" aria-label="What is known of it">
    <p v-if="f.caution" class="caution">▲ {{ f.caution }}</p>
    <div class="grid">
      <span :class="{ mine: mine('category') }">Shelf</span>
      <Choose
        :options="called(shelfIds, shelfNames)"
        :model-value="f.category"
        label="Shelf"
        @update:model-value="v => emit('change', { category: v })"
      />

      <span :class="{ mine: mine('colour') || mine('cut') }">Colours</span>
      <div class="pair">
        <label class="tint"
          ><input
            type="color"
            :value="f.colour"
            @change="emit('change', { colour: ($event.target as HTMLInputElement).value })"
          />
          outside</label
        >
        <label class="tint"
          ><input
            type="color"
            :value="f.cut"
            @change="emit('change', { cut: ($event.target as HTMLInputElement).value })"
          />
          cut face</label
        >
      </div>

      <span></span>
      <PictureColours
        :food="f.id"
        :photo="page.photo"
        @outside="hex => emit('change', { colour: hex })"
        @cut="hex => emit('change', { cut: hex })"
        @saved="emit('saved')"
      />

      <span :class="{ mine: mine('texture') || mine('wetness') }">Texture</span>
      <div class="pair">
        <Choose
          :options="words.texture"
          :model-value="f.texture"
          label="Texture"
          @update:model-value="v => emit('change', { texture: v })"
        />
        <Choose
          :options="words.wetness"
          :model-value="f.wetness"
          label="Wetness"
          @update:model-value="v => emit('change', { wetness: v })"
        />
      </div>

      <span :class="{ mine: mine('flavours') }">Flavours</span>
      <Choose
        :options="words.flavours"
        :model-value="f.flavours"
        label="Flavours"
        @update:model-value="v => v.length && emit('change', { flavours: v })"
      />

      <template v-if="isCheese">
        <span :class="{ mine: mine('firmness') || mine('milk') }">Cheese</span>
        <div class="pair">
          <Choose
            :options="words.firmness"
            :model-value="f.firmness"
            label="Firmness"
            @update:model-value="v => emit('change', { firmness: v })"
          />
          <Choose
            :options="called(words.milk, { plant: 'no milk' })"
            :model-value="f.milk"
            label="Milk"
            @update:model-value="v => emit('change', { milk: v })"
          />
        </div>

        <span :class="{ mine: mine('set_with') }">Set with</span>
        <Choose
          :options="called(words.set_with, { rennet: 'animal rennet', microbial: 'microbial rennet' })"
          :model-value="f.set_with || 'rennet'"
          label="What it is set with"
          :disabled="f.milk === 'plant'"
          @update:model-value="v => emit('change', { set_with: v })"
        />

        <span :class="{ mine: mine('rind') }">Rind</span>
        <Choose
          :options="called(words.rind, rinds)"
          :model-value="f.rind || 'none'"
          label="Rind"
          @update:model-value="v => emit('change', { rind: v })"
        />
      </template>

      <span :class="{ mine: mine('strength') || mine('liking') }">Taste</span>
      <div class="pair">
        <NumberField
          :min="1"
          :max="5"
          :model-value="f.strength"
          @update:model-value="n => number('strength', n)"
          >strong, of 5</NumberField
        >
        <NumberField
          :min="0"
          :max="100"
          :step="5"
          :model-value="Math.round(f.liking * 100)"
          @update:model-value="n => emit('change', { liking: n / 100 })"
          >of 100 take some</NumberField
        >
      </div>

      <span :class="{ mine: mine('allergens') }">Allergens</span>
      <Choose
        :options="allergens"
        :model-value="f.allergens"
        label="Allergens"
        none="none known"
        @update:model-value="v => emit('change', { allergens: v })"
      />
      <span :class="{ mine: mine('may_contain') }">May contain</span>
      <Choose
        :options="allergens"
        :model-value="f.may_contain ?? []"
        label="May contain"
        none="none known"
        @update:model-value="v => emit('change', { may_contain: v?.length ? v : undefined })"
      />

      <span :class="{ mine: mine('diet') }">Holds</span>
      <Choose
        :options="dietWords"
        :model-value="f.diet"
        label="Holds"
        none="nothing animal"
        @update:model-value="v => emit('change', { diet: v })"
      />

      <span :class="{ mine: mine('carb_g') }">Starch, sugar</span>
      <NumberField
        :min="0"
        :max="100"
        :model-value="f.carb_g ?? 0"
        @update:model-value="n => number('carb_g', n)"
        >g of carbohydrate in 100 g; {{ carbs(page.carb_serving_g) }}</NumberField
      >

      <span></span>
      <p class="small soft">
        {{ page.diets.join(' · ') }}{{ page.diets.length ? ', as far as is known. ' : '' }}The label of your
        own pack decides.
      </p>

      <span :class="{ mine: mine('season') || mine('all_year') }">At its best</span>
      <FoodMonths :food="f" :south="page.months_south" @change="part => emit('change', part)" />

      <span :class="{ mine: traits.some(([m]) => mine(m)) }">Signs</span>
      <TickedWords :words="traits" :holds="m => !!f[m]" @ticked="(m, on) => emit('change', { [m]: on })" />

      <span :class="{ mine: mine('keeps_days') || mine('warm_up_min') }">Keeping</span>
      <div class="pair">
        <NumberField :min="1" :model-value="f.keeps_days" @update:model-value="n => number('keeps_days', n)"
          >days once opened</NumberField
        >
        <NumberField
          :min="0"
          :max="240"
          :model-value="f.warm_up_min"
          @update:model-value="n => number('warm_up_min', n)"
          >min to warm up</NumberField
        >
      </div>

      <span :class="{ mine: mine('handling') }">Handling</span>
      <TickedWords :words="handlings" :holds="w => !!f.handling?.includes(w)" @ticked="handled" />

      <span :class="{ mine: mine('tool') }">Tool</span>
      <WrittenField
        class="field"
        :value="f.tool"
        placeholder="none"
        aria-label="Tool"
        maxlength="60"
        @written="v => text('tool', v)"
      />

      <span :class="{ mine: mine('region') }">Region</span>
      <Choose
        :options="words.region"
        :model-value="f.region"
        label="Region"
        @update:model-value="v => emit('change', { region: v })"
      />
    </div>
    <p class="only-read">{{ signs(f).join(', ') }}</p>
  </section>
</template>

<style scoped>
.grid {
  display: grid;
  grid-template-columns: 88px minmax(0, 1fr);
  gap: 8px 10px;
  align-items: center;
}
.grid > span {
  color: var(--soft);
  font-size: var(--type-4);
}
.grid > span.mine {
  color: var(--blue);
  font-weight: 650;
}
.grid > span.mine::after {
  content: ' ●';
  font-size: var(--type-1);
  vertical-align: 2px;
}
.pair {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 8px;
}
.tint {
  display: flex;
  align-items: center;
  gap: 8px;
  font-size: var(--type-3);
  line-height: 1.15;
}
.tint input {
  width: 46px;
  height: 34px;
  padding: 2px;
  border: 1.5px solid var(--line-strong);
  border-radius: var(--radius-m);
  background: var(--white);
  cursor: pointer;
}
.caution {
  border-left: 4px solid var(--ink);
  padding: 4px 0 4px 12px;
  margin-bottom: 10px;
}
</style>
