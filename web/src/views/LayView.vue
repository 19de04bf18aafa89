<script setup lang="ts">
// The tray in the middle: hands, the search, and the review that follows both.
import { computed, ref, shallowRef, useTemplateRef, watch } from 'vue'
import { RouterLink } from 'vue-router'
import { onKeyStroke, useEventListener } from '@vueuse/core'
import { ElOption, ElSelect } from 'element-plus'
import 'element-plus/es/components/select/style/css'
import { api, body, take, Trouble, type PutAnswer, type Review } from '@/api/client'
import type { TrayElement } from '@/api/tray.gen'
import KeysDialog from '@/components/lay/KeysDialog.vue'
import OrderOfHands from '@/components/lay/OrderOfHands.vue'
import SecondLook from '@/components/lay/SecondLook.vue'
import Stage from '@/components/job/Stage.vue'
import TrayCanvas, { type Mark } from '@/components/lay/TrayCanvas.vue'
import TraySwitch from '@/components/job/TraySwitch.vue'
import WaysToLay from '@/components/lay/WaysToLay.vue'
import { useGiveWay } from '@/composables/giveWay'
import { useHandReview } from '@/composables/handReview'
import { useLaying } from '@/composables/laying'
import { useMending } from '@/composables/mending'
import { newest } from '@/composables/newest'
import { useScene } from '@/composables/scene'
import { useJob } from '@/stores/job'
import { useLarder } from '@/stores/larder'
import { moved, poseOf, type Pose } from '@/tray/move'
import { across, said } from '@/tray/units'
import { styleValues } from '@/api/contract.gen'
import { count, grams, styleSays } from '@/tray/words'

const job = useJob()
const larder = useLarder()
const drawing = useScene()
const { scene, drawn } = drawing
const hand = useHandReview()
const laying = useLaying(drawing.preview)
const giveWay = useGiveWay()
const mending = useMending()

const canvas = useTemplateRef('canvas')
const selected = ref<string | null>(null)
const shown = ref<number | null>(null)
const step = ref<number | null>(null)
const zoom = ref(1)
const keysOpen = ref(false)
const style = ref('any')
const wrong = ref('')
const before = ref<number | null>(null)

const styles = [
  { id: 'any', says: 'suits the board' },
  ...styleValues.map(id => ({ id: id as string, says: styleSays[id] })),
]

const choosing = computed(() => laying.ways.value.length > 0)
const busy = computed(() => laying.running.value || choosing.value)
const looked = ref(0)
const element = (id: string | null) => job.elements.find(e => e.id === id) ?? null
const chosen = computed(() => element(selected.value))
const ofWay = shallowRef<Review | null>(null) // of the way that is looked at
const review = computed(() => (choosing.value ? ofWay.value : null) ?? hand.inHand.value ?? job.review)
const tray = computed(
  () =>
    (laying.running.value || choosing.value ? drawn.value : null) ??
    (drawn.value?.elements.length === job.elements.length ? job.tray : drawn.value),
)

const hidden = computed<ReadonlySet<string>>(() => {
  if (step.value === null || !job.prep) return new Set()
  return new Set(job.prep.steps.filter(s => s.number > step.value!).flatMap(s => s.elements))
})
const marks = computed<Mark[]>(() => {
  // a mark belongs to a finding that is told, and nothing is told of an empty board
  if (laying.running.value || step.value !== null || !job.placed.length) return []
  return (review.value?.findings ?? [])
    .slice(0, 6)
    .map((f, i) => ({ n: i + 1, x: f.at[0] ?? 0, y: f.at[1] ?? 0, shown: shown.value === i + 1 }))
})

function show(n: number) {
  shown.value = shown.value === n ? null : n
  const id = review.value?.findings[n - 1]?.elements[0]
  if (shown.value && id && element(id)?.placed) selected.value = id
}

function mend(n: number) {
  const f = review.value?.findings[n - 1]
  if (f && !busy.value) void mending.mend(n, f)
}

