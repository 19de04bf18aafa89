<script setup lang="ts">
// The tray at true scale: its picture below, and above it what hands can take
// hold of. While something is carried only its own drawings move.
import { computed, onBeforeUnmount, onMounted, ref, useId, useTemplateRef, watch } from 'vue'
import { useElementSize } from '@vueuse/core'
import type { Scene } from '@/api/client'
import type { TrayElement, TrayFile } from '@/api/tray.gen'
import { poseOf, type Pose } from '@/tray/move'
import { handSVG, traySVG } from '@/tray/picture'
import { spoken } from '@/tray/words'
import { units } from '@/tray/units'
import { useLarder } from '@/stores/larder'

export type Mark = { n: number; x: number; y: number; shown: boolean }

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
const uid = useId()

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

/** Ticks along the board, from its upper left corner: every centimetre, longer at five and ten; or every half inch. */
const ticks = computed(() => {
  const outline = props.tray.board?.outline ?? []
  const inches = units.length === 'in'
  const step = inches ? 12.7 : scale.value * 10 < 4 ? 50 : 10 // mm
  const [long, middle] = inches ? [4, 2] : [100 / step, 50 / step] // in steps
  // a figure at the very end would be cut off
  const along = (length: number) =>
    Array.from({ length: Math.floor(length / step) + 1 }, (_, i) => ({
      at: i * step,
      says: i % long === 0 && i * step <= length - mm(10) ? String(inches ? i / 2 : (i * step) / 10) : '',
      size: i % long === 0 ? 9 : i % middle === 0 ? 6 : 3.5,
    }))
  return {
    w: Math.max(...outline.map(p => p[0] ?? 0)),
    h: Math.max(...outline.map(p => p[1] ?? 0)),
    x: along(Math.max(...outline.map(p => p[0] ?? 0))),
    y: along(Math.max(...outline.map(p => p[1] ?? 0))),
  }
})

// The tray is one picture, made anew when something on it changes. What is in
// the hand is drawn above it and left out of it; it comes down when the picture
// that holds it again is ready, so nothing flickers.
const art = useTemplateRef('art')
const aloft = ref<number | null>(null)
const leftOut = ref<number | null>(null)
const carried = ref<{ id: string; index: number; from: Pose; to: Pose } | null>(null)
const inHand = computed(() => aloft.value ?? leftOut.value)

let painting = 0
let address = ''
async function paint() {
  const mine = ++painting
  const out = aloft.value
  const ids = props.tray.elements.map(e => e.id)
  const svg = traySVG(props.scene, i => i === out || props.hidden.has(ids[i] ?? ''))
  const url = URL.createObjectURL(new Blob([svg], { type: 'image/svg+xml' }))
  const picture = new Image()
  picture.alt = ''
  picture.draggable = false
  picture.src = url
  try {
    await picture.decode()
  } catch {
    // it is shown as soon as it can be
  }
  if (mine !== painting || !art.value) {
    URL.revokeObjectURL(url)
    return
  }
  art.value.replaceChildren(picture)
  if (address) URL.revokeObjectURL(address)
  address = url
  leftOut.value = out
}
watch([() => props.scene, () => props.hidden, aloft], paint)
onMounted(paint)
onBeforeUnmount(() => {
  painting++
  if (address) URL.revokeObjectURL(address)
})

/** Keeps an element in the hand for a moment after it was moved from the keyboard. */
let settling = 0
function lift(id: string) {
  const index = props.tray.elements.findIndex(e => e.id === id)
  if (index < 0) return
  aloft.value = index
  window.clearTimeout(settling)
  settling = window.setTimeout(() => {
    if (!grip) aloft.value = null
  }, 400)
}

/** The box round an element's pieces, with room for its shadow, mm. */
function around(e: TrayElement, room: number) {
  let x0 = Infinity
  let y0 = Infinity
  let x1 = -Infinity
  let y1 = -Infinity
  for (const p of e.pieces)
    for (const [x = 0, y = 0] of p.outline) {
      x0 = Math.min(x0, x)
      y0 = Math.min(y0, y)
      x1 = Math.max(x1, x)
      y1 = Math.max(y1, y)
    }
  return { x: x0 - room, y: y0 - room, width: x1 - x0 + 2 * room, height: y1 - y0 + 2 * room }
}

const hand = computed(() => {
  const e = inHand.value === null ? null : props.tray.elements[inHand.value]
  if (!e?.placed) return null
  const b = around(e, 12)
  return {
    html: handSVG(props.scene, inHand.value!),
    viewBox: `${b.x} ${b.y} ${b.width} ${b.height}`,
    left: (b.x - view.value.x) * scale.value,
    top: (b.y - view.value.y) * scale.value,
    width: b.width * scale.value,
    height: b.height * scale.value,
    origin: `${(e.x - b.x) * scale.value}px ${(e.y - b.y) * scale.value}px`,
  }
})
const handMove = computed(() => {
  const c = carried.value
  if (!c || c.index !== inHand.value) return 'none'
  return `translate(${(c.to.x - c.from.x) * scale.value}px, ${(c.to.y - c.from.y) * scale.value}px) rotate(${c.to.turn - c.from.turn}deg)`
})
/** The same motion in millimetres, for what is drawn round it. */
const carryTransform = computed(() => {
  const c = carried.value
  if (!c) return undefined
  return `translate(${c.to.x} ${c.to.y}) rotate(${c.to.turn - c.from.turn}) translate(${-c.from.x} ${-c.from.y})`
})

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

