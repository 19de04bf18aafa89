<script setup lang="ts">
// Making a board of one's own, or changing one: by its measures, by moving its
// edge, or from the outline in a drawing.
import { computed, ref, watch } from 'vue'
import EdgeEditor from '@/components/boards/EdgeEditor.vue'
import type { useBoardMaker } from '@/composables/boardMaker'
import { oneSide, shapes, sized, type Shape } from '@/tray/shapes'
import { across, area, length, mmPerUnit, units } from '@/tray/units'
import { boxOf, liners, type Pt } from '@/tray/outline'
import WrittenField from '@/components/common/WrittenField.vue'
import { count } from '@/tray/words'
import NumberField from '@/components/common/NumberField.vue'
import Choose from '@/components/common/Choose.vue'

const props = defineProps<{ maker: ReturnType<typeof useBoardMaker>; taken: (id: string) => boolean }>()
const emit = defineEmits<{ done: [id: string]; leave: [] }>()
const m = props.maker
const { ask, made, wrong, found, file, undo, saved, byOutline } = m

const materials = ['wood', 'slate', 'marble', 'ceramic', 'metal', 'glass', 'chalkboard', 'paper', 'card']
const square = computed(() => oneSide(ask.value.shape))
const reach = ref(0)
watch(byOutline, on => (reach.value = on && (ask.value.outline?.length ?? 0) > 16 ? 70 : 0))

const box = computed(() => {
  const b = made.value?.board
  if (!b) return [300, 200]
  const [, , w, h] = boxOf(b.outline.map(p => [p[0] ?? 0, p[1] ?? 0] as Pt))
  return [w, h]
})
const sides = computed(() => (ask.value.outline ? boxOf(ask.value.outline).slice(2) : box.value))
const shown = (mm: number) => Math.round((mm / mmPerUnit()) * 10) / 10
function measure(side: 0 | 1, n: number) {
  const mm = n * mmPerUnit()
  if (!(mm > 0)) return
  if (byOutline.value) {
    const [w = 1, h = 1] = sides.value
    if (side === 0) m.resize(mm, h)
    else m.resize(w, mm)
  } else m.change(side === 0 ? { length_mm: mm } : { width_mm: mm })
}
function shape(v: Shape) {
  const [w = 420, h = 280] = box.value
  m.change({
    shape: v,
    outline: undefined,
    holes: undefined,
    ...sized(v, Math.round(w), Math.round(h)),
    figure: v === 'figure' ? (ask.value.figure ?? '1') : undefined,
  })
}

const real = ref<number>()
async function choose(e: Event) {
  const input = e.target as HTMLInputElement
  file.value = input.files?.[0] ?? null
  input.value = ''
  await m.readDrawing()
  real.value = found.value
    ? shown(found.value.physical ? found.value.length_mm : Math.max(...sides.value))
    : undefined
  confirmed.value = false
}
const confirmed = ref(false)
async function confirm() {
  if (!real.value) return
  await m.readDrawing(Math.round(real.value * mmPerUnit() * 10) / 10)
  confirmed.value = !wrong.value
}
const open = computed(() => !!found.value && !confirmed.value)

async function save() {
  const id = await m.save(props.taken)
  if (id) emit('done', id)
}
</script>