// hands
function carry(id: string, pose: Pose) {
  before.value ??= job.review?.score ?? null
  hand.follow(id, pose)
}
function drop(id: string, from: Pose, to: Pose) {
  const e = element(id)
  if (!e || e.locked) return
  before.value ??= job.review?.score ?? null
  drawing.shift(job.elements.indexOf(e), from, to)
  const says = `moved the ${larder.name(e.food).toLowerCase()}`
  job.changeElement(moved(e, to), says, true)
  hand.letGo()
  giveWay.after(id, from, says)
}
watch(selected, () => (before.value = null))
function nudge(e: TrayElement, dx: number, dy: number, turn = 0) {
  if (!e.locked) canvas.value?.lift(e.id)
  const from = poseOf(e)
  drop(e.id, from, { x: from.x + dx, y: from.y + dy, turn: from.turn + turn })
}
const lock = (e: TrayElement) =>
  job.changeElement(
    { ...e, locked: !e.locked },
    `${e.locked ? 'let go of' : 'locked'} the ${larder.name(e.food).toLowerCase()}`,
    true,
  )
function takeOff(e: TrayElement) {
  selected.value = null
  job.changeElement(
    { ...e, placed: false, pieces: [], path: undefined, locked: false },
    `took the ${larder.name(e.food).toLowerCase()} off the board`,
  )
}

/** Lays an element by hand at a spot, where there is room, or in another form. */
async function put(e: TrayElement, how: { at?: Pose; form?: string }) {
  wrong.value = ''
  try {
    const { element: laid, room } = await take<PutAnswer>(
      api.POST('/api/v1/put', {
        body: body({
          tray: job.tray,
          element: e.id,
          ...(how.form ? { form: how.form } : {}),
          ...(how.at ? { at: { x: how.at.x, y: how.at.y, turn_deg: how.at.turn } } : {}),
        }),
      }),
    )
    const name = larder.name(e.food)
    job.changeElement(
      laid,
      how.form ? `${name.toLowerCase()}: another form` : `laid the ${name.toLowerCase()}`,
    )
    if (!room)
      wrong.value = `There is no free room for ${name.toLowerCase()}; it lies in the middle. Move it, or make room.`
    if (laid.placed) {
      selected.value = laid.id
      window.setTimeout(() => canvas.value?.focus(laid.id), 60)
    }
  } catch (err) {
    wrong.value = err instanceof Trouble ? err.message : 'That could not be laid.'
  }
}
/** The forms it can be given as it lies, its own among them; none where it stands in a bowl. */
const otherForms = (e: TrayElement) => {
  const takes = larder.food(e.food)?.forms.filter(f => f.takes) ?? []
  return takes.some(f => f.form === e.form) ? takes : []
}
function nextForm(e: TrayElement) {
  const forms = otherForms(e)
  if (forms.length < 2) return
  const i = forms.findIndex(f => f.form === e.form)
  void put(e, { form: forms[(i + 1) % forms.length]!.form })
}

function key(id: string, event: KeyboardEvent) {
  const e = element(id)
  if (!e || busy.value || event.ctrlKey || event.metaKey || event.altKey) return
  const big = event.shiftKey
  const d = big ? 10 : 2
  const t = big ? 15 : 5
  const acts: Record<string, () => void> = {
    ArrowLeft: () => nudge(e, -d, 0),
    ArrowRight: () => nudge(e, d, 0),
    ArrowUp: () => nudge(e, 0, -d),
    ArrowDown: () => nudge(e, 0, d),
    '[': () => nudge(e, 0, 0, -t),
    ']': () => nudge(e, 0, 0, t),
    '{': () => nudge(e, 0, 0, -t),
    '}': () => nudge(e, 0, 0, t),
    l: () => lock(e),
    f: () => nextForm(e),
    Delete: () => takeOff(e),
    Backspace: () => takeOff(e),
  }
  const act = acts[event.key] ?? acts[event.key.toLowerCase()]
  if (!act) return
  event.preventDefault()
  act()
}

