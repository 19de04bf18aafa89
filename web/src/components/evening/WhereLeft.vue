<script setup lang="ts">
// Where on its trays an evening's food was left: what was eaten shows the board.
import { computed } from 'vue'
import { useAsk } from '@/api/asking'
import { api, take } from '@/api/client'
import TapTray from './TapTray.vue'

const props = defineProps<{ job: string }>()
// where it cannot be had, the list beside it is enough
const { now } = useAsk(
  () => {
    const params = { path: { id: props.job } }
    const ask = (signal: AbortSignal) =>
      Promise.all([
        take(api.GET('/api/v1/jobs/{id}', { params, signal })),
        take(api.GET('/api/v1/jobs/{id}/evening', { params, signal })),
      ])
    return { key: ['where left', props.job], ask }
  },
  { keep: false },
)
const trays = computed(() => {
  const doc = now.value?.[0].document
  return doc ? [doc, ...(doc.further ?? [])] : []
})
const none: ReadonlySet<string> = new Set()
const eaten = computed(() =>
  trays.value.map(
    (_, n) =>
      new Map(
        (now.value?.[1].dishes ?? [])
          .filter(d => d.tray === n)
          .map(d => [d.element ?? '', 1 - d.left_g / Math.max(0.1, d.laid_g)]),
      ),
  ),
)
</script>

<template>
  <div v-if="trays.length" class="where">
    <TapTray
      v-for="(t, n) in trays"
      :key="n"
      :tray="t"
      :gone="none"
      :lit="none"
      :eaten="eaten[n]!"
      says="The tray as it came home: what was eaten shows the board"
    />
  </div>
</template>

<style scoped>
.where {
  max-width: 560px;
  display: grid;
  gap: 8px;
}
</style>
