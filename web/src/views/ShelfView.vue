<script setup lang="ts">
// What is kept to be used again: ideas with their picture and colours, themes of one's own, and
// choices that went down well.
import { computed, onMounted, ref } from 'vue'
import type { Kept } from '@/api/client'
import { said } from '@/api/asking'
import House from '@/components/house/House.vue'
import { useLarder } from '@/stores/larder'
import { useShelf } from '@/stores/shelf'
import { count } from '@/tray/words'

const shelf = useShelf()
const larder = useLarder()
onMounted(() => {
  void shelf.read()
  void larder.read()
})

const name = ref('')
const note = ref('')
const palette = ref<string[]>([])
const file = ref<File | null>(null)
const wrong = ref('')
const looking = ref(false)
const preview = computed(() => (file.value ? URL.createObjectURL(file.value) : ''))

/** The picture's colours are the idea's, until they are changed. */
async function choose(e: Event) {
  const input = e.target as HTMLInputElement
  const f = input.files?.[0] ?? null
  input.value = ''
  if (!f) return
  looking.value = true
  wrong.value = ''
  try {
    palette.value = (await shelf.coloursOf(f)).slice(0, 6)
    file.value = f
  } catch (err) {
    wrong.value = said(err, 'The picture cannot be looked at.')
  } finally {
    looking.value = false
  }
}
async function keep() {
  if (!name.value.trim()) {
    wrong.value = 'Give the idea a name first.'
    return
  }
  wrong.value = ''
  const made = await shelf.keep('idea', {
    name: name.value.trim(),
    note: note.value.trim(),
    palette: palette.value,
  })
  if (!made) return
  if (file.value) await shelf.savePhoto(made, file.value)
  name.value = note.value = ''
  palette.value = []
  file.value = null
}
const asTheme = (k: Kept) => shelf.keep('theme', { name: k.name, palette: k.palette })
const rename = (k: Kept, e: Event) => {
  const now = (e.target as HTMLInputElement).value.trim()
  if (now && now !== k.name)
    void shelf.change(k, {
      name: now,
      note: k.note,
      palette: k.palette,
      region: k.region,
      belongs: k.belongs,
      alien: k.alien,
      garnish: k.garnish,
      liner: k.liner,
    })
}
</script>

