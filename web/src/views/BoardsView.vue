<script setup lang="ts">
// Boards and bowls, all drawn to one scale; one's own are made and changed here.
import { computed, ref, shallowRef } from 'vue'
import { ElSlider } from 'element-plus'
import 'element-plus/es/components/slider/style/css'
import { useAct, useAsk } from '@/api/asking'
import { api, take, type BoardDrawn, type VesselPage } from '@/api/client'
import BoardMaker from '@/components/boards/BoardMaker.vue'
import House from '@/components/house/House.vue'
import VesselMaker from '@/components/boards/VesselMaker.vue'
import { useBoardMaker } from '@/composables/boardMaker'
import { useLarder } from '@/stores/larder'
import { useToast } from '@/stores/toast'
import { boxOf, hand, type Pt } from '@/tray/outline'
import { area, length, spans } from '@/tray/units'
import { count } from '@/tray/words'

const toast = useToast()
const larder = useLarder()
const {
  now: cabinet,
  wrong: unread,
  again,
} = useAsk(
  { key: ['boards'], ask: signal => take(api.GET('/api/v1/boards', { signal })) },
  { otherwise: 'The boards cannot be read.' },
)
const { wrong: refused, act } = useAct()
const wrong = computed(() => refused.value || unread.value)
const maker = useBoardMaker()
const making = ref(false)
const bowl = shallowRef<{ from: VesselPage; copy: boolean } | null>(null)
const chosen = ref('') // b:<id> or v:<id>
const scale = ref(0.3) // px for a mm
const seeAway = ref(false)

async function read() {
  larder.forget()
  await again()
}

const boards = computed(() => cabinet.value?.boards.filter(b => b.put_away === seeAway.value) ?? [])
const vessels = computed(() => cabinet.value?.vessels.filter(v => v.put_away === seeAway.value) ?? [])
const away = computed(
  () => [...(cabinet.value?.boards ?? []), ...(cabinet.value?.vessels ?? [])].filter(x => x.put_away).length,
)
const sides = (b: BoardDrawn) => boxOf(b.board.outline.map(p => [p[0] ?? 0, p[1] ?? 0] as Pt)).slice(2)
const vesselSides = (v: VesselPage) =>
  v.vessel.outline?.length
    ? boxOf(v.vessel.outline.map(p => [p[0] ?? 0, p[1] ?? 0] as Pt)).slice(2)
    : [v.vessel.diameter_mm ?? 0, v.vessel.diameter_mm ?? 0]
const margin = 24 // mm: the drawing's own room for its shadow, both sides
const bowlScale = computed(() => Math.min(1.4, scale.value * 2.5))
const px = (mm: number, k: number) => `${(mm + margin) * k}px`

const board = computed(() => cabinet.value?.boards.find(b => `b:${b.board.id}` === chosen.value) ?? null)
const vessel = computed(() => cabinet.value?.vessels.find(v => `v:${v.vessel.id}` === chosen.value) ?? null)

function makeOne() {
  bowl.value = null
  maker.begin({ shape: 'oval', length_mm: 460, width_mm: 300, material: 'wood', colour: '#8a5a35' })
  making.value = true
  window.scrollTo({ top: 0 })
}
function work(b: BoardDrawn, copy: boolean) {
  bowl.value = null
  maker.beginWith(b, copy)
  making.value = true
  window.scrollTo({ top: 0 })
}
function makeBowl() {
  const from = cabinet.value?.vessels.find(v => v.vessel.id === 'dip-bowl') ?? cabinet.value?.vessels[0]
  if (from) shape(from, true)
}
function shape(from: VesselPage, copy: boolean) {
  bowl.value = { from, copy }
  making.value = false
  window.scrollTo({ top: 0 })
}
async function done(kind: 'b' | 'v', id: string) {
  making.value = false
  bowl.value = null
  await read()
  chosen.value = `${kind}:${id}`
  toast.tell({ says: 'Saved.' })
}
async function move(kind: 'boards' | 'vessels', id: string, name: string, out: boolean) {
  const path = { params: { path: { id } } }
  await act(async () => {
    if (kind === 'boards')
      await take(
        out ? api.POST('/api/v1/boards/{id}/take-out', path) : api.DELETE('/api/v1/boards/{id}', path),
      )
    else
      await take(
        out ? api.POST('/api/v1/vessels/{id}/take-out', path) : api.DELETE('/api/v1/vessels/{id}', path),
      )
    if (!out)
      toast.tell({
        says: `${name} is hidden. Boards that use it keep it.`,
        act: { name: 'Show it again', do: () => void move(kind, id, name, true) },
      })
    chosen.value = ''
    await read()
  })
}
const takenBoard = (id: string) => !!cabinet.value?.boards.some(b => b.board.id === id)
const takenBowl = (id: string) => !!cabinet.value?.vessels.some(v => v.vessel.id === id)
</script>