/** The room its outline takes, so that the mask is no larger than it needs to be. */
const chosenBox = computed(() => (chosen.value ? around(chosen.value.e, mm(10)) : {}))

/** The marks, pushed apart where they would cover each other. */
const apart = computed(() => {
  const out = props.marks.map(m => ({ ...m }))
  const least = mm(25)
  for (let round = 0; round < 12; round++)
    for (const a of out)
      for (const b of out) {
        if (b.n <= a.n) continue
        let dx = b.x - a.x
        const dy = b.y - a.y
        if (!dx && !dy) dx = 0.01
        const d = Math.hypot(dx, dy)
        if (d >= least) continue
        const push = (least - d) / 2 / d
        a.x -= dx * push
        a.y -= dy * push
        b.x += dx * push
        b.y += dy * push
      }
  return out
})

/** Where the turning handle stands: above what is chosen, or below where there is no room. */
const handle = computed(() => {
  const h = chosen.value
  if (!h) return null
  const b = around(h.e, mm(26))
  return { x: h.e.x, y: b.y < view.value.y + mm(ruler + 8) ? b.y + b.height : b.y }
})

type Grip = { id: string; index: number; from: Pose; x: number; y: number; turning: boolean; on: boolean }
let grip: Grip | null = null

function take(event: PointerEvent, e: TrayElement, index: number, turning = false) {
  if (props.fixed || event.button !== 0) return
  emit('select', e.id)
  if (e.locked) return
  const target = event.currentTarget as Element
  target.setPointerCapture(event.pointerId)
  grip = { id: e.id, index, from: poseOf(e), x: event.clientX, y: event.clientY, turning, on: false }
}

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
  if (!grip) return
  const dx = event.clientX - grip.x
  const dy = event.clientY - grip.y
  if (!grip.on && Math.hypot(dx, dy) < 4) return
  grip.on = true
  const { from } = grip
  let to: Pose
  if (grip.turning) {
    const rect = hands.value!.getBoundingClientRect()
    const cx = rect.left + (from.x - view.value.x) * scale.value
    const cy = rect.top + (from.y - view.value.y) * scale.value
    const a = Math.atan2(event.clientY - cy, event.clientX - cx) - Math.atan2(grip.y - cy, grip.x - cx)
    to = { ...from, turn: Math.round(from.turn + (a * 180) / Math.PI) }
  } else {
    to = {
      x: Math.round((from.x + mm(dx)) * 10) / 10,
      y: Math.round((from.y + mm(dy)) * 10) / 10,
      turn: from.turn,
    }
  }
  aloft.value = grip.index
  carried.value = { id: grip.id, index: grip.index, from, to }
  emit('carry', grip.id, to)
}

function letGo(keep: boolean) {
  const c = carried.value
  grip = pan = null
  if (c && keep) emit('drop', c.id, c.from, c.to)
  carried.value = aloft.value = null
}

/** Where on the board, in mm, a point of the screen lies; null beside the drawing. */
function boardPoint(clientX: number, clientY: number) {
  const rect = hands.value?.getBoundingClientRect()
  if (!rect || clientX < rect.left || clientX > rect.right || clientY < rect.top || clientY > rect.bottom)
    return null
  return {
    x: Math.round(((clientX - rect.left) / scale.value + view.value.x) * 10) / 10,
    y: Math.round(((clientY - rect.top) / scale.value + view.value.y) * 10) / 10,
  }
}

const hands = useTemplateRef('hands')
function focus(id: string) {
  hands.value?.querySelector<SVGElement>(`[data-hold="${CSS.escape(id)}"]`)?.focus()
}
defineExpose({ boardPoint, focus, lift })
</script>

