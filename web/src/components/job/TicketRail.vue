<script setup lang="ts">
// The kitchen ticket: the job's stages in the order of work, each with the one
// figure that matters. It is the way around and the summary at once.
import { computed, nextTick, useTemplateRef, watch } from 'vue'
import { RouterLink, useRoute } from 'vue-router'
import TornEdge from '@/components/common/TornEdge.vue'
import { useJob } from '@/stores/job'
import { clock, count, grams, minutes, money, numberWord, occasions, time, when } from '@/tray/words'

const job = useJob()
const route = useRoute()

const foods = computed(
  () => new Set(job.trays.flatMap(t => [...t.elements, ...t.reserve].map(e => e.food))).size,
)
const toMend = computed(() => job.review?.findings.filter(f => f.severity !== 'note').length ?? 0)

const stages = computed(() => {
  const d = job.doc
  if (!d) return []
  const b = d.brief
  const guests = (b.guests.adults ?? 0) + (b.guests.children ?? 0)
  const picked = d.elements.length > 0
  const prep = job.prep
  const lay = () => {
    if (!picked) return 'nothing to lay yet'
    if (!job.placed.length) return 'not laid yet'
    const score = Math.round(job.review?.score ?? 0)
    return toMend.value ? `${score}, ${numberWord(toMend.value)} to mend` : `${score}, nothing to mend`
  }
  const begin = () => {
    if (!picked || !prep) return 'after the pick'
    const m = job.basket?.minutes ?? prep.minutes // all trays
    return `${minutes(m)} to cut and lay`
  }
  const at = time(b.serve_at)
  const serves = () => (at ? clock(at) : 'no time set')
  const back = () => (at && at.getTime() < Date.now() ? 'what came home' : 'afterwards')
  return [
    {
      to: 'brief',
      name: 'Brief',
      figure: `${count(guests, 'guest')}, ${occasions[b.occasion ?? 'nibble']}`,
      open: '',
    },
    {
      to: 'pick',
      name: 'Pick',
      figure: picked ? count(foods.value, 'food') : 'no foods yet',
      open: picked ? '' : 'open',
    },
    {
      to: 'amounts',
      name: 'Amounts',
      figure:
        picked && job.basket
          ? `${grams(job.basket.on_tray_g + job.basket.reserve_g)} · ${money(job.basket.basket_cost)}`
          : 'after the pick',
      open: '',
    },
    {
      to: 'lay',
      name: 'Lay',
      figure: lay(),
      open: picked && job.waiting.length ? `${job.waiting.length} open` : '',
    },
    { to: 'prep', name: 'Prep', figure: begin(), open: '' },
    { to: 'serve', name: 'Serve', figure: serves(), open: '' },
    { to: 'look-back', name: 'Look back', figure: back(), open: '' },
  ]
})
const now = computed(() => String(route.name ?? ''))
// on a phone the stages lie side by side: the one that is open is brought into sight
const stagesBar = useTemplateRef('stagesBar')
watch(
  now,
  async () => {
    await nextTick()
    const bar = stagesBar.value
    const on = bar?.querySelector<HTMLElement>('.now')
    if (bar && on) bar.scrollLeft = on.offsetLeft - (bar.clientWidth - on.offsetWidth) / 2
  },
  { immediate: true, flush: 'post' },
)
</script>

<template>
  <aside class="rail" aria-label="The job">
    <div class="ticket">
      <RouterLink class="back" to="/">‹ Jobs</RouterLink>
      <header v-if="job.doc" class="head">
        <strong class="title">{{ job.doc.title || 'Untitled job' }}</strong>
        <span class="soft small">{{ when(job.doc.brief.serve_at) }}</span>
        <span v-if="job.doc.brief.host" class="soft small">{{ job.doc.brief.host }}</span>
      </header>
      <nav ref="stagesBar" aria-label="Stages of the job">
        <RouterLink
          v-for="s in stages"
          :key="s.to"
          :to="{ name: s.to }"
          class="stage"
          :class="{ now: now === s.to }"
          :aria-current="now === s.to ? 'step' : undefined"
        >
          <span class="name">{{ s.name }}</span>
          <span v-if="s.open" class="open">{{ s.open }}</span>
          <span class="figure-line nums">{{ s.figure }}</span>
        </RouterLink>
      </nav>
    </div>
    <TornEdge />
  </aside>
</template>

<style scoped>
.rail {
  width: 162px;
  flex: none;
  margin-left: 16px;
  align-self: start;
  position: sticky;
  top: 0;
}
.ticket {
  background: var(--paper);
  min-height: calc(100vh - 46px);
  padding-bottom: 18px;
}
.back {
  display: flex;
  align-items: center;
  min-height: 44px;
  padding: 0 16px;
  color: var(--blue);
  text-decoration: none;
  font-weight: 600;
  font-size: var(--type-4);
}
.head {
  display: flex;
  flex-direction: column;
  gap: 4px;
  padding: 2px 16px 14px;
}
.title {
  font-family: var(--head);
  font-size: var(--type-6);
  line-height: 1.15;
  font-weight: 700;
  overflow-wrap: anywhere;
  margin-bottom: 3px;
}
nav {
  border-top: 1.5px dashed var(--line-strong);
  display: flex;
  flex-direction: column;
}
.stage {
  display: grid;
  grid-template-columns: 1fr auto;
  align-items: baseline;
  gap: 1px 6px;
  padding: 12px 16px 12px;
  color: var(--ink);
  text-decoration: none;
  border-bottom: 1px solid var(--line);
}
.stage:hover {
  background: var(--linen);
}
.name {
  font-weight: 650;
}
.open {
  font-size: var(--type-2);
  font-weight: 650;
  color: var(--blue);
}
.figure-line {
  grid-column: 1 / -1;
  font-size: var(--type-3);
  color: var(--soft);
  line-height: 1.3;
}
.stage.now {
  background: var(--blue);
  color: var(--white);
  border-bottom-color: var(--blue);
}
.stage.now .figure-line,
.stage.now .open {
  color: var(--white);
}
@media (max-width: 900px) {
  .rail {
    position: static;
    width: auto;
    margin: 0 12px;
    align-self: stretch;
  }
  .stage {
    flex: 1;
  }
  .ticket {
    min-height: 0;
    padding-bottom: 4px;
  }
  nav {
    flex-direction: row;
    overflow-x: auto;
    position: relative; /* what its parts are measured from */
  }
  .stage {
    min-width: 122px;
    border-bottom: 0;
    border-right: 1px solid var(--line);
  }
}
@media (max-width: 560px) {
  .rail {
    margin: 0;
  }
  .back {
    float: left;
    padding-right: 10px;
  }
  .head {
    padding: 12px 12px 10px;
  }
  .head > :not(.title) {
    display: none;
  }
  .title {
    margin: 0;
  }
  nav {
    clear: both;
  }
  .stage {
    min-width: 96px;
    padding: 8px 12px;
  }
}
@media print {
  .rail {
    display: none;
  }
}
</style>
