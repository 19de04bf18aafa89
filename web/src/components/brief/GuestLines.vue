<script setup lang="ts">
// Who comes, when, for what, and what it may cost.
import { computed } from 'vue'
import { ElInputNumber } from 'element-plus'
import 'element-plus/es/components/input-number/style/css'
import type { Brief } from '@/api/tray.gen'
import { coinDigits, units } from '@/tray/units'
import { time } from '@/tray/words'
import Choose from './Choose.vue'
import DayTime from '@/components/common/DayTime.vue'
import WrittenField from '@/components/common/WrittenField.vue'

const props = defineProps<{ brief: Brief }>()
const emit = defineEmits<{ set: [change: Partial<Brief>, planned?: boolean] }>()

const set = (change: Partial<Brief>, planned = true) => emit('set', change, planned)
const g = computed(() => props.brief.guests)
const setGuests = (change: Partial<Brief['guests']>) => {
  const next = { ...g.value, ...change }
  const adults = next.adults ?? 0
  next.light = Math.min(next.light ?? 0, adults) || undefined
  next.hearty = Math.min(next.hearty ?? 0, adults - (next.light ?? 0)) || undefined
  next.infants = Math.min(next.infants ?? 0, next.children ?? 0) || undefined
  next.pregnant_or_frail = Math.min(next.pregnant_or_frail ?? 0, adults + (next.children ?? 0)) || undefined
  set({ guests: next })
}

// money is typed in the larger coin
const coin = computed(() => 10 ** coinDigits())
const each = computed(() => !props.brief.budget && !!props.brief.budget_per_guest)
const may = computed(() => (props.brief.budget || props.brief.budget_per_guest || 0) / coin.value)
function setBudget(amount: number, perGuest: boolean) {
  const minor = Math.round(amount * coin.value) || undefined
  set(
    perGuest
      ? { budget: undefined, budget_per_guest: minor }
      : { budget: minor, budget_per_guest: undefined },
  )
}
const weekday = computed(() => time(props.brief.serve_at)?.toLocaleDateString('en-GB', { weekday: 'long' }))
const degrees = computed(() => props.brief.temperature_c ?? 20)
</script>

