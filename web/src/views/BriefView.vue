<script setup lang="ts">
// A page that reads like a note from the host, with fields set in its
// sentences; beside it what follows from it.
import { computed, ref, shallowRef, watch } from 'vue'
import { useRouter } from 'vue-router'
import { ElInputNumber, ElOption, ElSelect } from 'element-plus'
import 'element-plus/es/components/input-number/style/css'
import 'element-plus/es/components/select/style/css'
import { api, body, take, Trouble, type Outlook } from '@/api/client'
import type { Avoid, BoardRequest, Brief, Diet, Rules } from '@/api/tray.gen'
import Stage from '@/components/Stage.vue'
import { newest } from '@/composables/newest'
import { useReplan } from '@/composables/replan'
import { useJob } from '@/stores/job'
import { useLarder } from '@/stores/larder'
import { liners } from '@/tray/outline'
import { across, mmPerUnit, said, units } from '@/tray/units'
import { grams, minutes, money } from '@/tray/words'

const job = useJob()
const larder = useLarder()
const router = useRouter()
const { busy, wrong, replan } = useReplan()

// What is asked for while a plan of it is under way, or cannot be made: the next
// change builds on it, so that two made in haste both hold.
const draft = shallowRef<{ brief: Brief; title: string } | null>(null)
const brief = computed(() => draft.value?.brief ?? job.doc!.brief)
const title = computed(() => draft.value?.title ?? job.doc!.title)
const picked = computed(() => job.elements.length > 0)

// lengths are typed in the units that are set, and kept in mm within the board's bounds
const shown = (mm: number) => Math.round((mm / mmPerUnit()) * 10) / 10
const inMM = (n: number | undefined) => Math.min(3000, Math.max(100, Math.round((n ?? 0) * mmPerUnit())))
watch(
  () => job.doc,
  () => {
    if (!busy.value) draft.value = null // an undo, say
  },
)

/** Changes the brief. What plans depend on is planned again once there is a pick. */
async function set(change: Partial<Brief>, planned = true, newTitle?: string) {
  const next = { brief: { ...brief.value, ...change }, title: newTitle ?? title.value }
  if (picked.value && (planned || draft.value)) {
    draft.value = next
    if (await replan(next.brief, 'changed the brief', next.title)) draft.value = null
  } else {
    job.change({ ...job.doc!, ...next, rules: next.brief.rules ?? {} }, 'changed the brief')
  }
}
const setRule = (r: Partial<Rules>) => set({ rules: { ...brief.value.rules, ...r } })

const avoidGroups: { name: string; words: { id: Avoid; says: string }[] }[] = [
  {
    name: 'What they do not eat',
    words: [
      { id: 'meat', says: 'meat' },
      { id: 'pork', says: 'pork' },
      { id: 'beef', says: 'beef' },
      { id: 'animal', says: 'anything animal' },
      { id: 'rennet', says: 'animal rennet' },
      { id: 'alcohol', says: 'alcohol' },
    ],
  },
  {
    name: 'Allergens',
    words: (
      [
        'gluten',
        'milk',
        'nuts',
        'peanuts',
        'egg',
        'fish',
        'crustaceans',
        'molluscs',
        'soy',
        'sesame',
        'mustard',
        'celery',
        'sulphites',
        'lupin',
      ] as Avoid[]
    ).map(id => ({ id, says: id })),
  },
]
const diets = computed(() => brief.value.diets ?? [])
function setDiet(i: number, change: Partial<Diet>) {
  set({ diets: diets.value.map((d, k) => (k === i ? { ...d, ...change } : d)) })
}
const guests = computed(() => (brief.value.guests.adults ?? 0) + (brief.value.guests.children ?? 0))

// the board: chosen for them, one of ours, or one by its dimensions
const shapes = ['rectangle', 'round', 'oval', 'paddle', 'plank', 'half-round', 'hexagon'] as const
const request = computed<BoardRequest>(() => {
  const b = brief.value.board
  return typeof b === 'string' ? { id: b } : (b ?? {})
})
const boardKey = computed(() => (request.value.shape ? 'own' : (request.value.id ?? 'any')))
function setBoard(key: string) {
  if (key === 'any') return set({ board: undefined })
  if (key === 'own') return set({ board: { shape: 'rectangle', length_mm: 500, width_mm: 330 } })
  set({ board: { id: key } })
}
function setOwn(change: BoardRequest) {
  const next = { ...request.value, ...change }
  if (change.shape && ['round', 'hexagon'].includes(change.shape)) next.width_mm = next.length_mm
  set({ board: next })
}
const oneSize = computed(() => request.value.shape === 'round' || request.value.shape === 'hexagon')

