<script setup lang="ts">
// The larder: shelves of drawn foods, found as you type, narrowed down by what
// they are and what they hold.
import { computed, reactive, ref, shallowRef, useTemplateRef, watch } from 'vue'
import { RouterLink, useRouter } from 'vue-router'
import { useEventListener } from '@vueuse/core'
import { ElOption, ElSelect } from 'element-plus'
import 'element-plus/es/components/select/style/css'
import { api, take, Trouble, type FoodCard, type FoodPage, type Shelves } from '@/api/client'
import House from '@/components/house/House.vue'
import TableFiles from '@/components/larder/TableFiles.vue'
import { newest } from '@/composables/newest'
import { useLarder } from '@/stores/larder'
import { allergens, dietWords, monthNames, shelfNames, swatches, words } from '@/tray/larder'
import { grams } from '@/tray/units'

const router = useRouter()
const larder = useLarder()
const found = shallowRef<Shelves | null>(null)
const wrong = ref('')
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

const read = newest(async signal => {
  try {
    found.value = await take<Shelves>(
      api.GET('/api/v1/larder/search', {
        params: {
          query: {
            text: q.text || undefined,
            category: q.category || undefined,
            colour: q.colour || undefined,
            month: q.month || undefined,
            without: q.without.join(',') || undefined,
            milk: q.milk || undefined,
            firmness: q.firmness || undefined,
            put_away: q.away || undefined,
            per_shelf: q.category ? 400 : 60,
          },
        },
        signal,
      }),
    )
    wrong.value = ''
  } catch (e) {
    if (e instanceof Trouble) wrong.value = e.message
  }
}, 40)
watch(q, read, { immediate: true })

const shelves = computed(() => found.value?.shelves.filter(s => s.total) ?? [])
// the lower shelves come one after the other, so that a hand is answered in between
const drawn = ref(2)
watch(
  [shelves, drawn],
  () => {
    if (drawn.value < shelves.value.length) window.setTimeout(() => drawn.value++)
  },
  { flush: 'post' },
)
const note = (f: FoodCard) =>
  [
    f.mine === 'own' ? 'your own' : f.mine === 'changed' ? 'changed by you' : '',
    f.on_hand_g ? `${grams(f.on_hand_g)} here` : '',
    f.in_season ? '' : 'out of season',
  ]
    .filter(Boolean)
    .join(' · ')

async function add() {
  try {
    const page = await take<FoodPage>(
      api.POST('/api/v1/foods', { body: { name: q.text.trim() || 'New food' } }),
    )
    await router.push({ name: 'food', params: { id: page.food.id } })
  } catch (e) {
    wrong.value = e instanceof Trouble ? e.message : 'The food cannot be made.'
  }
}

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

    <form class="card sieve" role="search" @submit.prevent>
      <input
        ref="field"
        v-model="q.text"
        class="find"
        type="search"
        placeholder="Find a food, a flavour, a form  /"
        aria-label="Find a food"
        maxlength="120"
      />
      <ElSelect
        v-model="q.category"
        :empty-values="[null, undefined]"
        aria-label="Shelf"
        style="width: 170px"
      >
        <ElOption value="" label="All shelves" />
        <ElOption v-for="(name, id) in shelfNames" :key="id" :value="id" :label="name" />
      </ElSelect>
      <ElSelect v-model="q.month" aria-label="In season" style="width: 140px">
        <ElOption :value="0" label="Any month" />
        <ElOption v-for="(name, i) in monthNames" :key="name" :value="i + 1" :label="`In season, ${name}`" />
      </ElSelect>
      <ElSelect
        v-model="q.without"
        multiple
        collapse-tags
        placeholder="Without"
        aria-label="Without"
        style="width: 180px"
      >
        <ElOption v-for="w in [...dietWords, ...allergens]" :key="w" :value="w" :label="w" />
      </ElSelect>
      <ElSelect v-model="q.milk" :empty-values="[null, undefined]" aria-label="Milk" style="width: 112px">
        <ElOption value="" label="Any milk" />
        <ElOption v-for="w in words.milk" :key="w" :value="w" :label="w" />
      </ElSelect>
      <ElSelect
        v-model="q.firmness"
        :empty-values="[null, undefined]"
        aria-label="Firmness"
        style="width: 130px"
      >
        <ElOption value="" label="Any firmness" />
        <ElOption v-for="w in words.firmness" :key="w" :value="w" :label="w" />
      </ElSelect>
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
      <label class="away"><input v-model="q.away" type="checkbox" /> put away</label>
      <span class="sum soft small" role="status">
        {{ found ? `${found.total} ${found.total === 1 ? 'food' : 'foods'}` : 'looking' }}
        <button v-if="narrowed" type="button" class="btn quiet" @click="clear">Show all</button>
      </span>
    </form>

    <p v-if="wrong" class="card" role="alert">▲ {{ wrong }}</p>
    <section
      v-for="s in shelves.slice(0, drawn)"
      :key="s.category"
      class="shelf"
      :aria-label="shelfNames[s.category]"
    >
      <h2>
        {{ shelfNames[s.category] }} <span class="soft small nums">{{ s.total }}</span>
      </h2>
      <ul>
        <li v-for="f in s.foods" :key="f.id">
          <RouterLink :to="{ name: 'food', params: { id: f.id } }" class="food">
            <img :src="larder.picture(f.id, undefined, f.version)" alt="" loading="lazy" />
            <span class="fname">{{ f.name }}</span>
            <span v-if="note(f)" class="note">{{ note(f) }}</span>
          </RouterLink>
        </li>
      </ul>
      <button v-if="s.foods.length < s.total" class="btn quiet" @click="q.category = s.category">
        All {{ s.total }} of {{ shelfNames[s.category] }}
      </button>
    </section>
    <p v-if="found && !shelves.length" class="card">
      Nothing on the shelves is like that. Loosen the sieve, or add a food of your own.
    </p>
    <p class="soft small">
      Allergens and diet facts here are what such foods usually hold. The labels of your own packs decide.
    </p>
  </House>
</template>

<style scoped>
.sieve {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 10px;
  align-items: center;
  padding: 12px 14px;
  position: sticky;
  top: 0;
  z-index: 3;
  box-shadow: 0 6px 14px -10px rgb(70 58 34 / 40%);
}
.find {
  font: inherit;
  border: 1.5px solid var(--line-strong);
  background: #fff;
  color: var(--ink);
  border-radius: 7px;
  min-height: 38px;
  padding: 0 12px;
  flex: 1 1 230px;
  min-width: 200px;
}
.swatches {
  display: flex;
  gap: 3px;
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
  color: #fff;
  border-radius: 50%;
  width: 16px;
  height: 16px;
  font: 700 0.65rem/16px var(--text);
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
.shelf h2 {
  padding: 2px 2px 6px;
  display: flex;
  gap: 8px;
  align-items: baseline;
}
.shelf ul {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(112px, 1fr));
  gap: 6px;
  border-bottom: 7px solid #d3c8b3;
  border-radius: 0 0 4px 4px;
  padding-bottom: 8px;
}
.food {
  display: grid;
  justify-items: center;
  gap: 2px;
  padding: 8px 6px;
  border-radius: 9px;
  color: inherit;
  text-decoration: none;
  text-align: center;
}
.food:hover {
  background: var(--paper);
}
.food:hover .fname {
  color: var(--blue);
}
.food img {
  width: 82px;
  height: 82px;
}
.fname {
  font-weight: 600;
  font-size: 0.86rem;
  line-height: 1.2;
}
.note {
  font-size: 0.75rem;
  color: var(--soft);
  font-weight: 600;
  line-height: 1.2;
}
</style>
