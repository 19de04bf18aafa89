<script setup lang="ts">
// The tray in the middle: hands, the search, and the review that follows both.
import { computed, defineAsyncComponent, nextTick, onMounted, ref, useTemplateRef, watch } from 'vue'
import { RouterLink, useRoute, useRouter } from 'vue-router'
import { onKeyStroke, refThrottled, useEventListener } from '@vueuse/core'
import type { TrayElement, TrayFile } from '@/api/tray.gen'
import HandTools from '@/components/lay/HandTools.vue'
import LensBar from '@/components/lay/LensBar.vue'
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
import { useActualSize } from '@/composables/actualSize'
import { useActs } from '@/composables/acts'
import { useGroup } from '@/composables/group'
import { useBefore } from '@/composables/before'
import { useByHand } from '@/composables/byHand'
import { useLens } from '@/composables/lens'
import { useLaying } from '@/composables/laying'
import { useMending } from '@/composables/mending'
import { useScene } from '@/composables/scene'
import { froms, type From } from '@/composables/picture'
import { useWays } from '@/composables/ways'
import { useJob } from '@/stores/job'
import { arrowOn, type Pose } from '@/tray/move'
import { across } from '@/tray/units'

// asked for when it is wanted: few look at it, and its parts are many
const PictureDialog = defineAsyncComponent(() => import('@/components/lay/PictureDialog.vue'))
const SlantPicture = defineAsyncComponent(() => import('@/components/lay/SlantPicture.vue'))
const LikeDialog = defineAsyncComponent(() => import('@/components/lay/LikeDialog.vue'))
const CardDialog = defineAsyncComponent(() => import('@/components/lay/CardDialog.vue'))
const KeysDialog = defineAsyncComponent(() => import('@/components/lay/KeysDialog.vue'))
const job = useJob()
const drawing = useScene()
const { scene, drawn } = drawing
const laying = useLaying(drawing.preview)
const ways = useWays(laying, drawing)
const { choosing } = ways
const mending = useMending()
const selected = ref<string | null>(null)
const acts = useActs(selected)
const hand = useByHand(selected)
const group = useGroup(selected)
const seen = useLens()

const canvas = useTemplateRef('canvas')
const tools = useTemplateRef('tools')
const shown = ref<number | null>(null) // which finding, from 1
const step = ref<number | null>(null)
const zoom = ref(1)
const actual = useActualSize(computed(() => canvas.value?.fit ?? 0))
const actualZoom = computed(() => {
  const z = actual.zoom.value
  return z && Math.min(12, Math.max(0.1, Math.round(z * 1000) / 1000))
})
const cardOpen = ref(false)
const cardWanted = ref(false)
watch(cardOpen, open => (cardWanted.value ||= open))
function trueSize(again: boolean) {
  if (again || !actualZoom.value) cardOpen.value = true
  else zoom.value = actualZoom.value
}
async function measured(pxPerMM: number) {
  actual.pxPerMM.value = pxPerMM
  cardOpen.value = false
  await nextTick()
  if (actualZoom.value) zoom.value = actualZoom.value
}
const earlier = useBefore()
const keysOpen = ref(false)
const likeOpen = ref(false)
const likeWanted = ref(false)
watch(likeOpen, open => (likeWanted.value ||= open))
async function layLike(id: string, title: string, of?: { revision: number; tray: number }) {
  if (await acts.like(id, title, of)) likeOpen.value = false
}
const keysWanted = ref(false)
const from = ref<From>('above')
const slanted = computed(() => from.value !== 'above' && !busy.value && step.value === null)
const pictureOpen = ref(false)
const pictureWanted = ref(false)
watch(pictureOpen, open => (pictureWanted.value ||= open))
watch(keysOpen, open => (keysWanted.value ||= open))
const style = ref('any')

const busy = computed(() => laying.running.value || choosing.value || !!mending.offer.value)
watch(mending.offer, (o, was) => {
  if (o) drawing.draw(o.tray)
  else if (was) drawing.draw(job.tray)
})
const chosen = computed(() => {
  const e = hand.element(selected.value)
  return e?.placed ? e : null
})
const review = computed(() => (choosing.value ? ways.review.value : null) ?? hand.inHand.value ?? job.review)
/** What is told in words and marks: figures follow the hand, but nobody reads words that change sixty times a second. */
const looked = refThrottled(review, 200, true, true)
const tray = computed(
  () =>
    (busy.value ? drawn.value : null) ??
    (drawn.value?.elements.length === job.elements.length ? job.tray : drawn.value),
)
const hidden = computed<ReadonlySet<string>>(() => {
  if (step.value === null || !job.prep) return new Set()
  return new Set(job.prep.steps.filter(s => s.number > step.value!).flatMap(s => s.elements))
})

