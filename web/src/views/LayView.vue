<script setup lang="ts">
// The tray in the middle: hands, the search, and the review that follows both.
import { computed, defineAsyncComponent, onMounted, ref, useTemplateRef, watch } from 'vue'
import { RouterLink, useRoute, useRouter } from 'vue-router'
import { onKeyStroke, useEventListener } from '@vueuse/core'
import type { TrayElement } from '@/api/tray.gen'
import HandTools from '@/components/lay/HandTools.vue'
import OrderOfHands from '@/components/lay/OrderOfHands.vue'
import SearchActs from '@/components/lay/SearchActs.vue'
import SearchSays from '@/components/lay/SearchSays.vue'
import SecondLook from '@/components/lay/SecondLook.vue'
import Stage from '@/components/job/Stage.vue'
import TrayCanvas from '@/components/lay/TrayCanvas.vue'
import type { Mark } from '@/components/lay/TrayMarks.vue'
import TraySwitch from '@/components/job/TraySwitch.vue'
import WaitingStrip from '@/components/lay/WaitingStrip.vue'
import WaysToLay from '@/components/lay/WaysToLay.vue'
import { useByHand } from '@/composables/byHand'
import { useLaying } from '@/composables/laying'
import { useMending } from '@/composables/mending'
import { useScene } from '@/composables/scene'
import { useWays } from '@/composables/ways'
import { useJob } from '@/stores/job'
import { across, said } from '@/tray/units'

// asked for when it is wanted: few look at it, and its parts are many
const KeysDialog = defineAsyncComponent(() => import('@/components/lay/KeysDialog.vue'))
const job = useJob()
const drawing = useScene()
const { scene, drawn } = drawing
const laying = useLaying(drawing.preview)
const ways = useWays(laying, drawing)
const { choosing } = ways
const mending = useMending()
const selected = ref<string | null>(null)
const hand = useByHand(drawing, selected)

const canvas = useTemplateRef('canvas')
const tools = useTemplateRef('tools')
const shown = ref<number | null>(null) // which finding, from 1
const step = ref<number | null>(null)
const zoom = ref(1)
const keysOpen = ref(false)
const keysWanted = ref(false)
watch(keysOpen, open => (keysWanted.value ||= open))
const style = ref('any')

const busy = computed(() => laying.running.value || choosing.value)
const chosen = computed(() => {
  const e = hand.element(selected.value)
  return e?.placed ? e : null
})
const review = computed(() => (choosing.value ? ways.review.value : null) ?? hand.inHand.value ?? job.review)
const tray = computed(
  () =>
    (busy.value ? drawn.value : null) ??
    (drawn.value?.elements.length === job.elements.length ? job.tray : drawn.value),
)
const hidden = computed<ReadonlySet<string>>(() => {
  if (step.value === null || !job.prep) return new Set()
  return new Set(job.prep.steps.filter(s => s.number > step.value!).flatMap(s => s.elements))
})

const mostMarks = 6
const marks = computed<Mark[]>(() => {
  // a mark belongs to a finding that is told, and nothing is told of an empty board
  if (laying.running.value || step.value !== null || !job.placed.length) return []
  return (review.value?.findings ?? []).flatMap((f, i) => {
    const now = shown.value === i + 1
    if (i >= mostMarks && !now) return []
    const places = now && f.places ? f.places : [f] // all its places, when it is shown
    return places.map(p => ({ n: i + 1, x: p.at[0] ?? 0, y: p.at[1] ?? 0, shown: now }))
  })
})
function show(n: number) {
  shown.value = shown.value === n ? null : n
  const id = review.value?.findings[n - 1]?.elements[0]
  if (shown.value && id && hand.element(id)?.placed) selected.value = id
}
function mend(n: number) {
  const f = review.value?.findings[n - 1]
  if (f && !busy.value) void mending.mend(n, f)
}
watch(selected, () => (hand.before.value = null))

/** Lays what waits beside the board, where it was let go or where there is room. */
async function put(e: TrayElement, at: { x: number; y: number } | null) {
  const point = at && canvas.value?.boardPoint(at.x, at.y)
  if (at && !point) return // let go beside the board
  if (await hand.put(e, point ? { at: { ...point, turn: 0 } } : {}))
    window.setTimeout(() => canvas.value?.focus(e.id), 60)
}
async function nextForm(e: TrayElement) {
  const form = hand.formAfter(e)
  if (form && (await hand.put(e, { form }))) window.setTimeout(() => canvas.value?.focus(e.id), 60)
}
function key(id: string, event: KeyboardEvent) {
  const e = hand.element(id)
  if (!e || busy.value || event.ctrlKey || event.metaKey || event.altKey) return
  const acts = { ...hand.keys(e, event.shiftKey), f: () => void nextForm(e) } as Record<string, () => void>
  const act = acts[event.key] ?? acts[event.key.toLowerCase()]
  if (!act) return
  event.preventDefault()
  act()
}

