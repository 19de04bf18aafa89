<script setup lang="ts">
// A photograph of the real tray beside its plan: the corners of the board are dragged to where they are, then the two
// lie over each other under a slider, and it is said where hands departed from the plan.
import { computed, onBeforeUnmount, ref, shallowRef, useTemplateRef, watch } from 'vue'
import { useAct } from '@/api/asking'
import { api, take, type Beside } from '@/api/client'
import type { TrayFile } from '@/api/tray.gen'
import { useDrag } from '@/composables/drag'
import { drawing } from '@/composables/picture'
import { boxOf, type Pt } from '@/tray/outline'
import { useLarder } from '@/stores/larder'

const props = defineProps<{ job: string; photo: string; src: string; tray: TrayFile; at: number }>()
const emit = defineEmits<{ close: [] }>()
const larder = useLarder()
const beside = shallowRef<Beside | null>(null)
const corners = ref<[number, number][]>([])
const { busy, wrong, act } = useAct('The photograph cannot be looked at just now.')
const version = ref(0) // of the straightened picture
const straight = computed(
  () =>
    `/api/v1/jobs/${props.job}/evening/photos/${props.photo}/straight?tray=${props.at}&v=${version.value}`,
)
const look = (given?: [number, number][]) =>
  act(async () => {
    const b = await take(
      api.POST('/api/v1/jobs/{id}/evening/photos/{photo}/beside', {
        params: { path: { id: props.job, photo: props.photo } },
        body: { tray: props.at, ...(given ? { corners: given } : {}) },
      }),
    )
    beside.value = b
    corners.value = b.corners.map(c => [c[0] ?? 0, c[1] ?? 0])
    version.value++
  })
void look()

// the plan as drawn, for the lower picture
const plan = ref('')
watch(
  () => props.tray,
  async t => {
    try {
      const svg = await drawing(t, 'above', false)
      URL.revokeObjectURL(plan.value)
      plan.value = URL.createObjectURL(new Blob([svg], { type: 'image/svg+xml' }))
      view.value = /viewBox="([^"]+)"/.exec(svg)?.[1]?.split(' ').map(Number) ?? []
    } catch {
      plan.value = ''
    }
  },
  { immediate: true },
)
const view = ref<number[]>([])
onBeforeUnmount(() => URL.revokeObjectURL(plan.value))
const board = computed(() => {
  const [x, y, width, height] = boxOf(props.tray.board!.outline as Pt[])
  return { x, y, width, height }
})
const share = ref(50) // of the photograph that is seen

const svg = useTemplateRef('svg')
const drag = useDrag<number>({
  moved: p => {
    if (!svg.value || !beside.value) return
    const r = svg.value.getBoundingClientRect()
    const k = beside.value.width / r.width
    move(p.of, (p.at.x - r.left) * k, (p.at.y - r.top) * k)
  },
})
function move(i: number, x: number, y: number) {
  corners.value = corners.value.map((c, k) => (k === i ? [Math.round(x), Math.round(y)] : c))
}
function nudge(i: number, e: KeyboardEvent) {
  const by = e.shiftKey ? 10 : 1
  const way = { ArrowLeft: [-by, 0], ArrowRight: [by, 0], ArrowUp: [0, -by], ArrowDown: [0, by] }[e.key]
  if (!way) return
  e.preventDefault()
  const [x, y] = corners.value[i]!
  move(i, x + way[0]!, y + way[1]!)
}
const names = ['upper left', 'upper right', 'lower right', 'lower left']
const farthest = computed(() => [...(beside.value?.seen ?? [])].sort((a, b) => b.off - a.off).slice(0, 8))
const changed = computed(() => {
  const b = beside.value
  return !!b && corners.value.some((c, i) => c[0] !== b.corners[i]?.[0] || c[1] !== b.corners[i]?.[1])
})
</script>