/** How many things the second look says of each element; not while one is carried, as all would be named anew each frame. */
const told = computed(() => {
  const n = new Map<string, number>()
  for (const f of job.review?.findings ?? [])
    for (const id of new Set(f.elements)) n.set(id, (n.get(id) ?? 0) + 1)
  return n
})
/** Where things lay before the change that is offered. */
const ghosts = computed(() => {
  const o = mending.offer.value
  if (!o) return ''
  const now = new Map(o.tray.elements.map(e => [e.id, e]))
  const lay = (e: TrayElement) => JSON.stringify(e.pieces.map(p => p.at))
  return job.placed
    .filter(e => !now.has(e.id) || lay(now.get(e.id)!) !== lay(e))
    .flatMap(e => e.pieces.map(p => 'M' + p.outline.map(q => q.join(' ')).join('L') + 'Z'))
    .join('')
})
const mostMarks = 6
const marks = computed<Mark[]>(() => {
  // a mark belongs to a finding that is told, and nothing is told of an empty board
  if (laying.running.value || step.value !== null || !job.placed.length || seen.view.value) return []
  return (looked.value?.findings ?? []).flatMap((f, i) => {
    const now = shown.value === i + 1
    if (i >= mostMarks && !now) return []
    const places = now && f.places ? f.places : [f] // all its places, when it is shown
    return places.map(p => ({ n: i + 1, x: p.at[0] ?? 0, y: p.at[1] ?? 0, shown: now }))
  })
})
function show(n: number) {
  shown.value = shown.value === n ? null : n
  const id = looked.value?.findings[n - 1]?.elements[0]
  if (shown.value && id && hand.element(id)?.placed) selected.value = id
}
function mend(n: number) {
  const f = looked.value?.findings[n - 1]
  if (f && !busy.value) void mending.mend(n, f)
}
watch(selected, () => (hand.before.value = null))

function select(id: string | null, adds: boolean) {
  if (id && acts.paired(id)) return
  if (id && adds) return group.toggle(id)
  const first = selected.value
  if (id && group.more.value.has(id)) {
    // one of several is taken hold of: the others stay chosen with it
    group.more.value = new Set([...group.more.value, ...(first ? [first] : [])].filter(m => m !== id))
  } else if (id !== first) group.clear()
  selected.value = id
}
/** What moves along with what is taken hold of. */
const along = (id: string) =>
  id === selected.value ? group.members.value.filter(m => m.id !== id && !m.locked).map(m => m.id) : []
const drop = (id: string, to: Pose) => void hand.drop(id, to, along(id))
const carry = (id: string, to: Pose, hugs: boolean) => hand.carry(id, to, along(id), hugs)
/** Lays only these again; everything else stays where it is. */
function layThese(members: readonly TrayElement[]) {
  if (busy.value || !members.length) return
  const seed = (job.tray!.seed % 1_000_000) + 1
  const ids = new Set(members.filter(m => !m.locked).map(m => m.id))
  group.clear()
  selected.value = null
  void laying.lay('', seed, 1, ids)
}

/** Lays what waits beside the board, where it was let go or where there is room. */
async function put(e: TrayElement, at: { x: number; y: number } | null) {
  const point = at && canvas.value?.boardPoint(at.x, at.y)
  if (at && !point) return // let go beside the board
  if (await hand.put(e, point ? { at: { ...point, turn: 0 } } : {}))
    window.setTimeout(() => canvas.value?.focus(e.id), 60)
}
function bend(id: string, path: number[][]) {
  const e = hand.element(id)
  if (e && !busy.value) void acts.bend(e, path)
}
async function nextForm(e: TrayElement) {
  const form = hand.formAfter(e)
  if (form && (await hand.put(e, { form }))) window.setTimeout(() => canvas.value?.focus(e.id), 60)
}
function key(id: string, event: KeyboardEvent) {
  const e = hand.element(id)
  if (!e || busy.value || event.ctrlKey || event.metaKey || event.altKey) return
  const some = group.members.value
  const all: Record<string, () => unknown> = {
    ...acts.keys(e, event.shiftKey),
    ...hand.keys(some.length > 1 ? [e, ...some.filter(m => m.id !== e.id)] : [e], event.shiftKey),
    ...(some.length > 1 && groupKeys(some)),
    f: () => void nextForm(e),
    t: () => group.toggle(e.id),
  }
  const pressed = arrowOn(canvas.value?.turned ?? false, event.key)
  const act = all[pressed] ?? all[pressed.toLowerCase()]
  if (!act) return
  event.preventDefault()
  act()
}

/** The acts of the keys on several things that are chosen together. */
function groupKeys(some: readonly TrayElement[]): Record<string, () => unknown> {
  return {
    r: () => layThese(some),
    x: () => some.length === 2 && acts.swap(some[0]!, some[1]!),
  }
}
function orderHands(order: string[]) {
  const says = order.length ? 'changed the order of hands' : 'went back to the usual order of hands'
  const next = { ...job.tray!, order }
  if (!order.length) delete (next as TrayFile).order
  job.changeTray(next, says)
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
  else if (mending.offer.value) mending.decline()
  else if (acts.pairing.value) acts.pairing.value = null
  else if (group.more.value.size) group.clear()
  else selected.value = shown.value = null
}

