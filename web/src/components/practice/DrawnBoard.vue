<script setup lang="ts">
// A board as it is drawn, to look at.
import type { TrayFile } from '@/api/tray.gen'
import { useDrawn } from '@/composables/drawn'

const props = defineProps<{ tray: TrayFile }>()
const { src } = useDrawn(() => props.tray)
</script>

<template>
  <img v-if="src" class="board" :src="src" alt="" />
  <div v-else class="board" />
</template>

<style scoped>
.board {
  display: block;
  width: 100%;
  max-height: 44vh;
  min-height: 180px;
  object-fit: contain;
}
</style>
