<script setup lang="ts">
// A link as a square code for a camera.
import { computed } from 'vue'
import encodeQR from 'qr'

const props = defineProps<{ of: string }>()
const rows = computed(() => encodeQR(props.of, 'raw', { ecc: 'medium', border: 3 }))
const path = computed(() =>
  rows.value.flatMap((row, y) => row.map((dark, x) => (dark ? `M${x} ${y}h1v1h-1z` : ''))).join(''),
)
</script>

<template>
  <svg :viewBox="`0 0 ${rows.length} ${rows.length}`" role="img" aria-label="The link as a square code">
    <rect width="100%" height="100%" fill="#fff" />
    <path :d="path" fill="#22302e" shape-rendering="crispEdges" />
  </svg>
</template>
