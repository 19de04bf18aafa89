<script setup lang="ts">
// The points of a set by who did it, side by side and without names.
defineProps<{ results: number[][]; mine?: boolean }>()
const mean = (r: number[]) => Math.round(r.reduce((a, b) => a + b, 0) / r.length)
</script>

<template>
  <table class="nums">
    <caption class="soft small">
      Side by side, without names{{
        mine ? '; yours is the last' : ''
      }}
    </caption>
    <tr v-for="(r, n) in results" :key="n" :class="{ mine: mine && n === results.length - 1 }">
      <td v-for="(p, k) in r" :key="k">{{ p }}</td>
      <th>{{ mean(r) }}</th>
    </tr>
  </table>
</template>

<style scoped>
table {
  border-collapse: collapse;
  justify-self: start;
}
td,
th {
  padding: 4px 14px;
  text-align: right;
  border-bottom: 1px solid var(--line);
}
.mine {
  background: var(--blue-wash);
}
</style>
