<script setup lang="ts">
// What begins, ends and answers a search for a layout.
import { watch } from 'vue'
import { styleValues } from '@/api/contract.gen'
import { count, styleSays } from '@/tray/words'
import Choose from '@/components/common/Choose.vue'

defineProps<{
  running: boolean
  share: number // of its time that is over
  tried: number
  best: number | null
  choosing: boolean
  laid: boolean
}>()
const emit = defineEmits<{ lay: [ways: number]; stop: []; build: []; leave: []; like: [] }>()
const style = defineModel<string>('style', { required: true })

const like = 'like'
const styles = [
  { id: 'any', says: 'suits the board' },
  ...styleValues.map(id => ({ id: id as string, says: styleSays[id] })),
  { id: like, says: 'like another tray …' },
]
watch(style, s => {
  if (s !== like) return
  style.value = 'any'
  emit('like')
})
</script>

<template>
  <template v-if="running">
    <div
      class="progress"
      role="progressbar"
      aria-label="Laying the tray"
      :aria-valuenow="Math.round(share * 100)"
      aria-valuemin="0"
      aria-valuemax="100"
    >
      <span :style="{ width: share * 100 + '%' }" />
    </div>
    <span class="small nums said"
      >{{ count(tried, 'layout') }} tried<template v-if="best !== null"
        >, best {{ Math.round(best) }}</template
      ></span
    >
    <button class="btn" @click="emit('stop')">Stop, keep the best</button>
  </template>
  <template v-else-if="choosing">
    <button class="btn" @click="emit('leave')">None of these</button>
    <button class="btn next" @click="emit('build')">Build this one</button>
  </template>
  <template v-else>
    <Choose
      v-model="style"
      label="Style of laying"
      :width="142"
      :options="styles.map(s => [s.id, s.says] as const)"
    />
    <button class="btn" aria-keyshortcuts="W" @click="emit('lay', 3)">Three ways</button>
    <button class="btn next" aria-keyshortcuts="A" @click="emit('lay', 1)">
      {{ laid ? 'Lay it another way' : 'Lay the tray' }}
    </button>
  </template>
</template>

<style scoped>
.progress {
  width: 96px;
  height: 9px;
  border-radius: var(--radius-s);
  background: var(--line);
  overflow: hidden;
}
.progress span {
  display: block;
  height: 100%;
  background: var(--blue);
  transition: width 0.2s linear;
}
.said {
  min-width: 170px;
}
</style>
