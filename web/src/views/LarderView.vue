<script setup lang="ts">
// The larder: shelves of drawn foods, found as you type, narrowed down by what
// they are and what they hold.
import { computed, reactive, ref, useTemplateRef, watch } from 'vue'
import { useRouter } from 'vue-router'
import { useEventListener } from '@vueuse/core'
import { useAct, useAsk } from '@/api/asking'
import { api, take } from '@/api/client'
import House from '@/components/house/House.vue'
import FoodShelf from '@/components/larder/FoodShelf.vue'
import TableFiles from '@/components/larder/TableFiles.vue'
import { allergens, dietWords, monthNames, shelfNames, swatches, words } from '@/tray/larder'
import Choose from '@/components/common/Choose.vue'

const router = useRouter()
const files = ref(false)
const q = reactive({
  text: '',
  category: '',
  colour: '',
  month: 0,
  without: [] as string[],
  milk: '',
  firmness: '',
  away: false,
})
const narrowed = computed(
  () => !!(q.text || q.category || q.colour || q.month || q.without.length || q.milk || q.firmness || q.away),
)
function clear() {
  Object.assign(q, {
    text: '',
    category: '',
    colour: '',
    month: 0,
    without: [],
    milk: '',
    firmness: '',
    away: false,
  })
}

const {
  now: found,
  wrong: unread,
  again: read,
} = useAsk(() => {
  const query = {
    text: q.text || undefined,
    category: q.category || undefined,
    colour: q.colour || undefined,
    month: q.month || undefined,
    without: q.without.join(',') || undefined,
    milk: q.milk || undefined,
    firmness: q.firmness || undefined,
    put_away: q.away || undefined,
    per_shelf: q.category ? 400 : 60,
  }
  return {
    key: ['shelves', query],
    ask: signal => take(api.GET('/api/v1/larder/search', { params: { query }, signal })),
  }
})
const { wrong: refused, act } = useAct('The food cannot be made.')
const wrong = computed(() => refused.value || unread.value)

const shelves = computed(() => found.value?.shelves.filter(s => s.total) ?? [])
// foods come a handful after the other, so that a hand is answered in between
const atFirst = 24
const handful = 12
const drawn = ref(atFirst)
const before = computed(() => {
  let n = 0
  return shelves.value.map(s => (n += s.foods.length) - s.foods.length)
})
watch(
  [shelves, drawn],
  () => {
    const all = shelves.value.reduce((n, s) => n + s.foods.length, 0)
    if (drawn.value < all) window.setTimeout(() => (drawn.value += handful))
  },
  { flush: 'post' },
)

const add = () =>
  act(async () => {
    const page = await take(api.POST('/api/v1/foods', { body: { name: q.text.trim() || 'New food' } }))
    await router.push({ name: 'food', params: { id: page.food.id } })
  })

const field = useTemplateRef('field')
useEventListener(window, 'keydown', e => {
  if (e.key !== '/' || (e.target as Element).closest('input, textarea')) return
  e.preventDefault()
  field.value?.focus()
})
</script>

<template>
  <House title="Larder" wide>
    <template #acts>
      <button class="btn" :aria-expanded="files" @click="files = !files">Tables in and out</button>
      <button class="btn next" @click="add">Add a food</button>
    </template>
    <TableFiles v-if="files" @taken="read" />

    <form class="card filters" role="search" @submit.prevent>
      <input
        ref="field"
        v-model="q.text"
        class="find"
        type="search"
        placeholder="Find a food, a flavour, a form  /"
        aria-label="Find a food"
        maxlength="120"
      />
      <Choose
        v-model="q.category"
        label="Shelf"
        :width="170"
        :options="[['', 'All shelves'], ...Object.entries(shelfNames)]"
      />
      <Choose
        v-model="q.month"
        label="In season"
        :width="140"
        :options="[[0, 'Any month'], ...monthNames.map((name, i) => [i + 1, `In season, ${name}`] as const)]"
      />
      <Choose
        v-model="q.without"
        low
        none="Without"
        label="Without"
        :width="180"
        :options="[...dietWords, ...allergens]"
      />
      <Choose v-model="q.milk" label="Milk" :width="112" :options="[['', 'Any milk'], ...words.milk]" />
      <Choose
        v-model="q.firmness"
        label="Firmness"
        :width="130"
        :options="[['', 'Any firmness'], ...words.firmness]"
      />
      <div class="swatches" role="group" aria-label="Colour">
        <button
          v-for="s in swatches"
          :key="s.name"
          type="button"
          :style="{ background: s.hex }"
          :aria-pressed="q.colour === s.hex"
          :aria-label="s.name"
          :title="s.name"
          @click="q.colour = q.colour === s.hex ? '' : s.hex"
        >
          <span v-if="q.colour === s.hex" aria-hidden="true">✓</span>
        </button>
      </div>
      <label class="away"><input v-model="q.away" type="checkbox" /> hidden</label>
      <span class="sum soft small" role="status">
        {{ found ? `${found.total} ${found.total === 1 ? 'food' : 'foods'}` : 'looking'
        }}<template v-if="found?.traces">, {{ found.traces }} more may hold traces</template>
        <button v-if="narrowed" type="button" class="btn quiet" @click="clear">Show all</button>
      </span>
    </form>

    <p v-if="wrong" class="card" role="alert">▲ {{ wrong }}</p>
    <template v-for="(s, i) in shelves" :key="s.category">
      <FoodShelf
        v-if="drawn > before[i]!"
        :shelf="s"
        :most="Math.min(s.foods.length, drawn - before[i]!)"
        @all="q.category = s.category"
      />
    </template>
    <p v-if="found && !shelves.length" class="card">
      No food is like that. Use fewer filters, or add a food of your own.
    </p>
    <p class="soft small">
      Allergens and diet facts here are what such foods usually hold. The labels of your own packs decide.
    </p>
  </House>
</template>

<style scoped>
.filters {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 10px;
  align-items: center;
  padding: 12px 14px;
  position: sticky;
  top: 0;
  z-index: 3;
  box-shadow: 0 6px 14px -10px var(--shade-deep);
}
.find {
  font: inherit;
  border: 1.5px solid var(--line-strong);
  background: var(--white);
  color: var(--ink);
  border-radius: var(--radius-m);
  min-height: 38px;
  padding: 0 12px;
  flex: 1 1 230px;
  min-width: 200px;
}
.swatches {
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
}
.swatches button {
  width: 28px;
  height: 28px;
  border-radius: 50%;
  border: 1.5px solid var(--line-strong);
  cursor: pointer;
  padding: 0;
  display: grid;
  place-items: center;
}
.swatches button[aria-pressed='true'] {
  outline: 3px solid var(--blue);
  outline-offset: 1px;
}
.swatches span {
  background: var(--blue);
  color: var(--white);
  border-radius: 50%;
  width: 16px;
  height: 16px;
  font: 700 var(--type-1)/16px var(--text);
}
@media (pointer: coarse) {
  .swatches button {
    width: 44px;
    height: 44px;
  }
}
.away {
  display: inline-flex;
  gap: 6px;
  align-items: center;
  min-height: 36px;
}
.away input {
  width: 18px;
  height: 18px;
  accent-color: var(--blue);
}
.sum {
  margin-left: auto;
  display: inline-flex;
  align-items: center;
}
</style>
