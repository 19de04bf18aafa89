<script setup lang="ts">
// The tray at true scale: its picture below, and above it what hands can take
// hold of. While something is carried only its own picture moves.
import { computed, nextTick, shallowRef, useTemplateRef, watch } from 'vue'
import { useElementSize } from '@vueuse/core'
import type { Scene } from '@/api/client'
import type { TrayElement, TrayFile } from '@/api/tray.gen'
import TrayChosen from '@/components/lay/TrayChosen.vue'
import TrayMarks, { type Mark } from '@/components/lay/TrayMarks.vue'
import TrayPicture from '@/components/lay/TrayPicture.vue'
import TrayRulers from '@/components/lay/TrayRulers.vue'
import { useGrip } from '@/composables/grip'
import { boxAround, type Pose } from '@/tray/move'
import { spoken } from '@/tray/words'
import { useLarder } from '@/stores/larder'

const props = defineProps<{
  scene: Scene
  tray: TrayFile
  selected: string | null
  hidden: ReadonlySet<string>
  marks: Mark[]
  zoom: number
  fixed: boolean // nothing can be taken hold of, while a layout is on its way
}>()
const emit = defineEmits<{
  select: [id: string | null]
  carry: [id: string, pose: Pose]
  drop: [id: string, from: Pose, to: Pose]
  key: [id: string, event: KeyboardEvent]
  mark: [n: number]
}>()

const larder = useLarder()
const ruler = 26 // px for each ruler
const room = useTemplateRef('room')
const size = useElementSize(room)

const box = computed(() => props.scene.box as [number, number, number, number])
/** px for a mm */
const scale = computed(() => {
  const [, , w, h] = box.value
  const fit = Math.min((size.width.value - ruler) / w, (size.height.value - ruler) / h)
  return Math.max(0.05, fit) * props.zoom
})
const mm = (px: number) => px / scale.value
const view = computed(() => {
  const [x, y, w, h] = box.value
  const r = mm(ruler)
  return { x: x - r, y: y - r, w: w + r, h: h + r }
})
const px = computed(() => ({ w: view.value.w * scale.value, h: view.value.h * scale.value }))
const viewBox = computed(() => `${view.value.x} ${view.value.y} ${view.value.w} ${view.value.h}`)
const art = computed(() => ({
  left: ruler + 'px',
  top: ruler + 'px',
  width: box.value[2] * scale.value + 'px',
  height: box.value[3] * scale.value + 'px',
}))

const paths = new WeakMap<TrayElement, string>()
function outlines(e: TrayElement): string {
  let d = paths.get(e)
  if (d === undefined) {
    d = e.pieces.map(p => 'M' + p.outline.map(q => q.join(' ')).join('L') + 'Z').join('')
    paths.set(e, d)
  }
  return d
}

/** What can be taken hold of, in the order it is laid. */
const holds = computed(() =>
  props.tray.elements
    .map((e, index) => ({ e, index, d: e.placed ? outlines(e) : '' }))
    .filter(h => h.d)
    .sort((a, b) => a.e.layer - b.e.layer || a.index - b.index)
    .map(h => ({
      ...h,
      says: spoken(h.e, larder.food(h.e.food), props.scene.places[h.index] ?? 'beside the board'),
    })),
)
const chosen = computed(
  () => holds.value.find(h => h.e.id === props.selected && !props.hidden.has(h.e.id)) ?? null,
)

// hands
const hands = useTemplateRef('hands')
function toBoard(clientX: number, clientY: number) {
  const rect = hands.value!.getBoundingClientRect()
  return { x: mm(clientX - rect.left) + view.value.x, y: mm(clientY - rect.top) + view.value.y }
}
const { carried, ...grip } = useGrip(toBoard)

function take(event: PointerEvent, e: TrayElement, index: number, turning = false) {
  if (props.fixed || event.button !== 0) return
  emit('select', e.id)
  if (!e.locked) grip.take(event, e, index, turning)
}
const around = computed(() => {
  const e = carried.value && props.tray.elements[carried.value.index]
  return e?.placed ? boxAround(e, 14) : null
})
/** Which elements are not drawn: those of steps that are still to come. */
const isHidden = computed(() => {
  const { elements } = props.tray
  return (index: number) => props.hidden.has(elements[index]?.id ?? '')
})

// the bare counter moves the view when it is larger than its room
const scroller = useTemplateRef('scroller')
let pan: { x: number; y: number } | null = null
function ground(event: PointerEvent) {
  emit('select', null)
  if (props.zoom <= 1) return
  ;(event.currentTarget as Element).setPointerCapture(event.pointerId)
  pan = { x: event.clientX, y: event.clientY }
}
function follow(event: PointerEvent) {
  if (pan) {
    scroller.value?.scrollBy(pan.x - event.clientX, pan.y - event.clientY)
    pan = { x: event.clientX, y: event.clientY }
  }
  const c = grip.follow(event)
  if (c) emit('carry', c.id, c.to)
}
function letGo(keep: boolean) {
  pan = null
  const c = grip.letGo()
  if (c && keep) emit('drop', c.id, c.from, c.to)
}

