<script setup lang="ts">
import { ref } from 'vue'
import { type Working, words } from '@/api/client'
import { useWorking } from './working'

// The working comes with its number, or is asked for when there are many.
const props = defineProps<{ name: string; working: Working | (() => Promise<Working>) }>()
const store = useWorking()
const trouble = ref('')
async function show() {
  trouble.value = ''
  try {
    store.show(props.name, typeof props.working === 'function' ? await props.working() : props.working)
  } catch (e) {
    trouble.value = words(e)
  }
}
</script>

<template>
  <button type="button" class="why" :aria-label="`Why ${name}`" @click="show">why</button
  ><span v-if="trouble" class="wrong small" role="alert">{{ trouble }}</span>
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
