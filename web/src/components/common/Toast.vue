<script setup lang="ts">
import { useToast } from '@/stores/toast'

const toast = useToast()
function act() {
  toast.now?.act?.do()
  toast.hush()
}
</script>

<template>
  <div class="toast no-print" role="status">
    <p v-if="toast.now">
      {{ toast.now.says }}
      <button v-if="toast.now.act" class="btn" @click="act">{{ toast.now.act.name }}</button>
    </p>
  </div>
</template>

<style scoped>
.toast {
  position: fixed;
  inset: auto 0 22px;
  display: grid;
  place-items: center;
  pointer-events: none;
  z-index: 10;
}
p {
  pointer-events: auto;
  display: flex;
  gap: 14px;
  align-items: center;
  background: var(--ink);
  color: var(--white);
  border-radius: var(--radius);
  padding: 10px 16px;
  max-width: min(640px, 90vw);
  box-shadow: 0 8px 26px var(--shade-deep);
}
</style>
