<script setup lang="ts">
// A number, with its unit after it, that counts when the field is left or a step is taken: the one such field that
// there is. What lies beyond what may be becomes the nearest that may, and that is said. Emptied it is nothing where
// nothing may be, tells so where there is something to say instead, and else holds again what it held.
import { computed, onMounted, ref, useTemplateRef } from 'vue'
import { ElInputNumber } from 'element-plus'
import 'element-plus/es/components/input-number/style/css'

const props = defineProps<{
  modelValue: number | null | undefined
  label?: string
  min?: number
  max?: number
  step?: number
  /** So many digits after the point; without, as many as are written. */
  digits?: number
  /** Buttons for a little less and a little more; small ones lie on top of each other. */
  steps?: boolean | 'small'
  /** What stands there while there is no number. */
  none?: string
  width?: number // px
  disabled?: boolean
}>()
const emit = defineEmits<{ 'update:modelValue': [to: number]; cleared: [] }>()

const field = useTemplateRef<InstanceType<typeof ElInputNumber>>('field')
// a step is for the buttons: a browser would send no form in which something lies between two steps
onMounted(() => (field.value?.$el as HTMLElement).querySelector('input')?.setAttribute('step', 'any'))

const typed = ref<number | null>(null)
const beyond = computed(() => {
  const n = typed.value
  if (n === null) return ''
  if (props.max !== undefined && n > props.max) return `${props.max} at most`
  if (props.min !== undefined && n < props.min) return `${props.min} at least`
  return ''
})
function written(n: number | null | undefined) {
  if (n !== null && n !== undefined) emit('update:modelValue', n)
  else if (props.none) emit('cleared')
  else if (props.min === 0) emit('update:modelValue', 0)
}
</script>

<template>
  <component :is="$slots.default ? 'label' : 'span'" class="number-field">
    <ElInputNumber
      ref="field"
      :model-value="modelValue ?? undefined"
      :min="min"
      :max="max"
      :step="step"
      :precision="digits"
      :controls="!!steps"
      :controls-position="steps === 'small' ? 'right' : ''"
      :size="steps === 'small' ? 'small' : undefined"
      :placeholder="none"
      :aria-label="label"
      :disabled="disabled"
      :style="{ width: (width ?? (steps ? 118 : 76)) + 'px' }"
      @input="n => (typed = n ?? null)"
      @focus="typed = null"
      @change="written"
    />
    <slot />
    <span v-if="beyond" class="small soft" role="status">{{ beyond }}</span>
  </component>
</template>

<style scoped>
.number-field {
  display: inline-flex;
  align-items: center;
  gap: 8px;
  font-size: var(--type-3);
  line-height: 1.15;
}
.number-field > :deep(.el-input-number) {
  flex: none;
}
</style>
