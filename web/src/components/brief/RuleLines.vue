<script setup lang="ts">
// The house's way of doing it, for this job.
import { computed } from 'vue'
import { categoryValues } from '@/api/contract.gen'
import type { Brief, Rules } from '@/api/tray.gen'
import WrittenField from '@/components/common/WrittenField.vue'
import { useLarder } from '@/stores/larder'
import { listed, named } from '@/tray/listed'
import Either from './Either.vue'
import Choose from '@/components/common/Choose.vue'
import NumberField from '@/components/common/NumberField.vue'

const props = defineProps<{ brief: Brief }>()
const emit = defineEmits<{ set: [change: Partial<Brief>, planned?: boolean] }>()
const larder = useLarder()
const rules = computed<Rules>(() => props.brief.rules ?? {})
const eats = computed(() => named(rules.value.eats, larder.name))

/** Every rule with its choices; the first is the craft's default and is not written down. */
const all: {
  rule: keyof Rules
  before: string
  label: string
  width: number
  options: [string, string][]
  day?: boolean // of the work, not of what is on the board: nothing is planned anew for it
}[] = [
  {
    rule: 'crackers',
    before: 'Crackers',
    label: 'Crackers',
    width: 206,
    options: [
      ['some', 'a few on, the rest beside'],
      ['on', 'all on the board'],
      ['beside', 'all beside the board'],
    ],
  },
  {
    rule: 'greenery',
    before: ', greenery',
    label: 'Greenery',
    width: 116,
    options: [
      ['sparing', 'sparingly'],
      ['generous', 'generously'],
      ['none', 'none'],
    ],
  },
  {
    rule: 'showpiece',
    before: ', a hollowed squash or melon with a dip',
    label: 'Showpiece',
    width: 150,
    options: [
      ['suits', 'where it suits'],
      ['always', 'always'],
      ['none', 'never'],
    ],
  },
  {
    rule: 'symmetry',
    before: ', laid',
    label: 'Symmetry',
    width: 114,
    options: [
      ['free', 'freely'],
      ['mirrored', 'mirrored'],
    ],
  },
  {
    rule: 'tasting',
    before: ', mild to strong',
    label: 'Tasting order',
    width: 190,
    options: [
      ['none', 'nothing in particular'],
      ['cheese', 'the cheeses'],
      ['meat', 'the meats'],
      ['both', 'cheeses and meats'],
    ],
  },
  {
    rule: 'soft_round',
    before: '. A soft round',
    label: 'Soft rounds',
    width: 208,
    options: [
      ['cut', 'cut, kept in its round'],
      ['whole', 'left whole with a knife'],
    ],
  },
  {
    rule: 'hard_cheese',
    before: ', hard cheese',
    label: 'Hard cheese',
    width: 166,
    options: [
      ['', 'as each is best'],
      ['cut', 'cut where it can be'],
      ['broken', 'in rough lumps'],
      ['begun', 'as a wedge begun'],
    ],
  },
  {
    rule: 'rinds',
    before: ', rinds that nobody eats',
    label: 'Rinds',
    width: 120,
    options: [
      ['off', 'cut off'],
      ['on', 'left on'],
    ],
  },
  {
    rule: 'first_slice',
    before: ', a whole cheese',
    label: 'Whole cheese',
    width: 196,
    options: [
      ['cut', 'begun with a slice'],
      ['left', 'left for guests to begin'],
    ],
  },
  {
    rule: 'begin',
    before: '. Laying begins with',
    label: 'Laying begins with',
    width: 186,
    options: [
      ['bowls', 'the bowls'],
      ['cheese', 'the cheese'],
      ['meat', 'the meat'],
      ['marked', 'marking everything out'],
    ],
  },
  {
    rule: 'bowls',
    before: '. Bowls:',
    label: 'Bowls',
    width: 198,
    options: [
      ['usual', 'as the board has room'],
      ['few', 'few'],
      ['many', 'many'],
    ],
  },
  {
    rule: 'heat',
    before: '. For the board',
    label: 'Heat',
    width: 178,
    options: [
      ['none', 'nothing is heated'],
      ['toast', 'bread is toasted'],
      ['all', 'whatever wants it is cooked'],
    ],
  },
  {
    rule: 'pregnant',
    before: '. What pregnant guests are advised against',
    label: 'Pregnant guests',
    width: 208,
    options: [
      ['apart', 'lies apart'],
      ['off', 'stays off the board'],
    ],
  },
  {
    rule: 'olives',
    before: '. Olives',
    label: 'Olives',
    width: 128,
    options: [
      ['pitted', 'pitted'],
      ['stones', 'with stones'],
    ],
  },
  {
    rule: 'grapes',
    before: ', grapes',
    label: 'Grapes',
    width: 142,
    options: [
      ['clusters', 'on the stem'],
      ['plucked', 'plucked'],
    ],
  },
  {
    rule: 'gaps',
    before: ', gaps',
    label: 'Gaps',
    width: 178,
    options: [
      ['closed', 'closed completely'],
      ['airy', 'with a little air'],
    ],
  },
  {
    rule: 'ready',
    before: '. A board is laid',
    label: 'By when a board is laid',
    width: 236,
    day: true,
    options: [
      ['usual', 'a quarter of an hour before'],
      ['hours', 'two and a half hours before'],
      ['morning', 'that morning, by ten'],
      ['evening', 'the evening before, by seven'],
    ],
  },
  {
    rule: 'hours',
    before: '; what perishes is out of the cold for',
    label: 'Hours out of the cold',
    width: 268,
    day: true,
    options: [
      ['two', 'two hours in all'],
      ['four', 'four hours in one go, then thrown away'],
      ['two-and-four', 'two hours, up to four if eaten up'],
    ],
  },
  {
    rule: 'dry_hours',
    before: ', aged hard cheese and dry sausage',
    label: 'Hours of what is dry',
    width: 180,
    day: true,
    options: [
      ['same', 'no longer'],
      ['longer', 'for up to four'],
    ],
  },
  {
    rule: 'tools',
    before: '. Tools:',
    label: 'Tools for guests',
    width: 208,
    day: true,
    options: [
      ['handful', 'a handful'],
      ['each', 'one for each food'],
    ],
  },
  {
    rule: 'gloves',
    before: '. Gloves:',
    label: 'Gloves',
    width: 208,
    day: true,
    options: [
      ['some', 'for cheese and meat'],
      ['all', 'for everything'],
      ['none', 'none, hands washed often'],
    ],
  },
  {
    rule: 'variety',
    before: '. Being like the trays before counts',
    label: 'Variety',
    width: 138,
    options: [
      ['some', 'a little'],
      ['none', 'nothing'],
      ['strong', 'a great deal'],
    ],
  },
  {
    rule: 'vegetarians',
    before: '. Who eats no meat finds theirs',
    label: 'Those who eat no meat',
    width: 250,
    options: [
      ['apart', 'apart on the same tray'],
      ['separate', 'on a tray of their own'],
      ['shapes', 'cut in the shapes of the meat'],
    ],
  },
]
/** The same with what parts it from the next, which stays with its field where the line breaks. */
const said = all.map((r, i) => ({
  ...r,
  words: r.before.replace(/^[.,;] /, ' '),
  mark: /^[.,;] /.exec(all[i + 1]?.before ?? '. ')?.[0].trim() ?? '',
}))
/** The kinds whose grams a house may have of its own. */
const kinds = categoryValues.filter(c => c !== 'garnish' && c !== 'prop')
function setEach(kind: string, grams: number | undefined) {
  const next = { ...rules.value.each_g }
  if (grams === undefined || !Number.isFinite(grams)) delete next[kind]
  else next[kind] = Math.max(0, Math.min(400, grams))
  emit('set', { rules: { ...rules.value, each_g: Object.keys(next).length ? next : undefined } })
}
function set(r: (typeof all)[number], value: string) {
  const next = value === r.options[0]![0] ? undefined : value
  emit('set', { rules: { ...rules.value, [r.rule]: next } }, !r.day)
}

