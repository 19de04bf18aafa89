<script setup lang="ts">
// Whose prices these are, and how old.
import { onMounted } from 'vue'
import { RouterLink } from 'vue-router'
import { ago, useShop } from '@/stores/shop'

const shop = useShop()
onMounted(shop.read)
</script>

<template>
  <p v-if="shop.shop" class="small soft line">
    <template v-if="!shop.shop.address">
      Prices are the larder's own. <RouterLink to="/settings">Read a shop's</RouterLink>
    </template>
    <template v-else-if="shop.shop.asked_at">
      Prices of
      {{
        [shop.shop, ...shop.shop.further]
          .map(s => s.name)
          .filter(Boolean)
          .join(' and ')
      }}, read {{ ago(shop.shop.asked_at) }}.
    </template>
    <template v-else>The shop has not been read yet; prices are the larder's own.</template>
    <template v-for="f in shop.shop.further" :key="f.address">
      <template v-if="f.wrong"><br />▲ {{ f.name || f.address }}: {{ f.wrong }}.</template>
    </template>
    <template v-if="shop.wrong"><br />▲ At the last try: {{ shop.wrong }}.</template>
    <button v-if="shop.shop.address" class="btn quiet" :disabled="shop.busy" @click="shop.ask">
      Ask again
    </button>
  </p>
</template>

<style scoped>
.line .btn {
  min-height: 28px;
}
</style>
