<script setup lang="ts">
// A food on its shelf in Pick: taken or left by a tap; one that is picked says why, and can be pinned, swapped, banned or
// laid in another form.
import { computed } from 'vue'
import type { Food } from '@/api/client'
import type { Choosing } from '@/composables/choosing'
import { useLarder } from '@/stores/larder'
import { carbs } from '@/tray/words'
import Choose from '@/components/common/Choose.vue'

const props = defineProps<{ food: Food; c: Choosing; called?: string; row?: boolean }>()
const larder = useLarder()
const now = computed(() => props.c.chosen.value.get(props.food.id))
const pinned = computed(() => props.c.pins.value.has(props.food.id))
const tag = computed(() => props.c.tag(props.food.id))

// a form's words up to their first comma, which is enough beside its picture
const brief = (says: string) => says.split(',')[0]!
const form = computed(() => props.food.forms.find(o => o.form === now.value?.form))
const over = computed(() => form.value?.kind === 'garnish' && !form.value.takes)
const lying = (f: Food['forms'][number]) => f.kind !== 'garnish'
// what else can be said of how it lies: what goes over others, over which; what lies by itself, that a part of it lies
// in a second form, but not of greens and of what is in a bowl
const more = computed(() => {
  const id = props.food.id
  if (over.value)
    return {
      label: 'over which food',
      none: 'over what suits it',
      value: props.c.over(id),
      set: (on: string) => props.c.setOver(id, on),
      options: [...props.c.chosen.value.keys()]
        .filter(o => o !== id && larder.food(o)?.category !== 'cracker')
        .map(o => ({ value: o, says: `over: ${larder.name(o)}` })),
    }
  const others =
    form.value && lying(form.value) && form.value.takes
      ? props.food.forms.filter(o => o.form !== form.value!.form && o.takes && lying(o))
      : []
  if (!others.length) return null
  return {
    label: 'a second form',
    none: 'all of it',
    value: props.c.second(id),
    set: (f: string) => props.c.setSecond(id, f),
    options: others.map(o => ({ value: o.form, says: `some: ${brief(o.says)}` })),
  }
})

const swap = computed(() => (props.c.swap.value?.food === props.food.id ? props.c.swap.value.by : null))
</script>

<template>
  <li class="food" :class="{ on: !!now, against: !!tag, row }">
    <button class="take" :aria-pressed="!!now" :disabled="c.busy.value" @click="c.toggle(food.id, called)">
      <img loading="lazy" :src="larder.picture(food.id, now?.form)" alt="" />
      <span class="fname">{{ called || larder.name(food.id) }}</span>
      <span v-if="called" class="small soft">{{ food.name }}</span>
      <span v-if="tag" class="tag">{{ tag }}</span>
      <span v-if="!!now" class="tick" aria-hidden="true">✓</span>
    </button>
    <template v-if="now">
      <p class="why">
        {{ now.why }}<template v-if="now.carb_g !== undefined">; {{ carbs(now.carb_g) }}</template>
      </p>
      <p class="hand">
        <button :class="{ pinned }" :disabled="c.busy.value" :aria-pressed="pinned" @click="c.pin(food.id)">
          {{ pinned ? 'Pinned' : 'Pin' }}<span class="only-read"> {{ food.name }}</span>
        </button>
        <button :disabled="c.busy.value" :aria-expanded="!!swap" @click="c.offer(food.id)">
          Swap<span class="only-read"> {{ food.name }}</span>
        </button>
        <button :disabled="c.busy.value" @click="c.ban(food.id)">
          Ban<span class="only-read"> {{ food.name }}</span>
        </button>
      </p>
      <ul v-if="swap" class="subs">
        <li v-for="x in swap" :key="x.food">
          <button :disabled="c.busy.value" @click="c.exchange(food.id, x)">
            <img :src="larder.picture(x.food, x.form)" alt="" />
            <span
              ><b>{{ larder.name(x.food) }}</b> <span class="soft">{{ x.why }}</span></span
            >
          </button>
        </li>
        <li v-if="!swap.length" class="soft">Nothing in the larder could stand in for it.</li>
      </ul>
      <Choose
        v-if="food.forms.length > 1"
        class="form"
        small
        :model-value="now.form"
        :label="`${food.name}, form`"
        :disabled="c.busy.value"
        :options="food.forms.map(o => [o.form, brief(o.says)] as const)"
        @update:model-value="v => c.setForm(food.id, v)"
      />
      <Choose
        v-if="more"
        class="form"
        small
        :model-value="more.value"
        :label="`${food.name}, ${more.label}`"
        :disabled="c.busy.value"
        :options="[['', more.none], ...more.options.map(o => [o.value, o.says] as const)]"
        @update:model-value="v => more!.set(v)"
      />
    </template>
  </li>
