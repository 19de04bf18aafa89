<script setup lang="ts">
// The tray at true scale: its picture below, and above it what hands can take
// hold of. While something is carried only its own picture moves.
import { computed, nextTick, shallowRef, useId, useTemplateRef, watch } from 'vue'
import { useElementBounding, useEventListener } from '@vueuse/core'
import type { LensView, Scene } from '@/api/client'
import type { TrayElement, TrayFile } from '@/api/tray.gen'
import TrayChosen from '@/components/lay/TrayChosen.vue'
import LensLayer from '@/components/lay/LensLayer.vue'
import TrailHandles from '@/components/lay/TrailHandles.vue'
import TrayMarks, { type Mark } from '@/components/lay/TrayMarks.vue'
import TrayPicture from '@/components/lay/TrayPicture.vue'
import TrayRulers from '@/components/lay/TrayRulers.vue'
import { useGrip } from '@/composables/grip'
import { motionOf, type Given } from '@/tray/given'
import { boxAround, type Pose } from '@/tray/move'
import { spoken } from '@/tray/words'
import { useLarder } from '@/stores/larder'

const props = defineProps<{
  scene: Scene
  tray: TrayFile
  selected: string | null
  /** What else is chosen, and moves along. */
  more: ReadonlySet<string>
  several: boolean // taps add to what is chosen, and a draw over the board chooses by area
  hidden: ReadonlySet<string>
  /** How pieces lie that make room for what is carried, and what finds none. */
  given: Given | null
  stuck: readonly string[]
  /** How far what is carried is drawn from where the hand has it. */
  drawn: Pose | null
  /** Outlines of where things lay before what is shown. */
  ghosts: string
  marks: Mark[]
  findings: ReadonlyMap<string, number> // how many things the second look says of an element
  lens: LensView | null
  /** A picture of the tray as it lay before, to be seen instead. */
  before: string
  zoom: number
  fixed: boolean // nothing can be taken hold of, while a layout is on its way
}>()
const emit = defineEmits<{
  select: [id: string | null, adds: boolean]
  area: [box: { x: number; y: number; width: number; height: number }]
  bend: [id: string, path: number[][]]
  carry: [id: string, pose: Pose, hugs: boolean]
  drop: [id: string, to: Pose]
  leave: []
  zoom: [to: number]
  key: [id: string, event: KeyboardEvent]
  mark: [n: number]
}>()

const larder = useLarder()
const ruler = 26 // px for each ruler
const room = useTemplateRef('room')
const size = useElementBounding(room)

const box = computed(() => props.scene.box as [number, number, number, number])
/** px for a mm, of the whole board and as near as it is looked at */
const fitting = computed(() => {
  const [, , w, h] = box.value
  const [wide, high] = [size.width.value - ruler, size.height.value - ruler]
  return { lying: Math.min(wide / w, high / h), turned: Math.min(wide / h, high / w) }
})
const helps = 1.15 // times as large at least, or the near side stays where it is
/** A board that stands on its narrow side is shown a quarter turned where it is seen larger so. */
const turned = computed(() => fitting.value.turned > helps * fitting.value.lying)
const fit = computed(() => Math.max(0.05, turned.value ? fitting.value.turned : fitting.value.lying))
const scale = computed(() => fit.value * props.zoom)
const mm = (px: number) => px / scale.value
const view = computed(() => {
  const [x, y, w, h] = box.value
  const r = mm(ruler)
  return { x: x - r, y: y - r, w: w + r, h: h + r }
})
const px = computed(() => ({ w: view.value.w * scale.value, h: view.value.h * scale.value }))
const viewBox = computed(() => `${view.value.x} ${view.value.y} ${view.value.w} ${view.value.h}`)
/** Where the sheet lies in its room: in the middle, on whole px, so that nothing on it is smeared over two. */
const lies = computed(() => {
  const middle = (from: number, long: number, own: number) =>
    Math.max(0, Math.round(from + (long - own) / 2) - from) + 'px'
  const { left, top, width, height } = size
  const [w, h] = turned.value ? [px.value.h, px.value.w] : [px.value.w, px.value.h]
  return {
    width: w + 'px',
    height: h + 'px',
    marginLeft: middle(left.value, width.value, w),
    marginTop: middle(top.value, height.value, h),
  }
})
/** The sheet as it is drawn, before it is turned. */
const flat = computed(() => ({
  width: px.value.w + 'px',
  height: px.value.h + 'px',
  ...(turned.value && { transform: `translateX(${px.value.h}px) rotate(90deg)` }),
}))
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
      says: spoken(
        h.e,
        larder.food(h.e.food),
        props.scene.places[h.index] ?? 'beside the board',
        props.scene.beside[h.index],
        props.findings.get(h.e.id),
      ),
    })),
)
const chosen = computed(
  () => holds.value.find(h => h.e.id === props.selected && !props.hidden.has(h.e.id)) ?? null,
)

