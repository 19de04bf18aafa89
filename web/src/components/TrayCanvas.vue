<script setup lang="ts">
// The tray at true scale: the drawings below, and above them what hands can
// take hold of. While something is carried only its own drawings change.
import { computed, nextTick, ref, useId, useTemplateRef, watch } from 'vue'
import { useElementSize } from '@vueuse/core'
import type { Scene } from '@/api/client'
import type { TrayElement, TrayFile } from '@/api/tray.gen'
import { poseOf, type Pose } from '@/tray/move'
import { spoken } from '@/tray/words'
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

/** Ticks along the board, from its upper left corner: every centimetre, longer at five and ten. */
const ticks = computed(() => {
  const outline = props.tray.board?.outline ?? []
  const step = scale.value * 10 < 4 ? 5 : 1
  const along = (length: number) =>
    Array.from({ length: Math.floor(length / 10 / step) + 1 }, (_, i) => i * step).map(cm => ({
      cm,
      size: cm % 10 === 0 ? 9 : cm % 5 === 0 ? 6 : 3.5,
    }))
  return {
    w: Math.max(...outline.map(p => p[0] ?? 0)),
    h: Math.max(...outline.map(p => p[1] ?? 0)),
    x: along(Math.max(...outline.map(p => p[0] ?? 0))),
    y: along(Math.max(...outline.map(p => p[1] ?? 0))),
  }
})

const bands = computed(() =>
  props.scene.bands.map(b => {
    let shade = ''
    let pieces = ''
    let open = -1
    for (const p of b.pieces) {
      if (p.e !== open) {
        const head = `${open < 0 ? '' : '</g>'}<g data-e="${p.e}">`
        shade += head
        pieces += head
        open = p.e
      }
      shade += `<use href="#o-${p.use}" transform="translate(${p.x + p.shift} ${p.y + p.shift * 1.15}) rotate(${p.turn})"/>`
      pieces += `<use href="#${p.use}" transform="translate(${p.x} ${p.y}) rotate(${p.turn})"/>`
    }
    const end = open < 0 ? '' : '</g>'
    return { shade: shade + end, pieces: pieces + end }
  }),
)

// what is hidden or in the hand is taken out of the drawing below
const art = useTemplateRef('art')
const carried = ref<{ id: string; index: number; from: Pose; to: Pose } | null>(null)
watch(
  [bands, () => props.hidden, () => carried.value?.index],
  async () => {
    await nextTick()
    art.value?.querySelectorAll<SVGGElement>('g[data-e]').forEach(g => {
      const i = Number(g.dataset.e)
      const id = props.tray.elements[i]?.id ?? ''
      g.style.display = i === carried.value?.index || props.hidden.has(id) ? 'none' : ''
    })
  },
  { immediate: true },
)

const inHand = computed(() => {
  const c = carried.value
  if (!c) return null
  let html = ''
  let shade = ''
  for (const b of props.scene.bands)
    for (const p of b.pieces) {
      if (p.e !== c.index) continue
      html += `<use href="#${p.use}" transform="translate(${p.x} ${p.y}) rotate(${p.turn})"/>`
      shade += `<use href="#o-${p.use}" transform="translate(${p.x + 5} ${p.y + 6}) rotate(${p.turn})"/>`
    }
  return { html, shade }
})
const carryTransform = computed(() => {
  const c = carried.value
  if (!c) return ''
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
    .map(h => ({ ...h, says: spoken(h.e, larder.food(h.e.food), props.tray.board) })),
)
const chosen = computed(
  () => holds.value.find(h => h.e.id === props.selected && !props.hidden.has(h.e.id)) ?? null,
)

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
  const ys = h.e.pieces.flatMap(p => p.outline.map(q => q[1] ?? 0))
  const off = mm(26)
  const top = Math.min(...ys) - off
  return { x: h.e.x, y: top < view.value.y + mm(ruler + 8) ? Math.max(...ys) + off : top }
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

function follow(event: PointerEvent) {
  if (!grip) return
  const dx = event.clientX - grip.x
  const dy = event.clientY - grip.y
  if (!grip.on && Math.hypot(dx, dy) < 4) return
  grip.on = true
  const { from } = grip
  let to: Pose
  if (grip.turning) {
    const rect = art.value!.getBoundingClientRect()
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
  carried.value = { id: grip.id, index: grip.index, from, to }
  emit('carry', grip.id, to)
}

function letGo(keep: boolean) {
  const c = carried.value
  grip = null
  if (c && keep) emit('drop', c.id, c.from, c.to)
  carried.value = null
}

/** Where on the board, in mm, a point of the screen lies; null beside the drawing. */
function boardPoint(clientX: number, clientY: number) {
  const rect = art.value?.getBoundingClientRect()
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
defineExpose({ boardPoint, focus })
</script>

<template>
  <div ref="room" class="room">
    <div class="scroll" :class="{ zoomed: zoom > 1 }">
      <div class="sheet" :style="{ width: px.w + 'px', height: px.h + 'px' }">
        <svg ref="art" class="layer" :viewBox="viewBox" aria-hidden="true">
          <defs>
            <filter id="shade" x="-3%" y="-3%" width="106%" height="106%">
              <feGaussianBlur stdDeviation="1.9" />
            </filter>
          </defs>
          <g class="ruler" :font-size="mm(11)" :stroke-width="mm(1)">
            <path :d="`M0 ${view.y + mm(ruler - 6)}H${ticks.w}M${view.x + mm(ruler - 6)} 0V${ticks.h}`" />
            <template v-for="t in ticks.x" :key="'x' + t.cm">
              <path :d="`M${t.cm * 10} ${view.y + mm(ruler - 6)}v${mm(-t.size)}`" />
              <text v-if="t.cm % 10 === 0" :x="t.cm * 10 + mm(3)" :y="view.y + mm(11)">
                {{ t.cm }}{{ t.cm ? '' : ' cm' }}
              </text>
            </template>
            <template v-for="t in ticks.y" :key="'y' + t.cm">
              <path :d="`M${view.x + mm(ruler - 6)} ${t.cm * 10}h${mm(-t.size)}`" />
              <text v-if="t.cm % 10 === 0 && t.cm" :x="view.x + mm(1)" :y="t.cm * 10 + mm(12)">
                {{ t.cm }}
              </text>
            </template>
          </g>
          <g v-html="scene.board" />
          <g v-html="scene.sheet" />
          <template v-for="(b, i) in bands" :key="i">
            <g fill="#2e1a0d" opacity=".42" filter="url(#shade)" v-html="b.shade" />
            <g v-html="b.pieces" />
          </template>
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
            @pointerdown="emit('select', null)"
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
          <g v-if="inHand" :transform="carryTransform" class="carried">
            <g fill="#2e1a0d" opacity=".38" filter="url(#shade)" v-html="inHand.shade" />
            <g v-html="inHand.html" />
          </g>
          <g v-if="chosen" :transform="carryTransform || undefined" class="chosen">
            <mask
              :id="uid + 'm'"
              maskUnits="userSpaceOnUse"
              :x="view.x"
              :y="view.y"
              :width="view.w"
              :height="view.h"
            >
              <rect :x="view.x" :y="view.y" :width="view.w" :height="view.h" fill="#fff" />
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
            v-if="chosen && handle && !chosen.e.locked && !carried"
            class="handle"
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
  fill: transparent;
}
.hold {
  fill: transparent;
  stroke: transparent;
  pointer-events: all;
  cursor: grab;
  touch-action: none;
  outline: none;
}
.hold.locked,
.fixed .hold {
  cursor: default;
}
.carried {
  pointer-events: none;
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