onKeyStroke(e => {
  if (
    e.ctrlKey ||
    e.metaKey ||
    e.altKey ||
    (e.target as Element).closest('input, textarea, select, [role=combobox], [role=dialog]')
  )
    return
  const n = review.value?.findings.length ?? 0
  switch (e.key) {
    case '?':
      keysOpen.value = true
      break
    case 'g':
    case 'G':
      giveWay.on.value = !giveWay.on.value
      break
    case 'a':
    case 'A':
      layAll()
      break
    case 'w':
    case 'W':
      layAll(3)
      break
    case 'm':
    case 'M':
      if (shown.value) mend(shown.value)
      break
    case '.':
      if (n) show(((shown.value ?? 0) % Math.min(6, n)) + 1)
      break
    case '+':
      nearer()
      break
    case '-':
      farther()
      break
    case '0':
      zoom.value = 1
      break
    case 'Escape':
      if (laying.running.value) laying.cancel()
      else if (choosing.value) leave()
      else selected.value = shown.value = null
      break
    default:
      return
  }
  e.preventDefault()
})
const nearer = () => (zoom.value = Math.min(4, Math.round(zoom.value * 130) / 100))
const farther = () => (zoom.value = Math.max(1, Math.round(zoom.value * 77) / 100))
useEventListener(
  'wheel',
  e => {
    if (!e.ctrlKey) return
    e.preventDefault()
    if (e.deltaY < 0) nearer()
    else farther()
  },
  { passive: false },
)

// the search
let nextSeed = 0
function layAll(ways = 1) {
  if (!job.elements.length || busy.value) return
  selected.value = shown.value = step.value = null
  before.value = null
  nextSeed = job.placed.length ? (job.tray!.seed % 1_000_000) + 1 : job.tray!.seed % 1_000_000
  looked.value = 0
  void laying.lay(style.value === 'any' ? '' : style.value, nextSeed, ways)
}
watch(choosing, some => {
  if (some) lookAt(0)
})
const judge = newest(async signal => {
  const way = laying.ways.value[looked.value]
  if (way) ofWay.value = await take<Review>(api.POST('/api/v1/review', { body: body(way.tray), signal }))
}, 10)
function lookAt(i: number) {
  looked.value = i
  ofWay.value = null
  drawing.draw(laying.ways.value[i]?.tray ?? job.tray)
  judge()
}
function build() {
  const way = laying.ways.value[looked.value]
  if (way) laying.choose(way)
}
function leave() {
  laying.letGo()
  drawing.draw(job.tray)
}
// another tray, or this one changed meanwhile by an undo: the ways are of what was
watch([() => job.at, () => job.shape], () => choosing.value && leave())

// from the strip onto the board
const lifted = ref<{ e: TrayElement; x: number; y: number } | null>(null)
function lift(event: PointerEvent, e: TrayElement) {
  if (event.button !== 0 || busy.value) return
  ;(event.currentTarget as Element).setPointerCapture(event.pointerId)
  lifted.value = { e, x: event.clientX, y: event.clientY }
}
function bring(event: PointerEvent) {
  if (lifted.value) lifted.value = { ...lifted.value, x: event.clientX, y: event.clientY }
}
function layDown(event: PointerEvent) {
  const l = lifted.value
  lifted.value = null
  if (!l) return
  const at = canvas.value?.boardPoint(event.clientX, event.clientY)
  if (at) void put(l.e, { at: { ...at, turn: 0 } })
}

const amount = (e: TrayElement) =>
  e.vessel ? grams(e.grams) : `${count(e.count, 'piece')}, ${grams(e.grams)}`
