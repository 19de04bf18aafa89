<script setup lang="ts">
// What the tray looks like: one canvas for all that lies, one above it for what is
// in the hand, which is moved without being painted again.
import { computed, onBeforeUnmount, onMounted, useTemplateRef, watch } from 'vue'
import { useDevicePixelRatio } from '@vueuse/core'
import type { Scene } from '@/api/client'
import type { Pose } from '@/tray/move'
import type { Given } from '@/tray/given'
import { changed, laidOut, paintHand, paintTray, toTurn, type Laid, type Sprites } from '@/tray/paint'
import { bitmap, boardSVG, useSprites } from '@/tray/sprites'
import { useTurned } from '@/tray/turned'

export type Carried = { index: number; from: Pose; to: Pose }

const props = defineProps<{
  scene: Scene
  scale: number // px for a mm
  hidden: (element: number) => boolean
  carried: Carried | null
  /** The elements in the hand: what is carried, and what moves along. */
  inHand: number[]
  /** How pieces lie that make room for it. */
  given: Given | null
  /** The box round what is carried, with room for its shadow, mm. */
  around: { x: number; y: number; width: number; height: number } | null
}>()

const { pixelRatio } = useDevicePixelRatio()
const mostPixels = 14_000_000 // of the canvas, 4 bytes each
/** px of the canvas for a mm */
const density = computed(() => {
  const [, , w, h] = props.scene.box as [number, number, number, number]
  return Math.min(props.scale * pixelRatio.value, Math.sqrt(mostPixels / (w * h)))
})
/** The canvas, px. */
const across = computed(() => {
  const [, , w, h] = props.scene.box as [number, number, number, number]
  return { width: Math.round(w * density.value), height: Math.round(h * density.value) }
})
/** Its size on the page: a px of the one is a px of the other, or each frame would be made anew from it. */
const shown = computed(() => ({
  width: (across.value.width * props.scale) / density.value + 'px',
  height: (across.value.height * props.scale) / density.value + 'px',
}))

const tray = useTemplateRef('tray')
const hand = useTemplateRef('hand')
const sprites = useSprites()
const turned = useTurned()
const turns = typeof OffscreenCanvas !== 'undefined'
const drawnOf = (scene: Scene): Sprites => ({
  of: use => sprites.sprite(scene, use),
  turned: (b, turn, scale) =>
    turned.find(b, turn) ?? (props.given && turns ? turned.near(b, turn, scale) : undefined),
})
let shadows: CanvasRenderingContext2D | null = null
let board: { svg: string; density: number; picture: CanvasImageSource } | null = null

/** What is on the canvas: the scene whose bitmaps, and how its pieces lie. */
let there: { drawings: Scene['drawings']; board: unknown; density: number; laid: Laid } | null = null

/** Paints what lies there, with the bitmaps there are; where only places changed, only around those. */
function paint(all: boolean) {
  const on = tray.value?.getContext('2d')
  if (!on) return
  shadows ??= document.createElement('canvas').getContext('2d')!
  const { scene, carried, inHand, hidden, given } = props
  const [x = 0, y = 0] = scene.box
  const { width, height } = across.value
  if (on.canvas.width !== width || on.canvas.height !== height) {
    Object.assign(on.canvas, { width, height })
    all = true
  }
  const laid = laidOut(scene, e => (carried && inHand.includes(e)) || hidden(e), given)
  const view = { x, y, scale: density.value }
  const picture = board?.picture ?? null
  const same =
    !all && there?.drawings === scene.drawings && there.board === picture && there.density === density.value
  const parts = same ? changed(scene, there!.laid, laid, view) : [undefined]
  there = { drawings: scene.drawings, board: picture, density: density.value, laid }
  turned.frame()
  for (const part of parts) paintTray(on, scene, laid, view, picture, drawnOf(scene), shadows, part)
}
function paintCarried() {
  const on = hand.value?.getContext('2d')
  if (!on || !props.carried || !props.around) return
  shadows ??= document.createElement('canvas').getContext('2d')!
  const { x, y, width, height } = props.around
  Object.assign(on.canvas, {
    width: Math.ceil(width * density.value),
    height: Math.ceil(height * density.value),
  })
  const { scene } = props
  paintHand(on, scene, props.inHand, { x, y, scale: density.value }, drawnOf(scene), shadows)
}