<template>
  <section class="maker" aria-label="A board of your own">
    <div class="see">
      <EdgeEditor
        v-if="made"
        :svg="made.svg"
        :outline="ask.outline ?? null"
        :holes="ask.holes ?? []"
        :reach="reach"
        :board-box="box"
        @move="(at, dx, dy, step) => m.move(at, dx, dy, reach, step)"
        @add="m.addPoint"
        @drop="m.dropPoint"
        @drop-hole="m.dropHole"
      />
      <p v-if="wrong" role="alert">▲ {{ wrong }}</p>
      <p v-if="made" class="nums" role="status">
        <b class="figure">{{ across(box[0]!, box[1]!) }}</b>, {{ area(made.area_cm2) }} to lay food on, for
        about {{ count(made.guests, 'guest') }} before a meal.
        <span v-for="s in made.says" :key="s" class="asks">▲ {{ s }}</span>
      </p>
      <div v-if="byOutline" class="bend">
        <span class="soft small">Drag a point, or move it with the arrow keys.</span>
        <div role="group" aria-label="What moves along">
          <button class="chip" type="button" :aria-pressed="reach === 0" @click="reach = 0">
            the point alone
          </button>
          <button class="chip" type="button" :aria-pressed="reach === 70" @click="reach = 70">a bend</button>
          <button class="chip" type="button" :aria-pressed="reach === 180" @click="reach = 180">
            a long bend
          </button>
        </div>
      </div>
    </div>
    <form class="card ask" @submit.prevent="save">
      <label>
        <span>Called</span>
        <input
          class="field"
          maxlength="120"
          :value="ask.name"
          placeholder="Grandmother’s board"
          @input="m.change({ name: ($event.target as HTMLInputElement).value }, false)"
        />
      </label>
      <div class="row">
        <span>Shape</span>
        <Choose
          :model-value="byOutline ? 'outline' : ask.shape"
          label="Shape"
          :options="byOutline ? [...shapes, ['outline', 'Its own outline']] : shapes"
          @update:model-value="shape"
        />
      </div>
      <label v-if="ask.shape === 'figure' && !byOutline" class="row">
        <span>Which</span>
        <WrittenField
          class="field"
          aria-label="Which letter or digit"
          maxlength="1"
          :value="ask.figure ?? ''"
          @written="t => t.trim() && m.change({ figure: t.trim().toUpperCase() })"
        />
      </label>
      <div class="row">
        <span>{{ square && !byOutline ? 'Across' : 'Sides' }}, {{ units.length }}</span>
        <span class="sides">
          <NumberField
            :min="1"
            label="Length"
            :model-value="shown(sides[0]!)"
            @update:model-value="n => measure(0, n)"
          />
          <template v-if="!square || byOutline">
            ×
            <NumberField
              :min="1"
              label="Width"
              :model-value="shown(sides[1]!)"
              @update:model-value="n => measure(1, n)"
            />
          </template>
        </span>
      </div>
      <div class="row">
        <span></span>
        <span class="ways">
          <button v-if="!byOutline" type="button" class="btn" @click="m.freeEdge">Move its edge</button>
          <label class="btn file">
            From a drawing
            <input type="file" accept=".svg,image/svg+xml" @change="choose" />
          </label>
        </span>
      </div>
      <div v-if="found" class="found">
        <p v-for="n in found.notes" :key="n" class="small">{{ n }}.</p>
        <label>
          <span
            >{{
              found.physical
                ? `The drawing says ${length(found.length_mm)}. How long is the longer side really`
                : 'The drawing does not say how large it is. How long is the longer side'
            }}, {{ units.length }}?</span
          >
          <span class="sides">
            <NumberField v-model="real" :min="1" />
            <button type="button" class="btn" :class="{ next: open }" @click="confirm">
              {{ confirmed ? 'Taken' : 'So it is' }}
            </button>
          </span>
        </label>
      </div>
      <div class="row">
        <span>Material</span>
        <span class="sides">
          <Choose
            :model-value="ask.material ?? 'wood'"
            label="Material"
            :options="materials"
            @update:model-value="v => m.change({ material: v })"
          />
          <input
            type="color"
            aria-label="Colour"
            :value="ask.colour ?? '#8a5a35'"
            @change="m.change({ colour: ($event.target as HTMLInputElement).value })"
          />
        </span>
      </div>
      <div class="row">
        <span>Rim, {{ units.length === 'in' ? 'in' : 'mm' }}</span>
        <NumberField
          :min="0"
          label="Rim"
          :model-value="units.length === 'in' ? shown(ask.rim_mm ?? 0) : (ask.rim_mm ?? 0)"
          @update:model-value="n => n >= 0 && m.change({ rim_mm: units.length === 'in' ? n * 25.4 : n })"
        />
      </div>
      <div class="row">
        <span>Room under its lid, {{ units.length === 'in' ? 'in' : 'mm' }}</span>
        <NumberField
          :min="units.length === 'in' ? shown(20) : 20"
          :max="units.length === 'in' ? shown(300) : 300"
          none="no lid"
          label="Room under its lid"
          :model-value="ask.lid_mm ? (units.length === 'in' ? shown(ask.lid_mm) : ask.lid_mm) : undefined"
          @update:model-value="n => m.change({ lid_mm: units.length === 'in' ? n * 25.4 : n })"
          @cleared="m.change({ lid_mm: undefined })"
        />
      </div>
      <label class="tick">
        <input
          type="checkbox"
          :checked="!ask.not_food_safe"
          @change="m.change({ not_food_safe: !($event.target as HTMLInputElement).checked || undefined })"
        />
        fit for food as it is
      </label>
      <label class="tick">
        <input
          type="checkbox"
          :checked="!!ask.turns"
          @change="m.change({ turns: ($event.target as HTMLInputElement).checked || undefined })"
        />
        it turns, so guests bring what they want to themselves
      </label>
      <div class="row">
        <span>Liner</span>
        <Choose
          :model-value="ask.liner ?? ''"
          label="Liner"
          :options="liners"
          @update:model-value="v => m.change({ liner: v || undefined })"
        />
      </div>
      <div class="ways">
        <button class="btn next" :disabled="!made || !!wrong || open">
          {{ saved ? 'Save it' : 'Save this board' }}
        </button>
        <button type="button" class="btn" :disabled="!undo.length" @click="m.back">Undo</button>
        <button type="button" class="btn quiet" @click="emit('leave')">Leave it</button>
      </div>
      <p v-if="open" class="small soft">First say how long the longer side is.</p>
    </form>
  </section>
