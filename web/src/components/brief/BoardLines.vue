<script setup lang="ts">
// What it goes on: one board or a set, or a plate for each; how guests stand
// round it, and whether it travels.
import { computed } from 'vue'
import type { BoardRequest, Brief } from '@/api/tray.gen'
import { useLarder } from '@/stores/larder'
import { listed, named } from '@/tray/listed'
import { liners } from '@/tray/outline'
import { oneSide, shapes, sized, type Shape } from '@/tray/shapes'
import { mmPerUnit, spans, units } from '@/tray/units'
import { sideWord } from '@/tray/words'
import WrittenField from '@/components/common/WrittenField.vue'
import Choose from '@/components/common/Choose.vue'
import NumberField from '@/components/common/NumberField.vue'

const props = defineProps<{ brief: Brief }>()
const emit = defineEmits<{ set: [change: Partial<Brief>, planned?: boolean] }>()
const larder = useLarder()
const set = (change: Partial<Brief>) => emit('set', change)

const spelled = (b: string | BoardRequest | undefined): BoardRequest =>
  typeof b === 'string' ? { id: b } : (b ?? {})
const requests = computed<BoardRequest[]>(() =>
  props.brief.boards?.length ? props.brief.boards.map(spelled) : [spelled(props.brief.board)],
)
const key = (r: BoardRequest) => (r.shape ? 'own' : (r.id ?? 'any'))

/** Half boards may follow each other out of the fridge, where they stay and are few. */
const canFollow = computed(() => {
  const n = props.brief.copies ?? 1
  return n >= 2 && n <= 4 && !props.brief.travels
})
const follows = computed(() =>
  [...new Set([0, 45, 50, 60, 75, 90, props.brief.wave_minutes ?? 0])]
    .sort((a, b) => a - b)
    .map((n): [string, string] => [
      String(n),
      n ? `after each other, every ${n === 60 ? 'hour' : `${n} minutes`}` : 'tables, all at once',
    ]),
)
function setCopies(n: number) {
  const many = n > 1
  set({
    copies: many ? n : undefined,
    ...(many && n <= 4 ? {} : { wave_minutes: undefined }),
  })
}

/** One board, a set of them, or none named. */
function setAll(list: BoardRequest[]) {
  const named = list.filter(r => key(r) !== 'any')
  if (named.length > 1) set({ board: undefined, boards: named })
  else set({ board: named[0], boards: undefined })
}
function change(i: number, next: BoardRequest) {
  setAll(requests.value.map((r, k) => (k === i ? next : r)))
}
function choose(i: number, id: string) {
  if (id === 'any') return setAll(requests.value.filter((_, k) => k !== i))
  const stand = larder.all!.stands.find(x => x.id === id)
  if (stand)
    return setAll(
      requests.value.flatMap((r, k) => (k === i ? stand.boards.map(tier => ({ id: tier })) : [r])),
    )
  change(i, id === 'own' ? { shape: 'rectangle', length_mm: 500, width_mm: 330 } : { id })
}
function setOwn(i: number, part: BoardRequest) {
  const next = { ...requests.value[i], ...part }
  if (part.shape && oneSide(part.shape)) next.width_mm = next.length_mm
  change(i, next)
}
function shape(i: number, v: Shape) {
  const r = requests.value[i]!
  const { length_mm = 500, width_mm = 330 } = r
  setOwn(i, {
    shape: v,
    ...sized(v, length_mm, width_mm),
    figure: v === 'figure' ? (r.figure ?? '1') : undefined,
  })
}
// lengths are typed in the units that are set, and kept in mm within the board's bounds
const shown = (mm: number) => Math.round((mm / mmPerUnit()) * 10) / 10
const inMM = (n: number | undefined) => Math.min(3000, Math.max(100, Math.round((n ?? 0) * mmPerUnit())))

const minutes = computed(() => (typeof props.brief.travels === 'number' ? props.brief.travels : 0))
const sides = ['bottom', 'top', 'left', 'right'] as const
const stands = computed(() => sides.map(s => [s, 'the ' + sideWord(props.brief.front, s)] as const))
const fronts = sides.map(s => [s, `its front at the ${sideWord('left', s)}`] as const)
</script>

