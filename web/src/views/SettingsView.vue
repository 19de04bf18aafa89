<script setup lang="ts">
import { ElOption, ElSelect } from 'element-plus'
import 'element-plus/es/components/select/style/css'
import House from '@/components/House.vue'
import { useSettings } from '@/stores/settings'
import { area, across, grams, money, units } from '@/tray/units'

const settings = useSettings()
const currencies = [
  'EUR',
  'GBP',
  'USD',
  'CHF',
  'DKK',
  'NOK',
  'SEK',
  'PLN',
  'CZK',
  'CAD',
  'AUD',
  'NZD',
  'JPY',
  'ZAR',
]
const choices = [
  {
    key: 'length',
    says: 'Lengths',
    of: [
      ['cm', 'centimetres'],
      ['in', 'inches'],
    ],
  },
  {
    key: 'mass',
    says: 'Amounts',
    of: [
      ['g', 'grams'],
      ['oz', 'ounces and pounds'],
    ],
  },
  {
    key: 'hemisphere',
    says: 'Seasons',
    of: [
      ['north', 'north of the equator'],
      ['south', 'south of it'],
    ],
  },
] as const
</script>

<template>
  <House title="Settings">
    <p v-if="settings.wrong" class="card" role="alert">▲ {{ settings.wrong }}</p>
    <section class="card rows" aria-label="How things are shown">
      <fieldset v-for="c in choices" :key="c.key">
        <legend>{{ c.says }}</legend>
        <label v-for="[value, says] in c.of" :key="value" :class="{ on: units[c.key] === value }">
          <input
            type="radio"
            :name="c.key"
            :value="value"
            :checked="units[c.key] === value"
            @change="settings.change({ [c.key]: value })"
          />
          {{ says }}
        </label>
      </fieldset>
      <div class="row">
        <span>Money</span>
        <ElSelect
          :model-value="units.currency"
          :empty-values="[null, undefined]"
          aria-label="Money"
          style="width: 220px"
          @update:model-value="(v: string) => settings.change({ currency: v })"
        >
          <ElOption value="" label="bare figures" />
          <ElOption v-for="c in currencies" :key="c" :value="c" :label="c" />
        </ElSelect>
      </div>
    </section>
    <section class="card">
      <h2>So a tray reads</h2>
      <p class="nums">
        {{ across(620, 400) }} of walnut, {{ area(1840) }} to lay food on, {{ grams(2940) }} of it,
        {{ grams(46) }} to each guest, {{ money(6140) }} at the till.
      </p>
      <p class="soft small">
        Everything is kept in millimetres and grams, so nothing is lost by changing this to and fro. Prices
        are not converted; only the sign before them changes.
      </p>
    </section>
  </House>
</template>

<style scoped>
.rows {
  display: grid;
  gap: 4px;
}
fieldset,
.row {
  border: 0;
  margin: 0;
  padding: 8px 0;
  display: flex;
  gap: 8px;
  align-items: center;
  flex-wrap: wrap;
  border-bottom: 1px solid var(--line);
}
.row {
  border-bottom: 0;
}
legend,
.row > span {
  float: left;
  width: 130px;
  font-weight: 600;
  padding: 0;
}
label {
  border: 1.5px solid var(--line-strong);
  border-radius: var(--radius);
  min-height: 44px;
  padding: 0 16px 0 12px;
  display: inline-flex;
  align-items: center;
  gap: 8px;
  cursor: pointer;
}
label.on {
  border-color: var(--blue);
  background: var(--blue-wash);
}
input {
  accent-color: var(--blue);
  width: 18px;
  height: 18px;
}
.card {
  display: grid;
  gap: 8px;
}
</style>