let turning = 0
const slice = 4 // ms, so that a hand on the screen is answered in between
/** Turns the bitmaps as they lie, in slices while nothing is carried, so that carrying has less to do. */
function turnAll() {
  window.clearTimeout(turning)
  if (!turns) return
  const { scene } = props
  const wanted = () =>
    toTurn(
      laidOut(scene, () => false, null),
      density.value,
      drawnOf(scene),
    )
  turned.keep(wanted())
  let any = false
  const go = () => {
    const until = performance.now() + slice
    const more = () => {
      any = true
      return performance.now() < until
    }
    if (props.carried) turning = window.setTimeout(go, 200)
    else if (!turned.fill(wanted(), more)) turning = window.setTimeout(go, 2 * slice)
    else if (any) paint(true) // all of it the same way
  }
  turning = window.setTimeout(go, 2 * slice)
}

let turn = 0
/** Makes the bitmaps that are missing, and paints with them. */
async function sharpen() {
  const mine = ++turn
  const { scene } = props
  const wanted = density.value
  const on = () => mine === turn
  try {
    const svg = boardSVG(scene)
    const old = board?.svg !== svg || board.density < wanted * 0.95
    if (painted && !old && !sprites.missing(scene, wanted).length) return turnAll()
    if (old) {
      const [, , w, h] = scene.box as [number, number, number, number]
      const picture = await bitmap(svg, w * wanted, h * wanted)
      if (!on()) return
      board = { svg, density: wanted, picture }
    }
    await sprites.fill(scene, wanted, on)
  } catch {
    // without a picture of the board the food is painted as it was
  }
  if (!on()) return
  painted = true
  paint(true)
  paintCarried()
  turnAll()
}

let painted = false
let resting = 0
watch(
  [() => props.scene, density, () => props.hidden, () => props.carried?.index, () => props.given],
  ([scene, dense, , index], [before, was, , held]) => {
    if (dense !== was) turned.keep([])
    if (painted) {
      // until there are new bitmaps the ones of before are stretched
      paint(false)
      if (index !== held || dense !== was || scene !== before) paintCarried()
    }
    window.clearTimeout(resting)
    if (scene.drawings !== before.drawings || scene.board !== before.board) void sharpen()
    else if (scene !== before) turnAll()
    else if (dense !== was) resting = window.setTimeout(sharpen, 120) // while one zooms
  },
  { flush: 'post' },
)
onMounted(sharpen)
onBeforeUnmount(() => {
  turn++
  window.clearTimeout(resting)
  window.clearTimeout(turning)
})

const [left, top] = [computed(() => props.scene.box[0] ?? 0), computed(() => props.scene.box[1] ?? 0)]
const place = computed(() => {
  const { carried: c, around: a, scale: s } = props
  if (!c || !a) return {}
  return {
    left: (a.x - left.value) * s + 'px',
    top: (a.y - top.value) * s + 'px',
    width: a.width * s + 'px',
    height: a.height * s + 'px',
    transformOrigin: `${(c.from.x - a.x) * s}px ${(c.from.y - a.y) * s}px`,
    transform: `translate(${(c.to.x - c.from.x) * s}px, ${(c.to.y - c.from.y) * s}px) rotate(${c.to.turn - c.from.turn}deg)`,
  }
})
</script>

<template>
  <div class="picture" aria-hidden="true">
    <canvas ref="tray" class="tray" :style="shown" />
    <canvas v-if="carried" ref="hand" class="hand" :style="place" />
  </div>
</template>

<style scoped>
.picture {
  position: absolute;
}
.tray {
  display: block;
}
.hand {
  position: absolute;
  pointer-events: none;
  will-change: transform;
}
</style>
