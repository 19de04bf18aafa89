<script setup lang="ts">
// The ordered steps with counts, the kit and the cautions; also what is printed.
import { computed } from 'vue'
import { RouterLink } from 'vue-router'
import Stage from '@/components/job/Stage.vue'
import TraySwitch from '@/components/job/TraySwitch.vue'
import { useJob } from '@/stores/job'
import { useLarder } from '@/stores/larder'
import { clock, count, minutes, time, when } from '@/tray/words'
import { said } from '@/tray/units'

const job = useJob()
const larder = useLarder()
const sheet = computed(() => job.prep)
const serve = computed(() => time(job.tray?.brief.serve_at))
const start = computed(() => {
  if (!serve.value || !sheet.value) return ''
  return clock(new Date(serve.value.getTime() - sheet.value.begin_min * 60000))
})
const coldOut = computed(() => {
  if (!serve.value || !sheet.value) return ''
  return clock(new Date(serve.value.getTime() - sheet.value.cold_out_min * 60000))
})
const print = () => window.print()
</script>

<template>
  <Stage title="Prep" look="Kit and cautions">
    <template #acts>
      <button class="btn next" :disabled="!job.elements.length" @click="print">Print the steps</button>
    </template>
    <TraySwitch />
    <p v-if="!job.elements.length || !sheet" class="card">
      Steps follow from the foods.
      <RouterLink class="btn next" :to="{ name: 'pick' }">Pick the foods</RouterLink>
    </p>
    <template v-else>
      <p class="lead">
        <b class="figure">{{ minutes(sheet.minutes) }}</b> of handwork in
        {{ count(sheet.steps.length, 'step') }}.
        <template v-if="serve"
          >Serving is {{ when(job.tray!.brief.serve_at) }}: begin at <b>{{ start }}</b>, have the cold things
          out by <b>{{ coldOut }}</b>.</template
        >
        <template v-else
          >The coldest thing wants {{ minutes(sheet.cold_out_min) }} out of the fridge. Give the brief a
          serving time to see the clock.</template
        >
      </p>
      <p class="only-print">
        {{ job.tray!.title }}, {{ when(job.tray!.brief.serve_at) }}, {{ job.tray!.board?.name }}
      </p>
      <ol class="steps card">
        <li v-for="s in sheet.steps" :key="s.number">
          <span class="n figure">{{ s.number }}</span>
          <img loading="lazy" :src="larder.picture(s.food, s.form)" alt="" />
          <span>
            <b>{{ s.title }}</b>
            <span v-if="s.late" class="late">late: just before serving</span>
            <br />
            <span class="soft">{{ said(s.says) }}</span>
          </span>
          <span class="nums min">{{ minutes(Math.max(1, s.minutes)) }}</span>
        </li>
      </ol>
    </template>
    <template #look>
      <section v-if="sheet && job.elements.length" class="side">
        <h2>Kit to pack</h2>
        <ul class="card kit">
          <li v-for="k in sheet.kit" :key="k.tool">
            <span class="figure">{{ k.count }}</span>
            <span>
              {{ k.tool }}<br /><span class="soft small">{{ k.for.join(', ') }}</span>
            </span>
          </li>
        </ul>
        <template v-if="sheet.drinks.length">
          <h2>What to drink</h2>
          <ul class="card drinks">
            <li v-for="d in sheet.drinks" :key="d.name">
              <b>{{ d.name[0]!.toUpperCase() + d.name.slice(1) }}</b>
              <span v-if="!d.alcohol" class="soft small">, without alcohol</span><br />
              <span class="soft small">{{ d.why }}</span>
            </li>
          </ul>
        </template>
        <h2>The usual cautions</h2>
        <ul class="small cautions">
          <li v-for="c in sheet.cautions" :key="c">{{ c }}</li>
        </ul>
      </section>
    </template>
  </Stage>
</template>

<style scoped>
.lead .figure {
  font-size: 1.3rem;
}
.steps {
  padding: 4px 18px;
}
.steps li {
  display: grid;
  grid-template-columns: 30px 46px 1fr auto;
  gap: 12px;
  align-items: center;
  padding: 8px 0;
  border-bottom: 1px solid var(--line);
  break-inside: avoid;
}
.steps li:last-child {
  border-bottom: 0;
}
.n {
  font-size: 1.15rem;
}
.steps img {
  width: 46px;
  height: 46px;
}
.late {
  font-size: 0.78rem;
  font-weight: 650;
  color: var(--blue);
  margin-left: 8px;
}
.min {
  white-space: nowrap;
}
.side {
  display: grid;
  gap: 10px;
}
.kit,
.drinks {
  display: grid;
  gap: 8px;
}
.kit li {
  display: grid;
  grid-template-columns: 30px 1fr;
  gap: 8px;
  line-height: 1.3;
}
.cautions {
  display: grid;
  gap: 7px;
  padding-left: 14px;
  border-left: 3px solid var(--line-strong);
}
.only-print {
  display: none;
}
@media print {
  .only-print {
    display: block;
    font-weight: 650;
  }
  .card {
    padding: 0;
    background: none;
  }
}
</style>
