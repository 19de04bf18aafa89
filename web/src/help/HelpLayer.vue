<script setup lang="ts">
// The help over everything: asked for when it is wanted first, as its words are many.
import { defineAsyncComponent, ref, watch } from 'vue'
import { useAsking } from './asking'

const HelpPanel = defineAsyncComponent(() => import('./HelpPanel.vue'))
const { open, pointing, listen } = useAsking()
const met = ref(false)
watch(open, now => (met.value ||= now))
listen()
</script>

<template>
  <HelpPanel v-if="met" />
  <p v-if="pointing" class="pointing" role="status">
    Tap what you want to know about.
    <span class="soft small">Escape ends it.</span>
  </p>
</template>

<style scoped>
.pointing {
  position: fixed;
  inset: auto 0 20px;
  margin: 0 auto;
  z-index: 60;
  width: max-content;
  max-width: calc(100vw - 28px);
  padding: 12px 20px;
  background: var(--paper);
  border: 2px solid var(--blue);
  border-radius: var(--radius-l);
  box-shadow: 0 6px 22px var(--shade);
}
</style>
