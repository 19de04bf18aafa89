<script setup lang="ts">
// What a food is sold in, what of it stands in the cupboard, and the sizes of its
// forms: three small tables that are saved row by row.
import { computed, ref } from 'vue'
import type { FoodPage, Lot } from '@/api/client'
import type { Spec } from '@/api/tray.gen'
import type { FoodChange } from '@/composables/foodPage'
import { formName } from '@/tray/larder'
import WrittenField from '@/components/common/WrittenField.vue'
import { coinDigits, gPerUnit, units } from '@/tray/units'
import NumberField from '@/components/common/NumberField.vue'
import Choose from '@/components/common/Choose.vue'

const props = defineProps<{ page: FoodPage }>()
const emit = defineEmits<{ change: [part: FoodChange]; stock: [next: (now: Lot[]) => Lot[]] }>()
const f = computed(() => props.page.food)
const mine = (member: string) => props.page.changed.includes(member)
const round = (v: number) => Math.round(v * 100) / 100

const inMass = (g: number) => round(g / gPerUnit())
const coin = computed(() => 10 ** coinDigits())
function pack(i: number, part: { grams?: number; price?: number }) {
  if (!Object.values(part).every(v => Number.isFinite(v) && v! > 0)) return
  emit('change', now => ({ packs: now.packs.map((p, k) => (k === i ? { ...p, ...part } : p)) }))
}
const addPack = () =>
  emit('change', now => {
    const last = now.packs.at(-1)
    return {
      packs: [
        ...now.packs,
        last ? { grams: last.grams * 2, price: last.price * 2 } : { grams: 200, price: 300 },
      ],
    }
  })
const dropPack = (i: number) => emit('change', now => ({ packs: now.packs.filter((_, k) => k !== i) }))

function lot(i: number, part: Partial<Lot>) {
  if (part.grams !== undefined && !(part.grams >= 0)) return
  emit('stock', now => now.map((l, k) => (k === i ? { ...l, ...part } : l)))
}
const addLot = () =>
  emit('stock', now => {
    const days = now.map(l => l.best_before)
    let day = props.page.lot_until
    while (days.includes(day)) day = new Date(Date.parse(day) + 864e5).toISOString().slice(0, 10)
    return [...now, { grams: f.value.packs[0]?.grams ?? 100, best_before: day }]
  })
const dropLot = (i: number) => emit('stock', now => now.filter((_, k) => k !== i))

const says = (form: string) => formName(props.page.forms.find(x => x.form === form)?.says ?? form)
function size(i: number, part: Partial<Spec>) {
  if (!Object.values(part).every(v => typeof v !== 'number' || Number.isFinite(v))) return
  emit('change', now => ({ forms: now.forms.map((s, k) => (k === i ? { ...s, ...part } : s)) }))
}
const dropForm = (i: number) => emit('change', now => ({ forms: now.forms.filter((_, k) => k !== i) }))
const another = ref('')
function addForm() {
  const begun = props.page.others.find(x => x.form === another.value)
  if (begun) emit('change', now => ({ forms: [...now.forms, begun] }))
  another.value = ''
}
// what is not eaten is bought one by one
const piecewise = computed(() => f.value.category === 'prop')
const sizes = [
  ['l', 'long'],
  ['w', 'wide'],
  ['h', 'high'],
] as const
const inLength = (mm: number) => round(mm / (units.length === 'in' ? 25.4 : 1))
const toMM = (v: number) => (units.length === 'in' ? round(v * 25.4) : v)
</script>