function layAll(wanted = 1) {
  if (!job.elements.length || busy.value) return
  selected.value = shown.value = step.value = null
  hand.before.value = null
  const seed = job.tray!.seed % 1_000_000
  void laying.lay(style.value === 'any' ? '' : style.value, job.placed.length ? seed + 1 : seed, wanted)
}
// who comes by Lay them finds the search begun; what lies already is left alone
const route = useRoute()
const router = useRouter()
onMounted(() => {
  if (!route.query.now) return
  void router.replace({ name: 'lay' })
  if (!job.placed.length && job.tray?.board) layAll()
})
function escape() {
  if (laying.running.value) laying.cancel()
  else if (choosing.value) ways.leave()
  else selected.value = shown.value = null
}

const keys: Record<string, () => void> = {
  '?': () => (keysOpen.value = true),
  g: () => (hand.gives.value = !hand.gives.value),
  a: () => layAll(),
  w: () => layAll(3),
  m: () => shown.value && mend(shown.value),
  '.': () => {
    const n = review.value?.findings.length ?? 0
    if (n) show(((shown.value ?? 0) % Math.min(mostMarks, n)) + 1)
  },
  '+': () => tools.value?.nearer(),
  '-': () => tools.value?.farther(),
  0: () => (zoom.value = 1),
  escape,
}
onKeyStroke(e => {
  const typing = 'input, textarea, select, [role=combobox], [role=dialog]'
  const act = keys[e.key.toLowerCase()]
  if (!act || e.ctrlKey || e.metaKey || e.altKey || (e.target as Element).closest(typing)) return
  act()
  e.preventDefault()
})
useEventListener(
  'wheel',
  e => {
    if (!e.ctrlKey) return
    e.preventDefault()
    if (e.deltaY < 0) tools.value?.nearer()
    else tools.value?.farther()
  },
  { passive: false },
)

const heading = computed(() => {
  const { name = 'Lay', outline = [] } = job.tray?.board ?? {}
  if (name.includes('×')) return said(name) // it tells its size
  const most = (k: 0 | 1) => Math.max(0, ...outline.map(p => p[k] ?? 0))
  return `${name}, ${across(most(0), most(1))}`
})
</script>

<template>
  <Stage v-if="!job.elements.length || !job.tray!.board" title="Lay" look="Second look">
    <p class="card empty">
      There is nothing to lay yet: foods come first.
      <RouterLink class="btn next" :to="{ name: 'pick' }">Pick the foods</RouterLink>
    </p>
  </Stage>
  <Stage v-else :title="heading" look="Second look" fill>
    <template #acts>
      <SearchActs
        v-model:style="style"
        :running="laying.running.value"
        :share="laying.share.value"
        :tried="laying.tried.value"
        :best="laying.best.value"
        :choosing="choosing"
        :laid="job.placed.length > 0"
        @lay="layAll"
        @stop="laying.cancel()"
        @build="ways.build"
        @leave="ways.leave"
      />
    </template>
    <TraySwitch />

    <WaitingStrip v-if="job.waiting.length && !busy" :elements="job.waiting" @put="put" />
    <p v-if="hand.wrong.value || laying.says.value" class="card told small" role="alert">
      ▲ {{ hand.wrong.value || laying.says.value }}
    </p>
    <SearchSays
      v-if="laying.unfit.value.length && !busy"
      :unfit="laying.unfit.value"
      :would="laying.would.value"
    />

    <WaysToLay
      v-if="choosing"
      :ways="laying.ways.value"
      :looked="ways.looked.value"
      @look="ways.lookAt"
      @build="ways.build"
    />
    <TrayCanvas
      v-if="scene && tray"
      ref="canvas"
      class="canvas"
      :scene="scene"
      :tray="tray"
      :selected="selected"
      :hidden="hidden"
      :marks="marks"
      :zoom="zoom"
      :fixed="busy"
      @select="selected = $event"
      @carry="hand.carry"
      @drop="hand.drop"
      @key="key"
      @mark="show"
    />
    <p v-else class="soft canvas">
      {{
        drawing.missing.value
          ? 'The drawing cannot be had just now; trying again with the next change.'
          : 'Drawing the tray'
      }}
    </p>

    <HandTools
      ref="tools"
      v-model:gives="hand.gives.value"
      v-model:zoom="zoom"
      :chosen="chosen"
      :place="scene?.places[job.elements.indexOf(chosen!)] ?? ''"
      :other-form="!!chosen && !!hand.formAfter(chosen)"
      @turn="(e, by) => hand.nudge(e, 0, 0, by)"
      @form="nextForm"
      @lock="hand.lock"
      @take-off="hand.takeOff"
      @keys="keysOpen = true"
    />
    <OrderOfHands v-if="job.prep" :sheet="job.prep" :at="step" @at="step = $event" />
    <KeysDialog v-if="keysWanted" v-model="keysOpen" />

    <template #look>
      <SecondLook
        :review="review"
        :before="hand.before.value"
        :shown="shown"
        :laid="job.placed.length > 0 || choosing"
        :mending="mending.mending.value"
        :still="choosing"
        @show="show"
        @mend="mend"
      />
    </template>
  </Stage>
</template>

<style scoped>
.empty {
  display: flex;
  justify-content: space-between;
  align-items: center;
}
.told {
  padding: 8px 14px;
}
.canvas {
  flex: 1;
  min-height: 340px;
}
@media (max-width: 900px) {
  .canvas {
    min-height: min(72vw, 70vh);
  }
}
</style>