<template>
  <House title="Boards & bowls" wide>
    <template #acts>
      <button class="btn" @click="makeBowl">Make a bowl</button>
      <button class="btn next" @click="makeOne">Make a board</button>
    </template>
    <p v-if="wrong" class="card" role="alert">
      ▲ {{ wrong }} <button class="btn quiet" @click="read">Try again</button>
    </p>
    <BoardMaker
      v-if="making"
      :maker="maker"
      :taken="takenBoard"
      @done="id => done('b', id)"
      @leave="making = false"
    />
    <VesselMaker
      v-if="bowl"
      :key="bowl.from.vessel.id + bowl.copy"
      :from="bowl.from"
      :copy="bowl.copy"
      :taken="takenBowl"
      @done="id => done('v', id)"
      @leave="bowl = null"
    />

    <div v-if="cabinet" class="two">
      <div class="left">
        <p class="measure">
          <svg :width="90 * scale" :height="188 * scale" viewBox="0 0 90 188" aria-hidden="true">
            <path :d="hand.path + 'Z'" />
          </svg>
          <span class="rule" :style="{ width: `${300 * scale}px` }" aria-hidden="true" />
          <span class="soft small">A hand, and {{ length(300) }}, to the scale of the boards</span>
          <label class="zoom">
            <span class="only-read">Scale</span>
            <ElSlider
              v-model="scale"
              :min="0.16"
              :max="0.9"
              :step="0.02"
              :show-tooltip="false"
              aria-label="Scale"
            />
          </label>
          <button v-if="away" class="btn quiet" @click="seeAway = !seeAway">
            {{ seeAway ? 'Only what is shown' : `${away} hidden` }}
          </button>
        </p>
        <section aria-label="Boards">
          <h2>
            Boards <span class="soft small nums">{{ boards.length }}</span>
          </h2>
          <ul class="shelf">
            <li v-for="b in boards" :key="b.board.id" :class="{ on: chosen === 'b:' + b.board.id }">
              <button
                class="pick"
                :aria-pressed="chosen === 'b:' + b.board.id"
                @click="chosen = 'b:' + b.board.id"
              >
                <img
                  :src="`/api/v1/boards/${b.board.id}/picture.svg?v=${b.version}`"
                  :style="{ width: px(sides(b)[0]!, scale), height: px(sides(b)[1]!, scale) }"
                  alt=""
                  loading="lazy"
                />
                <span class="bname">{{ b.board.name }}</span>
                <span class="soft small nums">{{ spans(sides(b)) }}</span>
              </button>
            </li>
          </ul>
        </section>
        <section aria-label="Bowls">
          <h2>
            Bowls, cups and dishes <span class="soft small nums">{{ vessels.length }}</span>
          </h2>
          <p class="measure">
            <svg :width="90 * bowlScale" :height="188 * bowlScale" viewBox="0 0 90 188" aria-hidden="true">
              <path :d="hand.path + 'Z'" />
            </svg>
            <span class="rule" :style="{ width: `${100 * bowlScale}px` }" aria-hidden="true" />
            <span class="soft small">The same hand, and {{ length(100) }}, to the scale of the bowls</span>
          </p>
          <ul class="shelf">
            <li v-for="v in vessels" :key="v.vessel.id" :class="{ on: chosen === 'v:' + v.vessel.id }">
              <button
                class="pick"
                :aria-pressed="chosen === 'v:' + v.vessel.id"
                @click="chosen = 'v:' + v.vessel.id"
              >
                <img
                  :src="`/api/v1/vessels/${v.vessel.id}/picture.svg?v=${v.version}`"
                  :style="{
                    width: px(vesselSides(v)[0]!, bowlScale),
                    height: px(vesselSides(v)[1]!, bowlScale),
                  }"
                  alt=""
                  loading="lazy"
                />
                <span class="bname">{{ v.vessel.name }}</span>
              </button>
            </li>
          </ul>
        </section>
      </div>
      <aside class="card about" aria-label="About the one chosen">
        <template v-if="board">
          <img
            class="large"
            :src="`/api/v1/boards/${board.board.id}/picture.svg?v=${board.version}`"
            alt=""
          />
          <h2>{{ board.board.name }}</h2>
          <dl class="facts nums">
            <dt>Measures</dt>
            <dd>{{ spans(sides(board)) }}</dd>
            <dt>To lay on</dt>
            <dd>{{ area(board.area_cm2) }}</dd>
            <dt>Carries</dt>
            <dd>a nibble for about {{ count(board.guests, 'guest') }}</dd>
            <dt>Made of</dt>
            <dd>{{ board.board.material }}{{ board.board.liner ? ', lined' : '' }}</dd>
            <dt>Rim</dt>
            <dd>
              {{
                board.board.rim_mm ? length(board.board.rim_mm) : 'none: keep what rolls away from the edge'
              }}
            </dd>
            <template v-if="board.board.lid_mm">
              <dt>Lid</dt>
              <dd>food stands {{ length(board.board.lid_mm) }} high under it at most</dd>
            </template>
            <template v-if="board.board.wells?.length">
              <dt>Hollows</dt>
              <dd>
                {{ count(board.board.wells.length, 'well or groove', 'wells or grooves') }}, for what rolls or
                stacks
              </dd>
            </template>
          </dl>
          <p v-for="s in board.says" :key="s" class="small">▲ {{ s }}</p>
          <div class="ways">
            <button v-if="board.mine === 'own'" class="btn next" @click="work(board, false)">Change</button>
            <button class="btn" @click="work(board, true)">Copy and change</button>
            <button class="btn" @click="move('boards', board.board.id, board.board.name, board.put_away)">
              {{ board.put_away ? 'Show again' : 'Hide' }}
            </button>
          </div>
        </template>
        <template v-else-if="vessel">
          <img
            class="large small-one"
            :src="`/api/v1/vessels/${vessel.vessel.id}/picture.svg?v=${vessel.version}`"
            alt=""
          />
          <h2>{{ vessel.vessel.name }}</h2>
          <dl class="facts nums">
            <dt>Measures</dt>
            <dd>{{ spans(vesselSides(vessel)) }}</dd>
            <dt>High</dt>
            <dd>{{ length(vessel.vessel.height_mm) }}</dd>
            <dt>Holds</dt>
            <dd>{{ vessel.vessel.capacity_ml }} ml</dd>
            <dt>Make</dt>
            <dd>
              {{
                vessel.vessel.material === 'hollowed'
                  ? 'hollowed out, to be used once'
                  : vessel.vessel.material
              }}
            </dd>
          </dl>
          <div class="ways">
            <button v-if="vessel.mine === 'own'" class="btn next" @click="shape(vessel, false)">
              Change
            </button>
            <button class="btn" @click="shape(vessel, true)">Copy and change</button>
            <button
              class="btn"
              @click="move('vessels', vessel.vessel.id, vessel.vessel.name, vessel.put_away)"
            >
              {{ vessel.put_away ? 'Show again' : 'Hide' }}
            </button>
          </div>
        </template>
        <p v-else class="soft">
          Choose a board or a bowl to see what it carries, to copy it, or to put it away.
        </p>
      </aside>
    </div>
  </House>
