<script setup lang="ts">
// A number with its unit after it, that counts when the field is left. What may be and what may not the server says.
import WrittenField from '@/components/common/WrittenField.vue'

const props = defineProps<{
  value: number | undefined
  min?: number
  max?: number
  step?: number | 'any'
  label?: string
}>()
const emit = defineEmits<{ written: [to: number] }>()
function written(n: number) {
  if (Number.isFinite(n) && n !== props.value) emit('written', n)
}
</script>

<template>
  <label class="number-field">
    <WrittenField
      class="field"
      type="number"
      :min="min"
      :max="max"
      :step="step"
      :value="value"
      :aria-label="label"
      @written="(_, n) => written(n)"
    />
    <slot />
  </label>
</template>

<style scoped>
.number-field {
  display: flex;
  align-items: center;
  gap: 8px;
  font-size: var(--type-3);
  line-height: 1.15;
}
.field {
  width: 62px;
  flex: none;
}
</style>
