<script setup lang="ts">
// What something is and why it matters, with the rules about it; and everything else that can be asked, to be searched.
import { computed, ref, watch } from 'vue'
import { ElDrawer, ElInput } from 'element-plus'
import 'element-plus/es/components/drawer/style/css'
import { useMediaQuery } from '@vueuse/core'
import { RouterLink, useRoute } from 'vue-router'
import { useAsking } from './asking'
import { find, topicOf, type HelpTopic } from './topics'

const { open, of, room, point } = useAsking()
const words = ref('')
const narrow = useMediaQuery('(max-width: 560px)')
const route = useRoute()
const topic = computed<HelpTopic | undefined>(() => topicOf(of.value) ?? topicOf(room()))
const found = computed(() => find(words.value))
const shelves = computed(
  () =>
    [
      ['Words of the craft', found.value.filter(t => !t.room)],
      ['Rooms', found.value.filter(t => t.room)],
    ] as const,
)
function show(t: HelpTopic) {
  of.value = t.title
  words.value = ''
}
watch(
  () => route.fullPath,
  () => (open.value = false),
)
watch(open, () => (words.value = ''))
</script>

<template>
  <ElDrawer
    v-model="open"
    class="help"
    title="What is this?"
    :direction="narrow ? 'btt' : 'rtl'"
    :size="narrow ? '78%' : 400"
    append-to-body
  >
    <article v-if="topic && !words" aria-live="polite">
      <h2>{{ topic.title }}</h2>
      <!-- eslint-disable-next-line vue/no-v-html (our own page, read when the product is built) -->
      <div class="text" v-html="topic.html" />
      <ul v-if="topic.rules.length" class="rules">
        <li v-for="r in topic.rules" :key="r.id">
          <strong>{{ r.says }}</strong> {{ r.why }}
          <RouterLink class="small" :to="{ name: 'practice', query: { set: `why.1.${r.at}` } }"
            >Practise it</RouterLink
          >
        </li>
      </ul>
      <button class="btn" @click="point">Point at something else</button>
    </article>
    <section class="all">
      <ElInput
        v-model="words"
        clearable
        maxlength="80"
        placeholder="Search: wet, colour, hours …"
        aria-label="Search what can be asked"
      />
      <template v-for="[says, list] in shelves" :key="says">
        <h3 v-if="list.length" class="soft small">{{ says }}</h3>
        <ul v-if="list.length">
          <li v-for="t in list" :key="t.title">
            <button class="btn quiet" @click="show(t)">{{ t.title }}</button>
          </li>
        </ul>
      </template>
      <p v-if="!found.length" class="soft">
        Nothing is written about that. Try the plain word: knife, children, fridge.
      </p>
    </section>
  </ElDrawer>
</template>

<style scoped>
article {
  display: grid;
  gap: 12px;
  justify-items: start;
}
.text :deep(p) {
  margin: 0;
}
.rules {
  margin: 0;
  padding: 0;
  list-style: none;
  display: grid;
  gap: 10px;
}
.rules li {
  padding-left: 12px;
  border-left: 3px solid var(--blue-pale);
}
.rules a {
  white-space: nowrap;
}
.all {
  margin-top: 22px;
  padding-top: 16px;
  border-top: 1.5px solid var(--line);
}
.all h3 {
  margin: 12px 8px 0;
}
.all ul {
  margin: 0;
  padding: 0;
  list-style: none;
  display: flex;
  flex-wrap: wrap;
  gap: 2px 6px;
}
</style>