<template>
  <p class="line">
    For
    <WrittenField
      class="in"
      style="width: 230px"
      aria-label="Who asks for it"
      :value="brief.host"
      maxlength="160"
      placeholder="who asks for it"
      @written="host => set({ host }, false)"
    />, with
    <ElInputNumber
      :model-value="g.adults ?? 0"
      :min="0"
      :max="2000"
      aria-label="Adults"
      class="num"
      @change="n => setGuests({ adults: n ?? 0 })"
    />
    adults and
    <ElInputNumber
      :model-value="g.children ?? 0"
      :min="0"
      :max="2000"
      aria-label="Children"
      class="num"
      @change="n => setGuests({ children: n ?? 0 })"
    />
    children. Of the adults
    <ElInputNumber
      :model-value="g.light ?? 0"
      :min="0"
      :max="g.adults ?? 0"
      aria-label="Light eaters"
      class="num"
      @change="n => setGuests({ light: n ?? 0 })"
    />
    eat little and
    <ElInputNumber
      :model-value="g.hearty ?? 0"
      :min="0"
      :max="Math.max(0, (g.adults ?? 0) - (g.light ?? 0))"
      aria-label="Hearty eaters"
      class="num"
      @change="n => setGuests({ hearty: n ?? 0 })"
    />
    a lot.
    <template v-if="g.children">
      Of the children
      <ElInputNumber
        :model-value="g.infants ?? 0"
        :min="0"
        :max="g.children"
        aria-label="Infants"
        class="num"
        @change="n => setGuests({ infants: n || undefined })"
      />
      are under one year.
    </template>
    Of all guests
    <ElInputNumber
      :model-value="g.pregnant_or_frail ?? 0"
      :min="0"
      :max="(g.adults ?? 0) + (g.children ?? 0)"
      aria-label="Pregnant or of weak health"
      class="num"
      @change="n => setGuests({ pregnant_or_frail: n || undefined })"
    />
    {{ g.pregnant_or_frail === 1 ? 'is' : 'are' }} pregnant or of weak health.
  </p>
  <p class="line">
    They come for
    <Choose
      :value="brief.occasion ?? 'nibble'"
      label="Occasion"
      :width="176"
      :options="[
        ['nibble', 'nibbles'],
        ['grazing', 'party grazing'],
        ['meal', 'this as a meal'],
      ]"
      @change="v => set({ occasion: v as Brief['occasion'] })"
    />
    and stay
    <Choose
      :value="String(brief.lasts_minutes ?? 0)"
      label="How long they graze"
      :width="166"
      :options="[
        ['0', 'as long as usual'],
        ['30', 'half an hour'],
        ['60', 'an hour'],
        ['90', 'an hour and a half'],
        ['120', 'two hours'],
        ['180', 'three hours'],
        ['240', 'four hours'],
        ['360', 'six hours'],
      ]"
      @change="v => set({ lasts_minutes: Number(v) || undefined })"
    />, with
    <span class="whole"
      ><Choose
        :value="brief.besides ?? 'nothing'"
        label="What else is served"
        :width="186"
        :options="[
          ['nothing', 'nothing else to eat'],
          ['some', 'some dishes besides'],
          ['plenty', 'plenty besides'],
        ]"
        @change="v => set({ besides: v === 'nothing' ? undefined : (v as Brief['besides']) })"
      />.</span
    >
  </p>
  <p class="line">
    It is on
    <DayTime
      label="Serving day and time"
      :value="brief.serve_at"
      @written="serve_at => set({ serve_at })"
    /><template v-if="weekday">, a {{ weekday }},</template>
    at
    <WrittenField
      class="in"
      style="width: 190px"
      aria-label="Place"
      :value="brief.place"
      maxlength="160"
      placeholder="where"
      @written="place => set({ place }, false)"
    />, at about
    <span class="whole"
      ><ElInputNumber
        :model-value="degrees"
        :min="-30"
        :max="50"
        aria-label="Degrees Celsius there"
        class="num"
        @change="n => set({ temperature_c: n === 20 || n === undefined ? undefined : n })"
      />
      °C.</span
    >
  </p>
  <p class="line">
    On the tray comes
    <Choose
      :value="brief.course ?? 'both'"
      label="Sweet or savoury"
      :width="208"
      :options="[
        ['both', 'savoury and a little sweet'],
        ['savoury', 'only savoury'],
        ['sweet', 'a dessert'],
      ]"
      @change="v => set({ course: v === 'both' ? undefined : (v as Brief['course']) })"
    />, and it may cost
    <ElInputNumber
      :model-value="may || undefined"
      :min="0"
      :max="10000000"
      :precision="may % 1 ? coinDigits() : 0"
      :controls="false"
      :placeholder="'anything'"
      :aria-label="`Budget${units.currency ? ' in ' + units.currency : ''}`"
      class="sum"
      @change="n => setBudget(n ?? 0, each)"
    />
    <span class="whole"
      ><Choose
        :value="each ? 'each' : 'all'"
        label="Budget in all or for each guest"
        :width="140"
        :options="[
          ['all', 'in all'],
          ['each', 'for each guest'],
        ]"
        @change="v => setBudget(may, v === 'each')"
      />.</span
    >
    The handwork may take
    <ElInputNumber
      :model-value="brief.minutes_at_most || undefined"
      :min="0"
      :max="6000"
      :controls="false"
      placeholder="as long as it takes"
      aria-label="Minutes of handwork at most"
      class="work"
      @change="n => set({ minutes_at_most: n || undefined })"
    />
    minutes.
  </p>
</template>

<style scoped>
.work {
  width: 150px;
}
.whole {
  white-space: nowrap;
}
</style>