</template>

<style scoped>
.maker {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 350px;
  gap: 18px;
  align-items: start;
}
.see {
  display: grid;
  gap: 10px;
}
.asks {
  display: block;
}
.bend {
  display: flex;
  gap: 8px 14px;
  flex-wrap: wrap;
  align-items: center;
}
.bend div {
  display: flex;
  gap: 6px;
  flex-wrap: wrap;
}
.ask {
  display: grid;
  gap: 10px;
}
.row,
.ask > label:not(.tick) {
  display: grid;
  grid-template-columns: 84px 1fr;
  gap: 10px;
  align-items: center;
  font-size: var(--type-4);
}
.row > span:first-child,
.ask > label > span {
  color: var(--soft);
}
.sides {
  display: flex;
  gap: 8px;
  align-items: center;
}
.sides input[type='color'] {
  width: 46px;
  height: 36px;
  flex: none;
  padding: 2px;
  border: 1.5px solid var(--line-strong);
  border-radius: var(--radius-m);
  background: var(--white);
}
.ways {
  display: flex;
  gap: 8px;
  flex-wrap: wrap;
}
.file input {
  position: absolute;
  opacity: 0;
  width: 1px;
  height: 1px;
}
.file:focus-within {
  outline: 3px solid var(--blue);
  outline-offset: 2px;
}
.found {
  background: var(--blue-wash);
  border-radius: var(--radius);
  padding: 10px 12px;
  display: grid;
  gap: 6px;
}
.found label {
  display: grid;
  gap: 6px;
}
.tick {
  display: flex;
  gap: 8px;
  align-items: center;
  min-height: 34px;
}
.tick input {
  width: 18px;
  height: 18px;
  accent-color: var(--blue);
}
@media (max-width: 900px) {
  .maker {
    grid-template-columns: 1fr;
  }
}
</style>
