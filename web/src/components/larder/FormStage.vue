<script setup lang="ts">
// A food's forms, each drawn to scale with what it comes to: pieces, size, mass,
// minutes, and what a pack yields.
import { computed, ref, watch } from 'vue'
import { ElSlider } from 'element-plus'
import 'element-plus/es/components/slider/style/css'
import { useAsk } from '@/api/asking'
import { api, take, type FoodPage } from '@/api/client'
import ScaleDrawing from '@/components/common/ScaleDrawing.vue'
import { useLarder } from '@/stores/larder'
import { formName } from '@/tray/larder'
import { across, area, grams, length, money } from '@/tray/units'
import { count } from '@/tray/words'
import Choose from '@/components/common/Choose.vue'

const props = defineProps<{ page: FoodPage }>()
const form = ref(props.page.forms[0]!.form)
const pieces = ref(0) // 0: one generous group
const glass = ref(0)
const around = ref('') // the bowl an arc or a ring is laid round
const larder = useLarder()
void larder.read()
const bowls = computed(() => larder.all?.vessels.filter(v => v.round) ?? [])

watch(
  () => props.page.food.id,
  () => (form.value = props.page.forms[0]!.form),
)
watch(
  () => props.page.forms,
  fs => {
    if (!fs.some(f => f.form === form.value)) form.value = fs[0]!.form
  },
)
watch(form, () => {
  pieces.value = glass.value = 0
  around.value = ''
})
const { now: measure, wrong } = useAsk(() => {
  const path = { id: props.page.food.id, form: form.value }
  const query = {
    pieces: pieces.value || undefined,
    glass: glass.value || undefined,
    around: around.value || undefined,
  }
  return {
    key: ['form', path, query, props.page.version],
    ask: signal => take(api.GET('/api/v1/foods/{id}/forms/{form}', { params: { path, query }, signal })),
  }
})

const most = computed(() => {
  const group = props.page.forms.find(f => f.form === form.value)?.group ?? 1
  return Math.max(12, group * 4)
})
const one = computed(
  () =>
    measure.value?.kind === 'anchor' &&
    form.value !== 'ring' &&
    form.value !== 'criss-cross' &&
    form.value !== 'cut-round',
)
</script>

<template>
  <section class="stage" aria-label="Forms, to scale">
    <div class="forms" role="group" aria-label="Form">
      <button
        v-for="f in page.forms"
        :key="f.form"
        type="button"
        class="chip"
        :aria-pressed="form === f.form"
        @click="form = f.form"
      >
        {{ formName(f.says) }}
      </button>
    </div>
    <div class="paper">
      <ScaleDrawing
        v-if="measure"
        :svg="measure.svg"
        :box="measure.box"
        :says="`${page.food.name}, ${measure.pieces} pieces ${measure.says}, ${across(measure.length_mm, measure.across_mm)}, beside a hand`"
      />
    </div>
    <p v-if="wrong" role="alert">▲ {{ wrong }}</p>
    <div v-if="measure" class="under">
      <div class="turn">
        <label class="pieces">
          <span>Pieces</span>
          <ElSlider
            :key="form"
            :model-value="measure.form === form ? measure.pieces : 1"
            :min="1"
            :max="most"
            :show-tooltip="false"
            aria-label="Pieces"
            @update:model-value="(n: number | number[]) => (pieces = n as number)"
          />
          <b class="figure">{{ measure.pieces }}</b>
        </label>
        <label v-if="measure.around" class="round">
          <span>Round</span>
          <Choose
            :model-value="measure.around"
            label="Round"
            :width="210"
            :options="bowls.map(v => [v.id, v.name] as const)"
            @update:model-value="v => (around = v)"
          />
        </label>
        <div v-if="measure.slices" class="glasses" role="group" aria-label="Glass">
          <button
            v-for="g in page.glasses"
            :key="g.mm"
            type="button"
            class="chip"
            :aria-pressed="measure.glass_mm === g.mm"
            @click="glass = g.mm"
          >
            {{ g.name }}, {{ length(g.mm) }}
          </button>
        </div>
      </div>
      <dl class="sums nums">
        <div>
          <dt>{{ one ? 'Across' : 'Laid' }}</dt>
          <dd>{{ across(measure.length_mm, measure.across_mm) }}</dd>
        </div>
        <div>
          <dt>High</dt>
          <dd>{{ length(measure.height_mm) }}</dd>
        </div>
        <div>
          <dt>Of board</dt>
          <dd>{{ measure.area_cm2 ? area(measure.area_cm2) : 'none' }}</dd>
        </div>
        <div>
          <dt>Weighs</dt>
          <dd>{{ grams(measure.mass_g) }}</dd>
        </div>
        <div>
          <dt>Hands</dt>
          <dd>
            {{ measure.minutes < 1 ? `${Math.round(measure.minutes * 60)} s` : `${measure.minutes} min` }}
          </dd>
        </div>
        <div v-if="measure.slices">
          <dt>Slices in each</dt>
          <dd>{{ measure.slices }}</dd>
        </div>
        <div v-if="measure.vessel">
          <dt>Stands in</dt>
          <dd>{{ (measure.bowls ?? 1) > 1 ? `${measure.bowls} × ` : '' }}{{ measure.vessel }}</dd>
        </div>
      </dl>
      <p v-if="measure.yields.length" class="soft small yields">
        <span v-for="y in measure.yields" :key="y.pack_g">
          A pack of {{ grams(y.pack_g) }} ({{ money(y.price) }})
          {{
            y.pieces
              ? `gives ${count(y.pieces, 'piece')}${y.left_g >= 1 ? ` and ${grams(y.left_g)} over` : ''}`
              : measure.kind === 'anchor' && measure.vessel
                ? 'is filled in as it comes'
                : 'is too small for one'
          }}.
        </span>
      </p>
    </div>
  </section>
</template>

<style scoped>
.stage {
  display: grid;
  gap: 10px;
  align-content: start;
}
.forms,
.glasses {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
}
.paper {
  background: linear-gradient(var(--tabletop), var(--tabletop-far));
  border-radius: var(--radius-l);
  height: min(46vh, 400px);
  min-height: 260px;
  padding: 10px 14px;
}
.under {
  display: grid;
  gap: 10px;
}
.turn {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 22px;
  align-items: center;
}
.pieces {
  display: flex;
  align-items: center;
  gap: 16px;
  flex: 1 1 240px;
  max-width: 420px;
}
.pieces :deep(.el-slider) {
  flex: 1;
}
.pieces b {
  min-width: 2.2em;
  text-align: right;
}
.round {
  display: flex;
  gap: 10px;
  align-items: center;
}
.sums {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 26px;
  margin: 0;
}
.sums dt {
  color: var(--soft);
  font-size: var(--type-3);
}
.sums dd {
  margin: 0;
  font: 650 var(--type-6) var(--head);
}
.yields {
  display: grid;
}
</style>