</template>

<style scoped>
.food {
  position: relative;
  border-radius: var(--radius);
  border: 2px solid transparent;
  display: flex;
  flex-direction: column;
}
.food.on {
  background: var(--paper);
  border-color: var(--blue);
}
.take {
  font: inherit;
  color: inherit;
  background: none;
  border: 0;
  border-radius: var(--radius-m);
  padding: 8px 6px 6px;
  cursor: pointer;
  display: grid;
  justify-items: center;
  gap: 2px;
  text-align: center;
}
.take:hover {
  background: var(--linen);
}
.take img {
  width: 84px;
  height: 84px;
}
.against:not(.on) img {
  opacity: 0.55;
  filter: grayscale(0.5);
}
.fname {
  font-weight: 600;
  font-size: var(--type-3);
  line-height: 1.2;
}
.tag {
  font-size: var(--type-2);
  color: var(--soft);
  font-weight: 600;
}
.tick {
  position: absolute;
  top: 6px;
  right: 6px;
  width: 22px;
  height: 22px;
  border-radius: 50%;
  background: var(--blue);
  color: var(--white);
  font: 700 var(--type-3)/22px var(--text);
  text-align: center;
}
.why {
  font-size: var(--type-2);
  color: var(--soft);
  padding: 0 8px 6px;
  text-align: center;
  line-height: 1.25;
}
.hand {
  display: flex;
  justify-content: center;
  gap: 2px;
}
.hand button {
  font: 600 var(--type-2) var(--text);
  color: var(--blue);
  background: none;
  border: 0;
  border-radius: var(--radius-m);
  min-height: 28px;
  padding: 0 6px;
  cursor: pointer;
}
.hand button:hover:enabled {
  background: var(--blue-wash);
}
.hand .pinned {
  background: var(--blue);
  color: var(--white);
}
.subs {
  position: absolute;
  z-index: 4;
  top: 100%;
  left: -2px;
  width: 270px;
  background: var(--paper);
  border: 2px solid var(--blue);
  border-radius: var(--radius);
  padding: 6px;
  box-shadow: 0 8px 22px var(--shade);
  font-size: var(--type-3);
  line-height: 1.25;
}
.shelf .subs {
  display: block;
  border: 2px solid var(--blue);
  border-radius: var(--radius);
  padding-bottom: 6px;
}
.subs b::after {
  content: ':';
}
.subs li button {
  font: inherit;
  color: inherit;
  text-align: left;
  background: none;
  border: 0;
  border-radius: var(--radius-m);
  width: 100%;
  padding: 6px;
  display: grid;
  grid-template-columns: 40px 1fr;
  gap: 10px;
  align-items: center;
  cursor: pointer;
}
.subs li button:hover {
  background: var(--blue-wash);
}
.subs img {
  width: 40px;
  height: 40px;
}
.form {
  margin: auto 6px 6px;
  min-width: 0;
  width: auto;
}
/* on a phone: one below the other */
.row {
  display: grid;
  grid-template-columns: 1fr 1fr;
}
.row > .take,
.row > .why,
.row > .subs {
  grid-column: 1 / -1;
}
.row > .take {
  grid-template-columns: 60px 1fr;
  justify-items: start;
  align-items: center;
  text-align: left;
  gap: 0 10px;
  padding-right: 36px;
}
.row > .take img {
  width: 56px;
  height: 56px;
  grid-row: span 2;
}
.row > .why {
  text-align: left;
  padding: 0 10px 2px;
}
.row > .hand {
  grid-column: 1 / -1;
  justify-content: start;
}
@media (pointer: coarse) {
  .hand button {
    min-height: 44px;
  }
}
</style>
