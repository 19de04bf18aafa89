<script setup lang="ts" generic="V extends string | number | string[]">
// One of a few things, or several of them where the value is a list, chosen from what opens below: the one such
// field that there is.
import { computed, ref, useTemplateRef } from 'vue'
import { ElOption, ElSelect } from 'element-plus'
import 'element-plus/es/components/select/style/css'

type One = V extends readonly (infer W)[] ? W : V

const props = defineProps<{
  modelValue: V | undefined
  /** The values; where one is called something else, with how it is called. */
  options: readonly (One | readonly [value: One, says: string])[]
  /** What it is called, for who does not see what stands beside it. */
  label: string
  /** What stands there while none is chosen. */
  none?: string
  width?: number // px
  /** Letters narrow down what is listed. */
  filterable?: boolean
  /** However many are chosen, the field is as high as one. */
  low?: boolean
  small?: boolean
  disabled?: boolean
  /** What opens lies inside of what the field lies in: a card that closes where something beside it is touched. */
  inside?: boolean
}>()
const emit = defineEmits<{ 'update:modelValue': [to: V] }>()

const listed = computed(() =>
  props.options.map(o => (Array.isArray(o) ? { value: o[0], says: o[1] } : { value: o, says: String(o) })),
)
const open = ref(false)
const field = useTemplateRef('field')
let keys = false // whether what is open was chosen from by keys
function opened(is: boolean) {
  open.value = is
  keys = false
}
/** Who chose by hand goes on with the keys of the room; who chose by keys stays where they are. */
function chosen(v: V) {
  emit('update:modelValue', v)
  if (!keys && !Array.isArray(v)) field.value?.blur()
}
/** Escape shuts what is open; where nothing is, it is for what the field lies in: a card, a step, a room. */
function leave(e: KeyboardEvent) {
  if (open.value) return
  e.stopImmediatePropagation()
  const around = (e.currentTarget as HTMLElement).parentElement
  around?.dispatchEvent(new KeyboardEvent('keydown', { key: e.key, code: e.code, bubbles: true }))
}
/** An empty word is a choice of its own where it is listed. */
const empty = computed(() => [null, undefined, ...(listed.value.some(o => o.value === '') ? [] : [''])])
</script>

<template>
  <ElSelect
    ref="field"
    :persistent="false"
    :model-value="modelValue"
    :multiple="Array.isArray(modelValue)"
    :empty-values="empty"
    :placeholder="none ?? ''"
    :aria-label="label"
    :filterable="filterable"
    :collapse-tags="low"
    :size="small ? 'small' : undefined"
    :disabled="disabled"
    :fit-input-width="false"
    :teleported="!inside"
    :style="width ? { width: width + 'px' } : undefined"
    @visible-change="opened"
    @keydown.enter.capture="keys = true"
    @keydown.esc.capture="leave"
    @change="chosen"
  >
    <ElOption v-for="o in listed" :key="String(o.value)" :value="o.value" :label="o.says" />
  </ElSelect>
</template>
