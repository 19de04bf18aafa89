<script setup lang="ts">
// The tray as a guest sees it from one side; it follows every change. The plates beside it are left out, as above: beside
// them it would be shown a quarter smaller.
import { computed, onBeforeUnmount, ref, shallowRef, watch } from 'vue'
import type { TrayFile } from '@/api/tray.gen'
import type { Mark } from '@/components/lay/TrayMarks.vue'
import { newest } from '@/composables/newest'
import { drawing, type From } from '@/composables/picture'

const props = defineProps<{ tray: TrayFile; from: From; marks: Mark[]; says: string }>()
const emit = defineEmits<{ mark: [n: number] }>()

const url = ref('')
const box = shallowRef<number[]>([0, 0, 1, 1])
const draw = newest(
  async signal => {
    const svg = await drawing(props.tray, props.from, false, '', signal)
    if (signal.aborted) return
    const board = /data-board="([^"]+)"/.exec(svg)?.[1] ?? '0 0 1 1'
    box.value = board.split(' ').map(Number)
    URL.revokeObjectURL(url.value)
    const alone = svg.replace(/viewBox="[^"]+"/, `viewBox="${board}"`)
    url.value = URL.createObjectURL(new Blob([alone], { type: 'image/svg+xml' }))
  },
  30,
  true,
)
watch([() => props.tray, () => props.from], draw, { immediate: true })
onBeforeUnmount(() => URL.revokeObjectURL(url.value))

const slant = Math.sin((40 * Math.PI) / 180) // as it is drawn
const turns: Record<From, number> = { above: 0, bottom: 0, top: 180, left: -90, right: 90 }
/** The marks where they stand on this picture, as shares of it. */
const placed = computed(() => {
  const outline = props.tray.board?.outline ?? []
  const mid = ([0, 1] as const).map(k => {
    const all = outline.map(p => p[k] ?? 0)
    return (Math.min(...all) + Math.max(...all)) / 2
  })
  const a = (turns[props.from] * Math.PI) / 180
  const [x0 = 0, y0 = 0, w = 1, h = 1] = box.value
  return props.marks.map(m => {
    const [x, y] = [m.x - mid[0]!, m.y - mid[1]!]
    const at = [x * Math.cos(a) - y * Math.sin(a), (x * Math.sin(a) + y * Math.cos(a)) * slant]
    return { ...m, left: ((at[0]! - x0) / w) * 100, top: ((at[1]! - y0) / h) * 100 }
  })
})
</script>

<template>
  <div class="slant">
    <div class="frame" :style="{ aspectRatio: `${box[2]} / ${box[3]}` }">
      <img v-if="url" :src="url" :alt="says" draggable="false" />
      <button
        v-for="(m, i) in placed"
        :key="`${m.n} ${i}`"
        class="mark"
        :class="{ shown: m.shown }"
        :style="{ left: m.left + '%', top: m.top + '%' }"
        :aria-label="`Finding ${m.n}`"
        @click="emit('mark', m.n)"
      >
        {{ m.n }}
      </button>
    </div>
  </div>
</template>

<style scoped>
.slant {
  display: grid;
  place-items: center;
  min-height: 300px;
  container-type: size;
}
.frame {
  position: relative;
  width: min(100cqw, 100cqh * 4);
  max-height: 100cqh;
  max-width: 100%;
}
img {
  width: 100%;
  height: 100%;
  display: block;
}
.mark {
  position: absolute;
  transform: translate(-50%, -50%);
  width: 24px;
  height: 24px;
  border-radius: 50%;
  border: 2.5px solid var(--white);
  background: var(--blue);
  color: var(--white);
  font: 700 var(--type-2)/1 var(--head);
  padding: 0;
  cursor: pointer;
}
.mark.shown {
  border-color: var(--ink);
}
</style>
