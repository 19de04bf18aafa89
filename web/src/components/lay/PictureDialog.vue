<script setup lang="ts">
// A picture of the tray for a client: from above or at a slant, with or without names, as SVG or as
// PNG so many px wide.
import { ref, watch } from 'vue'
import { ElDialog } from 'element-plus'
import 'element-plus/es/components/dialog/style/css'
import { said } from '@/api/asking'
import { newest } from '@/composables/newest'
import { asPNG, crops, drawing, froms, keep, type From } from '@/composables/picture'
import { useJob } from '@/stores/job'
import { trayName } from '@/tray/set'
import Choose from '@/components/common/Choose.vue'
import NumberField from '@/components/common/NumberField.vue'

const open = defineModel<boolean>({ required: true })
const props = defineProps<{ from: From }>()

const job = useJob()
const from = ref<From>(props.from)
const names = ref(false)
const crop = ref('')
const clear = ref(false)
const width = ref(2000)
const [least, most] = [200, 6000]
const url = ref('')
const wrong = ref('')
let svg = ''

const draw = newest(
  async signal => {
    if (!open.value || !job.tray?.board) return
    try {
      svg = await drawing(job.tray, from.value, names.value, crop.value, signal)
      wrong.value = ''
    } catch (e) {
      if (!signal.aborted) wrong.value = said(e, 'The picture could not be drawn.')
      return
    }
    URL.revokeObjectURL(url.value)
    url.value = URL.createObjectURL(new Blob([svg], { type: 'image/svg+xml' }))
  },
  20,
  true,
)
watch(open, o => {
  if (o) from.value = props.from
})
watch([open, from, names, crop, () => job.tray], draw, { immediate: true })

function name(ending: string) {
  const parts = [job.doc?.title ?? 'tray', job.trays.length > 1 ? trayName(job.tray!) : '', from.value]
  const plain = parts.filter(Boolean).join(' ').toLowerCase()
  return (
    plain
      .replace(/[^\p{L}\p{N}]+/gu, '-')
      .replace(/^-|-$/g, '')
      .slice(0, 80) + ending
  )
}
const saveSVG = () => keep(new Blob([svg], { type: 'image/svg+xml' }), name('.svg'))
async function savePNG() {
  width.value = Math.round(Math.min(most, Math.max(least, Number(width.value) || 2000)))
  try {
    keep(await asPNG(svg, width.value, clear.value ? null : '#e7e4dd'), name('.png'))
  } catch {
    wrong.value = 'This browser could not make a picture so large. Try a smaller width.'
  }
}
</script>

<template>
  <ElDialog v-model="open" title="A picture of the tray" width="840" append-to-body>
    <div class="view"><img v-if="url" :src="url" alt="The picture as it will be kept" /></div>
    <p v-if="wrong" class="small" role="alert">▲ {{ wrong }}</p>
    <div class="how">
      <label>
        <span class="soft small">Seen</span>
        <Choose
          v-model="from"
          label="Seen from"
          :width="140"
          :options="froms.map(([id, says]) => [id, says.toLowerCase()] as const)"
        />
      </label>
      <label>
        <span class="soft small">Shows</span>
        <Choose
          v-model="crop"
          label="Shows"
          :width="150"
          :disabled="from !== 'above'"
          :options="crops.map(c => [c, c ? `only food, ${c}` : 'the whole board'] as const)"
        />
      </label>
      <label class="tick"><input v-model="names" type="checkbox" /> with names</label>
      <label class="tick"><input v-model="clear" type="checkbox" /> clear ground</label>
      <label>
        <span class="soft small">px wide</span>
        <NumberField v-model="width" label="px wide" :min="least" :max="most" :step="100" />
      </label>
      <button class="btn" :disabled="!url" @click="saveSVG">Keep as SVG</button>
      <button class="btn next" :disabled="!url" @click="savePNG">Keep as PNG</button>
    </div>
  </ElDialog>
</template>

<style scoped>
.view {
  height: 380px;
  display: grid;
  place-items: center;
  background: var(--linen);
  border-radius: var(--radius);
  padding: 10px;
}
img {
  max-width: 100%;
  max-height: 360px;
}
.how {
  display: flex;
  flex-wrap: wrap;
  gap: 12px 16px;
  align-items: center;
  margin-top: 14px;
  color: var(--ink);
}
label {
  display: inline-flex;
  align-items: center;
  gap: 8px;
}
input[type='number'] {
  width: 84px;
}
.tick input {
  width: 18px;
  height: 18px;
  accent-color: var(--blue);
}
.how .btn.next {
  margin-left: auto;
}
</style>
