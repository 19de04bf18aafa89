<script setup lang="ts" generic="M extends string | string[]">
// One of a few words, or several of them, chosen from a list.
import { ElOption, ElSelect } from 'element-plus'
import 'element-plus/es/components/select/style/css'

defineProps<{
  words: readonly string[]
  value: M | undefined
  label: string
  /** How a word is called, where it is not called what it is. */
  called?: Readonly<Record<string, string>>
  /** What stands there while none is chosen. */
  none?: string
  disabled?: boolean
}>()
const emit = defineEmits<{ chosen: [to: M] }>()
</script>

<template>
  <ElSelect
    :persistent="false"
    :model-value="value"
    :multiple="Array.isArray(value)"
    :placeholder="none"
    :aria-label="label"
    :disabled="disabled"
    @update:model-value="(v: M) => emit('chosen', v)"
  >
    <ElOption v-for="w in words" :key="w" :value="w" :label="called?.[w] ?? w" />
  </ElSelect>
</template>