<template>
  <section class="goods">
    <div class="two">
      <div>
        <h2 :class="{ mine: mine('packs') }">{{ piecewise ? 'Sold by the piece' : 'Sold in packs' }}</h2>
        <table v-if="f.packs.length">
          <thead>
            <tr>
              <th scope="col">{{ piecewise ? `One weighs, ${units.mass}` : units.mass }}</th>
              <th scope="col">Price{{ units.currency ? `, ${units.currency}` : '' }}</th>
              <th><span class="only-read">Take off</span></th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="(p, i) in f.packs" :key="i">
              <td>
                <NumberField
                  :min="1"
                  :model-value="inMass(p.grams)"
                  :label="`Pack ${i + 1}, ${units.mass}`"
                  @update:model-value="n => pack(i, { grams: round(n * gPerUnit()) })"
                />
              </td>
              <td>
                <NumberField
                  :min="0"
                  :step="1 / coin"
                  :model-value="p.price / coin"
                  :digits="coinDigits()"
                  :label="`Pack ${i + 1}, price`"
                  @update:model-value="n => pack(i, { price: Math.round(n * coin) })"
                />
              </td>
              <td>
                <button type="button" class="btn quiet" @click="dropPack(i)">
                  Take off<span class="only-read"> pack {{ i + 1 }}</span>
                </button>
              </td>
            </tr>
          </tbody>
        </table>
        <p v-else class="soft small">No packs: it is brought along and costs nothing at the till.</p>
        <button type="button" class="btn quiet" @click="addPack">Add a pack</button>
      </div>
      <div>
        <h2>In the cupboard</h2>
        <table v-if="page.stock.length">
          <thead>
            <tr>
              <th scope="col">{{ units.mass }}</th>
              <th scope="col">Best before</th>
              <th><span class="only-read">Used up</span></th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="(l, i) in page.stock" :key="l.best_before">
              <td>
                <NumberField
                  :min="0"
                  :model-value="inMass(l.grams)"
                  :label="`Lot ${i + 1}, ${units.mass}`"
                  @update:model-value="n => lot(i, { grams: round(n * gPerUnit()) })"
                />
              </td>
              <td>
                <WrittenField
                  class="field"
                  type="date"
                  :value="l.best_before"
                  :aria-label="`Lot ${i + 1}, best before`"
                  @written="v => lot(i, { best_before: v })"
                />
              </td>
              <td>
                <button type="button" class="btn quiet" @click="dropLot(i)">
                  Used up<span class="only-read">, lot {{ i + 1 }}</span>
                </button>
              </td>
            </tr>
          </tbody>
        </table>
        <p v-else class="soft small">None of it at the moment.</p>
        <button type="button" class="btn quiet" @click="addLot">Put some in</button>
      </div>
    </div>
    <div>
      <h2 :class="{ mine: mine('forms') }">Sizes of one piece in each form</h2>
      <div class="wide" tabindex="0" role="region" aria-label="Sizes of one piece in each form">
        <table>
          <thead>
            <tr>
              <th scope="col">Form</th>
              <th v-for="[, name] in sizes" :key="name" scope="col">
                {{ name }}, {{ units.length === 'in' ? 'in' : 'mm' }}
              </th>
              <th scope="col">Weighs, {{ units.mass }}</th>
              <th scope="col">Hands, s</th>
              <th scope="col">Every, {{ units.length === 'in' ? 'in' : 'mm' }}</th>
              <th scope="col">A group</th>
              <th><span class="only-read">Take off</span></th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="(s, i) in f.forms" :key="s.form">
              <th scope="row">{{ says(s.form) }}</th>
              <td v-for="[k, name] in sizes" :key="k">
                <NumberField
                  :min="0"
                  :model-value="inLength(s[k])"
                  :label="`${says(s.form)}, ${name}`"
                  @update:model-value="n => size(i, { [k]: toMM(n) })"
                />
              </td>
              <td>
                <NumberField
                  :min="0"
                  :model-value="inMass(s.mass_g)"
                  :label="`${says(s.form)}, weight`"
                  @update:model-value="n => size(i, { mass_g: round(n * gPerUnit()) })"
                />
              </td>
              <td>
                <NumberField
                  :min="0"
                  :model-value="s.seconds"
                  :label="`${says(s.form)}, seconds of handwork`"
                  @update:model-value="n => size(i, { seconds: n })"
                />
              </td>
              <td>
                <NumberField
                  v-if="s.pitch"
                  :min="0"
                  :model-value="inLength(s.pitch)"
                  :label="`${says(s.form)}, line that one takes`"
                  @update:model-value="n => size(i, { pitch: toMM(n) })"
                />
              </td>
              <td>
                <NumberField
                  v-if="s.group"
                  :min="1"
                  :model-value="s.group"
                  :label="`${says(s.form)}, pieces in a group`"
                  @update:model-value="n => size(i, { group: n })"
                />
              </td>
              <td>
                <button v-if="f.forms.length > 1" type="button" class="btn quiet" @click="dropForm(i)">
                  Take off<span class="only-read">: {{ says(s.form) }}</span>
                </button>
              </td>
            </tr>
          </tbody>
        </table>
      </div>
      <div class="more">
        <Choose
          v-model="another"
          filterable
          none="Another form"
          label="Another form"
          :width="180"
          :options="page.others.map(x => x.form)"
        />
        <button type="button" class="btn" :disabled="!another" @click="addForm">Add it</button>
        <span class="soft small">It begins with what follows from the first one; set its own sizes.</span>
      </div>
    </div>
  </section>
</template>

<style scoped>
.goods {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 18px;
}
.two {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(300px, 1fr));
  gap: 18px 36px;
}
h2 {
  margin-bottom: 6px;
}
h2.mine {
  color: var(--blue);
}
h2.mine::after {
  content: ' ●';
  font-size: var(--type-1);
  vertical-align: 3px;
}
table {
  border-collapse: collapse;
  font-size: var(--type-4);
}
th {
  text-align: left;
  font-weight: 500;
  color: var(--soft);
  padding: 2px 8px 2px 0;
  font-size: var(--type-3);
  white-space: nowrap;
}
th[scope='row'] {
  color: var(--ink);
  font-size: var(--type-4);
}
td {
  padding: 2px 8px 2px 0;
}
td .field[type='date'] {
  width: 150px;
}
.wide {
  overflow-x: auto;
}
.more {
  display: flex;
  gap: 8px;
  align-items: center;
  margin-top: 8px;
  flex-wrap: wrap;
}
</style>
