<script setup lang="ts">
// What a guest of each group finds on the trays, if all share what they may eat.
import type { Basket } from '@/api/client'
import { grams } from '@/tray/units'

defineProps<{ groups: Basket['groups'] }>()
</script>

<template>
  <section data-help="Portion">
    <h3 id="what-each-finds">What each guest finds</h3>
    <div class="card">
      <table class="small" aria-labelledby="what-each-finds">
        <thead>
          <tr>
            <th scope="col"><span class="only-read">Group</span></th>
            <th scope="col">finds</th>
            <th scope="col">usually eats</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="g in groups" :key="g.who">
            <th scope="row">
              {{ g.who }} <span class="soft nums">{{ g.count }}</span>
            </th>
            <td class="nums">{{ grams(g.finds_g) }}</td>
            <td class="nums soft">{{ grams(g.wants_g) }}</td>
          </tr>
        </tbody>
      </table>
    </div>
  </section>
</template>

<style scoped>
section {
  display: grid;
  gap: 6px;
}
.card {
  padding: 8px 14px;
}
table {
  width: 100%;
  border-collapse: collapse;
}
th {
  text-align: left;
  font-weight: 500;
  padding: 4px 0;
}
thead th,
td {
  text-align: right;
  padding-left: 10px;
}
thead th {
  color: var(--soft);
}
</style>
