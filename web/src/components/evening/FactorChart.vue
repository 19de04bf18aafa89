<script setup lang="ts">
// How much of each food is really eaten, of what a grown-up is reckoned with: a dot, and a bar for how sure that is.
import { computed } from 'vue'
import { scaleLog } from 'd3-scale'
import type { LoggedFood } from '@/api/client'
import { count } from '@/tray/words'

const props = defineProps<{
  foods: readonly LoggedFood[]
  picture: (food: string) => string
  chosen: string
}>()
const emit = defineEmits<{ choose: [food: string] }>()
const x = scaleLog().domain([0.35, 2.6]).range([0, 100]).clamp(true)
const marks = [
  [0.5, 'half'],
  [1, 'as planned'],
  [1.5, 'half more'],
  [2, 'twice'],
] as const
const rows = computed(() =>
  props.foods.map(f => ({
    ...f,
    at: x(f.factor),
    from: x(Math.max(0.1, f.factor - f.sd)),
    to: x(f.factor + f.sd),
  })),
)
</script>

<template>
  <div class="chart">
    <div class="scale small soft" aria-hidden="true">
      <span v-for="[v, says] in marks" :key="v" :style="{ left: `${x(v)}%` }">{{ says }}</span>
    </div>
    <ul aria-label="How much they really eat">
      <li v-for="f in rows" :key="f.food">
        <button
          :aria-expanded="f.food === chosen"
          :aria-label="`${f.name}: ${f.factor.toFixed(2)} of its share, give or take ${f.sd.toFixed(2)}, ${count(f.evenings, 'evening')}`"
          @click="emit('choose', f.food)"
        >
          <img :src="picture(f.food)" alt="" loading="lazy" />
          <b>{{ f.name }}</b>
          <span class="line">
            <i
              v-for="[v] in marks"
              :key="v"
              class="mark"
              :class="{ one: v === 1 }"
              :style="{ left: `${x(v)}%` }"
            />
            <i class="sure" :style="{ left: `${f.from}%`, width: `${f.to - f.from}%` }" />
            <i class="dot" :style="{ left: `${f.at}%` }" />
          </span>
          <span class="soft small nums">{{ f.factor.toFixed(2) }} · {{ count(f.evenings, 'evening') }}</span>
        </button>
        <ul v-if="f.food === chosen" class="because">
          <li v-for="b in f.because" :key="b">{{ b }}</li>
        </ul>
      </li>
    </ul>
  </div>
</template>

<style scoped>
.chart {
  --name: 240px;
  --say: 130px;
}
.scale {
  position: relative;
  height: 20px;
  margin: 0 calc(var(--say) + 12px) 0 calc(var(--name) + 12px);
}
.scale span {
  position: absolute;
  transform: translateX(-50%);
  white-space: nowrap;
}
button {
  width: 100%;
  display: grid;
  grid-template-columns: 34px calc(var(--name) - 44px) 1fr var(--say);
  gap: 10px;
  align-items: center;
  min-height: 40px;
  padding: 0;
  font: inherit;
  text-align: left;
  color: inherit;
  background: none;
  border: 0;
  border-radius: var(--radius-m);
  cursor: pointer;
}
button:hover {
  background: var(--linen);
}
img {
  width: 34px;
  height: 34px;
}
.line {
  position: relative;
  height: 100%;
  min-height: 40px;
}
.line i {
  position: absolute;
}
.mark {
  top: 0;
  bottom: 0;
  border-left: 1px solid var(--line);
}
.mark.one {
  border-left: 2px dotted var(--line-strong);
}
.sure {
  top: calc(50% - 5px);
  height: 10px;
  border-radius: var(--radius-s);
  background: var(--blue-pale);
}
.dot {
  top: calc(50% - 7px);
  width: 14px;
  height: 14px;
  margin-left: -7px;
  border-radius: 50%;
  background: var(--blue);
}
.because {
  display: grid;
  gap: 4px;
  padding: 4px 12px 12px 44px;
  font-size: var(--type-4);
  color: var(--soft);
}
@media (max-width: 760px) {
  .scale {
    margin: 0 12px;
  }
  .scale span:nth-child(3) {
    display: none;
  }
  button {
    grid-template-columns: 34px 1fr auto;
    margin-bottom: 8px;
  }
  .line {
    grid-row: 2;
    grid-column: 1 / -1;
    min-height: 26px;
    margin: 0 12px;
  }
}
</style>