/** What finds no room while something is carried: its outlines where they have come to. */
const crowded = computed(() =>
  holds.value
    .filter(h => props.stuck.includes(h.e.id))
    .map(h => ({ id: h.e.id, d: h.d, motion: motionOf(h.e, h.index, props.given) })),
)

const visible = computed(() => holds.value.filter(h => !props.hidden.has(h.e.id)))
// a lens that tints lets the food go pale below; one that is an eye changes its colours
const visionId = useId()
const visionMatrix = computed(() => {
  const v = props.lens?.vision ?? []
  return [0, 3, 6].map(i => `${v[i]} ${v[i + 1]} ${v[i + 2]} 0 0`).join(' ') + ' 0 0 0 1 0'
})
const lensed = computed(() => {
  if (!props.lens) return {}
  if (props.lens.vision) return { filter: `url(#${visionId})` }
  return { filter: 'grayscale(0.75) brightness(1.1) contrast(0.85)', opacity: 0.75 }
})

// hands
const hands = useTemplateRef('hands')
function toBoard(clientX: number, clientY: number) {
  const rect = hands.value!.getBoundingClientRect()
  const [across, down] = turned.value
    ? [clientY - rect.top, rect.right - clientX]
    : [clientX - rect.left, clientY - rect.top]
  return { x: mm(across) + view.value.x, y: mm(down) + view.value.y }
}
const { carried: pulled, ...grip } = useGrip(toBoard)
/** What is carried as it is seen and put down: drawn against what it comes near to. */
const carried = computed(() => {
  const [c, by] = [pulled.value, props.drawn]
  if (!c || !by) return c
  return { ...c, to: { x: c.to.x + by.x, y: c.to.y + by.y, turn: c.to.turn + by.turn } }
})

function take(event: PointerEvent, e: TrayElement, index: number, turning = false) {
  if (touched(event) || props.fixed || event.button !== 0) return
  const adds = event.shiftKey || props.several
  emit('select', e.id, adds)
  if (!e.locked && !adds) grip.take(event, e, index, turning)
}
/** What is in the hand: the one that was taken hold of, and what was chosen with it. */
const inHand = computed(() => {
  const c = carried.value
  if (!c) return []
  const along = props.tray.elements[c.index]?.id === props.selected ? props.more : null
  return props.tray.elements.flatMap((e, i) => (i === c.index || (along?.has(e.id) && !e.locked) ? [i] : []))
})
const around = computed(() => {
  const boxes = inHand.value
    .map(i => props.tray.elements[i]!)
    .filter(e => e.placed)
    .map(e => boxAround(e, 14))
  if (!boxes.length) return null
  const [x, y] = [Math.min(...boxes.map(b => b.x)), Math.min(...boxes.map(b => b.y))]
  const far = (at: 'x' | 'y', long: 'width' | 'height') => Math.max(...boxes.map(b => b[at] + b[long]))
  return { x, y, width: far('x', 'width') - x, height: far('y', 'height') - y }
})
/** The others that are chosen: their outlines, carried along when they are. */
const others = computed(() => holds.value.filter(h => props.more.has(h.e.id) && h.e.id !== props.selected))
const motion = computed(() => {
  const c = carried.value
  if (!c) return undefined
  return `translate(${c.to.x} ${c.to.y}) rotate(${c.to.turn - c.from.turn}) translate(${-c.from.x} ${-c.from.y})`
})
/** Which elements are not drawn: those of steps that are still to come. */
const isHidden = computed(() => {
  const { elements } = props.tray
  return (index: number) => props.hidden.has(elements[index]?.id ?? '')
})

// two fingers: the second turns what the first holds, or both bring the tray nearer
const fingers = new Map<number, { x: number; y: number }>()
let pinch: { angle: number; apart: number; zoom: number; turns: boolean } | null = null
function between() {
  const [a, b] = [...fingers.values()]
  const [dx, dy] = [b!.x - a!.x, b!.y - a!.y]
  return { angle: (Math.atan2(dy, dx) * 180) / Math.PI, apart: Math.hypot(dx, dy) }
}
/** A finger is put down; true where it is the second, which takes hold of nothing by itself. */
function touched(event: PointerEvent): boolean {
  if (event.pointerType !== 'touch') return false
  fingers.set(event.pointerId, { x: event.clientX, y: event.clientY })
  if (fingers.size !== 2) return fingers.size > 2
  pan = corner = null
  pinch = { ...between(), zoom: props.zoom, turns: grip.holds() }
  return true
}
function twoFingers(event: PointerEvent): boolean {
  if (!fingers.has(event.pointerId)) return false
  fingers.set(event.pointerId, { x: event.clientX, y: event.clientY })
  if (!pinch || fingers.size < 2) return false
  const now = between()
  if (!pinch.turns) {
    emit(
      'zoom',
      Math.round(Math.min(4, Math.max(1, (pinch.zoom * now.apart) / Math.max(20, pinch.apart))) * 100) / 100,
    )
    return true
  }
  const c = grip.twist(((now.angle - pinch.angle + 540) % 360) - 180)
  if (c) emit('carry', c.id, c.to, true)
  return event.pointerId !== [...fingers.keys()][0]
}
function lifted(event: PointerEvent): boolean {
  fingers.delete(event.pointerId)
  if (!pinch) return false
  const turned = pinch.turns
  if (fingers.size < 2 && (!turned || !fingers.size)) pinch = null
  return fingers.size > 0 || !turned // what is held is put down with the last finger
}

