<script setup lang="ts">
// What follows from the brief, and what the last change of it changed.
import { computed, shallowRef, watch } from 'vue'
import type { Outlook } from '@/api/client'
import { area, money } from '@/tray/units'
import { changes } from '@/tray/outlook'
import { count, grams, minutes } from '@/tray/words'

const props = defineProps<{ outlook: Outlook | null; wrong: string; boards: string }>()
const emit = defineEmits<{ use: [boards: string[]]; apart: [] }>()

const before = shallowRef<Outlook | null>(null)
watch(
  () => props.outlook,
  (_, was) => (before.value = was ?? null),
)
const changed = computed(() => (props.outlook && before.value ? changes(before.value, props.outlook) : []))
const most = computed(() => Math.max(1, ...(props.outlook?.grams ?? []).map(g => g.grams)))
const kinds = computed(() => new Map(props.outlook?.kinds.map(k => [k.category, k.count]) ?? []))
const over = computed(() => (props.outlook?.over ?? 0) > 0)
</script>

<template>
  <section class="panel">
    <h2>What follows</h2>
    <p v-if="wrong" class="card" role="alert">▲ {{ wrong }}</p>
    <template v-if="outlook">
      <p class="score">
        <span class="big figure">{{ grams(outlook.total_g) }}</span>
        <span class="soft small"
          >of food for {{ count(outlook.appetites, 'portion') }},
          {{ grams(outlook.total_g / Math.max(0.5, outlook.appetites)) }} each</span
        >
      </p>
      <div class="card changed" aria-live="polite">
        <template v-if="changed.length">
          <b>That changed</b>
          <ul>
            <li v-for="c in changed" :key="c.what">
              <span>{{ c.what }}</span> <span class="nums">{{ c.how }}</span>
            </li>
          </ul>
        </template>
        <span v-else class="soft small">Change something, and this says what it changes.</span>
      </div>
      <ul class="shares">
        <li v-for="g in outlook.grams" :key="g.category">
          <span
            >{{ g.category
            }}<span v-if="kinds.get(g.category)" class="soft"
              ><span class="only-read">, kinds:</span> {{ kinds.get(g.category) }}</span
            ></span
          >
          <span class="bar"><span :style="{ width: (100 * g.grams) / most + '%' }" /></span>
          <span class="nums">{{ grams(g.grams) }}</span>
        </li>
      </ul>
      <dl class="card facts">
        <dt>Basket</dt>
        <dd>
          about {{ money(outlook.basket_cost)
          }}<template v-if="outlook.budget"
            >, {{ over ? '▲ over' : 'within' }} {{ money(outlook.budget) }}</template
          >
        </dd>
        <dt>Handwork</dt>
        <dd>about {{ minutes(outlook.minutes) }}</dd>
        <dt>Stands out</dt>
        <dd>{{ minutes(outlook.hold_minutes) }} at most</dd>
      </dl>
      <h3>{{ outlook.trays.length > 1 ? 'Boards' : 'Board' }}</h3>
      <ul class="plain small">
        <li v-for="(t, i) in outlook.trays" :key="i">
          <b>{{ t.name }}</b><template v-if="t.copies > 1"> × {{ t.copies }}</template
          ><template v-if="t.who">, {{ t.who }}</template
          ><template v-if="t.share < 1">, {{ Math.round(100 * t.share) }} % of the food</template>
        </li>
      </ul>
      <template v-if="outlook.surfaces.length">
        <p class="small soft">The food asks for {{ area(outlook.room_cm2) }}. These carry it:</p>
        <ul class="surfaces">
          <li v-for="s in outlook.surfaces" :key="s.name">
            <span class="small"
              ><b>{{ s.name }}</b> <span class="soft">{{ s.says }}</span></span
            >
            <span v-if="s.boards.join() === boards" class="small soft">in use</span>
            <button v-else class="btn quiet" @click="emit('use', s.boards)">
              Use<span class="only-read"> {{ s.name }}</span>
            </button>
          </li>
        </ul>
      </template>
      <p v-for="s in outlook.says" :key="s" class="card small">{{ s }}</p>
      <button v-if="outlook.apart" class="btn" @click="emit('apart')">Give them a plate apart</button>
      <p class="small soft">{{ outlook.holding }}</p>
    </template>
  </section>
</template>

<style scoped>
.changed {
  min-height: 62px;
  padding: 10px 14px;
  font-size: var(--type-4);
}
.changed li {
  display: flex;
  justify-content: space-between;
  gap: 10px;
}
.changed .nums {
  color: var(--blue);
  font-weight: 600;
  text-align: right;
}
.shares {
  display: grid;
  gap: 6px;
  font-size: var(--type-3);
}
.shares li {
  display: grid;
  grid-template-columns: 92px 1fr 56px;
  gap: 8px;
  align-items: center;
}
.shares .nums {
  text-align: right;
}
.plain {
  display: grid;
  gap: 2px;
}
.surfaces {
  display: grid;
  gap: 2px;
}
.surfaces li {
  display: grid;
  grid-template-columns: 1fr auto;
  align-items: center;
  gap: 8px;
  border-bottom: 1px solid var(--line);
  padding: 4px 0;
  line-height: 1.3;
}
</style>
