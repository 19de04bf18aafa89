<script setup lang="ts">
// What a choice covers, what each group of guests finds in it, and what is
// missing with the foods that would fill it.
import { computed, ref } from 'vue'
import type { Choice } from '@/api/client'
import Why from '@/components/common/Why.vue'
import { useLarder } from '@/stores/larder'
import { count as counted } from '@/tray/words'

const props = defineProps<{
  choice: Choice | null
  bites: Choice['bites']
  picked: boolean
  count: number
  own: boolean
  busy: boolean
  says: string[]
}>()
const emit = defineEmits<{ add: [food: string]; apart: [] }>()
const larder = useLarder()

// what is missing: the first few, the rest on request
const allNeeds = ref(false)
const needs = computed(() => (props.choice?.needs ?? []).slice(0, allNeeds.value ? 40 : 3))
const groups = computed(() =>
  (props.choice?.servings ?? []).filter((_, i, all) => all.length > 1 || all[i]!.avoid.length),
)
const partNames: Record<string, string> = {
  'a protein': 'protein',
  'a cheese': 'cheese',
  'a sweet': 'sweets',
  'something crisp': 'crisp',
  'something sweet or fresh': 'sweet or fresh',
}
const partName = (p: { says: string; foods: number }) =>
  p.says === 'a sweet' && p.foods === 1 ? 'sweet' : (partNames[p.says] ?? p.says)
const sideNames: Record<string, string> = {
  texture: 'Texture',
  flavour: 'Flavour',
  cheese: 'Cheese',
  milk: 'Milk',
  colour: 'Colour',
}
</script>

<template>
  <section class="panel" data-help="Pick">
    <h2>Balance</h2>
    <p v-if="picked" class="score">
      <span class="big figure">{{ count }}</span>
      <span class="soft small"
        >{{ count === 1 ? 'food' : 'foods' }} picked{{ own ? ', by hand' : ' for you' }}</span
      >
    </p>
    <p v-for="s in says" :key="s" class="card small says">{{ s }}</p>
    <button v-if="picked && choice?.apart" class="btn" :disabled="busy" @click="emit('apart')">
      Give them a plate apart
    </button>
    <template v-if="picked && bites.length">
      <h3>Eaten together</h3>
      <ul class="bites">
        <li v-for="b in bites" :key="b.name">
          <span class="drawn" aria-hidden="true">
            <img v-for="f in b.foods" :key="f" :src="larder.picture(f)" alt="" />
          </span>
          <b>{{ b.name }}</b>
          <span class="small soft">{{ b.why }}</span>
        </li>
      </ul>
    </template>
    <template v-if="picked && choice">
      <h3>What it covers</h3>
      <div v-for="side in choice.sides" :key="side.name" class="side">
        <h3 class="small soft">{{ sideNames[side.name] ?? side.name }}</h3>
        <ul>
          <li v-for="v in side.have" :key="v" class="have"><span aria-hidden="true">●</span> {{ v }}</li>
          <li v-for="v in side.lack" :key="v" class="lack">
            <span aria-hidden="true">○</span> <span class="only-read">missing: </span>{{ v }}
          </li>
        </ul>
      </div>
      <template v-if="groups.length">
        <h3>What each finds</h3>
        <ul class="groups">
          <li v-for="g in groups" :key="g.who">
            <b>{{ g.who }}</b><span class="soft small">, {{ g.foods }} of {{ g.of }} foods</span>
            <ul>
              <li v-for="p in g.parts" :key="p.says" :class="{ none: !p.foods }">
                <span aria-hidden="true">{{ p.foods ? '●' : '▲' }}</span>
                {{ p.foods || 'no' }} {{ partName(p) }}
              </li>
            </ul>
          </li>
        </ul>
      </template>
      <template v-if="needs.length">
        <h3>What is missing</h3>
        <ul class="needs">
          <li v-for="n in needs" :key="n.says">
            <b :class="{ none: n.group }">{{ n.group ? '▲ ' : '' }}{{ n.says }}</b>
            <ul>
              <li v-for="f in n.fillers" :key="f.food">
                <Why :says="f.why">
                  <button :disabled="busy" @click="emit('add', f.food)">
                    <img :src="larder.picture(f.food)" alt="" />
                    <span
                      ><span class="only-read">Add </span>{{ larder.name(f.food)
                      }}<span class="only-read">: {{ f.why }}</span></span
                    >
                  </button>
                </Why>
              </li>
            </ul>
          </li>
        </ul>
        <button v-if="choice.needs.length > 3" class="btn quiet" @click="allNeeds = !allNeeds">
          {{ allNeeds ? 'Fewer' : `${choice.needs.length - 3} more` }}
        </button>
      </template>
      <p v-else class="soft small">Nothing that people usually miss is missing.</p>
      <p class="small soft">
        {{ counted(choice.sides.flatMap(s => s.lack).length, 'thing') }} the choice does not cover. Not every
        tray needs all of them.
      </p>
    </template>
    <p v-else class="soft small">
      When something is picked, this shows which textures, flavours, milks and colours it covers, and what is
      missing.
    </p>
  </section>
</template>

<style scoped>
.says {
  padding: 8px 12px;
}
.bites {
  display: grid;
  gap: 12px;
}
.bites li {
  display: grid;
}
.bites b {
  font-size: var(--type-4);
  font-weight: 550;
}
.drawn {
  display: flex;
  gap: 4px;
}
.drawn img {
  width: 40px;
  height: 40px;
}
.side ul {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 12px;
  font-size: var(--type-4);
}
.side h3 {
  font-family: var(--text);
  font-weight: 500;
}
.have span {
  color: var(--ink);
}
.lack {
  color: var(--soft);
}
.lack span {
  color: var(--blue);
}
.groups {
  display: grid;
  gap: 8px;
}
.groups ul {
  display: flex;
  flex-wrap: wrap;
  gap: 0 12px;
  font-size: var(--type-3);
  color: var(--soft);
}
.none {
  color: var(--ink);
  font-weight: 650;
}
.needs {
  display: grid;
  gap: 10px;
}
.needs > li > b {
  font-size: var(--type-4);
}
.needs ul {
  display: grid;
  grid-template-columns: repeat(3, 1fr);
  gap: 6px;
  margin-top: 4px;
}
.needs button {
  font: inherit;
  font-size: var(--type-2);
  line-height: 1.2;
  color: inherit;
  background: var(--paper);
  border: 1.5px solid var(--line);
  border-radius: var(--radius);
  width: 100%;
  height: 100%;
  padding: 6px 4px;
  display: grid;
  justify-items: center;
  align-content: start;
  gap: 4px;
  cursor: pointer;
}
.needs button:hover:enabled {
  border-color: var(--blue);
}
.needs img {
  width: 44px;
  height: 44px;
}
</style>
