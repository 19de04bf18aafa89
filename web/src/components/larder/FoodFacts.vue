<script setup lang="ts">
// What is known of a food, each fact a field that counts when it is left. What
// differs from the food as shipped is marked.
import { computed } from 'vue'
import { ElOption, ElSelect } from 'element-plus'
import 'element-plus/es/components/select/style/css'
import type { FoodPage } from '@/api/client'
import type { Food } from '@/api/tray.gen'
import type { FoodChange } from '@/composables/foodPage'
import PictureColours from '@/components/larder/PictureColours.vue'
import WrittenField from '@/components/common/WrittenField.vue'
import { allergens, dietWords, monthNames, shelfNames, signs, words } from '@/tray/larder'

const props = defineProps<{ page: FoodPage }>()
const emit = defineEmits<{ change: [part: FoodChange]; saved: [] }>()
const f = computed(() => props.page.food)
const mine = (member: string) => props.page.changed.includes(member)

function number(member: 'strength' | 'keeps_days' | 'warm_up_min' | 'carb_g', v: number) {
  if (Number.isFinite(v) && v !== f.value[member]) emit('change', { [member]: v })
}
function text(member: 'tool', v: string) {
  if (v !== (f.value[member] ?? '')) emit('change', { [member]: v })
}
const flags = [
  ['rolls', 'rolls'],
  ['smells', 'smells strongly'],
  ['stone', 'has stones'],
  ['stem', 'on the stem'],
  ['shell', 'in its shell'],
  ['casing', 'has a casing'],
  ['choking', 'can choke small children'],
  ['melts', 'melts on a hot day'],
] as const
type Handling = NonNullable<Food['handling']>[number]
const handlings: readonly [Handling, string][] = [
  ['cold', 'lives in the fridge'],
  ['perishable', 'perishes out of it'],
  ['wash', 'is washed'],
  ['drain', 'is drained'],
  ['peel', 'is peeled'],
  ['stone', 'is stoned'],
  ['browns', 'browns when cut'],
  ['dries', 'dries when cut'],
  ['softens', 'goes soft'],
  ['wilts', 'wilts'],
]
/** Ticks or unticks a word; with none left it goes from its pack to the board. */
function handled(word: Handling, on: boolean) {
  emit('change', now => {
    const rest = (now.handling ?? []).filter(w => w !== word && w !== 'ready')
    const next = on ? [...rest, word] : rest
    return { handling: next.length ? next : ['ready' as const] }
  })
}
function month(m: number) {
  emit('change', now => ({
    season: now.season.includes(m)
      ? now.season.filter(x => x !== m)
      : [...now.season, m].sort((a, b) => a - b),
  }))
}
const isCheese = computed(() => f.value.category === 'cheese')
</script>