// what lies under the pointer, or in the middle, stays there when one comes nearer
const pointer = shallowRef<{ x: number; y: number } | null>(null)
watch(
  () => props.zoom,
  async () => {
    const at = scroller.value?.getBoundingClientRect()
    if (!at || !hands.value) return
    const { x, y } = pointer.value ?? { x: at.left + at.width / 2, y: at.top + at.height / 2 }
    const old = hands.value.getBoundingClientRect() // the page still has its old size
    await nextTick()
    const now = hands.value.getBoundingClientRect()
    scroller.value!.scrollBy(
      ((x - old.left) / old.width) * now.width + now.left - x,
      ((y - old.top) / old.height) * now.height + now.top - y,
    )
  },
  { flush: 'sync' },
)

/** Where on the board, in mm, a point of the screen lies; null beside the drawing. */
function boardPoint(clientX: number, clientY: number) {
  const rect = hands.value?.getBoundingClientRect()
  if (!rect || clientX < rect.left || clientX > rect.right || clientY < rect.top || clientY > rect.bottom)
    return null
  const tenths = (v: number) => Math.round(v * 10) / 10
  const p = toBoard(clientX, clientY)
  return { x: tenths(p.x), y: tenths(p.y) }
}
function focus(id: string) {
  hands.value?.querySelector<SVGElement>(`[data-hold="${CSS.escape(id)}"]`)?.focus()
}
defineExpose({ boardPoint, focus })
</script>

<template>
  <div ref="room" class="room">
    <div
      ref="scroller"
      class="scroll"
      :class="{ zoomed: zoom > 1 }"
      @pointermove="pointer = { x: $event.clientX, y: $event.clientY }"
      @pointerleave="pointer = null"
    >
      <div
        class="sheet"
        :class="{ unmeasured: !size.width.value }"
        :style="{ width: px.w + 'px', height: px.h + 'px' }"
      >
        <TrayPicture
          v-if="size.width.value"
          :style="art"
          :scene="scene"
          :scale="scale"
          :hidden="isHidden"
          :carried="carried"
          :around="around"
        />
        <svg class="layer" :viewBox="viewBox" aria-hidden="true">
          <TrayRulers :outline="tray.board?.outline ?? []" :scale="scale" :breadth="ruler" :at="view" />
        </svg>
        <svg
          ref="hands"
          class="layer hands"
          :class="{ fixed }"
          :viewBox="viewBox"
          @pointermove="follow"
          @pointerup="letGo(true)"
          @pointercancel="letGo(false)"
        >
          <rect
            class="ground"
            :x="view.x"
            :y="view.y"
            :width="view.w"
            :height="view.h"
            @pointerdown="ground"
          />
          <g role="group" :aria-label="`The tray, ${holds.length} elements in the order they are laid`">
            <path
              v-for="h in holds"
              v-show="!hidden.has(h.e.id)"
              :key="h.e.id"
              class="hold"
              :class="{ locked: h.e.locked }"
              :d="h.d"
              :stroke-width="mm(8)"
              role="button"
              tabindex="0"
              :data-hold="h.e.id"
              :aria-label="h.says"
              :aria-pressed="h.e.id === selected"
              @focus="emit('select', h.e.id)"
              @keydown="emit('key', h.e.id, $event)"
              @pointerdown="take($event, h.e, h.index)"
            />
          </g>
          <TrayChosen
            v-if="chosen"
            :element="chosen.e"
            :outlines="chosen.d"
            :scale="scale"
            :top="view.y + mm(ruler + 8)"
            :carried="carried"
            @turn="take($event, chosen.e, chosen.index, true)"
          />
          <TrayMarks :marks="marks" :scale="scale" @mark="emit('mark', $event)" />
        </svg>
      </div>
    </div>
  </div>
</template>

<style scoped>
.room {
  position: relative;
  flex: 1;
  min-height: 300px;
}
.scroll {
  position: absolute;
  inset: 0;
  display: grid;
  place-items: center;
  overflow: hidden;
}
.scroll.zoomed {
  overflow: auto;
  place-items: start;
}
.sheet {
  position: relative;
  user-select: none; /* what is selected would be dragged away as a picture */
}
.sheet.unmeasured {
  visibility: hidden; /* it would be seen to jump to its size */
}
.layer {
  position: absolute;
  inset: 0;
  width: 100%;
  height: 100%;
  overflow: visible;
}
.hands {
  will-change: transform;
  touch-action: none; /* on the parts alone it does not hold */
}
.ground {
  fill: none;
  pointer-events: all;
}
.hold {
  fill: none; /* nothing to paint, all to take hold of */
  stroke: none;
  pointer-events: all;
  cursor: grab;
  touch-action: none;
  outline: none;
}
.hold.locked,
.fixed .hold {
  cursor: default;
}
</style>
