<script setup lang="ts">
// A page that reads like a note from the host, with fields set in its
// sentences; beside it what follows from it.
import { computed, onMounted, shallowRef, watch } from 'vue'
import { RouterLink, useRouter } from 'vue-router'
import { useAsk } from '@/api/asking'
import { api, take } from '@/api/client'
import type { Brief, Rules } from '@/api/tray.gen'
import BoardLines from '@/components/brief/BoardLines.vue'
import DietLines from '@/components/brief/DietLines.vue'
import GuestLines from '@/components/brief/GuestLines.vue'
import OutlookPanel from '@/components/brief/OutlookPanel.vue'
import PeopleLines from '@/components/brief/PeopleLines.vue'
import PackLines from '@/components/brief/PackLines.vue'
import ReadyLines from '@/components/brief/ReadyLines.vue'
import RuleLines from '@/components/brief/RuleLines.vue'
import SittingLines from '@/components/brief/SittingLines.vue'
import ThemeLine from '@/components/brief/ThemeLine.vue'
import Stage from '@/components/job/Stage.vue'
import { useReplan } from '@/composables/replan'
import { useJob } from '@/stores/job'
import { useSettings } from '@/stores/settings'
import { servedAt } from '@/tray/hours'
import WrittenField from '@/components/common/WrittenField.vue'

const job = useJob()
const router = useRouter()
const { busy, wrong, replan } = useReplan()

// What is asked for while a plan of it is under way, or cannot be made: the next
// change builds on it, so that two made in haste both hold.
const draft = shallowRef<{ brief: Brief; title: string } | null>(null)
const brief = computed(() => draft.value?.brief ?? job.doc!.brief)
const title = computed(() => draft.value?.title ?? job.doc!.title)
const picked = computed(() => job.elements.length > 0)
watch(
  () => job.doc,
  () => {
    if (!busy.value) draft.value = null // an undo, say
  },
)

/** Changes the brief. What plans depend on is planned again once there is a pick. */
async function set(change: Partial<Brief>, planned = true, newTitle?: string) {
  if ('serve_at' in change) change = { ...change, ...servedAt(brief.value, change.serve_at) }
  const next = { brief: { ...brief.value, ...change }, title: newTitle ?? title.value }
  if (picked.value && (planned || draft.value)) {
    draft.value = next
    if (await replan(next.brief, 'changed the brief', next.title)) draft.value = null
  } else {
    job.change({ ...job.doc!, ...next, rules: next.brief.rules ?? {} }, 'changed the brief')
  }
}

const { now: outlook, wrong: open } = useAsk(() => {
  const body = brief.value
  return { key: ['outlook', body], ask: signal => take(api.POST('/api/v1/outlook', { body, signal })) }
})

const settings = useSettings()
onMounted(settings.read)
/** Rules with a word for each that is not the craft's own. */
const told = (rules: Rules) =>
  JSON.stringify(
    Object.entries(rules)
      .filter(([, v]) => v !== undefined)
      .sort(),
  )
// whose way it may be other than the house's: the crowd's or, where none is named, the host's
const whose = computed(() => (brief.value.crowd || brief.value.host || '').trim())
const way = computed(() => (whose.value ? settings.wayOf(whose.value) : undefined))
const asTheirs = computed(
  () => !!way.value && told(brief.value.rules ?? {}) === told(way.value.rules as Rules),
)
const asTheHouse = computed(() => told(brief.value.rules ?? {}) === told(settings.rules))

const named = computed(() =>
  (brief.value.boards?.length ? brief.value.boards : [brief.value.board])
    .map(b => (typeof b === 'string' ? b : (b?.id ?? '')))
    .join(),
)
function use(boards: string[]) {
  if (boards.length > 1) return set({ board: undefined, boards: boards.map(id => ({ id })) })
  return set({ board: { id: boards[0] }, boards: undefined })
}

async function pick() {
  if (picked.value || (await replan(brief.value, 'picked the foods'))) await router.push({ name: 'pick' })
}
</script>

