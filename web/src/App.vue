<script setup lang="ts">
import { RouterView } from 'vue-router'
import Toast from './components/Toast.vue'
</script>

<template>
  <a class="skip" href="#work">To the work</a>
  <RouterView />
  <Toast />
</template>
