<script setup lang="ts">
// Where on its trays an evening's food was left: what was eaten shows the board.
import { computed, shallowRef, watch } from 'vue'
import { api, take, type Evening } from '@/api/client'
import type { TrayFile } from '@/api/tray.gen'
import TapTray from './TapTray.vue'

const props = defineProps<{ job: string }>()
const trays = shallowRef<TrayFile[]>([])
const evening = shallowRef<Evening | null>(null)
watch(
  () => props.job,
  async id => {
    const params = { path: { id } }
    try {
      const [j, e] = await Promise.all([
        take(api.GET('/api/v1/jobs/{id}', { params })),
        take(api.GET('/api/v1/jobs/{id}/evening', { params })),
      ])
      trays.value = [j.document, ...(j.document.further ?? [])]
      evening.value = e
    } catch {
      trays.value = [] // the list beside it is enough
    }
  },
  { immediate: true },
)
const none: ReadonlySet<string> = new Set()
const eaten = computed(() =>
  trays.value.map(
    (_, n) =>
      new Map(
        (evening.value?.dishes ?? [])
          .filter(d => d.tray === n)
          .map(d => [d.element ?? '', 1 - d.left_g / Math.max(0.1, d.laid_g)]),
      ),
  ),
)
</script>

<template>
  <div v-if="evening && trays.length" class="where">
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
