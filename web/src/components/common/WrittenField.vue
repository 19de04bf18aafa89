<script setup lang="ts">
// A field that counts when it is left. While somebody types in it, what comes
// back from the server does not write over it.
import { ref } from 'vue'

withDefaults(defineProps<{ value: string | number | undefined; tag?: 'input' | 'textarea' }>(), {
  tag: 'input',
})
const emit = defineEmits<{ written: [text: string, number: number] }>()
const draft = ref<string | null>(null)
function done(e: Event) {
  const el = e.target as HTMLInputElement
  draft.value = null
  emit('written', el.value, el.type === 'number' ? el.valueAsNumber : NaN)
}
</script>

<template>
  <component
    :is="tag"
    :value="draft ?? value ?? ''"
    @input="draft = ($event.target as HTMLInputElement).value"
    @change="done"
    @blur="draft = null"
  />
</template>