<template>
  <section class="facts-of" aria-label="What is known of it">
    <p v-if="f.caution" class="caution">▲ {{ f.caution }}</p>
    <div class="grid">
      <span :class="{ mine: mine('category') }">Shelf</span>
      <ElSelect
        :persistent="false"
        :model-value="f.category"
        aria-label="Shelf"
        @update:model-value="(v: Food['category']) => emit('change', { category: v })"
      >
        <ElOption v-for="(name, id) in shelfNames" :key="id" :value="id" :label="name" />
      </ElSelect>

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
        <ElSelect
          :persistent="false"
          :model-value="f.texture"
          aria-label="Texture"
          @update:model-value="(v: Food['texture']) => emit('change', { texture: v })"
        >
          <ElOption v-for="w in words.texture" :key="w" :value="w" :label="w" />
        </ElSelect>
        <ElSelect
          :persistent="false"
          :model-value="f.wetness"
          aria-label="Wetness"
          @update:model-value="(v: Food['wetness']) => emit('change', { wetness: v })"
        >
          <ElOption v-for="w in words.wetness" :key="w" :value="w" :label="w" />
        </ElSelect>
      </div>

      <span :class="{ mine: mine('flavours') }">Flavours</span>
      <ElSelect
        :persistent="false"
        :model-value="f.flavours"
        multiple
        aria-label="Flavours"
        @update:model-value="(v: Food['flavours']) => v.length && emit('change', { flavours: v })"
      >
        <ElOption v-for="w in words.flavours" :key="w" :value="w" :label="w" />
      </ElSelect>

      <template v-if="isCheese">
        <span :class="{ mine: mine('firmness') || mine('milk') }">Cheese</span>
        <div class="pair">
          <ElSelect
            :persistent="false"
            :model-value="f.firmness"
            aria-label="Firmness"
            @update:model-value="(v: Food['firmness']) => emit('change', { firmness: v })"
          >
            <ElOption v-for="w in words.firmness" :key="w" :value="w" :label="w" />
          </ElSelect>
          <ElSelect
            :persistent="false"
            :model-value="f.milk"
            aria-label="Milk"
            @update:model-value="(v: Food['milk']) => emit('change', { milk: v })"
          >
            <ElOption v-for="w in words.milk" :key="w" :value="w" :label="w === 'plant' ? 'no milk' : w" />
          </ElSelect>
        </div>

        <span :class="{ mine: mine('set_with') }">Set with</span>
        <ElSelect
          :persistent="false"
          :model-value="f.set_with || 'rennet'"
          aria-label="What it is set with"
          :disabled="f.milk === 'plant'"
          @update:model-value="(v: Food['set_with']) => emit('change', { set_with: v })"
        >
          <ElOption
            v-for="w in words.set_with"
            :key="w"
            :value="w"
            :label="w === 'rennet' ? 'animal rennet' : w === 'microbial' ? 'microbial rennet' : w"
          />
        </ElSelect>

        <span :class="{ mine: mine('rind') }">Rind</span>
        <ElSelect
          :persistent="false"
          :model-value="f.rind || 'none'"
          aria-label="Rind"
          @update:model-value="(v: Food['rind']) => emit('change', { rind: v })"
        >
          <ElOption
            v-for="w in words.rind"
            :key="w"
            :value="w"
            :label="w === 'none' ? 'no rind' : `${w} rind`"
          />
        </ElSelect>
      </template>

      <span :class="{ mine: mine('strength') || mine('liking') }">Taste</span>
      <div class="pair">
        <label class="unit"
          ><WrittenField
            class="field"
            type="number"
            min="1"
            max="5"
            :value="f.strength"
            @written="(_, n) => number('strength', n)"
          />
          strong, of 5</label
        >
        <label class="unit"
          ><WrittenField
            class="field"
            type="number"
            min="0"
            max="100"
            step="5"
            :value="Math.round(f.liking * 100)"
            @written="(_, n) => Number.isFinite(n) && emit('change', { liking: n / 100 })"
          />
          of 100 take some</label
        >
      </div>

      <span :class="{ mine: mine('allergens') }">Allergens</span>
      <ElSelect
        :persistent="false"
        :model-value="f.allergens"
        multiple
        placeholder="none known"
        aria-label="Allergens"
        @update:model-value="(v: Food['allergens']) => emit('change', { allergens: v })"
      >
        <ElOption v-for="w in allergens" :key="w" :value="w" :label="w" />
      </ElSelect>
      <span :class="{ mine: mine('may_contain') }">May contain</span>
      <ElSelect
        :persistent="false"
        :model-value="f.may_contain ?? []"
        multiple
        placeholder="none known"
        aria-label="May contain"
        @update:model-value="
          (v: Food['may_contain']) => emit('change', { may_contain: v?.length ? v : undefined })
        "
      >
        <ElOption v-for="w in allergens" :key="w" :value="w" :label="w" />
      </ElSelect>

      <span :class="{ mine: mine('diet') }">Holds</span>
      <ElSelect
        :persistent="false"
        :model-value="f.diet"
        multiple
        placeholder="nothing animal"
        aria-label="Holds"
        @update:model-value="(v: Food['diet']) => emit('change', { diet: v })"
      >
        <ElOption v-for="w in dietWords" :key="w" :value="w" :label="w" />
      </ElSelect>

      <span :class="{ mine: mine('carb_g') }">Starch, sugar</span>
      <label class="unit"
        ><WrittenField
          class="field"
          type="number"
          min="0"
          max="100"
          :value="f.carb_g ?? 0"
          @written="(_, n) => number('carb_g', n)"
        />
        g of carbohydrate in 100 g</label
      >

      <span></span>
      <p class="small soft">
        {{ page.diets.join(' · ') }}{{ page.diets.length ? ', as far as is known. ' : '' }}The label of your
        own pack decides.
      </p>

      <span :class="{ mine: mine('season') || mine('all_year') }">At its best</span>
      <div>
        <div class="months" role="group" aria-label="Months at its best, north">
          <button
            v-for="(name, i) in monthNames"
            :key="name"
            type="button"
            :aria-pressed="f.season.includes(i + 1)"
            :aria-label="name"
            :title="name"
            @click="month(i + 1)"
          >
            {{ name[0] }}
          </button>
        </div>
        <p class="small soft">
          {{
            f.season.length
              ? `in the north; in the south ${page.months_south.map(m => monthNames[m - 1]).join(', ')}`
              : 'alike all year'
          }}
        </p>
        <label v-if="f.season.length" class="small year">
          <input
            type="checkbox"
            :checked="!!f.all_year"
            @change="emit('change', { all_year: ($event.target as HTMLInputElement).checked || undefined })"
          />
          in the shops all year, at its best in these months
        </label>
      </div>

      <span :class="{ mine: flags.some(([m]) => mine(m)) }">Signs</span>
      <div class="flags">
        <label v-for="[member, says] in flags" :key="member">
          <input
            type="checkbox"
            :checked="!!f[member]"
            @change="emit('change', { [member]: ($event.target as HTMLInputElement).checked })"
          />
          {{ says }}
        </label>
      </div>

      <span :class="{ mine: mine('keeps_days') || mine('warm_up_min') }">Keeping</span>
      <div class="pair">
        <label class="unit"
          ><WrittenField
            class="field"
            type="number"
            min="1"
            :value="f.keeps_days"
            @written="(_, n) => number('keeps_days', n)"
          />
          days once opened</label
        >
        <label class="unit"
          ><WrittenField
            class="field"
            type="number"
            min="0"
            max="240"
            :value="f.warm_up_min"
            @written="(_, n) => number('warm_up_min', n)"
          />
          min to warm up</label
        >
      </div>

      <span :class="{ mine: mine('handling') }">Handling</span>
      <div class="flags">
        <label v-for="[word, says] in handlings" :key="word">
          <input
            type="checkbox"
            :checked="f.handling?.includes(word)"
            @change="handled(word, ($event.target as HTMLInputElement).checked)"
          />
          {{ says }}
        </label>
      </div>

      <span :class="{ mine: mine('tool') }">Tool</span>
      <WrittenField
        class="field"
        :value="f.tool"
        placeholder="none"
        aria-label="Tool"
        maxlength="60"
        @written="v => text('tool', v)"
      />

      <span :class="{ mine: mine('region') }">Landscape</span>
      <ElSelect
        :persistent="false"
        :model-value="f.region"
        aria-label="Landscape"
        @update:model-value="(v: Food['region']) => emit('change', { region: v })"
      >
        <ElOption v-for="w in words.region" :key="w" :value="w" :label="w" />
      </ElSelect>
    </div>
    <p class="only-read">{{ signs(f).join(', ') }}</p>
  </section>
