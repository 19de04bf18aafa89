<script setup lang="ts">
// The tray at true scale: its picture below, and above it what hands can take
// hold of. While something is carried only its own picture moves.
import { computed, useTemplateRef } from 'vue'
import type { LensView, Scene } from '@/api/client'
import type { TrayElement, TrayFile } from '@/api/tray.gen'
import TrayChosen from '@/components/lay/TrayChosen.vue'
import CanvasNotes from '@/components/lay/CanvasNotes.vue'
import LensedPicture from '@/components/lay/LensedPicture.vue'
import LensLayer from '@/components/lay/LensLayer.vue'
import TrailHandles from '@/components/lay/TrailHandles.vue'
import TrayOutlines from '@/components/lay/TrayOutlines.vue'
import TrayHolds from '@/components/lay/TrayHolds.vue'
import TrayMarks, { type Mark } from '@/components/lay/TrayMarks.vue'
import TrayTools from '@/components/lay/TrayTools.vue'
import TrayPicture from '@/components/lay/TrayPicture.vue'
import TrayRulers from '@/components/lay/TrayRulers.vue'
import { useGrip } from '@/composables/grip'
import { useHeld } from '@/composables/held'
import { usePointers, type Area } from '@/composables/pointers'
import { useSheet } from '@/composables/sheet'
import type { Given } from '@/tray/given'
import type { Pose } from '@/tray/move'
import { outlines } from '@/tray/outlines'
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
  tools: boolean // what guests take with is shown
  fixed: boolean // nothing can be taken hold of, while a layout is on its way
}>()
const emit = defineEmits<{
  select: [id: string | null, adds: boolean]
  area: [box: Area]
  bend: [id: string, path: number[][]]
  carry: [id: string, pose: Pose, hugs: boolean]
  drop: [id: string, to: Pose]
  leave: []
  zoom: [to: number]
  key: [id: string, event: KeyboardEvent]
  mark: [n: number]
}>()

const larder = useLarder()
const nameOf = (id: string) => {
  const e = props.tray.elements.find(e => e.id === id)
  return e ? larder.name(e.food).toLowerCase() : ''
}
const room = useTemplateRef('room')
const scroller = useTemplateRef('scroller')
const hands = useTemplateRef('hands')
const { ruler, size, turned, fit, scale, mm, view, viewBox, lies, flat, art, toBoard, pointer, boardPoint } =
  useSheet(props, room, scroller, hands)
const { carried: pulled, ...grip } = useGrip(toBoard)

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

const visible = computed(() => holds.value.filter(h => !props.hidden.has(h.e.id)))
const { carried, inHand, around, others, motion, crowded } = useHeld(props, holds, pulled)

const { area, touched, lifted, ground, follow, letGo } = usePointers(
  props,
  { hands, scroller, toBoard, carried, grip },
  emit,
)

function take(event: PointerEvent, e: TrayElement, index: number, turning = false) {
  if (touched(event) || props.fixed || event.button !== 0) return
  const adds = event.shiftKey || props.several
  emit('select', e.id, adds)
  if (!e.locked && !adds) grip.take(event, e, index, turning)
}
/** Which elements are not drawn: those of steps that are still to come. */
const isHidden = computed(() => {
  const { elements } = props.tray
  return (index: number) => props.hidden.has(elements[index]?.id ?? '')
})

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
          <LensedPicture v-if="size.width.value" v-slot="{ as }" :art="art" :lens="lens" :before="before">
            <TrayPicture
              :style="as"
              :scene="scene"
              :scale="scale"
              :hidden="isHidden"
              :carried="carried"
              :given="given"
              :in-hand="inHand"
              :around="around"
            />
          </LensedPicture>
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
            <TrayHolds
              :holds="holds"
              :hidden="hidden"
              :selected="selected"
              :scale="scale"
              :fixed="fixed"
              @focus="focused"
              @key="(id, event) => emit('key', id, event)"
              @take="take"
            />
            <LensLayer
              v-if="lens?.vision"
              :view="lens"
              :holds="[]"
              :scale="scale"
              :board="tray.board!.outline"
              :carried="carried?.id ?? null"
            />
            <TrayOutlines
              :scale="scale"
              :ghosts="ghosts"
              :left="carried && chosen ? chosen.d : ''"
              :crowded="crowded"
              :others="others"
              :motion="motion"
            />
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
            <TrayTools v-if="tools && !carried && !before" :tools="scene.tools" :food-name="nameOf" />
            <TrayMarks :marks="marks" :scale="scale" @mark="emit('mark', $event)" />
          </svg>
        </div>
      </div>
    </div>
    <CanvasNotes :before="!!before" :turned="turned" />
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
.area {
  fill: var(--blue-veil);
  stroke: var(--blue);
  pointer-events: none;
}
</style>
