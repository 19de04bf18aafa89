<script setup lang="ts">
// Guests by name, with what they like and dislike: on plates each has one of their own, made from one basket.
import { computed } from 'vue'
import type { Brief, Person } from '@/api/tray.gen'
import WrittenField from '@/components/common/WrittenField.vue'

const props = defineProps<{ brief: Brief }>()
const emit = defineEmits<{ set: [change: Partial<Brief>, planned?: boolean] }>()

const people = computed(() => props.brief.people ?? [])
const named = (child: boolean) => people.value.filter(p => !!p.child === child).length
const comes = computed(() => props.brief.guests)
const room = (child: boolean) => ((child ? comes.value.children : comes.value.adults) ?? 0) > named(child)
const full = computed(() => people.value.length >= 30)

const put = (list: Person[]) => emit('set', { people: list.length ? list : undefined })
const change = (i: number, what: Partial<Person>) =>
  put(people.value.map((p, k) => (k === i ? { ...p, ...what } : p)))
/** Who avoids something is known by name: a new name goes with the diets. */
function rename(i: number, name: string) {
  const was = people.value[i]!.name
  const next = name.trim()
  if (!next || next === was) return
  emit('set', {
    people: people.value.map((p, k) => (k === i ? { ...p, name: next } : p)),
    diets: props.brief.diets?.map(d => (d.who === was ? { ...d, who: next } : d)),
  })
}
const words = (text: string) => {
  const list = text
    .split(/[,;\n]/)
    .map(w => w.trim())
    .filter(Boolean)
    .slice(0, 12)
  return list.length ? list : undefined
}
const avoids = (p: Person) =>
  (props.brief.diets ?? []).filter(d => d.who?.trim().toLowerCase() === p.name.trim().toLowerCase())
function add(child: boolean) {
  const taken = new Set(people.value.map(p => p.name))
  let n = people.value.length + 1
  while (taken.has(`Guest ${n}`)) n++
  put([...people.value, { name: `Guest ${n}`, child: child || undefined }])
}
</script>

<template>
  <p v-if="!people.length" class="soft small">
    Not needed for a board. With names each guest can have a plate of their own, with a card to it.
  </p>
  <div v-for="(p, i) in people" :key="i" class="person">
    <WrittenField
      class="in name"
      :aria-label="`Name of guest ${i + 1}`"
      :value="p.name"
      maxlength="80"
      @written="name => rename(i, name)"
    />
    <span v-if="p.child" class="soft small">a child</span>
    <span
      >likes
      <WrittenField
        class="in taste"
        :aria-label="`${p.name} likes`"
        :value="(p.likes ?? []).join(', ')"
        maxlength="400"
        placeholder="brie, figs"
        @written="t => change(i, { likes: words(t) })"
    /></span>
    <span
      >and dislikes
      <WrittenField
        class="in taste"
        :aria-label="`${p.name} dislikes`"
        :value="(p.dislikes ?? []).join(', ')"
        maxlength="400"
        placeholder="olives, fish"
        @written="t => change(i, { dislikes: words(t) })"
    /></span>
    <button class="btn quiet" @click="put(people.filter((_, k) => k !== i))">
      Remove<span class="only-read"> {{ p.name }}</span>
    </button>
    <p v-if="avoids(p).length" class="small soft">
      Avoids
      {{
        avoids(p)
          .flatMap(d => d.avoid ?? [])
          .join(', ')
      }}.
    </p>
  </div>
  <div class="add">
    <button class="btn" :disabled="full || !room(false)" @click="add(false)">A grown-up by name</button>
    <button class="btn" :disabled="full || !room(true)" @click="add(true)">A child by name</button>
    <span v-if="people.length && brief.serving !== 'plates'" class="small soft">
      <button class="btn" @click="emit('set', { serving: 'plates' })">A plate for each</button>
    </span>
  </div>
  <p v-if="people.length" class="small soft">
    What somebody must not eat is no dislike: write it under Who avoids what, with their name.
  </p>
</template>

<style scoped>
.person {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 10px;
  align-items: center;
  width: 100%;
}
.person p {
  width: 100%;
}
.name {
  width: 128px;
  font-weight: 650;
}
.taste {
  width: 176px;
}
.add {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
}
</style>