</template>

<style scoped>
.year {
  display: flex;
  gap: 6px;
  align-items: center;
  min-height: 30px;
}
.grid {
  display: grid;
  grid-template-columns: 88px minmax(0, 1fr);
  gap: 7px 10px;
  align-items: center;
}
.grid > span {
  color: var(--soft);
  font-size: 0.9rem;
}
.grid > span.mine {
  color: var(--blue);
  font-weight: 650;
}
.grid > span.mine::after {
  content: ' ●';
  font-size: 0.6rem;
  vertical-align: 2px;
}
.pair {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 8px;
}
.unit,
.tint {
  display: flex;
  align-items: center;
  gap: 7px;
  font-size: 0.86rem;
  line-height: 1.15;
}
.unit .field {
  width: 62px;
  flex: none;
}
.tint input {
  width: 46px;
  height: 34px;
  padding: 2px;
  border: 1.5px solid var(--line-strong);
  border-radius: 7px;
  background: #fff;
  cursor: pointer;
}
.months {
  display: grid;
  grid-template-columns: repeat(12, 1fr);
  gap: 2px;
}
.months button {
  font: 600 0.8rem/1 var(--text);
  color: var(--soft);
  background: var(--linen);
  border: 1px solid var(--line);
  border-radius: 5px;
  height: 30px;
  padding: 0;
  cursor: pointer;
}
.months button[aria-pressed='true'] {
  background: var(--ink);
  color: #fff;
  border-color: var(--ink);
}
.flags {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 14px;
  font-size: 0.88rem;
}
.flags label {
  display: inline-flex;
  align-items: center;
  gap: 6px;
  min-height: 28px;
}
.flags input {
  width: 17px;
  height: 17px;
  accent-color: var(--blue);
}
@media (pointer: coarse) {
  .months button {
    height: 44px;
  }
  .flags label {
    min-height: 44px;
  }
}
.caution {
  border-left: 4px solid var(--ink);
  padding: 4px 0 4px 12px;
  margin-bottom: 10px;
}
</style>