<template>
  <section class="card beside" aria-label="The photograph beside the plan">
    <header>
      <h2>Beside the plan</h2>
      <button class="btn" @click="emit('close')">Close</button>
    </header>
    <p v-if="wrong" role="alert">▲ {{ wrong }}</p>
    <p v-if="!beside && !wrong" class="soft">Looking for the board</p>
    <template v-if="beside">
      <div class="pair">
        <div>
          <svg
            ref="svg"
            :viewBox="`0 0 ${beside.width} ${beside.height}`"
            role="group"
            aria-label="The photograph; its four corners can be moved"
          >
            <image :href="src" :width="beside.width" :height="beside.height" />
            <polygon :points="corners.map(c => c.join(',')).join(' ')" />
            <circle
              v-for="(c, i) in corners"
              :key="i"
              :cx="c[0]"
              :cy="c[1]"
              :r="beside.width / 42"
              tabindex="0"
              role="slider"
              :aria-label="`The board's ${names[i]} corner`"
              :aria-valuetext="`${Math.round(c[0])} across, ${Math.round(c[1])} down`"
              :aria-valuenow="Math.round(c[0])"
              @pointerdown.prevent="drag.take($event, i)"
              v-on="drag.on"
              @keydown="nudge(i, $event)"
            />
          </svg>
          <p>
            <button
              class="btn"
              :class="{ next: changed || !beside.found }"
              :disabled="busy"
              @click="look(corners)"
            >
              These are its corners
            </button>
          </p>
        </div>
        <div v-if="beside.found">
          <svg
            :viewBox="`${board.x} ${board.y} ${board.width} ${board.height}`"
            role="img"
            :aria-label="`The photograph straightened over the plan, ${share} % of it`"
          >
            <image
              v-if="view.length === 4"
              :href="plan"
              :x="view[0]"
              :y="view[1]"
              :width="view[2]"
              :height="view[3]"
            />
            <clipPath id="seen">
              <rect :x="board.x" :y="board.y" :width="(board.width * share) / 100" :height="board.height" />
            </clipPath>
            <image :href="straight" v-bind="board" preserveAspectRatio="none" clip-path="url(#seen)" />
            <line
              :x1="board.x + (board.width * share) / 100"
              :x2="board.x + (board.width * share) / 100"
              :y1="board.y"
              :y2="board.y + board.height"
            />
          </svg>
          <label class="slide small"
            >plan
            <input
              v-model.number="share"
              type="range"
              min="0"
              max="100"
              aria-label="How much of the photograph"
            />
            photograph</label
          >
        </div>
      </div>
      <ul v-if="beside.says.length" aria-label="Where hands departed from the plan">
        <li v-for="s in beside.says" :key="s">{{ s }}</li>
      </ul>
      <p v-else-if="beside.found">Everything lies where it was planned.</p>
      <details v-if="farthest.length">
        <summary>Colours, as planned and as photographed</summary>
        <ul class="colours">
          <li v-for="s in farthest" :key="s.element">
            <i :style="{ background: s.planned }" /><i :style="{ background: s.photo }" />
            {{ larder.name(s.food) }} <span class="soft nums">{{ s.off.toFixed(0) }}</span>
          </li>
        </ul>
      </details>
    </template>
  </section>
</template>

<style scoped>
.beside {
  display: grid;
  gap: 10px;
}
header {
  display: flex;
  justify-content: space-between;
  align-items: center;
}
.pair {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(280px, 1fr));
  gap: 14px;
}
svg {
  width: 100%;
  display: block;
  border-radius: var(--radius-m);
  touch-action: none;
}
polygon {
  fill: none;
  stroke: var(--blue);
  stroke-width: 2;
  vector-effect: non-scaling-stroke;
}
circle {
  fill: var(--white-wash);
  stroke: var(--blue);
  stroke-width: 3;
  vector-effect: non-scaling-stroke;
  cursor: grab;
}
line {
  stroke: var(--white);
  stroke-width: 2;
  vector-effect: non-scaling-stroke;
}
.slide {
  display: flex;
  gap: 10px;
  align-items: center;
}
.slide input {
  flex: 1;
  min-height: 44px;
  accent-color: var(--blue);
}
.colours {
  display: grid;
  gap: 4px;
  margin-top: 8px;
}
.colours i {
  display: inline-block;
  width: 22px;
  height: 16px;
  vertical-align: -3px;
}
.colours i + i {
  margin-right: 8px;
}
summary {
  cursor: pointer;
}
</style>
