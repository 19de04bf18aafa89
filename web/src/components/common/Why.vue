<script setup lang="ts">
// A word or a number that says why when it is pointed at, tapped or reached by Tab.
import { ref, useTemplateRef } from 'vue'
import { ElPopover } from 'element-plus'
import 'element-plus/es/components/popover/style/css'

defineProps<{ says: string; label?: string }>()

const around = useTemplateRef('around')
const near = ref(false) // made only when somebody comes near: there are many on a page
const open = ref(false)
let timer = 0
function turn(to: boolean) {
  window.clearTimeout(timer)
  near.value = true
  timer = window.setTimeout(() => (open.value = to), to ? 150 : 50)
}
</script>

<template>
  <span
    ref="around"
    :class="label ? 'word' : 'block'"
    @mouseenter="turn(true)"
    @mouseleave="turn(false)"
    @focusin="turn(true)"
    @focusout="turn(false)"
    @keydown.esc="turn(false)"
  >
    <slot>
      <button type="button" class="why">
        {{ label }}<span class="only-read">: {{ says }}</span>
      </button>
    </slot>
    <ElPopover
      v-if="near"
      :virtual-ref="around!"
      virtual-triggering
      :visible="open"
      :content="says"
      :width="230"
      popper-class="why-says"
    />
  </span>
</template>

<style scoped>
.block {
  display: block;
}
.why {
  font: inherit;
  color: inherit;
  text-align: left;
  background: none;
  border: 0;
  padding: 0;
  min-height: 22px;
  cursor: help;
  text-decoration: underline dotted var(--line-strong);
  text-underline-offset: 3px;
}
</style>