<template>
  <House title="The shelf">
    <p v-if="wrong || shelf.wrong" class="card" role="alert">▲ {{ wrong || shelf.wrong }}</p>
    <section aria-labelledby="ideas">
      <h2 id="ideas">Ideas</h2>
      <ul class="grid">
        <li class="card new">
          <label class="well">
            <img v-if="preview" :src="preview" alt="The picture to keep" />
            <span v-else class="soft">{{
              looking ? 'Looking at its colours' : 'A picture, for its colours'
            }}</span>
            <input
              type="file"
              accept="image/png,image/jpeg"
              aria-label="A picture for the idea"
              @change="choose"
            />
          </label>
          <span v-if="palette.length" class="patches" aria-label="Its colours">
            <button
              v-for="c in palette"
              :key="c"
              :style="{ background: c }"
              :aria-label="`Leave out the colour ${c}`"
              @click="palette = palette.filter(x => x !== c)"
            />
          </span>
          <input
            v-model="name"
            class="field"
            maxlength="80"
            placeholder="what struck you"
            aria-label="Name of the idea"
          />
          <textarea
            v-model="note"
            class="field"
            maxlength="2000"
            rows="2"
            placeholder="where, and what about it"
            aria-label="Note"
          />
          <button class="btn next" :disabled="shelf.busy" @click="keep">Keep the idea</button>
        </li>
        <li v-for="k in shelf.ideas" :key="k.id" class="card">
          <img v-if="k.photo" :src="shelf.photo(k)" alt="" />
          <span v-if="k.palette.length" class="patches" :class="{ large: !k.photo }">
            <span v-for="c in k.palette" :key="c" :style="{ background: c }" />
          </span>
          <input
            class="field bare title"
            :value="k.name"
            maxlength="80"
            :aria-label="`Name of the idea ${k.name}`"
            @change="rename(k, $event)"
          />
          <p v-if="k.note" class="soft small">{{ k.note }}</p>
          <p class="acts">
            <button class="btn" :disabled="!k.palette.length || shelf.busy" @click="asTheme(k)">
              Make it a theme<span class="only-read"> {{ k.name }}</span>
            </button>
            <button class="btn quiet" @click="shelf.putAway(k)">
              Off the shelf<span class="only-read"> {{ k.name }}</span>
            </button>
          </p>
        </li>
      </ul>
    </section>
    <section aria-labelledby="themes">
      <h2 id="themes">My themes</h2>
      <p v-if="!shelf.themes.length" class="soft">
        A theme is kept from the Brief, or made of an idea. The Brief then knows it by its name.
      </p>
      <ul class="rows">
        <li v-for="k in shelf.themes" :key="k.id" class="card">
          <span class="patches"><span v-for="c in k.palette" :key="c" :style="{ background: c }" /></span>
          <input
            class="field bare title"
            :value="k.name"
            maxlength="80"
            :aria-label="`Name of the theme ${k.name}`"
            @change="rename(k, $event)"
          />
          <span class="soft small">{{
            k.belongs.length ? count(k.belongs.length, 'food') + ' that belong' : k.region
          }}</span>
          <button class="btn quiet" @click="shelf.putAway(k)">
            Off the shelf<span class="only-read"> {{ k.name }}</span>
          </button>
        </li>
      </ul>
    </section>
    <section aria-labelledby="patterns">
      <h2 id="patterns">Patterns</h2>
      <p v-if="!shelf.patterns.length" class="soft">
        A laid tray is kept as a pattern on Lay, under “like another tray”, and other trays are laid like it.
      </p>
      <ul class="grid">
        <li v-for="k in shelf.patterns" :key="k.id" class="card">
          <img class="whole" loading="lazy" :src="shelf.drawn(k)" alt="" />
          <input
            class="field bare title"
            :value="k.name"
            maxlength="80"
            :aria-label="`Name of the pattern ${k.name}`"
            @change="rename(k, $event)"
          />
          <button class="btn quiet" @click="shelf.putAway(k)">
            Off the shelf<span class="only-read"> {{ k.name }}</span>
          </button>
        </li>
      </ul>
    </section>
    <section aria-labelledby="choices">
      <h2 id="choices">Kept choices</h2>
      <p v-if="!shelf.choices.length" class="soft">
        A choice is kept on Pick, and used there for any other job.
      </p>
      <ul class="rows">
        <li v-for="k in shelf.choices" :key="k.id" class="card choice">
          <input
            class="field bare title"
            :value="k.name"
            maxlength="80"
            :aria-label="`Name of the choice ${k.name}`"
            @change="rename(k, $event)"
          />
          <span class="soft small"
            >{{ count(k.foods.length, 'food') }}, kept for {{ count(k.guests, 'guest') }}</span
          >
          <span class="portions">
            <img
              v-for="f in k.foods.slice(0, 18)"
              :key="f.food"
              loading="lazy"
              :src="larder.picture(f.food, f.form)"
              :alt="larder.name(f.food)"
            />
          </span>
          <button class="btn quiet" @click="shelf.putAway(k)">
            Off the shelf<span class="only-read"> {{ k.name }}</span>
          </button>
        </li>
      </ul>
    </section>
  </House>
</template>

<style scoped>
section {
  display: grid;
  gap: 10px;
}
.grid {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(230px, 1fr));
  gap: 14px;
}
.grid li {
  display: grid;
  gap: 8px;
  align-content: start;
}
.grid img {
  width: 100%;
  height: 150px;
  object-fit: cover;
  border-radius: var(--radius-m);
}
.grid .whole {
  object-fit: contain;
}
.well {
  display: grid;
  place-items: center;
  min-height: 150px;
  border: 1.5px dashed var(--line-strong);
  border-radius: var(--radius-m);
  cursor: pointer;
  text-align: center;
  overflow: hidden;
}
.well input {
  position: absolute;
  opacity: 0;
  width: 1px;
  height: 1px;
}
.well:focus-within {
  outline: 3px solid var(--blue);
  outline-offset: 2px;
}
.field {
  width: 100%;
}
textarea {
  resize: vertical;
}
.title {
  font-weight: 650;
}
.patches {
  display: flex;
  gap: 4px;
}
.patches > * {
  width: 30px;
  height: 30px;
  padding: 0;
  border-radius: var(--radius-m);
  border: 1px solid var(--line-strong);
}
.patches.large {
  gap: 0;
  height: 150px;
  border-radius: var(--radius-m);
  overflow: hidden;
}
.patches.large > * {
  flex: 1;
  width: auto;
  height: auto;
  border: 0;
  border-radius: 0;
}
.new .btn {
  justify-content: center;
}
.patches button {
  cursor: pointer;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
}
.acts .btn {
  padding: 0 10px;
}
.acts .quiet {
  padding: 0 2px;
}
.rows {
  display: grid;
  gap: 8px;
}
.rows li {
  display: grid;
  grid-template-columns: auto minmax(160px, 260px) 1fr auto;
  align-items: center;
  gap: 14px;
}
.rows .choice {
  grid-template-columns: minmax(160px, 260px) 190px 1fr auto;
}
.portions {
  display: flex;
  flex-wrap: wrap;
  gap: 2px;
}
.portions img {
  width: 34px;
  height: 34px;
}
@media (max-width: 760px) {
  .rows li,
  .rows .choice {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
