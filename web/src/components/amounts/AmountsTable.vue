<script setup lang="ts">
// Every food with what lies on the tray, what waits, what to buy and what it
// costs. A kind is made more or less of by its slider, a food by its figure.
import { computed, ref } from 'vue'
import type { Basket } from '@/api/client'
import { categoryValues } from '@/api/contract.gen'
import { useLarder } from '@/stores/larder'
import { gPerUnit, units } from '@/tray/units'
import { count, grams, money } from '@/tray/words'
import NumberField from '@/components/common/NumberField.vue'

const props = defineProps<{
  basket: Basket
  fixed: Map<string, number>
  forms: Map<string, string>
  tilt: Record<string, number>
  busy: boolean
}>()
const emit = defineEmits<{
  fix: [food: string, grams: number | undefined]
  slide: [category: string, times: number]
  tilt: [category: string, times: number | undefined]
  make: [food: string, here: boolean]
}>()
const larder = useLarder()

type Line = Basket['lines'][number]
/** The foods by kind, always in the same order: a basket goes by its trays, whose order changes under a moving slider. */
const categories = computed(() =>
  categoryValues
    .map(c => [c, props.basket.lines.filter(l => l.category === c).sort(byName)] as const)
    .filter(([, lines]) => lines.length),
)
const byName = (a: Line, b: Line) => a.name.localeCompare(b.name)
/** The packs of several foods that hold one. */
const holding = (id: string) => (props.basket.mixed ?? []).filter(m => m.holds.some(h => h.food === id))
const sum = (lines: Line[], of: (l: Line) => number) => lines.reduce((s, l) => s + of(l), 0)
/** An amount as it is typed: whole grams, or tenths of an ounce. */
const typed = (g: number) => (units.mass === 'oz' ? Math.round((g / gPerUnit()) * 10) / 10 : Math.round(g))
const times = (c: string) => props.tilt[c] ?? 1
const sliding = ref('')
const value = (e: Event) => Number((e.target as HTMLInputElement).value)
const told = ref('') // the food whose sums are shown
</script>

<template>
  <div class="card sheet" tabindex="0" role="region" aria-label="Amounts of each food">
    <table>
      <thead>
        <tr>
          <th scope="col" colspan="2">Food</th>
          <th scope="col" class="r roomy">On the tray</th>
          <th scope="col" class="r roomy">In reserve</th>
          <th scope="col" class="fix">Altogether</th>
          <th scope="col">To buy</th>
          <th scope="col" class="r roomy">Used</th>
          <th scope="col" class="r">Basket</th>
        </tr>
      </thead>
      <tbody v-for="[category, lines] in categories" :key="category">
        <tr class="cat">
          <th scope="rowgroup" colspan="2">{{ category }}</th>
          <td class="r nums roomy">{{ grams(sum(lines, l => l.on_tray_g)) }}</td>
          <td class="r nums roomy">{{ grams(sum(lines, l => l.reserve_g)) }}</td>
          <td class="slide" colspan="2">
            <template v-if="category !== 'garnish'">
              <span class="soft small" aria-hidden="true">less</span>
              <input
                type="range"
                min="0"
                max="2"
                step="0.05"
                :value="times(category)"
                :aria-label="`More or less ${category}`"
                :aria-valuetext="`${Math.round(100 * times(category))} % of usual`"
                @input="((sliding = category), emit('slide', category, value($event)))"
                @change="((sliding = ''), emit('tilt', category, value($event)))"
              />
              <span class="soft small" aria-hidden="true">more</span>
              <button
                v-if="times(category) !== 1 && sliding !== category"
                class="btn quiet back"
                :disabled="busy"
                @click="emit('tilt', category, undefined)"
              >
                {{ Math.round(100 * times(category)) }} %, hand back<span class="only-read">
                  {{ category }}</span
                >
              </button>
            </template>
          </td>
          <td class="r nums roomy">{{ money(sum(lines, l => l.used_cost)) }}</td>
          <td class="r nums">{{ money(sum(lines, l => l.basket_cost)) }}</td>
        </tr>
        <template v-for="l in lines" :key="l.food">
          <tr>
            <td class="pic">
              <img loading="lazy" :src="larder.picture(l.food, forms.get(l.food))" alt="" />
            </td>
            <th scope="row">
              <button
                class="name"
                :aria-expanded="told === l.food"
                @click="told = told === l.food ? '' : l.food"
              >
                {{ l.name }}<span class="why" aria-hidden="true">why</span
                ><span class="only-read">, how its amount comes about</span>
              </button>
              <span class="small soft pieces">{{ l.pieces > 1 ? count(l.pieces, 'piece') : '' }}</span>
              <span v-if="l.out_of_stock" class="small gone">▲ sold out today</span>
            </th>
            <td class="r nums roomy">{{ grams(l.on_tray_g) }}</td>
            <td class="r nums roomy">{{ l.reserve_g ? grams(l.reserve_g) : '' }}</td>
            <td class="fix">
              <NumberField
                :model-value="typed(fixed.get(l.food) ?? l.on_tray_g + l.reserve_g)"
                steps="small"
                :min="0"
                :max="typed(1000000)"
                :step="units.mass === 'oz' ? 0.5 : 10"
                :disabled="busy"
                :label="`${l.name}, ${units.mass === 'oz' ? 'ounces' : 'grams'} altogether`"
                none="as advised"
                @update:model-value="n => emit('fix', l.food, Math.round(n * gPerUnit() * 10) / 10)"
                @cleared="emit('fix', l.food, undefined)"
              />
              <button
                v-if="fixed.has(l.food)"
                class="btn quiet back"
                :disabled="busy"
                @click="emit('fix', l.food, undefined)"
              >
                by hand, hand back<span class="only-read"> {{ l.name }}</span>
              </button>
            </td>
            <td class="nums">
              <template v-if="l.cupboard_g">
                {{ grams(l.cupboard_g) }} <span class="soft">here</span><br v-if="l.packs.length" />
              </template>
              {{ l.packs.map(p => `${p.count} × ${grams(p.grams)}`).join(', ') }}
              <button
                v-if="l.makeable && (l.packs.length || l.parts?.length)"
                class="btn quiet back"
                :disabled="busy"
                :title="l.parts?.map(p => `${grams(p.grams)} ${p.name}`).join(', ')"
                @click="emit('make', l.food, !l.parts?.length)"
              >
                {{ l.parts?.length ? 'made here; buy it' : 'make it here'
                }}<span class="only-read"> ({{ l.name }})</span>
              </button>
              <span v-for="m in holding(l.food)" :key="m.name" class="small soft mixed"
                >in {{ m.name.toLowerCase() }}</span
              >
            </td>
            <td class="r nums roomy">{{ money(l.used_cost) }}</td>
            <td class="r nums">{{ money(l.basket_cost) }}</td>
          </tr>
          <tr v-if="told === l.food" class="told">
            <td />
            <td colspan="7">{{ l.explanation ?? '' }}</td>
          </tr>
        </template>
      </tbody>
    </table>
  </div>
