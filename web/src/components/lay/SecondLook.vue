<script setup lang="ts">
// What the review says about what is on the table now, worst first.
import { computed, ref } from 'vue'
import type { Finding, Review } from '@/api/client'
import Why from '@/components/common/Why.vue'
import { said } from '@/tray/units'

const props = defineProps<{
  review: Review | null
  before: number | null
  shown: number | null
  laid: boolean
  mending: number | null
  still?: boolean // of a layout that is not saved yet, so nothing can be mended
}>()
const emit = defineEmits<{ show: [n: number]; mend: [n: number] }>()

const most = 6
const why: Record<string, string> = {
  fit: 'Everything inside and apart, no bare board, nothing left beside',
  colour: 'Neighbours contrast, colours come back across the tray and stand off from the board',
  spread: 'Kinds and weight shared out over the tray',
  flow: 'Lines that lead the eye along the tray',
  pairs: 'What tastes good together sits together',
  height: 'Tall things do not hide low ones',
  service: 'Room to cut, tools, reach',
  care: 'Wet from crisp, nothing rolls, allergens and children minded',
}
const groups = computed(() =>
  Object.keys(why)
    .filter(g => props.review?.groups[g] !== undefined)
    .map(g => ({ id: g, value: Math.round(props.review!.groups[g]!) })),
)
const all = ref(false) // the smaller ones, too
const findings = computed<Finding[]>(
  () => props.review?.findings.slice(0, all.value ? undefined : most) ?? [],
)
const more = computed(() => Math.max(0, (props.review?.findings.length ?? 0) - most))
const open = ref('') // the check whose places are told one by one
const score = computed(() => Math.round(props.review?.score ?? 0))
const change = computed(() => {
  if (props.before === null || !props.review) return ''
  const d = Math.round((props.review.score - props.before) * 10) / 10
  if (d === 0) return 'no change by this move'
  return `${d > 0 ? '+' : '−'}${Math.abs(d)} by this move`
})
const severity: Record<string, string> = { stop: 'Stop', mend: 'To mend', note: 'Worth knowing' }
</script>

<template>
  <section class="panel">
    <h2>Second look</h2>
    <template v-if="review && laid">
      <p class="score">
        <span class="big figure">{{ score }}</span>
        <span class="soft">of 100<br />{{ change }}</span>
      </p>
      <ul class="groups">
        <li v-for="g in groups" :key="g.id">
          <span class="soft small"><Why :says="why[g.id]!" :label="g.id" /></span>
          <span class="bar"><span :style="{ width: g.value + '%' }" /></span>
          <span class="figure small">{{ g.value }}</span>
        </li>
      </ul>
      <ol class="findings">
        <li
          v-for="(f, i) in findings"
          :key="f.check + f.says"
          class="card"
          :class="[f.severity, { shown: shown === i + 1 }]"
        >
          <span class="n" aria-hidden="true">{{ i + 1 }}</span>
          <p class="small">
            <strong v-if="f.severity === 'stop'">{{ severity.stop }}. </strong>{{ said(f.says) }}
            <span class="acts">
              <button class="btn quiet" :aria-pressed="shown === i + 1" @click="emit('show', i + 1)">
                Show<span class="only-read"> finding {{ i + 1 }} on the tray</span>
              </button>
              <button
                v-if="!still && (f.elements.length || f.check === 'fit.gap')"
                class="btn quiet"
                :disabled="mending !== null"
                @click="emit('mend', i + 1)"
              >
                {{ mending === i + 1 ? 'Looking' : 'Mend'
                }}<span class="only-read"> finding {{ i + 1 }}</span>
              </button>
              <button
                v-if="f.places"
                class="btn quiet"
                :aria-expanded="open === f.check"
                @click="open = open === f.check ? '' : f.check"
              >
                {{ f.places.length }} places<span class="only-read"> of finding {{ i + 1 }}</span>
              </button>
            </span>
          </p>
          <ul v-if="f.places && open === f.check" class="places small">
            <li v-for="p in f.places" :key="p.says + p.at">{{ said(p.says) }}</li>
          </ul>
        </li>
      </ol>
      <button v-if="more" class="btn quiet" :aria-expanded="all" @click="all = !all">
        {{ all ? 'Only the first' : `And ${more} smaller ${more === 1 ? 'one' : 'ones'}` }}
      </button>
      <p v-if="!findings.length" class="soft">Nothing to mend. It can go out.</p>
    </template>
    <p v-else-if="laid" class="soft small" role="status">Looking at it</p>
    <p v-else class="soft small">
      As soon as something lies on the board, this says what a sharp-eyed colleague would: what runs together,
      what is bare, what a knife cannot reach.
    </p>
    <slot />
  </section>
</template>

<style scoped>
.groups {
  display: grid;
  gap: 5px;
}
.groups li {
  display: grid;
  grid-template-columns: 56px 1fr 28px;
  align-items: center;
  gap: 8px;
}
.groups .figure {
  text-align: right;
}
.findings {
  display: grid;
  gap: 8px;
}
.card {
  display: grid;
  grid-template-columns: 24px 1fr;
  gap: 9px;
  padding: 10px 12px;
  border: 2px solid transparent;
}
.card.shown {
  border-color: var(--blue);
}
.n {
  width: 23px;
  height: 23px;
  border-radius: 50%;
  background: var(--blue);
  color: #fff;
  font: 700 0.8rem/23px var(--head);
  text-align: center;
}
.note .n {
  background: var(--paper);
  color: var(--blue);
  box-shadow: inset 0 0 0 2px var(--blue);
}
.places {
  grid-column: 2;
  display: grid;
  gap: 5px;
  line-height: 1.3;
  color: var(--soft);
}
.acts {
  white-space: nowrap;
}
.card .btn {
  min-height: 24px;
  padding: 0 6px;
  font-size: inherit;
}
@media (pointer: coarse) {
  .card .btn {
    min-height: 44px;
  }
}
</style>
