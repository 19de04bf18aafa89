<script setup lang="ts">
// A choice set into a sentence.
import { ElOption, ElSelect } from 'element-plus'
import 'element-plus/es/components/select/style/css'

defineProps<{
  value: string
  label: string
  options: readonly (readonly [value: string, says: string])[]
  width: number
}>()
const emit = defineEmits<{ change: [value: string] }>()
</script>

<template>
  <ElSelect
    :persistent="false"
    :model-value="value"
    :empty-values="[null, undefined]"
    :aria-label="label"
    :style="{ width: width + 'px' }"
    @change="(v: string) => emit('change', v)"
  >
    <ElOption v-for="[id, says] in options" :key="id" :value="id" :label="says" />
  </ElSelect>
</template>
