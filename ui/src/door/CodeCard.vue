<script setup lang="ts">
// A code to scan or to type on another device, while it is good.
import { computed } from 'vue'

const props = defineProps<{ code: { code: string; url: string; qr: string; expires: string }; what: string }>()
const spaced = computed(() => props.code.code.replace(/(.{4})(?=.)/g, '$1 '))
const until = computed(() =>
  new Date(props.code.expires).toLocaleString(undefined, { weekday: 'short', hour: '2-digit', minute: '2-digit' }),
)
</script>

<template>
  <div class="card">
    <img :src="code.qr" width="216" height="216" alt="The same address as a picture to scan" />
    <div class="stack">
      <p>{{ what }}</p>
      <p class="word num" data-code>{{ spaced }}</p>
      <p class="small soft address">{{ code.url.split('#')[0] }}</p>
      <p class="small soft">Good until {{ until }}.</p>
    </div>
  </div>
</template>

<style scoped>
.card {
  display: flex;
  flex-wrap: wrap;
  gap: 20px;
  align-items: center;
}
img {
  background: #fff;
  padding: 8px;
  image-rendering: pixelated;
}
.word {
  font-size: 1.9rem;
  letter-spacing: 0.06em;
}
.address {
  overflow-wrap: anywhere;
}
</style>
