<script setup lang="ts">
// The theme: a name, a region, and up to five colours, picked one by one,
// taken from the region's foods or from a palette file.
import { themeNameValues } from '@/api/contract.gen'
import { computed, onMounted } from 'vue'
import { useAct, useAsk } from '@/api/asking'
import { api, send, take, type Palette } from '@/api/client'
import type { Brief } from '@/api/tray.gen'
import { useShelf } from '@/stores/shelf'
import WrittenField from '@/components/common/WrittenField.vue'
import Choose from '@/components/common/Choose.vue'

const props = defineProps<{ brief: Brief }>()
const emit = defineEmits<{ set: [change: Partial<Brief>, planned?: boolean] }>()

const theme = computed(() => {
  const t = props.brief.theme
  if (!t) return {}
  if (typeof t === 'string') return { name: t }
  return Array.isArray(t) ? { palette: t } : t
})
const palette = computed(() => theme.value.palette ?? [])
const text = (e: Event) => (e.target as HTMLInputElement).value
const most = 12
const shelf = useShelf()
onMounted(shelf.read)
const { wrong, act } = useAct()

type Theme = Exclude<NonNullable<Brief['theme']>, string | unknown[]>
/** A name of one's own brings the whole theme that was kept under it. */
function named(name: string) {
  const own = shelf.themes.find(k => k.name.toLowerCase() === name.trim().toLowerCase())
  if (!own) return set({ name, belongs: [], alien: [], garnish: [], liner: '' })
  set({
    name: own.name,
    palette: own.palette,
    region: (own.region || undefined) as Theme['region'],
    belongs: own.belongs,
    alien: own.alien,
    garnish: own.garnish,
    liner: own.liner,
  })
}
const keepable = computed(() => !!theme.value.name && !!(palette.value.length || theme.value.region))
const keep = () =>
  shelf.keep('theme', {
    name: theme.value.name!,
    palette: palette.value,
    region: theme.value.region ?? '',
    belongs: theme.value.belongs ?? [],
    alien: theme.value.alien ?? [],
    garnish: theme.value.garnish ?? [],
    liner: theme.value.liner ?? '',
  })
const known = computed(() => shelf.themes.some(k => k.name.toLowerCase() === theme.value.name?.toLowerCase()))

/** What the theme does, and which are of the month. */
const { now: told } = useAsk(() => {
  const { theme, month, serve_at, hemisphere } = props.brief
  return {
    key: ['theme', { theme, month, serve_at, hemisphere }],
    ask: signal => take(api.POST('/api/v1/theme', { body: props.brief, signal })),
  }
})
// the hour at which such an occasion usually is, where the job has a day and another hour
const hour = computed(() => {
  const at = props.brief.serve_at
  return told.value?.hour && at && at.length >= 16 && at.slice(11, 16) !== told.value.hour
    ? told.value.hour
    : ''
})
const setHour = () =>
  emit('set', { serve_at: props.brief.serve_at!.slice(0, 11) + hour.value + props.brief.serve_at!.slice(16) })

function set(change: Partial<Theme>) {
  const t = { ...theme.value, ...change }
  wrong.value = ''
  emit('set', {
    theme:
      t.name || t.palette?.length || t.region
        ? ({
            ...(t.name ? { name: t.name } : {}),
            ...(t.palette?.length ? { palette: t.palette } : {}),
            ...(t.region ? { region: t.region } : {}),
            ...(t.belongs?.length ? { belongs: t.belongs } : {}),
            ...(t.alien?.length ? { alien: t.alien } : {}),
            ...(t.garnish?.length ? { garnish: t.garnish } : {}),
            ...(t.liner ? { liner: t.liner } : {}),
          } as Brief['theme'])
        : undefined,
  })
}
const fromRegion = () =>
  act(async () => {
    const p = await take(
      api.GET('/api/v1/palettes/region/{region}', { params: { path: { region: theme.value.region! } } }),
    )
    set({ palette: p.colours.slice(0, most) })
  })
function read(e: Event) {
  const input = e.target as HTMLInputElement
  const file = input.files?.[0]
  if (!file) return
  void act(async () => {
    const p = await send<Palette>('POST', '/api/v1/palettes', 'text/plain', file)
    set({ palette: p.colours, ...(theme.value.name ? {} : { name: p.name }) })
  })
  input.value = ''
}
/** An inspiration photograph gives its main colours; it is not kept. */
function look(e: Event) {
  const input = e.target as HTMLInputElement
  const picture = input.files?.[0]
  input.value = ''
  if (picture) void act(async () => set({ palette: (await shelf.coloursOf(picture)).slice(0, most) }))
}
const file = computed(
  () =>
    `/api/v1/palettes/file?name=${encodeURIComponent(theme.value.name ?? '')}&colours=${palette.value.map(c => c.slice(1)).join(',')}`,
)
</script>