</template>

<style scoped>
.two {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 290px;
  gap: 20px;
  align-items: start;
}
.left {
  display: grid;
  gap: 16px;
}
.measure {
  display: flex;
  align-items: flex-end;
  gap: 12px;
  flex-wrap: wrap;
}
.measure path {
  fill: var(--wood-pale);
  stroke: var(--wood-line);
  stroke-width: 2;
}
.rule {
  height: 9px;
  border: 1.5px solid var(--line-strong);
  border-top: 0;
}
.zoom {
  width: 150px;
  margin-left: auto;
}
.shelf {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 10px;
  align-items: flex-end;
  border-bottom: 7px solid var(--shelf);
  padding: 6px 0 8px;
}
.shelf li {
  border-radius: var(--radius);
  border: 2px solid transparent;
  max-width: 100%;
}
.shelf li.on {
  border-color: var(--blue);
  background: var(--paper);
}
.pick {
  font: inherit;
  color: inherit;
  background: none;
  border: 0;
  padding: 6px;
  cursor: pointer;
  display: grid;
  justify-items: center;
  gap: 1px;
  min-width: 92px;
  max-width: 100%;
}
.pick:hover .bname {
  color: var(--blue);
}
.pick img {
  max-width: 100%;
  object-fit: contain;
}
.bname {
  font-weight: 600;
  font-size: var(--type-3);
  line-height: 1.15;
  max-width: 132px;
}
.about {
  position: sticky;
  top: 16px;
  display: grid;
  gap: 10px;
}
.large {
  width: 100%;
  max-height: 190px;
  object-fit: contain;
}
.small-one {
  max-height: 130px;
}
.ways {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
@media (max-width: 900px) {
  .two {
    grid-template-columns: 1fr;
  }
  .about {
    position: static;
    order: -1;
  }
}
</style>
