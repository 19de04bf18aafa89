<script setup lang="ts">
// The tray in the middle: hands, the search, and the review that follows both.
import { computed, defineAsyncComponent, ref, useTemplateRef, watch } from 'vue'
import LayDialogs from '@/components/lay/LayDialogs.vue'
import HandTools from '@/components/lay/HandTools.vue'
import LensBar from '@/components/lay/LensBar.vue'
import NothingToLay from '@/components/lay/NothingToLay.vue'
import OrderOfHands from '@/components/lay/OrderOfHands.vue'
import PlatesBeside from '@/components/lay/PlatesBeside.vue'
import SearchActs from '@/components/lay/SearchActs.vue'
import SearchSays from '@/components/lay/SearchSays.vue'
import SecondLook from '@/components/lay/SecondLook.vue'
import Stage from '@/components/job/Stage.vue'
import TrayCanvas from '@/components/lay/TrayCanvas.vue'
import TraySwitch from '@/components/job/TraySwitch.vue'
import WaitingStrip from '@/components/lay/WaitingStrip.vue'
import WaysToLay from '@/components/lay/WaysToLay.vue'
import { useActualSize } from '@/composables/actualSize'
import { useActs } from '@/composables/acts'
import { useGroup } from '@/composables/group'
import { useChosen } from '@/composables/chosen'
import { useLooking } from '@/composables/looking'
import { useSteps } from '@/composables/steps'
import { useStageKeys } from '@/composables/stageKeys'
import { useBefore } from '@/composables/before'
import { useByHand } from '@/composables/byHand'
import LayBar from '@/components/practice/LayBar.vue'
import { useLayIt } from '@/composables/layIt'
import { useLayAll } from '@/composables/layAll'
import { useLens } from '@/composables/lens'
import { useLaying } from '@/composables/laying'
import { useMending } from '@/composables/mending'
import { useScene } from '@/composables/scene'
import { froms, nextFrom, type From } from '@/composables/picture'
import { useWays } from '@/composables/ways'
import { useJob } from '@/stores/job'
import { headingOf } from '@/tray/words'

// asked for when it is wanted: few look at it, and its parts are many
const SlantPicture = defineAsyncComponent(() => import('@/components/lay/SlantPicture.vue'))
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
const { step, hidden, orderHands } = useSteps()
const zoom = ref(1)
const dialog = ref<'' | 'picture' | 'like' | 'card' | 'keys'>('')
const actual = useActualSize(
  computed(() => canvas.value?.fit ?? 0),
  zoom,
)
function trueSize(again: boolean) {
  if (!actual.set(again)) dialog.value = 'card'
}
async function measured(pxPerMM: number) {
  dialog.value = ''
  await actual.measured(pxPerMM)
}
const earlier = useBefore()
async function layLike(id: string, title: string, of?: { revision: number; tray: number }) {
  if (await acts.like(id, title, of)) dialog.value = ''
}
const from = ref<From>('above')
const slanted = computed(() => from.value !== 'above' && !busy.value && step.value === null)

/** Whether this board is laid to practise: by hand, and judged when it is done. */
const layIt = useLayIt()
const practising = computed(() => !!job.id && layIt.begun.value?.job === job.id)

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
const tray = computed(
  () =>
    (busy.value ? drawn.value : null) ??
    (drawn.value?.elements.length === job.elements.length ? job.tray : drawn.value),
)
const { shown, looked, told, marks, show, mend, next } = useLooking(review, {
  selected,
  covered: () => laying.running.value || step.value !== null || !!seen.view.value,
  busy: () => busy.value,
  mending,
})
watch(selected, () => (hand.before.value = null))

const { select, drop, carry, layThese, put, bend, nextForm, key } = useChosen(selected, {
  acts,
  hand,
  group,
  laying,
  canvas: () => canvas.value,
  busy: () => busy.value,
})
const { style, layAll } = useLayAll(
  laying,
  () => busy.value,
  () => {
    selected.value = shown.value = step.value = null
    hand.before.value = null
  },
)
function escape() {
  if (laying.running.value) laying.cancel()
  else if (choosing.value) ways.leave()
  else if (mending.offer.value) mending.decline()
  else if (acts.pairing.value) acts.pairing.value = null
  else if (group.more.value.size) group.clear()
  else selected.value = shown.value = null
}

const keys: Record<string, () => void> = {
  i: () => (from.value = nextFrom(from.value)),
  b: () => void earlier.toggle(),
  k: () => (dialog.value = 'keys'),
  g: () => (hand.gives.value = !hand.gives.value),
  a: () => practising.value || layAll(),
  w: () => practising.value || layAll(3),
  m: () => (mending.offer.value ? mending.accept() : shown.value && mend(shown.value)),
  '.': next,
  '+': () => tools.value?.nearer(),
  '-': () => tools.value?.farther(),
  home: () => (zoom.value = 1),
  ...Object.fromEntries([0, 1, 2, 3, 4, 5, 6, 7, 8, 9].map(n => [n, () => seen.key(n)])),
  escape,
}
useStageKeys(keys, nearer => (nearer ? tools.value?.nearer() : tools.value?.farther()))
</script>

<template>
  <Stage v-if="!job.elements.length || !job.tray!.board" title="Lay" look="Second look">
    <NothingToLay />
  </Stage>
  <Stage v-else :title="headingOf(job.tray!.board)" look="Second look" fill>
    <template #acts>
      <SearchActs
        v-if="!practising"
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
        @like="dialog = 'like'"
      />
    </template>
    <TraySwitch drawn />
    <LayBar v-if="practising" :waiting="job.waiting.length" />

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
      :marks="practising ? [] : marks"
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
      :ghosts="mending.ghosts.value"
      :marks="practising ? [] : marks"
      :findings="told"
      :lens="busy || step !== null ? null : seen.view.value"
      :zoom="zoom"
      :before="busy || step !== null ? '' : earlier.url.value"
      :given="hand.given.value"
      :stuck="hand.stuck.value"
      :drawn="hand.drawn.value"
      :tools="drawing.tools.value && (step === null || step === job.prep?.steps.length)"
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
    <p v-else class="soft canvas">{{ drawing.says.value }}</p>

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
      :actual="actual.zoom.value"
      :before="!!earlier.url.value"
      @turn="(e, by) => hand.nudge([e], 0, 0, by)"
      @form="nextForm"
      @lock="e => hand.lock([e])"
      @take-off="e => hand.takeOff([e])"
      @lock-all="hand.lock"
      @take-all-off="hand.takeOff"
      @lay-these="layThese"
      @keys="dialog = 'keys'"
      @picture="dialog = 'picture'"
      @actual="trueSize"
      @before="earlier.toggle"
    />
    <OrderOfHands
      v-if="job.prep && !practising"
      v-model:tools="drawing.tools.value"
      :sheet="job.prep"
      :at="step"
      :wished="!!job.tray!.order?.length"
      @at="step = $event"
      @order="orderHands"
    />
    <LayDialogs
      v-model="dialog"
      :from="from"
      :busy="acts.busy.value"
      :px-per-mm="actual.pxPerMM.value"
      @like="layLike"
      @taken="measured"
    />

    <template #look>
      <p v-if="practising" class="soft">The second look comes when it is laid.</p>
      <SecondLook
        v-else
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
      >
        <PlatesBeside v-if="scene?.plates.length" :plates="scene.plates" />
      </SecondLook>
    </template>
  </Stage>
</template>

<style scoped>
.told {
  padding: 8px 14px;
}
.canvas {
  flex: 1;
  min-height: clamp(240px, 72vw, 340px);
}
</style>
