<script setup lang="ts">
// What else can be done with what is chosen, in a card above its button.
import { computed, nextTick, ref, useTemplateRef, watch } from 'vue'
import { ElPopover } from 'element-plus'
import 'element-plus/es/components/popover/style/css'
import type { TrayElement } from '@/api/tray.gen'
import type { useActs } from '@/composables/acts'
import { useJob } from '@/stores/job'
import { useLarder } from '@/stores/larder'
import Choose from '@/components/common/Choose.vue'

const props = defineProps<{ chosen: TrayElement; acts: ReturnType<typeof useActs> }>()

const job = useJob()
const larder = useLarder()
const open = ref(false)
// made when it is asked for first: whatever is taken hold of shows this button, and a card takes a frame to make
const asked = ref(false)
const button = useTemplateRef('button')
async function ask() {
  if (asked.value) return // it follows its button by itself from then on
  asked.value = true
  await nextTick()
  open.value = true
}
watch(
  () => props.chosen.id,
  () => (open.value = false),
)
const kind = computed(() => larder.food(props.chosen.food)?.forms.find(f => f.form === props.chosen.form))
const bowl = computed(() => !!props.chosen.vessel)
const whole = computed(() => !bowl.value && kind.value?.kind === 'anchor')
const row = computed(() => !bowl.value && ['row', 'trail'].includes(kind.value?.kind ?? ''))
const mates = computed(() =>
  job.placed.filter(e => e.id !== props.chosen.id && props.acts.joins(props.chosen, e)),
)
const reserve = computed(() =>
  (job.tray?.reserve ?? [])
    .filter(r => r.food === props.chosen.food && r.form === props.chosen.form)
    .reduce((n, r) => n + r.count, 0),
)
const lifted = computed(() => props.chosen.pieces[0]?.z_mm ?? 0)
/** Escape closes this first, and only then lets go of what is chosen. */
function shut(event: KeyboardEvent) {
  if (!open.value) return
  event.stopPropagation()
  open.value = false
}
function then(act: () => unknown) {
  open.value = false
  act()
}
</script>

<template>
  <button
    ref="button"
    class="btn quiet"
    :aria-expanded="open"
    aria-haspopup="true"
    :disabled="chosen.locked"
    @click="ask"
    @keydown.esc="shut"
  >
    More
  </button>
  <ElPopover
    v-if="asked"
    v-model:visible="open"
    :virtual-ref="button ?? undefined"
    virtual-triggering
    trigger="click"
    placement="top"
    :width="286"
    :show-arrow="false"
    :hide-after="0"
  >
    <div
      class="acts"
      role="group"
      :aria-label="`More to do with ${larder.name(chosen.food)}`"
      @keydown.esc="shut"
    >
      <p v-if="!whole" class="count">
        <button
          class="btn"
          aria-label="One less"
          :disabled="chosen.count < 2 || acts.busy.value"
          @click="acts.amount(chosen, chosen.count - 1)"
        >
          −
        </button>
        <span class="nums"
          ><b>{{ chosen.count }}</b> {{ chosen.count === 1 ? 'piece' : 'pieces' }}
          <span class="soft small">{{
            reserve ? `${reserve} more in reserve` : 'none in reserve'
          }}</span></span
        >
        <button
          class="btn"
          aria-label="One more"
          :disabled="acts.busy.value"
          @click="acts.amount(chosen, chosen.count + 1)"
        >
          +
        </button>
      </p>
      <button class="btn quiet" @click="then(() => acts.duplicate(chosen))">Duplicate <kbd>D</kbd></button>
      <button
        v-if="!bowl && !whole && chosen.count > 1"
        class="btn quiet"
        @click="then(() => acts.split(chosen))"
      >
        Split in two <kbd>S</kbd>
      </button>
      <button
        v-if="!bowl && !whole && !row && chosen.count > 4"
        class="btn quiet"
        @click="then(() => acts.pile(chosen))"
      >
        Pile it up <kbd>H</kbd>
      </button>
      <button v-if="bowl || whole" class="btn quiet" @click="then(() => acts.hideFoot(chosen))">
        Hide its foot <kbd>H</kbd>
      </button>
      <button v-if="!bowl" class="btn quiet" @click="then(() => acts.lean(chosen))">
        Lean it on its neighbour <kbd>N</kbd>
      </button>
      <button class="btn quiet" @click="then(() => acts.pair('swap', chosen))">
        Swap with another <kbd>X</kbd>
      </button>
      <button
        v-if="mates.length"
        class="btn quiet"
        @click="then(() => (mates.length === 1 ? acts.join(chosen, mates[0]!) : acts.pair('join', chosen)))"
      >
        Join with {{ mates.length === 1 ? 'the other' : 'another' }} <kbd>J</kbd>
      </button>
      <template v-if="row">
        <button class="btn quiet" @click="acts.open(chosen, 1.15)">Open it <kbd>O</kbd></button>
        <button class="btn quiet" @click="acts.open(chosen, 0.87)">Close it <kbd>Shift O</kbd></button>
        <button v-if="kind?.kind === 'row'" class="btn quiet" @click="acts.circle(chosen, 15)">
          Wrap round its neighbour <kbd>C</kbd>
        </button>
      </template>
      <button v-if="bowl || whole" class="btn quiet" @click="acts.lift(chosen)">
        {{ lifted ? `Stands ${lifted} mm higher: change` : 'Set it up on something' }} <kbd>U</kbd>
      </button>
      <template v-if="bowl">
        <label class="vessel">
          <span class="soft small">Stands in</span>
          <Choose
            inside
            :model-value="chosen.vessel"
            label="Bowl"
            :options="[
              ...(acts.vessels.value.some(v => v.id === chosen!.vessel) ? [] : [chosen.vessel!]),
              ...acts.vessels.value.map(v => [v.id, `${v.name}, ${v.capacity_ml} ml`] as const),
            ]"
            @update:model-value="v => acts.vessel(chosen!, v)"
          />
        </label>
      </template>
    </div>
  </ElPopover>
</template>

<style scoped>
.acts {
  display: grid;
  gap: 2px;
}
.acts .btn.quiet {
  display: flex;
  justify-content: space-between;
  width: 100%;
  text-align: left;
}
.count {
  display: grid;
  grid-template-columns: auto 1fr auto;
  gap: 10px;
  align-items: center;
  text-align: center;
  margin: 0 0 4px;
}
.count .small {
  display: block;
}
kbd {
  font: 500 var(--type-2) var(--text);
  color: var(--soft);
}
.vessel {
  display: grid;
  gap: 4px;
  padding: 4px 8px;
}
</style>