const says = (e: TrayElement) => larder.food(e.food)?.forms.find(f => f.form === e.form)?.says ?? e.form
const title = computed(() => job.tray?.board?.name ?? 'Lay')
const boardSize = computed(() => {
  const o = job.tray?.board?.outline ?? []
  return across(Math.max(...o.map(p => p[0] ?? 0)), Math.max(...o.map(p => p[1] ?? 0)))
})
const heading = computed(() =>
  title.value.includes('×') ? said(title.value) : `${title.value}, ${boardSize.value}`,
)
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
      <template v-if="laying.running.value">
        <div
          class="progress"
          role="progressbar"
          aria-label="Laying the tray"
          :aria-valuenow="Math.round(laying.share.value * 100)"
          aria-valuemin="0"
          aria-valuemax="100"
        >
          <span :style="{ width: laying.share.value * 100 + '%' }" />
        </div>
        <span class="small nums said"
          >{{ count(laying.tried.value, 'layout') }} tried<template v-if="laying.best.value !== null"
            >, best {{ Math.round(laying.best.value) }}</template
          ></span
        >
        <button class="btn" @click="laying.cancel()">Stop, keep the best</button>
      </template>
      <template v-else-if="choosing">
        <button class="btn" @click="leave">None of these</button>
        <button class="btn next" @click="build">Build this one</button>
      </template>
      <template v-else>
        <ElSelect v-model="style" aria-label="Style of laying" style="width: 158px" :fit-input-width="false">
          <ElOption v-for="s in styles" :key="s.id" :value="s.id" :label="s.says" />
        </ElSelect>
        <button class="btn" aria-keyshortcuts="W" @click="layAll(3)">Three ways</button>
        <button class="btn next" aria-keyshortcuts="A" @click="layAll()">
          {{ job.placed.length ? 'Lay it another way' : 'Lay the tray' }}
        </button>
      </template>
    </template>
    <TraySwitch />

    <div v-if="job.waiting.length && !busy" class="strip" role="group" aria-label="Still beside the board">
      <span class="soft small">Still beside the board</span>
      <button
        v-for="e in job.waiting"
        :key="e.id"
        class="chip"
        :title="`${says(e)}. Drag it onto the board, or press Enter to lay it where there is room`"
        @pointerdown="lift($event, e)"
        @pointermove="bring"
        @pointerup="layDown"
        @pointercancel="lifted = null"
        @keydown.enter.prevent="put(e, {})"
        @dblclick="put(e, {})"
      >
        <img :src="larder.picture(e.food, e.form)" alt="" draggable="false" />
        {{ larder.name(e.food) }}, {{ e.vessel ? grams(e.grams) : e.count }}
      </button>
    </div>
    <p v-if="wrong || laying.says.value" class="card told small" role="alert">
      ▲ {{ wrong || laying.says.value }}
    </p>
    <details v-if="laying.unfit.value.length && !busy" class="card told small">
      <summary>
        {{ count(laying.unfit.value.length, 'food') }} did not fit as a whole; the rest waits in reserve
      </summary>
      <ul>
        <li v-for="w in laying.would.value" :key="w">
          <b>{{ said(w) }}</b>
        </li>
        <li v-for="u in laying.unfit.value" :key="u">{{ said(u) }}</li>
      </ul>
    </details>

    <WaysToLay v-if="choosing" :ways="laying.ways.value" :looked="looked" @look="lookAt" @build="build" />
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
      @carry="carry"
      @drop="drop"
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

    <div class="tools">
      <template v-if="chosen && chosen.placed">
        <span class="what"
          ><b>{{ larder.name(chosen.food) }}</b>
          <span class="soft small"
            >{{ amount(chosen) }}, {{ scene?.places[job.elements.indexOf(chosen)]
            }}{{ chosen.locked ? ', locked' : '' }}</span
          ></span
        >
        <button class="btn quiet" :disabled="chosen.locked" @click="nudge(chosen, 0, 0, -15)">
          <span aria-hidden="true">↺</span> Turn left
        </button>
        <button class="btn quiet" :disabled="chosen.locked" @click="nudge(chosen, 0, 0, 15)">
          <span aria-hidden="true">↻</span> Turn right
        </button>
        <button
          v-if="otherForms(chosen).length > 1"
          class="btn quiet"
          :disabled="chosen.locked"
          @click="nextForm(chosen)"
        >
          Next form
        </button>
        <button class="btn quiet" @click="lock(chosen)">{{ chosen.locked ? 'Let go' : 'Lock' }}</button>
        <button class="btn quiet" :disabled="chosen.locked" @click="takeOff(chosen)">Take off</button>
      </template>
      <span v-else class="soft small what">Take hold of anything to move it. What you lock stays.</span>
      <label class="small gives" title="Neighbours give way to what is moved">
        <input v-model="giveWay.on.value" type="checkbox" aria-label="Neighbours give way" />
        Give way
      </label>
      <span class="zoom">
        <button class="btn quiet" :disabled="zoom <= 1" aria-label="Farther" @click="farther">−</button>
        <button class="btn quiet" :disabled="zoom === 1" @click="zoom = 1">Whole board</button>
        <button class="btn quiet" :disabled="zoom >= 4" aria-label="Nearer" @click="nearer">+</button>
        <button class="btn quiet" aria-label="Show the keys" @click="keysOpen = true">?</button>
      </span>
    </div>
    <OrderOfHands v-if="job.prep" :sheet="job.prep" :at="step" @at="step = $event" />
    <div v-if="lifted" class="lifted" :style="{ left: lifted.x + 'px', top: lifted.y + 'px' }">
      <img :src="larder.picture(lifted.e.food, lifted.e.form)" alt="" />
    </div>
    <KeysDialog v-model="keysOpen" />

    <template #look>
      <SecondLook
        :review="review"
        :before="before"
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
.progress {
  width: 130px;
  height: 9px;
  border-radius: 5px;
  background: var(--line);
  overflow: hidden;
}
.progress span {
  display: block;
  height: 100%;
  background: var(--blue);
  transition: width 0.2s linear;
}
.said {
  min-width: 170px;
}
.strip {
  display: flex;
  gap: 8px;
  align-items: center;
  overflow-x: auto;
  padding: 2px;
}
.strip > .small {
  white-space: nowrap;
}
.chip {
  font: 500 0.87rem var(--text);
  color: var(--ink);
  background: var(--paper);
  border: 1px solid var(--line);
  border-radius: var(--radius);
  min-height: 44px;
  padding: 2px 12px 2px 6px;
  display: inline-flex;
  gap: 6px;
  align-items: center;
  white-space: nowrap;
  cursor: grab;
  touch-action: none;
  user-select: none;
}
.chip img {
  width: 36px;
  height: 36px;
}
.told {
  padding: 8px 14px;
}
.told ul {
  margin-top: 6px;
  display: grid;
  gap: 3px;
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
.tools {
  display: flex;
  align-items: center;
  min-height: 40px;
  flex-wrap: wrap;
}
.what {
  margin-right: 8px;
  min-width: 0;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.what b {
  margin-right: 4px;
}
@media (min-width: 1200px) {
  .tools {
    flex-wrap: nowrap;
  }
  .tools .btn {
    padding: 0 7px;
  }
}
.zoom {
  margin-left: 6px;
  display: flex;
  gap: 4px;
}
.gives {
  display: inline-flex;
  align-items: center;
  gap: 6px;
  margin-left: auto;
  white-space: nowrap;
  cursor: pointer;
}
.gives input {
  width: 18px;
  height: 18px;
  accent-color: var(--blue);
}
.lifted {
  position: fixed;
  pointer-events: none;
  z-index: 9;
  transform: translate(-50%, -50%);
}
.lifted img {
  width: 84px;
  height: 84px;
  filter: drop-shadow(2px 5px 5px rgb(46 26 13 / 40%));
}
</style>
