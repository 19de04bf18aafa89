<script setup lang="ts">
// A card is held against the screen, so that the tray can be shown as large as it is on the table.
import { ref, watch } from 'vue'
import { ElDialog, ElSlider } from 'element-plus'
import 'element-plus/es/components/dialog/style/css'
import 'element-plus/es/components/slider/style/css'
import { card } from '@/composables/actualSize'

const open = defineModel<boolean>({ required: true })
const props = defineProps<{ was: number }>() // px for a mm, 0 for none
const emit = defineEmits<{ taken: [pxPerMM: number] }>()
const usual = 96 / 25.4 // of CSS, where nothing is known of the screen
const scale = ref(props.was || usual)
watch(open, o => o && (scale.value = props.was || usual))
</script>

<template>
  <ElDialog v-model="open" title="As large as on the table" width="760" append-to-body>
    <p class="says">
      Hold a bank card, or any card of that size, against the screen, and draw the one below until both are
      alike.
    </p>
    <div class="desk">
      <svg
        :width="card.width * scale"
        :height="card.height * scale"
        :viewBox="`0 0 ${card.width} ${card.height}`"
        role="img"
        aria-label="A card, to be made as large as yours"
      >
        <rect x=".3" y=".3" :width="card.width - 0.6" :height="card.height - 0.6" :rx="card.corner" />
        <text :x="card.width / 2" :y="card.height / 2 + 2">85.6 mm</text>
      </svg>
    </div>
    <div class="row">
      <span id="card-size" class="soft small">Smaller or larger</span>
      <ElSlider
        v-model="scale"
        :min="2"
        :max="8"
        :step="0.01"
        :show-tooltip="false"
        aria-label="How large the card is drawn"
      />
      <button class="btn next" @click="emit('taken', scale)">They are alike</button>
    </div>
  </ElDialog>
</template>

<style scoped>
.says {
  margin: 0 0 12px;
  color: var(--ink);
}
.desk {
  display: grid;
  place-items: center;
  height: 440px;
  overflow: hidden;
  background: var(--linen);
  border-radius: var(--radius);
}
svg {
  flex: none;
}
rect {
  fill: var(--white);
  stroke: var(--blue);
  stroke-width: 0.6;
}
text {
  font-size: 5px;
  fill: var(--blue);
  text-anchor: middle;
}
.row {
  display: grid;
  grid-template-columns: auto 1fr auto;
  gap: 22px;
  align-items: center;
  margin-top: 14px;
}
</style>