const palette = computed(() => {
  const t = brief.value.theme
  return typeof t === 'object' && t !== null ? (Array.isArray(t) ? t : (t.palette ?? [])) : []
})
const themeName = computed(() => {
  const t = brief.value.theme
  return typeof t === 'string' ? t : t && !Array.isArray(t) ? (t.name ?? '') : ''
})
function setTheme(name: string, colours: string[]) {
  set({
    theme:
      name || colours.length
        ? { ...(name ? { name } : {}), ...(colours.length ? { palette: colours } : {}) }
        : undefined,
  })
}

const outlook = shallowRef<Outlook | null>(null)
const open = ref('')
const look = newest(async signal => {
  try {
    outlook.value = await take<Outlook>(api.POST('/api/v1/outlook', { body: body(brief.value), signal }))
    open.value = ''
  } catch (e) {
    if (e instanceof Trouble) open.value = e.message
  }
}, 60)
watch(brief, look, { immediate: true })

async function pick() {
  if (picked.value || (await replan(brief.value, 'picked the foods'))) await router.push({ name: 'pick' })
}
const text = (e: Event) => (e.target as HTMLInputElement).value
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
        <input
          id="title"
          class="in title"
          :value="title"
          maxlength="160"
          placeholder="Name of the job"
          @change="set({}, false, text($event) || 'Untitled job')"
        />
      </p>

      <p class="line">
        For
        <input
          class="in"
          style="width: 250px"
          aria-label="Who asks for it"
          :value="brief.host"
          maxlength="160"
          placeholder="who asks for it"
          @change="set({ host: text($event) }, false)"
        />, with
        <ElInputNumber
          :model-value="brief.guests.adults ?? 0"
          :min="0"
          :max="2000"
          aria-label="Adults"
          class="num"
          @change="n => set({ guests: { ...brief.guests, adults: n ?? 0 } })"
        />
        adults and
        <ElInputNumber
          :model-value="brief.guests.children ?? 0"
          :min="0"
          :max="2000"
          aria-label="Children"
          class="num"
          @change="n => set({ guests: { ...brief.guests, children: n ?? 0 } })"
        />
        children.
      </p>
      <p class="line">
        They come for
        <ElSelect
          :model-value="brief.occasion ?? 'nibble'"
          aria-label="Occasion"
          style="width: 252px"
          @change="(v: Brief['occasion']) => set({ occasion: v })"
        >
          <ElOption value="nibble" label="nibbles, about an hour" />
          <ElOption value="grazing" label="party grazing, two or three hours" />
          <ElOption value="meal" label="this instead of a meal" />
        </ElSelect>
        on
        <input
          class="in"
          type="datetime-local"
          aria-label="Serving day and time"
          :value="brief.serve_at?.slice(0, 16)"
          @change="set({ serve_at: text($event) || undefined })"
        />
        at
        <input
          class="in"
          style="width: 260px"
          aria-label="Place"
          :value="brief.place"
          maxlength="160"
          placeholder="where"
          @change="set({ place: text($event) }, false)"
        />.
      </p>

      <h2>Who avoids what</h2>
      <p v-if="!diets.length" class="soft">Nobody has said so yet.</p>
      <div v-for="(d, i) in diets" :key="i" class="line diet">
        <input
          class="in"
          style="width: 170px"
          :aria-label="`Group ${i + 1}, who`"
          :value="d.who"
          maxlength="80"
          placeholder="who"
          @change="setDiet(i, { who: text($event) })"
        />
        <ElInputNumber
          :model-value="d.count || guests"
          :min="1"
          :max="Math.max(1, guests)"
          class="num"
          :aria-label="`Group ${i + 1}, how many`"
          @change="n => setDiet(i, { count: n === guests ? 0 : n })"
        />
        avoid
        <ElSelect
          :model-value="d.avoid"
          multiple
          :aria-label="`Group ${i + 1}, what they avoid`"
          placeholder="what"
          style="flex: 1; min-width: 200px"
          @change="(v: Avoid[]) => setDiet(i, { avoid: v })"
        >
          <template v-for="g in avoidGroups" :key="g.name">
            <ElOption v-for="w in g.words" :key="w.id" :value="w.id" :label="w.says" />
          </template>
        </ElSelect>
        <button class="btn quiet" @click="set({ diets: diets.filter((_, k) => k !== i) })">
          Remove<span class="only-read"> group {{ i + 1 }}</span>
        </button>
      </div>
      <button
        class="btn"
        :disabled="diets.length >= 20"
        @click="set({ diets: [...diets, { who: '', count: 1, avoid: [] }] }, false)"
      >
        Somebody avoids something
      </button>

      <h2>The board and how it is laid</h2>
      <p class="line">
        It goes on
        <ElSelect :model-value="boardKey" aria-label="Board" style="width: 262px" @change="setBoard">
          <ElOption value="any" label="the board that suits" />
          <ElOption value="own" label="a board of these dimensions" />
          <ElOption
            v-for="b in larder.all!.boards.filter(x => !x.put_away || x.id === boardKey)"
            :key="b.id"
            :value="b.id"
            :label="`${b.name}, ${across(b.length_mm, b.width_mm)}`"
          />
        </ElSelect>
        <template v-if="boardKey === 'own'">
          <ElSelect
            :model-value="request.shape"
            aria-label="Shape of the board"
            style="width: 130px"
            @change="(v: BoardRequest['shape']) => setOwn({ shape: v })"
          >
            <ElOption v-for="s in shapes" :key="s" :value="s" :label="s" />
          </ElSelect>
          <ElInputNumber
            :model-value="shown(request.length_mm ?? 0)"
            :min="shown(100)"
            :max="shown(3000)"
            class="num"
            :aria-label="`Length in ${units.length}`"
            @change="n => setOwn({ length_mm: inMM(n), ...(oneSize ? { width_mm: inMM(n) } : {}) })"
          />
          <template v-if="!oneSize">
            ×
            <ElInputNumber
              :model-value="shown(request.width_mm ?? 0)"
              :min="shown(100)"
              :max="shown(3000)"
              class="num"
              :aria-label="`Width in ${units.length}`"
              @change="n => setOwn({ width_mm: inMM(n) })"
            />
          </template>
          <span>{{ units.length }}</span></template
        ><template v-if="boardKey !== 'any'"
          >, lined with
          <ElSelect
            :model-value="request.liner ?? ''"
            :empty-values="[null, undefined]"
            aria-label="Liner"
            style="width: 132px"
            @change="(v: string) => set({ board: { ...request, liner: v || undefined } })"
          >
            <ElOption
              v-for="[hex, says] in liners"
              :key="hex"
              :value="hex"
              :label="says"
            /> </ElSelect></template
        >. Guests see it from
        <ElSelect
          :model-value="brief.front ?? 'none'"
          aria-label="Front of the tray"
          style="width: 150px"
          @change="(v: Brief['front']) => set({ front: v })"
        >
          <ElOption value="none" label="all sides" />
          <ElOption value="bottom" label="the near side" />
          <ElOption value="top" label="the far side" />
          <ElOption value="left" label="the left" />
          <ElOption value="right" label="the right" />
        </ElSelect>
        and it
        <ElSelect
          :model-value="brief.travels ? 'yes' : 'no'"
          aria-label="Does it travel"
          style="width: 130px"
          @change="(v: string) => set({ travels: v === 'yes' })"
        >
          <ElOption value="no" label="stays here" />
          <ElOption value="yes" label="goes on the road" /> </ElSelect
        >.
      </p>
      <p class="line">
        Crackers
        <ElSelect
          :model-value="brief.rules?.crackers ?? 'some'"
          aria-label="Crackers"
          style="width: 216px"
          @change="(v: Rules['crackers']) => setRule({ crackers: v })"
        >
          <ElOption value="some" label="a few on, the rest beside" />
          <ElOption value="on" label="all on the board" />
          <ElOption value="beside" label="all beside the board" /> </ElSelect
        >, greenery
        <ElSelect
          :model-value="brief.rules?.greenery ?? 'sparing'"
          aria-label="Greenery"
          style="width: 130px"
          @change="(v: Rules['greenery']) => setRule({ greenery: v })"
        >
          <ElOption value="sparing" label="sparingly" />
          <ElOption value="none" label="none" /> </ElSelect
        >, laid
        <ElSelect
          :model-value="brief.rules?.symmetry ?? 'free'"
          aria-label="Symmetry"
          style="width: 130px"
          @change="(v: Rules['symmetry']) => setRule({ symmetry: v })"
        >
          <ElOption value="free" label="freely" />
          <ElOption value="mirrored" label="mirrored" /> </ElSelect
        >.
      </p>
      <p class="line">
        Theme
        <input
          class="in"
          style="width: 180px"
          aria-label="Theme"
          :value="themeName"
          maxlength="80"
          placeholder="none"
          @change="setTheme(text($event), palette)"
        />
        <span v-for="(c, i) in palette" :key="i" class="swatch">
          <input
            type="color"
            :value="c"
            :aria-label="`Theme colour ${i + 1}`"
            @change="
              setTheme(
                themeName,
                palette.map((p, k) => (k === i ? text($event) : p)),
              )
            "
          />
          <button
            class="drop"
            :aria-label="`Remove theme colour ${i + 1}`"
            @click="
              setTheme(
                themeName,
                palette.filter((_, k) => k !== i),
              )
            "
          >
            ×
          </button>
        </span>
        <button
          class="btn quiet"
          :disabled="palette.length >= 5"
          @click="setTheme(themeName, [...palette, '#c8553d'])"
        >
          Add a colour
        </button>
      </p>

      <h2><label for="words">In their own words</label></h2>
      <textarea
        id="words"
        class="in"
        rows="3"
        maxlength="2000"
        :value="brief.note"
        @change="set({ note: text($event) }, false)"
      />
    </div>

    <template #look>
      <section class="panel">
        <h2>What follows</h2>
        <p v-if="open || wrong" class="card" role="alert">▲ {{ open || wrong }}</p>
        <template v-if="outlook">
          <p class="score">
            <span class="big figure">{{ grams(outlook.total_g) }}</span>
            <span class="soft small"
              >of food for {{ outlook.appetites }} appetites,
              {{ grams(outlook.total_g / Math.max(1, outlook.appetites)) }} each</span
            >
          </p>
          <ul class="shares">
            <li v-for="g in outlook.grams" :key="g.category">
              <span>{{ g.category }}</span>
              <span class="bar"
                ><span
                  :style="{ width: (100 * g.grams) / Math.max(...outlook.grams.map(x => x.grams)) + '%' }"
              /></span>
              <span class="nums">{{ grams(g.grams) }}</span>
            </li>
          </ul>
          <dl class="card facts">
            <dt>Board</dt>
            <dd>
              {{ outlook.board.name
              }}<template v-if="!outlook.board.name.includes('×')"
                >, {{ across(outlook.board.length_mm, outlook.board.width_mm) }}</template
              >
            </dd>
            <dt>Handwork</dt>
            <dd>about {{ minutes(outlook.minutes) }}</dd>
            <dt>Basket</dt>
            <dd>about {{ money(outlook.basket_cost) }}</dd>
            <dt>Kinds</dt>
            <dd>{{ outlook.kinds.map(k => `${k.count} ${k.category}`).join(', ') }}</dd>
            <dt>Holding</dt>
            <dd>{{ outlook.holding }}</dd>
          </dl>
          <p v-for="s in outlook.says" :key="s" class="card small">{{ said(s) }}</p>
        </template>
      </section>
    </template>
  </Stage>