// near the edge the second finger may come down beside the drawing, and turns what the first holds all the same
useEventListener(
  window,
  ['pointerdown', 'pointermove', 'pointerup', 'pointercancel'],
  (event: PointerEvent) => {
    if (event.pointerType !== 'touch' || hands.value?.contains(event.target as Node)) return
    if (event.type === 'pointerdown') {
      if (grip.holds()) touched(event)
    } else if (event.type === 'pointermove') twoFingers(event)
    else if (fingers.has(event.pointerId) && !lifted(event)) letGo(event.type === 'pointerup')
  },
)

// the bare counter moves the view when it is larger than its room
const scroller = useTemplateRef('scroller')
let pan: { x: number; y: number } | null = null
/** The area that is drawn over the board, mm. */
const area = shallowRef<{ x: number; y: number; width: number; height: number } | null>(null)
let corner: { x: number; y: number } | null = null
function ground(event: PointerEvent) {
  if (touched(event)) return
  if (!props.fixed && event.button === 0 && (event.shiftKey || props.several)) {
    ;(event.currentTarget as Element).setPointerCapture(event.pointerId)
    corner = toBoard(event.clientX, event.clientY)
    return
  }
  emit('select', null, false)
  if (props.zoom <= 1) return
  ;(event.currentTarget as Element).setPointerCapture(event.pointerId)
  pan = { x: event.clientX, y: event.clientY }
}
function follow(event: PointerEvent) {
  if (twoFingers(event)) return
  if (pan) {
    scroller.value?.scrollBy(pan.x - event.clientX, pan.y - event.clientY)
    pan = { x: event.clientX, y: event.clientY }
  }
  if (corner) {
    const p = toBoard(event.clientX, event.clientY)
    const [x, y] = [Math.min(p.x, corner.x), Math.min(p.y, corner.y)]
    area.value = { x, y, width: Math.abs(p.x - corner.x), height: Math.abs(p.y - corner.y) }
    return
  }
  const c = grip.follow(event)
  if (c) emit('carry', c.id, c.to, !event.altKey)
}
function letGo(keep: boolean) {
  pan = corner = null
  if (area.value && keep) emit('area', area.value)
  area.value = null
  const c = carried.value
  if (!grip.letGo() || !c) return
  if (keep) emit('drop', c.id, c.to)
  else emit('leave')
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
function focused(id: string) {
  // a pointer that adds to what is chosen focuses, too; what it chose stands
  if (props.selected !== id && !props.more.has(id)) emit('select', id, false)
}
function focus(id: string) {
  hands.value?.querySelector<SVGElement>(`[data-hold="${CSS.escape(id)}"]`)?.focus()
}
defineExpose({ boardPoint, focus, fit, turned })
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
      <div class="sheet" :class="{ unmeasured: !size.width.value }" :style="lies">
        <div class="flat" :class="{ turned }" :style="flat">
          <svg v-if="lens?.vision" class="only-read" aria-hidden="true">
            <filter :id="visionId" color-interpolation-filters="linearRGB">
              <feColorMatrix :values="visionMatrix" />
            </filter>
          </svg>
          <TrayPicture
            v-if="size.width.value"
            :style="[art, lensed]"
            :scene="scene"
            :scale="scale"
            :hidden="isHidden"
            :carried="carried"
            :given="given"
            :in-hand="inHand"
            :around="around"
          />
          <img v-if="before" class="before" :style="art" :src="before" alt="The tray as it lay before" />
          <svg class="layer" :viewBox="viewBox" aria-hidden="true">
            <TrayRulers :outline="tray.board?.outline ?? []" :scale="scale" :breadth="ruler" :at="view" />
          </svg>
          <svg
            ref="hands"
            class="layer hands"
            :class="{ fixed }"
            :viewBox="viewBox"
            @pointermove="follow"
            @pointerup="lifted($event) || letGo(true)"
            @pointercancel="(lifted($event), letGo(false))"
          >
            <rect
              class="ground"
              :x="view.x"
              :y="view.y"
              :width="view.w"
              :height="view.h"
              @pointerdown="ground"
            />
            <LensLayer
              v-if="lens && !lens.vision"
              :view="lens"
              :holds="visible"
              :scale="scale"
              :board="tray.board!.outline"
              :carried="carried?.id ?? null"
            />
            <g role="group" :aria-label="`The tray, ${holds.length} elements in the order they are laid`">
              <path
                v-for="h in holds"
                v-show="!hidden.has(h.e.id)"
                :key="h.e.id"
                v-memo="[h, hidden.has(h.e.id), h.e.id === selected, scale]"
                class="hold"
                :class="{ locked: h.e.locked }"
                :d="h.d"
                :stroke-width="mm(8)"
                role="button"
                tabindex="0"
                :data-hold="h.e.id"
                :aria-label="h.says"
                :aria-pressed="h.e.id === selected"
                @focus="focused(h.e.id)"
                @keydown="emit('key', h.e.id, $event)"
                @pointerdown="take($event, h.e, h.index)"
              />
            </g>
            <LensLayer
              v-if="lens?.vision"
              :view="lens"
              :holds="[]"
              :scale="scale"
              :board="tray.board!.outline"
              :carried="carried?.id ?? null"
            />
            <path
              v-if="ghosts"
              class="ghost"
              :d="ghosts"
              :stroke-width="mm(1.5)"
              :stroke-dasharray="`${mm(4)} ${mm(4)}`"
            />
            <path
              v-if="carried && chosen"
              class="ghost"
              :d="chosen.d"
              :stroke-width="mm(1.5)"
              :stroke-dasharray="`${mm(4)} ${mm(4)}`"
            />
            <g v-for="c in crowded" :key="c.id" :transform="c.motion" class="crowded">
              <path :d="c.d" class="halo" :stroke-width="mm(6)" />
              <path :d="c.d" :stroke-width="mm(3)" :stroke-dasharray="`${mm(7)} ${mm(4)}`" />
            </g>
            <g v-for="o in others" :key="o.e.id" class="other" :transform="motion">
              <path :d="o.d" class="halo" :stroke-width="mm(5)" />
              <path :d="o.d" :stroke-width="mm(2.5)" />
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
            <TrailHandles
              v-if="
                chosen && chosen.e.form === 'trail' && !chosen.e.locked && !carried && !fixed && !more.size
              "
              :element="chosen.e"
              :scale="scale"
              :turned="turned"
              :to-board="toBoard"
              @bend="emit('bend', chosen.e.id, $event)"
            />
            <rect
              v-if="area"
              class="area"
              v-bind="area"
              :stroke-width="mm(1.5)"
              :stroke-dasharray="`${mm(5)} ${mm(4)}`"
            />
            <TrayMarks :marks="marks" :scale="scale" @mark="emit('mark', $event)" />
          </svg>
        </div>
        <p v-if="before" class="as-before small">Before the last change</p>
      </div>
    </div>
    <p v-if="turned && !before" class="as-turned small soft">Shown turned: its near side is on the left</p>
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
  overflow: hidden;
}
.scroll.zoomed {
  overflow: auto;
}
.sheet {
  position: relative;
  user-select: none; /* what is selected would be dragged away as a picture */
}
.flat {
  position: absolute;
  transform-origin: 0 0;
}
.turned :deep(text) {
  transform-box: fill-box;
  transform-origin: center;
  transform: rotate(-90deg); /* words stay upright */
}
.turned :deep(.ruler text) {
  transform: rotate(-90deg) translateX(-5px); /* mm: the unit at its end has room */
}
.as-turned {
  position: absolute;
  left: 0;
  bottom: 0;
  margin: 0;
  padding: 2px 10px 2px 0;
  background: var(--counter);
  pointer-events: none;
}
.sheet.unmeasured {
  visibility: hidden; /* it would be seen to jump to its size */
}
.before {
  position: absolute;
  background: var(--counter);
}
.as-before {
  position: absolute;
  left: 34px;
  bottom: 8px;
  margin: 0;
  padding: 3px 10px;
  color: #fff;
  background: var(--blue);
  border-radius: 999px;
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
.ghost {
  fill: rgb(255 255 255 / 16%);
  stroke: var(--blue);
  pointer-events: none;
}
.area {
  fill: rgb(31 78 158 / 12%);
  stroke: var(--blue);
  pointer-events: none;
}
.other {
  pointer-events: none;
}
.other path {
  fill: none;
  stroke: var(--blue);
  stroke-linejoin: round;
}
.other .halo {
  stroke: #fff;
}
.crowded {
  pointer-events: none;
}
.crowded path {
  fill: none;
  stroke: #a8341f;
  stroke-linejoin: round;
}
.crowded .halo {
  stroke: #fff;
}
.hold.locked,
.fixed .hold {
  cursor: default;
}
</style>