<template>
  <div ref="room" class="room">
    <div ref="scroller" class="scroll" :class="{ zoomed: zoom > 1 }">
      <div
        class="sheet"
        :class="{ unmeasured: !size.width.value }"
        :style="{ width: px.w + 'px', height: px.h + 'px' }"
      >
        <div
          ref="art"
          class="art"
          :style="{
            left: ruler + 'px',
            top: ruler + 'px',
            width: box[2] * scale + 'px',
            height: box[3] * scale + 'px',
          }"
        />
        <svg class="layer" :viewBox="viewBox" aria-hidden="true">
          <g class="ruler" :font-size="mm(11)" :stroke-width="mm(1)">
            <path :d="`M0 ${view.y + mm(ruler - 6)}H${ticks.w}M${view.x + mm(ruler - 6)} 0V${ticks.h}`" />
            <template v-for="t in ticks.x" :key="'x' + t.at">
              <path :d="`M${t.at} ${view.y + mm(ruler - 6)}v${mm(-t.size)}`" />
              <text v-if="t.says" :x="t.at + mm(3)" :y="view.y + mm(11)">
                {{ t.says }}{{ t.at ? '' : ' ' + units.length }}
              </text>
            </template>
            <template v-for="t in ticks.y" :key="'y' + t.at">
              <path :d="`M${view.x + mm(ruler - 6)} ${t.at}h${mm(-t.size)}`" />
              <text v-if="t.says && t.at" :x="view.x + mm(1)" :y="t.at + mm(12)">
                {{ t.says }}
              </text>
            </template>
          </g>
        </svg>
        <svg
          v-if="hand"
          class="hand"
          aria-hidden="true"
          :viewBox="hand.viewBox"
          :style="{
            left: hand.left + 'px',
            top: hand.top + 'px',
            width: hand.width + 'px',
            height: hand.height + 'px',
            transformOrigin: hand.origin,
            transform: handMove,
          }"
          v-html="hand.html"
        />
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
          <g v-if="chosen" :transform="carryTransform" class="chosen">
            <mask :id="uid + 'm'" maskUnits="userSpaceOnUse" v-bind="chosenBox">
              <rect v-bind="chosenBox" fill="#fff" />
              <path :d="chosen.d" fill="#000" />
            </mask>
            <g :mask="`url(#${uid}m)`">
              <path :d="chosen.d" class="halo" :stroke-width="mm(8)" />
              <path
                :d="chosen.d"
                class="edge"
                :stroke-width="mm(4)"
                :stroke-dasharray="chosen.e.locked ? `${mm(5)} ${mm(4)}` : undefined"
              />
            </g>
          </g>
          <g
            v-if="chosen && handle && !chosen.e.locked"
            class="handle"
            :class="{ away: carried }"
            @pointerdown="take($event, chosen.e, chosen.index, true)"
          >
            <path :d="`M${chosen.e.x} ${chosen.e.y}L${handle.x} ${handle.y}`" :stroke-width="mm(1.5)" />
            <circle :cx="handle.x" :cy="handle.y" :r="mm(22)" class="reach" />
            <circle :cx="handle.x" :cy="handle.y" :r="mm(9)" :stroke-width="mm(2.5)" />
            <path
              class="turn"
              :stroke-width="mm(1.6)"
              :d="`M${handle.x - mm(3.6)} ${handle.y + mm(1.6)}a${mm(4)} ${mm(4)} 0 1 1 ${mm(4)} ${mm(2.6)}m${mm(-1.5)} ${mm(-2)}l${mm(1.5)} ${mm(2)}l${mm(2)} ${mm(-1.4)}`"
            />
          </g>
          <g
            v-for="m in apart"
            :key="m.n"
            class="mark"
            :class="{ shown: m.shown }"
            aria-hidden="true"
            @click="emit('mark', m.n)"
          >
            <circle :cx="m.x" :cy="m.y" :r="mm(m.shown ? 15 : 11.5)" :stroke-width="mm(2.5)" />
            <text :x="m.x" :y="m.y + mm(4.2)" :font-size="mm(12.5)">{{ m.n }}</text>
          </g>
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
.art {
  position: absolute;
}
.art :deep(img) {
  display: block;
  width: 100%;
  height: 100%;
}
.hand {
  position: absolute;
  overflow: visible;
  pointer-events: none;
  will-change: transform;
}
.hands {
  will-change: transform;
  touch-action: none; /* on the parts alone it does not hold */
}
.ruler path {
  stroke: var(--line-strong);
  fill: none;
}
.ruler text {
  fill: var(--soft);
  font-family: var(--text);
  font-variant-numeric: tabular-nums;
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
.chosen {
  pointer-events: none;
}
.halo,
.edge {
  fill: none;
  stroke: #fff;
  stroke-linejoin: round;
}
.edge {
  stroke: var(--blue);
}
.handle {
  cursor: grab;
  touch-action: none;
}
.handle.away {
  opacity: 0; /* not taken out: it holds the pointer */
}
.handle path {
  stroke: var(--blue);
  fill: none;
  stroke-linecap: round;
}
.handle circle {
  fill: var(--blue);
  stroke: #fff;
}
.handle .reach {
  fill: transparent;
  stroke: none;
}
.handle .turn {
  stroke: #fff;
}
.mark {
  cursor: pointer;
}
.mark circle {
  fill: var(--blue);
  stroke: #fff;
}
.mark text {
  fill: #fff;
  font-family: var(--head);
  font-weight: 700;
  text-anchor: middle;
}
.mark.shown circle {
  stroke: var(--ink);
}
</style>