</template>

<style scoped>
.note {
  display: grid;
  gap: 12px;
  padding: 20px 24px 24px;
  justify-items: start;
}
.note h2 {
  margin-top: 10px;
}
.line {
  width: 100%;
  font-size: 1rem;
  line-height: 2.75;
}
.line :deep(.el-select),
.line :deep(.el-input-number) {
  display: inline-block;
  vertical-align: middle;
  margin: 0 3px;
  line-height: 1.4;
}
.line :deep(.el-input-number) {
  display: inline-flex;
}
.line .in {
  line-height: 1.4;
  vertical-align: middle;
}
.line.diet {
  display: flex;
  align-items: center;
  gap: 8px;
  flex-wrap: wrap;
  line-height: 1.4;
}
.in {
  font: inherit;
  color: var(--ink);
  background: transparent;
  border: 0;
  border-bottom: 2px solid var(--line-strong);
  min-height: 36px;
  padding: 2px 4px;
  max-width: 100%;
}
.in::placeholder {
  color: #6b7773;
}
.in:focus {
  border-bottom-color: var(--blue);
  outline-offset: 1px;
}
.in.title {
  font-family: var(--head);
  font-size: 1.5rem;
  font-weight: 650;
  width: 100%;
}
textarea.in {
  width: 100%;
  border: 2px solid var(--line-strong);
  border-radius: 8px;
  padding: 8px 10px;
  resize: vertical;
}
.num {
  width: 112px;
}
.swatch {
  display: inline-flex;
  vertical-align: middle;
}
.swatch input {
  width: 44px;
  height: 36px;
  padding: 2px;
  border: 1.5px solid var(--line-strong);
  border-radius: 7px;
  background: var(--paper);
}
.drop {
  border: 0;
  background: none;
  font-size: 1.1rem;
  color: var(--soft);
  cursor: pointer;
  min-width: 26px;
}
.shares {
  display: grid;
  gap: 5px;
  font-size: 0.87rem;
}
.shares li {
  display: grid;
  grid-template-columns: 78px 1fr 56px;
  gap: 8px;
  align-items: center;
}
.shares .nums {
  text-align: right;
}
@media (pointer: coarse) {
  .in {
    min-height: 44px;
  }
}
</style>