<template>
  <Stage title="Brief" look="What follows from the brief">
    <template #acts>
      <button class="btn next" :disabled="busy || !!open" @click="pick">
        {{ picked ? 'To the pick' : 'Pick the foods' }}
      </button>
    </template>

    <div class="note card">
      <p class="line head">
        <label class="only-read" for="title">Name of the job</label>
        <WrittenField
          id="title"
          class="in title"
          :value="title"
          maxlength="160"
          placeholder="Name of the job"
          @written="name => set({}, false, name || 'Untitled job')"
        />
      </p>
      <div class="about" data-help="Portion"><GuestLines :brief="brief" @set="set" /></div>

      <h2 data-help="Allergens">Who avoids what</h2>
      <div class="about" data-help="Allergens">
        <DietLines :brief="brief" :apart="!!outlook?.apart" @set="set" />
      </div>

      <h2>Guests by name</h2>
      <PeopleLines :brief="brief" @set="set" />

      <h2 data-help="Pack">What is there already</h2>
      <PackLines :brief="brief" :carries="outlook?.carries ?? 0" @set="set" />

      <h2 data-help="Full board">Boards and places</h2>
      <BoardLines :brief="brief" @set="set" />

      <h2 data-help="Prep">Ready, and who works when</h2>
      <ReadyLines v-if="brief.serve_at" :brief="brief" @set="set" />
      <SittingLines
        v-if="brief.serve_at"
        :brief="brief"
        :lasts="brief.lasts_minutes || outlook?.lasts_minutes || 150"
        @set="set"
      />
      <p v-else class="soft small">Say when it is served, then the hours before it can be said.</p>

      <h2>Theme</h2>
      <ThemeLine :brief="brief" @set="set" />

      <h2>The house's way</h2>
      <p class="soft small way">
        <template v-if="asTheirs"
          >The way of {{ whose }}.
          <button class="btn quiet" @click="settings.keepWay(whose, null)">
            Forget it as theirs
          </button></template
        >
        <template v-else-if="asTheHouse"
          >As the house does; <RouterLink to="/settings">Settings</RouterLink> has it for every new
          job.</template
        >
        <template v-else
          >Other than the house usually does.
          <button class="btn quiet" @click="set({ rules: { ...settings.rules } })">As the house does</button>
          <button v-if="whose" class="btn quiet" @click="settings.keepWay(whose, brief.rules ?? {})">
            Keep it as the way of {{ whose }}
          </button>
        </template>
        <button
          v-if="way && !asTheirs"
          class="btn quiet"
          @click="set({ rules: { ...(way.rules as Rules) } })"
        >
          The way of {{ whose }}
        </button>
      </p>
      <RuleLines :brief="brief" @set="set" />

      <h2><label for="words">In their own words</label></h2>
      <WrittenField
        id="words"
        tag="textarea"
        class="in"
        rows="3"
        maxlength="2000"
        :value="brief.note"
        @written="note => set({ note }, false)"
      />
    </div>

    <template #look>
      <OutlookPanel
        :outlook="outlook"
        :wrong="open || wrong"
        :boards="named"
        @use="use"
        @apart="set({ plate_apart: true })"
      />
    </template>
  </Stage>
</template>

<style scoped>
.about {
  display: contents;
}
.note {
  display: grid;
  gap: 10px;
  padding: 20px 24px 24px;
  justify-items: start;
}
.note h2 {
  margin-top: 12px;
}
.note :deep(.line) {
  width: 100%;
  font-size: var(--type-5);
  line-height: 2.75;
}
.note :deep(.line .el-select),
.note :deep(.line .el-input-number) {
  display: inline-block;
  vertical-align: middle;
  margin: 0 3px;
  line-height: 1.4;
}
.note :deep(.line .el-input-number) {
  display: inline-flex;
}
.note :deep(.line .in) {
  line-height: 1.4;
  vertical-align: middle;
}
.note :deep(.line.diet) {
  display: flex;
  align-items: center;
  gap: 8px;
  flex-wrap: wrap;
  line-height: 1.4;
}
.note :deep(.in) {
  font: inherit;
  color: var(--ink);
  background: transparent;
  border: 0;
  border-bottom: 2px solid var(--line-strong);
  min-height: 36px;
  padding: 2px 4px;
  max-width: 100%;
}
.note :deep(.in::placeholder) {
  color: var(--faint);
}
.note :deep(.in:focus) {
  border-bottom-color: var(--blue);
  outline-offset: 1px;
}
.note .in.title {
  font-family: var(--head);
  font-size: var(--type-8);
  font-weight: 650;
  width: 100%;
}
.note textarea.in {
  width: 100%;
  border: 2px solid var(--line-strong);
  border-radius: var(--radius-m);
  padding: 8px 10px;
  resize: vertical;
}
.note :deep(.num) {
  width: 104px;
}
.note :deep(.sum) {
  width: 96px;
}
@media (pointer: coarse) {
  .note :deep(.in) {
    min-height: 44px;
  }
}
</style>
