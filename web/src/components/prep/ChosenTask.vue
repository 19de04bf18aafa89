<script setup lang="ts">
// What is known of one task: when, with what, and how much later it could be.
import { computed } from 'vue'
import type { DayTask } from '@/api/client'
import { useLarder } from '@/stores/larder'
import { minutesFrom } from '@/tray/day'
import { clock, minutes, time } from '@/tray/words'

const props = defineProps<{ task: DayTask; changed?: string }>()
const emit = defineEmits<{ free: [] }>()
const larder = useLarder()
const at = (s: string) => clock(time(s)!)
const slack = computed(() => Math.floor(minutesFrom(props.task.ends, props.task.latest)))
</script>

<template>
  <div class="card chosen" role="status">
    <img v-if="task.food && task.form" :src="larder.picture(task.food, task.form)" alt="" />
    <p>
      <b>{{ task.says }}</b>
      <br />
      <span class="soft"
        >{{ at(task.starts) }} to {{ at(task.ends) }},
        {{ task.minutes < 1 ? 'half a minute' : minutes(task.minutes)
        }}{{ task.tool ? `, with ${task.tool}` : '' }}.
        {{
          task.critical
            ? 'It leads all that follows: longer here is later at the table.'
            : slack > 0
              ? `It could end ${minutes(slack)} later, with hands free for it.`
              : ''
        }}
        <b v-if="changed">{{ changed }}</b></span
      >
      <button v-if="task.pinned" class="btn quiet" @click="emit('free')">
        Moved by hand; give it back to the plan
      </button>
    </p>
  </div>
</template>

<style scoped>
.chosen {
  display: flex;
  gap: 14px;
  align-items: center;
}
img {
  width: 60px;
  height: 60px;
}
</style>
