<script setup lang="ts">
// A day and a minute, picked or typed: 2026-11-29T19:00, as the house's clocks show it.
import { ElConfigProvider, ElDatePicker } from 'element-plus'
import 'element-plus/es/components/date-picker/style/css'
import 'dayjs/locale/en-gb'
import dayjs from 'dayjs'
import en from 'element-plus/es/locale/lang/en'
import { computed } from 'vue'
import { time } from '@/tray/words'

const props = defineProps<{ value: string | undefined; label: string }>()
const emit = defineEmits<{ written: [at: string | undefined] }>()

const at = computed(() => {
  const minute = time(props.value)
  return minute ? dayjs(minute).format('YYYY-MM-DDTHH:mm') : ''
})
const weeksFromMonday = { ...en, name: 'en-gb' }
</script>

<template>
  <ElConfigProvider :locale="weeksFromMonday">
    <ElDatePicker
      class="day-time"
      type="datetime"
      :model-value="at"
      value-format="YYYY-MM-DDTHH:mm"
      format="D MMM YYYY, HH:mm"
      date-format="D MMM YYYY"
      time-format="HH:mm"
      :default-time="new Date(2000, 0, 1, 18, 0)"
      :aria-label="label"
      placeholder="a day not known yet"
      popper-class="day-picker"
      @update:model-value="(at: string | null) => emit('written', at || undefined)"
    />
  </ElConfigProvider>
</template>
