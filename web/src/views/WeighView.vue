<script setup lang="ts">
// Weighing out, food by food: the target, the live weight, over and under in grams and pieces.
import { computed, onMounted, ref, watch } from 'vue'
import { RouterLink, useRoute } from 'vue-router'
import { useWeighing } from '@/composables/weighing'
import { useLarder } from '@/stores/larder'
import { count, grams } from '@/tray/words'
import '@/style/dark.css'
import NumberField from '@/components/common/NumberField.vue'

const route = useRoute()
const id = String(route.params.id)
const w = useWeighing(id)
const larder = useLarder()
onMounted(() => {
  void w.open()
  void larder.read()
})
const hand = ref<number | null>(null)
watch(w.at, () => (hand.value = null))

const live = computed(() => {
  const s = w.scale.value
  return s?.there && !s.says && !s.over ? s.grams : null
})
const off = computed(() => (live.value === null || !w.now.value ? null : live.value - w.now.value.grams))
const verdict = computed(() => {
  const [p, d] = [w.now.value, off.value]
  if (!p || d === null) return ''
  if (Math.abs(d) <= p.within_g) return w.scale.value?.steady ? 'right' : 'nearly'
  const pieces = p.piece_g ? Math.round(Math.abs(d) / p.piece_g) : 0
  const of = pieces ? `, about ${count(pieces, 'piece')}` : ''
  return d < 0 ? `${grams(-d)} more${of}` : `${grams(d)} too much${of}`
})
const share = computed(() =>
  w.now.value && live.value !== null ? Math.max(0, Math.min(1.25, live.value / w.now.value.grams)) : 0,
)
const done = computed(() => w.portions.value.filter(p => w.weighed.value.has(w.key(p))).length)
const shown = (g: number) => g.toFixed(g < 100 ? 1 : 0)
</script>

<template>
  <main id="work" class="dark weigh">
    <header>
      <RouterLink :to="{ name: 'prep', params: { id } }" class="leave">‹ Prep</RouterLink>
      <h1>{{ w.title.value || 'Weigh out' }}</h1>
      <label class="by"
        ><input v-model="w.byItself.value" type="checkbox" /> next by itself when it is right and still</label
      >
      <p class="nums">{{ done }} of {{ w.portions.value.length }}</p>
    </header>
    <p v-if="w.wrong.value" class="note" role="alert">▲ {{ w.wrong.value }}</p>
    <p v-if="w.scale.value?.says" class="note" role="status">{{ w.scale.value.says }}</p>
    <p v-else-if="w.scale.value?.over" class="note" role="status">
      More lies on the scale than it weighs. Take some off.
    </p>

    <p v-if="w.differ.value.length" class="note over-to" role="status">
      {{ count(w.differ.value.length, 'food') }}
      {{ w.differ.value.length === 1 ? 'weighs' : 'weigh' }} something else than planned.
      <button class="wet small" @click="w.takeOver">Take the weights over to the tray</button>
    </p>
    <p v-else-if="w.taken.value.length" class="note" role="status">
      The job has these amounts now, and undo on its stages takes them back. {{ w.taken.value.join(' ') }}
    </p>
    <div v-if="w.now.value" class="two">
      <ol class="list" aria-label="What is weighed">
        <li v-for="(p, i) in w.portions.value" :key="w.key(p)">
          <button :aria-current="i === w.at.value ? 'step' : undefined" @click="w.at.value = i">
            <img :src="larder.picture(p.food, p.form)" alt="" loading="lazy" />
            <span>{{ larder.name(p.food) }}</span>
            <span class="nums">{{
              w.weighed.value.has(w.key(p)) ? '✓ ' + grams(w.weighed.value.get(w.key(p))!) : grams(p.grams)
            }}</span>
          </button>
        </li>
      </ol>
      <section class="now" aria-live="polite">
        <p class="name">{{ larder.name(w.now.value.food) }}</p>
        <p class="target nums">{{ grams(w.now.value.grams) }}</p>
        <p v-if="w.now.value.bought_g > w.now.value.grams" class="soft nums">
          from about {{ grams(w.now.value.bought_g) }} as bought
        </p>
        <p class="live nums" :class="{ right: verdict === 'right' }">
          {{ live === null ? '–' : shown(live) }}<span> g</span>
        </p>
        <div class="bar-of" aria-hidden="true">
          <span :style="{ width: `${share * 80}%` }" :class="{ much: share > 1.02 }" /><i />
        </div>
        <p class="verdict" role="status">{{ verdict }}</p>
        <div class="acts">
          <button v-if="w.scale.value?.there" class="wet" @click="w.tare">Tare</button>
          <button
            class="wet go"
            :disabled="live === null || live <= 0"
            @click="live !== null && w.record(live)"
          >
            Take it
          </button>
        </div>
        <form class="hand" @submit.prevent="hand !== null && w.record(hand)">
          <label>By hand, g <NumberField v-model="hand" :min="0" :max="100000" :width="110" /></label>
          <button class="wet small">Record</button>
        </form>
        <p v-if="w.scale.value?.simulated" class="pan">
          The scale is simulated. Lay on it:
          <button v-for="g in [-50, -5, 5, 50]" :key="g" class="wet small" @click="w.load(g)">
            {{ g > 0 ? `+${g}` : g }}
          </button>
          <button class="wet small" @click="w.load(w.now.value!.grams - (live ?? 0))">what is wanted</button>
        </p>
      </section>
    </div>
    <p v-else-if="!w.wrong.value" class="note">There is nothing to weigh yet: foods come first.</p>
  </main>