</template>

<style scoped>
.sheet {
  padding: 4px 14px 10px;
  overflow-x: auto;
}
table {
  border-collapse: collapse;
  width: 100%;
  font-size: var(--type-4);
}
th,
td {
  text-align: left;
  padding: 4px 6px;
  font-weight: 500;
  vertical-align: middle;
}
thead th {
  font-size: var(--type-3);
  color: var(--soft);
  padding: 10px 6px 6px;
  white-space: nowrap;
}
.r {
  text-align: right;
  white-space: nowrap;
}
.cat th,
.cat td {
  padding-top: 12px;
  font-weight: 650;
  border-bottom: 1.5px solid var(--line);
}
.cat th::first-letter {
  text-transform: uppercase;
}
.slide {
  white-space: nowrap;
  font-weight: 500;
}
.slide .small {
  font-weight: 500;
}
.slide input {
  width: 96px;
  height: 26px;
  margin: 0 6px;
  vertical-align: middle;
  accent-color: var(--blue);
}
.pic {
  width: 40px;
}
.pic img {
  width: 36px;
  height: 36px;
  display: block;
}
.name {
  font: inherit;
  color: inherit;
  text-align: left;
  background: none;
  border: 0;
  padding: 4px 0;
  cursor: pointer;
}
.name .why {
  color: var(--blue);
  font-size: var(--type-2);
  font-weight: 600;
  margin-left: 7px;
}
.pieces,
.gone {
  display: block;
}
.told td {
  padding: 0 6px 8px;
  color: var(--soft);
  font-size: var(--type-3);
  max-width: 60ch;
}
.fix {
  width: 128px;
}
.fix :deep(.el-input-number) {
  width: 104px;
}
.back {
  font-size: var(--type-2);
  min-height: 24px;
  padding: 0 4px;
}
@media (pointer: coarse) {
  .name,
  .slide input {
    min-height: 44px;
  }
}
.mixed {
  display: block;
}
/* on a phone what is set comes first: how much lies on the board is told on Lay */
@media (max-width: 560px) {
  .roomy {
    display: none;
  }
  .sheet {
    padding: 4px 6px 10px;
  }
}
</style>
