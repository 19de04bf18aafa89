<script setup lang="ts">
import { RouterView } from 'vue-router'
import HelpLayer from '@/help/HelpLayer.vue'
import Toast from '@/components/common/Toast.vue'
import OutboxLine from '@/outbox/OutboxLine.vue'
import { useSettings } from './stores/settings'

void useSettings().read()
</script>

<template>
  <a class="skip" href="#work">To the work</a>
  <RouterView />
  <Toast />
  <OutboxLine />
  <HelpLayer />
</template>
