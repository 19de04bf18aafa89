<script setup lang="ts">
// One food's own page: its forms to scale, what is known of it, what it is sold
// in, and what it goes with.
import { computed, ref, watch } from 'vue'
import { RouterLink, useRoute, useRouter } from 'vue-router'
import FoodFacts from '@/components/larder/FoodFacts.vue'
import FoodNames from '@/components/larder/FoodNames.vue'
import FoodGoods from '@/components/larder/FoodGoods.vue'
import FormStage from '@/components/larder/FormStage.vue'
import House from '@/components/house/House.vue'
import WrittenField from '@/components/common/WrittenField.vue'
import { useFoodPage } from '@/composables/foodPage'

const route = useRoute()
const router = useRouter()
const it = useFoodPage()
const { page, food, wrong, missing, saving, undoable } = it
watch(
  () => String(route.params.id),
  id => void it.open(id),
  { immediate: true },
)
watch(food, f => {
  if (f) document.title = `${f.name} · Happy Tray`
})

const standing = computed(() =>
  page.value?.mine === 'own'
    ? 'Your own food'
    : page.value?.mine === 'changed'
      ? 'Changed by you; what you did not change follows the product'
      : 'As it comes with the product',
)
const naming = ref(false)
const name = ref('')
function rename(text: string) {
  const v = text.trim()
  if (v && v !== food.value?.name) void it.change({ name: v })
}
function begin() {
  name.value = `${food.value!.name}, my own`
  naming.value = true
}
async function copy() {
  const id = await it.copy(name.value.trim())
  if (!id) return
  naming.value = false
  await router.push({ name: 'food', params: { id } })
}
</script>

<template>
  <House :title="food?.name ?? (missing ? 'No such food' : 'Looking')" wide>
    <template v-if="page" #acts>
      <span class="soft small" role="status">{{ saving ? 'Saving' : 'Saved' }}</span>
      <button class="btn" :disabled="!undoable || saving > 0" @click="it.undo">Undo</button>
      <button v-if="page.mine === 'changed'" class="btn" @click="it.handBack">Reset to default</button>
      <button class="btn" @click="begin">Copy</button>
      <button v-if="page.put_away" class="btn" @click="it.takeOut(page.food.id)">Show again</button>
      <button v-else class="btn" @click="it.putAway">Hide</button>
    </template>
    <p v-if="wrong" class="card" role="alert">▲ {{ wrong }}</p>
    <form v-if="naming" class="card copy" @submit.prevent="copy">
      <label>Call the copy <input v-model="name" class="field" maxlength="80" required autofocus /></label>
      <button class="btn next">Make it</button>
      <button type="button" class="btn quiet" @click="naming = false">Leave it</button>
    </form>
    <template v-if="page && food">
      <p class="soft">
        {{ standing }}{{ page.put_away ? ', hidden' : '' }}.
        <RouterLink :to="{ name: 'larder' }">Back to the shelves</RouterLink>
      </p>
      <div class="two">
        <div class="left">
          <FormStage :page="page" />
          <section class="card"><FoodGoods :page="page" @change="it.change" @stock="it.stock" /></section>
        </div>
        <div class="right">
          <section class="card">
            <label class="called">
              <span class="soft">Called</span>
              <WrittenField class="field" :value="food.name" maxlength="80" @written="rename" />
            </label>
            <FoodNames :page="page" @change="it.change" />
            <FoodFacts :page="page" @change="it.change" @saved="it.refresh" />
          </section>
          <section v-if="page.good_with.length || page.clashes_with.length" class="card with">
            <template v-if="page.good_with.length">
              <h2>Goes well with</h2>
              <ul>
                <li v-for="p in page.good_with" :key="p.id">
                  <RouterLink :to="{ name: 'food', params: { id: p.id } }">{{ p.name }}</RouterLink>
                  <span class="soft small">{{ p.why }}</span>
                </li>
              </ul>
            </template>
            <template v-if="page.clashes_with.length">
              <h2>Better apart</h2>
              <ul>
                <li v-for="p in page.clashes_with" :key="p.id">
                  <RouterLink :to="{ name: 'food', params: { id: p.id } }">{{ p.name }}</RouterLink>
                  <span class="soft small">{{ p.why }}</span>
                </li>
              </ul>
            </template>
          </section>
        </div>
      </div>
    </template>
    <p v-else-if="missing">
      <RouterLink :to="{ name: 'larder' }">Back to the shelves</RouterLink>
    </p>
  </House>
</template>

<style scoped>
.two {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 424px;
  gap: 20px;
  align-items: start;
}
.left,
.right {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 16px;
  min-width: 0;
}
.called {
  display: grid;
  grid-template-columns: 88px 1fr;
  gap: 10px;
  align-items: center;
  margin-bottom: 8px;
  font-size: var(--type-4);
}
.called .field {
  font-weight: 650;
  font-size: var(--type-5);
}
.copy {
  display: flex;
  gap: 10px;
  align-items: end;
  flex-wrap: wrap;
}
.copy label {
  display: grid;
  gap: 4px;
  flex: 1 1 260px;
}
.with {
  display: grid;
  gap: 8px;
}
.with li {
  display: grid;
  grid-template-columns: 1fr 1.2fr;
  gap: 10px;
  padding: 4px 0;
  line-height: 1.25;
}
@media (max-width: 1100px) {
  .two {
    grid-template-columns: 1fr;
  }
}
</style>
