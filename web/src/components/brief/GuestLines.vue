<script setup lang="ts">
// Who comes, when, for what, and what it may cost.
import { computed } from 'vue'
import type { Brief } from '@/api/tray.gen'
import { coinDigits, units } from '@/tray/units'
import { time } from '@/tray/words'
import DayTime from '@/components/common/DayTime.vue'
import WrittenField from '@/components/common/WrittenField.vue'
import Choose from '@/components/common/Choose.vue'
import NumberField from '@/components/common/NumberField.vue'

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
    <NumberField
      :model-value="g.adults ?? 0"
      steps
      :min="0"
      :max="2000"
      label="Adults"
      :width="104"
      @update:model-value="n => setGuests({ adults: n })"
    />
    adults and
    <NumberField
      :model-value="g.children ?? 0"
      steps
      :min="0"
      :max="2000"
      label="Children"
      :width="104"
      @update:model-value="n => setGuests({ children: n })"
    />
    children. Of the adults
    <NumberField
      :model-value="g.light ?? 0"
      steps
      :min="0"
      :max="g.adults ?? 0"
      label="Light eaters"
      :width="104"
      @update:model-value="n => setGuests({ light: n })"
    />
    eat little and
    <NumberField
      :model-value="g.hearty ?? 0"
      steps
      :min="0"
      :max="Math.max(0, (g.adults ?? 0) - (g.light ?? 0))"
      label="Hearty eaters"
      :width="104"
      @update:model-value="n => setGuests({ hearty: n })"
    />
    a lot.
    <template v-if="g.children">
      Of the children
      <NumberField
        :model-value="g.infants ?? 0"
        steps
        :min="0"
        :max="g.children"
        label="Infants"
        :width="104"
        @update:model-value="n => setGuests({ infants: n || undefined })"
      />
      are under one year.
    </template>
    Of all guests
    <NumberField
      :model-value="g.pregnant_or_frail ?? 0"
      steps
      :min="0"
      :max="(g.adults ?? 0) + (g.children ?? 0)"
      label="Pregnant or of weak health"
      :width="104"
      @update:model-value="n => setGuests({ pregnant_or_frail: n || undefined })"
    />
    {{ g.pregnant_or_frail === 1 ? 'is' : 'are' }} pregnant or of weak health.
  </p>
  <p class="line">
    They come for
    <Choose
      :model-value="brief.occasion ?? 'nibble'"
      label="Occasion"
      :width="176"
      :options="[
        ['nibble', 'nibbles'],
        ['grazing', 'party grazing'],
        ['meal', 'this as a meal'],
      ]"
      @update:model-value="v => set({ occasion: v as Brief['occasion'] })"
    />
    and stay
    <Choose
      :model-value="String(brief.lasts_minutes ?? 0)"
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
      @update:model-value="v => set({ lasts_minutes: Number(v) || undefined })"
    />, with
    <span class="whole"
      ><Choose
        :model-value="brief.besides ?? 'nothing'"
        label="What else is served"
        :width="186"
        :options="[
          ['nothing', 'nothing else to eat'],
          ['some', 'some dishes besides'],
          ['plenty', 'plenty besides'],
        ]"
        @update:model-value="v => set({ besides: v === 'nothing' ? undefined : (v as Brief['besides']) })"
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
      ><NumberField
        :model-value="degrees"
        steps
        :min="-30"
        :max="50"
        label="Degrees Celsius there"
        :width="104"
        @update:model-value="n => set({ temperature_c: n === 20 ? undefined : n })"
      />
      °C.</span
    >
  </p>
  <p class="line">
    On the tray comes
    <Choose
      :model-value="brief.course ?? 'both'"
      label="Sweet or savoury"
      :width="208"
      :options="[
        ['both', 'savoury and a little sweet'],
        ['savoury', 'only savoury'],
        ['sweet', 'a dessert'],
      ]"
      @update:model-value="v => set({ course: v === 'both' ? undefined : (v as Brief['course']) })"
    />, and it may cost
    <NumberField
      :model-value="may || undefined"
      :min="0"
      :max="10000000"
      :digits="may % 1 ? coinDigits() : 0"
      none="anything"
      :label="`Budget${units.currency ? ' in ' + units.currency : ''}`"
      :width="96"
      @update:model-value="n => setBudget(n, each)"
      @cleared="setBudget(0, each)"
    />
    <span class="whole"
      ><Choose
        :model-value="each ? 'each' : 'all'"
        label="Budget in all or for each guest"
        :width="140"
        :options="[
          ['all', 'in all'],
          ['each', 'for each guest'],
        ]"
        @update:model-value="v => setBudget(may, v === 'each')"
      />.</span
    >
    The handwork may take
    <NumberField
      :model-value="brief.minutes_at_most || undefined"
      :min="0"
      :max="6000"
      none="as long as it takes"
      label="Minutes of handwork at most"
      :width="150"
      @update:model-value="n => set({ minutes_at_most: n || undefined })"
      @cleared="set({ minutes_at_most: undefined })"
    />
    minutes.
  </p>
</template>

<style scoped>
.whole {
  white-space: nowrap;
}
</style>