/** From above, or from the next side. */
function goRound() {
  const at = froms.findIndex(f => f[0] === from.value)
  from.value = froms[(at + 1) % froms.length]![0]
}
const keys: Record<string, () => void> = {
  i: goRound,
  b: () => void earlier.toggle(),
  '?': () => (keysOpen.value = true),
  g: () => (hand.gives.value = !hand.gives.value),
  a: () => layAll(),
  w: () => layAll(3),
  m: () => (mending.offer.value ? mending.accept() : shown.value && mend(shown.value)),
  '.': () => {
    const n = looked.value?.findings.length ?? 0
    if (n) show(((shown.value ?? 0) % Math.min(mostMarks, n)) + 1)
  },
  '+': () => tools.value?.nearer(),
  '-': () => tools.value?.farther(),
  home: () => (zoom.value = 1),
  ...Object.fromEntries([0, 1, 2, 3, 4, 5, 6, 7, 8, 9].map(n => [n, () => seen.key(n)])),
  escape,
}
onKeyStroke(e => {
  const typing = 'input:not([type=checkbox]), textarea, select, [role=combobox], [role=dialog]'
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
  const most = (k: 0 | 1) => Math.max(0, ...outline.map(p => p[k] ?? 0))
  const called = name.split(', ').filter(part => !part.includes('×')) // its size, where it is named by it, is said in the units that are set
  return [...called, across(most(0), most(1))].join(', ')
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
        @like="likeOpen = true"
      />
    </template>
    <TraySwitch drawn />

    <WaitingStrip v-if="job.waiting.length && !busy" :elements="job.waiting" @put="put" />
    <p v-if="hand.wrong.value || laying.says.value" class="card told small" role="alert">
      ▲ {{ hand.wrong.value || laying.says.value }}
    </p>
    <SearchSays
      v-if="laying.unfit.value.length && !busy"
      :unfit="laying.unfit.value"
      :would="laying.would.value"
    />

    <LensBar
      v-if="seen.view.value && !busy"
      v-model:word="seen.word.value"
      :view="seen.view.value"
      @close="seen.key(0)"
    />
    <WaysToLay
      v-if="choosing"
      :ways="laying.ways.value"
      :looked="ways.looked.value"
      @look="ways.lookAt"
      @build="ways.build"
    />
    <SlantPicture
      v-if="slanted && tray"
      class="canvas"
      :tray="tray"
      :from="from"
      :marks="marks"
      :says="`The tray ${froms.find(f => f[0] === from)![1].toLowerCase()}, ${job.placed.length} elements`"
      @mark="show"
    />
    <TrayCanvas
      v-else-if="scene && tray"
      ref="canvas"
      class="canvas"
      :scene="scene"
      :tray="tray"
      :selected="selected"
      :more="group.more.value"
      :several="group.several.value"
      :hidden="hidden"
      :ghosts="ghosts"
      :marks="marks"
      :findings="told"
      :lens="busy || step !== null ? null : seen.view.value"
      :zoom="zoom"
      :before="busy || step !== null ? '' : earlier.url.value"
      :given="hand.given.value"
      :stuck="hand.stuck.value"
      :drawn="hand.drawn.value"
      :fixed="busy"
      @select="select"
      @area="group.within"
      @bend="bend"
      @carry="carry"
      @drop="drop"
      @leave="hand.leave"
      @zoom="zoom = $event"
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
      v-model:several="group.several.value"
      v-model:lens="seen.lens.value"
      v-model:from="from"
      :chosen="chosen"
      :place="scene?.places[job.elements.indexOf(chosen!)] ?? ''"
      :other-form="!!chosen && !!hand.formAfter(chosen)"
      :acts="acts"
      :members="group.members.value"
      :actual="actualZoom"
      :before="!!earlier.url.value"
      @turn="(e, by) => hand.nudge([e], 0, 0, by)"
      @form="nextForm"
      @lock="e => hand.lock([e])"
      @take-off="e => hand.takeOff([e])"
      @lock-all="hand.lock"
      @take-all-off="hand.takeOff"
      @lay-these="layThese"
      @keys="keysOpen = true"
      @picture="pictureOpen = true"
      @actual="trueSize"
      @before="earlier.toggle"
    />
    <OrderOfHands
      v-if="job.prep"
      :sheet="job.prep"
      :at="step"
      :wished="!!job.tray!.order?.length"
      @at="step = $event"
      @order="orderHands"
    />
    <PictureDialog v-if="pictureWanted" v-model="pictureOpen" :from="from" />
    <LikeDialog v-if="likeWanted" v-model="likeOpen" :busy="acts.busy.value" @like="layLike" />
    <CardDialog v-if="cardWanted" v-model="cardOpen" :was="actual.pxPerMM.value" @taken="measured" />
    <KeysDialog v-if="keysWanted" v-model="keysOpen" />

    <template #look>
      <SecondLook
        :review="review"
        :findings="looked?.findings ?? []"
        :before="hand.before.value"
        :shown="shown"
        :laid="job.placed.length > 0 || choosing"
        :mending="mending.mending.value"
        :offer="mending.offer.value"
        :still="choosing"
        @accept="mending.accept"
        @decline="mending.decline"
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
