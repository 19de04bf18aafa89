<script setup lang="ts">
// The dialogs of Lay. Each is asked for when it is wanted first: few look at them, and their parts are many.
import { computed, defineAsyncComponent, reactive, watch } from 'vue'
import type { From } from '@/composables/picture'

const PictureDialog = defineAsyncComponent(() => import('@/components/lay/PictureDialog.vue'))
const LikeDialog = defineAsyncComponent(() => import('@/components/lay/LikeDialog.vue'))
const CardDialog = defineAsyncComponent(() => import('@/components/lay/CardDialog.vue'))
const KeysDialog = defineAsyncComponent(() => import('@/components/lay/KeysDialog.vue'))

type Dialog = 'picture' | 'like' | 'card' | 'keys'
defineProps<{ from: From; busy: boolean; pxPerMm: number }>()
const emit = defineEmits<{
  like: [id: string, title: string, of?: { revision: number; tray: number }]
  taken: [pxPerMM: number]
}>()
const open = defineModel<Dialog | ''>({ required: true })
const wanted = reactive(new Set<Dialog>())
watch(open, which => which && wanted.add(which), { immediate: true })
const shows = (which: Dialog) =>
  computed({ get: () => open.value === which, set: on => (open.value = on ? which : '') })
const [picture, like, card, keys] = [shows('picture'), shows('like'), shows('card'), shows('keys')]
</script>

<template>
  <PictureDialog v-if="wanted.has('picture')" v-model="picture" :from="from" />
  <LikeDialog
    v-if="wanted.has('like')"
    v-model="like"
    :busy="busy"
    @like="(id, title, of) => emit('like', id, title, of)"
  />
  <CardDialog v-if="wanted.has('card')" v-model="card" :was="pxPerMm" @taken="emit('taken', $event)" />
  <KeysDialog v-if="wanted.has('keys')" v-model="keys" />
</template>