/** What the craft's page calls what a rule is about. */
const about: Record<string, string> = {
  crackers: 'Wet beside crisp',
  greenery: 'Garnish',
  showpiece: 'Vessel',
  symmetry: 'Balance',
  tasting: 'Tasting order',
  soft_round: 'Begun',
  hard_cheese: 'Piece',
  rinds: 'Yield',
  first_slice: 'Begun',
  begin: 'Step',
  bowls: 'Anchor',
  heat: 'Prep',
  pregnant: 'Expecting or weak immunity',
  olives: 'Stones',
  grapes: 'Small children',
  gaps: 'Full board',
  hours: 'Hours out',
  dry_hours: 'Hours out',
  tools: 'Tool',
  gloves: 'Prep',
  variety: 'Pick',
  vegetarians: 'Allergens',
}
</script>

<template>
  <p class="line">
    <template v-for="r in said" :key="r.rule"
      >{{ r.words }}
      <span class="whole" :data-help="about[r.rule]"
        ><Either
          v-if="r.options.length === 2"
          :value="String(rules[r.rule] ?? r.options[0]![0])"
          :label="r.label"
          :options="r.options"
          @change="v => set(r, v)"
        /><Choose
          v-else
          :model-value="String(rules[r.rule] ?? r.options[0]![0])"
          :label="r.label"
          :width="r.width"
          :options="r.options"
          @update:model-value="v => set(r, v)"
        />{{ r.mark }}</span
      ></template
    >
    What is left over of
    <WrittenField
      class="in eats"
      aria-label="Foods the house eats anyway"
      :value="eats"
      maxlength="2000"
      placeholder="butter, eggs, grapes"
      @written="t => emit('set', { rules: { ...rules, eats: listed(t, rules.eats, larder.name) } })"
    />
    is eaten in the house anyway.
  </p>
  <details class="each" :open="Object.keys(rules.each_g ?? {}).length > 0">
    <summary>Grams for a grown-up at a grazing party, where they are not the usual ones</summary>
    <p class="line">
      <label v-for="c in kinds" :key="c"
        >{{ c }}
        <NumberField
          :min="0"
          :max="400"
          :label="`Grams of ${c} for a grown-up`"
          :model-value="rules.each_g?.[c]"
          none="usual"
          @update:model-value="n => setEach(c, n)"
          @cleared="setEach(c, undefined)"
      /></label>
    </p>
  </details>
</template>

<style scoped>
.whole {
  white-space: nowrap;
}
.eats {
  font: inherit;
  line-height: 1.4;
  color: var(--ink);
  background: transparent;
  border: 0;
  border-bottom: 2px solid var(--line-strong);
  width: 220px;
  height: auto;
  min-height: 36px;
  padding: 2px 4px;
}
.each summary {
  cursor: pointer;
  color: var(--soft);
  font-size: var(--type-3);
  padding: 6px 0;
}
.each label {
  all: unset;
  display: inline-flex;
  align-items: center;
  gap: 4px;
  margin-right: 14px;
}
.eats::placeholder {
  color: var(--faint);
}
</style>