</template>

<style scoped>
.over-to {
  display: flex;
  align-items: center;
  gap: 14px;
  flex-wrap: wrap;
}
header p {
  margin: 0;
  font-size: var(--type-7);
}
.by {
  display: inline-flex;
  gap: 8px;
  align-items: center;
  min-height: 44px;
}
.two {
  flex: 1;
  min-height: 0;
  display: grid;
  grid-template-columns: 360px 1fr;
  gap: 34px;
}
.list {
  overflow-y: auto;
  display: grid;
  align-content: start;
  gap: 2px;
}
.list button {
  display: grid;
  grid-template-columns: 40px 1fr auto;
  gap: 12px;
  align-items: center;
  width: 100%;
  min-height: 50px;
  padding: 4px 12px;
  font: inherit;
  text-align: left;
  color: inherit;
  background: none;
  border: 2px solid transparent;
  border-radius: var(--radius);
  cursor: pointer;
}
.list button[aria-current] {
  border-color: var(--night-blue);
  background: var(--night-field);
}
.list img {
  width: 40px;
  height: 40px;
  background: var(--under-food);
  border-radius: var(--radius-m);
  padding: 4px;
}
.now {
  display: flex;
  flex-direction: column;
  align-items: center;
  justify-content: center;
  gap: 10px;
  text-align: center;
}
.now p {
  margin: 0;
}
.name {
  font-size: var(--type-9);
  font-family: var(--head);
  font-weight: 700;
}
.target {
  font-size: var(--type-8);
  color: var(--night-blue);
}
.live {
  font-size: clamp(var(--type-11), 11vw, var(--type-12));
  line-height: 1;
  font-family: var(--head);
  font-weight: 800;
}
.live span {
  font-size: 0.4em;
}
.live.right {
  color: var(--night-good);
}
.bar-of {
  position: relative;
  width: min(560px, 90%);
  height: 16px;
  background: var(--night-raised);
  border-radius: var(--radius-m);
  overflow: hidden;
}
.bar-of span {
  display: block;
  height: 100%;
  background: var(--night-blue);
}
.bar-of .much {
  background: var(--night-over);
}
.bar-of i {
  position: absolute;
  left: 80%;
  top: 0;
  bottom: 0;
  width: 3px;
  background: var(--white);
}
.verdict {
  min-height: 2.2rem;
  font-size: var(--type-8);
}
.acts,
.hand,
.pan {
  display: flex;
  gap: 10px;
  align-items: center;
  flex-wrap: wrap;
  justify-content: center;
}
.weigh .wet {
  min-height: 64px;
  min-width: 130px;
  padding: 0 20px;
  font-size: var(--type-7);
}
.weigh .wet.small {
  min-height: 44px;
  min-width: 56px;
  font-size: var(--type-5);
}
.hand input {
  width: 110px;
  margin-left: 6px;
}
@media (max-width: 760px) {
  .two {
    grid-template-columns: 1fr;
    overflow-y: auto;
  }
  .list {
    max-height: 26vh;
  }
}
</style>
