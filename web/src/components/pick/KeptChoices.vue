<script setup lang="ts">
// Choices that were kept under a name, to be used for this job's guests; and this one, to be kept.
import { computed, onMounted, ref } from 'vue'
import { useAct } from '@/api/asking'
import { api, take, type Kept } from '@/api/client'
import type { Brief, TrayFile } from '@/api/tray.gen'
import { useShelf } from '@/stores/shelf'
import { count } from '@/tray/words'

const props = defineProps<{ job: TrayFile; picked: boolean; busy: boolean }>()
const emit = defineEmits<{ use: [brief: Brief, says: string] }>()
const shelf = useShelf()
onMounted(shelf.read)

const name = ref('')
const says = ref<string[]>([])
const { wrong, act } = useAct('That could not be used. Try again.')
const ready = computed(() => name.value.trim().length > 0 && props.picked && !shelf.busy)

async function keep() {
  if (!ready.value) return
  if (await shelf.keep('choice', { name: name.value.trim(), job: props.job })) name.value = ''
}
const use = (k: Kept) =>
  act(async () => {
    const used = await take(
      api.POST('/api/v1/kept-choices/{id}/use', {
        params: { path: { id: k.id } },
        body: props.job.brief,
      }),
    )
    says.value = used.says
    emit('use', used.brief, `took the kept choice ${k.name}`)
  })
</script>

<template>
  <section class="panel kept">
    <h2>Kept choices</h2>
    <p v-if="wrong || shelf.wrong" class="small" role="alert">▲ {{ wrong || shelf.wrong }}</p>
    <p v-for="s in says" :key="s" class="small card">{{ s }}</p>
    <ul v-if="shelf.choices.length">
      <li v-for="k in shelf.choices" :key="k.id">
        <span>
          <b>{{ k.name }}</b><br />
          <span class="soft small">{{ count(k.foods.length, 'food') }}, kept for {{ k.guests }}</span>
        </span>
        <button class="btn" :disabled="busy" @click="use(k)">
          Use<span class="only-read"> {{ k.name }}</span>
        </button>
      </li>
    </ul>
    <p v-else class="soft small">A choice that went down well can be kept here and used for another job.</p>
    <form v-if="picked" @submit.prevent="keep">
      <input
        v-model="name"
        class="field"
        maxlength="80"
        aria-label="Name to keep this choice under"
        placeholder="a name for this one"
      />
      <button class="btn" :disabled="!ready">Keep it</button>
    </form>
  </section>
</template>

<style scoped>
.kept {
  margin-top: 22px;
}
.kept ul {
  display: grid;
  gap: 8px;
}
.kept li {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 10px;
}
form {
  display: flex;
  gap: 6px;
}
form input {
  flex: 1;
  min-width: 0;
}
</style>