<template>
  <p class="line">
    It is served on
    <Choose
      :model-value="brief.serving ?? 'shared'"
      label="Served shared or on single plates"
      :width="190"
      :options="[
        ['shared', 'boards to share'],
        ['plates', 'a plate for each guest'],
      ]"
      @update:model-value="
        v =>
          set({
            serving: v === 'plates' ? 'plates' : undefined,
            ...(v === 'plates' ? { copies: undefined, wave_minutes: undefined } : {}),
          })
      "
    /><template v-if="brief.serving !== 'plates'"
      >, laid alike for
      <NumberField
        :model-value="brief.copies || 1"
        steps
        :min="1"
        :max="200"
        :width="104"
        label="Tables that get the same board"
        @update:model-value="n => setCopies(n ?? 1)"
      />
      <template v-if="canFollow"
        ><Choose
          :model-value="String(brief.wave_minutes ?? 0)"
          label="When they come"
          :width="266"
          :options="follows"
          @update:model-value="
            v =>
              set({
                wave_minutes: Number(v) || undefined,
                ...(Number(v) ? { sittings: undefined } : {}),
              })
          " /></template
      ><template v-else>{{ (brief.copies || 1) > 1 ? 'tables' : 'table' }}</template></template
    >:
  </p>
  <p v-for="(r, i) in requests" :key="i" class="line">
    <Choose
      :model-value="key(r)"
      :label="i ? `Board ${i + 1}` : 'Board'"
      :width="330"
      :options="[
        ['any', requests.length < 2 ? 'the board that suits' : 'not this one'],
        ['own', 'a board of these dimensions'],
        ...larder
          .all!.boards.filter(x => !x.put_away || x.id === key(r))
          .map(b => [b.id, `${b.name}, ${spans([b.length_mm, b.width_mm])}`] as const),
        ...(brief.serving === 'plates' ? [] : larder.all!.stands).map(s => [s.id, s.name] as const),
      ]"
      @update:model-value="v => choose(i, v)"
    />
    <template v-if="key(r) === 'own'">
      <Choose
        :model-value="r.shape"
        label="Shape of the board"
        :width="130"
        :options="shapes.map(([s, says]) => [s, says.toLowerCase()] as const)"
        @update:model-value="v => shape(i, v)"
      />
      <WrittenField
        v-if="r.shape === 'figure'"
        class="in letter"
        aria-label="Which letter or digit"
        :value="r.figure ?? ''"
        maxlength="1"
        @written="t => t.trim() && setOwn(i, { figure: t.trim().toUpperCase() })"
      />
      <NumberField
        :model-value="shown(r.length_mm ?? 0)"
        steps
        :min="shown(100)"
        :max="shown(3000)"
        :width="104"
        :label="`Length in ${units.length}`"
        @update:model-value="
          n => setOwn(i, { length_mm: inMM(n), ...(oneSide(r.shape) ? { width_mm: inMM(n) } : {}) })
        "
      />
      <template v-if="!oneSide(r.shape)">
        ×
        <NumberField
          :model-value="shown(r.width_mm ?? 0)"
          steps
          :min="shown(100)"
          :max="shown(3000)"
          :width="104"
          :label="`Width in ${units.length}`"
          @update:model-value="n => setOwn(i, { width_mm: inMM(n) })"
        />
      </template>
      <span>{{ units.length }}</span> </template
    ><template v-if="key(r) !== 'any'"
      >, lined with
      <Choose
        :model-value="r.liner ?? ''"
        :label="i ? `Liner ${i + 1}` : 'Liner'"
        :width="132"
        :options="liners"
        @update:model-value="v => change(i, { ...r, liner: v || undefined })"
      />
    </template>
    <template v-if="requests.length > 1"
      >, with its own
      <WrittenField
        class="in own"
        :aria-label="`Only on board ${i + 1}`"
        :value="named(r.pins, larder.name)"
        maxlength="800"
        placeholder="a soft cheese, say"
        @written="t => change(i, { ...r, pins: listed(t, r.pins, larder.name) })"
      />
      and without
      <WrittenField
        class="in own"
        :aria-label="`Not on board ${i + 1}`"
        :value="named(r.bans, larder.name)"
        maxlength="800"
        placeholder="nothing left out"
        @written="t => change(i, { ...r, bans: listed(t, r.bans, larder.name) })"
      />
    </template>
    <button v-if="requests.length > 1" class="btn quiet" @click="choose(i, 'any')">
      Remove<span class="only-read"> board {{ i + 1 }}</span>
    </button>
    <button
      v-if="
        i === requests.length - 1 && key(r) !== 'any' && requests.length < 12 && brief.serving !== 'plates'
      "
      class="btn quiet"
      @click="setAll([...requests, { ...r }])"
    >
      Another board shares it
    </button>
  </p>
  <p class="line">
    Guests stand at
    <Choose
      :model-value="brief.access ?? []"
      label="Sides that guests stand at"
      none="all sides"
      :width="210"
      :options="stands"
      @update:model-value="v => set({ access: v.length && v.length < 4 ? v : undefined })"
    />, the tray has
    <Choose
      :model-value="brief.front ?? 'none'"
      label="Front of the tray"
      :width="176"
      :options="[['none', 'no front'], ...fronts]"
      @update:model-value="v => set({ front: v })"
    />
    and is photographed
    <Choose
      :model-value="brief.photographed ?? ''"
      label="Photographed"
      :width="122"
      :options="[
        ['', 'by nobody'],
        ['above', 'from above'],
        ['slant', 'at a slant'],
      ]"
      @update:model-value="v => set({ photographed: (v || undefined) as Brief['photographed'] })"
    />. It
    <Choose
      :model-value="brief.travels ? 'yes' : 'no'"
      label="Does it travel"
      :width="146"
      :options="[
        ['no', 'stays here'],
        ['yes', 'goes on the road'],
      ]"
      @update:model-value="
        v => set({ travels: v === 'yes', ...(v === 'yes' ? { wave_minutes: undefined } : {}) })
      "
    /><template v-if="brief.travels">
      for
      <NumberField
        :model-value="minutes"
        steps
        :min="0"
        :max="10080"
        :step="5"
        label="Minutes on the road"
        :width="104"
        @update:model-value="n => set({ travels: n || true })"
      />
      minutes</template
    >.
  </p>
</template>

<style scoped>
.own {
  width: 190px;
}
.letter {
  width: 48px;
}
</style>
