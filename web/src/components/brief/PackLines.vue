<script setup lang="ts">
// What stands in fridge and cupboard already: a list, as one writes it in front of them, becomes packs that the board is
// made of; how many guests they carry; and how much may be bought beside them.
import { computed, onMounted, ref } from 'vue'
import type { Brief, Pack } from '@/api/tray.gen'
import { useAct } from '@/api/asking'
import { api, take } from '@/api/client'
import { useLarder } from '@/stores/larder'
import { count, grams } from '@/tray/words'
import Choose from '@/components/common/Choose.vue'
import NumberField from '@/components/common/NumberField.vue'

const props = defineProps<{ brief: Brief; carries: number }>()
const emit = defineEmits<{ set: [change: Partial<Brief>] }>()

const larder = useLarder()
onMounted(larder.read)
const packs = computed(() =>
  (props.brief.packs ?? []).map(p => (typeof p === 'string' ? { food: p } : p) satisfies Pack),
)
const full = computed(() => packs.value.length >= 60)
const said = (p: Pack) => p.name || larder.name(p.food)
const put = (list: Pack[]) => emit('set', { packs: list.length ? list : undefined })

const text = ref('')
const unknown = ref<string[]>([])
const { wrong, act } = useAct('That could not be read. Try again.')
async function add() {
  const written = text.value.trim()
  if (!written) return
  await act(async () => {
    const read = await take(api.POST('/api/v1/packs', { body: { text: written } }))
    unknown.value = read.unknown
    text.value = read.unknown.join('\n')
    const next = [...packs.value]
    for (const p of read.packs) {
      const same = next.findIndex(o => o.food === p.food && o.grams === p.grams)
      if (same >= 0) next[same] = { ...next[same]!, count: (next[same]!.count || 1) + p.count }
      else next.push({ food: p.food, name: p.name || undefined, grams: p.grams, count: p.count })
    }
    if (read.packs.length) put(next)
  })
}
/** Enter takes the line; with Shift it begins another. */
function enter(e: KeyboardEvent) {
  if (e.key !== 'Enter' || e.shiftKey) return
  e.preventDefault()
  void add()
}

const buys = computed(() => props.brief.buys_at_most)
const buysOptions = computed(
  () =>
    [
      ['', packs.value.length ? 'three further foods at most' : 'as much as it takes'],
      ['0', 'nothing'],
      ['1', 'one further food at most'],
      ['2', 'two further foods at most'],
      ['5', 'five further foods at most'],
      ['40', 'as much as it takes'],
    ] as const,
)
const options = computed(() => buysOptions.value.filter(([id]) => packs.value.length || id !== '40'))
const guests = computed(() => (props.brief.guests.adults ?? 0) + (props.brief.guests.children ?? 0))
</script>

<template>
  <ul v-if="packs.length" class="packs" aria-label="Packs that are there">
    <li v-for="(p, i) in packs" :key="p.food + p.grams">
      <img v-if="larder.food(p.food)" :src="larder.picture(p.food)" alt="" /><span v-else />
      <NumberField
        :model-value="p.count || 1"
        steps
        :min="1"
        :max="500"
        :width="104"
        :label="`Packs of ${said(p)}`"
        @update:model-value="n => put(packs.map((o, k) => (k === i ? { ...o, count: n ?? 1 } : o)))"
      />
      <span class="what"
        ><span v-if="p.grams" class="nums">× {{ grams(p.grams) }}</span> <b>{{ said(p) }}</b></span
      >
      <button class="btn quiet" @click="put(packs.filter((_, k) => k !== i))">
        Remove<span class="only-read"> {{ said(p) }}</span>
      </button>
    </li>
  </ul>
  <p class="line add">
    <label class="only-read" for="packs">What is there</label>
    <textarea
      id="packs"
      v-model="text"
      class="in"
      rows="1"
      maxlength="6000"
      :disabled="full"
      placeholder="2 x 200 g brie, olives 180 g, a pack of crackers"
      @keydown="enter"
    />
    <button class="btn" :disabled="full || !text.trim()" @click="add">Use these</button>
  </p>
  <p v-if="wrong" role="alert">▲ {{ wrong }}</p>
  <p v-else-if="unknown.length" role="status" class="small">
    ▲ Not in the larder: {{ unknown.join('; ') }}. Write
    {{ unknown.length === 1 ? 'it' : 'them' }} differently, or add
    {{ unknown.length === 1 ? 'it' : 'them' }} to the larder first.
  </p>
  <p class="line">
    Buy
    <Choose
      :model-value="buys === undefined ? '' : String(buys)"
      label="What may be bought"
      :width="236"
      :options="options"
      @update:model-value="v => emit('set', { buys_at_most: v === '' ? undefined : Number(v) })"
    />
    beside what is there.
  </p>
  <p v-if="carries" class="carry" role="status">
    <span>That makes a board for about {{ count(carries, 'guest') }}.</span>
    <button
      v-if="carries !== guests"
      class="btn"
      @click="
        emit('set', {
          guests: { ...brief.guests, adults: Math.max(1, carries - (brief.guests.children ?? 0)) },
        })
      "
    >
      Make it for {{ carries }}
    </button>
  </p>
</template>

<style scoped>
.packs {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(min(100%, 340px), 1fr));
  gap: 6px 20px;
  width: 100%;
}
.packs li {
  display: grid;
  grid-template-columns: 40px auto 1fr auto;
  gap: 8px;
  align-items: center;
}
.packs img {
  width: 40px;
  height: 40px;
}
.what {
  display: flex;
  flex-wrap: wrap;
  gap: 0 6px;
}
.what .nums {
  white-space: nowrap;
}
.add {
  display: flex;
  gap: 10px;
  align-items: end;
}
.add .in {
  flex: 1;
  resize: vertical;
  line-height: 1.4;
}
.carry {
  display: flex;
  gap: 12px;
  align-items: center;
}
</style>