<template>
  <p class="line">
    The theme is
    <WrittenField
      class="in"
      style="width: 160px"
      aria-label="Theme"
      :value="theme.name"
      maxlength="80"
      placeholder="none"
      list="themes"
      @written="named"
    /><datalist id="themes">
      <option v-for="k in shelf.themes" :key="k.id" :value="k.name" />
      <option v-for="t in themeNameValues" :key="t" :value="t" /></datalist
    >, food from
    <Choose
      :model-value="theme.region ?? ''"
      label="Region"
      :width="176"
      :options="[
        ['', 'anywhere'],
        ['alpine', 'the mountains'],
        ['atlantic', 'the ocean coast'],
        ['mediterranean', 'the southern sea'],
        ['northern', 'the north'],
        ['eastern', 'the east'],
        ['tropical', 'the tropics'],
      ]"
      @update:model-value="v => set({ region: (v || undefined) as Theme['region'] })"
    />, in these colours:
  </p>
  <p class="line colours">
    <span v-for="(c, i) in palette" :key="i" class="swatch">
      <input
        type="color"
        :value="c"
        :aria-label="`Theme colour ${i + 1}`"
        @change="set({ palette: palette.map((p, k) => (k === i ? text($event) : p)) })"
      />
      <button
        class="drop"
        :aria-label="`Remove theme colour ${i + 1}`"
        @click="set({ palette: palette.filter((_, k) => k !== i) })"
      >
        ×
      </button>
    </span>
    <button
      class="btn quiet"
      :disabled="palette.length >= most"
      @click="set({ palette: [...palette, '#c8553d'] })"
    >
      Add a colour
    </button>
    <button v-if="theme.region" class="btn quiet" @click="fromRegion">Colours of that region</button>
    <label class="btn quiet file">
      Colours from a picture
      <input type="file" accept="image/png,image/jpeg" aria-label="Colours from a picture" @change="look" />
    </label>
    <label class="btn quiet file">
      Read a palette file
      <input type="file" accept=".gpl,text/plain" aria-label="Read a palette file" @change="read" />
    </label>
    <a v-if="palette.length" class="btn quiet" :href="file" download>Save as a palette file</a>
    <button v-if="keepable && !known" class="btn quiet" :disabled="shelf.busy" @click="keep">
      Keep as my theme
    </button>
  </p>
  <template v-if="told">
    <p v-if="told.known" class="small does">
      <template v-if="told.name !== theme.name?.trim().toLowerCase()"
        >Here that is <b>{{ told.name }}</b>.
      </template>
      {{ told.does.join(' ') }}
      <template v-if="hour"
        >It usually is at {{ hour }}:
        <button class="btn quiet" @click="setHour">Serve at {{ hour }}</button>
      </template>
    </p>
    <p v-else-if="told.nearest.length && !palette.length && !theme.region" class="small does">
      “{{ theme.name }}” is a name only, and changes no food. Near it:
      <button v-for="t in told.nearest" :key="t" class="btn quiet" @click="named(t)">{{ t }}</button>
    </p>
    <p v-else-if="!theme.name && told.offered.length" class="small does">
      Of this month:
      <button v-for="t in told.offered" :key="t" class="btn quiet" @click="named(t)">{{ t }}</button>
    </p>
  </template>
  <p v-if="wrong || shelf.wrong" class="small" role="alert">▲ {{ wrong || shelf.wrong }}</p>
</template>

<style scoped>
.colours {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 4px 6px;
  line-height: 1.4;
}
.does {
  max-width: 68ch;
  color: var(--soft);
}
.swatch {
  display: inline-flex;
}
.swatch input {
  width: 44px;
  height: 36px;
  padding: 2px;
  border: 1.5px solid var(--line-strong);
  border-radius: var(--radius-m);
  background: var(--paper);
}
.drop {
  border: 0;
  background: none;
  font-size: var(--type-6);
  color: var(--soft);
  cursor: pointer;
  min-width: 26px;
}
.file input {
  position: absolute;
  width: 1px;
  height: 1px;
  opacity: 0;
}
.file:focus-within {
  outline: 2px solid var(--blue);
}
</style>
