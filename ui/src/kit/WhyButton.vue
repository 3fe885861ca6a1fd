<script setup lang="ts">
import type { Working } from '@/api/client'
import { useWorking } from './working'

defineProps<{ name: string; working: Working }>()
const store = useWorking()
</script>

<template>
  <button type="button" class="why" :aria-label="`Why ${name}`" @click="store.show(name, working)">why</button>
</template>

<style scoped>
.why {
  border: 0;
  background: none;
  color: var(--ember);
  text-decoration: underline;
  text-underline-offset: 3px;
  cursor: pointer;
  min-width: 44px;
  min-height: 32px;
  padding: 0 6px;
  font-size: 0.9rem;
}
</style>
