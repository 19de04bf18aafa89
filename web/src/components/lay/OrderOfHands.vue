<script setup lang="ts">
// Every step as wide as the minutes it takes. Standing on a step shows the tray
// as it is when that step is done. A step is drawn to another place, unless it lies on or
// against what would come after it.
import { computed, ref, useTemplateRef } from 'vue'
import type { PrepSheet } from '@/api/client'
import { useDrag, type Pull } from '@/composables/drag'
import { useLarder } from '@/stores/larder'
import { minutes } from '@/tray/words'

const props = defineProps<{ sheet: PrepSheet; at: number | null; wished: boolean }>()
const tools = defineModel<boolean>('tools', { default: false })
const emit = defineEmits<{
  at: [step: number | null]
  /** The order that is wished, as food/form; none for the usual one. */
  order: [steps: string[]]
}>()

const larder = useLarder()
const done = computed(() =>
  props.at === null
    ? null
    : props.sheet.steps.filter(s => s.number <= props.at!).reduce((m, s) => m + s.minutes, 0),
)
const refused = ref('')
/** Moves a step to another place in the order, counted from 1, or says why not. */
function move(step: number, to: number) {
  refused.value = ''
  const { steps } = props.sheet
  const s = steps[step - 1]
  if (!s || to === step || to < 1 || to > steps.length) return
  const why =
    to < step
      ? s.after.find(n => n.step >= to)?.why
      : steps.slice(step, to).flatMap(o => o.after.filter(n => n.step === step))[0]?.why
  if (why) {
    refused.value = `${why}.`
    return
  }
  const order = steps.map(o => `${o.food}/${o.form}`)
  const [name] = order.splice(step - 1, 1)
  order.splice(to - 1, 0, name!)
  emit('order', order)
}

const list = useTemplateRef('list')
let justDrawn = 0
const drag = useDrag<number>({
  slack: 6,
  holder: () => list.value,
  dropped: (p, keep) => {
    justDrawn = performance.now()
    if (keep) move(p.of, placeOf(p))
  },
})
/** The place in the order to which a step is drawn. */
function placeOf(p: Pull<number>): number {
  const boxes = [...(list.value?.children ?? [])].map(e => e.getBoundingClientRect())
  const to = boxes.filter(b => b.left + b.width / 2 < p.at.x).length
  return Math.max(1, to >= p.of ? to : to + 1) // its own place does not count where it is drawn to the right
}
const drawn = computed(() => {
  const p = drag.pull.value
  return p && { step: p.of, x: p.at.x, to: placeOf(p) }
})
function press(step: number) {
  if (performance.now() - justDrawn < 80) return // it was drawn, not pressed
  refused.value = ''
  emit('at', step === props.at ? null : step)
}
function key(event: KeyboardEvent, step: number) {
  const by = { ArrowLeft: -1, ArrowRight: 1 }[event.key]
  if (!by || !event.altKey) return
  event.preventDefault()
  move(step, step + by)
}

const short = (title: string) => title.split(',')[0]!.toLowerCase()
</script>

<template>
  <section class="hands" aria-label="Build order" data-help="Step">
    <div class="top small">
      <span class="soft">Build order</span>
      <span class="soft nums">
        <span v-if="refused" role="alert" class="refused">▲ {{ refused }}</span>
        <template v-else-if="at !== null"
          >step {{ at }} of {{ sheet.steps.length }} · {{ minutes(done ?? 0) }} in,
          {{ minutes(sheet.minutes - (done ?? 0)) }} to go</template
        >
        <template v-else>{{ sheet.steps.length }} steps, {{ minutes(sheet.minutes) }} of handwork</template>
      </span>
      <button v-if="wished" class="btn quiet" @click="emit('order', [])">Usual order</button>
      <button
        class="btn quiet"
        :aria-pressed="tools"
        title="What guests take with; it is set last"
        @click="tools = !tools"
      >
        {{ tools ? 'Hide the tools' : 'Show the tools' }}
      </button>
      <button class="btn quiet" :disabled="at === null" @click="emit('at', null)">Whole tray</button>
    </div>
    <ol ref="list" v-on="drag.on">
      <li
        v-for="s in sheet.steps"
        :key="s.number"
        :style="{ flexGrow: Math.max(0.6, s.minutes) }"
        :class="{
          drawn: drawn?.step === s.number,
          before: drawn && drawn.to === s.number && drawn.to < drawn.step,
          behind: drawn && drawn.to === s.number && drawn.to > drawn.step,
        }"
      >
        <button
          :class="{ past: at !== null && s.number < at, now: s.number === at, held: s.held }"
          :aria-pressed="s.number === at"
          :title="`${s.number}. ${s.title}: ${s.says}, ${minutes(s.minutes)}${s.held ? '; its place is held open' : ''}`"
          aria-keyshortcuts="Alt+ArrowLeft Alt+ArrowRight"
          @pointerdown="drag.take($event, s.number)"
          @keydown="key($event, s.number)"
          @click="press(s.number)"
        >
          <img
            loading="lazy"
            draggable="false"
            :src="larder.picture(s.food, s.form, undefined, true)"
            alt=""
          />
          <span class="label" aria-hidden="true">{{ short(s.title) }}</span>
          <span class="only-read"
            >Step {{ s.number }}, {{ s.title }}, {{ minutes(s.minutes)
            }}{{ s.held ? ', its place is held open' : '' }}</span
          >
        </button>
      </li>
    </ol>
  </section>
</template>

<style scoped>
.top {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 12px;
}
.top .soft:nth-child(2) {
  margin-left: auto;
}
.top .btn {
  min-height: 28px;
}
ol {
  display: flex;
  gap: 2px;
}
li {
  flex: 1 1 0;
  min-width: 0;
  container-type: inline-size;
}
button:not(.btn) {
  width: 100%;
  height: 44px;
  border: 0;
  border-radius: var(--radius-s);
  background: var(--bar);
  color: var(--ink);
  font: 500 var(--type-2)/1.1 var(--text);
  padding: 0 4px;
  text-align: left;
  overflow: hidden;
  cursor: pointer;
  display: flex;
  align-items: center;
  gap: 4px;
}
button img {
  width: 24px;
  height: 24px;
  flex: none;
}
li.drawn {
  opacity: 0.45;
}
li.before {
  box-shadow: -4px 0 0 var(--blue);
}
li.behind {
  box-shadow: 4px 0 0 var(--blue);
}
ol {
  touch-action: pan-y;
}
.refused {
  color: var(--ink);
  font-weight: 600;
}
.label {
  max-height: 2.2em;
  overflow: hidden;
}
@container (max-width: 27px) {
  button img {
    margin-left: -3px;
  }
}
@container (max-width: 74px) {
  .label {
    display: none;
  }
  button:not(.btn) {
    justify-content: center;
  }
}
button.past {
  background: var(--paper);
}
button.now {
  background: var(--blue);
  color: var(--white);
}
.held img {
  opacity: 0.55;
}
.held .label::after {
  content: ' · last';
}
</style>
